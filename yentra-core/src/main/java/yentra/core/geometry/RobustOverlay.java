package yentra.core.geometry;

import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.PrecisionModel;
import org.locationtech.jts.geom.TopologyException;
import org.locationtech.jts.geom.util.GeometryFixer;
import org.locationtech.jts.geom.util.PolygonExtracter;
import org.locationtech.jts.operation.overlayng.OverlayNG;
import org.locationtech.jts.operation.overlayng.OverlayNGRobust;
import org.locationtech.jts.operation.overlayng.UnaryUnionNG;

/**
 * Union, intersection and difference of polygons in one plane that also take outlines that cross
 * themselves (JTS OverlayNG).
 *
 * <p>Robustness: the overlay asks for valid input. Where that is not given, or where a polygon
 * turns inside out on the grid, the input is mended and the overlay made without a grid, with
 * growing snapping distances. What is valid gives the same area either way.
 *
 * <p>Results are in normal form: where a ring begins, and in which order parts come, depends on
 * nothing but the shape (the overlay itself leaves it to the places of objects in memory).
 */
public final class RobustOverlay {
  private RobustOverlay() {}

  /**
   * The union on a grid, so that edges that nearly coincide become one (snap rounding).
   *
   * @param grid how fine coordinates are taken
   */
  public static Geometry union(List<? extends Geometry> parts, PrecisionModel grid) {
    if (parts.size() == 1) {
      return parts.get(0);
    }
    List<Geometry> all = new ArrayList<>(parts);
    try {
      return UnaryUnionNG.union(all, new GeometryFactory(), grid).norm();
    } catch (TopologyException e) {
      return oneByOne(all.stream().map(GeometryFixer::fix).toList()).norm();
    }
  }

  private static Geometry oneByOne(List<Geometry> parts) {
    try {
      return OverlayNGRobust.union(parts);
    } catch (TopologyException e) {
      // many are united with an older overlay in the end, which gives up on near misses
      return parts.stream()
          .flatMap(g -> ((List<?>) PolygonExtracter.getPolygons(g)).stream())
          .map(Geometry.class::cast)
          .reduce((a, b) -> OverlayNGRobust.overlay(a, b, OverlayNG.UNION))
          .orElseGet(() -> new GeometryFactory().createPolygon());
    }
  }

  public static Geometry intersection(Geometry a, Geometry b) {
    return overlay(a, b, OverlayNG.INTERSECTION);
  }

  public static Geometry difference(Geometry a, Geometry b) {
    return overlay(a, b, OverlayNG.DIFFERENCE);
  }

  private static Geometry overlay(Geometry a, Geometry b, int operation) {
    try {
      return OverlayNGRobust.overlay(a, b, operation).norm();
    } catch (TopologyException e) {
      return OverlayNGRobust.overlay(GeometryFixer.fix(a), GeometryFixer.fix(b), operation).norm();
    }
  }
}
