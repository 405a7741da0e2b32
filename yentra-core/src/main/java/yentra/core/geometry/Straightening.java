package yentra.core.geometry;

import java.util.ArrayList;
import java.util.List;

/**
 * Removes vertices that lie on the straight line between their neighbours, such as unions and cuts
 * leave behind.
 */
public final class Straightening {
  private Straightening() {}

  /** The same polygon; a vertex goes when it is closer to that line than the length tolerance. */
  public static Polygon of(Polygon p, Tolerance tolerance) {
    return new Polygon(
        ring(p.outer(), tolerance.length()),
        p.holes().stream().map(h -> ring(h, tolerance.length())).toList());
  }

  private static List<Vec3> ring(List<Vec3> ring, double epsilon) {
    List<Vec3> out = new ArrayList<>(ring);
    for (int i = 0; i < out.size() && out.size() > 3; ) {
      Vec3 p = out.get((i + out.size() - 1) % out.size());
      Vec3 q = out.get((i + 1) % out.size());
      Vec3 d = q.minus(p);
      double off = d.length() < epsilon ? 0 : d.unit().cross(out.get(i).minus(p)).length();
      if (off < epsilon) {
        out.remove(i);
        i = Math.max(0, i - 1);
      } else {
        i++;
      }
    }
    return out;
  }
}
