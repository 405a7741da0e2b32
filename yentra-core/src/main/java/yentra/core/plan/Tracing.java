package yentra.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.locationtech.jts.algorithm.PointLocation;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LineSegment;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.operation.valid.IsValidOp;
import org.locationtech.jts.operation.valid.TopologyValidationError;
import yentra.core.envelope.UnreadableException;
import yentra.core.plan.PlanDocument.FloorPlan;
import yentra.core.plan.PlanDocument.Line;
import yentra.core.plan.PlanDocument.Outline;

/** Outlines and lines of floors, snapped onto what is drawn already. */
final class Tracing {
  private static final GeometryFactory FACTORY = new GeometryFactory();

  private Tracing() {}

  /**
   * The outlines and lines of a floor after snapping.
   *
   * @param outlines of each outline what its holes leave
   */
  record Traced(FloorPlan floor, List<List<Polygon>> outlines, List<Coordinate[]> segments) {}

  /**
   * Snaps the outlines of a floor and puts them into the drawing.
   *
   * @throws UnreadableException when an outline crosses itself or encloses nothing
   */
  static Traced outlines(FloorPlan floor, Drawn drawn, Areas areas) throws UnreadableException {
    List<List<Polygon>> outlines = new ArrayList<>();
    List<Coordinate[]> segments = new ArrayList<>();
    for (Outline o : floor.outlines()) {
      int[] number = {0};
      Polygon shell = sound(o, ring(o, o.corners(), drawn, segments, number));
      List<Polygon> holes = new ArrayList<>();
      for (List<PlanPoint> h : o.holes()) {
        Polygon hole = sound(o, ring(o, h, drawn, segments, number));
        if (!areas.left(hole, List.of(shell)).isEmpty()) {
          throw o.origin().refused("a hole reaches outside the outline. Draw it inside.");
        }
        holes.add(hole);
      }
      List<Polygon> floors = holes.isEmpty() ? List.of(shell) : areas.left(shell, holes);
      if (floors.isEmpty()) {
        throw o.origin().refused("its holes leave nothing of the outline. Draw them smaller.");
      }
      outlines.add(floors);
    }
    return new Traced(floor, outlines, segments);
  }

  /** Whether a point is within the outer edge of an outline, as it was drawn. */
  static boolean holds(Outline o, Coordinate c) {
    List<Coordinate> ring =
        new ArrayList<>(o.corners().stream().map(PlanPoint::coordinate).toList());
    ring.add(ring.get(0));
    return PointLocation.isInRing(c, ring.toArray(Coordinate[]::new));
  }

  private static Polygon sound(Outline o, Coordinate[] ring) throws UnreadableException {
    Polygon p = FACTORY.createPolygon(ring);
    TopologyValidationError e = new IsValidOp(p).getValidationError();
    if (e != null) {
      throw o.origin()
          .refused(
              String.format(
                  Locale.ROOT,
                  "the outline is not one that encloses a floor (%s at %.3f, %.3f). Draw it so that no side crosses another.",
                  e.getMessage().toLowerCase(Locale.ROOT),
                  e.getCoordinate().x,
                  e.getCoordinate().y));
    }
    return p;
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
      throw o.origin()
          .refused("the outline has fewer than three different corners. Draw at least three.");
    }
    ring.add(ring.get(0));
    for (int i = 0; i + 1 < ring.size(); i++) {
      drawn.add(ring.get(i), ring.get(i + 1), o.origin(), number[0]++, false);
      segments.add(new Coordinate[] {ring.get(i), ring.get(i + 1)});
    }
    return ring.stream().map(Coordinate::copy).toArray(Coordinate[]::new);
  }

  /** Snaps the lines of a floor onto its outlines and each other, and puts them in. */
  static void lines(Traced traced, Drawn drawn, double tolerance) {
    List<Coordinate[]> lines = new ArrayList<>();
    List<Line> of = new ArrayList<>();
    List<Coordinate[]> all = new ArrayList<>(traced.segments());
    for (Line l : traced.floor().lines()) {
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
          traced.segments().add(new Coordinate[] {p[i], p[i + 1]});
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
}
