package yentra.core.geometry;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Tells which stretches of a line lie in a body. The faces are kept as plain arrays, each dropped
 * onto the coordinate plane it faces most, for point-in-polygon tests by the crossing rule (J. D.
 * Foley et al., Computer Graphics).
 *
 * <p>Coordinates in metres. A body that does not close gives the stretch from its first to its last
 * face on the line, since most of what is called a wall is one although a face is missing.
 */
public final class SolidProbe {
  private static final double PARALLEL = 1e-9;
  private static final Vec3 ASKEW = new Vec3(0.36, 0.48, 0.8);

  private final List<Polygon> faces;
  private final Box box;
  private final double[][] planes;
  private final int[] drops;
  private final double[][][] rings;

  public SolidProbe(List<Polygon> faces) {
    List<Polygon> flat = faces.stream().filter(f -> !f.normal().equals(Vec3.ZERO)).toList();
    this.faces = flat;
    Box b = Box.EMPTY;
    planes = new double[flat.size()][];
    drops = new int[flat.size()];
    rings = new double[flat.size()][][];
    for (int i = 0; i < flat.size(); i++) {
      Polygon f = flat.get(i);
      b = b.union(f.box());
      Vec3 n = f.normal();
      planes[i] = new double[] {n.x(), n.y(), n.z(), n.dot(f.mean())};
      double ax = Math.abs(n.x());
      double ay = Math.abs(n.y());
      double az = Math.abs(n.z());
      drops[i] = ax >= ay && ax >= az ? 0 : ay >= az ? 1 : 2;
      rings[i] = new double[f.rings().size()][];
      for (int r = 0; r < rings[i].length; r++) {
        List<Vec3> ring = f.rings().get(r);
        double[] c = new double[ring.size() * 2];
        for (int k = 0; k < ring.size(); k++) {
          c[2 * k] = drops[i] == 0 ? ring.get(k).y() : ring.get(k).x();
          c[2 * k + 1] = drops[i] == 2 ? ring.get(k).y() : ring.get(k).z();
        }
        rings[i][r] = c;
      }
    }
    box = b;
  }

  /** The faces that have an area, in the order of their numbers. */
  public List<Polygon> faces() {
    return faces;
  }

  public Box box() {
    return box;
  }

  /**
   * A place where a line meets a face.
   *
   * @param at distance from the line's origin along its direction, in metres
   * @param face number of the face among those with an area
   * @param entering whether the line goes against the face's normal
   */
  public record Crossing(double at, int face, boolean entering) implements Comparable<Crossing> {
    @Override
    public int compareTo(Crossing o) {
      int c = Double.compare(at, o.at);
      return c != 0 ? c : Integer.compare(face, o.face);
    }
  }

  /**
   * All crossings in order.
   *
   * @param direction of unit length
   */
  public List<Crossing> crossings(Vec3 origin, Vec3 direction) {
    List<Crossing> out = new ArrayList<>();
    for (int i = 0; i < planes.length; i++) {
      double[] p = planes[i];
      double slope = p[0] * direction.x() + p[1] * direction.y() + p[2] * direction.z();
      if (Math.abs(slope) < PARALLEL) {
        continue;
      }
      double t = (p[3] - p[0] * origin.x() - p[1] * origin.y() - p[2] * origin.z()) / slope;
      if (within(i, origin, direction, t)) {
        out.add(new Crossing(t, i, slope < 0));
      }
    }
    out.sort(null);
    return out;
  }

  /** Whether the line meets a face between two distances from its origin. */
  public boolean blocks(Vec3 origin, Vec3 direction, double from, double to) {
    for (int i = 0; i < planes.length; i++) {
      double[] p = planes[i];
      double slope = p[0] * direction.x() + p[1] * direction.y() + p[2] * direction.z();
      if (Math.abs(slope) < PARALLEL) {
        continue;
      }
      double t = (p[3] - p[0] * origin.x() - p[1] * origin.y() - p[2] * origin.z()) / slope;
      if (t > from && t < to && within(i, origin, direction, t)) {
        return true;
      }
    }
    return false;
  }

  private boolean within(int face, Vec3 o, Vec3 d, double t) {
    int drop = drops[face];
    double a = drop == 0 ? o.y() + t * d.y() : o.x() + t * d.x();
    double b = drop == 2 ? o.y() + t * d.y() : o.z() + t * d.z();
    boolean in = false;
    for (double[] r : rings[face]) {
      int n = r.length / 2;
      for (int i = 0, j = n - 1; i < n; j = i++) {
        double yi = r[2 * i + 1];
        double yj = r[2 * j + 1];
        if (yi > b != yj > b && a < (r[2 * j] - r[2 * i]) * (b - yi) / (yj - yi) + r[2 * i]) {
          in = !in;
        }
      }
    }
    return in;
  }

  /** Whether a point lies in the body; those within 10⁻⁶ m of its faces may go either way. */
  public boolean contains(Vec3 p) {
    // along no direction that a building is likely to be drawn in
    double[] s = stretches(p, ASKEW, 1e-6);
    for (int i = 0; i + 1 < s.length; i += 2) {
      if (s[i] < 0 && s[i + 1] > 0) {
        return true;
      }
    }
    return false;
  }

  /**
   * The stretches of a line within the body, as pairs of distances in ascending order.
   *
   * @param same crossings closer than this are one, in metres
   */
  public double[] stretches(Vec3 origin, Vec3 direction, double same) {
    double[] at = crossings(origin, direction).stream().mapToDouble(Crossing::at).toArray();
    int n = 0;
    for (int i = 0; i < at.length; i++) {
      // two faces at one place: the line touches the body, or passes from one part to the next
      if (n > 0 && at[i] - at[n - 1] < same) {
        n--;
      } else {
        at[n++] = at[i];
      }
    }
    if (n % 2 != 0) {
      return n == 1 ? new double[0] : new double[] {at[0], at[n - 1]};
    }
    return Arrays.copyOf(at, n);
  }
}
