package yentra.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Polygon;
import yentra.core.envelope.Rules;
import yentra.core.envelope.StableKeys;
import yentra.core.envelope.UnreadableException;
import yentra.core.plan.PlanDocument.FloorPlan;
import yentra.core.plan.PlanDocument.Label;
import yentra.core.plan.PlanDocument.Origin;
import yentra.core.plan.PlanDocument.StoreyPlan;

/**
 * Lets spaces keep their keys when a drawing is changed, so that what was given to them stays with
 * them. A space is the same that has the same label; else the one on its storey that it shares most
 * of its floor with. Where its key would not follow from the drawing, a label of the new document
 * says it.
 */
public final class KeptKeys {
  /** Sharing this much of the smaller floor, two spaces may be one. */
  private static final double SHARED = 0.5;

  private final Rules rules;
  private final Areas areas;
  private final List<Volume> before;
  private final PlanDocument after;
  private final List<Volume> now;
  private final Map<Volume, String> labels = new IdentityHashMap<>();

  /** Of new volumes, by number: the key that each had before, or null. */
  private final Map<Integer, String> kept = new HashMap<>();

  private KeptKeys(PlanDocument before, PlanDocument after, Rules rules)
      throws UnreadableException {
    this.rules = rules;
    this.areas = new Areas(rules.tolerance().length());
    this.after = after;
    this.before = floors(before);
    this.now = floors(after);
    label(before, this.before);
    label(after, this.now);
  }

  /** What a person named the spaces. */
  private void label(PlanDocument d, List<Volume> volumes) {
    for (FloorPlan f : d.floors()) {
      for (Label l : f.labels()) {
        String name = l.origin().id() == null ? l.name() : l.origin().id();
        for (Volume v : volumes) {
          if (!name.isEmpty()
              && f.isOn(v.storey())
              && FloorLayout.holds(v.footprint(), l.at().coordinate())) {
            labels.putIfAbsent(v, name);
          }
        }
      }
    }
  }

  private List<Volume> floors(PlanDocument d) throws UnreadableException {
    return Stacking.of(d, rules).volumes().stream().filter(v -> !isAttic(v)).toList();
  }

  private static boolean isAttic(Volume v) {
    return v.space().source().elementClass().equals("Roof");
  }

  /**
   * A document with what is needed for its spaces to keep the keys that they had.
   *
   * @param before as it was
   * @param after as it is drawn now; keys that it gives itself do not count
   * @throws UnreadableException when one of them makes no envelope
   */
  public static PlanDocument of(PlanDocument before, PlanDocument after, Rules rules)
      throws UnreadableException {
    KeptKeys k = new KeptKeys(before, withoutKeys(after), rules);
    k.match();
    return k.said();
  }

  private static PlanDocument withoutKeys(PlanDocument d) {
    return d.with(
        d.floors().stream()
            .map(
                f ->
                    f.with(
                        f.labels().stream()
                            .filter(l -> !l.isAnchor())
                            .map(l -> l.with(Map.of()))
                            .toList()))
            .toList());
  }

  private record Pair(Volume was, Volume is, double shared) {}

  private void match() {
    Map<String, List<Volume>> old = new HashMap<>();
    before.forEach(v -> old.computeIfAbsent(storey(v), k -> new ArrayList<>()).add(v));
    List<Pair> pairs = new ArrayList<>();
    for (Volume v : now) {
      for (Volume o : old.getOrDefault(storey(v), List.of())) {
        if (labels.containsKey(o) && labels.get(o).equals(labels.get(v))) {
          pairs.add(new Pair(o, v, Double.POSITIVE_INFINITY));
        } else if (o.footprint()
            .getEnvelopeInternal()
            .intersects(v.footprint().getEnvelopeInternal())) {
          double shared = common(o.footprint(), v.footprint());
          if (shared >= SHARED * Math.min(o.footprint().getArea(), v.footprint().getArea())) {
            pairs.add(new Pair(o, v, shared));
          }
        }
      }
    }
    pairs.sort(
        Comparator.comparingDouble(Pair::shared)
            .reversed()
            .thenComparing(p -> p.is.number())
            .thenComparing(p -> p.was.number()));
    Set<Integer> gone = new HashSet<>();
    for (Pair p : pairs) {
      if (!kept.containsKey(p.is.number()) && gone.add(p.was.number())) {
        kept.put(p.is.number(), p.was.space().key());
      }
    }
    Set<String> known = new HashSet<>();
    before.forEach(v -> known.add(v.space().key()));
    Set<String> taken = new HashSet<>(kept.values());
    StableKeys fresh = new StableKeys();
    for (Volume v : now) {
      String key = v.space().key();
      // a space that is new has no key that another one had
      while (!kept.containsKey(v.number()) && known.contains(key) && taken.contains(key)) {
        key = fresh.of("space-", v.space().key(), "new");
      }
      kept.putIfAbsent(v.number(), key);
      taken.add(key);
    }
  }

  private double common(Polygon a, Polygon b) {
    return areas.common(a, b).stream().mapToDouble(Polygon::getArea).sum();
  }

  private static String storey(Volume v) {
    return DrawnSpaces.storeyKey(v.storey());
  }

  /** The document with keys where they do not follow from it. */
  private PlanDocument said() {
    List<FloorPlan> floors = new ArrayList<>();
    for (FloorPlan f : after.floors()) {
      List<Volume> here = now.stream().filter(v -> f.isOn(v.storey())).toList();
      List<Label> labels = new ArrayList<>();
      f.labels().forEach(l -> labels.add(l.with(keys(here, l.at().coordinate()))));
      for (Volume v : here) {
        if (!follows(v) && draws(f, v) && labels.stream().noneMatch(l -> says(l, v))) {
          Coordinate c = Arrangement.inside(v.footprint());
          labels.add(
              new Label(
                  Origin.of(f.origin().path()),
                  new PlanPoint(c.x, c.y),
                  "",
                  "",
                  List.of(),
                  keys(here, c)));
        }
      }
      floors.add(f.with(labels));
    }
    return after.with(floors);
  }

  private boolean follows(Volume v) {
    return kept.get(v.number()).equals(v.space().key());
  }

  private boolean says(Label l, Volume v) {
    return Objects.equals(l.keys().get(v.storey().name()), kept.get(v.number()));
  }

  /** Whether an outline of the floor goes round the volume. */
  private boolean draws(FloorPlan f, Volume v) {
    Coordinate c = Arrangement.inside(v.footprint());
    return f.outlines().stream().anyMatch(o -> Tracing.holds(o, c));
  }

  /** By storey, keys of the volumes over a point that do not follow from the drawing. */
  private Map<String, String> keys(List<Volume> volumes, Coordinate c) {
    Map<String, String> out = new TreeMap<>();
    for (Volume v : volumes) {
      if (!follows(v) && FloorLayout.holds(v.footprint(), c)) {
        StoreyPlan s = v.storey();
        out.putIfAbsent(s.name(), kept.get(v.number()));
      }
    }
    return out;
  }
}
