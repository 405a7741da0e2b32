package yentra.core.geometry;

import java.util.ArrayList;
import java.util.List;

/**
 * The faces that together should bound one volume, and what can be said of them: whether they
 * close, what they enclose, which of them point inwards. Faces may be given in any direction;
 * nothing is assumed to be right.
 */
public final class Shell {
  /** Directions of the test rays: no two opposite, none along an axis or a usual roof pitch. */
  private static final Vec3[] RAYS = rays(15);

  private final List<Polygon> faces;
  private final Box box;
  private final Projected[] projected;

  private Shell(List<Polygon> faces) {
    this.faces = List.copyOf(faces);
    this.box = faces.stream().map(Polygon::box).reduce(Box.EMPTY, Box::union);
    this.projected = faces.stream().map(Projected::of).toArray(Projected[]::new);
  }

  public static Shell of(List<Polygon> faces) {
    return new Shell(faces);
  }

  public List<Polygon> faces() {
    return faces;
  }

  public Box box() {
    return box;
  }

  /**
   * The signed volume in cubic metres by the divergence theorem, with the first vertex as origin:
   * positive when the faces point outwards. Meaningful only for closed faces that agree in
   * direction.
   */
  public double signedVolume() {
    if (faces.isEmpty()) {
      return 0;
    }
    Vec3 o = box.centre();
    double sum = 0;
    for (Polygon f : faces) {
      sum += f.mean().minus(o).dot(f.areaVector());
    }
    return sum / 3;
  }

  /**
   * The length of the sum of all area vectors in square metres: zero for closed faces that agree in
   * direction.
   */
  public double closureError() {
    return faces.stream().map(Polygon::areaVector).reduce(Vec3.ZERO, Vec3::plus).length();
  }

  /**
   * The share of test rays, 0 to 1, that say the point is inside: a ray from an inside point
   * crosses the faces an odd number of times (J. D. Foley et al., Computer Graphics, parity rule).
   * With a missing face, most of the rays are still right.
   */
  public double insideShare(Vec3 p) {
    int inside = 0;
    for (Vec3 ray : RAYS) {
      int hits = 0;
      for (Projected f : projected) {
        if (f.crossedBy(p, ray)) {
          hits++;
        }
      }
      inside += hits & 1;
    }
    return inside / (double) RAYS.length;
  }

  /**
   * Whether a face that lies on this shell points out of it: +1 outwards, −1 inwards, 0 when the
   * places before and behind it are alike (the face does not separate inside from outside).
   *
   * @param step how far before and behind the face to look, in metres
   */
  public int direction(Polygon face, double step) {
    Vec3 p = InteriorPoint.of(face);
    Vec3 n = face.normal();
    double behind = insideShare(p.minus(n.times(step)));
    double before = insideShare(p.plus(n.times(step)));
    return Math.abs(behind - before) < 0.3 ? 0 : behind > before ? 1 : -1;
  }

  /** The faces, each turned to point outwards where that can be told. */
  public Shell outward(double step) {
    List<Polygon> out = new ArrayList<>(faces.size());
    for (Polygon f : faces) {
      out.add(direction(f, step) < 0 ? f.reversed() : f);
    }
    return new Shell(out);
  }

  private static Vec3[] rays(int n) {
    Vec3[] out = new Vec3[n];
    double golden = Math.PI * (3 - Math.sqrt(5));
    for (int i = 0; i < n; i++) {
      double z = 1 - (i + 0.37) * 2 / n;
      double r = Math.sqrt(1 - z * z);
      out[i] = new Vec3(r * Math.cos(golden * i + 0.271), r * Math.sin(golden * i + 0.271), z);
    }
    return out;
  }

  /** A face dropped onto the coordinate plane it faces most, for point-in-polygon tests. */
  private record Projected(Vec3 point, Vec3 normal, int drop, double[][] rings) {
    static Projected of(Polygon f) {
      Vec3 n = f.normal();
      double ax = Math.abs(n.x()), ay = Math.abs(n.y()), az = Math.abs(n.z());
      int drop = ax >= ay && ax >= az ? 0 : ay >= az ? 1 : 2;
      double[][] rings = new double[f.rings().size()][];
      for (int r = 0; r < rings.length; r++) {
        List<Vec3> ring = f.rings().get(r);
        rings[r] = new double[ring.size() * 2];
        for (int i = 0; i < ring.size(); i++) {
          rings[r][2 * i] = drop == 0 ? ring.get(i).y() : ring.get(i).x();
          rings[r][2 * i + 1] = drop == 2 ? ring.get(i).y() : ring.get(i).z();
        }
      }
      return new Projected(f.mean(), n, drop, rings);
    }

    boolean crossedBy(Vec3 p, Vec3 ray) {
      double slope = ray.dot(normal);
      if (Math.abs(slope) < 1e-12) {
        return false;
      }
      double t = point.minus(p).dot(normal) / slope;
      if (t <= 0) {
        return false;
      }
      Vec3 hit = p.plus(ray.times(t));
      double a = drop == 0 ? hit.y() : hit.x();
      double b = drop == 2 ? hit.y() : hit.z();
      boolean in = false;
      for (double[] r : rings) {
        int n = r.length / 2;
        for (int i = 0, j = n - 1; i < n; j = i++) {
          double yi = r[2 * i + 1], yj = r[2 * j + 1];
          if (yi > b != yj > b && a < (r[2 * j] - r[2 * i]) * (b - yi) / (yj - yi) + r[2 * i]) {
            in = !in;
          }
        }
      }
      return in;
    }
  }
}
