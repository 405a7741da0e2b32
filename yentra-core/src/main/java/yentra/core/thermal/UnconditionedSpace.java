package yentra.core.thermal;

/**
 * Heat transfer to and through a space that is not conditioned (ISO 13789:2017; ISO 6946:2017,
 * 6.10; from memory).
 *
 * @param inner H from conditioned spaces into it, W/K
 * @param outer H from it to outdoor air, W/K
 */
public record UnconditionedSpace(double inner, double outer) {
  /** Heat capacity of air by volume, Wh/(m³K): ρc = 1200 J/(m³K). */
  public static final double AIR = 1 / 3.0;

  /** H of air exchange, W/K, of so many air changes per hour of a volume in m³. */
  public static double ventilation(double airChanges, double volume) {
    return AIR * airChanges * volume;
  }

  /** The share of the temperature difference that lies across the inner surfaces, 0 to 1. */
  public double adjustment() {
    return inner + outer > 0 ? outer / (inner + outer) : 0;
  }

  /** H from conditioned spaces through it to outdoor air, W/K. */
  public double coefficient() {
    return adjustment() * inner;
  }

  /**
   * Its temperature, °C.
   *
   * @param indoor temperature of the conditioned spaces
   * @param outdoor temperature of outdoor air
   * @param gains W
   */
  public double temperature(double indoor, double outdoor, double gains) {
    return (gains + indoor * inner + outdoor * outer) / (inner + outer);
  }

  /** Of an adjacent space of a known temperature: the same share, by temperatures. */
  public static double adjustment(double indoor, double outdoor, double adjacent) {
    return (indoor - adjacent) / (indoor - outdoor);
  }

  /** Added resistance of an unconditioned space behind a component of an area, m²K/W. */
  public static double resistance(double area, double outer) {
    return area / outer;
  }
}
