package yentra.core.climate;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * What a year of weather comes to.
 *
 * @param dryBulb of the air
 * @param heatingDegreeDays Kd: sum over the days of how far their mean lies under the base
 * @param coolingDegreeDays Kd: the same above it
 * @param globalHorizontal kWh/m² in the year
 * @param directNormal kWh/m²
 * @param diffuseHorizontal kWh/m²
 * @param globalMonths kWh/m² of each month
 * @param directMonths kWh/m² on a face that follows the sun
 * @param diffuseMonths kWh/m²
 * @param humidityMonths mean relative humidity, %; empty where the file has none
 * @param windMean m/s
 * @param windRose by where the wind comes from
 * @param calm share of the hours without wind
 * @param ground °C by month at the depth nearest to half a metre; empty where the file has none
 * @param groundDepth m; NaN where the file has none
 */
public record ClimateSummary(
    DryBulb dryBulb,
    double heatingDegreeDays,
    double coolingDegreeDays,
    double globalHorizontal,
    double directNormal,
    double diffuseHorizontal,
    List<Double> globalMonths,
    List<Double> directMonths,
    List<Double> diffuseMonths,
    List<Double> humidityMonths,
    double windMean,
    List<Sector> windRose,
    double calm,
    List<Double> ground,
    double groundDepth) {
  private static final int DAY = 24;

  /** Under this the wind has no direction, m/s. */
  private static final double CALM = 0.3;

  /** Directions of the wind rose. */
  public static final int SECTORS = 16;

  private static final double NEAR_SURFACE = 0.5;

  /**
   * Temperatures, °C.
   *
   * @param p004 only 0.4 % of the hours are colder
   * @param p010 only 1 % are colder
   * @param p990 only 1 % are warmer
   * @param p996 only 0.4 % are warmer
   * @param byHour means of each month and hour of the day: 12 rows of 24
   */
  public record DryBulb(
      double mean,
      double min,
      double max,
      double p004,
      double p010,
      double p990,
      double p996,
      List<Double> monthly,
      List<List<Double>> byHour) {}

  /**
   * Wind from a direction.
   *
   * @param from degrees clockwise from north
   * @param share of the hours
   * @param speed mean, m/s
   */
  public record Sector(double from, double share, double speed) {}

  /**
   * @param base of the degree days, °C
   */
  public static ClimateSummary of(WeatherYear w, double base) {
    double[] dry = w.all(WeatherQuantity.DRY_BULB);
    double[] sorted = dry.clone();
    Arrays.sort(sorted);
    double heating = 0;
    double cooling = 0;
    for (int d = 0; d < dry.length / DAY; d++) {
      double mean = Arrays.stream(dry, d * DAY, (d + 1) * DAY).sum() / DAY;
      heating += Math.max(0, base - mean);
      cooling += Math.max(0, mean - base);
    }
    DryBulb t =
        new DryBulb(
            w.mean(WeatherQuantity.DRY_BULB),
            sorted[0],
            sorted[sorted.length - 1],
            percentile(sorted, 0.004),
            percentile(sorted, 0.01),
            percentile(sorted, 0.99),
            percentile(sorted, 0.996),
            list(w.monthly(WeatherQuantity.DRY_BULB)),
            byHour(w));
    List<Double> global = energies(w, WeatherQuantity.GLOBAL_HORIZONTAL);
    List<Double> direct = energies(w, WeatherQuantity.DIRECT_NORMAL);
    List<Double> diffuse = energies(w, WeatherQuantity.DIFFUSE_HORIZONTAL);
    WeatherYear.Ground ground = nearSurface(w);
    Rose rose = Rose.of(w);
    return new ClimateSummary(
        t,
        heating,
        cooling,
        sum(global),
        sum(direct),
        sum(diffuse),
        global,
        direct,
        diffuse,
        w.has(WeatherQuantity.RELATIVE_HUMIDITY)
            ? list(w.monthly(WeatherQuantity.RELATIVE_HUMIDITY))
            : List.of(),
        w.has(WeatherQuantity.WIND_SPEED) ? w.mean(WeatherQuantity.WIND_SPEED) : Double.NaN,
        rose.sectors(),
        rose.calm(),
        ground == null ? List.of() : ground.months(),
        ground == null ? Double.NaN : ground.depth());
  }

  /**
   * Quantile of sorted values: on a straight line between the two next to it (type 7 of Hyndman and
   * Fan 1996).
   */
  static double percentile(double[] sorted, double share) {
    double at = share * (sorted.length - 1);
    int i = Math.min(sorted.length - 2, (int) at);
    return sorted.length == 1 ? sorted[0] : sorted[i] + (at - i) * (sorted[i + 1] - sorted[i]);
  }

  private static List<List<Double>> byHour(WeatherYear w) {
    double[][] sum = new double[12][DAY];
    int[] days = new int[12];
    for (int h = 0; h < w.hours(); h++) {
      int m = w.month(h) - 1;
      sum[m][h % DAY] += w.dryBulb(h);
      days[m] += h % DAY == 0 ? 1 : 0;
    }
    List<List<Double>> out = new ArrayList<>();
    for (int m = 0; m < 12; m++) {
      int n = days[m];
      out.add(Arrays.stream(sum[m]).map(v -> v / n).boxed().toList());
    }
    return out;
  }

  private static List<Double> energies(WeatherYear w, WeatherQuantity q) {
    double[] out = new double[12];
    for (int h = 0; h < w.hours() && w.has(q); h++) {
      out[w.month(h) - 1] += w.get(q, h) / 1000;
    }
    return list(out);
  }

  private static double sum(List<Double> list) {
    return list.stream().mapToDouble(v -> v).sum();
  }

  private static List<Double> list(double[] v) {
    return Arrays.stream(v).boxed().toList();
  }

  /** Ground temperatures at the depth nearest to half a metre; null where there are none. */
  private static WeatherYear.Ground nearSurface(WeatherYear w) {
    WeatherYear.Ground best = null;
    for (WeatherYear.Ground g : w.ground()) {
      best =
          best == null || Math.abs(g.depth() - NEAR_SURFACE) < Math.abs(best.depth() - NEAR_SURFACE)
              ? g
              : best;
    }
    return best;
  }

  /** Shares of wind by direction. */
  private record Rose(List<Sector> sectors, double calm) {
    static Rose of(WeatherYear w) {
      double[] hours = new double[SECTORS];
      double[] speeds = new double[SECTORS];
      double calm = 0;
      boolean known = w.has(WeatherQuantity.WIND_SPEED) && w.has(WeatherQuantity.WIND_DIRECTION);
      for (int h = 0; h < w.hours() && known; h++) {
        double v = w.get(WeatherQuantity.WIND_SPEED, h);
        if (v < CALM) {
          calm++;
          continue;
        }
        double turn = w.get(WeatherQuantity.WIND_DIRECTION, h) / (360.0 / SECTORS);
        int i = (int) Math.round(turn) % SECTORS;
        hours[i]++;
        speeds[i] += v;
      }
      List<Sector> out = new ArrayList<>();
      for (int i = 0; i < SECTORS && known; i++) {
        out.add(
            new Sector(
                i * 360.0 / SECTORS,
                hours[i] / w.hours(),
                hours[i] > 0 ? speeds[i] / hours[i] : 0));
      }
      return new Rose(List.copyOf(out), calm / w.hours());
    }
  }
}
