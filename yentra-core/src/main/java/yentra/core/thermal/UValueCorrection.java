package yentra.core.thermal;

/**
 * Corrections to thermal transmittance in W/(m²K) (ISO 6946:2017, annex F; from memory). They need
 * not be made where all together are less than 3 % of U.
 */
public final class UValueCorrection {
  /** Share of U below which corrections may be left out. */
  public static final double NEGLIGIBLE = 0.03;

  private UValueCorrection() {}

  /** How well insulation is fitted. */
  public enum AirGaps {
    NONE(0),
    /** Gaps from the warm to the cold side, without air going round. */
    BRIDGING(0.01),
    /** The same with air going round on the warm side. */
    CIRCULATING(0.04);

    private final double correction;

    AirGaps(double correction) {
      this.correction = correction;
    }
  }

  /**
   * @param insulation resistance of the layer with gaps, m²K/W
   * @param total resistance of the component, m²K/W
   */
  public static double airGaps(AirGaps gaps, double insulation, double total) {
    return gaps.correction * squared(insulation / total);
  }

  /**
   * Of metal fasteners through insulation.
   *
   * @param conductivity of a fastener, W/(mK)
   * @param area of its section, m²
   * @param number of fasteners, 1/m²
   * @param thickness of the insulation, m
   * @param penetrated how far they go in, m
   * @param insulation resistance of what is penetrated, m²K/W
   * @param total resistance of the component, m²K/W
   */
  public static double fasteners(
      double conductivity,
      double area,
      double number,
      double thickness,
      double penetrated,
      double insulation,
      double total) {
    double alpha = 0.8 * penetrated / thickness;
    return alpha * conductivity * area * number / thickness * squared(insulation / total);
  }

  /**
   * Of rain between insulation and waterproofing of an inverted roof.
   *
   * @param rain mean rainfall in the heating season, mm/day
   * @param drained product of the drainage factor and the loss factor, W·day/(m²K·mm)
   */
  public static double invertedRoof(double rain, double drained, double insulation, double total) {
    return rain * drained * squared(insulation / total);
  }

  private static double squared(double v) {
    return v * v;
  }
}
