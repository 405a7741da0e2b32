package yentra.core.gbxml;

import org.locationtech.jts.geom.Envelope;
import yentra.core.geometry.Plane;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;

/**
 * What RectangularGeometry says of a polygon, in its own plane, seen from outside: lower left
 * corner, width to the right, height up the slope. Width times height is the polygon's area: of
 * what is no rectangle, the height and the lower left corner of the rectangle round it are kept and
 * the width is made smaller.
 *
 * @param corner in model coordinates, m
 * @param width m
 * @param height m
 */
record Rectangle(PlaneFrame frame, Vec3 corner, double width, double height) {
  /** A rectangle as large as that round it, but for rounding, as a share. */
  private static final double SAME = 1e-9;

  /** Sine of the tilt below which a face is level and its azimuth means nothing. */
  private static final double LEVEL = 1.7e-6;

  /** The rectangle, or null when the polygon has no area. */
  static Rectangle of(Polygon p) {
    if (p.normal().equals(Vec3.ZERO)) {
      return null;
    }
    PlaneFrame frame = PlaneFrame.of(p.plane());
    Envelope e = frame.project(p).getEnvelopeInternal();
    Vec3 corner = frame.to3d(new org.locationtech.jts.geom.Coordinate(e.getMinX(), e.getMinY()));
    double round = e.getWidth() * e.getHeight();
    boolean same = Math.abs(round - p.area()) <= SAME * round;
    return new Rectangle(
        frame, corner, same ? e.getWidth() : p.area() / e.getHeight(), e.getHeight());
  }

  /**
   * A rectangle as the format says it.
   *
   * @param azimuth of the outward normal from the model's +y axis, degrees clockwise; not looked at
   *     for level faces, whose width runs along the model's x axis
   * @param tilt of the outward normal from the vertical, degrees
   */
  static Rectangle of(Vec3 corner, double azimuth, double tilt, double width, double height) {
    double sin = Math.sin(Math.toRadians(tilt));
    double cos = Math.cos(Math.toRadians(tilt));
    double a = Math.toRadians(azimuth);
    Vec3 n =
        sin < LEVEL
            ? new Vec3(0, 0, Math.signum(cos))
            : new Vec3(Math.sin(a) * sin, Math.cos(a) * sin, cos);
    return new Rectangle(PlaneFrame.of(new Plane(corner, n)), corner, width, height);
  }

  /** A point in this rectangle's own coordinates: right, up, out. */
  Vec3 local(Vec3 p) {
    Vec3 d = p.minus(corner);
    return new Vec3(d.dot(frame.u()), d.dot(frame.v()), d.dot(frame.n()));
  }

  /** The other way: a point given in this rectangle's own coordinates. */
  Vec3 global(Vec3 local) {
    return corner
        .plus(frame.u().times(local.x()))
        .plus(frame.v().times(local.y()))
        .plus(frame.n().times(local.z()));
  }

  /** The same rectangle somewhere else. */
  Rectangle at(Vec3 place) {
    return new Rectangle(frame, place, width, height);
  }

  /** Counter-clockwise seen from outside, from the lower left corner on. */
  Polygon polygon() {
    Vec3 right = frame.u().times(width);
    Vec3 up = frame.v().times(height);
    return Polygon.of(corner, corner.plus(right), corner.plus(right).plus(up), corner.plus(up));
  }
}
