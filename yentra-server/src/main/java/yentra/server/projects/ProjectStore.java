package yentra.server.projects;

import static yentra.server.db.Tables.DELIVERY;
import static yentra.server.db.Tables.PROJECT;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.intake.ProjectSettings;
import yentra.server.db.tables.records.ProjectRecord;
import yentra.server.web.Problem;
import yentra.server.web.Stored;

/** Projects and the list of their deliveries. */
@Repository
public class ProjectStore {
  private final DSLContext db;
  private final JsonMapper json;
  private final SettingsLog log;
  private final Clock clock;
  private final Supplier<UUID> ids;

  ProjectStore(DSLContext db, JsonMapper json, SettingsLog log, Clock clock, Supplier<UUID> ids) {
    this.db = db;
    this.json = Stored.reader(json);
    this.log = log;
    this.clock = clock;
    this.ids = ids;
  }

  public boolean none() {
    return !db.fetchExists(PROJECT);
  }

  @Transactional
  public UUID create(String name, String by) {
    UUID id = ids.get();
    db.insertInto(PROJECT)
        .set(PROJECT.ID, id)
        .set(PROJECT.NAME, name)
        .set(PROJECT.CREATED_AT, clock.instant())
        .set(PROJECT.CREATED_BY, by)
        .execute();
    return id;
  }

  public ProjectSettings settings(UUID id) {
    return settings(record(id));
  }

  private ProjectSettings settings(ProjectRecord p) {
    return json.readValue(p.getSettings().data(), ProjectSettings.class);
  }

  private ProjectRecord record(UUID id) {
    return db.selectFrom(PROJECT)
        .where(PROJECT.ID.eq(id))
        .fetchOptional()
        .orElseThrow(() -> Problem.notFound("The project"));
  }

  /** Until the transaction ends, nobody else changes the project's settings. */
  private ProjectRecord lock(UUID id) {
    return db.selectFrom(PROJECT)
        .where(PROJECT.ID.eq(id))
        .forUpdate()
        .fetchOptional()
        .orElseThrow(() -> Problem.notFound("The project"));
  }

  /**
   * Changes the settings, and keeps who did it.
   *
   * @param basedOn version of the settings that the change was made from
   * @throws Problem when they have changed since
   */
  @Transactional
  public void settings(UUID id, long basedOn, UnaryOperator<ProjectSettings> change, String by) {
    ProjectRecord p = lock(id);
    if (p.getVersion() != basedOn) {
      throw Problem.stale(p.getVersion(), log.since(id, basedOn));
    }
    ProjectSettings before = settings(p);
    ProjectSettings after = change.apply(before);
    if (!after.equals(before)) {
      write(p, after);
      log.add(id, p.getVersion() + 1, before, after, by);
    }
  }

  /** Undoes the change of settings that was made last. */
  @Transactional
  public void undo(UUID id, String by) {
    ProjectRecord p = lock(id);
    write(p, log.undo(id, by).withUnits(settings(p).units()));
  }

  /** Makes the change of settings again that was undone last. */
  @Transactional
  public void redo(UUID id) {
    ProjectRecord p = lock(id);
    write(p, log.redo(id).withUnits(settings(p).units()));
  }

  private void write(ProjectRecord p, ProjectSettings settings) {
    db.update(PROJECT)
        .set(PROJECT.SETTINGS, JSONB.valueOf(json.writeValueAsString(settings)))
        .set(PROJECT.VERSION, p.getVersion() + 1)
        .where(PROJECT.ID.eq(p.getId()))
        .execute();
  }

  /** How far a project has come. */
  ProjectViews.Pulse pulse(UUID id) {
    ProjectViews.Pulse found = pulses(List.of(id)).get(id);
    if (found == null) {
      throw Problem.notFound("The project");
    }
    return found;
  }

  /** The same of several; those that are not there are left out. */
  Map<UUID, ProjectViews.Pulse> pulses(List<UUID> projects) {
    Map<UUID, Map<UUID, Long>> deliveries =
        db
            .select(DELIVERY.PROJECT_ID, DELIVERY.ID, DELIVERY.VERSION)
            .from(DELIVERY)
            .where(DELIVERY.PROJECT_ID.in(projects))
            .fetch()
            .stream()
            .collect(
                Collectors.groupingBy(
                    r -> r.get(DELIVERY.PROJECT_ID),
                    Collectors.toMap(r -> r.get(DELIVERY.ID), r -> r.get(DELIVERY.VERSION))));
    return db
        .select(PROJECT.ID, PROJECT.VERSION)
        .from(PROJECT)
        .where(PROJECT.ID.in(projects))
        .fetch()
        .stream()
        .collect(
            Collectors.toMap(
                r -> r.get(PROJECT.ID),
                r ->
                    new ProjectViews.Pulse(
                        r.get(PROJECT.VERSION),
                        deliveries.getOrDefault(r.get(PROJECT.ID), Map.of()))));
  }

  @Transactional
  void rename(UUID id, String name) {
    lock(id);
    db.update(PROJECT).set(PROJECT.NAME, name).where(PROJECT.ID.eq(id)).execute();
  }

  public ProjectViews.ProjectView get(UUID id) {
    ProjectRecord p = record(id);
    if (p.getDeletedAt() != null) {
      throw Problem.notFound(
          "The project, which was deleted and can be taken back from the list of projects,");
    }
    return view(p, deliveries(List.of(id)).getOrDefault(id, List.of()));
  }

  public long version(UUID id) {
    return record(id).getVersion();
  }

  public String name(UUID id) {
    return record(id).getName();
  }

  private ProjectViews.ProjectView view(
      ProjectRecord p, List<ProjectViews.DeliverySummary> deliveries) {
    return new ProjectViews.ProjectView(
        p.getId(),
        p.getName(),
        p.getVersion(),
        p.getCreatedBy(),
        ProjectViews.SettingsView.of(settings(p)),
        deliveries);
  }

  /** The deliveries of projects, the newest first, in one query. */
  Map<UUID, List<ProjectViews.DeliverySummary>> deliveries(Collection<UUID> projects) {
    Map<UUID, List<ProjectViews.DeliverySummary>> out = new HashMap<>();
    db.select(
            DELIVERY.PROJECT_ID,
            DELIVERY.ID,
            DELIVERY.PART,
            DELIVERY.REVISION,
            DELIVERY.FILE_NAME,
            DELIVERY.FORMAT,
            DELIVERY.SIZE,
            DELIVERY.RECEIVED_AT,
            DELIVERY.RECEIVED_BY)
        .from(DELIVERY)
        .where(projects.isEmpty() ? DSL.falseCondition() : DELIVERY.PROJECT_ID.in(projects))
        .orderBy(DELIVERY.RECEIVED_AT.desc(), DELIVERY.PART.desc(), DELIVERY.REVISION.desc())
        .fetch()
        .forEach(
            r ->
                out.computeIfAbsent(r.value1(), k -> new ArrayList<>())
                    .add(
                        new ProjectViews.DeliverySummary(
                            r.value2(),
                            r.value3(),
                            r.value4(),
                            r.value5(),
                            r.value6(),
                            r.value7(),
                            r.value8(),
                            r.value9())));
    return out;
  }
}
