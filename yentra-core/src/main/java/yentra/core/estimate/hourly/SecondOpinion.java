package yentra.core.estimate.hourly;

/**
 * What a simpler method says.
 *
 * @param heating kWh
 * @param cooling kWh
 */
public record SecondOpinion(double heating, double cooling) {
  /** Methods that differ by more than this share of the greater figure disagree. */
  public static final double APART = 0.3;

  /** What is little beside a building's need, kWh for each m²: there methods need not agree. */
  private static final double LITTLE = 2;

  SecondOpinion plus(SecondOpinion o) {
    return new SecondOpinion(heating + o.heating, cooling + o.cooling);
  }

  /**
   * Whether it says something else.
   *
   * @param a one figure in kWh
   * @param b the other
   * @param area m²
   */
  public static boolean disagree(double a, double b, double area) {
    return Math.abs(a - b) > Math.max(APART * Math.max(a, b), LITTLE * area);
  }
}
