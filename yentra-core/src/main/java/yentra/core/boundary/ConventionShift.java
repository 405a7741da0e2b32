package yentra.core.boundary;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Side;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.geometry.CoplanarFaces;
import yentra.core.geometry.OpenEdges;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Plane;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Shell;
import yentra.core.geometry.Straightening;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/**
 * Moves surfaces from the inner faces of construction to where another convention draws them.
 *
 * <p>Method: every flat face of a space moves along its normal by its share of the thickness behind
 * it. Every corner of every surface moves to where the moved planes that meet in it intersect:
 * those of its own space, and, where its edge comes from a wall on the other side, those of the
 * space there. Of the places that lie on all these planes the nearest is taken. Strips at the ends
 * of partitions close, since both of their edges move to the partition's middle. Openings move with
 * their surface. Where planes do not meet in a point the spaces concerned stay as they are, which
 * is said.
 *
 * <p>Metres, model coordinates.
 */
public final class ConventionShift {
  /** Planes that disagree about a corner by more than this do not meet, in metres. */
  private static final double DISAGREE = 0.005;

  /** Thicknesses on one face that differ by more than this are different, in metres. */
  private static final double THICKNESS = 0.002;

  /** Sides of a pair whose areas differ by a smaller share are one. */
  private static final double SAME = 1e-4;

  private static final int MOST_ROUNDS = 6;

  private final Envelope envelope;
  private final Convention convention;
  private final SurfaceTypes types;
  private final Tolerance tolerance;
  private final Map<String, List<Face>> facesOf = new LinkedHashMap<>();
  private final Set<String> fixed = new TreeSet<>();
  private final List<String> notes = new ArrayList<>();

  private ConventionShift(Envelope envelope, Convention convention, Rules rules) {
    this.envelope = envelope;
    this.convention = convention;
    this.types = rules.types();
    this.tolerance = rules.tolerance();
  }

  /**
   * @param envelope with the surfaces moved
   * @param notes what changed, and what could not be moved
   */
  public record Result(Envelope envelope, List<String> notes) {}

  /** One side of a surface. */
  private record Part(Surface surface, int side, Polygon polygon) {
    boolean pair() {
      return surface.sides().size() == 2 && !surface.isWithinOneSpace();
    }

    /** Between two spaces how far apart their faces are: some are drawn to the middle already. */
    double thickness() {
      if (pair()) {
        return Math.abs(polygon.plane().distance(surface.face(1 - side).mean()));
      }
      return surface.thickness() == null ? 0 : surface.thickness();
    }
  }

  /** A flat face of a space, made of parts of surfaces. */
  private static final class Face {
    final String space;
    final Plane plane;
    final List<Part> parts = new ArrayList<>();
    double shift;

    Face(String space, Plane plane) {
      this.space = space;
      this.plane = plane;
    }
  }

  /** Moves the surfaces of an envelope whose sides lie on inner faces. */
  public static Result apply(Envelope envelope, Convention convention, Rules rules) {
    if (convention == Convention.INNER) {
      return new Result(envelope, List.of());
    }
    return new ConventionShift(envelope, convention, rules).move();
  }

  private Result move() {
    for (Surface s : envelope.surfaces()) {
      for (int i = 0; i < Math.min(2, s.sides().size()); i++) {
        Polygon p = s.face(i);
        if (!p.normal().equals(Vec3.ZERO)) {
          face(s.sides().get(i).space(), p).parts.add(new Part(s, i, p));
        }
      }
    }
    Map<String, Surface> moved = Map.of();
    for (int round = 0; round < MOST_ROUNDS; round++) {
      shifts();
      Set<String> stuck = new TreeSet<>();
      moved = surfaces(stuck);
      stuck.addAll(open(moved));
      if (!fixed.addAll(stuck)) {
        break;
      }
    }
    for (String s : fixed) {
      notes.add(
          "The surfaces of "
              + envelope.space(s).map(Space::label).orElse(s)
              + " stay on the inner faces: their planes, moved, do not meet.");
    }
    return result(moved);
  }

  private Face face(String space, Polygon p) {
    List<Face> faces = facesOf.computeIfAbsent(space, k -> new ArrayList<>());
    for (Face f : faces) {
      if (f.plane.angleTo(p.plane()) < tolerance.angle()
          && Math.abs(f.plane.distance(p.mean())) < tolerance.plane()) {
        return f;
      }
    }
    Face f = new Face(space, p.plane());
    faces.add(f);
    return f;
  }

  private Face faceOf(String space, Polygon p) {
    return face(space, p);
  }

  /** How far each face moves: what lies between spaces decides, since both sides must agree. */
  private void shifts() {
    Map<Face, Double> interior = new HashMap<>();
    Set<Face> still = new HashSet<>();
    for (List<Face> faces : facesOf.values()) {
      for (Face f : faces) {
        double least = Double.POSITIVE_INFINITY;
        double most = 0;
        for (Part p : f.parts) {
          if (p.pair()) {
            least = Math.min(least, p.thickness());
            most = Math.max(most, p.thickness());
          }
        }
        if (!Double.isInfinite(least)) {
          if (most - least > THICKNESS || fixed.contains(f.space)) {
            still.add(f);
          }
          interior.put(f, (least + most) / 2 * convention.interior());
        }
      }
    }
    // a face that stays keeps those that it is paired with
    boolean changed = true;
    while (changed) {
      changed = false;
      for (Face f : List.copyOf(still)) {
        for (Part p : f.parts) {
          if (p.pair()) {
            Side o = p.surface.sides().get(1 - p.side);
            changed |= still.add(faceOf(o.space(), p.surface.face(1 - p.side)));
          }
        }
      }
    }
    for (List<Face> faces : facesOf.values()) {
      for (Face f : faces) {
        f.shift =
            fixed.contains(f.space) || still.contains(f)
                ? 0
                : interior.containsKey(f) ? interior.get(f) : exterior(f);
      }
    }
  }

  /** The largest part with outdoor air or ground behind it decides. */
  private double exterior(Face f) {
    Part largest = null;
    for (Part p : f.parts) {
      Exposure e = p.surface.exposure();
      boolean counts = e == Exposure.OUTDOOR || e == Exposure.GROUND;
      if (counts && (largest == null || p.polygon.area() > largest.polygon.area())) {
        largest = p;
      }
    }
    return largest == null ? 0 : largest.thickness() * convention.exterior();
  }

  private Map<String, Surface> surfaces(Set<String> stuck) {
    Map<String, Surface> out = new LinkedHashMap<>();
    for (Surface s : envelope.surfaces()) {
      if (s.sides().isEmpty() || s.polygon().normal().equals(Vec3.ZERO)) {
        out.put(s.key(), s);
        continue;
      }
      String space = s.sides().get(0).space();
      Polygon face = s.face(0);
      Face f = faceOf(space, face);
      Polygon p = moved(space, face, stuck);
      Polygon straight = Straightening.of(p, tolerance);
      boolean gone = straight.area() < 1e-3 || turned(straight, face);
      if (gone && s.exposure() == Exposure.ADIABATIC) {
        continue;
      }
      Polygon own = straight;
      List<Side> sides = new ArrayList<>();
      if (s.sides().size() > 1) {
        Polygon back =
            Straightening.of(moved(s.sides().get(1).space(), s.face(1), stuck), tolerance);
        boolean same = Math.abs(back.area() - straight.area()) <= SAME * straight.area();
        boolean meet = Math.abs(straight.plane().distance(back.mean())) <= tolerance.gap();
        if (meet && !same) {
          own = common(s, straight, back, out);
        }
        sides.add(s.sides().get(0).withFace(own));
        sides.add(s.sides().get(1).withFace(meet ? own.reversed() : back));
      } else {
        sides.add(s.sides().get(0).withFace(straight));
      }
      Vec3 by = f.plane.normal().times(f.shift);
      List<Opening> openings = new ArrayList<>();
      for (Opening o : s.openings()) {
        openings.add(
            o.withPolygon(o.polygon().transformed(yentra.core.geometry.Transform.translation(by))));
      }
      out.put(s.key(), s.withPolygon(own, sides).withOpenings(openings));
    }
    return out;
  }

  /**
   * What both sides of a pair share; what only one side has, because the walls or slabs beside it
   * are thicker there, has only construction behind it and becomes a surface of its own.
   */
  private Polygon common(Surface s, Polygon mine, Polygon theirs, Map<String, Surface> out) {
    Polygon shared = null;
    List<List<Polygon>> left = new ArrayList<>();
    left.add(new ArrayList<>(PlanarOverlay.difference(mine, theirs)));
    left.add(new ArrayList<>(PlanarOverlay.difference(theirs, mine)));
    for (Polygon p : PlanarOverlay.intersection(mine, theirs)) {
      if (shared == null || p.area() > shared.area()) {
        if (shared != null) {
          rest(shared, left);
        }
        shared = p;
      } else {
        rest(p, left);
      }
    }
    if (shared == null) {
      return mine;
    }
    for (int side = 0; side < 2; side++) {
      int n = 0;
      for (Polygon p : left.get(side)) {
        Polygon strip = Straightening.of(p, tolerance);
        if (strip.area() > 1e-3) {
          String key = s.key() + (side == 0 ? "_a" : "_b") + ++n;
          out.put(
              key,
              Surface.of(key, types.betweenSpaces(strip.tilt()), strip, BoundaryKind.DERIVED_2B)
                  .with()
                  .name(s.name())
                  .sides(List.of(Side.of(s.sides().get(side).space(), strip)))
                  .construction(s.construction())
                  .source(s.source())
                  .element(s.element())
                  .build());
        }
      }
    }
    return Straightening.of(shared, tolerance);
  }

  private static void rest(Polygon p, List<List<Polygon>> left) {
    left.get(0).add(p);
    left.get(1).add(p.reversed());
  }

  private static boolean turned(Polygon p, Polygon before) {
    return p.normal().dot(before.normal()) < 0.5;
  }

  private Polygon moved(String space, Polygon p, Set<String> stuck) {
    List<List<Vec3>> rings = new ArrayList<>();
    for (List<Vec3> ring : p.rings()) {
      rings.add(ring.stream().map(v -> corner(space, v, stuck)).toList());
    }
    return new Polygon(rings.get(0), rings.subList(1, rings.size()));
  }

  /** Where the moved planes through a corner of a space's surface meet. */
  private Vec3 corner(String space, Vec3 v, Set<String> stuck) {
    List<Face> through = new ArrayList<>();
    List<Part> pairs = new ArrayList<>();
    for (Face f : facesOf.get(space)) {
      List<Part> here = f.parts.stream().filter(p -> touches(p.polygon, v)).toList();
      if (!here.isEmpty()) {
        through.add(f);
        here.stream().filter(Part::pair).forEach(pairs::add);
      }
    }
    // a space's own walls decide over those on the other side: they need not stand above each other
    pairs.forEach(p -> beyond(p, v, through));
    Vec3 shift = Vec3.ZERO;
    List<Vec3> basis = new ArrayList<>();
    for (Face f : through) {
      Vec3 n = f.plane.normal();
      double left = f.shift - f.plane.distance(v) - n.dot(shift);
      Vec3 q = n;
      for (Vec3 b : basis) {
        q = q.minus(b.times(b.dot(n)));
      }
      if (q.length() > 0.05) {
        shift = shift.plus(q.times(left / q.dot(q)));
        basis.add(q.unit());
      } else if (Math.abs(left) > DISAGREE) {
        stuck.add(space);
      }
    }
    return v.plus(shift);
  }

  /** The faces of the space on the other side that end where this part does. */
  private void beyond(Part p, Vec3 v, List<Face> through) {
    Side other = p.surface.sides().get(1 - p.side);
    Polygon there = p.surface.face(1 - p.side);
    Vec3 w = there.plane().project(v);
    for (Face f : facesOf.get(other.space())) {
      boolean along =
          through.stream().anyMatch(o -> Math.abs(o.plane.normal().dot(f.plane.normal())) > 0.99);
      if (!along && f.parts.stream().anyMatch(x -> touches(x.polygon, w))) {
        through.add(f);
      }
    }
  }

  private boolean touches(Polygon p, Vec3 v) {
    if (Math.abs(p.plane().distance(v)) > tolerance.plane()
        || !p.box().grown(tolerance.plane()).intersects(new yentra.core.geometry.Box(v, v))) {
      return false;
    }
    PlaneFrame frame = PlaneFrame.of(p.plane());
    return frame
            .project(p)
            .distance(new org.locationtech.jts.geom.GeometryFactory().createPoint(frame.to2d(v)))
        < 2 * tolerance.length();
  }

  /** Spaces whose moved surfaces do not close although they did. */
  private Set<String> open(Map<String, Surface> moved) {
    Set<String> out = new TreeSet<>();
    for (String space : facesOf.keySet()) {
      if (!fixed.contains(space)
          && OpenEdges.find(faces(space, envelope.surfaces()), tolerance).isEmpty()
          && !OpenEdges.find(faces(space, moved.values()), tolerance).isEmpty()) {
        out.add(space);
      }
    }
    return out;
  }

  private static List<Polygon> faces(String space, Iterable<Surface> surfaces) {
    List<Polygon> out = new ArrayList<>();
    for (Surface s : surfaces) {
      for (int i = 0; i < Math.min(2, s.sides().size()); i++) {
        if (s.sides().get(i).space().equals(space) && !s.isWithinOneSpace()) {
          out.add(s.face(i));
        }
      }
    }
    return out;
  }

  private Result result(Map<String, Surface> moved) {
    List<Space> spaces = new ArrayList<>();
    double before = 0;
    double after = 0;
    double floorBefore = 0;
    double floorAfter = 0;
    int n = 0;
    for (Space s : envelope.spaces()) {
      List<Polygon> was = faces(s.key(), envelope.surfaces());
      List<Polygon> now = faces(s.key(), moved.values());
      boolean closed = !now.isEmpty() && OpenEdges.find(now, tolerance).isEmpty();
      if (!closed || fixed.contains(s.key())) {
        spaces.add(s);
        continue;
      }
      n++;
      before += Shell.of(was).signedVolume();
      after += Shell.of(now).signedVolume();
      floorBefore += floor(was);
      floorAfter += floor(now);
      // what the delivery states is of the inner faces, and is not held against others
      spaces.add(s.withShell(CoplanarFaces.of(now, tolerance)).withoutStated());
    }
    notes.add(
        0,
        String.format(
            Locale.ROOT,
            "Surfaces of %d spaces are drawn on %s: volume %.1f m³ became %.1f m³, floor area %.1f m² became %.1f m²; areas and volumes that the delivery states are not compared.",
            n,
            convention.label(),
            before,
            after,
            floorBefore,
            floorAfter));
    return new Result(
        envelope.withSpaces(spaces).withSurfaces(new ArrayList<>(moved.values())), notes);
  }

  private double floor(List<Polygon> faces) {
    return faces.stream().filter(p -> types.isFloor(p.tilt())).mapToDouble(Polygon::area).sum();
  }
}
