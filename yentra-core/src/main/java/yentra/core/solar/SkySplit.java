package yentra.core.solar;

/**
 * How much of the sun's radiation is diffuse (Erbs, Klein and Duffie 1982, as in Duffie and
 * Beckman; from memory).
 */
public final class SkySplit {
  /** W/m² outside the atmosphere at the mean distance of the sun. */
  public static final double SOLAR_CONSTANT = 1367;

  private SkySplit() {}

  /**
   * Diffuse share of global horizontal radiation in an hour.
   *
   * @param clearness global horizontal as a share of what arrives above the atmosphere
   */
  public static double diffuseShare(double clearness) {
    double k = clearness;
    if (k <= 0.22) {
      return 1 - 0.09 * k;
    }
    return k > 0.8 ? 0.165 : 0.9511 + k * (-0.1604 + k * (4.388 + k * (-16.638 + k * 12.336)));
  }

  /**
   * Radiation above the atmosphere on a surface that faces the sun, W/m².
   *
   * @param day of the year, 1 for the first of January
   */
  public static double extraterrestrial(int day) {
    return SOLAR_CONSTANT * (1 + 0.033 * Math.cos(2 * Math.PI * day / 365));
  }
}
