package yentra.core.climate;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import yentra.core.solar.SkySplit;

/**
 * A day of each month to size cooling for, made from a year of weather: the air goes as on a mean
 * day of the month, its swing stretched so that its warmest hour is one that only 1 % of the
 * month's hours exceed; the sun is that of the month's sunniest day; sky and humidity are the means
 * of the month's hours.
 *
 * @param months of the twelve: values of 24 hours each
 */
public record DesignDays(List<Day> months) {
  private static final int DAY = 24;
  private static final double EXCEEDED = 0.99;

  /**
   * A day.
   *
   * @param hour the first hour in its year of the day whose sun it has
   * @param dryBulb °C
   * @param direct normal, W/m²
   * @param diffuse horizontal, W/m²
   * @param sky temperature of the sky, °C; NaN without long-wave radiation
   */
  public record Day(int hour, double[] dryBulb, double[] direct, double[] diffuse, double[] sky) {}

  public DesignDays {
    months = List.copyOf(months);
  }

  public static DesignDays of(WeatherYear w) {
    List<Day> out = new ArrayList<>();
    for (int m = 1; m <= 12; m++) {
      out.add(day(w, m));
    }
    return new DesignDays(out);
  }

  private static Day day(WeatherYear w, int month) {
    List<Integer> days = new ArrayList<>();
    for (int h = 0; h < w.hours(); h += DAY) {
      if (w.month(h) == month) {
        days.add(h);
      }
    }
    double[] dry = means(w, WeatherQuantity.DRY_BULB, days);
    double[] all = new double[days.size() * DAY];
    for (int i = 0; i < all.length; i++) {
      all[i] = w.dryBulb(days.get(i / DAY) + i % DAY);
    }
    Arrays.sort(all);
    double warm = ClimateSummary.percentile(all, EXCEEDED);
    double peak = Arrays.stream(dry).max().orElseThrow();
    double low = Arrays.stream(dry).min().orElseThrow();
    // where days are all alike the whole day is as warm
    double stretch = peak - low < 1e-6 ? 0 : stretch(w, days, peak - low);
    for (int i = 0; i < DAY; i++) {
      dry[i] = warm - (peak - dry[i]) * stretch;
    }
    int sunniest = sunniest(w, days);
    double[] sky = new double[DAY];
    Arrays.fill(sky, Double.NaN);
    if (w.has(WeatherQuantity.HORIZONTAL_INFRARED)) {
      double[] infrared = means(w, WeatherQuantity.HORIZONTAL_INFRARED, days);
      double[] air = means(w, WeatherQuantity.DRY_BULB, days);
      for (int i = 0; i < DAY; i++) {
        sky[i] = dry[i] + LongWaveSky.temperature(infrared[i]) - air[i];
      }
    }
    return new Day(
        sunniest,
        dry,
        of(w, WeatherQuantity.DIRECT_NORMAL, sunniest),
        of(w, WeatherQuantity.DIFFUSE_HORIZONTAL, sunniest),
        sky);
  }

  /** Mean swing of single days over that of the mean day, which averages them out. */
  private static double stretch(WeatherYear w, List<Integer> days, double swing) {
    double sum = 0;
    for (int d : days) {
      double most = Double.NEGATIVE_INFINITY;
      double least = Double.POSITIVE_INFINITY;
      for (int h = d; h < d + DAY; h++) {
        most = Math.max(most, w.dryBulb(h));
        least = Math.min(least, w.dryBulb(h));
      }
      sum += most - least;
    }
    return Math.max(1, sum / days.size() / swing);
  }

  private static double[] means(WeatherYear w, WeatherQuantity q, List<Integer> days) {
    double[] out = new double[DAY];
    for (int d : days) {
      for (int i = 0; i < DAY; i++) {
        out[i] += w.get(q, d + i) / days.size();
      }
    }
    return out;
  }

  private static int sunniest(WeatherYear w, List<Integer> days) {
    int best = days.get(0);
    double most = -1;
    for (int d : days) {
      double sum = 0;
      for (int h = d; h < d + DAY && w.has(WeatherQuantity.DIRECT_NORMAL); h++) {
        sum += w.get(WeatherQuantity.DIRECT_NORMAL, h);
      }
      if (sum > most) {
        most = sum;
        best = d;
      }
    }
    return best;
  }

  private static double[] of(WeatherYear w, WeatherQuantity q, int from) {
    double[] out = new double[DAY];
    for (int i = 0; i < DAY && w.has(q); i++) {
      out[i] = w.get(q, from + i);
    }
    return out;
  }

  /** Radiation above the atmosphere on a day, W/m². */
  public static double extraterrestrial(Day d) {
    return SkySplit.extraterrestrial(WeatherYear.day(d.hour) + 1);
  }
}
