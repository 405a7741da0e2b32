package yentra.core.estimate.hourly;

/** Flows of all zones on a day, hour by hour, W. */
public final class CoolingDay {
  private static final int DAY = 24;
  private final int month;
  private final double[][][] flows;

  CoolingDay(int month, int zones) {
    this.month = month;
    this.flows = new double[DAY][zones][];
  }

  void add(int hour, March at) {
    for (int z = 0; z < at.flows.length; z++) {
      flows[hour][z] = at.flows[z].clone();
    }
  }

  /** 1 to 12. */
  public int month() {
    return month;
  }

  /** A flow into a zone in an hour of the day. */
  public double flow(int zone, int hour, Flow f) {
    return flows[hour][zone][f.ordinal()];
  }

  /** Cooling of a zone in an hour of the day, above 0. */
  public double cooling(int zone, int hour) {
    return -flow(zone, hour, Flow.COOLING);
  }

  /** Cooling of all zones in an hour of the day. */
  public double cooling(int hour) {
    double sum = 0;
    for (int z = 0; z < flows[hour].length; z++) {
      sum += cooling(z, hour);
    }
    return sum;
  }

  private double heat(int hour) {
    double sum = 0;
    for (double[] f : flows[hour]) {
      sum += f[Flow.HEATING.ordinal()] - f[Flow.COOLING.ordinal()];
    }
    return sum;
  }

  boolean isLike(CoolingDay other, double share) {
    double all = 0;
    double apart = 0;
    for (int h = 0; h < DAY; h++) {
      all += heat(h);
      apart += Math.abs(heat(h) - other.heat(h));
    }
    return apart <= share * all + 1e-9;
  }
}
