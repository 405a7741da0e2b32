package yentra.core.plan;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import org.locationtech.jts.algorithm.locate.IndexedPointInAreaLocator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LineSegment;
import org.locationtech.jts.geom.Location;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.operation.valid.IsValidOp;
import org.locationtech.jts.operation.valid.TopologyValidationError;
import yentra.core.envelope.UnreadableException;
import yentra.core.plan.PlanDocument.FloorPlan;
import yentra.core.plan.PlanDocument.Label;
import yentra.core.plan.PlanDocument.Line;
import yentra.core.plan.PlanDocument.Outline;

/** What the outlines, lines and bands of one storey make: faces, each with what it is known by. */
final class FloorLayout {
  private static final GeometryFactory FACTORY = new GeometryFactory();

  /** A label this far outside a face is still in it, m. */
  private static final double ON_EDGE = 1e-4;

  /**
   * What a line leaves of a band that is smaller than this is no room, and goes with its neighbour
   * across the band's edge, m².
   */
  private static final double SCRAP = 1;

  private final List<Face> faces = new ArrayList<>();

  /** Labels that lie in no face, or in one that has its label already. */
  private final List<Label> astray = new ArrayList<>();

  /**
   * A face.
   *
   * @param label what the person says of it, or null
   * @param part what of an outline's band it is, or null
   */
  record Face(Polygon plan, Label label, Part part) {}

  /**
   * A part of the perimeter band, or the core.
   *
   * @param outline label of the outline
   * @param side number of the side; −1 for the core
   * @param azimuth which way the side faces, from the drawing's y axis, degrees
   */
  record Part(String outline, int side, double azimuth) {}

  private record Area(IndexedPointInAreaLocator in, Part part) {
    boolean holds(Coordinate c) {
      return in.locate(c) != Location.EXTERIOR;
    }
  }

  /** The outlines and lines of a floor after snapping. */
  record Traced(FloorPlan floor, List<Polygon> outlines, List<Coordinate[]> segments) {}

  private FloorLayout() {}

  List<Face> faces() {
    return faces;
  }

  List<Label> astray() {
    return astray;
  }

  /**
   * Snaps the outlines of a floor and puts them into the drawing.
   *
   * @throws UnreadableException when an outline crosses itself or encloses nothing
   */
  static Traced outlines(FloorPlan floor, Drawn drawn) throws UnreadableException {
    List<Polygon> outlines = new ArrayList<>();
    List<Coordinate[]> segments = new ArrayList<>();
    for (Outline o : floor.outlines()) {
      int[] number = {0};
      Coordinate[] shell = ring(o, o.corners(), drawn, segments, number);
      List<org.locationtech.jts.geom.LinearRing> holes = new ArrayList<>();
      for (List<PlanPoint> h : o.holes()) {
        holes.add(FACTORY.createLinearRing(ring(o, h, drawn, segments, number)));
      }
      Polygon p =
          FACTORY.createPolygon(
              FACTORY.createLinearRing(shell),
              holes.toArray(org.locationtech.jts.geom.LinearRing[]::new));
      TopologyValidationError e = new IsValidOp(p).getValidationError();
      if (e != null) {
        throw wrong(
            o.origin(),
            String.format(
                java.util.Locale.ROOT,
                "the outline is not one that encloses a floor (%s at %.3f, %.3f). Draw it so that no side crosses another and holes lie inside.",
                e.getMessage().toLowerCase(java.util.Locale.ROOT),
                e.getCoordinate().x,
                e.getCoordinate().y));
      }
      outlines.add(p);
    }
    return new Traced(floor, outlines, segments);
  }

  private static Coordinate[] ring(
      Outline o, List<PlanPoint> corners, Drawn drawn, List<Coordinate[]> segments, int[] number)
      throws UnreadableException {
    List<Coordinate> ring = new ArrayList<>();
    for (PlanPoint p : corners) {
      Coordinate c = drawn.snapped(p);
      Areas.GRID.makePrecise(c);
      if (ring.isEmpty() || !ring.get(ring.size() - 1).equals2D(c)) {
        ring.add(c);
      }
    }
    while (ring.size() > 1 && ring.get(0).equals2D(ring.get(ring.size() - 1))) {
      ring.remove(ring.size() - 1);
    }
    if (ring.size() < 3) {
      throw wrong(
          o.origin(), "the outline has fewer than three different corners. Draw at least three.");
    }
    ring.add(ring.get(0));
    for (int i = 0; i + 1 < ring.size(); i++) {
      drawn.add(ring.get(i), ring.get(i + 1), o.origin(), number[0]++, false);
      segments.add(new Coordinate[] {ring.get(i), ring.get(i + 1)});
    }
    return ring.stream().map(Coordinate::copy).toArray(Coordinate[]::new);
  }

  static UnreadableException wrong(PlanDocument.Origin at, String what) {
    String id = at.id() == null ? "" : " (" + at.id() + ")";
    return new UnreadableException(at.path() + id + ": " + what, at.line(), at.column());
  }

  /** Snaps the lines of a floor onto its outlines and each other, and puts them in. */
  static void lines(Traced traced, Drawn drawn, double tolerance) {
    List<Coordinate[]> lines = new ArrayList<>();
    List<Line> of = new ArrayList<>();
    List<Coordinate[]> all = new ArrayList<>(traced.segments);
    for (Line l : traced.floor.lines()) {
      Coordinate[] points = l.points().stream().map(drawn::snapped).toArray(Coordinate[]::new);
      lines.add(points);
      of.add(l);
      for (int i = 0; i + 1 < points.length; i++) {
        all.add(new Coordinate[] {points[i], points[i + 1]});
      }
    }
    for (int k = 0; k < lines.size(); k++) {
      Coordinate[] p = lines.get(k);
      int last = p.length - 1;
      p[0] = reached(p[1], p[0], all, tolerance);
      p[last] = reached(p[last - 1], p[last], all, tolerance);
      for (int i = 0; i + 1 < p.length; i++) {
        if (!p[i].equals2D(p[i + 1])) {
          drawn.add(p[i], p[i + 1], of.get(k).origin(), i, of.get(k).air());
          traced.segments.add(new Coordinate[] {p[i], p[i + 1]});
        }
      }
    }
  }

  /** The end of a line, lengthened to the nearest segment within the tolerance. */
  private static Coordinate reached(
      Coordinate from, Coordinate end, List<Coordinate[]> segments, double tolerance) {
    double l = from.distance(end);
    if (l == 0) {
      return end;
    }
    double k = (l + tolerance) / l;
    LineSegment way =
        new LineSegment(
            end, new Coordinate(from.x + (end.x - from.x) * k, from.y + (end.y - from.y) * k));
    Coordinate best = end;
    double least = Double.POSITIVE_INFINITY;
    for (Coordinate[] s : segments) {
      LineSegment other = new LineSegment(s[0], s[1]);
      if (other.distance(end) > tolerance || s[0].equals2D(end) || s[1].equals2D(end)) {
        continue;
      }
      Coordinate c = way.intersection(other);
      if (c != null && c.distance(end) < least) {
        least = c.distance(end);
        best = c;
      }
    }
    return best;
  }

  /**
   * The faces of the floors of one storey.
   *
   * @param tolerance what is narrower is no face, m
   * @throws UnreadableException when an outline is too tangled for a band
   */
  static FloorLayout of(List<Traced> floors, double tolerance) throws UnreadableException {
    FloorLayout out = new FloorLayout();
    List<Coordinate[]> segments = new ArrayList<>();
    List<Area> inside = new ArrayList<>();
    List<Area> parts = new ArrayList<>();
    List<Label> labels = new ArrayList<>();
    for (Traced t : floors) {
      segments.addAll(t.segments);
      labels.addAll(t.floor.labels());
      for (int i = 0; i < t.outlines.size(); i++) {
        Polygon p = t.outlines.get(i);
        inside.add(new Area(new IndexedPointInAreaLocator(p), null));
        if (t.floor.bandDepth() != null) {
          bands(t.floor.outlines().get(i), p, t.floor.bandDepth(), segments, parts);
        }
      }
    }
    Predicate<Polygon> strip = p -> 2 * p.getArea() < tolerance * p.getLength();
    Function<Polygon, Part> of =
        p -> {
          Coordinate c = Arrangement.inside(p);
          return parts.stream().filter(a -> a.holds(c)).map(Area::part).findFirst().orElse(null);
        };
    Set<Coordinate> drawn = new HashSet<>();
    for (Traced t : floors) {
      t.segments.forEach(x -> drawn.addAll(List.of(x)));
    }
    Arrangement cut =
        Arrangement.of(segments)
            .withoutShort(tolerance, drawn)
            .without(strip, (f, e) -> true)
            .without(
                p -> p.getArea() < SCRAP && of.apply(p) != null, (f, e) -> !isDrawn(e, floors));
    List<Polygon> plans = new ArrayList<>();
    for (Polygon p : cut.faces()) {
      Coordinate c = Arrangement.inside(p);
      if (!strip.test(p) && inside.stream().anyMatch(a -> a.holds(c))) {
        plans.add(p);
      }
    }
    Label[] named = out.named(plans, labels);
    for (int i = 0; i < plans.size(); i++) {
      out.faces.add(new Face(plans.get(i), named[i], of.apply(plans.get(i))));
    }
    return out;
  }

  /** Whether an edge lies on an outline or a line, not only on the edge of a band. */
  private static boolean isDrawn(LineSegment edge, List<Traced> floors) {
    Coordinate middle = edge.midPoint();
    for (Traced t : floors) {
      for (Coordinate[] s : t.segments) {
        if (new LineSegment(s[0], s[1]).distance(middle) < ON_EDGE) {
          return true;
        }
      }
    }
    return false;
  }

  private static void bands(
      Outline outline, Polygon p, double depth, List<Coordinate[]> segments, List<Area> parts)
      throws UnreadableException {
    Polygon straight = straight(p);
    Wavefront.Result w;
    try {
      w = Wavefront.of(straight, depth);
    } catch (IllegalStateException e) {
      throw wrong(outline.origin(), "no band can be cut along this outline. Draw it with lines.");
    }
    List<Coordinate[]> sides = Wavefront.sides(straight);
    for (Map.Entry<Integer, Geometry> e : w.faces().entrySet()) {
      Coordinate a = sides.get(e.getKey())[0];
      Coordinate b = sides.get(e.getKey())[1];
      // outward is to the right of the side
      double azimuth = Math.toDegrees(Math.atan2(b.y - a.y, a.x - b.x));
      Part part =
          new Part(outline.origin().label(), e.getKey(), azimuth < 0 ? azimuth + 360 : azimuth);
      part(e.getValue(), part, segments, parts);
    }
    for (Polygon rest : w.rest()) {
      part(rest, new Part(outline.origin().label(), -1, 0), segments, parts);
    }
  }

  private static void part(
      Geometry area, Part part, List<Coordinate[]> segments, List<Area> parts) {
    parts.add(new Area(new IndexedPointInAreaLocator(area), part));
    for (Geometry ring :
        org.locationtech.jts.geom.util.LinearComponentExtracter.getLines(area) instanceof List<?> l
            ? l.stream().map(Geometry.class::cast).toList()
            : List.<Geometry>of()) {
      Coordinate[] c = ring.getCoordinates();
      for (int i = 0; i + 1 < c.length; i++) {
        segments.add(new Coordinate[] {c[i], c[i + 1]});
      }
    }
  }

  /** Without corners that lie on the straight line between their neighbours. */
  private static Polygon straight(Polygon p) {
    org.locationtech.jts.geom.LinearRing[] holes =
        new org.locationtech.jts.geom.LinearRing[p.getNumInteriorRing()];
    for (int h = 0; h < holes.length; h++) {
      holes[h] = straight(p.getInteriorRingN(h));
    }
    return FACTORY.createPolygon(straight(p.getExteriorRing()), holes);
  }

  private static org.locationtech.jts.geom.LinearRing straight(
      org.locationtech.jts.geom.LinearRing ring) {
    List<Coordinate> out = new ArrayList<>(List.of(ring.getCoordinates()));
    out.remove(out.size() - 1);
    for (int i = 0; i < out.size() && out.size() > 3; ) {
      Coordinate a = out.get((i + out.size() - 1) % out.size());
      Coordinate b = out.get((i + 1) % out.size());
      if (new LineSegment(a, b).distance(out.get(i)) < 1e-5) {
        out.remove(i);
        i = Math.max(0, i - 1);
      } else {
        i++;
      }
    }
    out.add(out.get(0));
    return FACTORY.createLinearRing(out.toArray(Coordinate[]::new));
  }

  private Label[] named(List<Polygon> plans, List<Label> labels) {
    Label[] out = new Label[plans.size()];
    for (Label l : labels) {
      Coordinate c = l.at().coordinate();
      int face = -1;
      double least = ON_EDGE;
      for (int i = 0; i < plans.size(); i++) {
        Polygon p = plans.get(i);
        if (p.getEnvelopeInternal().distance(new Envelope(c)) < least) {
          // of two faces that meet in the point, the first
          double d = p.distance(FACTORY.createPoint(c));
          if (d < least) {
            least = d;
            face = i;
          }
        }
      }
      if (face < 0 || out[face] != null) {
        astray.add(l);
      } else {
        out[face] = l;
      }
    }
    return out;
  }

  /** Whether a segment was drawn on one of these floors. */
  static Predicate<Drawn.Segment> drawnOn(List<FloorPlan> floors) {
    return s ->
        floors.stream().anyMatch(f -> s.origin().path().startsWith(f.origin().path() + "."));
  }
}
