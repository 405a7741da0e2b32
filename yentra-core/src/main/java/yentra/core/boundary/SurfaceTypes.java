package yentra.core.boundary;

import yentra.core.envelope.SurfaceType;

/**
 * Types of surfaces from their tilt and what lies behind them, in the terms of gbXML.
 *
 * @param roofTilt tilt in degrees from the vertical upwards below which a face is a roof or ceiling
 * @param floorTilt tilt above which a face is a floor
 */
record SurfaceTypes(double roofTilt, double floorTilt) {
  /** Common practice, no source: walls are within 30° of upright. */
  static final SurfaceTypes STANDARD = new SurfaceTypes(60, 120);

  /** A floor this far under the ground is an underground slab, in metres. */
  private static final double UNDERGROUND = 0.6;

  private SurfaceType of(double tilt, SurfaceType up, SurfaceType side, SurfaceType down) {
    return tilt < roofTilt ? up : tilt > floorTilt ? down : side;
  }

  SurfaceType betweenSpaces(double tilt) {
    return of(tilt, SurfaceType.CEILING, SurfaceType.INTERIOR_WALL, SurfaceType.INTERIOR_FLOOR);
  }

  SurfaceType outdoor(double tilt) {
    return of(tilt, SurfaceType.ROOF, SurfaceType.EXTERIOR_WALL, SurfaceType.EXPOSED_FLOOR);
  }

  /**
   * @param depth how far the face's highest point is below the ground, in metres
   */
  SurfaceType ground(double tilt, double depth) {
    return of(
        tilt,
        SurfaceType.UNDERGROUND_CEILING,
        SurfaceType.UNDERGROUND_WALL,
        depth > UNDERGROUND ? SurfaceType.UNDERGROUND_SLAB : SurfaceType.SLAB_ON_GRADE);
  }
}
