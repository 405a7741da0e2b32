package yentra.core.repair.surface;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Side;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Straightening;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;

/**
 * Joins surfaces that lie side by side in one plane, between the same spaces, of the same type and
 * construction: fewer surfaces with the same areas. The first of each group stays, with the
 * openings of all.
 */
public record MergeCoplanar() implements Repair {
  private record Alike(SurfaceType type, String construction, List<String> spaces) {}

  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Map<String, Surface> joined = new HashMap<>();
    Set<String> gone = new HashSet<>();
    for (List<Surface> group : groups(e, rules.tolerance())) {
      join(group, rules.tolerance(), joined, gone);
    }
    if (joined.isEmpty()) {
      throw new NotApplicableException("No two surfaces can be joined.");
    }
    return e.withSurfaces(
        e.surfaces().stream()
            .filter(s -> !gone.contains(s.key()))
            .map(s -> joined.getOrDefault(s.key(), s))
            .toList());
  }

  /** Surfaces that are alike and lie in one plane. */
  private static List<List<Surface>> groups(Envelope e, Tolerance tolerance) {
    Map<Alike, List<List<Surface>>> planes = new LinkedHashMap<>();
    for (Surface s : e.surfaces()) {
      if (s.sides().isEmpty() || s.polygon().normal().equals(Vec3.ZERO)) {
        continue;
      }
      List<List<Surface>> known =
          planes.computeIfAbsent(
              new Alike(s.type(), s.construction(), s.sides().stream().map(Side::space).toList()),
              k -> new ArrayList<>());
      known.stream()
          .filter(g -> onePlane(g.get(0), s, tolerance))
          .findFirst()
          .orElseGet(
              () -> {
                known.add(new ArrayList<>());
                return known.get(known.size() - 1);
              })
          .add(s);
    }
    return planes.values().stream().flatMap(List::stream).filter(g -> g.size() > 1).toList();
  }

  private static boolean onePlane(Surface a, Surface b, Tolerance tolerance) {
    boolean thick =
        Objects.equals(a.thickness(), b.thickness())
            || a.thickness() != null
                && b.thickness() != null
                && Math.abs(a.thickness() - b.thickness()) < tolerance.length();
    return thick
        && a.polygon().plane().angleTo(b.polygon().plane()) < tolerance.angle()
        && b.polygon().outer().stream()
            .allMatch(v -> Math.abs(a.polygon().plane().distance(v)) < tolerance.plane());
  }

  private static void join(
      List<Surface> group, Tolerance tolerance, Map<String, Surface> joined, Set<String> gone) {
    for (Polygon whole : PlanarOverlay.union(group.stream().map(Surface::polygon).toList())) {
      List<Surface> members =
          group.stream()
              .filter(s -> PlanarOverlay.commonArea(whole, s.polygon()) > 0.5 * s.polygon().area())
              .toList();
      if (members.size() < 2) {
        continue;
      }
      Surface first = members.get(0);
      Surface one = joined(first, members, tolerance);
      if (one != null) {
        joined.put(first.key(), one);
        members.stream().skip(1).forEach(s -> gone.add(s.key()));
      }
    }
  }

  /**
   * One surface of several that touch in one plane, with the key and properties of the first; null
   * where they do not give one polygon on each side.
   */
  static Surface joined(Surface first, List<Surface> members, Tolerance tolerance) {
    List<Polygon> whole = PlanarOverlay.union(members.stream().map(Surface::polygon).toList());
    if (whole.size() != 1) {
      return null;
    }
    Polygon outline = Straightening.of(whole.get(0), tolerance);
    List<Side> sides = new ArrayList<>();
    for (int i = 0; i < first.sides().size(); i++) {
      Side own = first.sides().get(i);
      if (own.face() == null) {
        sides.add(own);
        continue;
      }
      int side = i;
      List<Polygon> there = PlanarOverlay.union(members.stream().map(s -> s.face(side)).toList());
      if (there.size() != 1) {
        return null;
      }
      sides.add(own.withFace(Straightening.of(there.get(0), tolerance)));
    }
    List<Opening> openings = new ArrayList<>();
    members.forEach(s -> openings.addAll(s.openings()));
    return first.withPolygon(outline, sides).withOpenings(openings);
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return this;
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    return String.format(
        Locale.ROOT,
        "Joins surfaces that lie side by side: %d became %d.",
        before.surfaces().size(),
        after.surfaces().size());
  }
}
