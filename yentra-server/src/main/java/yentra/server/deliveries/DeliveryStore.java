package yentra.server.deliveries;

import static yentra.server.db.Tables.CONTENT;
import static yentra.server.db.Tables.DELIVERY;
import static yentra.server.db.Tables.INTAKE_JOB;
import static yentra.server.db.Tables.REPAIR_ENTRY;

import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Supplier;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Isolation;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.finding.FindingId;
import yentra.core.intake.IdSketch;
import yentra.core.repair.Repair;
import yentra.core.revision.LogReplay;
import yentra.core.scope.ScopeStep;
import yentra.server.db.tables.records.DeliveryRecord;
import yentra.server.db.tables.records.RepairEntryRecord;
import yentra.server.projects.SettingsLog;
import yentra.server.web.Problem;
import yentra.server.web.Stored;

/** Deliveries, their bytes and their repair logs. Callers bring the transaction. */
@Repository
public class DeliveryStore {
  private static final String SCOPE = "scope";

  /** Files that share at least this much of their ids are about the same part. */
  private static final double SAME_PART = 0.1;

  private final DSLContext db;
  private final JsonMapper json;
  private final SettingsLog settings;
  private final Clock clock;
  private final Supplier<UUID> ids;

  DeliveryStore(
      DSLContext db, JsonMapper json, SettingsLog settings, Clock clock, Supplier<UUID> ids) {
    this.db = db;
    this.json = Stored.reader(json);
    this.settings = settings;
    this.clock = clock;
    this.ids = ids;
  }

  public void keepContent(String sha256, byte[] bytes) {
    alone(sha256);
    db.insertInto(CONTENT)
        .set(CONTENT.SHA256, sha256)
        .set(CONTENT.BYTES, bytes)
        .onConflictDoNothing()
        .execute();
  }

  /**
   * Until the transaction ends, nobody else keeps or drops this content: a job that fails must not
   * drop what another waits for.
   */
  private void alone(String sha256) {
    db.select(
            DSL.field(
                "pg_advisory_xact_lock(hashtextextended({0}, 0))", Object.class, DSL.val(sha256)))
        .fetch();
  }

  public byte[] content(String sha256) {
    return db.select(CONTENT.BYTES)
        .from(CONTENT)
        .where(CONTENT.SHA256.eq(sha256))
        .fetchOptional(CONTENT.BYTES)
        .orElseThrow(() -> Problem.notFound("The delivered file"));
  }

  /** Drops bytes that no delivery and no waiting job needs. */
  public void dropUnusedContent(String sha256) {
    alone(sha256);
    db.deleteFrom(CONTENT)
        .where(CONTENT.SHA256.eq(sha256))
        .and(DSL.notExists(DSL.selectOne().from(DELIVERY).where(DELIVERY.SHA256.eq(sha256))))
        .and(
            DSL.notExists(
                DSL.selectOne()
                    .from(INTAKE_JOB)
                    .where(INTAKE_JOB.SHA256.eq(sha256))
                    .and(INTAKE_JOB.STATE.in("waiting", "reading"))))
        .execute();
  }

  public UUID add(
      UUID project,
      String fileName,
      String format,
      String sha256,
      long size,
      String by,
      LogViews.ReportView report,
      IdSketch sketch) {
    Place place = place(project, format, sketch);
    UUID id = ids.get();
    db.insertInto(DELIVERY)
        .set(DELIVERY.ID, id)
        .set(DELIVERY.PROJECT_ID, project)
        .set(DELIVERY.PART, place.part)
        .set(DELIVERY.REVISION, nextRevision(project, place.part))
        .set(DELIVERY.PLACED, place.why)
        .set(DELIVERY.ID_SKETCH, JSONB.valueOf(json.writeValueAsString(sketch)))
        .set(DELIVERY.FILE_NAME, fileName)
        .set(DELIVERY.FORMAT, format)
        .set(DELIVERY.SHA256, sha256)
        .set(DELIVERY.SIZE, size)
        .set(DELIVERY.RECEIVED_AT, clock.instant())
        .set(DELIVERY.RECEIVED_BY, by)
        .set(DELIVERY.REPORT, JSONB.valueOf(json.writeValueAsString(report)))
        .set(DELIVERY.VERSION, 1L)
        .set(DELIVERY.LOG_POSITION, 0)
        .execute();
    return id;
  }

  private record Place(int part, String why) {}

  /**
   * The part whose newest revision of the same format shares the most ids with a file, or a new
   * part.
   */
  private Place place(UUID project, String format, IdSketch sketch) {
    Map<Integer, DeliveryRecord> newest = new LinkedHashMap<>();
    for (DeliveryRecord d : ofProject(project)) {
      newest.put(d.getPart(), d);
    }
    Place best = null;
    double most = SAME_PART;
    for (DeliveryRecord d : newest.values()) {
      double shared = json.readValue(d.getIdSketch().data(), IdSketch.class).shared(sketch);
      if (d.getFormat().equals(format) && shared >= most) {
        most = shared;
        best =
            new Place(
                d.getPart(),
                String.format(
                    Locale.ROOT,
                    "about %.0f %% of the ids in it and in revision %d (%s) are the same",
                    100 * shared,
                    d.getRevision(),
                    d.getFileName()));
      }
    }
    if (best != null) {
      return best;
    }
    int part = newest.keySet().stream().mapToInt(Integer::intValue).max().orElse(0) + 1;
    return new Place(
        part,
        newest.isEmpty()
            ? "the first delivery of the project"
            : "it shares hardly any ids with the deliveries before it");
  }

  private int nextRevision(UUID project, int part) {
    return ofProject(project).stream()
            .filter(d -> d.getPart() == part)
            .mapToInt(DeliveryRecord::getRevision)
            .max()
            .orElse(0)
        + 1;
  }

  /** The project's deliveries in the order in which they came. */
  public List<DeliveryRecord> ofProject(UUID project) {
    return db.selectFrom(DELIVERY)
        .where(DELIVERY.PROJECT_ID.eq(project))
        .orderBy(DELIVERY.RECEIVED_AT, DELIVERY.PART, DELIVERY.REVISION)
        .fetch();
  }

  /**
   * Makes a delivery the newest revision of a part, with the scope of the revision before it.
   *
   * @param part its number; null for a part of its own
   * @throws Problem when the part is unknown, of another format, or the delivery has been worked on
   */
  public void place(DeliveryRecord d, Integer part, String by) {
    List<DeliveryRecord> others =
        ofProject(d.getProjectId()).stream().filter(o -> !o.getId().equals(d.getId())).toList();
    int to =
        part != null ? part : others.stream().mapToInt(DeliveryRecord::getPart).max().orElse(0) + 1;
    if (to == d.getPart()) {
      return;
    }
    if (part != null
        && others.stream()
            .noneMatch(o -> o.getPart().equals(part) && o.getFormat().equals(d.getFormat()))) {
      throw Problem.notApplicable("There is no part " + part + " of the same format.");
    }
    if (log(d.getId()).stream().anyMatch(e -> !e.getCarried())) {
      throw Problem.notApplicable(
          "This delivery has been worked on; to which part it belongs can only be changed before.");
    }
    db.update(REPAIR_ENTRY)
        .set(REPAIR_ENTRY.DISCARDED_AT, clock.instant())
        .where(REPAIR_ENTRY.DELIVERY_ID.eq(d.getId()))
        .and(REPAIR_ENTRY.DISCARDED_AT.isNull())
        .execute();
    db.update(DELIVERY)
        .set(DELIVERY.PART, to)
        .set(DELIVERY.REVISION, nextRevision(d.getProjectId(), to))
        .set(DELIVERY.PLACED, by + " said so")
        .where(DELIVERY.ID.eq(d.getId()))
        .execute();
    move(d, 0);
    carryScope(d.getId());
  }

  /**
   * A delivery with its log.
   *
   * @param log entries that were not discarded, undone ones at the end
   */
  public record Loaded(DeliveryRecord delivery, List<RepairEntryRecord> log) {
    public List<RepairEntryRecord> inForce() {
      return log.subList(0, delivery.getLogPosition());
    }
  }

  /** A delivery and its log as they are at one moment. */
  @Transactional(readOnly = true, isolation = Isolation.REPEATABLE_READ)
  public Loaded loaded(UUID id) {
    return new Loaded(get(id), log(id));
  }

  public DeliveryRecord get(UUID id) {
    return db.selectFrom(DELIVERY)
        .where(DELIVERY.ID.eq(id))
        .fetchOptional()
        .orElseThrow(() -> Problem.notFound("The delivery"));
  }

  /** The project's first delivery, that later ones are held against; empty for the first itself. */
  Optional<DeliveryRecord> first(DeliveryRecord d) {
    return ofProject(d.getProjectId()).stream()
        .findFirst()
        .filter(f -> !f.getId().equals(d.getId()));
  }

  /** The building of the project that was drawn last, unless it is this one. */
  public Optional<DeliveryRecord> drawn(DeliveryRecord d) {
    return ofProject(d.getProjectId()).stream()
        .filter(o -> o.getFormat().equals("plan") && !o.getId().equals(d.getId()))
        .reduce((first, second) -> second);
  }

  /** The delivery, locked against other edits until the transaction ends. */
  public DeliveryRecord lock(UUID id) {
    return db.selectFrom(DELIVERY)
        .where(DELIVERY.ID.eq(id))
        .forUpdate()
        .fetchOptional()
        .orElseThrow(() -> Problem.notFound("The delivery"));
  }

  public LogViews.ReportView report(DeliveryRecord d) {
    return json.readValue(d.getReport().data(), LogViews.ReportView.class);
  }

  /**
   * Entries that were not discarded, in the order of the log; those at and after the log position
   * are undone.
   */
  public List<RepairEntryRecord> log(UUID delivery) {
    return db.selectFrom(REPAIR_ENTRY)
        .where(REPAIR_ENTRY.DELIVERY_ID.eq(delivery))
        .and(REPAIR_ENTRY.DISCARDED_AT.isNull())
        .orderBy(REPAIR_ENTRY.LOG_INDEX)
        .fetch();
  }

  public Repair repair(RepairEntryRecord r) {
    return json.readValue(r.getRepair().data(), Repair.class);
  }

  /** An entry as the core replays it. */
  public LogReplay.Entry entry(RepairEntryRecord r) {
    return new LogReplay.Entry(
        repair(r), r.getFinding() == null ? null : FindingId.parse(r.getFinding()));
  }

  ScopeStep scopeStep(RepairEntryRecord r) {
    return json.readValue(r.getRepair().data(), ScopeStep.class);
  }

  /** Whether an entry is about scope and values, and not about the envelope. */
  public static boolean isScope(RepairEntryRecord r) {
    return r.getArea().equals(SCOPE);
  }

  /** Appends an entry at the log position; undone entries behind it are discarded but kept. */
  public void append(
      DeliveryRecord d, Repair repair, String summary, Optional<String> finding, String by) {
    append(
        d,
        "envelope",
        json.writerFor(Repair.class).writeValueAsString(repair),
        summary,
        finding.orElse(null),
        by);
  }

  public void append(DeliveryRecord d, ScopeStep step, String summary, String by) {
    append(d, SCOPE, json.writerFor(ScopeStep.class).writeValueAsString(step), summary, null, by);
  }

  private void append(
      DeliveryRecord d, String area, String change, String summary, String finding, String by) {
    settings.discardUndone(d.getProjectId());
    db.update(REPAIR_ENTRY)
        .set(REPAIR_ENTRY.DISCARDED_AT, clock.instant())
        .where(REPAIR_ENTRY.DELIVERY_ID.eq(d.getId()))
        .and(REPAIR_ENTRY.DISCARDED_AT.isNull())
        .and(REPAIR_ENTRY.LOG_INDEX.ge(d.getLogPosition()))
        .execute();
    db.insertInto(REPAIR_ENTRY)
        .set(REPAIR_ENTRY.ID, ids.get())
        .set(REPAIR_ENTRY.DELIVERY_ID, d.getId())
        .set(REPAIR_ENTRY.LOG_INDEX, d.getLogPosition())
        .set(REPAIR_ENTRY.AREA, area)
        .set(REPAIR_ENTRY.REPAIR, JSONB.valueOf(change))
        .set(REPAIR_ENTRY.SUMMARY, summary)
        .set(REPAIR_ENTRY.FINDING, finding)
        .set(REPAIR_ENTRY.MADE_BY, by)
        .set(REPAIR_ENTRY.MADE_AT, clock.instant())
        .set(REPAIR_ENTRY.VERSION, d.getVersion() + 1)
        .execute();
    move(d, d.getLogPosition() + 1);
  }

  /** Appends a repair that was made on the revision before. */
  public void carry(DeliveryRecord d, Repair repair, String summary, String finding, String by) {
    append(
        d,
        "envelope",
        json.writerFor(Repair.class).writeValueAsString(repair),
        summary,
        finding,
        by);
    db.update(REPAIR_ENTRY)
        .set(REPAIR_ENTRY.CARRIED, true)
        .where(REPAIR_ENTRY.DELIVERY_ID.eq(d.getId()))
        .and(REPAIR_ENTRY.DISCARDED_AT.isNull())
        .and(REPAIR_ENTRY.LOG_INDEX.eq(d.getLogPosition()))
        .execute();
  }

  /** Keeps what the newest entry changed. */
  public void figures(DeliveryRecord d, LogViews.EntryFigures f) {
    db.update(REPAIR_ENTRY)
        .set(REPAIR_ENTRY.FIGURES, json(f))
        .where(REPAIR_ENTRY.DELIVERY_ID.eq(d.getId()))
        .and(REPAIR_ENTRY.DISCARDED_AT.isNull())
        .and(REPAIR_ENTRY.LOG_INDEX.eq(d.getLogPosition() - 1))
        .execute();
  }

  JSONB json(LogViews.EntryFigures f) {
    return JSONB.valueOf(json.writeValueAsString(f));
  }

  public LogViews.LogView view(RepairEntryRecord e, int position) {
    return new LogViews.LogView(
        e.getLogIndex(),
        e.getSummary(),
        e.getFinding(),
        e.getMadeBy(),
        e.getMadeAt(),
        e.getLogIndex() < position,
        e.getArea(),
        e.getCarried(),
        e.getLogIndex() < position ? null : e.getUndoneBy(),
        e.getFigures() == null
            ? null
            : json.readValue(e.getFigures().data(), LogViews.EntryFigures.class));
  }

  /** What was done after a version, by whom. */
  public List<String> since(UUID delivery, long version) {
    return log(delivery).stream()
        .filter(e -> e.getVersion() > version)
        .limit(5)
        .map(e -> e.getMadeBy() + ": " + e.getSummary())
        .toList();
  }

  /** Takes entries out for good; they are kept on the record, the others close up. */
  public void takeOut(DeliveryRecord d, Set<Integer> entries, String by) {
    int next = 0;
    int position = 0;
    for (RepairEntryRecord e : log(d.getId())) {
      if (entries.contains(e.getLogIndex())) {
        e.setDiscardedAt(clock.instant()).setUndoneBy(by);
      } else {
        position += e.getLogIndex() < d.getLogPosition() ? 1 : 0;
        e.setLogIndex(next++);
      }
      e.store();
    }
    move(d, position);
  }

  /** The revision before this one of the same part and format. */
  public Optional<DeliveryRecord> before(DeliveryRecord d) {
    return db.selectFrom(DELIVERY)
        .where(DELIVERY.PROJECT_ID.eq(d.getProjectId()))
        .and(DELIVERY.PART.eq(d.getPart()))
        .and(DELIVERY.FORMAT.eq(d.getFormat()))
        .and(DELIVERY.REVISION.lt(d.getRevision()))
        .orderBy(DELIVERY.REVISION.desc())
        .limit(1)
        .fetchOptional();
  }

  /**
   * Scope and values that are in force on the revision before this one are made again on this one.
   */
  public void carryScope(UUID delivery) {
    DeliveryRecord d = get(delivery);
    before(d)
        .ifPresent(
            before ->
                log(before.getId()).stream()
                    .limit(before.getLogPosition())
                    .filter(DeliveryStore::isScope)
                    // what was drawn belongs to the delivery that was drawn
                    .filter(e -> !(scopeStep(e) instanceof ScopeStep.Draw))
                    .forEach(e -> copy(e, delivery)));
  }

  private void copy(RepairEntryRecord e, UUID delivery) {
    DeliveryRecord d = get(delivery);
    RepairEntryRecord r = e.copy();
    r.setId(ids.get()).setDeliveryId(delivery).setLogIndex(d.getLogPosition()).setCarried(true);
    r.store();
    move(d, d.getLogPosition() + 1);
  }

  /** Undoes or makes again up to a position, and keeps who did. */
  public void moveTo(DeliveryRecord d, int position, String by) {
    for (RepairEntryRecord e : log(d.getId())) {
      boolean was = e.getLogIndex() < d.getLogPosition();
      boolean is = e.getLogIndex() < position;
      if (was != is) {
        e.setUndoneBy(is ? null : by).setUndoneAt(is ? null : clock.instant()).store();
      }
    }
    move(d, position);
  }

  void move(DeliveryRecord d, int position) {
    db.update(DELIVERY)
        .set(DELIVERY.LOG_POSITION, position)
        .set(DELIVERY.VERSION, d.getVersion() + 1)
        .where(DELIVERY.ID.eq(d.getId()))
        .execute();
  }
}
