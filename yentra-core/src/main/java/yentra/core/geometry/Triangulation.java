package yentra.core.geometry;

import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.triangulate.polygon.PolygonTriangulator;

/** Triangles of a planar polygon with holes, by ear clipping (JTS, {@link PolygonTriangulator}). */
public final class Triangulation {
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
}
