package yentra.core.geometry;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.PrecisionModel;

/**
 * Joins polygons that lie side by side in one plane and turn the same way to the fewest faces.
 *
 * <p>Method: edges are split where corners of others lie on them; edges that run both ways cancel,
 * and what is left are the rings of the result. Where more than two of these meet in a point, or
 * several faces have holes, the union is left to JTS (OverlayNG), which is slower and decides all
 * cases.
 */
final class CoplanarMerge {
  private static final int MOST_CORNERS = 300;
  private static final PrecisionModel MERGE = new PrecisionModel(1e6);

  private final Plane plane;
  private final double epsilon;
  private final List<Vec3> points = new ArrayList<>();

  private CoplanarMerge(Plane plane, double epsilon) {
    this.plane = plane;
    this.epsilon = epsilon;
  }

  /**
   * The faces.
   *
   * @param parts rings without holes, counter-clockwise about the plane's normal
   * @param epsilon points closer than this are one, in metres
   */
  static List<Polygon> of(List<List<Vec3>> parts, Plane plane, double epsilon) {
    if (parts.size() == 1) {
      return List.of(Polygon.of(parts.get(0)));
    }
    if (parts.stream().mapToInt(List::size).sum() <= MOST_CORNERS) {
      List<Polygon> joined = new CoplanarMerge(plane, epsilon).joined(parts);
      if (joined != null) {
        return joined;
      }
    }
    PlaneFrame frame = PlaneFrame.of(plane);
    List<Geometry> flat = parts.stream().map(p -> (Geometry) frame.project(Polygon.of(p))).toList();
    return frame.lift(RobustOverlay.union(flat, MERGE));
  }

  private List<Polygon> joined(List<List<Vec3>> parts) {
    List<int[]> rings = new ArrayList<>();
    for (List<Vec3> part : parts) {
      rings.add(part.stream().mapToInt(this::number).toArray());
    }
    Map<Long, Integer> edges = new HashMap<>();
    for (int[] ring : rings) {
      for (int i = 0; i < ring.length; i++) {
        split(ring[i], ring[(i + 1) % ring.length], edges);
      }
    }
    int[] next = new int[points.size()];
    java.util.Arrays.fill(next, -1);
    for (Map.Entry<Long, Integer> e : edges.entrySet()) {
      if (e.getValue() == 0) {
        continue;
      }
      int from = (int) (e.getKey() >> 32);
      if (e.getValue() > 1 || next[from] >= 0) {
        return null;
      }
      next[from] = e.getKey().intValue();
    }
    return faces(next);
  }

  private int number(Vec3 p) {
    for (int i = 0; i < points.size(); i++) {
      if (points.get(i).distance(p) <= 2 * epsilon) {
        return i;
      }
    }
    points.add(p);
    return points.size() - 1;
  }

  /** Counts the pieces of an edge between the corners on it; opposite pieces cancel. */
  private void split(int a, int b, Map<Long, Integer> edges) {
    if (a == b) {
      return;
    }
    Vec3 from = points.get(a);
    Vec3 d = points.get(b).minus(from);
    double length = d.length();
    Vec3 unit = d.times(1 / length);
    List<Integer> on = new ArrayList<>();
    for (int i = 0; i < points.size(); i++) {
      if (i != a && i != b) {
        Vec3 v = points.get(i).minus(from);
        double t = v.dot(unit);
        if (t > 0 && t < length && v.minus(unit.times(t)).length() <= 2 * epsilon) {
          on.add(i);
        }
      }
    }
    on.sort(
        java.util.Comparator.comparingDouble((Integer i) -> points.get(i).minus(from).dot(unit)));
    on.add(b);
    int at = a;
    for (int to : on) {
      long back = (long) to << 32 | at;
      if (edges.getOrDefault(back, 0) > 0) {
        edges.merge(back, -1, Integer::sum);
      } else {
        edges.merge((long) at << 32 | to, 1, Integer::sum);
      }
      at = to;
    }
  }

  /** Rings that turn with the plane are outlines, the others holes. */
  private List<Polygon> faces(int[] next) {
    List<List<Vec3>> outlines = new ArrayList<>();
    List<List<Vec3>> holes = new ArrayList<>();
    boolean[] done = new boolean[next.length];
    for (int start = 0; start < next.length; start++) {
      if (next[start] < 0 || done[start]) {
        continue;
      }
      List<Vec3> ring = new ArrayList<>();
      int at = start;
      while (at >= 0 && !done[at]) {
        done[at] = true;
        ring.add(points.get(at));
        at = next[at];
      }
      if (at != start) {
        return null;
      }
      boolean outline = Polygon.areaVector(ring).dot(plane.normal()) > 0;
      (outline ? outlines : holes).add(ring);
    }
    if (holes.isEmpty()) {
      return outlines.stream().map(Polygon::of).toList();
    }
    return outlines.size() == 1 ? List.of(new Polygon(outlines.get(0), holes)) : null;
  }
}
