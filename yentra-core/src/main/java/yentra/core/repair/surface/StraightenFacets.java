package yentra.core.repair.surface;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Side;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;

/**
 * Makes fewer facets of walls that are curved in plan: an upright corner between two facets is left
 * out where the wall then lies nowhere farther than the chord error from where it was. Floors and
 * ceilings lose the corner too, so that the space stays closed; a corner stays where anything else
 * meets it, and where a facet holds openings.
 *
 * <p>Method: corners are left out one after the other; of a facet that has come of several all
 * corners left out so far are held against the chord.
 *
 * @param chord largest distance that the wall may move, in metres
 */
public record StraightenFacets(double chord) implements Repair {
  /** Facets that turn by more than this are walls that meet in a corner, in degrees. */
  private static final double SHARPEST = 35;

  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    if (!(chord > 0)) {
      throw new NotApplicableException("The largest distance must be above zero.");
    }
    Plan plan = new Plan(e, rules.tolerance());
    boolean any = false;
    for (Corner c : plan.corners()) {
      any |= plan.leaveOut(c, chord);
    }
    if (!any) {
      throw new NotApplicableException("No wall has facets that could be joined.");
    }
    return plan.envelope();
  }

  /** A place in plan, to a millimetre, as a corner of a space. */
  private record Corner(String space, long x, long y) {}

  /** The envelope while corners are left out. */
  private static final class Plan {
    private final Envelope envelope;
    private final Tolerance tolerance;
    private final Map<String, Surface> surfaces = new LinkedHashMap<>();
    private final Map<String, Set<String>> bySpace = new HashMap<>();
    private final Set<String> changed = new HashSet<>();

    /** Places left out, by the facet that has come of it and the side. */
    private final Map<String, List<Vec3>> gone = new HashMap<>();

    Plan(Envelope envelope, Tolerance tolerance) {
      this.envelope = envelope;
      this.tolerance = tolerance;
      for (Surface s : envelope.surfaces()) {
        surfaces.put(s.key(), s);
        s.sides()
            .forEach(
                x -> bySpace.computeIfAbsent(x.space(), k -> new LinkedHashSet<>()).add(s.key()));
      }
    }

    private Corner corner(String space, Vec3 p) {
      // off the grid that plans are drawn on
      double unit = tolerance.length();
      return new Corner(space, Math.round(p.x() / unit + 0.37), Math.round(p.y() / unit + 0.37));
    }

    List<Corner> corners() {
      Set<Corner> out = new LinkedHashSet<>();
      for (Surface s : surfaces.values()) {
        if (isFacet(s)) {
          for (int i = 0; i < s.sides().size(); i++) {
            String space = s.sides().get(i).space();
            s.face(i).outer().forEach(p -> out.add(corner(space, p)));
          }
        }
      }
      return List.copyOf(out);
    }

    private static boolean isFacet(Surface s) {
      return !s.sides().isEmpty()
          && !s.isWithinOneSpace()
          && s.openings().isEmpty()
          && isUpright(s.polygon())
          && s.polygon().outer().size() == 4
          && s.polygon().holes().isEmpty();
    }

    private static boolean isUpright(Polygon p) {
      return Math.abs(p.tilt() - 90) < 0.5;
    }

    private static boolean isLevel(Polygon p) {
      return Math.abs(p.normal().z()) > 0.9999;
    }

    /** Leaves a corner out, with its other sides, or changes nothing. */
    boolean leaveOut(Corner first, double chord) {
      Set<Corner> all = new LinkedHashSet<>(Set.of(first));
      Deque<Corner> open = new ArrayDeque<>(all);
      Map<String, String> joins = new LinkedHashMap<>();
      Set<String> level = new LinkedHashSet<>();
      while (!open.isEmpty()) {
        Corner c = open.poll();
        List<Surface> facets = new ArrayList<>();
        for (String key : bySpace.getOrDefault(c.space, Set.of())) {
          Surface s = surfaces.get(key);
          if (!meets(s, c)) {
            continue;
          }
          if (isFacet(s)) {
            facets.add(s);
          } else if (isLevel(s.polygon())) {
            level.add(key);
            others(s, c).stream().filter(all::add).forEach(open::add);
          } else {
            return false;
          }
        }
        if (facets.size() != 2 || !fit(facets.get(0), facets.get(1), c, chord)) {
          return false;
        }
        joins.put(facets.get(0).key(), facets.get(1).key());
        // the far side of a wall has its corner elsewhere
        facets.forEach(f -> others(f, facets, c).stream().filter(all::add).forEach(open::add));
      }
      return apply(all, joins, level);
    }

    private boolean meets(Surface s, Corner c) {
      for (int i = 0; i < s.sides().size(); i++) {
        if (s.sides().get(i).space().equals(c.space)
            && s.face(i).rings().stream()
                .flatMap(List::stream)
                .anyMatch(p -> corner(c.space, p).equals(c))) {
          return true;
        }
      }
      return false;
    }

    /** The same place of a floor or ceiling in the space on its other side. */
    private Set<Corner> others(Surface s, Corner c) {
      Set<Corner> out = new HashSet<>();
      for (int i = 0; i < s.sides().size(); i++) {
        String space = s.sides().get(i).space();
        if (!space.equals(c.space)) {
          for (Vec3 p : s.face(i).outer()) {
            Corner there = corner(space, p);
            if (there.x == c.x && there.y == c.y) {
              out.add(there);
            }
          }
        }
      }
      return out;
    }

    /** The place where two facets meet in the space on their other side. */
    private Set<Corner> others(Surface facet, List<Surface> both, Corner c) {
      Set<Corner> out = new HashSet<>();
      for (int i = 0; i < facet.sides().size(); i++) {
        String space = facet.sides().get(i).space();
        if (space.equals(c.space)) {
          continue;
        }
        for (Vec3 p : facet.face(i).outer()) {
          Corner there = corner(space, p);
          if (both.stream().allMatch(f -> meets(f, there))) {
            out.add(there);
          }
        }
      }
      return out;
    }

    private boolean fit(Surface a, Surface b, Corner c, double chord) {
      boolean alike =
          a.type() == b.type()
              && Objects.equals(a.construction(), b.construction())
              && a.sides().stream()
                  .map(Side::space)
                  .toList()
                  .equals(b.sides().stream().map(Side::space).toList())
              && a.polygon().plane().angleTo(b.polygon().plane()) < SHARPEST;
      if (!alike) {
        return false;
      }
      for (int i = 0; i < a.sides().size(); i++) {
        if (!a.sides().get(i).space().equals(c.space)) {
          continue;
        }
        Polygon joined = joined(a.face(i), b.face(i), c);
        if (joined == null) {
          return false;
        }
        List<Vec3> left = new ArrayList<>(gone.getOrDefault(a.key() + "/" + i, List.of()));
        left.addAll(gone.getOrDefault(b.key() + "/" + i, List.of()));
        at(a.face(i), c).forEach(left::add);
        if (left.stream().anyMatch(p -> Math.abs(joined.plane().distance(p)) > chord)) {
          return false;
        }
      }
      return true;
    }

    private List<Vec3> at(Polygon face, Corner c) {
      return face.outer().stream().filter(p -> corner(c.space, p).equals(c)).toList();
    }

    /** The rectangle from the far edge of one facet to that of the other; null where none is. */
    private Polygon joined(Polygon a, Polygon b, Corner c) {
      List<Vec3> ring = new ArrayList<>(a.outer());
      List<Vec3> far = b.outer().stream().filter(p -> !corner(c.space, p).equals(c)).toList();
      if (far.size() != 2) {
        return null;
      }
      for (int k = 0; k < ring.size(); k++) {
        Vec3 p = ring.get(k);
        if (corner(c.space, p).equals(c)) {
          Vec3 to =
              Math.abs(far.get(0).z() - p.z()) < Math.abs(far.get(1).z() - p.z())
                  ? far.get(0)
                  : far.get(1);
          if (Math.abs(to.z() - p.z()) > tolerance.length()) {
            return null;
          }
          ring.set(k, to);
        }
      }
      return new HashSet<>(ring).size() == 4 ? Polygon.of(ring) : null;
    }

    private boolean apply(Set<Corner> all, Map<String, String> joins, Set<String> level) {
      Map<String, Surface> next = new LinkedHashMap<>();
      Set<String> removed = new HashSet<>();
      for (Map.Entry<String, String> j : joins.entrySet()) {
        Surface a = surfaces.get(j.getKey());
        Surface b = surfaces.get(j.getValue());
        if (removed.contains(a.key()) || next.containsKey(a.key()) || removed.contains(b.key())) {
          continue;
        }
        List<Polygon> faces = new ArrayList<>();
        for (int i = 0; i < a.sides().size(); i++) {
          int side = i;
          String space = a.sides().get(i).space();
          Corner c =
              all.stream()
                  .filter(x -> x.space.equals(space))
                  .filter(x -> !at(a.face(side), x).isEmpty() && !at(b.face(side), x).isEmpty())
                  .findFirst()
                  .orElse(null);
          Polygon joined = c == null ? null : joined(a.face(i), b.face(i), c);
          if (joined == null) {
            return false;
          }
          faces.add(joined);
          List<Vec3> left = new ArrayList<>(gone.getOrDefault(a.key() + "/" + i, List.of()));
          left.addAll(gone.getOrDefault(b.key() + "/" + i, List.of()));
          left.addAll(at(a.face(i), c));
          gone.put(a.key() + "/" + i, left);
        }
        next.put(a.key(), with(a, faces));
        removed.add(b.key());
      }
      for (String key : level) {
        Surface s = surfaces.get(key);
        List<Polygon> faces = new ArrayList<>();
        for (int i = 0; i < s.sides().size(); i++) {
          Polygon f = without(s.face(i), s.sides().get(i).space(), all);
          if (f == null) {
            return false;
          }
          faces.add(f);
        }
        next.put(key, with(s, faces));
      }
      all.forEach(c -> changed.add(c.space));
      removed.forEach(
          k -> {
            surfaces.remove(k);
            bySpace.values().forEach(set -> set.remove(k));
          });
      surfaces.putAll(next);
      return true;
    }

    private static Surface with(Surface s, List<Polygon> faces) {
      List<Side> sides = new ArrayList<>();
      for (int i = 0; i < s.sides().size(); i++) {
        Side x = s.sides().get(i);
        sides.add(x.face() == null ? x : x.withFace(faces.get(i)));
      }
      // the surface's own polygon is that of its first side, the way it was turned
      Polygon own = faces.get(0);
      return s.withPolygon(
          own.normal().dot(s.polygon().normal()) < 0 ? own.reversed() : own, sides);
    }

    private Polygon without(Polygon f, String space, Set<Corner> all) {
      List<List<Vec3>> rings = new ArrayList<>();
      for (List<Vec3> ring : f.rings()) {
        List<Vec3> left = ring.stream().filter(p -> !all.contains(corner(space, p))).toList();
        if (left.size() < 3) {
          return null;
        }
        rings.add(left);
      }
      return new Polygon(rings.get(0), rings.subList(1, rings.size()));
    }

    Envelope envelope() {
      List<Space> spaces =
          envelope.spaces().stream()
              // the surfaces say what it is bounded by
              .map(s -> changed.contains(s.key()) ? s.withShell(List.of()) : s)
              .toList();
      return envelope
          .withSpaces(spaces)
          .withSurfaces(
              envelope.surfaces().stream()
                  .map(s -> surfaces.get(s.key()))
                  .filter(Objects::nonNull)
                  .toList());
    }
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return this;
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    return String.format(
        Locale.ROOT,
        "Leaves out %d facets of curved walls, which move by at most %.0f mm.",
        before.surfaces().size() - after.surfaces().size(),
        chord * 1000);
  }
}
