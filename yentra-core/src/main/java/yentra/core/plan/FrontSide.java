package yentra.core.plan;

import org.locationtech.jts.geom.Coordinate;

/**
 * A side of a {@link Wavefront} as a line; lengths in metres.
 *
 * @param nx of its inward unit normal
 * @param ny of its inward unit normal
 * @param distance from zero, along the normal
 * @param dx of its direction, inside on the left
 * @param dy of its direction
 */
record FrontSide(double nx, double ny, double distance, double dx, double dy) {
  static FrontSide between(Coordinate a, Coordinate b) {
    double l = a.distance(b);
    double dx = (b.x - a.x) / l;
    double dy = (b.y - a.y) / l;
    return new FrontSide(-dy, dx, dx * a.y - dy * a.x, dx, dy);
  }

  /** How far along it two points are apart. */
  double along(Coordinate a, Coordinate b) {
    return (b.x - a.x) * dx + (b.y - a.y) * dy;
  }
}
