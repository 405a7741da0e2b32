package yentra.core.geometry;

import java.util.List;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.PrecisionModel;

/**
 * Intersection, difference and union of polygons in one plane. The second polygon is projected
 * orthogonally onto the plane of the first; how far they are apart is for the caller to judge.
 * Polygons that cross themselves are taken as the area they enclose by the even-odd rule. Method:
 * {@link RobustOverlay}.
 */
public final class PlanarOverlay {
  /** Unions are rounded to a thousandth of a millimetre, so that edges that should coincide do. */
  private static final PrecisionModel MERGE = new PrecisionModel(1e6);

  private PlanarOverlay() {}

  /** The area in square metres that the projection of {@code b} shares with {@code a}. */
  public static double commonArea(Polygon a, Polygon b) {
    double quick = ConvexClip.commonArea(a, b);
    return Double.isNaN(quick) ? common(a, b).getArea() : quick;
  }

  /**
   * The area in square metres of the projection of {@code inner} that lies outside {@code outer}.
   */
  public static double areaOutside(Polygon inner, Polygon outer) {
    double within = ConvexClip.commonArea(outer, inner);
    if (!Double.isNaN(within)) {
      double tilted = Math.abs(inner.areaVector().dot(outer.normal()));
      return Math.max(0, tilted - within);
    }
    PlaneFrame frame = PlaneFrame.of(outer.plane());
    return RobustOverlay.difference(valid(frame.project(inner)), valid(frame.project(outer)))
        .getArea();
  }

  /**
   * The parts of the projection of {@code b} that lie within {@code a}, in the plane and direction
   * of {@code a}.
   */
  public static List<Polygon> intersection(Polygon a, Polygon b) {
    return PlaneFrame.of(a.plane()).lift(common(a, b));
  }

  /** The parts of {@code a} that the projection of {@code b} does not cover. */
  public static List<Polygon> difference(Polygon a, Polygon b) {
    PlaneFrame frame = PlaneFrame.of(a.plane());
    return frame.lift(RobustOverlay.difference(valid(frame.project(a)), valid(frame.project(b))));
  }

  /**
   * Coplanar polygons as one region each where they touch, in the plane and direction of the first.
   */
  public static List<Polygon> union(List<Polygon> coplanar) {
    PlaneFrame frame = PlaneFrame.of(coplanar.get(0).plane());
    List<Geometry> parts = coplanar.stream().map(p -> valid(frame.project(p))).toList();
    return frame.lift(RobustOverlay.union(parts, MERGE));
  }

  private static Geometry common(Polygon a, Polygon b) {
    PlaneFrame frame = PlaneFrame.of(a.plane());
    return RobustOverlay.intersection(valid(frame.project(a)), valid(frame.project(b)));
  }

  private static Geometry valid(Geometry g) {
    return g.isValid() ? g : org.locationtech.jts.geom.util.GeometryFixer.fix(g);
  }
}
