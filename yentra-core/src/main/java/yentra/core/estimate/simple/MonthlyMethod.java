package yentra.core.estimate.simple;

/**
 * The monthly method (ISO 13790:2008, 7.2.1 and 12.2.1, carried on in ISO 52016-1:2017; from
 * memory): gains count as far as the building can use them.
 */
public final class MonthlyMethod {
  private static final double A0 = 1;
  private static final double TAU0 = 15;

  private MonthlyMethod() {}

  /**
   * The exponent of the utilisation.
   *
   * @param timeConstant hours
   */
  public static double exponent(double timeConstant) {
    return A0 + timeConstant / TAU0;
  }

  /**
   * Share of the gains that is used for heating.
   *
   * @param ratio of gains to losses
   */
  public static double gainsUsed(double ratio, double a) {
    if (ratio < 0) {
      return 1 / ratio;
    }
    if (Math.abs(ratio - 1) < 1e-9) {
      return a / (a + 1);
    }
    return ratio > 1e6 ? 1 / ratio : (1 - Math.pow(ratio, a)) / (1 - Math.pow(ratio, a + 1));
  }

  /**
   * Share of the losses that is used against cooling.
   *
   * @param ratio of gains to losses
   */
  public static double lossesUsed(double ratio, double a) {
    if (ratio <= 0) {
      return 1;
    }
    return Math.abs(ratio - 1) < 1e-9
        ? a / (a + 1)
        : (1 - Math.pow(ratio, -a)) / (1 - Math.pow(ratio, -(a + 1)));
  }

  /** Heating of a month of these losses and gains, in their unit; never below 0. */
  public static double heating(double losses, double gains, double a) {
    if (losses <= 0) {
      return 0;
    }
    return Math.max(0, losses - gainsUsed(gains / losses, a) * gains);
  }

  /** Cooling of a month of these losses and gains, in their unit; never below 0. */
  public static double cooling(double losses, double gains, double a) {
    if (gains <= 0) {
      return 0;
    }
    if (losses <= 0) {
      return gains - losses;
    }
    return Math.max(0, gains - lossesUsed(gains / losses, a) * losses);
  }
}
