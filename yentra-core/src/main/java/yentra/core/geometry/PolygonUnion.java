package yentra.core.geometry;

import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.PrecisionModel;
import org.locationtech.jts.geom.TopologyException;
import org.locationtech.jts.geom.util.GeometryFixer;
import org.locationtech.jts.operation.overlayng.OverlayNGRobust;
import org.locationtech.jts.operation.overlayng.UnaryUnionNG;

/**
 * The union of polygons in one plane, on a grid so that edges that nearly coincide become one (snap
 * rounding, JTS OverlayNG).
 *
 * <p>Robustness: polygons that cross themselves or turn inside out on the grid break the rule of
 * the overlay that its input is valid. They are then mended one by one, and joined without a grid
 * with growing snapping distances ({@link OverlayNGRobust}).
 */
public final class PolygonUnion {
  private PolygonUnion() {}

  /**
   * @param grid how fine coordinates are taken
   */
  public static Geometry of(List<? extends Geometry> parts, PrecisionModel grid) {
    if (parts.size() == 1) {
      return parts.get(0);
    }
    List<Geometry> all = new ArrayList<>(parts);
    try {
      return UnaryUnionNG.union(all, new GeometryFactory(), grid);
    } catch (TopologyException e) {
      // the slower way gives the same area for what is valid, and an area for what is not
      return OverlayNGRobust.union(all.stream().map(GeometryFixer::fix).toList());
    }
  }
}
