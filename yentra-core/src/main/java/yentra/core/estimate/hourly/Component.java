package yentra.core.estimate.hourly;

/**
 * A part of the building between a zone and something else.
 *
 * @param key of the surface or opening
 * @param kind what it is
 * @param area m²
 * @param dynamics from its outer face, with the air outside, to its inner face
 * @param inside number of its zone
 * @param insideFilm heat transfer by convection on the inner face, W/(m²K)
 * @param outside number of the zone on its other side, or −1
 * @param outsideFilm by convection on the other side, W/(m²K), where a zone is there
 * @param face number of its face outdoors, or −1
 * @param ground °C by month at its outer end, or null
 * @param glass of what lets the sun in, or null
 */
record Component(
    String key,
    Kind kind,
    double area,
    WallDynamics dynamics,
    int inside,
    double insideFilm,
    int outside,
    double outsideFilm,
    int face,
    double[] ground,
    Glass glass) {
  /** What a component is, for the balance. */
  enum Kind {
    OPAQUE,
    WINDOW,
    GROUND,
    INTERIOR,
    ADIABATIC
  }

  /**
   * @param solarHeatGain at normal incidence, 0 to 1
   * @param byAngle how it falls with the angle
   */
  record Glass(double solarHeatGain, yentra.core.solar.GlassByAngle byAngle) {}
}
