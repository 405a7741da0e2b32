package yentra.core.check.mend;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Side;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;

/**
 * Puts faults into a sound envelope that the envelope itself determines the answer of, each on
 * objects and spaces that no other one touches.
 */
final class Spoiler {
  /** Faults that can be made. */
  enum Fault {
    TURNED,
    TWICE,
    MISSING,
    TYPED_FOR_ANOTHER_TILT,
    EXTERIOR_BETWEEN_SPACES,
    PAIR_WRITTEN_TWICE,
    PAIR_LEFT_EXTERIOR,
    WINDOW_OFF_ITS_WALL,
    WINDOW_WITHOUT_WALL,
    OTHER_FIGURES_STATED,
    NO_STOREY,
    NO_AREA,
    CORNER_TWICE,
    CORNERS_CROSSED,
    SHELL_INSIDE_OUT,
    SHADE_ON_WALL,
    MOVED_5_MM,
    SLAB_MISSING,
    OVERLAPPING_5_MM
  }

  /** m². */
  private static final double LARGE = 3;

  private final Random random;
  private final Set<String> touched = new HashSet<>();
  private final List<Fault> made = new ArrayList<>();
  private Envelope e;

  /** Whether one space may have several faults; no surface has two. */
  private boolean crowded;

  private Spoiler(Envelope sound, long seed) {
    this.e = sound;
    this.random = new Random(seed);
  }

  /** A spoilt envelope, and what was done to it. */
  record Spoilt(Envelope envelope, List<Fault> faults) {}

  static Spoilt of(Envelope sound, long seed, int faults) {
    Spoiler s = new Spoiler(sound, seed);
    List<Fault> all = new ArrayList<>(List.of(Fault.values()));
    // these move what is measured; a slab is one of what is missing
    all.removeAll(List.of(Fault.MOVED_5_MM, Fault.OVERLAPPING_5_MM, Fault.SLAB_MISSING));
    for (int i = 0; i < faults; i++) {
      s.make(all.get(s.random.nextInt(all.size())));
    }
    return new Spoilt(s.e, s.made);
  }

  static Spoilt of(Envelope sound, long seed, Fault fault) {
    Spoiler s = new Spoiler(sound, seed);
    s.make(fault);
    return new Spoilt(s.e, s.made);
  }

  /** All of these, in spaces that have other ones too. */
  static Spoilt crowded(Envelope sound, long seed, List<Fault> faults) {
    Spoiler s = new Spoiler(sound, seed);
    s.crowded = true;
    faults.forEach(s::make);
    return new Spoilt(s.e, s.made);
  }

  private void make(Fault f) {
    boolean done =
        switch (f) {
          case TURNED -> reshape(s -> s.sides().size() == 1, Polygon::reversed);
          case TWICE ->
              add(
                  s -> s.sides().size() == 1 && s.openings().isEmpty(),
                  s -> s.withKey("again-" + s.key()));
          case MISSING -> missing(x -> true);
          case SLAB_MISSING -> missing(x -> x.polygon().tilt() < 5 || x.polygon().tilt() > 175);
          case OVERLAPPING_5_MM -> pair(null, null, 0.005);
          case TYPED_FOR_ANOTHER_TILT ->
              surface(
                  s -> s.type() == SurfaceType.ROOF && s.polygon().tilt() < 50,
                  s -> s.withType(SurfaceType.EXTERIOR_WALL));
          case EXTERIOR_BETWEEN_SPACES ->
              surface(
                  s -> s.type() == SurfaceType.INTERIOR_WALL && s.sides().size() == 2,
                  s -> s.withType(SurfaceType.EXTERIOR_WALL));
          case PAIR_WRITTEN_TWICE -> pair(null, null, 0);
          case PAIR_LEFT_EXTERIOR -> pair(SurfaceType.EXTERIOR_WALL, SurfaceType.INTERIOR_WALL, 0);
          case WINDOW_OFF_ITS_WALL -> window();
          case WINDOW_WITHOUT_WALL -> orphan();
          case OTHER_FIGURES_STATED ->
              space(s -> s.withStated(s.statedFloorArea() * 1.05, s.statedVolume() * 0.9));
          case NO_STOREY -> space(s -> s.withStorey(null));
          case NO_AREA ->
              add(
                  s -> s.sides().size() == 1 && s.openings().isEmpty(),
                  s ->
                      s.with()
                          .key("line-" + s.key())
                          .polygon(line(s.polygon()))
                          .construction(null)
                          .build());
          case CORNER_TWICE -> reshape(s -> s.sides().size() == 1, Spoiler::doubled);
          case CORNERS_CROSSED ->
              reshape(
                  s ->
                      s.sides().size() == 1
                          && s.openings().isEmpty()
                          && s.polygon().outer().size() == 4
                          && s.polygon().holes().isEmpty(),
                  Spoiler::crossed);
          case SHELL_INSIDE_OUT ->
              space(s -> s.withShell(s.shell().stream().map(Polygon::reversed).toList()));
          case MOVED_5_MM ->
              reshape(
                  s -> s.sides().size() == 1 && s.type() == SurfaceType.EXTERIOR_WALL,
                  p -> p.transformed(Transform.translation(p.normal().times(0.005))));
          case SHADE_ON_WALL ->
              add(
                  s -> s.type() == SurfaceType.EXTERIOR_WALL,
                  s ->
                      Surface.of(
                          "shade-" + s.key(), SurfaceType.SHADE, s.polygon(), BoundaryKind.READ));
        };
    if (done) {
      made.add(f);
    }
  }

  private static Polygon line(Polygon p) {
    Vec3 a = p.outer().get(0);
    Vec3 b = p.outer().get(1);
    return Polygon.of(a, b, a.plus(b).times(0.5));
  }

  private static Polygon doubled(Polygon p) {
    List<Vec3> ring = new ArrayList<>(p.outer());
    ring.add(1, ring.get(0));
    return new Polygon(ring, p.holes());
  }

  private static Polygon crossed(Polygon p) {
    List<Vec3> ring = new ArrayList<>(p.outer());
    Collections.swap(ring, 1, 2);
    return Polygon.of(ring);
  }

  private Surface pick(Predicate<Surface> which) {
    List<Surface> all =
        e.surfaces().stream()
            .filter(s -> !s.sides().isEmpty() && !s.type().isShading())
            .filter(
                s ->
                    !touched.contains(s.key())
                        && (crowded
                            || s.sides().stream().noneMatch(x -> touched.contains(x.space()))))
            .filter(which)
            .toList();
    if (all.isEmpty()) {
      return null;
    }
    Surface s = all.get(random.nextInt(all.size()));
    touched.add(s.key());
    s.sides().forEach(x -> touched.add(x.space()));
    return s;
  }

  private boolean surface(Predicate<Surface> which, UnaryOperator<Surface> change) {
    Surface s = pick(which);
    if (s != null) {
      e = e.replacing(s.key(), change);
    }
    return s != null;
  }

  private boolean reshape(Predicate<Surface> which, UnaryOperator<Polygon> change) {
    return surface(
        s -> which.test(s) && s.openings().isEmpty(),
        s -> s.withPolygon(change.apply(s.polygon()), s.sides()));
  }

  private boolean add(Predicate<Surface> which, UnaryOperator<Surface> made) {
    Surface s = pick(which);
    if (s != null) {
      e = e.plus(made.apply(s));
    }
    return s != null;
  }

  private boolean missing(Predicate<Surface> which) {
    // of a house of construction also edges of slabs are surfaces, which nobody would miss
    Surface s =
        pick(
            x ->
                x.sides().size() == 1
                    && x.openings().isEmpty()
                    && which.test(x)
                    && (!crowded || x.polygon().area() > LARGE));
    if (s == null) {
      return false;
    }
    e = e.withoutSurface(s.key());
    if (random.nextBoolean()) {
      String key = s.sides().get(0).space();
      e = withSpace(key, x -> x.withShell(List.of()));
    }
    return true;
  }

  /**
   * Types null for those that the pair has by its tilt.
   *
   * @param into how far the second face is pushed into the first space, m
   */
  private boolean pair(SurfaceType exterior, SurfaceType of, double into) {
    Surface s =
        pick(
            x ->
                x.sides().size() == 2
                    && !x.isWithinOneSpace()
                    && x.type() != SurfaceType.AIR
                    && (crowded && into == 0 || x.sides().stream().allMatch(y -> flush(x, y)))
                    && (of == null || x.type() == of));
    if (s == null) {
      return false;
    }
    // as a file gives them: of what was derived both sides are known
    Surface a = s.withSides(List.of(Side.of(s.sides().get(0).space()))).withKind(BoundaryKind.READ);
    Transform push = Transform.translation(s.polygon().normal().times(-into));
    Surface b =
        s.with()
            .key("other-" + s.key())
            .kind(BoundaryKind.READ)
            .polygon(s.polygon().reversed().transformed(push))
            .sides(List.of(Side.of(s.sides().get(1).space())))
            .openings(List.of())
            .build();
    if (exterior != null) {
      a = a.withType(exterior);
      b = b.withType(exterior);
    }
    Surface first = a;
    e = e.replacing(s.key(), x -> first).plus(b);
    return true;
  }

  /** Whether a side lies in the plane of its surface: the spaces touch. */
  private static boolean flush(Surface s, Side side) {
    Vec3 n = s.polygon().normal();
    Vec3 at = s.polygon().outer().get(0);
    return side.face() == null
        || side.face().outer().stream().allMatch(p -> Math.abs(p.minus(at).dot(n)) < 1e-6);
  }

  private boolean window() {
    double off = 0.02 + 0.05 * random.nextDouble();
    return surface(
        s -> s.sides().size() == 1 && !s.openings().isEmpty(),
        s -> {
          Opening o = s.openings().get(0);
          Transform t = Transform.translation(s.polygon().normal().times(off));
          List<Opening> moved = new ArrayList<>(s.openings());
          moved.set(0, o.withPolygon(o.polygon().transformed(t)));
          return s.withOpenings(moved);
        });
  }

  private boolean orphan() {
    Surface s = pick(x -> x.sides().size() == 1 && !x.openings().isEmpty());
    if (s == null) {
      return false;
    }
    List<Opening> orphans = new ArrayList<>(e.orphans());
    orphans.add(s.openings().get(0));
    e =
        e.replacing(s.key(), x -> x.withOpenings(x.openings().subList(1, x.openings().size())))
            .withOrphans(orphans);
    return true;
  }

  private Envelope withSpace(String key, UnaryOperator<Space> change) {
    return e.withSpaces(
        e.spaces().stream().map(s -> s.key().equals(key) ? change.apply(s) : s).toList());
  }

  private boolean space(UnaryOperator<Space> change) {
    List<Space> all =
        e.spaces().stream().filter(s -> crowded || !touched.contains(s.key())).toList();
    if (all.isEmpty()) {
      return false;
    }
    Space s = all.get(random.nextInt(all.size()));
    touched.add(s.key());
    e = withSpace(s.key(), change);
    return true;
  }
}
