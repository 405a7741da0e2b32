package yentra.core.geometry;

import org.locationtech.jts.algorithm.InteriorPointArea;
import org.locationtech.jts.geom.Coordinate;

/**
 * A point well inside a polygon, even a concave or self-touching one (JTS, {@link
 * InteriorPointArea}).
 */
public final class InteriorPoint {
  private InteriorPoint() {}

  /** The point, or the mean of the vertices when the polygon has no area. */
  public static Vec3 of(Polygon polygon) {
    Vec3 normal = polygon.normal();
    if (normal.equals(Vec3.ZERO)) {
      return polygon.mean();
    }
    PlaneFrame frame = PlaneFrame.of(polygon.plane());
    Coordinate c = InteriorPointArea.getInteriorPoint(frame.project(polygon));
    return c == null ? polygon.mean() : frame.to3d(c);
  }
}
