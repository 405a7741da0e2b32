package yentra.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Predicate;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.LineSegment;
import org.locationtech.jts.index.quadtree.Quadtree;
import yentra.core.plan.PlanDocument.Origin;

/**
 * The segments of a drawing with what they came from. Corners and ends that come within the drawing
 * tolerance of what is there already are moved onto it, so that walls drawn twice, on one storey or
 * on several, are one.
 */
final class Drawn {
  /** A segment. {@code air} is true where nothing stands. */
  record Segment(LineSegment line, Origin origin, int number, boolean air) {
    /** What it is, as the source of a wall: "floors[0].outlines[0].2". */
    String label() {
      return origin.label() + "." + number;
    }
  }

  private final double tolerance;
  private final Quadtree corners = new Quadtree();
  private final Quadtree segments = new Quadtree();

  Drawn(double tolerance) {
    this.tolerance = tolerance;
  }

  /**
   * The place of a corner: on a corner that is there, else on a segment, else where it was drawn.
   */
  Coordinate snapped(PlanPoint p) {
    Coordinate c = p.coordinate();
    Envelope near = new Envelope(c);
    near.expandBy(tolerance);
    Coordinate best = null;
    for (Object o : corners.query(near)) {
      Coordinate k = (Coordinate) o;
      if (k.distance(c) <= tolerance && (best == null || closer(k, best, c))) {
        best = k;
      }
    }
    if (best == null) {
      Segment on = null;
      for (Object o : segments.query(near)) {
        Segment s = (Segment) o;
        if (s.line.distance(c) <= tolerance && (on == null || closer(s, on, c))) {
          on = s;
        }
      }
      best = on == null ? c : on.line.closestPoint(c);
      corners.insert(new Envelope(best), best);
    }
    return best;
  }

  private static boolean closer(Coordinate a, Coordinate b, Coordinate to) {
    int d = Double.compare(a.distance(to), b.distance(to));
    return d < 0 || d == 0 && a.compareTo(b) < 0;
  }

  private static boolean closer(Segment a, Segment b, Coordinate to) {
    int d = Double.compare(a.line.distance(to), b.line.distance(to));
    return d < 0 || d == 0 && a.label().compareTo(b.label()) < 0;
  }

  /** Puts in what is drawn between two corners that were snapped. */
  Segment add(Coordinate a, Coordinate b, Origin origin, int number, boolean air) {
    Segment s = new Segment(new LineSegment(a, b), origin, number, air);
    segments.insert(new Envelope(a, b), s);
    return s;
  }

  /**
   * What a piece of wall was drawn by, or null: the segment that runs along it. Where several do,
   * the one drawn first.
   *
   * @param of which segments to look at
   */
  Segment along(Coordinate a, Coordinate b, Predicate<Segment> of) {
    Coordinate middle = LineSegment.midPoint(a, b);
    double most = tolerance / 10 + 1e-5;
    Envelope near = new Envelope(middle);
    near.expandBy(most);
    List<Segment> found = new ArrayList<>();
    double length = a.distance(b);
    for (Object o : segments.query(near)) {
      Segment s = (Segment) o;
      double dx = (s.line.p1.x - s.line.p0.x) / s.line.getLength();
      double dy = (s.line.p1.y - s.line.p0.y) / s.line.getLength();
      double across = Math.abs(dx * (b.y - a.y) - dy * (b.x - a.x)) / length;
      if (across < 0.02 && s.line.distance(middle) <= most && of.test(s)) {
        found.add(s);
      }
    }
    return found.stream().min(Comparator.comparing(Segment::label)).orElse(null);
  }
}
