package yentra.core.gbxml;

import org.locationtech.jts.geom.Envelope;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;

/**
 * The rectangle round a polygon in its own plane, seen from outside: lower left corner, width to
 * the right, height up the slope.
 */
record Rectangle(PlaneFrame frame, Vec3 corner, double width, double height) {
  /** The rectangle, or null when the polygon has no area. */
  static Rectangle of(Polygon p) {
    if (p.normal().equals(Vec3.ZERO)) {
      return null;
    }
    PlaneFrame frame = PlaneFrame.of(p.plane());
    Envelope e = frame.project(p).getEnvelopeInternal();
    Vec3 corner = frame.to3d(new org.locationtech.jts.geom.Coordinate(e.getMinX(), e.getMinY()));
    return new Rectangle(frame, corner, e.getWidth(), e.getHeight());
  }

  /** A point in this rectangle's own coordinates: right, up, out. */
  Vec3 local(Vec3 p) {
    Vec3 d = p.minus(corner);
    return new Vec3(d.dot(frame.u()), d.dot(frame.v()), d.dot(frame.n()));
  }
}
