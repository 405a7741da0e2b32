package yentra.server.estimate;

import static yentra.server.db.Tables.ESTIMATE_HOURS;
import static yentra.server.db.Tables.ESTIMATE_RUN;
import static yentra.server.db.Tables.WEATHER;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.JSONB;
import org.jooq.Record;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.climate.WeatherQuantity;
import yentra.core.climate.WeatherYear;
import yentra.core.estimate.hourly.HourSeries;
import yentra.core.intake.ProjectSettings;
import yentra.server.db.tables.records.EstimateRunRecord;
import yentra.server.deliveries.DeliveryStore;
import yentra.server.projects.ProjectStore;
import yentra.server.web.Hashes;
import yentra.server.web.Problem;
import yentra.server.web.Stored;

/**
 * Runs of estimates: asked for here, done by any node, kept with the state of the envelope that
 * they belong to.
 */
@Service
public class EstimateRuns {
  static final TaskDescriptor<Void> TASK = TaskDescriptor.of("estimate");

  /** Runs of a delivery that are kept; the oldest go. */
  private static final int KEPT = 12;

  private static final int LONGEST_NAME = 120;
  static final List<String> OPEN = List.of("waiting", "running");

  /** All of a run but its result. */
  private static final List<Field<?>> SHOWN =
      List.of(
          ESTIMATE_RUN.ID,
          ESTIMATE_RUN.DELIVERY_ID,
          ESTIMATE_RUN.NAME,
          ESTIMATE_RUN.STATE,
          ESTIMATE_RUN.PROGRESS,
          ESTIMATE_RUN.MESSAGE,
          ESTIMATE_RUN.MISSING,
          ESTIMATE_RUN.STATE_KEY,
          ESTIMATE_RUN.ASSUME_MISSING,
          ESTIMATE_RUN.STEPS,
          ESTIMATE_RUN.WEATHER_ID,
          ESTIMATE_RUN.ASKED_BY,
          ESTIMATE_RUN.ASKED_AT,
          ESTIMATE_RUN.ENDED_AT,
          ESTIMATE_RUN.HEATING,
          ESTIMATE_RUN.COOLING,
          ESTIMATE_RUN.PER_AREA,
          WEATHER.LABEL);

  private final DSLContext db;
  private final DeliveryStore store;
  private final ProjectStore projects;
  private final WeatherFiles weather;
  private final TransactionTemplate transaction;
  private final ObjectProvider<Scheduler> scheduler;
  private final JsonMapper json;
  private final Clock clock;
  private final Supplier<UUID> ids;

  EstimateRuns(
      DSLContext db,
      DeliveryStore store,
      ProjectStore projects,
      WeatherFiles weather,
      TransactionTemplate transaction,
      ObjectProvider<Scheduler> scheduler,
      JsonMapper json,
      Clock clock,
      Supplier<UUID> ids) {
    this.db = db;
    this.store = store;
    this.projects = projects;
    this.weather = weather;
    this.transaction = transaction;
    this.scheduler = scheduler;
    this.json = Stored.reader(json);
    this.clock = clock;
    this.ids = ids;
  }

  /**
   * Asks for a run on the newest state.
   *
   * @throws Problem when the project has no weather
   */
  UUID ask(UUID delivery, EstimateViews.RunRequest asked, String by) {
    DeliveryStore.Loaded l = store.loaded(delivery);
    UUID project = l.delivery().getProjectId();
    UUID w =
        weather
            .of(project)
            .orElseThrow(() -> Problem.notApplicable("Choose a weather file first."));
    RunSettings settings = weather.settings(project);
    UUID id = ids.get();
    transaction.executeWithoutResult(
        t -> {
          int n = db.fetchCount(ESTIMATE_RUN, ESTIMATE_RUN.DELIVERY_ID.eq(delivery));
          db.insertInto(ESTIMATE_RUN)
              .set(ESTIMATE_RUN.ID, id)
              .set(ESTIMATE_RUN.DELIVERY_ID, delivery)
              .set(ESTIMATE_RUN.WEATHER_ID, w)
              .set(ESTIMATE_RUN.NAME, name(asked.name(), n))
              .set(ESTIMATE_RUN.STATE_KEY, key(l))
              .set(ESTIMATE_RUN.VERSION, l.delivery().getVersion())
              .set(ESTIMATE_RUN.STEPS, l.inForce().size())
              .set(ESTIMATE_RUN.SETTINGS, JSONB.valueOf(json.writeValueAsString(settings)))
              .set(ESTIMATE_RUN.ASSUME_MISSING, asked.assumeMissing())
              .set(ESTIMATE_RUN.STATE, "waiting")
              .set(ESTIMATE_RUN.PROGRESS, 0.0)
              .set(ESTIMATE_RUN.MESSAGE, "Waiting to be run")
              .set(ESTIMATE_RUN.ASKED_BY, by)
              .set(ESTIMATE_RUN.ASKED_AT, clock.instant())
              .execute();
          forget(delivery);
          scheduler
              .getObject()
              .scheduleIfNotExists(TASK.instance(id.toString()).scheduledTo(clock.instant()));
          TransactionSynchronizationManager.registerSynchronization(
              new TransactionSynchronization() {
                @Override
                public void afterCommit() {
                  scheduler.getObject().triggerCheckForDueExecutions();
                }
              });
        });
    return id;
  }

  private static String name(String asked, int before) {
    String name = asked == null ? "" : asked.replaceAll("\\p{Cntrl}", " ").strip();
    return name.isEmpty()
        ? "Run " + (before + 1)
        : name.substring(0, Math.min(LONGEST_NAME, name.length()));
  }

  private void forget(UUID delivery) {
    List<UUID> old =
        db.select(ESTIMATE_RUN.ID)
            .from(ESTIMATE_RUN)
            .where(ESTIMATE_RUN.DELIVERY_ID.eq(delivery))
            .and(ESTIMATE_RUN.STATE.notIn(OPEN))
            .orderBy(ESTIMATE_RUN.ASKED_AT.desc())
            .offset(KEPT)
            .fetch(ESTIMATE_RUN.ID);
    db.deleteFrom(ESTIMATE_RUN).where(ESTIMATE_RUN.ID.in(old)).execute();
  }

  /** What the envelope of a delivery depends on: the steps in force and the project's settings. */
  public String key(DeliveryStore.Loaded l) {
    String steps =
        l.inForce().stream().map(e -> e.getId().toString()).collect(Collectors.joining(" "));
    ProjectSettings settings =
        projects.settings(l.delivery().getProjectId()).withLimits(null).withConstructions(null);
    String all = steps + json.writeValueAsString(settings);
    return Hashes.sha256(all);
  }

  /** Runs of a delivery, the newest first. */
  public List<EstimateViews.EstimateRunView> of(UUID delivery) {
    String now = key(store.loaded(delivery));
    return db.select(SHOWN)
        .from(ESTIMATE_RUN)
        .join(WEATHER)
        .on(WEATHER.ID.eq(ESTIMATE_RUN.WEATHER_ID))
        .where(ESTIMATE_RUN.DELIVERY_ID.eq(delivery))
        .orderBy(ESTIMATE_RUN.ASKED_AT.desc(), ESTIMATE_RUN.ID)
        .fetch(r -> view(r, now));
  }

  EstimateViews.EstimateRunView run(UUID id) {
    EstimateRunRecord r = record(id);
    return of(r.getDeliveryId()).stream().filter(v -> v.id().equals(id)).findFirst().orElseThrow();
  }

  /** Runs by id, as they stand; whether they are stale is left out. */
  Map<UUID, EstimateViews.EstimateRunView> runs(Collection<UUID> which) {
    return db.select(SHOWN)
        .from(ESTIMATE_RUN)
        .join(WEATHER)
        .on(WEATHER.ID.eq(ESTIMATE_RUN.WEATHER_ID))
        .where(ESTIMATE_RUN.ID.in(which))
        .fetchMap(ESTIMATE_RUN.ID, r -> view(r, r.get(ESTIMATE_RUN.STATE_KEY)));
  }

  private EstimateRunRecord record(UUID id) {
    return db.selectFrom(ESTIMATE_RUN)
        .where(ESTIMATE_RUN.ID.eq(id))
        .fetchOptional()
        .orElseThrow(() -> Problem.notFound("The run"));
  }

  private EstimateViews.EstimateRunView view(Record r, String now) {
    JSONB lacks = r.get(ESTIMATE_RUN.MISSING);
    return new EstimateViews.EstimateRunView(
        r.get(ESTIMATE_RUN.ID),
        r.get(ESTIMATE_RUN.DELIVERY_ID),
        r.get(ESTIMATE_RUN.NAME),
        r.get(ESTIMATE_RUN.STATE),
        r.get(ESTIMATE_RUN.PROGRESS),
        r.get(ESTIMATE_RUN.MESSAGE),
        lacks == null
            ? List.of()
            : json.readValue(lacks.data(), new TypeReference<List<EstimateViews.LackView>>() {}),
        !r.get(ESTIMATE_RUN.STATE_KEY).equals(now),
        r.get(ESTIMATE_RUN.ASSUME_MISSING),
        r.get(ESTIMATE_RUN.STEPS),
        r.get(ESTIMATE_RUN.WEATHER_ID),
        r.get(WEATHER.LABEL),
        r.get(ESTIMATE_RUN.ASKED_BY),
        r.get(ESTIMATE_RUN.ASKED_AT),
        r.get(ESTIMATE_RUN.ENDED_AT),
        r.get(ESTIMATE_RUN.HEATING),
        r.get(ESTIMATE_RUN.COOLING),
        r.get(ESTIMATE_RUN.PER_AREA));
  }

  /** What a run has come to. */
  public EstimateViews.EstimateView result(UUID id) {
    EstimateRunRecord r = record(id);
    if (r.getResult() == null) {
      throw Problem.notApplicable("The run has no result: " + r.getMessage());
    }
    return json.readValue(r.getResult().data(), EstimateViews.EstimateView.class);
  }

  /**
   * Hours of a space in a run.
   *
   * @param from first hour, from 0
   * @param hours how many
   */
  EstimateViews.HoursView hours(UUID id, String space, int from, int hours) {
    EstimateRunRecord r = record(id);
    byte[] packed =
        db.select(ESTIMATE_HOURS.BYTES)
            .from(ESTIMATE_HOURS)
            .where(ESTIMATE_HOURS.RUN_ID.eq(id))
            .and(ESTIMATE_HOURS.SPACE.eq(space))
            .fetchOptional(ESTIMATE_HOURS.BYTES)
            .orElseThrow(() -> Problem.notFound("The space in this run"));
    byte[] bytes = Packed.inflate(packed);
    WeatherYear y = weather.year(r.getWeatherId());
    int to = Math.min(y.hours(), from + hours);
    if (from < 0 || from >= y.hours() || hours < 1) {
      throw Problem.bad("The hours lie outside the year.");
    }
    List<Double> outdoors = new ArrayList<>();
    for (int h = from; h < to; h++) {
      outdoors.add(y.get(WeatherQuantity.DRY_BULB, h));
    }
    Function<HourSeries.Kind, List<Double>> of = k -> HourSeries.read(bytes, k, from, to);
    return new EstimateViews.HoursView(
        from,
        outdoors,
        of.apply(HourSeries.Kind.AIR),
        of.apply(HourSeries.Kind.OPERATIVE),
        of.apply(HourSeries.Kind.HEATING),
        of.apply(HourSeries.Kind.COOLING),
        of.apply(HourSeries.Kind.SUN),
        of.apply(HourSeries.Kind.INTERNAL));
  }

  /** Stops a run that goes on; takes away one that has ended. */
  void cancel(UUID id) {
    record(id);
    transaction.executeWithoutResult(
        t -> {
          int stopped =
              db.update(ESTIMATE_RUN)
                  .set(ESTIMATE_RUN.STATE, "cancelled")
                  .set(ESTIMATE_RUN.MESSAGE, "Cancelled")
                  .set(ESTIMATE_RUN.ENDED_AT, clock.instant())
                  .where(ESTIMATE_RUN.ID.eq(id))
                  .and(ESTIMATE_RUN.STATE.in(OPEN))
                  .execute();
          if (stopped == 0) {
            db.deleteFrom(ESTIMATE_RUN).where(ESTIMATE_RUN.ID.eq(id)).execute();
          }
        });
  }
}
