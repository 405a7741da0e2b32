package yentra.core.exchange;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/** How far two outlines with the same corners are apart, wherever their rings begin. */
final class OutlinesApart {
  private OutlinesApart() {}

  /**
   * The largest distance between corners that belong together, m; infinite where the rings have
   * other numbers of corners. Holes may be in any order and direction.
   *
   * @param shift what the second one is moved by before it is compared
   * @param tolerance below whose length no better match is looked for
   */
  static double of(Polygon a, Polygon b, Vec3 shift, Tolerance tolerance) {
    if (a.outer().size() != b.outer().size() || a.holes().size() != b.holes().size()) {
      return Double.POSITIVE_INFINITY;
    }
    double far = apart(a.outer(), b.outer(), shift, tolerance);
    for (List<Vec3> hole : a.holes()) {
      double least = Double.POSITIVE_INFINITY;
      for (List<Vec3> other : b.holes()) {
        if (other.size() == hole.size()) {
          List<Vec3> back = new ArrayList<>(other);
          Collections.reverse(back);
          least = Math.min(least, apart(hole, other, shift, tolerance));
          least = Math.min(least, apart(hole, back, shift, tolerance));
        }
      }
      far = Math.max(far, least);
    }
    return far;
  }

  private static double apart(List<Vec3> a, List<Vec3> b, Vec3 shift, Tolerance tolerance) {
    double least = Double.POSITIVE_INFINITY;
    int n = a.size();
    for (int turn = 0; turn < n && least > tolerance.length(); turn++) {
      double far = 0;
      for (int i = 0; i < n && far < least; i++) {
        far = Math.max(far, a.get(i).distance(b.get((i + turn) % n).plus(shift)));
      }
      least = Math.min(least, far);
    }
    return n == 0 ? 0 : least;
  }
}
