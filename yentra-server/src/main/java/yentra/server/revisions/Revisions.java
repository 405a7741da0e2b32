package yentra.server.revisions;

import static yentra.server.db.Tables.REPLAY_STEP;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.envelope.Envelope;
import yentra.core.finding.FindingId;
import yentra.core.geometry.Tolerance;
import yentra.core.repair.Repair;
import yentra.core.revision.LogReplay;
import yentra.core.revision.RevisionComparison;
import yentra.server.db.tables.records.DeliveryRecord;
import yentra.server.db.tables.records.RepairEntryRecord;
import yentra.server.deliveries.DeliveryStates;
import yentra.server.deliveries.DeliveryStore;
import yentra.server.envelope.Deliveries;
import yentra.server.envelope.EnvelopeViews;
import yentra.server.projects.ProjectStore;
import yentra.server.web.Problem;
import yentra.server.web.Stored;

/** How a delivery stands to the revision before it, and that one's repairs made again on it. */
@Service
public class Revisions {
  /** Behind the key of an object that this revision has not. */
  private static final String GONE = " (removed)";

  private final DSLContext db;
  private final DeliveryStore store;
  private final Deliveries deliveries;
  private final DeliveryStates states;
  private final ProjectStore projects;
  private final JsonMapper json;
  private final Tolerance tolerance;

  Revisions(
      DSLContext db,
      DeliveryStore store,
      Deliveries deliveries,
      DeliveryStates states,
      ProjectStore projects,
      JsonMapper json,
      Tolerance tolerance) {
    this.db = db;
    this.store = store;
    this.deliveries = deliveries;
    this.states = states;
    this.projects = projects;
    this.json = Stored.reader(json);
    this.tolerance = tolerance;
  }

  /** A log entry of the revision before, with what became of it. */
  private record Told(RepairEntryRecord entry, LogReplay.Step step) {}

  private record Plan(RevisionComparison comparison, List<Told> told) {}

  RevisionViews.RevisionView of(UUID id) {
    DeliveryRecord d = store.get(id);
    DeliveryRecord before = store.before(d).orElse(null);
    if (before == null) {
      return new RevisionViews.RevisionView(null, List.of(), List.of(), false);
    }
    Plan plan = plan(before, d);
    List<RevisionViews.StepView> done =
        db.selectFrom(REPLAY_STEP)
            .where(REPLAY_STEP.DELIVERY_ID.eq(id))
            .orderBy(REPLAY_STEP.PLACE)
            .fetch(
                r ->
                    new RevisionViews.StepView(
                        r.getPlace(),
                        r.getSummary(),
                        r.getOutcome(),
                        r.getReason(),
                        json.readValue(r.getRepair().data(), Repair.class).objects(),
                        r.getFinding(),
                        r.getOutcome().equals("conflict")
                            ? json.readValue(r.getRepair().data(), Repair.class)
                            : null));
    boolean replayed = !done.isEmpty();
    return new RevisionViews.RevisionView(
        projects.get(d.getProjectId()).deliveries().stream()
            .filter(x -> x.id().equals(before.getId()))
            .findFirst()
            .orElseThrow(),
        plan.comparison.entries(),
        replayed ? done : plan.told.stream().map(this::view).toList(),
        replayed);
  }

  /** Makes the repairs of the revision before again, where they can be made and are needed. */
  @Transactional
  public EnvelopeViews.ModelView replay(UUID id, long basedOn, String by) {
    DeliveryRecord d = deliveries.current(id, basedOn);
    DeliveryRecord before =
        store
            .before(d)
            .orElseThrow(() -> Problem.notApplicable("There is no revision before this one."));
    if (db.fetchExists(REPLAY_STEP, REPLAY_STEP.DELIVERY_ID.eq(id))) {
      throw Problem.notApplicable(
          "The repairs of the revision before have been made again already.");
    }
    for (Told t : plan(before, d).told) {
      RevisionViews.StepView v = view(t);
      db.insertInto(REPLAY_STEP)
          .set(REPLAY_STEP.DELIVERY_ID, id)
          .set(REPLAY_STEP.PLACE, v.index())
          .set(REPLAY_STEP.OUTCOME, v.outcome())
          .set(REPLAY_STEP.SUMMARY, v.summary())
          .set(REPLAY_STEP.REASON, v.reason())
          .set(
              REPLAY_STEP.REPAIR,
              JSONB.valueOf(json.writerFor(Repair.class).writeValueAsString(t.step.repair())))
          .set(REPLAY_STEP.FINDING, v.finding())
          .execute();
      if (t.step.outcome() == LogReplay.Outcome.APPLIED) {
        store.carry(store.get(id), t.step.repair(), t.entry.getSummary(), id(t.step.finding()), by);
      }
    }
    return deliveries.view(store.get(id));
  }

  private Plan plan(DeliveryRecord before, DeliveryRecord d) {
    List<RepairEntryRecord> all =
        store.log(before.getId()).stream().limit(before.getLogPosition()).toList();
    List<RepairEntryRecord> scope = all.stream().filter(DeliveryStore::isScope).toList();
    List<RepairEntryRecord> repairs = all.stream().filter(e -> !DeliveryStore.isScope(e)).toList();
    List<RepairEntryRecord> own = store.log(d.getId()).stream().limit(d.getLogPosition()).toList();
    Envelope delivered = states.state(before, scope).envelope();
    RevisionComparison comparison =
        RevisionComparison.of(
            delivered,
            states.state(d, own.stream().filter(DeliveryStore::isScope).toList()).envelope(),
            states.state(d).context().rules());
    Map<String, String> renamed = new HashMap<>(comparison.renamed());
    // another object may have got the id of one that is gone: it is not meant
    comparison.removed().forEach(k -> renamed.put(k, k + GONE));
    LogReplay.Replayed result =
        LogReplay.of(
            states.state(d).run(),
            new LogReplay.Log(delivered, repairs.stream().map(e -> store.entry(e)).toList()),
            k -> renamed.getOrDefault(k, k));
    List<Told> told = new ArrayList<>();
    result.steps().forEach(s -> told.add(new Told(repairs.get(s.index()), s)));
    return new Plan(comparison, told);
  }

  private RevisionViews.StepView view(Told t) {
    return new RevisionViews.StepView(
        t.step.index(),
        t.entry.getSummary(),
        t.step.outcome().name().toLowerCase(Locale.ROOT).replace('_', ' '),
        t.step.reason().replace(GONE + " is no longer there", " is not in this revision"),
        t.step.repair().objects(),
        id(t.step.finding()),
        t.step.outcome() == LogReplay.Outcome.CONFLICT ? t.step.repair() : null);
  }

  private static String id(FindingId finding) {
    return finding == null ? null : finding.toString();
  }
}
