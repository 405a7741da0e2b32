package yentra.core.thermal;

/**
 * Solar heat gain of glazing, 0 to 1, at normal incidence (EN 410; ASHRAE Handbook – Fundamentals;
 * ISO 13790:2008; from memory).
 */
public final class SolarGain {
  private static final double OUTSIDE = 23;
  private static final double INSIDE = 8;

  /** Solar heat gain coefficient of 3 mm clear glass, which shading coefficients refer to. */
  private static final double CLEAR = 0.87;

  /** For rays that do not come in at a right angle (ISO 13790:2008, 11.4.2). */
  private static final double NON_SCATTERING = 0.9;

  private SolarGain() {}

  /** g of one pane: what goes through and the part of what is absorbed that comes in. */
  public static double single(double transmitted, double absorbed) {
    return transmitted + absorbed * INSIDE / (OUTSIDE + INSIDE);
  }

  /**
   * g of two panes.
   *
   * @param absorbed1 by the outer pane
   * @param conductance between the panes' middles, W/(m²K)
   */
  public static double twofold(
      double transmitted, double absorbed1, double absorbed2, double conductance) {
    double in = (absorbed1 + absorbed2) / OUTSIDE + absorbed2 / conductance;
    return transmitted + in / (1 / INSIDE + 1 / OUTSIDE + 1 / conductance);
  }

  public static double shadingCoefficient(double gain) {
    return gain / CLEAR;
  }

  /** Of a whole window, from that of its glass and of its frame. */
  public static double window(double glass, double frame, double frameShare) {
    return glass * (1 - frameShare) + frame * frameShare;
  }

  /** Of an opaque frame: α·U/he. */
  public static double frame(double absorbed, double uValue, double outside) {
    return absorbed * uValue / outside;
  }

  /** Collecting area, m². */
  public static double collecting(double gain, double frameShare, double area, double shading) {
    return shading * NON_SCATTERING * gain * (1 - frameShare) * area;
  }
}
