package yentra.server;

import static yentra.server.db.Tables.DELIVERY;
import static yentra.server.db.Tables.PROJECT;

import java.time.Clock;
import java.util.List;
import java.util.UUID;
import java.util.function.Supplier;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.intake.ProjectSettings;

/** Projects and the list of their deliveries. */
@Repository
class ProjectStore {
  private final DSLContext db;
  private final JsonMapper json;
  private final Clock clock;
  private final Supplier<UUID> ids;

  ProjectStore(DSLContext db, JsonMapper json, Clock clock, Supplier<UUID> ids) {
    this.db = db;
    this.json = json;
    this.clock = clock;
    this.ids = ids;
  }

  boolean none() {
    return !db.fetchExists(PROJECT);
  }

  @Transactional
  UUID create(String name) {
    UUID id = ids.get();
    db.insertInto(PROJECT)
        .set(PROJECT.ID, id)
        .set(PROJECT.NAME, name)
        .set(PROJECT.CREATED_AT, clock.instant())
        .execute();
    return id;
  }

  ProjectSettings settings(UUID id) {
    return db.select(PROJECT.SETTINGS)
        .from(PROJECT)
        .where(PROJECT.ID.eq(id))
        .fetchOptional(PROJECT.SETTINGS)
        .map(j -> json.readValue(j.data(), ProjectSettings.class))
        .orElseThrow(() -> Problem.notFound("The project"));
  }

  @Transactional
  public void settings(UUID id, ProjectSettings settings) {
    settings(id);
    db.update(PROJECT)
        .set(PROJECT.SETTINGS, JSONB.valueOf(json.writeValueAsString(settings)))
        .where(PROJECT.ID.eq(id))
        .execute();
  }

  List<Views.ProjectView> all() {
    return db.selectFrom(PROJECT)
        .orderBy(PROJECT.CREATED_AT, PROJECT.ID)
        .fetch(p -> view(p.getId(), p.getName()));
  }

  Views.ProjectView get(UUID id) {
    return db.selectFrom(PROJECT)
        .where(PROJECT.ID.eq(id))
        .fetchOptional()
        .map(p -> view(p.getId(), p.getName()))
        .orElseThrow(() -> Problem.notFound("The project"));
  }

  private Views.ProjectView view(UUID id, String name) {
    List<Views.DeliverySummary> deliveries =
        db.select(
                DELIVERY.ID,
                DELIVERY.PART,
                DELIVERY.REVISION,
                DELIVERY.FILE_NAME,
                DELIVERY.FORMAT,
                DELIVERY.SIZE,
                DELIVERY.RECEIVED_AT,
                DELIVERY.RECEIVED_BY)
            .from(DELIVERY)
            .where(DELIVERY.PROJECT_ID.eq(id))
            .orderBy(DELIVERY.RECEIVED_AT.desc(), DELIVERY.PART.desc(), DELIVERY.REVISION.desc())
            .fetch(
                r ->
                    new Views.DeliverySummary(
                        r.value1(),
                        r.value2(),
                        r.value3(),
                        r.value4(),
                        r.value5(),
                        r.value6(),
                        r.value7(),
                        r.value8()));
    return new Views.ProjectView(id, name, Views.SettingsView.of(settings(id)), deliveries);
  }
}
