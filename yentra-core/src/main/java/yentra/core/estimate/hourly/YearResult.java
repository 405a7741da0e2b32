package yentra.core.estimate.hourly;

import java.util.List;

/**
 * What an hourly year comes to.
 *
 * @param hours of the year
 * @param zones in the order of the envelope's spaces
 * @param heating W of the whole building in each hour
 * @param cooling W
 * @param outdoors °C in each hour
 * @param balanceError largest imbalance of an hour as a share of its heat flows
 * @param settled whether the temperatures of every hour settled
 * @param assumptions what was taken because the model does not say it
 */
public record YearResult(
    int hours,
    List<ZoneYear> zones,
    double[] heating,
    double[] cooling,
    double[] outdoors,
    double balanceError,
    boolean settled,
    List<String> assumptions) {
  /**
   * A zone's year.
   *
   * @param key of the space
   * @param heated whether it may be heated
   * @param cooled whether it may be cooled
   * @param peakHeating W
   * @param peakHeatingHour of the year, from 0
   * @param peakCooling W
   * @param peakCoolingHour of the year, from 0
   * @param hoursAbove26 with an operative temperature above 26 °C
   * @param unmet hours in which limits keep it from its set-point by more than 0.1 K
   * @param coldest operative temperature of the year with heating and cooling, °C
   * @param warmest the same
   * @param freeColdest without heating and cooling, °C
   * @param freeWarmest the same
   * @param flows kWh into the zone by {@link Flow} and month
   */
  public record ZoneYear(
      String key,
      String label,
      double floorArea,
      double volume,
      boolean heated,
      boolean cooled,
      double peakHeating,
      int peakHeatingHour,
      double peakCooling,
      int peakCoolingHour,
      int hoursAbove26,
      int unmet,
      double coldest,
      double warmest,
      double freeColdest,
      double freeWarmest,
      double[][] flows) {
    /** kWh of a flow in the year. */
    public double total(Flow f) {
      double sum = 0;
      for (double v : flows[f.ordinal()]) {
        sum += v;
      }
      return sum;
    }

    /** kWh of a flow by month. */
    public double[] months(Flow f) {
      return flows[f.ordinal()].clone();
    }

    /** kWh, above 0. */
    public double heating() {
      return total(Flow.HEATING);
    }

    /** kWh, above 0. */
    public double cooling() {
      return 0 - total(Flow.COOLING);
    }
  }

  /** kWh of a flow by month in the whole building. */
  public double[] months(Flow f) {
    double[] out = new double[12];
    for (ZoneYear z : zones) {
      double[] own = z.flows[f.ordinal()];
      for (int m = 0; m < 12; m++) {
        out[m] += own[m];
      }
    }
    return out;
  }

  /** kWh of a flow in the year in the whole building. */
  public double total(Flow f) {
    double sum = 0;
    for (double v : months(f)) {
      sum += v;
    }
    return sum;
  }

  /** m² of all zones that are heated or cooled. */
  public double conditionedArea() {
    return zones.stream().filter(z -> z.heated || z.cooled).mapToDouble(ZoneYear::floorArea).sum();
  }

  /** The greatest heating of an hour, W. */
  public double peakHeating() {
    return max(heating);
  }

  /** The greatest cooling of an hour, W. */
  public double peakCooling() {
    return max(cooling);
  }

  private static double max(double[] v) {
    double most = 0;
    for (double x : v) {
      most = Math.max(most, x);
    }
    return most;
  }
}
