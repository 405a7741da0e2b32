package yentra.core.climate;

/** The sky as a black body. */
public final class LongWaveSky {
  /** Stefan-Boltzmann constant, W/(m²K⁴). */
  static final double SIGMA = 5.6697e-8;

  private static final double ZERO = 273;

  private LongWaveSky() {}

  /**
   * Horizontal infrared radiation, W/m², by dew point and cloud (Clark and Allen 1978; Walton 1983;
   * from memory).
   *
   * @param dryBulb °C
   * @param dewPoint °C
   * @param cover opaque sky cover, tenths
   */
  public static double radiation(double dryBulb, double dewPoint, double cover) {
    double clear = 0.787 + 0.764 * Math.log((dewPoint + ZERO) / ZERO);
    double clouds = 1 + 0.0224 * cover - 0.0035 * cover * cover + 0.00028 * cover * cover * cover;
    return clear * clouds * SIGMA * Math.pow(dryBulb + ZERO, 4);
  }

  /** Temperature of a black sky that sends so much, °C. */
  public static double temperature(double radiation) {
    return Math.pow(radiation / SIGMA, 0.25) - ZERO;
  }
}
