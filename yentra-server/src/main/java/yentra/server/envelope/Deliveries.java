package yentra.server.envelope;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Consumer;
import java.util.function.Function;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import yentra.core.boundary.EnclosedVolumes;
import yentra.core.boundary.Watch;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.Figures;
import yentra.core.check.run.CheckRun;
import yentra.core.check.run.RepairPreview;
import yentra.core.finding.Finding;
import yentra.core.finding.FindingId;
import yentra.core.intake.ProjectSettings;
import yentra.core.repair.Repair;
import yentra.core.revision.LogReplay;
import yentra.core.scope.ScopeResult;
import yentra.core.scope.ScopeSheet;
import yentra.core.scope.ScopeStep;
import yentra.server.db.tables.records.DeliveryRecord;
import yentra.server.db.tables.records.RepairEntryRecord;
import yentra.server.decisions.Decisions;
import yentra.server.deliveries.DeliveryStates;
import yentra.server.deliveries.DeliveryStore;
import yentra.server.deliveries.History;
import yentra.server.deliveries.LogViews;
import yentra.server.projects.ProjectList;
import yentra.server.projects.ProjectStore;
import yentra.server.projects.ProjectViews;
import yentra.server.projects.SettingsLog;
import yentra.server.web.Problem;

/** What people do to deliveries. Every change is durable before it is answered. */
@Service
public class Deliveries {
  private final DeliveryStore store;
  private final ProjectStore projects;
  private final ProjectList list;
  private final SettingsLog settings;
  private final DeliveryStates states;
  private final Decisions decisions;
  private final Previews previews;
  private final TransactionTemplate transaction;

  /**
   * Edits of one delivery take turns on this node: all but the first are stale, which is known
   * before their work is done. Other nodes are kept apart by the lock in the database.
   */
  private final Cache<UUID, ReentrantLock> turns = Caffeine.newBuilder().weakValues().build();

  Deliveries(
      DeliveryStore store,
      ProjectStore projects,
      ProjectList list,
      SettingsLog settings,
      DeliveryStates states,
      Decisions decisions,
      Previews previews,
      TransactionTemplate transaction) {
    this.store = store;
    this.projects = projects;
    this.list = list;
    this.settings = settings;
    this.states = states;
    this.decisions = decisions;
    this.previews = previews;
    this.transaction = transaction;
  }

  public DeliveryStates.State state(DeliveryRecord d) {
    return states.state(d);
  }

  /** The newest state. No connection is held while it is worked out. */
  public DeliveryStates.State state(UUID id) {
    return states.state(id);
  }

  CheckContext attempt(UUID id, ProjectSettings.Boundaries choices, Watch watch) {
    return states.attempt(id, choices, watch);
  }

  EnclosedVolumes enclosed(UUID id) {
    return states.enclosed(id);
  }

  /**
   * All that the view of a delivery depends on.
   *
   * @param decisions of people about findings
   */
  record Stamp(UUID delivery, long version, long settings, String decisions) {
    String tag() {
      return "\"" + version + "-" + settings + "-" + decisions + "\"";
    }
  }

  Stamp stamp(UUID id) {
    DeliveryRecord d = store.get(id);
    return new Stamp(
        id, d.getVersion(), projects.version(d.getProjectId()), decisions.stamp(d.getProjectId()));
  }

  /** A state and its view, of which only what differs from a state before where that is given. */
  record Seen(DeliveryStates.State state, EnvelopeViews.ModelView view) {}

  Seen seen(UUID id, DeliveryStates.State before) {
    DeliveryStore.Loaded l = store.loaded(id);
    DeliveryStates.State s = states.state(l.delivery(), l.inForce());
    return new Seen(s, view(l.delivery(), l.log(), s, before, false));
  }

  EnvelopeViews.VersionView version(UUID id) {
    DeliveryRecord d = store.get(id);
    return new EnvelopeViews.VersionView(d.getVersion(), projects.version(d.getProjectId()));
  }

  public EnvelopeViews.ModelView model(UUID id) {
    return model(id, null);
  }

  public EnvelopeViews.ModelView view(DeliveryRecord d) {
    List<RepairEntryRecord> log = store.log(d.getId());
    return view(d, log, states.state(d, log.subList(0, d.getLogPosition())), null, false);
  }

  /**
   * The state of a delivery.
   *
   * @param before a state that whoever asks has: only what differs from it is told; null for all
   * @param drawn surfaces come with their outlines and faces
   */
  private EnvelopeViews.ModelView view(
      DeliveryRecord d,
      List<RepairEntryRecord> log,
      DeliveryStates.State s,
      DeliveryStates.State before,
      boolean drawn) {
    int position = d.getLogPosition();
    History history = new History(d, log, settings.of(d.getProjectId()));
    EnvelopeViews.DeliveryView v =
        new EnvelopeViews.DeliveryView(
            d.getId(),
            d.getProjectId(),
            projects.name(d.getProjectId()),
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
            history.last() != null,
            history.undone() != null,
            history.last() == null ? null : history.last().summary(),
            history.undone() == null ? null : history.undone().summary());
    EnvelopeViews.ModelView view =
        new ModelViews(s.context(), decisions.of(d, s.context(), s.findings()))
            .model(
                v,
                store.report(d),
                scope(s),
                ModelViews.place(states.asDelivered(d)),
                s.findings(),
                log.stream().map(e -> store.view(e, position)).toList(),
                history.settings(),
                before == null ? null : before.findings(),
                before == null ? null : s.run().since(before.run()).orElse(null),
                drawn);
    list.standing(
        d.getId(),
        new ProjectViews.StandingView(
            s.envelope().spaces().size(),
            s.context().figures().floorArea(),
            s.envelope().surfaces().size(),
            view.severities()));
    return view;
  }

  /** Keeps a picture of a delivery for the list of projects. */
  void picture(UUID id, DeliveryStates.State s) {
    byte[] png = EnvelopePicture.png(s.envelope());
    if (png != null) {
      list.picture(id, png);
    }
  }

  /**
   * Makes a repair. What it makes of the model is worked out before the delivery is locked, so that
   * neither the lock nor a connection is held for long; when another edit comes first, this one is
   * stale.
   */
  EnvelopeViews.ModelView repair(
      UUID id, long basedOn, Repair repair, Optional<String> finding, boolean changes, String by) {
    ReentrantLock turn = turns.get(id, k -> new ReentrantLock(true));
    turn.lock();
    try {
      return repairInTurn(id, basedOn, repair, finding, changes, by);
    } finally {
      turn.unlock();
    }
  }

  private EnvelopeViews.ModelView repairInTurn(
      UUID id, long basedOn, Repair repair, Optional<String> finding, boolean changes, String by) {
    DeliveryStates.State s = basedOn(id, basedOn);
    RepairPreview p = previews.made(id, s.run(), repair);
    CheckRun run = p.run();
    String summary = p.summary();
    LogViews.EntryFigures figures = figures(s.run(), run);
    DeliveryStore.Loaded now =
        transaction.execute(
            t -> {
              store.append(current(id, basedOn), repair, summary, finding, by);
              store.figures(store.get(id), figures);
              return store.loaded(id);
            });
    DeliveryStates.State made = states.after(s, now, run);
    return view(now.delivery(), now.log(), made, changes ? s : null, changes);
  }

  public static LogViews.EntryFigures figures(CheckRun a, CheckRun b) {
    Figures before = a.context().figures();
    Figures after = b.context().figures();
    Set<FindingId> was = new HashSet<>();
    a.findings().forEach(f -> was.add(f.id()));
    Set<FindingId> is = new HashSet<>();
    b.findings().forEach(f -> is.add(f.id()));
    int stay = (int) is.stream().filter(was::contains).count();
    return new LogViews.EntryFigures(
        before.floorArea(),
        after.floorArea(),
        before.volume(),
        after.volume(),
        was.size() - stay,
        is.size() - stay);
  }

  /**
   * Makes a scope step that is worked out from the newest state; like a repair, before the delivery
   * is locked.
   */
  public EnvelopeViews.ModelView scope(
      UUID id, long basedOn, Function<DeliveryStates.State, ScopeStep> step, String by) {
    DeliveryStates.State s = basedOn(id, basedOn);
    ScopeStep made = step.apply(s);
    String summary = made.describe(s.whole());
    locked(id, basedOn, d -> store.append(d, made, summary, by));
    return model(id);
  }

  /** The state that an edit was made from. */
  private DeliveryStates.State basedOn(UUID id, long version) {
    DeliveryStates.State s = states.state(id);
    if (s.version() != version) {
      throw Problem.stale(s.version(), store.since(id, version));
    }
    return s;
  }

  /** Changes a delivery if the edit was based on its newest version. */
  private void locked(UUID id, long basedOn, Consumer<DeliveryRecord> change) {
    transaction.executeWithoutResult(t -> change.accept(current(id, basedOn)));
  }

  /** The model, or what of it differs from a state before. */
  private EnvelopeViews.ModelView model(UUID id, DeliveryStates.State before) {
    DeliveryStore.Loaded l = store.loaded(id);
    return view(
        l.delivery(), l.log(), states.state(l.delivery(), l.inForce()), before, before != null);
  }

  /** Makes a delivery the newest revision of a part; null for a part of its own. */
  EnvelopeViews.ModelView place(UUID id, long basedOn, Integer part, String by) {
    locked(id, basedOn, d -> store.place(d, part, by));
    return model(id);
  }

  /** Undoes what was done last: an entry of the log, or a change of the project's settings. */
  EnvelopeViews.ModelView undo(UUID id, long basedOn, boolean changes, String by) {
    DeliveryStates.State s = basedOn(id, basedOn);
    locked(
        id,
        basedOn,
        d -> {
          History.Step last = history(d).last();
          if (last == null) {
            throw Problem.notApplicable("There is nothing to undo.");
          }
          if (last.settings()) {
            projects.undo(d.getProjectId(), by);
          }
          store.moveTo(d, d.getLogPosition() - (last.settings() ? 0 : 1), by);
        });
    return model(id, changes ? s : null);
  }

  /** Makes again what was undone last. */
  EnvelopeViews.ModelView redo(UUID id, long basedOn, boolean changes, String by) {
    DeliveryStates.State s = basedOn(id, basedOn);
    locked(
        id,
        basedOn,
        d -> {
          History.Step undone = history(d).undone();
          if (undone == null) {
            throw Problem.notApplicable("There is nothing to redo.");
          }
          if (undone.settings()) {
            projects.redo(d.getProjectId());
          }
          store.moveTo(d, d.getLogPosition() + (undone.settings() ? 0 : 1), by);
        });
    return model(id, changes ? s : null);
  }

  private History history(DeliveryRecord d) {
    return new History(d, store.log(d.getId()), settings.of(d.getProjectId()));
  }

  /** Undoes or makes again up to any point. */
  public EnvelopeViews.ModelView position(UUID id, long basedOn, int position, String by) {
    locked(
        id,
        basedOn,
        d -> {
          if (position < 0 || position > store.log(id).size()) {
            throw Problem.bad("The log has no entry " + position + ".");
          }
          store.moveTo(d, position, by);
        });
    return model(id);
  }

  /** Entries in force that could no longer be made if others were taken out. */
  public List<EnvelopeViews.DependentView> dependents(UUID id, List<Integer> out) {
    DeliveryStore.Loaded l = store.loaded(id);
    DeliveryRecord d = l.delivery();
    List<RepairEntryRecord> log = l.inForce();
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
            repairs.stream().map(e -> store.entry(e)).toList(),
            places)
        .stream()
        .map(
            x ->
                new EnvelopeViews.DependentView(
                    repairs.get(x.index()).getLogIndex(),
                    repairs.get(x.index()).getSummary(),
                    x.reason()))
        .toList();
  }

  /** Takes entries out of the log, and with them those that depend on them. */
  public EnvelopeViews.ModelView without(UUID id, long basedOn, List<Integer> out, String by) {
    DeliveryStore.Loaded l = store.loaded(id);
    Set<Integer> all = taken(l.inForce(), out);
    dependents(id, out).forEach(x -> all.add(x.index()));
    locked(id, basedOn, d -> store.takeOut(d, all, by));
    return model(id);
  }

  private static Set<Integer> taken(List<RepairEntryRecord> log, List<Integer> out) {
    Set<Integer> known = new HashSet<>();
    log.forEach(e -> known.add(e.getLogIndex()));
    if (out == null || out.isEmpty() || !known.containsAll(out)) {
      throw Problem.bad("Name entries of the log that are in force.");
    }
    return new TreeSet<>(out);
  }

  public EnvelopeViews.ModelView accept(UUID id, List<String> findings, String reason, String by) {
    DeliveryStates.State s = states.state(id);
    String why = reason == null ? "" : reason.strip();
    if (why.isEmpty() || why.length() > 1000) {
      throw Problem.bad("Give a reason, of at most 1,000 characters.");
    }
    List<Finding> meant = Previews.findings(s, findings);
    transaction.executeWithoutResult(
        t -> decisions.accept(store.lock(id), s.context(), meant, why, by));
    return model(id);
  }

  public EnvelopeViews.ModelView withdraw(UUID id, List<String> findings, String by) {
    if (findings == null || findings.isEmpty()) {
      throw Problem.bad("No finding is named.");
    }
    transaction.executeWithoutResult(t -> decisions.withdraw(store.lock(id), findings, by));
    return model(id);
  }

  /** The delivery, locked, if the edit was based on its newest version. */
  public DeliveryRecord current(UUID id, long basedOn) {
    DeliveryRecord d = store.lock(id);
    if (d.getVersion() != basedOn) {
      throw Problem.stale(d.getVersion(), store.since(id, basedOn));
    }
    return d;
  }

  private static EnvelopeViews.ScopeSummary scope(DeliveryStates.State s) {
    ScopeResult r = s.result();
    return new EnvelopeViews.ScopeSummary(
        s.scope().sheet().map(ScopeSheet::name).orElse(null),
        r.decisions().size(),
        (int) r.in(),
        r.faults().size(),
        (int) r.decisions().stream().filter(ScopeResult.Decision::byHand).count(),
        s.scope().gone(s.whole()));
  }
}
