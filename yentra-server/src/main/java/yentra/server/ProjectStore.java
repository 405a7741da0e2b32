package yentra.server;

import static yentra.server.db.Tables.DELIVERY;
import static yentra.server.db.Tables.PROJECT;

import java.time.Clock;
import java.util.List;
import java.util.UUID;
import java.util.function.Supplier;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Projects and the list of their deliveries. */
@Repository
class ProjectStore {
  private final DSLContext db;
  private final Clock clock;
  private final Supplier<UUID> ids;

  ProjectStore(DSLContext db, Clock clock, Supplier<UUID> ids) {
    this.db = db;
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
                DELIVERY.REVISION,
                DELIVERY.FILE_NAME,
                DELIVERY.FORMAT,
                DELIVERY.SIZE,
                DELIVERY.RECEIVED_AT,
                DELIVERY.RECEIVED_BY)
            .from(DELIVERY)
            .where(DELIVERY.PROJECT_ID.eq(id))
            .orderBy(DELIVERY.REVISION.desc())
            .fetch(
                r ->
                    new Views.DeliverySummary(
                        r.value1(),
                        r.value2(),
                        r.value3(),
                        r.value4(),
                        r.value5(),
                        r.value6(),
                        r.value7()));
    return new Views.ProjectView(id, name, deliveries);
  }
}
