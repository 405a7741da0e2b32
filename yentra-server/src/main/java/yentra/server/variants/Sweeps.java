package yentra.server.variants;

import static yentra.server.db.Tables.SWEEP;
import static yentra.server.db.Tables.SWEEP_POINT;
import static yentra.server.db.Tables.VARIANT_RUN;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.function.Supplier;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.repair.NotApplicableException;
import yentra.core.variant.Metric;
import yentra.core.variant.Sweep;
import yentra.core.variant.Target;
import yentra.core.variant.VariantFigures;
import yentra.core.variant.change.Change;
import yentra.core.variant.change.ChangeQuantity;
import yentra.server.db.tables.records.SweepRecord;
import yentra.server.deliveries.DeliveryStore;
import yentra.server.web.Problem;
import yentra.server.web.Stored;

/** Sweeps: asked for here as single runs, which any node makes. */
@Service
public class Sweeps {
  private static final int MOST = 30;
  private static final int LONGEST_NAME = 120;

  private final DSLContext db;
  private final DeliveryStore deliveries;
  private final VariantStore store;
  private final Bases bases;
  private final VariantRuns runs;
  private final TransactionTemplate transaction;
  private final JsonMapper json;
  private final Clock clock;
  private final Supplier<UUID> ids;

  Sweeps(
      DSLContext db,
      DeliveryStore deliveries,
      VariantStore store,
      Bases bases,
      VariantRuns runs,
      TransactionTemplate transaction,
      JsonMapper json,
      Clock clock,
      Supplier<UUID> ids) {
    this.db = db;
    this.deliveries = deliveries;
    this.store = store;
    this.bases = bases;
    this.runs = runs;
    this.transaction = transaction;
    this.json = Stored.reader(json);
    this.clock = clock;
    this.ids = ids;
  }

  /** What a sweep is made of; {@code from} is what the variant was called. */
  record Body(
      String from, List<Change> changes, List<AxisBody> axes, boolean grid, boolean assumeMissing) {
    Sweep sweep() {
      return new Sweep(
          changes,
          axes.stream().map(a -> new Sweep.Axis(a.change, a.member, a.values)).toList(),
          grid);
    }
  }

  record AxisBody(Change change, String member, List<Double> values) {}

  /**
   * Asks for a sweep on the newest state.
   *
   * @throws Problem when there is nothing to vary, or too much
   */
  public UUID ask(UUID delivery, VariantViews.SweepWish asked, String by) {
    UUID project = deliveries.get(delivery).getProjectId();
    if (db.fetchCount(SWEEP, SWEEP.DELIVERY_ID.eq(delivery)) >= MOST) {
      throw Problem.notApplicable(
          "A delivery keeps at most " + MOST + " sweeps: take some away first.");
    }
    String from = "Baseline";
    List<Change> changes = List.of();
    if (asked.variant() != null) {
      VariantStore.Kept k = store.one(asked.variant());
      from = k.spec().name();
      changes = k.changes(store.of(project)).stream().map(t -> t.spec().change()).toList();
    }
    if (asked.axes() == null) {
      throw Problem.bad("Choose one or two numbers to vary.");
    }
    List<AxisBody> axes = asked.axes().stream().map(Sweeps::axis).toList();
    Body body = new Body(from, changes, axes, asked.grid(), asked.assumeMissing());
    List<Sweep.Point> points = points(body);
    Bases.Basis basis = bases.now(delivery);
    UUID id = ids.get();
    Map<String, VariantRuns.Body> all = new LinkedHashMap<>();
    String none = bases.ask(basis.key(), List.of(), body.assumeMissing);
    all.put(none, new VariantRuns.Body(List.of(), body.assumeMissing));
    List<String> order = new ArrayList<>();
    for (Sweep.Point p : points) {
      String ask = bases.ask(basis.key(), p.changes(), body.assumeMissing);
      order.add(ask);
      all.put(ask, new VariantRuns.Body(p.changes(), body.assumeMissing));
    }
    transaction.executeWithoutResult(
        t -> {
          runs.ask(basis, all, by);
          db.insertInto(SWEEP)
              .set(SWEEP.ID, id)
              .set(SWEEP.DELIVERY_ID, delivery)
              .set(SWEEP.NAME, name(asked.name(), body))
              .set(SWEEP.BASIS, basis.key())
              .set(SWEEP.BODY, JSONB.valueOf(json.writeValueAsString(body)))
              .set(SWEEP.CANCELLED, false)
              .set(SWEEP.ASKED_BY, by)
              .set(SWEEP.ASKED_AT, clock.instant())
              .execute();
          for (int i = 0; i < order.size(); i++) {
            db.insertInto(SWEEP_POINT)
                .set(SWEEP_POINT.SWEEP_ID, id)
                .set(SWEEP_POINT.PLACE, i)
                .set(SWEEP_POINT.ASK, order.get(i))
                .execute();
          }
        });
    return id;
  }

  private static AxisBody axis(VariantViews.AxisRequest a) {
    if (a == null || a.change() == null) {
      throw Problem.bad("Choose the change whose number varies.");
    }
    List<ChangeQuantity> numbers = a.change().quantities();
    if (numbers.isEmpty()) {
      throw Problem.notApplicable("This change has no number that could vary.");
    }
    boolean listed = a.values() != null && !a.values().isEmpty();
    if (!listed && (a.from() == null || a.to() == null || a.step() == null)) {
      throw Problem.bad("Give a list of values, or the first, the last and the step.");
    }
    try {
      return new AxisBody(
          a.change(),
          a.member() == null ? numbers.get(0).member() : a.member(),
          listed ? a.values() : Sweep.range(a.from(), a.to(), a.step()));
    } catch (IllegalArgumentException e) {
      throw Problem.bad(e.getMessage());
    }
  }

  private static List<Sweep.Point> points(Body body) {
    try {
      return body.sweep().points();
    } catch (NotApplicableException e) {
      throw Problem.notApplicable(e.getMessage());
    }
  }

  private static String name(String asked, Body body) {
    String name = asked == null ? "" : asked.replaceAll("\\p{Cntrl}", " ").strip();
    if (name.isEmpty()) {
      name =
          String.join(
              body.grid ? " × " : ", ",
              body.sweep().axes().stream().map(a -> a.quantity().label()).toList());
    }
    return name.substring(0, Math.min(LONGEST_NAME, name.length()));
  }

  private SweepRecord record(UUID id) {
    return db.selectFrom(SWEEP)
        .where(SWEEP.ID.eq(id))
        .fetchOptional()
        .orElseThrow(() -> Problem.notFound("The sweep"));
  }

  /** Sweeps of a delivery, the newest first. */
  List<VariantViews.SweepLine> lines(UUID delivery, String basis) {
    Map<UUID, int[]> counts = new HashMap<>();
    db.select(SWEEP_POINT.SWEEP_ID, VARIANT_RUN.STATE, DSL.count())
        .from(SWEEP_POINT)
        .join(SWEEP)
        .on(SWEEP.ID.eq(SWEEP_POINT.SWEEP_ID))
        .join(VARIANT_RUN)
        .on(VARIANT_RUN.ASK.eq(SWEEP_POINT.ASK))
        .where(SWEEP.DELIVERY_ID.eq(delivery))
        .groupBy(SWEEP_POINT.SWEEP_ID, VARIANT_RUN.STATE)
        .forEach(
            r -> {
              int[] c = counts.computeIfAbsent(r.value1(), k -> new int[2]);
              c[0] += ended(r.value2()) ? r.value3() : 0;
              c[1] += r.value3();
            });
    return db.selectFrom(SWEEP)
        .where(SWEEP.DELIVERY_ID.eq(delivery))
        .orderBy(SWEEP.ASKED_AT.desc(), SWEEP.ID)
        .fetch(
            r -> {
              int[] c = counts.getOrDefault(r.getId(), new int[2]);
              return new VariantViews.SweepLine(
                  r.getId(),
                  r.getName(),
                  state(r, c[0], c[1]),
                  c[0],
                  c[1],
                  !r.getBasis().equals(basis),
                  r.getAskedAt());
            });
  }

  private static boolean ended(String state) {
    return List.of("done", "refused", "failed").contains(state);
  }

  private static String state(SweepRecord r, int done, int total) {
    return done == total ? "done" : r.getCancelled() ? "cancelled" : "running";
  }

  /** A sweep with what has come of it so far. */
  public VariantViews.SweptView sweep(UUID id) {
    SweepRecord r = record(id);
    Body body = json.readValue(r.getBody().data(), Body.class);
    Sweep sweep = body.sweep();
    List<Sweep.Point> points = points(body);
    List<String> asks =
        db.select(SWEEP_POINT.ASK)
            .from(SWEEP_POINT)
            .where(SWEEP_POINT.SWEEP_ID.eq(id))
            .orderBy(SWEEP_POINT.PLACE)
            .fetch(SWEEP_POINT.ASK);
    String none = bases.ask(r.getBasis(), List.of(), body.assumeMissing);
    List<String> all = new ArrayList<>(asks);
    all.add(none);
    Map<String, VariantRuns.Run> known = runs.of(all);
    VariantRuns.Run baseline = known.getOrDefault(none, VariantRuns.Run.none(none));
    List<Target> targets = store.targets(deliveries.get(r.getDeliveryId()).getProjectId());
    List<VariantViews.PointView> out = new ArrayList<>();
    List<VariantFigures> figures = new ArrayList<>();
    int done = 0;
    for (int i = 0; i < points.size(); i++) {
      VariantRuns.Run run = known.getOrDefault(asks.get(i), VariantRuns.Run.none(asks.get(i)));
      VariantFigures f = run.figures();
      figures.add(f);
      done += ended(run.state()) ? 1 : 0;
      out.add(
          new VariantViews.PointView(
              points.get(i).values(),
              run.state(),
              run.message(),
              f == null
                  ? List.of()
                  : Arrays.stream(Metric.values()).map(m -> FiguresOf.known(m.of(f))).toList(),
              f == null ? null : FiguresOf.allMet(f, baseline.figures(), targets)));
    }
    String state = state(r, done, points.size());
    return new VariantViews.SweptView(
        id,
        r.getName(),
        body.from,
        body.grid,
        sweep.axes().stream().map(Sweeps::view).toList(),
        state,
        done,
        points.size(),
        state.equals("running") ? left(r.getAskedAt(), done, points.size()) : null,
        !r.getBasis().equals(bases.now(r.getDeliveryId()).key()),
        FiguresOf.run(baseline, baseline.figures(), targets),
        out,
        meets(sweep, points, figures, baseline.figures(), targets));
  }

  private Double left(Instant asked, int done, int total) {
    double gone = Duration.between(asked, clock.instant()).toMillis() / 1000.0;
    return done < 2 ? null : gone / done * (total - done);
  }

  private static VariantViews.AxisView view(Sweep.Axis a) {
    ChangeQuantity q = a.quantity();
    return new VariantViews.AxisView(
        q.label(),
        a.change().label(),
        q.quantity() == null ? "" : q.quantity().name(),
        q.shownUnit(),
        a.values());
  }

  /** Where curves of one number meet the targets; of a grid the points say it. */
  private static List<VariantViews.MeetView> meets(
      Sweep sweep,
      List<Sweep.Point> points,
      List<VariantFigures> figures,
      VariantFigures baseline,
      List<Target> targets) {
    List<VariantViews.MeetView> out = new ArrayList<>();
    if (sweep.grid() && sweep.axes().size() > 1) {
      return out;
    }
    for (int t = 0; t < targets.size(); t++) {
      Target target = targets.get(t);
      if (target.most() == null && baseline == null) {
        continue;
      }
      double limit = target.limit(baseline);
      for (int axis = 0; axis < sweep.axes().size(); axis++) {
        List<Double> x = new ArrayList<>();
        List<Double> y = new ArrayList<>();
        for (int i = 0; i < points.size(); i++) {
          Double v = points.get(i).values().get(axis);
          if (v != null) {
            x.add(v);
            y.add(figures.get(i) == null ? Double.NaN : target.metric().of(figures.get(i)));
          }
        }
        OptionalDouble at = Sweep.meets(x, y, limit);
        if (at.isPresent()) {
          out.add(new VariantViews.MeetView(t, axis, at.getAsDouble()));
        }
      }
    }
    return out;
  }

  /** Stops what has not been run of a sweep; what is done stays. */
  public void cancel(UUID id) {
    SweepRecord r = record(id);
    transaction.executeWithoutResult(
        t -> {
          db.update(SWEEP).set(SWEEP.CANCELLED, true).where(SWEEP.ID.eq(r.getId())).execute();
          runs.cancel(asks(List.of(id)));
        });
  }

  /** Goes on with a sweep that was stopped, and runs again what failed. */
  public void resume(UUID id, String by) {
    SweepRecord r = record(id);
    Body body = json.readValue(r.getBody().data(), Body.class);
    Bases.Basis basis = bases.of(r.getBasis());
    Map<String, VariantRuns.Body> all = new LinkedHashMap<>();
    all.put(
        bases.ask(basis.key(), List.of(), body.assumeMissing),
        new VariantRuns.Body(List.of(), body.assumeMissing));
    for (Sweep.Point p : points(body)) {
      all.put(
          bases.ask(basis.key(), p.changes(), body.assumeMissing),
          new VariantRuns.Body(p.changes(), body.assumeMissing));
    }
    transaction.executeWithoutResult(
        t -> {
          db.update(SWEEP)
              .set(SWEEP.CANCELLED, false)
              .set(SWEEP.ASKED_AT, clock.instant())
              .where(SWEEP.ID.eq(id))
              .execute();
          runs.ask(basis, all, by);
        });
  }

  /** Takes a sweep away; runs that it alone was waiting for are stopped. */
  public void delete(UUID id) {
    cancel(id);
    db.deleteFrom(SWEEP).where(SWEEP.ID.eq(id)).execute();
  }

  private List<String> asks(Collection<UUID> of) {
    return db.select(SWEEP_POINT.ASK)
        .from(SWEEP_POINT)
        .where(SWEEP_POINT.SWEEP_ID.in(of))
        .fetch(SWEEP_POINT.ASK);
  }
}
