package yentra.core.boundary;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Side;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Shell;
import yentra.core.geometry.Vec3;

/**
 * The volumes of all spaces of an envelope, and which way its surfaces face. Measured in parallel,
 * in the envelope's order.
 */
public final class SpaceVolumes {
  private final Map<String, SpaceVolume> volumes = new LinkedHashMap<>();
  private final Map<String, List<Surface>> surfaces = new HashMap<>();
  private final Rules rules;

  private final List<Surface> list;

  private SpaceVolumes(Rules rules, List<Surface> list) {
    this.rules = rules;
    this.list = list;
  }

  public static SpaceVolumes of(Envelope envelope, Rules rules) {
    return of(envelope, rules, null);
  }

  /**
   * The same; spaces that are what they were, with the surfaces that they had, are not measured
   * again.
   *
   * @param before volumes of another state of the envelope with the same rules, or null
   */
  public static SpaceVolumes of(Envelope envelope, Rules rules, SpaceVolumes before) {
    SpaceVolumes all = new SpaceVolumes(rules, envelope.surfaces());
    Set<String> asked = null;
    if (before != null) {
      asked = touched(before.list, all.list);
      all.surfaces.putAll(before.surfaces);
      all.surfaces.keySet().removeAll(asked);
    }
    for (Surface s : all.list) {
      List<Side> sides = s.sides();
      for (int i = 0; i < Math.min(2, sides.size()); i++) {
        String space = sides.get(i).space();
        boolean again = asked == null || asked.contains(space);
        if (again && (i == 0 || !space.equals(sides.get(0).space()))) {
          all.surfaces.computeIfAbsent(space, k -> new ArrayList<>()).add(s);
        }
      }
    }
    envelope.spaces().parallelStream()
        .map(
            space ->
                before != null && before.isSame(space, all.surfacesOf(space.key()))
                    ? before.of(space.key())
                    : SpaceVolume.measure(space, all.bounding(space), rules))
        .toList()
        .forEach(v -> all.volumes.put(v.space().key(), v));
    return all;
  }

  /** Spaces of all surfaces between what both lists begin and end with. */
  private static Set<String> touched(List<Surface> old, List<Surface> now) {
    int most = Math.min(old.size(), now.size());
    int from = 0;
    while (from < most && old.get(from) == now.get(from)) {
      from++;
    }
    int end = 0;
    while (end < most - from && old.get(old.size() - 1 - end) == now.get(now.size() - 1 - end)) {
      end++;
    }
    Set<String> out = new HashSet<>();
    for (List<Surface> part :
        List.of(old.subList(from, old.size() - end), now.subList(from, now.size() - end))) {
      part.forEach(s -> s.sides().forEach(x -> out.add(x.space())));
    }
    return out;
  }

  private boolean isSame(Space space, List<Surface> bounds) {
    SpaceVolume v = volumes.get(space.key());
    List<Surface> own = surfacesOf(space.key());
    if (v == null || v.space() != space || own.size() != bounds.size()) {
      return false;
    }
    for (int i = 0; i < own.size(); i++) {
      if (own.get(i) != bounds.get(i)) {
        return false;
      }
    }
    return true;
  }

  private List<Surface> bounding(Space space) {
    return surfacesOf(space.key()).stream()
        .filter(s -> !s.isWithinOneSpace() && !s.type().isShading())
        .toList();
  }

  /** All surfaces that name the space as a neighbour, in the envelope's order. */
  public List<Surface> surfacesOf(String space) {
    return surfaces.getOrDefault(space, List.of());
  }

  /** The volume of a space, or null when the envelope has no such space. */
  public SpaceVolume of(String space) {
    return volumes.get(space);
  }

  /** The volume of one space alone, as it is measured among all others. */
  public static SpaceVolume ofOne(Envelope envelope, Space space, Rules rules) {
    SpaceVolumes one = new SpaceVolumes(rules, envelope.surfaces());
    one.surfaces.put(
        space.key(),
        envelope.surfaces().stream()
            .filter(s -> s.sides().stream().limit(2).anyMatch(x -> x.space().equals(space.key())))
            .toList());
    return SpaceVolume.measure(space, one.bounding(space), rules);
  }

  public Iterable<SpaceVolume> all() {
    return volumes.values();
  }

  /**
   * Which way a surface's polygon points, seen from its first space: +1 out of it, −1 into it, 0
   * when that cannot be told (no first space, no area, or not near that space's boundary). The
   * polygon may lie in the middle of a wall, so places up to 0.3 m before and behind are looked at.
   */
  public int direction(Surface s) {
    if (s.sides().isEmpty() || s.isWithinOneSpace() || s.polygon().normal().equals(Vec3.ZERO)) {
      return 0;
    }
    SpaceVolume v = volumes.get(s.sides().get(0).space());
    if (v == null || v.faces().faces().isEmpty()) {
      return 0;
    }
    Shell shell = v.faces();
    for (double step : new double[] {rules.tolerance().gap(), 0.1, 0.3}) {
      int d = shell.direction(s.polygon(), step);
      if (d != 0) {
        return d;
      }
    }
    return 0;
  }
}
