package yentra.core.thermal;

/**
 * Mean thermal transmittance of components with a tapered layer in W/(m²K) (ISO 6946:2017, annex E;
 * from memory). R0 is the resistance of all else, air at the faces included; R2 that of the taper
 * at its thickest, both m²K/W. For a thin taper, where the standard's formulas subtract numbers
 * that are nearly equal, their power series in R2/R0 is summed instead.
 */
public enum TaperedLayer {
  /** A rectangle that falls to one side. */
  RECTANGLE,
  /** A triangle, thickest at its apex. */
  THICKEST_AT_APEX,
  /** A triangle, thinnest at its apex. */
  THINNEST_AT_APEX;

  /** R2/R0 below which the series is summed; it gains a digit or more with each term. */
  private static final double THIN = 0.1;

  /**
   * @throws IllegalArgumentException when R0 is not above 0 or R2 is below it
   */
  public double uValue(double r0, double r2) {
    if (!(r0 > 0 && r2 >= 0)) {
      throw new IllegalArgumentException("resistances are above 0: " + r0 + ", " + r2);
    }
    double x = r2 / r0;
    if (x < THIN) {
      return series(x) / r0;
    }
    return switch (this) {
      case RECTANGLE -> Math.log1p(x) / r2;
      case THICKEST_AT_APEX -> 2 / r2 * ((1 + 1 / x) * Math.log1p(x) - 1);
      case THINNEST_AT_APEX -> 2 / r2 * (1 - Math.log1p(x) / x);
    };
  }

  private double series(double x) {
    double sum = 0;
    double power = 1;
    for (int k = 0; k < 40; k++) {
      double divisor =
          switch (this) {
            case RECTANGLE -> k + 1;
            case THICKEST_AT_APEX -> (k + 1) * (k + 2) / 2.0;
            case THINNEST_AT_APEX -> (k + 2) / 2.0;
          };
      sum += power / divisor;
      power *= -x;
    }
    return sum;
  }
}
