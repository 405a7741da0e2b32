package yentra.core.boundary;

import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.PrecisionModel;
import org.locationtech.jts.operation.overlayng.UnaryUnionNG;
import org.locationtech.jts.operation.polygonize.Polygonizer;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.RobustOverlay;
import yentra.core.geometry.Vec3;

/**
 * The shape in which a body that was cut out of a wall or slab shows in a face of a space: where it
 * crosses the plane just behind the face, else its outline seen along the face's normal. Metres, in
 * the face's frame.
 */
public final class OpeningShape {
  /** An opening reaches at least so far into what lies behind the face, in metres. */
  private static final double DEEP = 0.001;

  /** How far behind the face the section is taken, in metres. */
  private static final double SECTION = 0.003;

  private static final GeometryFactory FACTORY = new GeometryFactory();

  private final PlaneFrame frame;
  private final double near;
  private final double far;
  private final Geometry outline;

  private OpeningShape(PlaneFrame frame, double near, double far, Geometry outline) {
    this.frame = frame;
    this.near = near;
    this.far = far;
    this.outline = outline;
  }

  /**
   * @param body faces of what was cut out
   * @param frame of a face that looks out of its space
   */
  public static OpeningShape of(List<Polygon> body, PlaneFrame frame) {
    double near = Double.POSITIVE_INFINITY;
    double far = Double.NEGATIVE_INFINITY;
    List<Geometry> flat = new ArrayList<>();
    for (Polygon p : body) {
      for (Vec3 v : p.outer()) {
        double t = v.minus(frame.origin()).dot(frame.n());
        near = Math.min(near, t);
        far = Math.max(far, t);
      }
      if (Math.abs(p.normal().dot(frame.n())) > 1e-3) {
        Geometry g = frame.project(p);
        flat.add(g.isValid() ? g : g.buffer(0));
      }
    }
    Geometry outline = flat.isEmpty() ? FACTORY.createPolygon() : section(body, frame, near, far);
    return new OpeningShape(frame, near, far, outline == null ? Region.union(flat) : outline);
  }

  Geometry outline() {
    return outline;
  }

  /** Extent along the face's normal. */
  double depth() {
    return far - near;
  }

  /**
   * Whether it lies in the construction behind the face.
   *
   * @param thickness of the construction
   * @param off how far before or behind that it may stand
   */
  public boolean reaches(double thickness, double off) {
    double least = Math.min(DEEP, thickness / 2);
    boolean passes = Math.min(far, thickness + off) - Math.max(near, -off) > least;
    // spaces drawn to the middle of a wall touch within the opening
    boolean straddles = thickness < DEEP && near < -DEEP && far > DEEP;
    return !outline.isEmpty() && (passes || straddles);
  }

  /** Area of what lies within a polygon of the face's plane, in m². */
  public double areaWithin(Polygon p) {
    return RobustOverlay.intersection(outline, frame.project(p)).getArea();
  }

  /**
   * Where the body crosses the plane just behind the face; null where it does not, or is open
   * there. On the facets of a curved wall this is exact, where an outline would overlap the next
   * facet's.
   */
  private static Geometry section(List<Polygon> body, PlaneFrame frame, double near, double far) {
    if (near > SECTION - 1e-4 || far < SECTION + 1e-4) {
      return null;
    }
    List<Geometry> lines = new ArrayList<>();
    for (Polygon p : body) {
      List<Coordinate> at = new ArrayList<>();
      for (List<Vec3> ring : p.rings()) {
        for (int i = 0; i < ring.size(); i++) {
          Vec3 a = ring.get(i);
          Vec3 b = ring.get((i + 1) % ring.size());
          double ta = a.minus(frame.origin()).dot(frame.n()) - SECTION;
          double tb = b.minus(frame.origin()).dot(frame.n()) - SECTION;
          if (ta < 0 != tb < 0) {
            at.add(frame.to2d(a.lerp(b, ta / (ta - tb))));
          }
        }
      }
      at.sort(null);
      for (int i = 0; i + 1 < at.size(); i += 2) {
        if (at.get(i).distance(at.get(i + 1)) > 1e-6) {
          lines.add(FACTORY.createLineString(new Coordinate[] {at.get(i), at.get(i + 1)}));
        }
      }
    }
    if (lines.size() < 3) {
      return null;
    }
    Polygonizer rings = new Polygonizer(true);
    rings.add(UnaryUnionNG.union(lines, FACTORY, new PrecisionModel(1e5)));
    Geometry g = rings.getGeometry();
    return g.isEmpty() ? null : g.norm();
  }
}
