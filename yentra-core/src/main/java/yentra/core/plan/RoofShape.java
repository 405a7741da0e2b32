package yentra.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;
import yentra.core.plan.PlanDocument.RoofRule;

/**
 * The planes of a roof over one part of the plan. Hipped roofs have the faces of the outline's
 * straight skeleton ({@link Wavefront}); a gable rises from both ends of the part, across its
 * ridge, to the middle; a shed from the right of its ridge to the left.
 */
final class RoofShape {
  private static final GeometryFactory FACTORY = new GeometryFactory();

  private RoofShape() {}

  /** A part of the plan under one plane. */
  record Facet(Polygon plan, Slope slope) {}

  /**
   * The facets, which together cover the part.
   *
   * @param eaves height at which the roof begins, m
   * @param areas overlays without slivers
   */
  static List<Facet> of(RoofRule rule, Polygon part, double eaves, Areas areas) {
    double rise = Math.tan(Math.toRadians(rule.pitch()));
    return switch (rule.kind()) {
      case FLAT -> List.of(new Facet(part, Slope.level(eaves)));
      case HIP -> hip(part, rise, eaves);
      case GABLE, SHED -> ridged(rule, part, rise, eaves, areas);
    };
  }

  private static List<Facet> hip(Polygon part, double rise, double eaves) {
    List<Coordinate[]> sides = Wavefront.sides(part);
    List<Facet> out = new ArrayList<>();
    for (Map.Entry<Integer, Geometry> e :
        Wavefront.of(part, Double.POSITIVE_INFINITY).faces().entrySet()) {
      Coordinate a = sides.get(e.getKey())[0];
      Coordinate b = sides.get(e.getKey())[1];
      double l = a.distance(b);
      double nx = -(b.y - a.y) / l;
      double ny = (b.x - a.x) / l;
      add(out, e.getValue(), Slope.rising(nx, ny, nx * a.x + ny * a.y, rise, eaves));
    }
    return out;
  }

  private static List<Facet> ridged(
      RoofRule rule, Polygon part, double rise, double eaves, Areas areas) {
    double along = Math.toRadians(rule.ridge());
    // to the left of the ridge's direction
    double nx = -Math.cos(along);
    double ny = Math.sin(along);
    double least = Double.POSITIVE_INFINITY;
    double most = Double.NEGATIVE_INFINITY;
    for (Coordinate c : part.getCoordinates()) {
      double d = nx * c.x + ny * c.y;
      least = Math.min(least, d);
      most = Math.max(most, d);
    }
    Slope up = Slope.rising(nx, ny, least, rise, eaves);
    if (rule.kind() == PlanDocument.RoofKind.SHED) {
      return List.of(new Facet(part, up));
    }
    double middle = (least + most) / 2;
    List<Facet> out = new ArrayList<>();
    Geometry right = half(part, nx, ny, middle);
    Slope down = Slope.rising(-nx, -ny, -most, rise, eaves);
    areas.common(part, right).forEach(p -> out.add(new Facet(p, up)));
    areas.left(part, List.of(right)).forEach(p -> out.add(new Facet(p, down)));
    return out;
  }

  /** What lies below a line across the normal, far beyond the part. */
  private static Geometry half(Polygon part, double nx, double ny, double at) {
    Coordinate c = part.getEnvelopeInternal().centre();
    double far = 2 * part.getEnvelopeInternal().getDiameter() + 10;
    double off = at - (nx * c.x + ny * c.y);
    double px = c.x + nx * off;
    double py = c.y + ny * off;
    Coordinate[] ring = new Coordinate[5];
    double[][] corners = {{-far, 0}, {far, 0}, {far, -far}, {-far, -far}};
    for (int i = 0; i < 4; i++) {
      double s = corners[i][0];
      double d = corners[i][1];
      ring[i] = new Coordinate(px - ny * s + nx * d, py + nx * s + ny * d);
    }
    ring[4] = ring[0].copy();
    return FACTORY.createPolygon(ring);
  }

  private static void add(List<Facet> out, Geometry plan, Slope slope) {
    for (int i = 0; i < plan.getNumGeometries(); i++) {
      if (plan.getGeometryN(i) instanceof Polygon p && !p.isEmpty()) {
        out.add(new Facet(p, slope));
      }
    }
  }
}
