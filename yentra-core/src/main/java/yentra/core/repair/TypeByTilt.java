package yentra.core.repair;

import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Polygon;

/**
 * The surface type that tilt and height suggest: floors above 120°, walls between 60° and 120°,
 * roofs and ceilings below 60° (the default tilt limits of ADJ-504).
 */
final class TypeByTilt {
  private TypeByTilt() {}

  static SurfaceType interior(Polygon p) {
    double tilt = p.tilt();
    return tilt < 60
        ? SurfaceType.CEILING
        : tilt > 120 ? SurfaceType.INTERIOR_FLOOR : SurfaceType.INTERIOR_WALL;
  }

  /**
   * @param ground height of the ground in metres; what lies wholly below it by more than 0.3 m
   *     touches the ground
   */
  static SurfaceType exterior(Polygon p, double ground) {
    double tilt = p.tilt();
    double top = p.box().max().z();
    if (tilt < 60) {
      return top < ground - 0.3 ? SurfaceType.UNDERGROUND_CEILING : SurfaceType.ROOF;
    }
    if (tilt > 120) {
      return top < ground - 0.6
          ? SurfaceType.UNDERGROUND_SLAB
          : top < ground + 0.3 ? SurfaceType.SLAB_ON_GRADE : SurfaceType.EXPOSED_FLOOR;
    }
    return p.box().centre().z() < ground - 0.3
        ? SurfaceType.UNDERGROUND_WALL
        : SurfaceType.EXTERIOR_WALL;
  }
}
