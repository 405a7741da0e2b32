package yentra.core.revision;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import yentra.core.boundary.SpaceVolumes;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Box;
import yentra.core.geometry.BoxIndex;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/** Which object of a revision is which of the next. */
final class Recognition {
  private static final double SPACES = 0.5;
  private static final double OUTLINES = 0.8;

  /** Sharing more than this, two objects with one id are at one place. */
  private static final double TOUCH = 0.1;

  /** Outlines with one id that are nearer than this may be one, m. */
  private static final double NEAR = 0.5;

  private final Envelope before;
  private final Envelope after;
  private final Tolerance tolerance;
  private final SamePlace place;
  private final Map<String, String> keys = new LinkedHashMap<>();

  Recognition(Envelope before, Envelope after, SamePlace place, Tolerance tolerance) {
    this.before = before;
    this.after = after;
    this.place = place;
    this.tolerance = tolerance;
  }

  /**
   * @param pairs keys of the first revision with those of the second
   * @param come what only the second has
   */
  record Match<T>(Map<String, String> pairs, List<T> come) {}

  /** All keys of the first revision that were recognised, with those of the second. */
  Map<String, String> keys() {
    return keys;
  }

  /** The key that an object of the first revision has in the second; the same key when unknown. */
  String now(String key) {
    return keys.getOrDefault(key, key);
  }

  /** Spaces by id and place, then by place, then by id alone. */
  Match<Space> spaces(SpaceVolumes a, SpaceVolumes b) {
    Map<String, Space> left = new LinkedHashMap<>();
    after.spaces().forEach(s -> left.put(s.key(), s));
    Map<String, String> pairs = new LinkedHashMap<>();
    List<Space> unknown = new ArrayList<>();
    for (Space s : before.spaces()) {
      Space o = left.get(s.key());
      boolean here =
          o != null
              && (o.name().equals(s.name())
                  || place.share(a.of(s.key()).faces().box(), b.of(o.key()).faces().box()) > TOUCH);
      if (here) {
        left.remove(s.key());
        pairs.put(s.key(), s.key());
      } else {
        unknown.add(s);
      }
    }
    List<Space> moved = new ArrayList<>();
    for (Space s : unknown) {
      Box box = a.of(s.key()).faces().box();
      Space best =
          left.values().stream()
              .filter(o -> place.share(box, b.of(o.key()).faces().box()) >= SPACES)
              .max(
                  Comparator.comparingDouble(
                          (Space o) -> place.share(box, b.of(o.key()).faces().box()))
                      .thenComparing(Space::key))
              .orElse(null);
      if (best == null) {
        moved.add(s);
      } else {
        left.remove(best.key());
        pairs.put(s.key(), best.key());
      }
    }
    for (Space s : moved) {
      if (left.remove(s.key()) != null) {
        pairs.put(s.key(), s.key());
      }
    }
    keys.putAll(pairs);
    return new Match<>(pairs, List.copyOf(left.values()));
  }

  /** Surfaces by id and place, then by outline, then by id alone; asks for the spaces first. */
  Match<Surface> surfaces() {
    Map<String, Surface> left = new LinkedHashMap<>();
    after.surfaces().forEach(s -> left.put(s.key(), s));
    Map<String, String> pairs = new LinkedHashMap<>();
    List<Surface> unknown = new ArrayList<>();
    for (Surface s : before.surfaces()) {
      Surface o = left.get(s.key());
      if (o != null && isHere(s, o)) {
        left.remove(s.key());
        pairs.put(s.key(), s.key());
      } else {
        unknown.add(s);
      }
    }
    List<Surface> free = new ArrayList<>(left.values());
    BoxIndex index = new BoxIndex(free.stream().map(s -> s.polygon().box()).toList());
    List<Surface> moved = new ArrayList<>();
    for (Surface s : unknown) {
      Surface best = null;
      double most = OUTLINES;
      Polygon p = place.moved(s.polygon());
      for (int i : index.meeting(p.box().grown(tolerance.gap()))) {
        Surface o = free.get(i);
        double share = left.containsKey(o.key()) ? place.cover(p, o.polygon()) : 0;
        if (share >= most && bounds(s, o)) {
          best = o;
          most = share;
        }
      }
      if (best != null) {
        left.remove(best.key());
        pairs.put(s.key(), best.key());
      } else {
        moved.add(s);
      }
    }
    for (Surface s : moved) {
      Surface o = left.get(s.key());
      if (o != null && bounds(s, o) && o.type() == s.type()) {
        left.remove(s.key());
        pairs.put(s.key(), s.key());
      }
    }
    keys.putAll(pairs);
    return new Match<>(pairs, List.copyOf(left.values()));
  }

  /** Openings by id and place, then by outline, then by id and surface. */
  Match<Opening> openings() {
    Map<String, Opening> left = new LinkedHashMap<>();
    each(after, o -> left.put(o.key(), o));
    List<Opening> old = new ArrayList<>();
    each(before, old::add);
    Map<String, String> pairs = new LinkedHashMap<>();
    List<Opening> unknown = new ArrayList<>();
    for (Opening o : old) {
      Opening t = left.get(o.key());
      Polygon p = place.moved(o.polygon());
      boolean here =
          t != null
              && (p.equals(t.polygon())
                  || p.box().grown(NEAR).intersects(t.polygon().box())
                      && PlanarOverlay.commonArea(p, t.polygon()) > TOUCH * p.area());
      if (here) {
        left.remove(o.key());
        pairs.put(o.key(), o.key());
      } else {
        unknown.add(o);
      }
    }
    List<Opening> rest = new ArrayList<>();
    for (Opening o : unknown) {
      Polygon p = place.moved(o.polygon());
      Opening best =
          left.values().stream()
              .filter(x -> x.polygon().box().grown(0.05).intersects(p.box()))
              .filter(x -> place.cover(p, x.polygon()) >= OUTLINES)
              .max(
                  Comparator.comparingDouble((Opening x) -> place.cover(p, x.polygon()))
                      .thenComparing(Opening::key))
              .orElse(null);
      if (best == null) {
        rest.add(o);
      } else {
        left.remove(best.key());
        pairs.put(o.key(), best.key());
      }
    }
    for (Opening o : rest) {
      boolean same =
          before
              .parentOf(o.key())
              .map(x -> now(x.key()))
              .equals(after.parentOf(o.key()).map(Surface::key));
      if (same && left.containsKey(o.key())) {
        left.remove(o.key());
        pairs.put(o.key(), o.key());
      }
    }
    keys.putAll(pairs);
    return new Match<>(pairs, List.copyOf(left.values()));
  }

  /** Constructions by id, then by name. */
  Match<Construction> constructions() {
    Map<String, Construction> left = new LinkedHashMap<>();
    after.constructions().forEach(c -> left.put(c.key(), c));
    Map<String, Construction> byName = new HashMap<>();
    after.constructions().forEach(c -> byName.putIfAbsent(c.name(), c));
    Map<String, String> pairs = new LinkedHashMap<>();
    for (Construction c : before.constructions()) {
      Construction t = left.remove(c.key());
      if (t == null && !c.name().isBlank() && byName.containsKey(c.name())) {
        t = left.remove(byName.get(c.name()).key());
      }
      if (t != null) {
        pairs.put(c.key(), t.key());
      }
    }
    keys.putAll(pairs);
    return new Match<>(pairs, List.copyOf(left.values()));
  }

  /** Whether an outline with the same id has to do with the place of the one before. */
  private boolean isHere(Surface a, Surface b) {
    Polygon p = place.moved(a.polygon());
    if (p.equals(b.polygon())) {
      return true;
    }
    boolean flat = !p.normal().equals(Vec3.ZERO) && !b.polygon().normal().equals(Vec3.ZERO);
    return bounds(a, b)
        && p.box().grown(NEAR).intersects(b.polygon().box())
        && (!flat
            || p.plane().angleTo(b.polygon().plane()) < 30
            || p.plane().angleTo(b.polygon().plane()) > 150)
        && (!flat
            || PlanarOverlay.commonArea(p, b.polygon())
                > TOUCH * Math.min(p.area(), b.polygon().area()));
  }

  /** Surfaces of one place may belong to either side; one that bounds the same spaces is meant. */
  private boolean bounds(Surface a, Surface b) {
    Set<String> mine = new HashSet<>();
    a.sides().forEach(x -> mine.add(now(x.space())));
    return b.sides().isEmpty() == a.sides().isEmpty()
        && (b.sides().isEmpty() || b.sides().stream().anyMatch(x -> mine.contains(x.space())));
  }

  static void each(Envelope e, java.util.function.Consumer<Opening> to) {
    e.surfaces().forEach(s -> s.openings().forEach(to));
    e.orphans().forEach(to);
  }
}
