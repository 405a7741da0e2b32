package yentra.core.solar;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.PrecisionModel;
import org.locationtech.jts.geom.util.GeometryFixer;
import yentra.core.geometry.Box;
import yentra.core.geometry.ConvexClip;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.RobustOverlay;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/**
 * How much of each face the sun reaches from some directions. What stands in front of a face's
 * plane is projected onto it along the sun's rays and cut to the face; several shadows are united
 * (JTS) before their area counts. Exact but for rounding; what nowhere stands farther before a
 * face's plane than the tolerance casts no shadow on it.
 */
public final class SunlitShares {
  private static final GeometryFactory FACTORY = new GeometryFactory();

  /**
   * cos of the angle of incidence under which a face counts as turned away: 0.06° off its plane.
   */
  private static final double GRAZING = 1e-3;

  /** A shadow of this share of a face is the whole of it, or none. */
  private static final double NOTHING = 1e-9;

  /** Shadows are united on this grid, 0.1 µm, so that edges that nearly coincide are one. */
  private static final PrecisionModel GRID = new PrecisionModel(1e7);

  private final float[][] shares;

  private SunlitShares(float[][] shares) {
    this.shares = shares;
  }

  /**
   * Sunlit share of a face, 0 to 1.
   *
   * @param face its number among the faces
   * @param direction its number among the directions
   */
  public double share(int face, int direction) {
    return shares[face][direction];
  }

  /**
   * Works out all shares, face by face on as many threads as there are.
   *
   * @param faces turned outwards, in one frame with what casts shadows
   * @param shading what casts shadows, in any direction
   * @param towards the sun, unit vectors
   */
  public static SunlitShares of(
      List<Polygon> faces, List<Polygon> shading, List<Vec3> towards, Tolerance tolerance) {
    Caster[] casters =
        shading.stream().filter(p -> p.outer().size() > 2).map(Caster::of).toArray(Caster[]::new);
    float[][] out = new float[faces.size()][];
    IntStream.range(0, faces.size())
        .parallel()
        .forEach(i -> out[i] = new Face(faces.get(i), tolerance).shares(casters, towards));
    return new SunlitShares(out);
  }

  /** Something that casts shadows, with a ball around it. */
  private record Caster(Polygon polygon, Box box, Vec3 centre, double radius) {
    static Caster of(Polygon p) {
      Box b = p.box();
      return new Caster(p, b, b.centre(), b.diagonal() / 2);
    }

    /** How far its box reaches in a direction. */
    double reach(Vec3 n) {
      return (n.x() > 0 ? box.max().x() : box.min().x()) * n.x()
          + (n.y() > 0 ? box.max().y() : box.min().y()) * n.y()
          + (n.z() > 0 ? box.max().z() : box.min().z()) * n.z();
    }
  }

  private static final class Face {
    private final Polygon polygon;
    private final PlaneFrame frame;
    private final double near;
    private final double offset;
    private final double area;
    private final double[] ring;
    private final boolean convex;
    private final Vec3 centre;
    private final double radius;

    Face(Polygon polygon, Tolerance tolerance) {
      this.polygon = polygon;
      frame = PlaneFrame.of(polygon.plane());
      near = tolerance.plane();
      offset = frame.n().dot(frame.origin());
      area = polygon.area();
      ring = ConvexClip.flat(polygon.outer(), frame);
      convex = polygon.holes().isEmpty() && ConvexClip.isConvex(ring, area);
      Box b = polygon.box();
      centre = b.centre();
      radius = b.diagonal() / 2;
    }

    float[] shares(Caster[] casters, List<Vec3> towards) {
      float[] out = new float[towards.size()];
      if (!(area > 0)) {
        return out;
      }
      List<Caster> front = new ArrayList<>();
      for (Caster c : casters) {
        if (c.reach(frame.n()) > offset + near) {
          front.add(c);
        }
      }
      for (int i = 0; i < out.length; i++) {
        Vec3 s = towards.get(i);
        out[i] = frame.n().dot(s) < GRAZING ? 0 : (float) (front.isEmpty() ? 1 : lit(front, s));
      }
      return out;
    }

    private double lit(List<Caster> front, Vec3 s) {
      List<double[]> shadows = new ArrayList<>();
      List<Geometry> odd = new ArrayList<>();
      for (Caster c : front) {
        if (!meets(c, s)) {
          continue;
        }
        if (convex && c.polygon.holes().isEmpty()) {
          double[] shadow = ConvexClip.inside(projected(c.polygon.outer(), s), ring);
          double share = Math.abs(ConvexClip.area(shadow)) / area;
          if (share > 1 - NOTHING) {
            return 0;
          }
          if (share > NOTHING) {
            shadows.add(shadow);
          }
        } else {
          odd.add(shadow(c.polygon, s));
        }
      }
      if (odd.isEmpty() && shadows.size() < 2) {
        return shadows.isEmpty() ? 1 : 1 - Math.abs(ConvexClip.area(shadows.get(0))) / area;
      }
      return 1 - together(shadows, odd) / area;
    }

    /** Whether a ray from the ball around this face towards the sun may meet another's. */
    private boolean meets(Caster c, Vec3 s) {
      Vec3 d = c.centre.minus(centre);
      double along = d.dot(s);
      double reach = radius + c.radius;
      double aside = d.dot(d) - along * along;
      return along > -reach && aside <= reach * reach;
    }

    private double together(List<double[]> shadows, List<Geometry> odd) {
      List<Geometry> all = new ArrayList<>();
      for (double[] s : shadows) {
        all.add(valid(geometry(s)));
      }
      if (!odd.isEmpty()) {
        Geometry own = valid(frame.project(polygon));
        for (Geometry g : odd) {
          all.add(RobustOverlay.intersection(own, g));
        }
      }
      return Math.min(area, RobustOverlay.union(all, GRID).getArea());
    }

    private Geometry shadow(Polygon p, Vec3 s) {
      Geometry g = valid(geometry(projected(p.outer(), s)));
      for (List<Vec3> hole : p.holes()) {
        Geometry h = valid(geometry(projected(hole, s)));
        g = RobustOverlay.difference(g, h);
      }
      return g;
    }

    private static Geometry valid(Geometry g) {
      return g.isValid() ? g : GeometryFixer.fix(g);
    }

    private static Geometry geometry(double[] p) {
      int n = p.length / 2;
      if (n < 3) {
        return FACTORY.createPolygon();
      }
      Coordinate[] c = new Coordinate[n + 1];
      for (int i = 0; i < n; i++) {
        c[i] = new Coordinate(p[2 * i], p[2 * i + 1]);
      }
      c[n] = c[0].copy();
      return FACTORY.createPolygon(c);
    }

    /** A ring's part in front of this face's plane, projected onto it along the rays. */
    private double[] projected(List<Vec3> points, Vec3 s) {
      Vec3 n = frame.n();
      double down = n.dot(s);
      double[] out = new double[4 * points.size() + 4];
      int m = 0;
      Vec3 last = points.get(points.size() - 1);
      double before = n.dot(last) - offset;
      for (Vec3 p : points) {
        double d = n.dot(p) - offset;
        if (d >= 0 != before >= 0) {
          m = put(out, m, last.lerp(p, before / (before - d)), s, 0);
        }
        if (d >= 0) {
          m = put(out, m, p, s, d / down);
        }
        last = p;
        before = d;
      }
      return Arrays.copyOf(out, m);
    }

    private int put(double[] out, int m, Vec3 p, Vec3 s, double back) {
      Vec3 o = frame.origin();
      double x = p.x() - s.x() * back - o.x();
      double y = p.y() - s.y() * back - o.y();
      double z = p.z() - s.z() * back - o.z();
      out[m] = x * frame.u().x() + y * frame.u().y() + z * frame.u().z();
      out[m + 1] = x * frame.v().x() + y * frame.v().y() + z * frame.v().z();
      return m + 2;
    }
  }
}
