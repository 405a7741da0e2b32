package yentra.core.plan;

import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.CoordinateArrays;
import org.locationtech.jts.geom.CoordinateSequence;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.impl.CoordinateArraySequence;
import org.locationtech.jts.geom.util.GeometryTransformer;
import org.locationtech.jts.index.kdtree.KdTree;

/** Lets corners of several faces that lie next to each other be one, so that the faces meet. */
final class MeetingCorners {
  private final KdTree corners;

  /**
   * @param near how far apart they are still one, m
   * @param first whose corners are gone to before all others
   */
  MeetingCorners(double near, Geometry first) {
    corners = new KdTree(near);
    for (Coordinate c : first.getCoordinates()) {
      corners.insert(c);
    }
  }

  /**
   * A face whose corners are those that were there before it, where they are near; what is no wider
   * than that is nothing.
   */
  Geometry of(Geometry face) {
    Geometry moved =
        new GeometryTransformer() {
          @Override
          protected CoordinateSequence transformCoordinates(CoordinateSequence c, Geometry of) {
            Coordinate[] out = new Coordinate[c.size()];
            for (int i = 0; i < out.length; i++) {
              out[i] = corners.insert(c.getCoordinate(i)).getCoordinate().copy();
            }
            return new CoordinateArraySequence(CoordinateArrays.removeRepeatedPoints(out));
          }
        }.transform(face);
    List<Polygon> parts = new ArrayList<>();
    for (int i = 0; i < moved.getNumGeometries(); i++) {
      if (moved.getGeometryN(i) instanceof Polygon p && p.getArea() > 0) {
        parts.add(p);
      }
    }
    return parts.size() == 1
        ? parts.get(0)
        : face.getFactory().createMultiPolygon(parts.toArray(Polygon[]::new));
  }
}
