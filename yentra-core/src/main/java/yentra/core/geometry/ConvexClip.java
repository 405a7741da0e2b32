package yentra.core.geometry;

import java.util.List;

/**
 * Areas that convex outlines share, by cutting one along the edges of the other (I. E. Sutherland
 * and G. W. Hodgman, "Reentrant polygon clipping", Communications of the ACM 17, 1974). Exact but
 * for rounding, and many times quicker than a general overlay; most surfaces are convex.
 */
public final class ConvexClip {
  /** More corners than this are left to the general overlay. */
  private static final int MOST = 32;

  private ConvexClip() {}

  /**
   * The area in m² that the orthogonal projection of {@code b} onto the plane of {@code a} shares
   * with {@code a}; NaN when one of them is not convex, has holes, or is not flat to the eye of
   * this method.
   */
  static double commonArea(Polygon a, Polygon b) {
    if (!a.holes().isEmpty()
        || !b.holes().isEmpty()
        || a.outer().size() > MOST
        || b.outer().size() > MOST) {
      return Double.NaN;
    }
    PlaneFrame f = PlaneFrame.of(a.plane());
    double[] clip = flat(a.outer(), f);
    double[] subject = flat(b.outer(), f);
    double size = Math.abs(area(clip)) + Math.abs(area(subject));
    if (!(size > 0) || !isConvex(clip, size) || !isConvex(subject, size)) {
      return Double.NaN;
    }
    return Math.abs(area(inside(subject, clip)));
  }

  /**
   * What of a ring lies inside a convex one. A ring that is not convex may come back with edges
   * that run forth and back along the cut; its area is right.
   *
   * @param subject x and y of its corners in turn
   * @param convex the ring that cuts, in either direction
   */
  public static double[] inside(double[] subject, double[] convex) {
    double turn = area(convex) < 0 ? -1 : 1;
    int n = convex.length / 2;
    double[] left = subject;
    for (int i = 0; i < n && left.length > 0; i++) {
      int j = (i + 1) % n;
      left = cut(left, convex[2 * i], convex[2 * i + 1], convex[2 * j], convex[2 * j + 1], turn);
    }
    return left;
  }

  /** A ring's corners in a frame, x and y in turn. */
  public static double[] flat(List<Vec3> ring, PlaneFrame f) {
    double[] out = new double[2 * ring.size()];
    Vec3 o = f.origin();
    for (int i = 0; i < ring.size(); i++) {
      Vec3 p = ring.get(i);
      double x = p.x() - o.x();
      double y = p.y() - o.y();
      double z = p.z() - o.z();
      out[2 * i] = x * f.u().x() + y * f.u().y() + z * f.u().z();
      out[2 * i + 1] = x * f.v().x() + y * f.v().y() + z * f.v().z();
    }
    return out;
  }

  /** What lies to the left of a line, for an anticlockwise clip. */
  private static double[] cut(double[] p, double ax, double ay, double bx, double by, double turn) {
    int n = p.length / 2;
    double[] out = new double[p.length + 4];
    int m = 0;
    double dx = bx - ax;
    double dy = by - ay;
    double before = turn * (dx * (p[2 * n - 1] - ay) - dy * (p[2 * n - 2] - ax));
    for (int i = 0; i < n; i++) {
      double x = p[2 * i];
      double y = p[2 * i + 1];
      double side = turn * (dx * (y - ay) - dy * (x - ax));
      if (side >= 0 != before >= 0) {
        int k = (i + n - 1) % n;
        double t = before / (before - side);
        out = room(out, m);
        out[m++] = p[2 * k] + t * (x - p[2 * k]);
        out[m++] = p[2 * k + 1] + t * (y - p[2 * k + 1]);
      }
      if (side >= 0) {
        out = room(out, m);
        out[m++] = x;
        out[m++] = y;
      }
      before = side;
    }
    return java.util.Arrays.copyOf(out, m);
  }

  private static double[] room(double[] out, int m) {
    return m + 2 > out.length ? java.util.Arrays.copyOf(out, 2 * out.length + 2) : out;
  }

  /** Area of a ring, below 0 where it runs clockwise. */
  public static double area(double[] p) {
    double sum = 0;
    int n = p.length / 2;
    for (int i = 0; i < n; i++) {
      int j = (i + 1) % n;
      sum += p[2 * i] * p[2 * j + 1] - p[2 * j] * p[2 * i + 1];
    }
    return sum / 2;
  }

  /**
   * Whether a ring turns one way only, and once round: each coordinate rises and falls once.
   *
   * @param size what areas are small beside, m²
   */
  public static boolean isConvex(double[] p, double size) {
    int n = p.length / 2;
    double slack = 1e-9 * size;
    int turns = 0;
    int flipsX = 0;
    int flipsY = 0;
    double lastX = 0;
    double lastY = 0;
    double firstX = 0;
    double firstY = 0;
    for (int i = 0; i < n; i++) {
      int j = (i + 1) % n;
      int k = (i + 2) % n;
      double dx = p[2 * j] - p[2 * i];
      double dy = p[2 * j + 1] - p[2 * i + 1];
      double ex = p[2 * k] - p[2 * j];
      double ey = p[2 * k + 1] - p[2 * j + 1];
      double cross = dx * ey - dy * ex;
      if (Math.abs(cross) > slack) {
        int sign = cross > 0 ? 1 : -1;
        if (turns != 0 && turns != sign) {
          return false;
        }
        turns = sign;
      } else if (dx * ex + dy * ey < 0) {
        return false;
      }
      if (Math.abs(dx) > 1e-12) {
        flipsX += lastX != 0 && lastX > 0 != dx > 0 ? 1 : 0;
        firstX = firstX == 0 ? dx : firstX;
        lastX = dx;
      }
      if (Math.abs(dy) > 1e-12) {
        flipsY += lastY != 0 && lastY > 0 != dy > 0 ? 1 : 0;
        firstY = firstY == 0 ? dy : firstY;
        lastY = dy;
      }
    }
    flipsX += lastX > 0 != firstX > 0 ? 1 : 0;
    flipsY += lastY > 0 != firstY > 0 ? 1 : 0;
    return turns != 0 && flipsX <= 2 && flipsY <= 2;
  }
}
