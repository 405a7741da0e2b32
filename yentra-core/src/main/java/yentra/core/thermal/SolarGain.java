package yentra.core.thermal;

/**
 * Solar heat gain of glazing, 0 to 1, at normal incidence (EN 410; ASHRAE Handbook – Fundamentals;
 * from memory).
 */
public final class SolarGain {
  private static final double OUTSIDE = 23;
  private static final double INSIDE = 8;

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

  /** Of a whole window, from that of its glass and of its frame. */
  public static double window(double glass, double frame, double frameShare) {
    return glass * (1 - frameShare) + frame * frameShare;
  }

  /** Of an opaque frame: α·U/he. */
  public static double frame(double absorbed, double uValue, double outside) {
    return absorbed * uValue / outside;
  }
}
