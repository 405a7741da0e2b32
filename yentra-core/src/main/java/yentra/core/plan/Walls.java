package yentra.core.plan;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Rules;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Box;
import yentra.core.geometry.BoxIndex;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Straightening;
import yentra.core.geometry.Vec3;

/**
 * The upright surfaces of volumes: what two have in common, and what is left, above and below the
 * ground. Each side of each cell is a wall; walls that face each other in one plane are cut against
 * each other (overlay in that plane); what lies between cells of one volume is nothing. Pieces of
 * one volume with the same other side and source are one surface again.
 */
final class Walls {
  private static final GeometryFactory FACTORY = new GeometryFactory();

  /** Cosine from which on two walls face each other. */
  private static final double FACING = 0.9999;

  private final double tolerance;
  private final double sliver;
  private final Areas areas;
  private final double ground;
  private final Rules rules;
  private final Drawn drawn;
  private final List<Wall> walls = new ArrayList<>();

  private final Map<String, List<Part>> parts = new LinkedHashMap<>();

  /**
   * The wall over one side of a cell.
   *
   * @param a where it begins, seen with the air on the left
   * @param za height of its top there, m
   * @param zb height of its top at its end, m
   */
  private record Wall(Volume of, Coordinate a, Coordinate b, double za, double zb) {
    double length() {
      return a.distance(b);
    }

    double highest() {
      return Math.max(za, zb);
    }

    boolean isRectangle() {
      return za == zb;
    }

    /** Along the wall, upwards, outwards. */
    PlaneFrame frame() {
      Vec3 u = new Vec3(b.x - a.x, b.y - a.y, 0).unit();
      return new PlaneFrame(new Vec3(a.x, a.y, 0), u, Vec3.Z, u.cross(Vec3.Z));
    }

    Polygon flat() {
      double l = length();
      return outline(0, of.bottom(), l, of.bottom(), l, zb, 0, za);
    }
  }

  private static Polygon outline(double... xy) {
    List<Coordinate> ring = new ArrayList<>();
    for (int i = 0; i < xy.length; i += 2) {
      Coordinate c = new Coordinate(xy[i], xy[i + 1]);
      if (ring.isEmpty() || !ring.get(ring.size() - 1).equals2D(c)) {
        ring.add(c);
      }
    }
    if (!ring.get(0).equals2D(ring.get(ring.size() - 1))) {
      ring.add(ring.get(0).copy());
    }
    return ring.size() < 4
        ? FACTORY.createPolygon()
        : FACTORY.createPolygon(ring.toArray(Coordinate[]::new));
  }

  /** A part of a wall, in the wall's frame. */
  private record Part(Wall wall, Volume second, Geometry shape, Drawn.Segment drawn) {}

  private Walls(Rules rules, Drawn drawn, double ground, double sliver) {
    this.rules = rules;
    this.tolerance = rules.tolerance().length();
    this.drawn = drawn;
    this.ground = ground;
    this.sliver = sliver;
    this.areas = new Areas(tolerance);
  }

  /**
   * The upright surfaces.
   *
   * @param ground height of the ground, m
   * @param sliver what reaches less than this below the ground is not parted from the rest, m
   */
  static List<Piece> of(
      List<Volume> volumes, Drawn drawn, Rules rules, double ground, double sliver) {
    Walls w = new Walls(rules, drawn, ground, sliver);
    volumes.forEach(w::collect);
    w.match();
    return w.pieces();
  }

  private void collect(Volume v) {
    for (Volume.Cell c : v.cells()) {
      for (Coordinate[] s : Wavefront.sides(c.plan())) {
        Wall w = new Wall(v, s[0], s[1], c.top().at(s[0]), c.top().at(s[1]));
        if (w.length() > tolerance && w.highest() - v.bottom() > tolerance) {
          walls.add(w);
        }
      }
    }
  }

  private void match() {
    List<Box> boxes = new ArrayList<>();
    for (Wall w : walls) {
      boxes.add(
          Box.of(
                  List.of(
                      new Vec3(w.a.x, w.a.y, w.of.bottom()), new Vec3(w.b.x, w.b.y, w.highest())))
              .grown(tolerance));
    }
    BoxIndex index = new BoxIndex(boxes);
    List<List<Geometry>> taken = new ArrayList<>();
    walls.forEach(w -> taken.add(new ArrayList<>()));
    for (int i = 0; i < walls.size(); i++) {
      Wall w = walls.get(i);
      for (int j : index.meeting(boxes.get(i))) {
        if (j > i) {
          for (Geometry g : shared(w, walls.get(j))) {
            taken.get(i).add(g);
            taken.get(j).add(across(g, w, walls.get(j)));
            if (w.of != walls.get(j).of) {
              put(w, walls.get(j).of, g);
            }
          }
        }
      }
      rest(w, taken.get(i));
    }
  }

  /** What two walls that face each other have in common, in the frame of the first. */
  private List<Geometry> shared(Wall w, Wall o) {
    double l = w.length();
    double dx = (w.b.x - w.a.x) / l;
    double dy = (w.b.y - w.a.y) / l;
    if (dx * (o.a.x - o.b.x) + dy * (o.a.y - o.b.y) < FACING * o.length()
        || off(w, o.a, dx, dy) > tolerance
        || off(w, o.b, dx, dy) > tolerance) {
      return List.of();
    }
    double from = (o.b.x - w.a.x) * dx + (o.b.y - w.a.y) * dy;
    double to = (o.a.x - w.a.x) * dx + (o.a.y - w.a.y) * dy;
    double left = near(Math.max(0, from), 0);
    double right = near(Math.min(l, to), l);
    double low = Math.max(w.of.bottom(), o.of.bottom());
    if (right - left <= tolerance || Math.min(w.highest(), o.highest()) - low <= tolerance) {
      return List.of();
    }
    if (w.isRectangle() && o.isRectangle()) {
      double high = Math.min(w.za, o.za);
      return List.of(outline(left, low, right, low, right, high, left, high));
    }
    Polygon other =
        outline(
            near(from, 0),
            o.of.bottom(),
            near(to, l),
            o.of.bottom(),
            near(to, l),
            o.za,
            near(from, 0),
            o.zb);
    return List.copyOf(areas.common(w.flat(), other));
  }

  private double near(double s, double end) {
    return Math.abs(s - end) < tolerance ? end : s;
  }

  private static double off(Wall w, Coordinate c, double dx, double dy) {
    return Math.abs((c.x - w.a.x) * dy - (c.y - w.a.y) * dx);
  }

  /** The same shape in the frame of the wall on the other side. */
  private static Geometry across(Geometry g, Wall from, Wall to) {
    double l = to.length();
    double dx = (to.b.x - to.a.x) / l;
    double dy = (to.b.y - to.a.y) / l;
    double start = (from.a.x - to.a.x) * dx + (from.a.y - to.a.y) * dy;
    Coordinate[] ring = g.getCoordinates();
    Coordinate[] out = new Coordinate[ring.length];
    for (int i = 0; i < ring.length; i++) {
      out[ring.length - 1 - i] = new Coordinate(start - ring[i].x, ring[i].y);
    }
    return FACTORY.createPolygon(out);
  }

  /** What of a wall faces outdoor air or the ground. */
  private void rest(Wall w, List<Geometry> taken) {
    Polygon left = w.flat();
    double area = left.getArea();
    double slack = tolerance * left.getLength() / 2;
    for (Geometry g : taken) {
      area -= g.getArea();
    }
    if (area <= slack) {
      return;
    }
    for (Polygon g : areas.left(left, taken)) {
      double low = g.getEnvelopeInternal().getMinY();
      double high = g.getEnvelopeInternal().getMaxY();
      if (ground - low <= sliver) {
        put(w, null, g);
      } else if (high - ground <= sliver) {
        put(w, null, g);
      } else {
        double l = w.length();
        Geometry under = outline(-1, low - 1, l + 1, low - 1, l + 1, ground, -1, ground);
        areas.left(g, List.of(under)).forEach(p -> put(w, null, p));
        areas.common(g, under).forEach(p -> put(w, null, p));
      }
    }
  }

  private void put(Wall w, Volume second, Geometry shape) {
    double l = w.length();
    Envelope e = shape.getEnvelopeInternal();
    Coordinate a = along(w, e.getMinX() / l);
    Coordinate b = along(w, e.getMaxX() / l);
    Drawn.Segment d = drawn.along(a, b, w.of.drawn());
    if (d == null && second != null) {
      d = drawn.along(a, b, second.drawn());
    }
    String key =
        w.of.number()
            + "|"
            + (second == null ? below(shape) ? "ground" : "outdoors" : second.number())
            + "|"
            + (d == null ? "" : d.label());
    parts.computeIfAbsent(key, k -> new ArrayList<>()).add(new Part(w, second, shape, d));
  }

  private static Coordinate along(Wall w, double t) {
    return new Coordinate(w.a.x + (w.b.x - w.a.x) * t, w.a.y + (w.b.y - w.a.y) * t);
  }

  private boolean below(Geometry shape) {
    Envelope e = shape.getEnvelopeInternal();
    return e.getMaxY() - ground <= sliver && e.getMinY() < ground;
  }

  private List<Piece> pieces() {
    List<Piece> out = new ArrayList<>();
    for (List<Part> same : parts.values()) {
      List<Part> left = new ArrayList<>(same);
      while (!left.isEmpty()) {
        Part first = left.remove(0);
        List<Part> group = new ArrayList<>(List.of(first));
        for (var it = left.iterator(); it.hasNext(); ) {
          Part p = it.next();
          if (inFrame(p, first.wall) != null) {
            group.add(p);
            it.remove();
          }
        }
        Wall base = group.size() == 1 ? first.wall : over(group);
        List<Geometry> shapes = group.stream().map(p -> inFrame(p, base)).toList();
        PlaneFrame frame = base.frame();
        for (Polygon joined : areas.joined(shapes)) {
          frame.lift(joined).forEach(p -> out.add(piece(first, p)));
        }
      }
    }
    return out;
  }

  /** A wall along all parts of a group, from its first to its last point. */
  private static Wall over(List<Part> group) {
    Wall w = group.get(0).wall;
    double l = w.length();
    double dx = (w.b.x - w.a.x) / l;
    double dy = (w.b.y - w.a.y) / l;
    Comparator<Coordinate> way = Comparator.comparingDouble(c -> c.x * dx + c.y * dy);
    List<Coordinate> ends = new ArrayList<>();
    for (Part p : group) {
      Envelope e = p.shape.getEnvelopeInternal();
      ends.add(along(p.wall, e.getMinX() / p.wall.length()));
      ends.add(along(p.wall, e.getMaxX() / p.wall.length()));
    }
    return new Wall(w.of, Collections.min(ends, way), Collections.max(ends, way), w.za, w.zb);
  }

  /** The shape of a part in the frame of another wall, or null when it is not in its plane. */
  private Geometry inFrame(Part p, Wall w) {
    double l = w.length();
    double dx = (w.b.x - w.a.x) / l;
    double dy = (w.b.y - w.a.y) / l;
    Wall o = p.wall;
    if (dx * (o.b.x - o.a.x) + dy * (o.b.y - o.a.y) < FACING * o.length()
        || off(w, o.a, dx, dy) > tolerance
        || off(w, o.b, dx, dy) > tolerance) {
      return null;
    }
    double start = (o.a.x - w.a.x) * dx + (o.a.y - w.a.y) * dy;
    return org.locationtech.jts.geom.util.AffineTransformation.translationInstance(start, 0)
        .transform(p.shape);
  }

  private Piece piece(Part part, yentra.core.geometry.Polygon polygon) {
    Drawn.Segment d = part.drawn;
    boolean air = part.second != null && d != null && d.air();
    SurfaceType type =
        part.second != null
            ? air ? SurfaceType.AIR : rules.types().betweenSpaces(90)
            : below(part.shape)
                ? rules.types().ground(90, ground - part.shape.getEnvelopeInternal().getMaxY())
                : rules.types().outdoor(90);
    SourceRef source =
        d == null
            ? part.wall.of.space().source()
            : new SourceRef(
                d.origin().path().contains(".lines[") ? "Line" : "Outline",
                d.label(),
                "",
                d.origin().line(),
                d.origin().column());
    return new Piece(
        part.wall.of,
        part.second,
        type,
        air ? BoundaryKind.VIRTUAL : BoundaryKind.DERIVED_2A,
        Straightening.of(polygon, rules.tolerance()),
        source);
  }
}
