package yentra.core.check.measure;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import yentra.core.boundary.SpaceVolume;
import yentra.core.boundary.SpaceVolumes;
import yentra.core.geometry.Box;
import yentra.core.geometry.BoxIndex;
import yentra.core.geometry.Plane;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Shell;
import yentra.core.geometry.SolidOverlay;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/**
 * Which enclosed spaces share volume. Pairs are found by their boxes (STR tree), then dropped when
 * a face plane of one, with all of that one behind it, has all of the other before it; of what is
 * left the common solid is worked out.
 */
public final class SpaceOverlaps {
  /** Solids with more faces than this are not cut but probed on a grid. */
  private static final int MOST_FACES = 3000;

  private static final int PROBES = 24;

  /** Changed spaces up to which all others are gone through for each. */
  private static final int FEW = 16;

  private final List<Overlap> all;

  /**
   * Two spaces and what they share.
   *
   * @param volume in m³
   * @param solid the common solid's faces; empty where it was probed only
   */
  public record Overlap(SpaceVolume a, SpaceVolume b, double volume, List<Polygon> solid) {
    /** The share of the smaller of the two that lies in the other, 0 to 1. */
    double share() {
      return volume / Math.max(1e-9, smaller().volume());
    }

    SpaceVolume smaller() {
      return a.volume() <= b.volume() ? a : b;
    }

    SpaceVolume larger() {
      return a.volume() <= b.volume() ? b : a;
    }
  }

  private SpaceOverlaps(List<Overlap> all) {
    this.all = all;
  }

  /** All pairs, in the envelope's order. */
  public List<Overlap> all() {
    return all;
  }

  /**
   * @param before what other volumes shared, or null; pairs of which neither has changed are kept
   * @param old those volumes
   */
  static SpaceOverlaps of(
      SpaceVolumes volumes, Tolerance tolerance, SpaceOverlaps before, SpaceVolumes old) {
    List<SpaceVolume> spaces = new ArrayList<>();
    volumes.all().forEach(spaces::add);
    boolean[] same = new boolean[spaces.size()];
    int changed = 0;
    Map<SpaceVolume, Integer> places = new IdentityHashMap<>();
    for (int i = 0; i < same.length; i++) {
      same[i] = before != null && old.of(spaces.get(i).space().key()) == spaces.get(i);
      changed += same[i] ? 0 : 1;
      places.put(spaces.get(i), i);
    }
    List<Box> boxes =
        spaces.stream().map(v -> measurable(v) ? v.faces().box() : Box.EMPTY).toList();
    // an index is not worth its making for a few
    BoxIndex index = changed > FEW ? new BoxIndex(boxes) : null;
    List<int[]> pairs = new ArrayList<>();
    for (int i = 0; i < spaces.size(); i++) {
      if (same[i] || !measurable(spaces.get(i))) {
        continue;
      }
      for (int j : index == null ? meeting(boxes, i) : index.meeting(boxes.get(i))) {
        if ((j > i || same[j]) && deep(boxes.get(i), boxes.get(j), tolerance)) {
          pairs.add(new int[] {Math.min(i, j), Math.max(i, j)});
        }
      }
    }
    pairs.sort(Comparator.<int[]>comparingInt(p -> p[0]).thenComparingInt(p -> p[1]));
    List<Overlap> found =
        new ArrayList<>(
            pairs.parallelStream()
                .filter(p -> !separated(spaces.get(p[0]), spaces.get(p[1]), tolerance))
                .map(p -> overlap(spaces.get(p[0]), spaces.get(p[1]), tolerance))
                .filter(o -> o.volume > 0)
                .toList());
    if (before != null) {
      before.all.stream()
          .filter(o -> kept(places.get(o.a), same) && kept(places.get(o.b), same))
          .forEach(found::add);
      found.sort(
          Comparator.comparingInt((Overlap o) -> places.get(o.a))
              .thenComparingInt(o -> places.get(o.b)));
    }
    return new SpaceOverlaps(List.copyOf(found));
  }

  private static int[] meeting(List<Box> boxes, int i) {
    return IntStream.range(0, boxes.size())
        .filter(j -> boxes.get(j).intersects(boxes.get(i)))
        .toArray();
  }

  private static boolean kept(Integer place, boolean[] same) {
    return place != null && same[place];
  }

  private static boolean measurable(SpaceVolume v) {
    return v.enclosed() && v.volume() > 0;
  }

  private static boolean deep(Box a, Box b, Tolerance t) {
    double z = Math.min(a.max().z(), b.max().z()) - Math.max(a.min().z(), b.min().z());
    double x = Math.min(a.max().x(), b.max().x()) - Math.max(a.min().x(), b.min().x());
    double y = Math.min(a.max().y(), b.max().y()) - Math.max(a.min().y(), b.min().y());
    return x > t.length() && y > t.length() && z > t.length();
  }

  private static boolean separated(SpaceVolume a, SpaceVolume b, Tolerance t) {
    return separates(a, b, t) || separates(b, a, t);
  }

  private static boolean separates(SpaceVolume a, SpaceVolume b, Tolerance t) {
    for (Polygon f : a.faces().faces()) {
      Plane p = f.plane();
      if (all(a, v -> p.distance(v) <= t.length()) && all(b, v -> p.distance(v) >= -t.length())) {
        return true;
      }
    }
    return false;
  }

  private static boolean all(SpaceVolume s, java.util.function.Predicate<Vec3> test) {
    for (Polygon f : s.faces().faces()) {
      for (Vec3 v : f.outer()) {
        if (!test.test(v)) {
          return false;
        }
      }
    }
    return true;
  }

  private static Overlap overlap(SpaceVolume a, SpaceVolume b, Tolerance t) {
    List<Polygon> fa = a.faces().faces();
    List<Polygon> fb = b.faces().faces();
    if (fa.size() + fb.size() > MOST_FACES) {
      return new Overlap(a, b, probed(a.faces(), b.faces()), List.of());
    }
    List<Polygon> solid = SolidOverlay.intersection(fa, fb, t);
    double volume = Math.max(0, Shell.of(solid).signedVolume());
    return new Overlap(a, b, Math.min(volume, Math.min(a.volume(), b.volume())), solid);
  }

  /** The volume that lies in both, from the middles of a grid of cells over the common box. */
  private static double probed(Shell a, Shell b) {
    Vec3 min = max(a.box().min(), b.box().min(), 1);
    Vec3 max = max(a.box().max(), b.box().max(), -1);
    Vec3 d = max.minus(min);
    int in = 0;
    for (int i = 0; i < PROBES * PROBES * PROBES; i++) {
      Vec3 p =
          new Vec3(
              min.x() + d.x() * (i % PROBES + 0.5) / PROBES,
              min.y() + d.y() * (i / PROBES % PROBES + 0.5) / PROBES,
              min.z() + d.z() * (i / PROBES / PROBES + 0.5) / PROBES);
      in += a.insideShare(p) > 0.5 && b.insideShare(p) > 0.5 ? 1 : 0;
    }
    return d.x() * d.y() * d.z() * in / (PROBES * PROBES * PROBES);
  }

  private static Vec3 max(Vec3 a, Vec3 b, int sign) {
    return sign > 0
        ? new Vec3(Math.max(a.x(), b.x()), Math.max(a.y(), b.y()), Math.max(a.z(), b.z()))
        : new Vec3(Math.min(a.x(), b.x()), Math.min(a.y(), b.y()), Math.min(a.z(), b.z()));
  }
}
