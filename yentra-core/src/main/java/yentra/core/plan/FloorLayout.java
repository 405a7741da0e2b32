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
import org.locationtech.jts.geom.LinearRing;
import org.locationtech.jts.geom.Location;
import org.locationtech.jts.geom.Polygon;
import yentra.core.envelope.UnreadableException;
import yentra.core.plan.PlanDocument.FloorPlan;
import yentra.core.plan.PlanDocument.Label;
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

  private FloorLayout() {}

  List<Face> faces() {
    return faces;
  }

  List<Label> astray() {
    return astray;
  }

  /**
   * The faces of the floors of one storey.
   *
   * @param tolerance what is narrower is no face, m
   * @throws UnreadableException when an outline is too tangled for a band
   */
  static FloorLayout of(List<Tracing.Traced> floors, double tolerance) throws UnreadableException {
    FloorLayout out = new FloorLayout();
    List<Coordinate[]> segments = new ArrayList<>();
    List<Area> inside = new ArrayList<>();
    List<Area> parts = new ArrayList<>();
    List<Label> labels = new ArrayList<>();
    for (Tracing.Traced t : floors) {
      segments.addAll(t.segments());
      labels.addAll(t.floor().labels());
      for (int i = 0; i < t.outlines().size(); i++) {
        for (Polygon p : t.outlines().get(i)) {
          inside.add(new Area(new IndexedPointInAreaLocator(p), null));
          if (t.floor().bandDepth() != null) {
            bands(t.floor().outlines().get(i), p, t.floor().bandDepth(), segments, parts);
          }
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
    for (Tracing.Traced t : floors) {
      t.segments().forEach(x -> drawn.addAll(List.of(x)));
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
  private static boolean isDrawn(LineSegment edge, List<Tracing.Traced> floors) {
    Coordinate middle = edge.midPoint();
    for (Tracing.Traced t : floors) {
      for (Coordinate[] s : t.segments()) {
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
      throw outline.origin().refused("no band can be cut along this outline. Draw it with lines.");
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
    for (int g = 0; g < area.getNumGeometries(); g++) {
      segments.addAll(Wavefront.sides((Polygon) area.getGeometryN(g)));
    }
  }

  /** Without corners that lie on the straight line between their neighbours. */
  private static Polygon straight(Polygon p) {
    LinearRing[] holes = new LinearRing[p.getNumInteriorRing()];
    for (int h = 0; h < holes.length; h++) {
      holes[h] = straight(p.getInteriorRingN(h));
    }
    return FACTORY.createPolygon(straight(p.getExteriorRing()), holes);
  }

  private static LinearRing straight(LinearRing ring) {
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

  /** Whether a point is on a face, or all but. */
  static boolean holds(Polygon face, Coordinate c) {
    return face.getEnvelopeInternal().distance(new Envelope(c)) < ON_EDGE
        && face.distance(FACTORY.createPoint(c)) < ON_EDGE;
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
