package yentra.server.variants;

import static yentra.server.db.Tables.SWEEP;
import static yentra.server.db.Tables.VARIANT_BASIS;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Service;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.intake.ProjectSettings;
import yentra.core.plan.PlanWriter;
import yentra.core.repair.Repair;
import yentra.core.repair.Several;
import yentra.core.variant.Variant;
import yentra.core.variant.change.Change;
import yentra.core.variant.change.VariantState;
import yentra.core.work.LastUsed;
import yentra.server.db.tables.records.DeliveryRecord;
import yentra.server.db.tables.records.RepairEntryRecord;
import yentra.server.deliveries.DeliveryStates;
import yentra.server.deliveries.DeliveryStore;
import yentra.server.estimate.RunSettings;
import yentra.server.estimate.WeatherFiles;
import yentra.server.projects.ProjectStore;
import yentra.server.web.Hashes;
import yentra.server.web.Problem;
import yentra.server.web.Stored;

/**
 * States that changes are made on, kept with all that they were made of: runs that wait still run
 * on the state that they were asked for, whatever is repaired meanwhile.
 */
@Service
class Bases {
  /** States that are kept as they were made; the checked states under them are kept elsewhere. */
  private static final int KEPT = 6;

  /** Bases of a delivery that are kept with their runs; older ones go, but for those of sweeps. */
  private static final int OLD = 20;

  private final DSLContext db;
  private final DeliveryStore store;
  private final DeliveryStates states;
  private final ProjectStore projects;
  private final WeatherFiles weather;
  private final JsonMapper json;
  private final Clock clock;

  /** Of which the same value is always the same text. */
  private final JsonMapper ordered;

  private final LastUsed<String, Basis> known = new LastUsed<>(KEPT, b -> 1);

  Bases(
      DSLContext db,
      DeliveryStore store,
      DeliveryStates states,
      ProjectStore projects,
      WeatherFiles weather,
      JsonMapper json,
      Clock clock) {
    this.clock = clock;
    this.db = db;
    this.store = store;
    this.states = states;
    this.projects = projects;
    this.weather = weather;
    this.json = Stored.reader(json);
    this.ordered = json.rebuild().enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS).build();
  }

  /**
   * What a basis is made of.
   *
   * @param steps ids of the log's entries in force
   */
  record Body(List<UUID> steps, ProjectSettings project, RunSettings estimate, UUID weather) {}

  /**
   * A basis, made.
   *
   * @param content of all that it is made of but the variant's own changes
   */
  record Basis(
      String key,
      UUID delivery,
      Body body,
      VariantState state,
      Variant.Drawing drawing,
      List<String> content) {
    /** A variant on it. */
    Variant variant(List<Change> changes) {
      return Variant.of(state, changes, drawing);
    }
  }

  /**
   * The basis that a delivery is now.
   *
   * @throws Problem when no weather is chosen
   */
  Basis now(UUID delivery) {
    DeliveryStore.Loaded l = store.loaded(delivery);
    UUID project = l.delivery().getProjectId();
    UUID w =
        weather
            .of(project)
            .orElseThrow(
                () -> Problem.notApplicable("Choose a weather file first, under Climate."));
    Body body =
        new Body(
            l.inForce().stream().map(RepairEntryRecord::getId).toList(),
            projects.settings(project).withLimits(null).withConstructions(null),
            weather.settings(project),
            w);
    String key = Hashes.sha256(delivery + ordered.writeValueAsString(body));
    return known.get(key, k -> made(k, l.delivery(), body, l.inForce()));
  }

  /** Writes a basis down, so that any node can make it; callers bring the transaction. */
  void keep(Basis b) {
    db.insertInto(VARIANT_BASIS)
        .set(VARIANT_BASIS.KEY, b.key())
        .set(VARIANT_BASIS.DELIVERY_ID, b.delivery())
        .set(VARIANT_BASIS.BODY, JSONB.valueOf(json.writeValueAsString(b.body())))
        .set(VARIANT_BASIS.MADE_AT, clock.instant())
        .onConflict(VARIANT_BASIS.KEY)
        .doUpdate()
        .set(VARIANT_BASIS.MADE_AT, clock.instant())
        .execute();
    List<String> old =
        db.select(VARIANT_BASIS.KEY)
            .from(VARIANT_BASIS)
            .where(VARIANT_BASIS.DELIVERY_ID.eq(b.delivery()))
            .and(VARIANT_BASIS.KEY.notIn(DSL.select(SWEEP.BASIS).from(SWEEP)))
            .orderBy(VARIANT_BASIS.MADE_AT.desc(), VARIANT_BASIS.KEY)
            .offset(OLD)
            .fetch(VARIANT_BASIS.KEY);
    db.deleteFrom(VARIANT_BASIS).where(VARIANT_BASIS.KEY.in(old)).execute();
  }

  /**
   * A basis that was written down.
   *
   * @throws Problem when a step that it was made of is gone
   */
  Basis of(String key) {
    return known.get(key, this::read);
  }

  private Basis read(String key) {
    var r =
        db.selectFrom(VARIANT_BASIS)
            .where(VARIANT_BASIS.KEY.eq(key))
            .fetchOptional()
            .orElseThrow(() -> Problem.notFound("The state of the run"));
    Body body = json.readValue(r.getBody().data(), Body.class);
    DeliveryRecord d = store.get(r.getDeliveryId());
    Map<UUID, RepairEntryRecord> log = new HashMap<>();
    store.log(d.getId()).forEach(e -> log.put(e.getId(), e));
    List<RepairEntryRecord> steps = new ArrayList<>();
    for (UUID id : body.steps()) {
      RepairEntryRecord e = log.get(id);
      if (e == null) {
        throw Problem.notApplicable(
            "A step that the run was asked for was taken out of the log. Run it again.");
      }
      steps.add(e);
    }
    return made(key, d, body, steps);
  }

  private Basis made(String key, DeliveryRecord d, Body body, List<RepairEntryRecord> steps) {
    DeliveryStates.State s = states.state(d, body.project(), steps);
    VariantState state =
        new VariantState(
            s.context(),
            body.estimate().settings(s.settings().heatLossOptions()),
            body.weather().toString(),
            states.plan(d, s.scope()));
    return new Basis(
        key,
        d.getId(),
        body,
        state,
        p -> states.drawn(d, body.project(), steps, p),
        List.of(
            d.getSha256() + "\n",
            scope(steps) + "\n",
            ordered.writeValueAsString(body.project()) + "\n",
            // settings of the estimate are those of the variant
            flat(repairs(steps))));
  }

  private String scope(List<RepairEntryRecord> steps) {
    return ordered.writeValueAsString(
        steps.stream().filter(DeliveryStore::isScope).map(e -> e.getRepair().data()).toList());
  }

  private List<Repair> repairs(List<RepairEntryRecord> steps) {
    return steps.stream().filter(e -> !DeliveryStore.isScope(e)).map(store::repair).toList();
  }

  /** Repairs one after the other, whether they were made together or apart. */
  private String flat(List<Repair> repairs) {
    StringBuilder out = new StringBuilder();
    for (Repair r : repairs) {
      out.append(r instanceof Several s ? flat(s.repairs()) : ordered.writeValueAsString(r) + "\n");
    }
    return out.toString();
  }

  /** By what equal states are known, wherever they come from. */
  String content(Basis b, Variant v, boolean assumeMissing) {
    StringBuilder all = new StringBuilder();
    b.content().forEach(all::append);
    all.append(flat(v.repairs())).append('\n');
    all.append(ordered.writeValueAsString(v.state().settings())).append('\n');
    all.append(v.state().climate()).append('\n').append(assumeMissing).append('\n');
    if (v.state().plan() != null) {
      all.append(new String(PlanWriter.write(v.state().plan()), StandardCharsets.UTF_8));
    }
    return Hashes.sha256(all.toString());
  }

  /** By what a list of changes on a basis is known. */
  String ask(String basis, List<Change> changes, boolean assumeMissing) {
    return Hashes.sha256(
        basis
            + ordered
                .writerFor(
                    ordered.getTypeFactory().constructCollectionType(List.class, Change.class))
                .writeValueAsString(changes)
            + assumeMissing);
  }
}
