package yentra.core.geometry;

import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.algorithm.RobustLineIntersector;
import org.locationtech.jts.geom.Coordinate;

/**
 * Finds where a polygon's outline crosses itself: two edges that cut through each other at a point
 * that is farther than the length tolerance from the ends of both. Edges that merely touch or run
 * along each other (the bridge to a hole written into the outline) are no crossing. Exact
 * orientation tests by JTS; O(n²) per ring, with a box test first.
 */
public final class SelfIntersection {
  private SelfIntersection() {}

  /** The crossing points, in the order of the edges; empty for a simple outline. */
  public static List<Vec3> find(Polygon polygon, Tolerance tolerance) {
    if (polygon.outer().size() < 4) {
      return List.of();
    }
    PlaneFrame frame = PlaneFrame.of(PlaneFit.of(polygon.outer()));
    Coordinate[] c = polygon.outer().stream().map(frame::to2d).toArray(Coordinate[]::new);
    List<Vec3> out = new ArrayList<>();
    int n = c.length;
    for (int i = 0; i < n; i++) {
      for (int j = i + 2; j < n; j++) {
        if (i == 0 && j == n - 1 || apart(c[i], c[(i + 1) % n], c[j], c[(j + 1) % n])) {
          continue;
        }
        RobustLineIntersector li = new RobustLineIntersector();
        li.computeIntersection(c[i], c[(i + 1) % n], c[j], c[(j + 1) % n]);
        if (li.isProper()) {
          Coordinate x = li.getIntersection(0);
          double nearest = Double.POSITIVE_INFINITY;
          for (int k : new int[] {i, (i + 1) % n, j, (j + 1) % n}) {
            nearest = Math.min(nearest, x.distance(c[k]));
          }
          if (nearest > tolerance.length()) {
            out.add(frame.to3d(x));
          }
        }
      }
    }
    return out;
  }

  private static boolean apart(Coordinate a, Coordinate b, Coordinate c, Coordinate d) {
    return Math.max(a.x, b.x) < Math.min(c.x, d.x)
        || Math.max(c.x, d.x) < Math.min(a.x, b.x)
        || Math.max(a.y, b.y) < Math.min(c.y, d.y)
        || Math.max(c.y, d.y) < Math.min(a.y, b.y);
  }
}
