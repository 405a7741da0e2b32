package yentra.server.variants;

import static yentra.server.db.Tables.SWEEP;
import static yentra.server.db.Tables.SWEEP_POINT;
import static yentra.server.db.Tables.VARIANT_BASIS;
import static yentra.server.db.Tables.VARIANT_RESULT;
import static yentra.server.db.Tables.VARIANT_RUN;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.task.Priority;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import java.time.Clock;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jooq.exception.DataAccessException;
import org.jooq.impl.DSL;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.variant.VariantFigures;
import yentra.core.variant.change.Change;
import yentra.server.estimate.EstimateViews;
import yentra.server.web.Stored;

/**
 * Runs of lists of changes on bases. Each is made once, whoever asks for it and however often: by
 * its key there is one row, one job, and by its content one result.
 */
@Service
class VariantRuns {
  private static final Logger LOG = LoggerFactory.getLogger(VariantRuns.class);
  static final TaskDescriptor<Void> TASK = TaskDescriptor.of("variant");
  static final List<String> OPEN = List.of("waiting", "running");
  private static final TypeReference<List<EstimateViews.LackView>> LACKS = new TypeReference<>() {};

  private final DSLContext db;
  private final Bases bases;
  private final TransactionTemplate transaction;
  private final ObjectProvider<Scheduler> scheduler;
  private final JsonMapper json;
  private final Clock clock;

  VariantRuns(
      DSLContext db,
      Bases bases,
      TransactionTemplate transaction,
      ObjectProvider<Scheduler> scheduler,
      JsonMapper json,
      Clock clock) {
    this.db = db;
    this.bases = bases;
    this.transaction = transaction;
    this.scheduler = scheduler;
    this.json = Stored.reader(json);
    this.clock = clock;
  }

  /** What a run is made of, beside its basis. */
  record Body(List<Change> changes, boolean assumeMissing) {
    Body {
      changes = List.copyOf(changes);
    }
  }

  /**
   * A run as it stands.
   *
   * @param figures null while there are none
   */
  record Run(
      String ask,
      String state,
      String message,
      List<EstimateViews.LackView> missing,
      VariantFigures figures) {
    static Run none(String ask) {
      return new Run(ask, "none", "Not run yet", List.of(), null);
    }

    boolean isOpen() {
      return OPEN.contains(state);
    }
  }

  /**
   * Asks for runs, unless they are there. Callers keep the basis.
   *
   * @param all by their keys
   */
  void ask(Bases.Basis basis, Map<String, Body> all, String by) {
    transaction.executeWithoutResult(
        t -> {
          bases.keep(basis);
          all.forEach((ask, body) -> ask(basis, ask, body, by));
          TransactionSynchronizationManager.registerSynchronization(
              new TransactionSynchronization() {
                @Override
                public void afterCommit() {
                  scheduler.getObject().triggerCheckForDueExecutions();
                }
              });
        });
  }

  private void ask(Bases.Basis basis, String ask, Body body, String by) {
    int added =
        db.insertInto(VARIANT_RUN)
            .set(VARIANT_RUN.ASK, ask)
            .set(VARIANT_RUN.BASIS, basis.key())
            .set(VARIANT_RUN.BODY, JSONB.valueOf(json.writeValueAsString(body)))
            .set(VARIANT_RUN.STATE, "waiting")
            .set(VARIANT_RUN.MESSAGE, "Waiting to be run")
            .set(VARIANT_RUN.ASKED_BY, by)
            .set(VARIANT_RUN.ASKED_AT, clock.instant())
            .onConflictDoNothing()
            .execute();
    int again =
        added > 0
            ? 0
            : db.update(VARIANT_RUN)
                .set(VARIANT_RUN.STATE, "waiting")
                .set(VARIANT_RUN.MESSAGE, "Waiting to be run")
                .setNull(VARIANT_RUN.MISSING)
                .setNull(VARIANT_RUN.ENDED_AT)
                .where(VARIANT_RUN.ASK.eq(ask))
                .and(VARIANT_RUN.STATE.in("failed", "cancelled", "refused"))
                .execute();
    if (added + again > 0) {
      schedule(ask);
    }
  }

  /** Runs by their keys, as they stand; those that nobody asked for are left out. */
  Map<String, Run> of(Collection<String> asks) {
    Map<String, Run> out = new HashMap<>();
    db.select(
            VARIANT_RUN.ASK,
            VARIANT_RUN.STATE,
            VARIANT_RUN.MESSAGE,
            VARIANT_RUN.MISSING,
            VARIANT_RESULT.FIGURES)
        .from(VARIANT_RUN)
        .leftJoin(VARIANT_RESULT)
        .on(VARIANT_RESULT.CONTENT.eq(VARIANT_RUN.CONTENT))
        .where(VARIANT_RUN.ASK.in(asks))
        .forEach(
            r -> {
              JSONB lacks = r.value4();
              boolean done = r.value2().equals("done") && r.value5() != null;
              out.put(
                  r.value1(),
                  new Run(
                      r.value1(),
                      r.value2(),
                      r.value3(),
                      lacks == null ? List.of() : json.readValue(lacks.data(), LACKS),
                      done ? json.readValue(r.value5().data(), VariantFigures.class) : null));
            });
    return out;
  }

  /** Stops runs that wait or go on, unless a sweep that goes on still needs them. */
  void cancel(Collection<String> asks) {
    db.update(VARIANT_RUN)
        .set(VARIANT_RUN.STATE, "cancelled")
        .set(VARIANT_RUN.MESSAGE, "Cancelled")
        .set(VARIANT_RUN.ENDED_AT, clock.instant())
        .where(VARIANT_RUN.ASK.in(asks))
        .and(VARIANT_RUN.STATE.in(OPEN))
        .and(
            VARIANT_RUN.ASK.notIn(
                DSL.select(SWEEP_POINT.ASK)
                    .from(SWEEP_POINT)
                    .join(SWEEP)
                    .on(SWEEP.ID.eq(SWEEP_POINT.SWEEP_ID))
                    .where(SWEEP.CANCELLED.isFalse())))
        .execute();
  }

  /** How many runs of deliveries are open and have ended. */
  Map<UUID, int[]> counts(Collection<UUID> deliveries) {
    Map<UUID, int[]> out = new HashMap<>();
    db.select(VARIANT_BASIS.DELIVERY_ID, VARIANT_RUN.STATE, DSL.count())
        .from(VARIANT_RUN)
        .join(VARIANT_BASIS)
        .on(VARIANT_BASIS.KEY.eq(VARIANT_RUN.BASIS))
        .where(VARIANT_BASIS.DELIVERY_ID.in(deliveries))
        .groupBy(VARIANT_BASIS.DELIVERY_ID, VARIANT_RUN.STATE)
        .forEach(
            r ->
                out.computeIfAbsent(r.value1(), k -> new int[2])[
                        OPEN.contains(r.value2()) ? 0 : 1] +=
                    r.value3());
    return out;
  }

  /**
   * Schedules runs that wait and have no job: one that was stopped and asked for again while its
   * job was just ending. So no run is ever lost.
   */
  @Scheduled(fixedDelay = 3000)
  void rescue() {
    List<String> lost;
    try {
      lost =
          db.select(VARIANT_RUN.ASK)
              .from(VARIANT_RUN)
              .where(VARIANT_RUN.STATE.in(OPEN))
              .and(
                  VARIANT_RUN.ASK.notIn(
                      DSL.select(DSL.field("task_instance", String.class))
                          .from(DSL.table("scheduled_tasks"))
                          .where(DSL.field("task_name", String.class).eq(TASK.getTaskName()))))
              .fetch(VARIANT_RUN.ASK);
    } catch (DataAccessException | org.springframework.dao.DataAccessException e) {
      LOG.debug("the database is away; runs are looked after later", e);
      return;
    }
    lost.forEach(this::schedule);
  }

  private void schedule(String ask) {
    scheduler
        .getObject()
        .scheduleIfNotExists(
            TASK.instance(ask).priority(Priority.LOW).scheduledTo(clock.instant()));
  }
}
