package yentra.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.locationtech.jts.algorithm.Orientation;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.CoordinateArrays;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.noding.NodedSegmentString;
import org.locationtech.jts.noding.SegmentString;
import org.locationtech.jts.noding.snap.SnappingNoder;
import yentra.core.geometry.RobustOverlay;

/**
 * All sides of an outline moved inwards at one speed: what each side passes over until it meets
 * others (the faces of the straight skeleton), and what is left after a distance.
 *
 * <p>Method: the wavefront of O. Aichholzer, F. Aurenhammer, D. Alberts and B. Gärtner, "A novel
 * type of skeleton for polygons", Journal of Universal Computer Science 1 (1995): the next moment
 * at which a side vanishes or a reflex corner meets a side is worked out, and the outline is made
 * anew there. It is made anew from nothing but its segments: they are noded, those that run both
 * ways cancel, and what is left are its rings, so that any number of events at one moment are one
 * case. Positions follow from the lines of the original sides, so errors do not add up.
 *
 * <p>Time: number of events × sides × reflex corners.
 */
final class Wavefront {
  /** Lengths and distances below this are none, m. */
  private static final double EPSILON = 1e-6;

  /** Corners of the moved front closer than this to another side are on it, m. */
  private static final double NEAR = 5e-5;

  private static final GeometryFactory FACTORY = new GeometryFactory();

  /** What changes more slowly than this does not change. */
  private static final double STILL = 1e-12;

  /** A corner turns one way or the other when the sine of its angle is more than this. */
  private static final double TURN = 1e-9;

  /**
   * Sides that go on the same way within this sine are one line: where they meet would be a matter
   * of rounding.
   */
  private static final double STRAIGHT = 1e-4;

  private final FrontSide[] lines;
  private final Map<Integer, List<Geometry>> swept = new TreeMap<>();
  private List<Ring> rings;
  private double time;

  private Wavefront(FrontSide[] lines, List<Ring> rings) {
    this.lines = lines;
    this.rings = rings;
  }

  /**
   * What the sides pass over.
   *
   * @param faces by number of side; sides are counted over all rings in the order of {@link
   *     #sides(Polygon)}
   * @param rest what no side has reached
   */
  record Result(Map<Integer, Geometry> faces, List<Polygon> rest) {}

  /** A ring of the front: corners with the number of the side that begins there; inside is left. */
  private record Ring(Coordinate[] corners, int[] sides) {
    int size() {
      return sides.length;
    }

    int next(int i) {
      return i + 1 == sides.length ? 0 : i + 1;
    }

    int before(int i) {
      return i == 0 ? sides.length - 1 : i - 1;
    }
  }

  /**
   * The sides of an outline in the order in which they are numbered: begin and end, inside on the
   * left.
   */
  static List<Coordinate[]> sides(Polygon outline) {
    List<Coordinate[]> out = new ArrayList<>();
    for (Coordinate[] ring : rings(outline)) {
      for (int i = 0; i + 1 < ring.length; i++) {
        out.add(new Coordinate[] {ring[i], ring[i + 1]});
      }
    }
    return out;
  }

  /** Closed rings, the outer one counter-clockwise, holes clockwise. */
  private static List<Coordinate[]> rings(Polygon outline) {
    List<Coordinate[]> out = new ArrayList<>();
    out.add(turned(outline.getExteriorRing().getCoordinates(), true));
    for (int h = 0; h < outline.getNumInteriorRing(); h++) {
      out.add(turned(outline.getInteriorRingN(h).getCoordinates(), false));
    }
    return out;
  }

  private static Coordinate[] turned(Coordinate[] ring, boolean counterClockwise) {
    if (Orientation.isCCW(ring) == counterClockwise) {
      return ring;
    }
    Coordinate[] out = ring.clone();
    CoordinateArrays.reverse(out);
    return out;
  }

  /**
   * Moves the sides of a valid outline inwards.
   *
   * @param farthest how far, m; infinite until nothing is left
   */
  static Result of(Polygon outline, double farthest) {
    List<FrontSide> lines = new ArrayList<>();
    List<Ring> rings = new ArrayList<>();
    for (Coordinate[] ring : rings(outline)) {
      int[] sides = new int[ring.length - 1];
      for (int i = 0; i < sides.length; i++) {
        sides[i] = lines.size();
        lines.add(FrontSide.between(ring[i], ring[i + 1]));
      }
      rings.add(new Ring(Arrays.copyOf(ring, ring.length - 1), sides));
    }
    Wavefront w = new Wavefront(lines.toArray(FrontSide[]::new), rings);
    w.run(farthest);
    Map<Integer, Geometry> faces = new TreeMap<>();
    MeetingCorners corners = new MeetingCorners(NEAR, outline);
    w.swept.forEach(
        (side, parts) -> faces.put(side, corners.of(RobustOverlay.union(parts, Areas.GRID))));
    return new Result(faces, w.rest());
  }

  private void run(double farthest) {
    int most = 20 * lines.length + 20;
    for (int i = 0; !rings.isEmpty() && time < farthest; i++) {
      if (i > most) {
        throw new IllegalStateException("a wavefront did not come to its end");
      }
      double next = Math.min(farthest, Math.max(time + EPSILON / 10, nextEvent()));
      advance(next);
    }
  }

  /** How far corner {@code i} of a ring moves in x and y while its sides move by one. */
  private Coordinate speed(Ring r, int i) {
    FrontSide a = lines[r.sides[r.before(i)]];
    FrontSide b = lines[r.sides[i]];
    double cross = a.nx() * b.ny() - a.ny() * b.nx();
    return goesOn(a, b, cross)
        ? new Coordinate(b.nx(), b.ny())
        : new Coordinate((b.ny() - a.ny()) / cross, (a.nx() - b.nx()) / cross);
  }

  private static boolean goesOn(FrontSide a, FrontSide b, double cross) {
    double along = a.nx() * b.nx() + a.ny() * b.ny();
    return Math.abs(cross) < (along > 0 ? STRAIGHT : TURN);
  }

  private Coordinate at(Ring r, int i, double t) {
    FrontSide a = lines[r.sides[r.before(i)]];
    FrontSide b = lines[r.sides[i]];
    double cross = a.nx() * b.ny() - a.ny() * b.nx();
    if (goesOn(a, b, cross)) {
      Coordinate c = r.corners[i];
      double off = b.distance() + t - (b.nx() * c.x + b.ny() * c.y);
      return new Coordinate(c.x + b.nx() * off, c.y + b.ny() * off);
    }
    double ca = a.distance() + t;
    double cb = b.distance() + t;
    return new Coordinate((ca * b.ny() - cb * a.ny()) / cross, (a.nx() * cb - b.nx() * ca) / cross);
  }

  private double nextEvent() {
    double first = Double.POSITIVE_INFINITY;
    for (Ring r : rings) {
      Coordinate[] speeds = new Coordinate[r.size()];
      for (int i = 0; i < r.size(); i++) {
        speeds[i] = speed(r, i);
      }
      for (int i = 0; i < r.size(); i++) {
        first = Math.min(first, vanishes(r, i, speeds));
        FrontSide before = lines[r.sides[r.before(i)]];
        FrontSide own = lines[r.sides[i]];
        boolean reflex = before.dx() * own.dy() - before.dy() * own.dx() < -TURN;
        if (reflex) {
          first = Math.min(first, meets(r, i, speeds[i], first));
        }
      }
    }
    return first;
  }

  /** When side {@code i} has no length any more. */
  private double vanishes(Ring r, int i, Coordinate[] speeds) {
    int j = r.next(i);
    FrontSide line = lines[r.sides[i]];
    double length = line.along(r.corners[i], r.corners[j]);
    double rate = line.along(speeds[i], speeds[j]);
    return rate < -STILL ? time + Math.max(0, length) / -rate : Double.POSITIVE_INFINITY;
  }

  /**
   * When a reflex corner runs into a side.
   *
   * @param before later than this does not matter
   */
  private double meets(Ring own, int corner, Coordinate speed, double before) {
    double first = before;
    Coordinate c = own.corners[corner];
    for (Ring r : rings) {
      for (int i = 0; i < r.size(); i++) {
        if (r == own && (i == corner || i == own.before(corner))) {
          continue;
        }
        FrontSide line = lines[r.sides[i]];
        double gap = line.nx() * c.x + line.ny() * c.y - line.distance() - time;
        double rate = line.nx() * speed.x + line.ny() * speed.y - 1;
        if (gap < -EPSILON || rate > -STILL) {
          continue;
        }
        double t = time + Math.max(0, gap) / -rate;
        if (t < first) {
          double x = c.x + speed.x * (t - time);
          double y = c.y + speed.y * (t - time);
          Coordinate a = at(r, i, t);
          double along = line.along(a, new Coordinate(x, y));
          if (along > -EPSILON && along < line.along(a, at(r, r.next(i), t)) + EPSILON) {
            first = t;
          }
        }
      }
    }
    return first;
  }

  private void advance(double to) {
    List<SegmentString> segments = new ArrayList<>();
    for (Ring r : rings) {
      Coordinate[] moved = new Coordinate[r.size()];
      for (int i = 0; i < r.size(); i++) {
        moved[i] = at(r, i, to);
      }
      for (int i = 0; i < r.size(); i++) {
        int j = r.next(i);
        Geometry passed = outline(r.corners[i], r.corners[j], moved[j], moved[i]);
        if (passed.getArea() > 0) {
          swept.computeIfAbsent(r.sides[i], k -> new ArrayList<>()).add(passed);
        }
        if (moved[i].distance(moved[j]) > 0) {
          segments.add(
              new NodedSegmentString(
                  new Coordinate[] {moved[i].copy(), moved[j].copy()}, r.sides[i]));
        }
      }
    }
    time = to;
    rings = rings(segments);
  }

  /** The outline of rounded corners, without those that are the same. */
  private static Geometry outline(Coordinate... corners) {
    List<Coordinate> ring = new ArrayList<>();
    for (Coordinate c : corners) {
      Coordinate r = c.copy();
      Areas.GRID.makePrecise(r);
      if (ring.isEmpty() || !ring.get(ring.size() - 1).equals2D(r)) {
        ring.add(r);
      }
    }
    if (!ring.get(0).equals2D(ring.get(ring.size() - 1))) {
      ring.add(ring.get(0).copy());
    }
    return ring.size() < 4
        ? FACTORY.createPolygon()
        : FACTORY.createPolygon(ring.toArray(Coordinate[]::new));
  }

  /** A piece of a side between two nodes. */
  private record Piece(Coordinate from, Coordinate to, int side) {
    double direction() {
      return Math.atan2(to.y - from.y, to.x - from.x);
    }
  }

  private static List<Ring> rings(List<SegmentString> segments) {
    SnappingNoder noder = new SnappingNoder(NEAR);
    noder.computeNodes(segments);
    Map<Coordinate, Map<Coordinate, Piece>> from = new TreeMap<>();
    for (Object o : noder.getNodedSubstrings()) {
      SegmentString s = (SegmentString) o;
      for (int i = 0; i + 1 < s.size(); i++) {
        Piece p = new Piece(s.getCoordinate(i), s.getCoordinate(i + 1), (Integer) s.getData());
        Map<Coordinate, Piece> back = from.get(p.to);
        if (back == null || back.remove(p.from) == null) {
          from.computeIfAbsent(p.from, k -> new TreeMap<>()).put(p.to, p);
        }
      }
    }
    return trace(from);
  }

  /** Follows the pieces; where several go on, the one that stays at the same inside. */
  private static List<Ring> trace(Map<Coordinate, Map<Coordinate, Piece>> from) {
    List<Ring> rings = new ArrayList<>();
    Set<Piece> seen = new HashSet<>();
    for (Map<Coordinate, Piece> on : from.values()) {
      for (Piece start : on.values()) {
        List<Piece> ring = new ArrayList<>();
        Piece p = start;
        while (p != null && seen.add(p)) {
          ring.add(p);
          p = next(from, p);
        }
        if (p == start && ring.size() > 2) {
          Ring r = joined(ring);
          if (r.size() > 2) {
            rings.add(r);
          }
        }
      }
    }
    return rings;
  }

  private static Piece next(Map<Coordinate, Map<Coordinate, Piece>> from, Piece p) {
    return from.getOrDefault(p.to, Map.of()).values().stream()
        .max(Comparator.comparingDouble(q -> turn(p, q)))
        .orElse(null);
  }

  /** How far to the left one goes from one piece to the next, −π to π. */
  private static double turn(Piece a, Piece b) {
    double d = b.direction() - a.direction();
    return d > Math.PI ? d - 2 * Math.PI : d <= -Math.PI ? d + 2 * Math.PI : d;
  }

  /** Pieces of one side are one again. */
  private static Ring joined(List<Piece> pieces) {
    int n = pieces.size();
    List<Coordinate> corners = new ArrayList<>();
    List<Integer> sides = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      if (pieces.get(i).side != pieces.get((i + n - 1) % n).side) {
        corners.add(pieces.get(i).from);
        sides.add(pieces.get(i).side);
      }
    }
    return new Ring(corners.toArray(Coordinate[]::new), sides.stream().mapToInt(s -> s).toArray());
  }

  /** What is left, with its holes. */
  private List<Polygon> rest() {
    List<Geometry> outer = new ArrayList<>();
    List<Geometry> holes = new ArrayList<>();
    for (Ring r : rings) {
      Coordinate[] c = Arrays.copyOf(r.corners, r.size() + 1);
      c[r.size()] = c[0].copy();
      (Orientation.isCCW(c) ? outer : holes).add(FACTORY.createPolygon(c));
    }
    List<Polygon> out = new ArrayList<>();
    for (Geometry o : outer) {
      Geometry left = o;
      for (Geometry h : holes) {
        left = RobustOverlay.difference(left, h);
      }
      for (int i = 0; i < left.getNumGeometries(); i++) {
        if (left.getGeometryN(i) instanceof Polygon p && !p.isEmpty()) {
          out.add(p);
        }
      }
    }
    return out;
  }
}
