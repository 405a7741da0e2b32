package yentra.demo;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import yentra.core.climate.EpwWriter;
import yentra.core.climate.LongWaveSky;
import yentra.core.climate.MoistAir;
import yentra.core.climate.WeatherQuantity;
import yentra.core.climate.WeatherYear;
import yentra.core.solar.SkySplit;
import yentra.core.solar.SunPosition;

/**
 * A synthetic year of weather for the made-up coast of Marram Point. Nothing in it was observed: it
 * is drawn by chance, always the same, around the monthly means stated here, which are what a mild
 * coast at 54° north is commonly said to have (from memory, no source).
 */
public final class MarramClimate {
  public static final String FILE_NAME = "marram-point-synthetic.epw";

  private static final int DAY = 24;
  private static final int HOURS = 365 * DAY;
  private static final int[] DAYS = {31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31};

  /** Mean dry bulb, °C. */
  static final double[] DRY_BULB = {
    4.6, 4.5, 6.0, 8.1, 11.1, 13.8, 15.6, 15.7, 13.7, 10.8, 7.6, 5.3
  };

  /** Mean swing of a day, K. */
  private static final double[] SWING = {
    3.4, 3.9, 4.8, 5.9, 6.4, 6.1, 5.8, 5.7, 5.2, 4.3, 3.6, 3.2
  };

  /** Global horizontal radiation as a share of what arrives above the atmosphere. */
  static final double[] CLEARNESS = {
    0.30, 0.35, 0.40, 0.45, 0.48, 0.47, 0.45, 0.45, 0.42, 0.37, 0.31, 0.28
  };

  /** Mean wind, m/s. */
  static final double[] WIND = {8.2, 7.6, 7.0, 6.2, 5.6, 5.3, 5.2, 5.4, 6.2, 7.3, 7.8, 8.1};

  /** Mean relative humidity, %. */
  private static final double[] HUMIDITY = {85, 83, 81, 79, 79, 81, 82, 82, 82, 83, 84, 85};

  private static final WeatherYear.Station STATION =
      new WeatherYear.Station(
          "Marram Point (synthetic)", "made-up coast", "-", "synthetic", 54.1, -3.3, 4, 0);

  private MarramClimate() {}

  /** The year as an EPW file. */
  public static byte[] epw() {
    return EpwWriter.write(
        year(),
        "Synthetic weather of a made-up place, drawn around stated monthly means; nothing in it was observed");
  }

  /** The year. */
  public static WeatherYear year() {
    Map<WeatherQuantity, double[]> v = new EnumMap<>(WeatherQuantity.class);
    for (WeatherQuantity q : WeatherQuantity.values()) {
      v.put(q, new double[HOURS]);
    }
    Random random = new Random(1867);
    WeatherYear calendar =
        new WeatherYear(
            STATION,
            Map.of(WeatherQuantity.DRY_BULB, new double[HOURS]),
            Map.of(),
            List.of(),
            1,
            List.of());
    int days = HOURS / DAY;
    double[] warm = new double[days];
    double[] clear = new double[days];
    double[] from = new double[days];
    double[] wind = new double[days];
    from[days - 1] = 240;
    for (int d = 0; d < days; d++) {
      // the weather of a day follows that of the day before
      int before = (d + days - 1) % days;
      warm[d] = 0.75 * warm[before] + 1.5 * random.nextGaussian();
      clear[d] = 0.55 * clear[before] + 0.2 * random.nextGaussian();
      from[d] =
          (from[before] + 45 * random.nextGaussian() + 0.15 * (240 - from[before]) + 720) % 360;
      wind[d] = Math.max(0.3, 1 + 0.35 * random.nextGaussian());
    }
    for (int h = 0; h < HOURS; h++) {
      hour(v, calendar, h, days(warm, h), clear[h / DAY], from[h / DAY], days(wind, h));
    }
    centre(v.get(WeatherQuantity.DRY_BULB));
    humidity(v);
    return new WeatherYear(STATION, v, Map.of(), List.of(ground()), 1, List.of());
  }

  private static void hour(
      Map<WeatherQuantity, double[]> v,
      WeatherYear calendar,
      int hour,
      double warm,
      double clear,
      double from,
      double wind) {
    double h = hour % DAY + 0.5;
    double day = Math.cos(2 * Math.PI * (h - 15) / DAY);
    double clearness = Math.max(0.08, Math.min(0.75, between(CLEARNESS, hour) + clear));
    double swing = between(SWING, hour) * (0.5 + clearness / between(CLEARNESS, hour) / 2);
    v.get(WeatherQuantity.DRY_BULB)[hour] = between(DRY_BULB, hour) + warm + swing / 2 * day;
    SunPosition sun =
        SunPosition.of(
            calendar.date(hour), h, STATION.timeZone(), STATION.latitude(), STATION.longitude());
    double up = Math.max(0, sun.cosine());
    double global = clearness * SkySplit.extraterrestrial(hour / DAY + 1) * up;
    double diffuse = up < 0.05 ? global : global * SkySplit.diffuseShare(clearness);
    v.get(WeatherQuantity.GLOBAL_HORIZONTAL)[hour] = global;
    v.get(WeatherQuantity.DIFFUSE_HORIZONTAL)[hour] = diffuse;
    v.get(WeatherQuantity.DIRECT_NORMAL)[hour] = up < 0.05 ? 0 : (global - diffuse) / up;
    double cover = Math.max(0, Math.min(10, 10 * (0.78 - clearness) / 0.6));
    v.get(WeatherQuantity.SKY_COVER)[hour] = Math.rint(cover);
    v.get(WeatherQuantity.OPAQUE_SKY_COVER)[hour] = Math.rint(0.8 * cover);
    v.get(WeatherQuantity.WIND_DIRECTION)[hour] = Math.rint(from) % 360;
    v.get(WeatherQuantity.WIND_SPEED)[hour] = between(WIND, hour) * wind * (1 + 0.12 * day);
    v.get(WeatherQuantity.PRESSURE)[hour] = 101_300 - 250 * warm;
  }

  /** Shifts each month so that its mean is the stated one. */
  private static void centre(double[] dry) {
    int at = 0;
    for (int m = 0; m < 12; m++) {
      int n = DAYS[m] * DAY;
      double sum = 0;
      for (int h = at; h < at + n; h++) {
        sum += dry[h];
      }
      for (int h = at; h < at + n; h++) {
        dry[h] += DRY_BULB[m] - sum / n;
      }
      at += n;
    }
  }

  private static void humidity(Map<WeatherQuantity, double[]> v) {
    double[] dry = v.get(WeatherQuantity.DRY_BULB);
    for (int h = 0; h < HOURS; h++) {
      double day = Math.cos(2 * Math.PI * (h % DAY + 0.5 - 15) / DAY);
      double rh = Math.max(30, Math.min(100, between(HUMIDITY, h) - 8 * day));
      v.get(WeatherQuantity.RELATIVE_HUMIDITY)[h] = rh;
      double dew = MoistAir.dewPoint(dry[h], rh);
      v.get(WeatherQuantity.DEW_POINT)[h] = dew;
      v.get(WeatherQuantity.HORIZONTAL_INFRARED)[h] =
          LongWaveSky.radiation(dry[h], dew, v.get(WeatherQuantity.OPAQUE_SKY_COVER)[h]);
    }
  }

  /** The year's swing damped by a third and a month late at half a metre. */
  private static WeatherYear.Ground ground() {
    double mean = 0;
    for (double t : DRY_BULB) {
      mean += t / 12;
    }
    List<Double> months = new ArrayList<>();
    for (int m = 0; m < 12; m++) {
      months.add(mean + (DRY_BULB[(m + 11) % 12] - mean) * 2 / 3);
    }
    return new WeatherYear.Ground(0.5, months);
  }

  /** A value of days in an hour, on straight lines between noons. */
  private static double days(double[] days, int hour) {
    double at = (hour + 0.5) / DAY - 0.5;
    int i = (int) Math.floor(at);
    double a = days[Math.floorMod(i, days.length)];
    return a + (days[Math.floorMod(i + 1, days.length)] - a) * (at - i);
  }

  /** A monthly mean in an hour, on straight lines between the middles of the months. */
  private static double between(double[] months, int hour) {
    double at = hour / (double) HOURS * 12 - 0.5;
    int i = (int) Math.floor(at);
    double a = months[Math.floorMod(i, 12)];
    return a + (months[Math.floorMod(i + 1, 12)] - a) * (at - i);
  }
}
