package yentra.core.boundary;

import java.util.ArrayList;
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
  /** Sides of a pair whose areas differ by a smaller share are one. */
  private static final double SAME = 1e-4;

  private static final int MOST_ROUNDS = 6;

  private final Envelope envelope;
  private final Convention convention;
  private final SurfaceTypes types;
  private final Tolerance tolerance;
  private final ShiftedFaces faces;
  private final Set<String> fixed = new TreeSet<>();
  private final List<String> notes = new ArrayList<>();

  private ConventionShift(Envelope envelope, Convention convention, Rules rules) {
    this.envelope = envelope;
    this.convention = convention;
    this.types = rules.types();
    this.tolerance = rules.tolerance();
    this.faces = new ShiftedFaces(envelope.surfaces(), convention, tolerance);
  }

  /**
   * @param envelope with the surfaces moved
   * @param notes what changed, and what could not be moved
   */
  public record Shifted(Envelope envelope, List<String> notes) {}

  /** Moves the surfaces of an envelope whose sides lie on inner faces. */
  public static Shifted apply(Envelope envelope, Convention convention, Rules rules) {
    if (convention == Convention.INNER) {
      return new Shifted(envelope, List.of());
    }
    return new ConventionShift(envelope, convention, rules).move();
  }

  private Shifted move() {
    Map<String, Surface> moved = Map.of();
    for (int round = 0; round < MOST_ROUNDS; round++) {
      faces.shift(fixed);
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

  private Map<String, Surface> surfaces(Set<String> stuck) {
    Map<String, Surface> out = new LinkedHashMap<>();
    for (Surface s : envelope.surfaces()) {
      if (s.sides().isEmpty() || s.polygon().normal().equals(Vec3.ZERO)) {
        out.put(s.key(), s);
        continue;
      }
      String space = s.sides().get(0).space();
      Polygon face = s.face(0);
      Polygon p = faces.moved(space, face, stuck);
      Polygon straight = Straightening.of(p, tolerance);
      boolean gone = straight.area() < 1e-3 || turned(straight, face);
      if (gone && s.exposure() == Exposure.ADIABATIC) {
        continue;
      }
      Polygon own = straight;
      List<Side> sides = new ArrayList<>();
      if (s.sides().size() > 1) {
        Polygon back =
            Straightening.of(faces.moved(s.sides().get(1).space(), s.face(1), stuck), tolerance);
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
      Vec3 by = faces.shift(space, face);
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

  /** Spaces whose moved surfaces do not close although they did. */
  private Set<String> open(Map<String, Surface> moved) {
    Set<String> out = new TreeSet<>();
    for (String space : faces.spaces()) {
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
      s.faceTo(space).ifPresent(out::add);
    }
    return out;
  }

  private Shifted result(Map<String, Surface> moved) {
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
    return new Shifted(
        envelope.withSpaces(spaces).withSurfaces(new ArrayList<>(moved.values())), notes);
  }

  private double floor(List<Polygon> faces) {
    return faces.stream().filter(p -> types.isFloor(p.tilt())).mapToDouble(Polygon::area).sum();
  }
}
