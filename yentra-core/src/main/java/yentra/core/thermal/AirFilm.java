package yentra.core.thermal;

/**
 * Surface resistance from convection and radiation (ISO 6946:2017, annex C; from memory): Rs =
 * 1/(hc + ε·4σT³).
 */
public final class AirFilm {
  /** Stefan–Boltzmann constant, W/(m²K⁴) (CODATA 2018). */
  static final double SIGMA = 5.670374419e-8;

  private static final double ICE = 273.15;

  private AirFilm() {}

  /**
   * Radiative coefficient of a black surface, W/(m²K).
   *
   * @param celsius mean temperature of the surface and what it sees, °C
   */
  public static double black(double celsius) {
    return 4 * SIGMA * Math.pow(celsius + ICE, 3);
  }

  /** Of a face indoors, m²K/W. */
  public static double inside(HeatFlow flow, double emissivity, double celsius) {
    double convection =
        switch (flow) {
          case UP -> 5.0;
          case HORIZONTAL -> 2.5;
          case DOWN -> 0.7;
        };
    return 1 / (convection + emissivity * black(celsius));
  }

  /**
   * Of a face outdoors, m²K/W.
   *
   * @param wind speed at the face, m/s
   */
  public static double outside(double wind, double emissivity, double celsius) {
    return 1 / (4 + 4 * wind + emissivity * black(celsius));
  }
}
