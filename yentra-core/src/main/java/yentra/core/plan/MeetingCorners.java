package yentra.core.plan;

import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.CoordinateArrays;
import org.locationtech.jts.geom.CoordinateSequence;
import org.locationtech.jts.geom.Geometry;
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

  /** A face whose corners are those that were there before it, where they are near. */
  Geometry of(Geometry face) {
    return new GeometryTransformer() {
      @Override
      protected CoordinateSequence transformCoordinates(CoordinateSequence c, Geometry of) {
        Coordinate[] out = new Coordinate[c.size()];
        for (int i = 0; i < out.length; i++) {
          out[i] = corners.insert(c.getCoordinate(i)).getCoordinate().copy();
        }
        return new CoordinateArraySequence(CoordinateArrays.removeRepeatedPoints(out));
      }
    }.transform(face);
  }
}
