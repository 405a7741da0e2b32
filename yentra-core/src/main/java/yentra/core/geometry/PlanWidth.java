package yentra.core.geometry;

import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.algorithm.MinimumDiameter;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;

/** The least width of a body seen from above, in metres (JTS, rotating calipers). */
public final class PlanWidth {
  private PlanWidth() {}

  public static double of(List<Polygon> faces) {
    List<Coordinate> points = new ArrayList<>();
    for (Polygon p : faces) {
      for (Vec3 v : p.outer()) {
        points.add(new Coordinate(rounded(v.x()), rounded(v.y())));
      }
    }
    return new MinimumDiameter(
            new GeometryFactory().createMultiPointFromCoords(points.toArray(Coordinate[]::new)))
        .getLength();
  }

  /** To a tenth of a millimetre: a hull with shorter sides has no width that JTS finds. */
  private static double rounded(double metres) {
    return Math.round(metres * 1e4) / 1e4;
  }
}
