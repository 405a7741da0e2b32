package yentra.core.envelope;

import yentra.core.geometry.Polygon;

/**
 * Types of surfaces from their tilt and what lies behind them, in the terms of gbXML: the one place
 * for this rule. Tilts are in degrees from the vertical upwards, heights in metres.
 *
 * @param roofTilt tilt below which a face is a roof or ceiling
 * @param floorTilt tilt above which a face is a floor
 */
public record SurfaceTypes(double roofTilt, double floorTilt) {
  /** Common practice, no source: walls are within 30° of upright. */
  public static final SurfaceTypes STANDARD = new SurfaceTypes(60, 120);

  /**
   * How ISO 6946:2017, 6.8 tells directions of heat flow: "horizontal" holds within 30° of it. A
   * standard's own, that no project changes.
   */
  public static final SurfaceTypes ISO_6946 = new SurfaceTypes(60, 120);

  /** A floor this far under the ground is an underground slab, in metres. */
  private static final double UNDERGROUND = 0.6;

  /** How far off the ground a surface may be and still be taken as touching it, in metres. */
  private static final double SLACK = 0.3;

  public SurfaceTypes {
    if (!(roofTilt > 0 && roofTilt < 90 && floorTilt > 90 && floorTilt < 180)) {
      throw new IllegalArgumentException(
          "roofs tilt less than a limit below 90°, floors more than one above 90°");
    }
  }

  /** Which way a face of this tilt lies. */
  public Orientation orientation(double tilt) {
    return tilt < roofTilt
        ? Orientation.UP
        : tilt > floorTilt ? Orientation.DOWN : Orientation.SIDE;
  }

  public boolean isUpright(double tilt) {
    return orientation(tilt) == Orientation.SIDE;
  }

  public boolean isFloor(double tilt) {
    return orientation(tilt) == Orientation.DOWN;
  }

  private SurfaceType of(double tilt, SurfaceType up, SurfaceType side, SurfaceType down) {
    return switch (orientation(tilt)) {
      case UP -> up;
      case SIDE -> side;
      case DOWN -> down;
    };
  }

  public SurfaceType betweenSpaces(double tilt) {
    return of(tilt, SurfaceType.CEILING, SurfaceType.INTERIOR_WALL, SurfaceType.INTERIOR_FLOOR);
  }

  public SurfaceType outdoor(double tilt) {
    return of(tilt, SurfaceType.ROOF, SurfaceType.EXTERIOR_WALL, SurfaceType.EXPOSED_FLOOR);
  }

  /**
   * @param depth how far the face's highest point is below the ground
   */
  public SurfaceType ground(double tilt, double depth) {
    return of(
        tilt,
        SurfaceType.UNDERGROUND_CEILING,
        SurfaceType.UNDERGROUND_WALL,
        depth > UNDERGROUND ? SurfaceType.UNDERGROUND_SLAB : SurfaceType.SLAB_ON_GRADE);
  }

  /**
   * The type of a surface of which only its place tells whether it touches the ground: floors do
   * from {@value #SLACK} m above it, roofs and walls from as much below it.
   *
   * @param face turned out of its space
   * @param ground height of the ground
   */
  public SurfaceType exterior(Polygon face, double ground) {
    double tilt = face.tilt();
    double top = face.box().max().z();
    double reach =
        switch (orientation(tilt)) {
          case UP -> top + SLACK;
          case SIDE -> face.box().centre().z() + SLACK;
          case DOWN -> top - SLACK;
        };
    return reach < ground ? ground(tilt, ground - top) : outdoor(tilt);
  }
}
