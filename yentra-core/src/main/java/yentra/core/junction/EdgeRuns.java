package yentra.core.junction;

import java.util.ArrayList;
import java.util.List;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/** Stretches along which edges of two faces run together, within the gap tolerance. */
final class EdgeRuns {
  private EdgeRuns() {}

  /** Starts and ends of the stretches in turn, along the edges of the first face. */
  static List<Vec3> of(Polygon a, Polygon b, Tolerance tolerance) {
    List<Vec3> out = new ArrayList<>();
    if (!a.box().grown(tolerance.gap()).intersects(b.box())) {
      return out;
    }
    for (List<Vec3> ring : a.rings()) {
      for (int i = 0; i < ring.size(); i++) {
        Vec3 from = ring.get(i);
        Vec3 to = ring.get((i + 1) % ring.size());
        for (List<Vec3> other : b.rings()) {
          for (int k = 0; k < other.size(); k++) {
            together(from, to, other.get(k), other.get((k + 1) % other.size()), tolerance, out);
          }
        }
      }
    }
    return out;
  }

  private static void together(
      Vec3 p, Vec3 q, Vec3 c, Vec3 d, Tolerance tolerance, List<Vec3> out) {
    double length = p.distance(q);
    if (!(length > tolerance.gap())) {
      return;
    }
    Vec3 u = q.minus(p).times(1 / length);
    double s = c.minus(p).dot(u);
    double t = d.minus(p).dot(u);
    boolean beside =
        p.plus(u.times(s)).distance(c) <= tolerance.gap()
            && p.plus(u.times(t)).distance(d) <= tolerance.gap();
    double from = Math.max(0, Math.min(s, t));
    double to = Math.min(length, Math.max(s, t));
    if (beside && to - from > tolerance.gap()) {
      out.add(p.plus(u.times(from)));
      out.add(p.plus(u.times(to)));
    }
  }

  static double length(List<Vec3> lines) {
    double sum = 0;
    for (int i = 0; i + 1 < lines.size(); i += 2) {
      sum += lines.get(i).distance(lines.get(i + 1));
    }
    return sum;
  }
}
