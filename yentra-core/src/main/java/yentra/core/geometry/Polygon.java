package yentra.core.geometry;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/**
 * A polygon in space, as delivered: it need not be exactly planar, nor valid. The outer ring is
 * counter-clockwise seen from the side its normal points to; rings are open (the first vertex is
 * not repeated). Holes may run either way round; they always count as missing area. Coordinates are
 * metres in model coordinates.
 *
 * <p>Immutable; its area and box are worked out when first asked for and kept, since every check
 * asks for them. Two threads may work them out at once and get the same.
 */
public final class Polygon {
  private final List<Vec3> outer;
  private final List<List<Vec3>> holes;
  private double area = Double.NaN;
  private Box box;

  public Polygon(List<Vec3> outer, List<List<Vec3>> holes) {
    this.outer = List.copyOf(outer);
    this.holes = holes.isEmpty() ? List.of() : holes.stream().map(List::copyOf).toList();
  }

  public List<Vec3> outer() {
    return outer;
  }

  public List<List<Vec3>> holes() {
    return holes;
  }

  @Override
  public boolean equals(Object o) {
    return o == this || o instanceof Polygon p && outer.equals(p.outer) && holes.equals(p.holes);
  }

  @Override
  public int hashCode() {
    return 31 * outer.hashCode() + holes.hashCode();
  }

  @Override
  public String toString() {
    return "Polygon[outer=" + outer + ", holes=" + holes + "]";
  }

  public static Polygon of(List<Vec3> outer) {
    return new Polygon(outer, List.of());
  }

  public static Polygon of(Vec3... outer) {
    return of(List.of(outer));
  }

  /**
   * The area vector by Newell's method, with the first vertex taken as origin so that far
   * coordinates lose no digits: its length is the area in square metres, its direction the normal.
   * Holes are subtracted.
   *
   * <p>Source: M. E. Newell's method as given by I. E. Sutherland, R. F. Sproull and R. A.
   * Schumacker, "A characterization of ten hidden-surface algorithms", ACM Computing Surveys 6
   * (1974).
   */
  public Vec3 areaVector() {
    Vec3 a = areaVector(outer);
    for (List<Vec3> hole : holes) {
      Vec3 h = areaVector(hole);
      a = h.dot(a) > 0 ? a.minus(h) : a.plus(h);
    }
    return a;
  }

  /** The area vector of one ring; zero for fewer than three points. */
  public static Vec3 areaVector(List<Vec3> ring) {
    int n = ring.size();
    if (n < 3) {
      return Vec3.ZERO;
    }
    Vec3 o = ring.get(0);
    double x = 0, y = 0, z = 0;
    Vec3 p = ring.get(n - 1).minus(o);
    for (Vec3 vertex : ring) {
      Vec3 q = vertex.minus(o);
      x += (p.y() - q.y()) * (p.z() + q.z());
      y += (p.z() - q.z()) * (p.x() + q.x());
      z += (p.x() - q.x()) * (p.y() + q.y());
      p = q;
    }
    return new Vec3(x / 2, y / 2, z / 2);
  }

  /** The area in square metres, holes subtracted. */
  public double area() {
    double a = area;
    if (Double.isNaN(a)) {
      a = areaVector().length();
      area = a;
    }
    return a;
  }

  /** The unit normal, or the zero vector when the polygon has no area. */
  public Vec3 normal() {
    return areaVector(outer).unit();
  }

  /** The plane through the mean of the outer vertices with the polygon's normal. */
  public Plane plane() {
    return new Plane(mean(), normal());
  }

  /** The mean of the outer vertices. */
  public Vec3 mean() {
    if (outer.isEmpty()) {
      return Vec3.ZERO;
    }
    Vec3 o = outer.get(0);
    Vec3 sum = Vec3.ZERO;
    for (Vec3 p : outer) {
      sum = sum.plus(p.minus(o));
    }
    return o.plus(sum.times(1.0 / outer.size()));
  }

  /** The length of the outer ring in metres. */
  public double perimeter() {
    double sum = 0;
    for (int i = 0; i < outer.size(); i++) {
      sum += outer.get(i).distance(outer.get((i + 1) % outer.size()));
    }
    return sum;
  }

  /** The same place, seen from the other side. */
  public Polygon reversed() {
    return new Polygon(reversed(outer), holes.stream().map(Polygon::reversed).toList());
  }

  private static List<Vec3> reversed(List<Vec3> ring) {
    List<Vec3> r = new ArrayList<>(ring);
    Collections.reverse(r);
    return r;
  }

  /** Dropped onto a plane along its normal. */
  public Polygon on(Plane plane) {
    return new Polygon(
        outer.stream().map(plane::project).toList(),
        holes.stream().map(h -> h.stream().map(plane::project).toList()).toList());
  }

  public Polygon transformed(Transform t) {
    return new Polygon(
        transformed(outer, t),
        holes.isEmpty() ? holes : holes.stream().map(h -> transformed(h, t)).toList());
  }

  private static List<Vec3> transformed(List<Vec3> ring, Transform t) {
    Vec3[] out = new Vec3[ring.size()];
    for (int i = 0; i < out.length; i++) {
      out[i] = t.apply(ring.get(i));
    }
    return List.of(out);
  }

  public Box box() {
    Box b = box;
    if (b == null) {
      b = Box.of(outer);
      box = b;
    }
    return b;
  }

  /** The outer ring and the holes. */
  public List<List<Vec3>> rings() {
    if (holes.isEmpty()) {
      return List.of(outer);
    }
    List<List<Vec3>> all = new ArrayList<>();
    all.add(outer);
    all.addAll(holes);
    return all;
  }

  /** Tilt of the outward normal in degrees: 0 faces up, 90 upright, 180 faces down. */
  public double tilt() {
    Vec3 n = normal();
    return Math.toDegrees(Math.atan2(Math.hypot(n.x(), n.y()), n.z()));
  }

  /**
   * Whether it lies flat, so that it faces no compass direction.
   *
   * @param angle how far off level it may be, in degrees
   */
  public boolean isLevel(double angle) {
    double t = tilt();
    return Math.min(t, 180 - t) < angle;
  }

  /**
   * Azimuth of the outward normal in degrees clockwise from the model's +y axis, 0 to 360; 0 when
   * the normal is within a ten-thousandth of a degree of the vertical, where it has none.
   */
  public double azimuth() {
    Vec3 n = normal();
    if (Math.hypot(n.x(), n.y()) < 1.7e-6) {
      return 0;
    }
    double a = Math.toDegrees(Math.atan2(n.x(), n.y()));
    return a < 0 ? a + 360 : a;
  }
}
