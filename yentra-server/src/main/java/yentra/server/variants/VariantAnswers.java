package yentra.server.variants;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import yentra.core.variant.Metric;
import yentra.core.variant.Target;
import yentra.core.variant.Variant;
import yentra.core.variant.VariantFigures;
import yentra.core.variant.change.Change;
import yentra.core.work.LastUsed;
import yentra.server.deliveries.DeliveryStore;
import yentra.server.estimate.WeatherFiles;
import yentra.server.web.Problem;

/** Says what a project's variants are on a delivery, and asks for their runs. */
@Service
public class VariantAnswers {
  /** What lists of changes come to, kept by basis and changes. */
  private static final int KEPT = 400;

  private final DeliveryStore deliveries;
  private final VariantStore store;
  private final Bases bases;
  private final VariantRuns runs;
  private final Sweeps sweeps;
  private final WeatherFiles weather;
  private final LastUsed<String, Outcome> outcomes = new LastUsed<>(KEPT, o -> 1);

  VariantAnswers(
      DeliveryStore deliveries,
      VariantStore store,
      Bases bases,
      VariantRuns runs,
      Sweeps sweeps,
      WeatherFiles weather) {
    this.deliveries = deliveries;
    this.store = store;
    this.bases = bases;
    this.runs = runs;
    this.sweeps = sweeps;
    this.weather = weather;
  }

  /** What changes come to, without the state that they make. */
  private record Outcome(
      List<Variant.Refused> refused,
      Map<Integer, List<String>> said,
      Map<Integer, Integer> repairs) {
    static Outcome of(Variant v) {
      Map<Integer, List<String>> said = new LinkedHashMap<>();
      Map<Integer, Integer> repairs = new LinkedHashMap<>();
      for (Variant.Done d : v.done()) {
        said.put(d.index(), d.summaries());
        repairs.put(d.index(), d.effect().repairs().size());
      }
      return new Outcome(v.refused(), said, repairs);
    }
  }

  /** A variant with its changes and the key of its run. */
  private record Line(
      VariantStore.Kept kept, List<VariantStore.Taken> taken, String ask, List<String> singles) {
    List<Change> changes() {
      return taken.stream().map(t -> t.spec().change()).toList();
    }
  }

  /** All variants of a delivery's project on its newest state. */
  public VariantViews.VariantsView of(UUID delivery, boolean assumeMissing) {
    UUID project = deliveries.get(delivery).getProjectId();
    if (weather.of(project).isEmpty()) {
      return new VariantViews.VariantsView(
          store.version(project),
          "",
          false,
          none(),
          List.of(),
          specs(project),
          metrics(),
          Metric.DEMAND,
          List.of(),
          List.of());
    }
    Bases.Basis basis = bases.now(delivery);
    Map<UUID, VariantStore.Kept> all = store.of(project);
    List<Line> lines = lines(basis, all, assumeMissing);
    String none = bases.ask(basis.key(), List.of(), assumeMissing);
    List<String> asks = new ArrayList<>(List.of(none));
    lines.forEach(
        l -> {
          asks.add(l.ask);
          asks.addAll(l.singles);
        });
    Map<String, VariantRuns.Run> known = runs.of(asks);
    VariantRuns.Run baseline = known.getOrDefault(none, VariantRuns.Run.none(none));
    List<Target> targets = store.targets(project);
    Metric judgedBy = targets.isEmpty() ? Metric.DEMAND : targets.get(0).metric();
    List<VariantViews.VariantView> views = new ArrayList<>();
    for (Line l : lines) {
      views.add(view(basis, l, known.get(l.ask), baseline.figures(), targets));
    }
    return new VariantViews.VariantsView(
        store.version(project),
        weather.year(weather.of(project).orElseThrow()).station().label(),
        basis.state().plan() != null,
        FiguresOf.run(baseline, baseline.figures(), targets),
        views,
        specs(project),
        metrics(),
        judgedBy,
        gains(lines, known, baseline.figures(), judgedBy),
        sweeps.lines(delivery, basis.key()));
  }

  private static VariantViews.RunView none() {
    return new VariantViews.RunView("", "none", "Choose a weather file first.", List.of(), null);
  }

  private List<VariantViews.TargetSpec> specs(UUID project) {
    return store.targets(project).stream()
        .map(t -> new VariantViews.TargetSpec(t.metric(), t.most(), t.below()))
        .toList();
  }

  static List<VariantViews.MetricKind> metrics() {
    return java.util.Arrays.stream(Metric.values())
        .map(
            m ->
                new VariantViews.MetricKind(
                    m, m.label(), m.quantity() == null ? "" : m.quantity().name(), m.unit()))
        .toList();
  }

  private List<Line> lines(
      Bases.Basis basis, Map<UUID, VariantStore.Kept> all, boolean assumeMissing) {
    List<Line> out = new ArrayList<>();
    for (VariantStore.Kept k : all.values()) {
      List<VariantStore.Taken> taken = k.changes(all);
      List<Change> changes = taken.stream().map(t -> t.spec().change()).toList();
      out.add(
          new Line(
              k,
              taken,
              bases.ask(basis.key(), changes, assumeMissing),
              changes.stream()
                  .map(c -> bases.ask(basis.key(), List.of(c), assumeMissing))
                  .toList()));
    }
    return out;
  }

  private VariantViews.VariantView view(
      Bases.Basis basis,
      Line l,
      VariantRuns.Run run,
      VariantFigures baseline,
      List<Target> targets) {
    Outcome o = outcomes.get(l.ask, k -> Outcome.of(basis.variant(l.changes())));
    Map<Integer, String> refused =
        o.refused.stream()
            .collect(Collectors.toMap(Variant.Refused::index, Variant.Refused::reason));
    List<VariantViews.ChangeView> changes = new ArrayList<>();
    double effort = 0;
    boolean said = false;
    for (int i = 0; i < l.taken.size(); i++) {
      VariantViews.ChangeSpec spec = l.taken.get(i).spec();
      said |= spec.effort() != null;
      effort += spec.effort() == null ? 0 : spec.effort();
      changes.add(
          new VariantViews.ChangeView(
              spec.change(),
              spec.effort(),
              spec.change().label(),
              l.taken.get(i).from(),
              o.said.getOrDefault(i, List.of()),
              refused.get(i),
              o.repairs.getOrDefault(i, 0)));
    }
    VariantRuns.Run r = run == null ? VariantRuns.Run.none(l.ask) : run;
    return new VariantViews.VariantView(
        l.kept.id(),
        l.kept.spec().name(),
        l.kept.spec().group(),
        l.kept.spec().parts(),
        changes,
        refused.isEmpty(),
        said ? effort : null,
        FiguresOf.run(r, baseline, targets));
  }

  /** Changes by what each brings by itself, those that bring most for their effort first. */
  private static List<VariantViews.GainView> gains(
      List<Line> lines,
      Map<String, VariantRuns.Run> known,
      VariantFigures baseline,
      Metric metric) {
    Map<String, VariantViews.GainView> out = new LinkedHashMap<>();
    for (Line l : lines) {
      for (int i = 0; i < l.taken.size(); i++) {
        VariantViews.ChangeSpec c = l.taken.get(i).spec();
        VariantRuns.Run r = known.get(l.singles.get(i));
        VariantFigures f = r == null ? null : r.figures();
        Double gain =
            f == null || baseline == null
                ? null
                : FiguresOf.known(metric.of(baseline) - metric.of(f));
        Double per =
            gain == null || c.effort() == null || c.effort() == 0 ? null : gain / c.effort();
        out.putIfAbsent(
            l.singles.get(i),
            new VariantViews.GainView(
                l.kept.id(),
                i,
                c.change().label(),
                c.effort(),
                r == null ? "none" : r.state(),
                gain,
                per));
      }
    }
    List<VariantViews.GainView> sorted = new ArrayList<>(out.values());
    sorted.sort(
        Comparator.comparing(
                VariantViews.GainView::perEffort, Comparator.nullsFirst(Double::compare))
            .thenComparing(VariantViews.GainView::gain, Comparator.nullsFirst(Double::compare))
            .reversed());
    return sorted;
  }

  /**
   * Asks for runs of the baseline, of variants, and of each of their changes by itself.
   *
   * @param asked of which; of all where none is named
   */
  public void run(UUID delivery, VariantViews.RunsRequest asked, String by) {
    UUID project = deliveries.get(delivery).getProjectId();
    Bases.Basis basis = bases.now(delivery);
    Map<UUID, VariantStore.Kept> all = store.of(project);
    Set<UUID> wanted = Set.copyOf(asked.variants());
    if (!all.keySet().containsAll(wanted)) {
      throw Problem.notFound("The variant");
    }
    boolean assume = asked.assumeMissing();
    Map<String, VariantRuns.Body> bodies = new LinkedHashMap<>();
    bodies.put(bases.ask(basis.key(), List.of(), assume), new VariantRuns.Body(List.of(), assume));
    for (Line l : lines(basis, all, assume)) {
      if (!wanted.isEmpty() && !wanted.contains(l.kept.id())) {
        continue;
      }
      bodies.put(l.ask, new VariantRuns.Body(l.changes(), assume));
      for (int i = 0; i < l.singles.size(); i++) {
        bodies.putIfAbsent(
            l.singles.get(i), new VariantRuns.Body(List.of(l.changes().get(i)), assume));
      }
    }
    runs.ask(basis, bodies, by);
  }

  /** Stops the runs of all variants on the newest state. */
  public void cancel(UUID delivery) {
    UUID project = deliveries.get(delivery).getProjectId();
    Bases.Basis basis = bases.now(delivery);
    List<String> asks = new ArrayList<>();
    for (boolean assume : new boolean[] {false, true}) {
      asks.add(bases.ask(basis.key(), List.of(), assume));
      lines(basis, store.of(project), assume)
          .forEach(
              l -> {
                asks.add(l.ask);
                asks.addAll(l.singles);
              });
    }
    runs.cancel(asks);
  }

  /** A variant on the newest state of a delivery. */
  Variant variant(UUID delivery, UUID variant) {
    VariantStore.Kept k = store.one(variant);
    if (!k.project().equals(deliveries.get(delivery).getProjectId())) {
      throw Problem.notFound("The variant");
    }
    List<Change> changes =
        k.changes(store.of(k.project())).stream().map(t -> t.spec().change()).toList();
    return bases.now(delivery).variant(changes);
  }
}
