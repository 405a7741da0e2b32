package yentra.core.geometry;

import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.triangulate.polygon.PolygonTriangulator;

/** Triangles of a planar polygon with holes, by ear clipping (JTS, {@link PolygonTriangulator}). */
public final class Triangulation {
  /** The sine of the least turn that counts as a corner. */
  private static final double STRAIGHT = 1e-9;

  private Triangulation() {}

  /**
   * The triangles, each counter-clockwise about the polygon's normal. A polygon that crosses itself
   * is drawn as the area it encloses; one without area has none.
   */
  public static List<Vec3[]> of(Polygon polygon) {
    List<Vec3[]> out = new ArrayList<>();
    if (polygon.holes().isEmpty() && polygon.outer().size() == 3) {
      out.add(polygon.outer().toArray(Vec3[]::new));
      return out;
    }
    if (polygon.normal().equals(Vec3.ZERO)) {
      return out;
    }
    if (isConvex(polygon)) {
      List<Vec3> ring = polygon.outer();
      for (int i = 1; i + 1 < ring.size(); i++) {
        out.add(new Vec3[] {ring.get(0), ring.get(i), ring.get(i + 1)});
      }
      return out;
    }
    PlaneFrame frame = PlaneFrame.of(polygon.plane());
    Geometry g = frame.project(polygon);
    if (!g.isValid()) {
      g = org.locationtech.jts.geom.util.GeometryFixer.fix(g);
    }
    Geometry triangles = PolygonTriangulator.triangulate(g);
    for (int i = 0; i < triangles.getNumGeometries(); i++) {
      Coordinate[] c = triangles.getGeometryN(i).getCoordinates();
      boolean ccw = org.locationtech.jts.algorithm.Orientation.index(c[0], c[1], c[2]) > 0;
      out.add(
          new Vec3[] {frame.to3d(c[0]), frame.to3d(c[ccw ? 1 : 2]), frame.to3d(c[ccw ? 2 : 1])});
    }
    return out;
  }

  /**
   * Whether a polygon has no holes, no straight corners, and turns the same way at every corner,
   * once around: then the triangles about its first vertex are all of it.
   */
  static boolean isConvex(Polygon polygon) {
    List<Vec3> ring = polygon.outer();
    int n = ring.size();
    if (n < 3 || !polygon.holes().isEmpty()) {
      return false;
    }
    Vec3 normal = polygon.normal();
    Vec3 first = ring.get(0);
    for (int i = 0; i < n; i++) {
      Vec3 a = ring.get(i);
      Vec3 b = ring.get((i + 1) % n);
      Vec3 c = ring.get((i + 2) % n);
      Vec3 ab = b.minus(a);
      Vec3 bc = c.minus(b);
      if (ab.cross(bc).dot(normal) <= STRAIGHT * ab.length() * bc.length()) {
        return false;
      }
      boolean inFan = i > 0 && i + 1 < n;
      if (inFan && a.minus(first).cross(b.minus(first)).dot(normal) <= 0) {
        return false;
      }
    }
    return true;
  }
}
