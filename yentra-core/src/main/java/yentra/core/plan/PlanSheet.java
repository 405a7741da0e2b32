package yentra.core.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.LinearRing;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.envelope.UnreadableException;
import yentra.core.geometry.Vec3;

/**
 * What a drawn building is in plan: rooms and openings of each storey, in metres and in the axes of
 * the drawing.
 */
public record PlanSheet(List<DrawnRoom> rooms, List<DrawnOpening> openings) {
  public PlanSheet {
    rooms = List.copyOf(rooms);
    openings = List.copyOf(openings);
  }

  /**
   * A room on its storey.
   *
   * @param key of the space
   * @param storey name
   * @param named whether a person gave the name
   * @param area of its floor, m²
   * @param inside a point within it, where a name can stand
   * @param rings the outer edge, then holes; open
   */
  public record DrawnRoom(
      String key,
      String storey,
      String name,
      boolean named,
      String use,
      double area,
      PlanPoint inside,
      List<List<PlanPoint>> rings) {}

  /**
   * An opening in a wall.
   *
   * @param key of the opening
   * @param storey name of the storey whose room it belongs to
   * @param source id of what fitted it, or its path in the document
   */
  public record DrawnOpening(
      String key, String storey, OpeningType type, String source, PlanPoint from, PlanPoint to) {}

  /**
   * Draws up the plan.
   *
   * @param envelope that the document gives
   * @throws UnreadableException when the document makes no envelope
   */
  public static PlanSheet of(PlanDocument document, Envelope envelope, Rules rules)
      throws UnreadableException {
    List<DrawnRoom> rooms = new ArrayList<>();
    Map<String, String> storeys = new HashMap<>();
    for (Volume v : Stacking.of(document, rules).volumes()) {
      Space s = v.space();
      storeys.put(s.key(), v.storey().name());
      if (s.source().elementClass().equals("Roof")) {
        continue;
      }
      List<List<PlanPoint>> rings = new ArrayList<>();
      rings.add(points(v.footprint().getExteriorRing()));
      for (int h = 0; h < v.footprint().getNumInteriorRing(); h++) {
        rings.add(points(v.footprint().getInteriorRingN(h)));
      }
      Coordinate c = Arrangement.inside(v.footprint());
      rooms.add(
          new DrawnRoom(
              s.key(),
              v.storey().name(),
              s.name(),
              s.source().elementClass().equals("Label") && !s.source().name().isEmpty(),
              s.use(),
              v.footprint().getArea(),
              new PlanPoint(c.x, c.y),
              rings));
    }
    List<DrawnOpening> openings = new ArrayList<>();
    for (Surface s : envelope.surfaces()) {
      for (Opening o : s.openings()) {
        String storey = s.sides().isEmpty() ? null : storeys.get(s.sides().get(0).space());
        if (storey != null && rules.types().isUpright(s.polygon().tilt())) {
          openings.add(gap(o, storey));
        }
      }
    }
    return new PlanSheet(rooms, openings);
  }

  private static List<PlanPoint> points(LinearRing ring) {
    List<PlanPoint> out = new ArrayList<>();
    for (int i = 0; i + 1 < ring.getNumPoints(); i++) {
      out.add(new PlanPoint(ring.getCoordinateN(i).x, ring.getCoordinateN(i).y));
    }
    return out;
  }

  /** An opening seen from above: its ends are the corners that are farthest apart. */
  private static DrawnOpening gap(Opening o, String storey) {
    List<Vec3> corners = o.polygon().outer();
    Vec3 from = corners.get(0);
    Vec3 to = from;
    double most = -1;
    for (Vec3 a : corners) {
      for (Vec3 b : corners) {
        double d = Math.hypot(a.x() - b.x(), a.y() - b.y());
        if (d > most) {
          most = d;
          from = a;
          to = b;
        }
      }
    }
    return new DrawnOpening(
        o.key(),
        storey,
        o.type(),
        o.source().id(),
        new PlanPoint(from.x(), from.y()),
        new PlanPoint(to.x(), to.y()));
  }
}
