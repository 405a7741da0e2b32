package yentra.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Space;
import yentra.core.envelope.UnreadableException;
import yentra.core.geometry.Plane;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Straightening;
import yentra.core.geometry.Vec3;
import yentra.core.plan.PlanDocument.FloorPlan;
import yentra.core.plan.PlanDocument.Label;
import yentra.core.plan.PlanDocument.RoofRule;
import yentra.core.plan.PlanDocument.StoreyPlan;

/**
 * The volumes of a drawn building: the faces of each storey from its level to its top, those that
 * rise through storeys above, and roofs.
 */
final class Stacking {
  private static final PlaneFrame SHEET = PlaneFrame.of(new Plane(Vec3.ZERO, Vec3.Z));

  /** Storeys that are less than this apart are meant to stand on each other, m. */
  private static final double SLAB = 1;

  private final PlanDocument document;
  private final Rules rules;
  private final Drawn drawn;
  private final Areas areas;
  private final List<Volume> volumes = new ArrayList<>();
  private final List<ReadNote> notes = new ArrayList<>();
  private final DrawnSpaces spaces;
  private final TreeSet<Double> heights = new TreeSet<>();

  /** Of each storey: the volumes that end at its top. */
  private final Map<String, List<Integer>> ending = new HashMap<>();

  private Stacking(PlanDocument document, Rules rules) {
    this.document = document;
    this.rules = rules;
    this.spaces = new DrawnSpaces(document);
    this.drawn = new Drawn(document.tolerance());
    this.areas = new Areas(rules.tolerance().length());
  }

  /**
   * Stacks a document's floors.
   *
   * @throws UnreadableException when outlines are tangled or volumes overlap
   */
  static Stacking of(PlanDocument document, Rules rules) throws UnreadableException {
    Stacking s = new Stacking(document, rules);
    s.floors();
    s.tellGaps();
    s.roofs();
    VolumeOverlaps.refuse(s.volumes, rules.tolerance().length());
    return s;
  }

  List<Volume> volumes() {
    return volumes;
  }

  List<ReadNote> notes() {
    return notes;
  }

  Drawn drawn() {
    return drawn;
  }

  /** Heights within the length tolerance are one. */
  private double height(double z) {
    double e = rules.tolerance().length();
    Double near = heights.floor(z + e);
    if (near != null && near >= z - e) {
      return near;
    }
    heights.add(z);
    return z;
  }

  private StoreyPlan storey(String name) {
    return document.storeys().stream().filter(s -> s.name().equals(name)).findFirst().orElseThrow();
  }

  private void floors() throws UnreadableException {
    List<Tracing.Traced> traced = new ArrayList<>();
    for (FloorPlan f : document.floors()) {
      traced.add(Tracing.outlines(f, drawn, areas));
    }
    for (Tracing.Traced t : traced) {
      Tracing.lines(t, drawn, document.tolerance());
    }
    Map<String, List<Tracing.Traced>> on = new LinkedHashMap<>();
    document.storeys().forEach(s -> on.put(s.name(), new ArrayList<>()));
    for (Tracing.Traced t : traced) {
      on.get(t.floor().storey()).add(t);
      for (String copy : t.floor().copies()) {
        on.get(copy).add(t);
      }
    }
    Map<List<Tracing.Traced>, FloorLayout> layouts = new HashMap<>();
    Map<String, List<Polygon>> risen = new HashMap<>();
    for (StoreyPlan s :
        document.storeys().stream()
            .sorted(Comparator.comparingDouble(StoreyPlan::level))
            .toList()) {
      List<Tracing.Traced> floors = on.get(s.name());
      if (floors.isEmpty()) {
        continue;
      }
      FloorLayout layout = layouts.get(floors);
      if (layout == null) {
        layout = FloorLayout.of(floors, document.tolerance());
        layouts.put(floors, layout);
      }
      List<FloorPlan> plans = floors.stream().map(Tracing.Traced::floor).toList();
      stack(s, layout, plans, risen);
    }
  }

  private void stack(
      StoreyPlan s, FloorLayout layout, List<FloorPlan> plans, Map<String, List<Polygon>> risen)
      throws UnreadableException {
    Set<Label> original = new HashSet<>();
    plans.stream()
        .filter(f -> f.storey().equals(s.name()))
        .forEach(f -> original.addAll(f.labels()));
    for (Label l : layout.astray()) {
      if (original.contains(l) && !l.isAnchor()) {
        notes.add(astray(l));
      }
    }
    Map<Object, Integer> pieces = new HashMap<>();
    for (FloorLayout.Face face : layout.faces()) {
      List<Polygon> left = left(face.plan(), risen.get(s.name()));
      for (Polygon p : left) {
        StoreyPlan last = s;
        if (face.label() != null && original.contains(face.label())) {
          for (String up : face.label().rises()) {
            last = risesTo(face.label(), last, storey(up));
            risen.computeIfAbsent(up, k -> new ArrayList<>()).add(p);
          }
        }
        Object known = face.label() != null ? face.label() : face.part();
        int piece = known == null ? 0 : pieces.merge(known, 1, Integer::sum);
        Space space = spaces.of(s, face, p, piece, original);
        double top = height(last.top());
        ending.computeIfAbsent(last.name(), k -> new ArrayList<>()).add(volumes.size());
        volumes.add(
            new Volume(
                volumes.size(),
                space,
                s,
                height(s.level()),
                p,
                List.of(new Volume.Cell(p, Slope.level(top), null)),
                FloorLayout.drawnOn(plans)));
      }
    }
  }

  private static ReadNote astray(Label l) {
    String name = l.name().isEmpty() ? l.origin().label() : l.name();
    return ReadNote.of(
            ReadNote.Kind.LEFT_OUT,
            String.format(
                Locale.ROOT,
                "%s: what is said of %s at %.2f, %.2f is for no room: none is there, or it has its name already.",
                l.origin().path(),
                name,
                l.at().x(),
                l.at().y()))
        .on("spaces", name)
        .at(l.origin().line(), l.origin().column());
  }

  private StoreyPlan risesTo(Label label, StoreyPlan last, StoreyPlan next)
      throws UnreadableException {
    if (Math.abs(next.level() - last.top()) > document.tolerance()) {
      throw label
          .origin()
          .refused(
              String.format(
                  Locale.ROOT,
                  "the space cannot rise from %s, which ends at %.3f m, through %s, which begins at %.3f m. Name the storeys above it from the bottom.",
                  last.name(),
                  last.top(),
                  next.name(),
                  next.level()));
    }
    return next;
  }

  /** What of a face no space from below reaches through. */
  private List<Polygon> left(Polygon face, List<Polygon> risen) {
    return risen == null ? List.of(face) : areas.left(face, risen);
  }

  /** A storey that ends a little below another one was meant to reach it. */
  private void tellGaps() {
    for (StoreyPlan s : document.storeys()) {
      for (StoreyPlan t : document.storeys()) {
        double gap = t.level() - s.top();
        if (gap > rules.tolerance().length() && gap < SLAB && areAbove(t, s)) {
          notes.add(
              ReadNote.of(
                      ReadNote.Kind.ASSUMED,
                      String.format(
                          Locale.ROOT,
                          "nothing is drawn from the top of %s at %.3f m to %s at %.3f m: outdoor air is taken there",
                          s.name(),
                          s.top(),
                          t.name(),
                          t.level()))
                  .on("level_m", t.name())
                  .measured(gap)
                  .at(t.origin().line(), t.origin().column()));
        }
      }
    }
  }

  private boolean areAbove(StoreyPlan upper, StoreyPlan lower) {
    return volumes.stream()
        .filter(v -> v.storey() == upper)
        .anyMatch(
            v ->
                ending.getOrDefault(lower.name(), List.of()).stream()
                    .map(i -> volumes.get(i).footprint())
                    .anyMatch(p -> !areas.common(v.footprint(), p).isEmpty()));
  }

  private void roofs() {
    Map<String, RoofRule> last = new LinkedHashMap<>();
    document.roofs().forEach(r -> last.put(r.storey(), r));
    List<Volume> built = List.copyOf(volumes);
    for (RoofRule r : last.values()) {
      if (r.kind() != PlanDocument.RoofKind.FLAT) {
        roof(r, built);
      }
    }
  }

  private void roof(RoofRule rule, List<Volume> built) {
    StoreyPlan s = storey(rule.storey());
    double top = height(s.top());
    List<Geometry> under = new ArrayList<>();
    for (int i : ending.getOrDefault(s.name(), List.of())) {
      under.add(built.get(i).footprint());
    }
    if (under.isEmpty()) {
      return;
    }
    List<Polygon> above = new ArrayList<>();
    for (Volume v : built) {
      if (v.bottom() == top) {
        above.add(v.footprint());
      }
    }
    int n = 0;
    List<Polygon> open = new ArrayList<>();
    areas.joined(under).forEach(p -> open.addAll(areas.left(p, above)));
    for (Polygon part : open) {
      List<RoofShape.Facet> facets = RoofShape.of(rule, straightened(part), top, areas);
      if (rule.own()) {
        attic(rule, s, top, part, facets, n++);
      } else {
        join(rule, s, facets);
      }
    }
  }

  /** Without the corners that the union of rooms leaves along its sides. */
  private Polygon straightened(Polygon p) {
    return SHEET.project(Straightening.of(SHEET.lift(p).get(0), rules.tolerance()));
  }

  private void attic(
      RoofRule rule, StoreyPlan s, double top, Polygon part, List<RoofShape.Facet> facets, int n) {
    Space space = spaces.attic(s, rule.origin(), top + rules.tolerance().length(), n);
    List<Volume.Cell> cells = new ArrayList<>();
    facets.forEach(f -> cells.add(new Volume.Cell(f.plan(), f.slope(), rule.origin())));
    volumes.add(new Volume(volumes.size(), space, s, top, part, cells, x -> true));
  }

  /** Lets the rooms below rise to the roof. */
  private void join(RoofRule rule, StoreyPlan s, List<RoofShape.Facet> facets) {
    for (int i : ending.get(s.name())) {
      Volume v = volumes.get(i);
      List<Volume.Cell> cells = new ArrayList<>();
      for (Volume.Cell c : v.cells()) {
        List<Polygon> taken = new ArrayList<>();
        for (RoofShape.Facet f : facets) {
          if (f.plan().getEnvelopeInternal().intersects(c.plan().getEnvelopeInternal())) {
            for (Polygon p : areas.common(c.plan(), f.plan())) {
              cells.add(new Volume.Cell(p, f.slope(), rule.origin()));
              taken.add(p);
            }
          }
        }
        areas.left(c.plan(), taken).forEach(p -> cells.add(new Volume.Cell(p, c.top(), c.roof())));
      }
      volumes.set(i, v.under(cells));
    }
  }
}
