package yentra.core.plan;

import org.locationtech.jts.geom.Coordinate;
import yentra.core.geometry.Vec3;

/** A point of a drawing, in metres: x to the right, y up the sheet. */
public record PlanPoint(double x, double y) {
  static PlanPoint of(Coordinate c) {
    return new PlanPoint(c.x, c.y);
  }

  Coordinate coordinate() {
    return new Coordinate(x, y);
  }

  /** The point at a height in metres. */
  Vec3 at(double z) {
    return new Vec3(x, y, z);
  }

  double distance(PlanPoint o) {
    return Math.hypot(o.x - x, o.y - y);
  }
}
