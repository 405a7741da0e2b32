package yentra.server;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.function.Function;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yentra.core.boundary.EnclosedVolumes;
import yentra.core.boundary.Watch;
import yentra.core.check.CheckContext;
import yentra.core.check.Figures;
import yentra.core.check.Finding;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.geometry.Tolerance;
import yentra.core.intake.ProjectSettings;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Remedies;
import yentra.core.repair.RemedySweep;
import yentra.core.repair.Repair;
import yentra.core.repair.RepairPreview;
import yentra.core.revision.LogReplay;
import yentra.core.scope.ScopeStep;
import yentra.server.db.tables.records.DeliveryRecord;
import yentra.server.db.tables.records.RepairEntryRecord;

/** What people do to deliveries. Every change is durable before it is answered. */
@Service
class Deliveries {
  private final DeliveryStore store;
  private final ProjectStore projects;
  private final DeliveryStates states;
  private final Decisions decisions;
  private final Tolerance tolerance;

  Deliveries(
      DeliveryStore store,
      ProjectStore projects,
      DeliveryStates states,
      Decisions decisions,
      Tolerance tolerance) {
    this.store = store;
    this.projects = projects;
    this.states = states;
    this.decisions = decisions;
    this.tolerance = tolerance;
  }

  DeliveryStates.State state(DeliveryRecord d) {
    return states.state(d);
  }

  /** The newest state. */
  @Transactional(readOnly = true)
  public DeliveryStates.State state(UUID id) {
    return states.state(id);
  }

  CheckContext attempt(UUID id, ProjectSettings.Boundaries choices, Watch watch) {
    return states.attempt(id, choices, watch);
  }

  EnclosedVolumes enclosed(UUID id) {
    return states.enclosed(id);
  }

  @Transactional(readOnly = true)
  public Views.ModelView model(UUID id) {
    return view(store.get(id));
  }

  Views.ModelView view(DeliveryRecord d) {
    return view(d, null);
  }

  /**
   * The state of a delivery.
   *
   * @param before a state that whoever asks has: only what differs from it is told; null for all
   */
  private Views.ModelView view(DeliveryRecord d, DeliveryStates.State before) {
    List<RepairEntryRecord> log = store.log(d.getId());
    return view(d, log, states.state(d, inForce(d, log)), before);
  }

  private Views.ModelView view(
      DeliveryRecord d,
      List<RepairEntryRecord> log,
      DeliveryStates.State s,
      DeliveryStates.State before) {
    int position = d.getLogPosition();
    Views.DeliveryView v =
        new Views.DeliveryView(
            d.getId(),
            d.getProjectId(),
            projects.get(d.getProjectId()).name(),
            d.getPart(),
            d.getRevision(),
            d.getPlaced(),
            d.getFileName(),
            d.getFormat(),
            s.envelope().delivered().schema(),
            d.getSize(),
            d.getSha256(),
            d.getReceivedAt(),
            d.getReceivedBy(),
            d.getVersion(),
            position,
            position > 0,
            position < log.size());
    return new ModelViews(s.context(), decisions.of(d, s.context(), s.findings()))
        .model(
            v,
            store.report(d),
            ScopeViews.summary(s),
            ModelViews.place(states.delivered(d)),
            s.findings(),
            log.stream().map(e -> store.view(e, position)).toList(),
            before == null ? null : before.findings(),
            before == null ? null : s.run().since(before.run()).orElse(null));
  }

  @Transactional(readOnly = true)
  public Views.PreviewView preview(UUID id, Repair repair) {
    DeliveryRecord d = store.get(id);
    DeliveryStates.State s = states.state(d);
    try {
      return preview(d, s, RepairPreview.of(s.run(), repair));
    } catch (NotApplicableException e) {
      throw Problem.notApplicable(e.getMessage());
    }
  }

  private Views.PreviewView preview(DeliveryRecord d, DeliveryStates.State s, RepairPreview p) {
    CheckContext after = p.run().context();
    ModelViews now = new ModelViews(s.context(), decisions.of(d, s.context(), p.resolved()));
    ModelViews later = new ModelViews(after, decisions.of(d, after, p.added()));
    return new Views.PreviewView(
        p.summary(),
        p.resolved().stream().map(f -> now.finding(f, new Remedies(s.context()))).toList(),
        p.added().stream().map(f -> later.finding(f, new Remedies(after))).toList(),
        p.removedSurfaces(),
        p.changedSurfaces().stream().map(later::surface).toList(),
        p.before(),
        p.after());
  }

  /** One remedy for many findings: what would be made, and what would be left. */
  @Transactional(readOnly = true)
  public Views.SweepView sweep(UUID id, List<String> findings, Repair like) {
    DeliveryRecord d = store.get(id);
    DeliveryStates.State s = states.state(d);
    RemedySweep sweep = RemedySweep.of(s.context(), findings(s, findings), like);
    List<Views.LeftView> left =
        sweep.left().stream()
            .map(l -> new Views.LeftView(l.finding().id(), l.finding().message(), l.reason()))
            .toList();
    if (sweep.repair() == null) {
      return new Views.SweepView(null, left, null);
    }
    try {
      return new Views.SweepView(
          sweep.repair(), left, preview(d, s, RepairPreview.of(s.run(), sweep.repair())));
    } catch (NotApplicableException e) {
      throw Problem.notApplicable(e.getMessage());
    }
  }

  /** Findings by id. */
  static List<Finding> findings(DeliveryStates.State s, List<String> asked) {
    if (asked == null || asked.isEmpty()) {
      throw Problem.bad("No finding is named.");
    }
    Map<String, Finding> known = new HashMap<>();
    s.findings().forEach(f -> known.put(f.id(), f));
    List<Finding> out = new ArrayList<>();
    for (String id : asked) {
      Finding f = known.get(id);
      if (f == null) {
        throw Problem.notFound("The finding " + id);
      }
      out.add(f);
    }
    return out;
  }

  @Transactional
  public Views.ModelView repair(
      UUID id, long basedOn, Repair repair, Optional<String> finding, boolean changes, String by) {
    DeliveryRecord d = current(id, basedOn);
    DeliveryStates.State s = states.state(d);
    Envelope then;
    try {
      then = repair.apply(s.envelope(), tolerance);
    } catch (NotApplicableException e) {
      throw Problem.notApplicable(e.getMessage());
    }
    store.append(
        d,
        repair,
        repair.describe(s.envelope(), new Naming(s.envelope(), s.context()::direction)),
        finding,
        by);
    DeliveryRecord now = store.get(id);
    List<RepairEntryRecord> log = store.log(id);
    DeliveryStates.State made = states.after(s, now, inForce(now, log), then);
    Views.EntryFigures figures = figures(s, made);
    store.figures(now, figures);
    log.get(log.size() - 1).setFigures(store.json(figures));
    return view(now, log, made, changes ? s : null);
  }

  static Views.EntryFigures figures(DeliveryStates.State a, DeliveryStates.State b) {
    Figures before = a.context().figures();
    Figures after = b.context().figures();
    Set<String> was = new HashSet<>();
    a.findings().forEach(f -> was.add(f.id()));
    Set<String> is = new HashSet<>();
    b.findings().forEach(f -> is.add(f.id()));
    int stay = (int) is.stream().filter(was::contains).count();
    return new Views.EntryFigures(
        before.floorArea(),
        after.floorArea(),
        before.volume(),
        after.volume(),
        was.size() - stay,
        is.size() - stay);
  }

  /** Makes a scope step that is worked out from the newest state. */
  @Transactional
  public Views.ModelView scope(
      UUID id, long basedOn, Function<DeliveryStates.State, ScopeStep> step, String by) {
    DeliveryRecord d = current(id, basedOn);
    DeliveryStates.State s = states.state(d);
    ScopeStep made = step.apply(s);
    store.append(d, made, made.describe(s.whole()), by);
    return view(store.get(id));
  }

  /** Makes a delivery the newest revision of a part; null for a part of its own. */
  @Transactional
  public Views.ModelView place(UUID id, long basedOn, Integer part, String by) {
    store.place(current(id, basedOn), part, by);
    return view(store.get(id));
  }

  @Transactional
  public Views.ModelView undo(UUID id, long basedOn, boolean changes) {
    DeliveryRecord d = current(id, basedOn);
    DeliveryStates.State s = states.state(d);
    if (d.getLogPosition() == 0) {
      throw Problem.notApplicable("There is nothing to undo.");
    }
    store.move(d, d.getLogPosition() - 1);
    return view(store.get(id), changes ? s : null);
  }

  @Transactional
  public Views.ModelView redo(UUID id, long basedOn, boolean changes) {
    DeliveryRecord d = current(id, basedOn);
    DeliveryStates.State s = states.state(d);
    if (d.getLogPosition() >= store.log(id).size()) {
      throw Problem.notApplicable("There is nothing to redo.");
    }
    store.move(d, d.getLogPosition() + 1);
    return view(store.get(id), changes ? s : null);
  }

  /** Undoes or makes again up to any point. */
  @Transactional
  public Views.ModelView position(UUID id, long basedOn, int position) {
    DeliveryRecord d = current(id, basedOn);
    if (position < 0 || position > store.log(id).size()) {
      throw Problem.bad("The log has no entry " + position + ".");
    }
    store.move(d, position);
    return view(store.get(id));
  }

  /** Entries in force that could no longer be made if others were taken out. */
  @Transactional(readOnly = true)
  public List<Views.DependentView> dependents(UUID id, List<Integer> out) {
    DeliveryRecord d = store.get(id);
    List<RepairEntryRecord> log = inForce(d);
    Set<Integer> taken = taken(log, out);
    List<RepairEntryRecord> repairs = log.stream().filter(e -> !DeliveryStore.isScope(e)).toList();
    Set<Integer> places = new HashSet<>();
    for (int i = 0; i < repairs.size(); i++) {
      if (taken.contains(repairs.get(i).getLogIndex())) {
        places.add(i);
      }
    }
    List<RepairEntryRecord> scope =
        log.stream()
            .filter(e -> DeliveryStore.isScope(e) && !taken.contains(e.getLogIndex()))
            .toList();
    return LogReplay.dependents(
            states.state(d, scope).run(),
            repairs.stream()
                .map(e -> new LogReplay.Entry(store.repair(e), e.getFinding()))
                .toList(),
            places)
        .stream()
        .map(
            x ->
                new Views.DependentView(
                    repairs.get(x.index()).getLogIndex(),
                    repairs.get(x.index()).getSummary(),
                    x.reason()))
        .toList();
  }

  /** Takes entries out of the log, and with them those that depend on them. */
  @Transactional
  public Views.ModelView without(UUID id, long basedOn, List<Integer> out) {
    DeliveryRecord d = current(id, basedOn);
    Set<Integer> all = taken(inForce(d), out);
    dependents(id, out).forEach(x -> all.add(x.index()));
    store.takeOut(d, all);
    return view(store.get(id));
  }

  private List<RepairEntryRecord> inForce(DeliveryRecord d) {
    return inForce(d, store.log(d.getId()));
  }

  private static List<RepairEntryRecord> inForce(DeliveryRecord d, List<RepairEntryRecord> log) {
    return log.subList(0, d.getLogPosition());
  }

  private static Set<Integer> taken(List<RepairEntryRecord> log, List<Integer> out) {
    Set<Integer> known = new HashSet<>();
    log.forEach(e -> known.add(e.getLogIndex()));
    if (out == null || out.isEmpty() || !known.containsAll(out)) {
      throw Problem.bad("Name entries of the log that are in force.");
    }
    return new TreeSet<>(out);
  }

  @Transactional
  public Views.ModelView accept(UUID id, List<String> findings, String reason, String by) {
    DeliveryRecord d = store.lock(id);
    DeliveryStates.State s = states.state(d);
    String why = reason == null ? "" : reason.strip();
    if (why.isEmpty() || why.length() > 1000) {
      throw Problem.bad("Give a reason, of at most 1,000 characters.");
    }
    decisions.accept(d, s.context(), findings(s, findings), why, by);
    return view(d);
  }

  @Transactional
  public Views.ModelView withdraw(UUID id, List<String> findings, String by) {
    DeliveryRecord d = store.lock(id);
    if (findings == null || findings.isEmpty()) {
      throw Problem.bad("No finding is named.");
    }
    decisions.withdraw(d, findings, by);
    return view(d);
  }

  /** The delivery, locked, if the edit was based on its newest version. */
  DeliveryRecord current(UUID id, long basedOn) {
    DeliveryRecord d = store.lock(id);
    if (d.getVersion() != basedOn) {
      throw Problem.stale(d.getVersion(), store.since(id, basedOn));
    }
    return d;
  }
}
