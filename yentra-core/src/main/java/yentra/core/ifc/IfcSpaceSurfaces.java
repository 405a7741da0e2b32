package yentra.core.ifc;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Predicate;
import yentra.core.boundary.BoundaryDerivation;
import yentra.core.boundary.BoundaryMatching;
import yentra.core.boundary.BoundaryOptions;
import yentra.core.boundary.DeliveredBoundary;
import yentra.core.boundary.DeliveredJudgement;
import yentra.core.boundary.DerivationOptions;
import yentra.core.boundary.Ground;
import yentra.core.boundary.Room;
import yentra.core.boundary.Watch;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Side;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.Uncovered;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Shell;
import yentra.core.geometry.Tolerance;
import yentra.core.model.Element;

/**
 * The surfaces of an IFC model's spaces: delivered second-level boundaries where they are sound,
 * derived ones elsewhere.
 */
final class IfcSpaceSurfaces {
  /** Share of a delivered surface that must lie on a derived one to be replaced by it. */
  private static final double REPLACED = 0.5;

  private static final String ASKED = "as asked";

  private final IfcModel model;
  private final Predicate<Element> inScope;
  private final IfcConstructions constructions;
  private final BoundaryOptions options;
  private final Ground ground;
  private final Watch watch;
  private final Tolerance tolerance;
  private final List<String> notes = new ArrayList<>();
  private Map<String, List<String>> grouping = Map.of();
  private List<Surface> surfaces = List.of();
  private List<Opening> orphans = List.of();
  private List<Uncovered> uncovered = List.of();
  private List<DeliveredJudgement.Astray> astray = List.of();

  IfcSpaceSurfaces(
      IfcModel model,
      Predicate<Element> inScope,
      IfcConstructions constructions,
      BoundaryOptions options,
      Ground ground,
      Watch watch,
      Tolerance tolerance) {
    this.model = model;
    this.inScope = inScope;
    this.constructions = constructions;
    this.options = options;
    this.ground = ground;
    this.watch = watch;
    this.tolerance = tolerance;
  }

  List<Surface> surfaces() {
    return surfaces;
  }

  List<Opening> orphans() {
    return orphans;
  }

  List<Uncovered> uncovered() {
    return uncovered;
  }

  /** Delivered boundaries that lie on no face of their space. */
  List<DeliveredJudgement.Astray> astray() {
    return astray;
  }

  /** Spaces that only group others, with those that they hold. */
  Map<String, List<String>> grouping() {
    return grouping;
  }

  List<String> notes() {
    return notes;
  }

  void make(List<Space> spaces, List<DeliveredBoundary> boundaries, int firstLevel) {
    List<Room> rooms = rooms(spaces);
    DeliveredJudgement judged = DeliveredJudgement.of(rooms, boundaries, tolerance);
    astray = judged.astray();
    Map<String, String> faults = faults(rooms, judged);
    BoundaryMatching.Matched delivered =
        new BoundaryMatching(ground, options.derivation().types(), tolerance)
            .match(boundaries, constructions);
    if (options.mode() == BoundaryOptions.Mode.AUTO && faults.size() < rooms.size()) {
      delivered = halves(rooms, delivered, faults);
    }
    if (faults.isEmpty()) {
      surfaces = new ArrayList<>(delivered.surfaces());
      orphans = delivered.orphans();
      bare(spaces, boundaries);
      return;
    }
    BoundaryDerivation.Derived derived = derive(rooms, options.derivation());
    uncovered = derived.uncovered();
    notes.addAll(derived.unpaired());
    say(faults, spaces, firstLevel);
    merge(delivered, derived, faults.keySet());
    Set<String> replaced = faults.keySet();
    bare(spaces.stream().filter(s -> !replaced.contains(s.key())).toList(), boundaries);
  }

  /** Spaces whose boundaries are derived, with the reason. */
  private Map<String, String> faults(List<Room> rooms, DeliveredJudgement judged) {
    Map<String, String> out = new TreeMap<>();
    for (Room r : rooms) {
      String fault =
          switch (options.mode(r.key())) {
            case KEEP -> null;
            case AUTO -> judged.faults().get(r.key());
            case DERIVE -> ASKED;
          };
      if (fault != null) {
        out.put(r.key(), fault);
      }
    }
    return out;
  }

  private BoundaryDerivation.Derived derive(List<Room> rooms, DerivationOptions how) {
    IfcConstruction construction = new IfcConstruction(model, inScope);
    return new BoundaryDerivation(
            rooms, construction.barriers(), construction.cuts(), ground, how, tolerance)
        .derive(constructions, watch);
  }

  /**
   * Delivered boundaries that are said to face another space, but that no boundary looks back at.
   * Where only construction lies behind them they are of type 2b, which many deliveries do not say;
   * else their space is not sound.
   */
  private BoundaryMatching.Matched halves(
      List<Room> rooms, BoundaryMatching.Matched delivered, Map<String, String> faults) {
    boolean any =
        delivered.surfaces().stream().anyMatch(s -> half(s) && !faults.containsKey(room(s)));
    if (!any) {
      return delivered;
    }
    Map<String, List<Surface>> derived = new HashMap<>();
    for (Surface s : derive(rooms, options.derivation().absorbing(false)).surfaces()) {
      if (s.kind() == BoundaryKind.DERIVED_2B) {
        derived.computeIfAbsent(room(s), k -> new ArrayList<>()).add(s);
      }
    }
    List<Surface> out = new ArrayList<>();
    for (Surface s : delivered.surfaces()) {
      if (!half(s)) {
        out.add(s);
        continue;
      }
      double covered =
          derived.getOrDefault(room(s), List.of()).stream()
              .filter(d -> onePlane(d.polygon(), s.polygon()))
              .mapToDouble(d -> PlanarOverlay.commonArea(s.polygon(), d.polygon()))
              .sum();
      boolean construction = covered >= REPLACED * s.polygon().area();
      if (!construction && options.mode(room(s)) == BoundaryOptions.Mode.AUTO) {
        faults.putIfAbsent(room(s), "a boundary to another space has none on the other side");
      }
      Surface known =
          s.construction() != null
              ? s
              : s.withConstruction(
                  derived.getOrDefault(room(s), List.of()).stream()
                      .filter(d -> onePlane(d.polygon(), s.polygon()))
                      .map(Surface::construction)
                      .filter(java.util.Objects::nonNull)
                      .findFirst()
                      .orElse(null));
      out.add(
          construction ? known.withKind(BoundaryKind.READ_2B, options.derivation().types()) : s);
    }
    return new BoundaryMatching.Matched(out, delivered.orphans());
  }

  private static boolean half(Surface s) {
    return s.type().isInterior() && s.sides().size() == 1 && s.kind() != BoundaryKind.READ_2B;
  }

  private static String room(Surface s) {
    return s.sides().get(0).space();
  }

  private static boolean onePlane(Polygon a, Polygon b) {
    return a.plane().angleTo(b.plane()) < 5 && Math.abs(a.plane().distance(b.mean())) < 0.05;
  }

  /** Spaces with a body, turned outwards; those that only group others are left out. */
  private List<Room> rooms(List<Space> spaces) {
    List<Room> all = GroupingSpaces.rooms(spaces, tolerance);
    grouping = GroupingSpaces.of(all);
    return all.stream().filter(r -> !grouping.containsKey(r.key())).toList();
  }

  private void say(Map<String, String> faults, List<Space> spaces, int firstLevel) {
    Map<String, String> labels = new HashMap<>();
    spaces.forEach(s -> labels.put(s.key(), s.label()));
    Map<String, Integer> why = new TreeMap<>();
    faults.forEach((space, reason) -> why.merge(reason, 1, Integer::sum));
    int none = why.getOrDefault(DeliveredJudgement.NONE, 0);
    if (none > 0) {
      notes.add(
          none
              + (none == 1 ? " space has" : " spaces have")
              + " no second-level boundaries"
              + (firstLevel > 0 ? " (" + firstLevel + " of the first level)" : "")
              + ": they were derived from the bodies of spaces and elements");
    }
    faults.forEach(
        (space, reason) -> {
          if (!reason.equals(DeliveredJudgement.NONE) && !reason.equals(ASKED)) {
            notes.add(
                "the boundaries that the delivery gives for the space "
                    + labels.get(space)
                    + " are not sound ("
                    + reason
                    + "): they were derived instead");
          }
        });
  }

  /** Delivered surfaces between sound spaces and what lies outside, derived ones for the others. */
  private void merge(
      BoundaryMatching.Matched delivered, BoundaryDerivation.Derived derived, Set<String> unsound) {
    Map<String, List<Surface>> towardsUnsound = new HashMap<>();
    List<Surface> out = new ArrayList<>();
    for (Surface s : derived.surfaces()) {
      if (s.sides().stream().anyMatch(x -> unsound.contains(x.space()))) {
        out.add(s);
        s.sides()
            .forEach(x -> towardsUnsound.computeIfAbsent(x.space(), k -> new ArrayList<>()).add(s));
      }
    }
    for (Surface s : delivered.surfaces()) {
      boolean kept = s.sides().stream().noneMatch(x -> unsound.contains(x.space()));
      if (kept && !replaced(s, towardsUnsound)) {
        out.add(s);
      }
    }
    out.addAll(derived.shades());
    surfaces = out;
    List<Opening> loose = new ArrayList<>(derived.orphans());
    if (unsound.isEmpty()) {
      loose.addAll(delivered.orphans());
    }
    orphans = loose;
  }

  private static boolean replaced(Surface s, Map<String, List<Surface>> by) {
    for (Side side : s.sides()) {
      for (Surface d : by.getOrDefault(side.space(), List.of())) {
        int i = d.sides().get(0).space().equals(side.space()) ? 0 : 1;
        Polygon face = d.face(i);
        if (onePlane(face, s.polygon())
            && PlanarOverlay.commonArea(face, s.polygon()) > REPLACED * s.polygon().area()) {
          return true;
        }
      }
    }
    return false;
  }

  /** The faces of spaces that have no boundaries, as surfaces that are not resolved. */
  private void bare(List<Space> spaces, List<DeliveredBoundary> boundaries) {
    Set<String> bounded = new HashSet<>();
    boundaries.forEach(b -> bounded.add(b.space()));
    int n = 0;
    for (Space s : spaces) {
      if (bounded.contains(s.key()) || grouping.containsKey(s.key()) || s.shell().isEmpty()) {
        continue;
      }
      n++;
      List<Polygon> faces = Shell.of(s.shell()).outward(tolerance.gap()).faces();
      for (int i = 0; i < faces.size(); i++) {
        surfaces.add(
            Surface.of(
                    "su_" + s.key().substring(3) + "_" + (i + 1),
                    SurfaceType.UNRESOLVED,
                    faces.get(i),
                    BoundaryKind.FACE)
                .with()
                .sides(List.of(Side.of(s.key())))
                .source(s.source())
                .build());
      }
    }
    if (n > 0) {
      notes.add(
          n
              + (n == 1 ? " space has" : " spaces have")
              + " no second-level boundaries: the faces of the body are taken as surfaces, and what lies behind them is not resolved");
    }
  }
}
