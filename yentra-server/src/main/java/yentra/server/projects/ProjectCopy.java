package yentra.server.projects;

import static yentra.server.db.Tables.ACCEPTANCE;
import static yentra.server.db.Tables.BCF_ANSWER;
import static yentra.server.db.Tables.BCF_TOPIC;
import static yentra.server.db.Tables.DELIVERY;
import static yentra.server.db.Tables.DELIVERY_LOOK;
import static yentra.server.db.Tables.LIBRARY;
import static yentra.server.db.Tables.PROJECT;
import static yentra.server.db.Tables.REPAIR_ENTRY;
import static yentra.server.db.Tables.REPLAY_STEP;
import static yentra.server.db.Tables.SCOPE_SHEET;
import static yentra.server.db.Tables.SETTINGS_CHANGE;
import static yentra.server.db.Tables.UNDERLAY;

import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.function.Supplier;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.Table;
import org.jooq.TableRecord;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import yentra.server.web.Problem;

/**
 * A project once more, under ids of its own: deliveries with their logs, decisions and answers,
 * settings, sheets, library and pictures under drawings. Delivered files are stored once for both;
 * handovers stay with the project that made them.
 */
@Repository
public class ProjectCopy {
  private final DSLContext db;
  private final Clock clock;
  private final Supplier<UUID> ids;

  ProjectCopy(DSLContext db, Clock clock, Supplier<UUID> ids) {
    this.db = db;
    this.clock = clock;
    this.ids = ids;
  }

  @Transactional
  UUID of(UUID project, String name, String by) {
    UUID copy = ids.get();
    int found =
        rows(
            PROJECT,
            PROJECT.ID.eq(project).and(PROJECT.DELETED_AT.isNull()),
            r -> {
              r.set(PROJECT.ID, copy);
              r.set(PROJECT.NAME, name);
              r.set(PROJECT.CREATED_AT, clock.instant());
              r.set(PROJECT.CREATED_BY, by);
              r.set(PROJECT.ARCHIVED_AT, null);
            });
    if (found == 0) {
      throw Problem.notFound("The project");
    }
    again(SCOPE_SHEET, SCOPE_SHEET.ID, SCOPE_SHEET.PROJECT_ID, project, copy);
    again(ACCEPTANCE, ACCEPTANCE.ID, ACCEPTANCE.PROJECT_ID, project, copy);
    again(BCF_TOPIC, null, BCF_TOPIC.PROJECT_ID, project, copy);
    again(BCF_ANSWER, BCF_ANSWER.ID, BCF_ANSWER.PROJECT_ID, project, copy);
    again(UNDERLAY, null, UNDERLAY.PROJECT_ID, project, copy);
    again(SETTINGS_CHANGE, SETTINGS_CHANGE.ID, SETTINGS_CHANGE.PROJECT_ID, project, copy);
    rows(LIBRARY, LIBRARY.SCOPE.eq(project.toString()), r -> r.set(LIBRARY.SCOPE, copy.toString()));
    List<UUID> deliveries =
        db.select(DELIVERY.ID)
            .from(DELIVERY)
            .where(DELIVERY.PROJECT_ID.eq(project))
            .orderBy(DELIVERY.RECEIVED_AT)
            .fetch(DELIVERY.ID);
    for (UUID from : deliveries) {
      UUID to = ids.get();
      rows(
          DELIVERY,
          DELIVERY.ID.eq(from),
          r -> {
            r.set(DELIVERY.ID, to);
            r.set(DELIVERY.PROJECT_ID, copy);
          });
      again(REPAIR_ENTRY, REPAIR_ENTRY.ID, REPAIR_ENTRY.DELIVERY_ID, from, to);
      again(REPLAY_STEP, null, REPLAY_STEP.DELIVERY_ID, from, to);
      again(DELIVERY_LOOK, null, DELIVERY_LOOK.DELIVERY_ID, from, to);
    }
    return copy;
  }

  /** Rows of one owner again for another, with ids of their own where they have any. */
  private void again(
      Table<? extends TableRecord<?>> t, Field<UUID> id, Field<UUID> owner, UUID from, UUID to) {
    rows(
        t,
        owner.eq(from),
        r -> {
          r.set(owner, to);
          if (id != null) {
            r.set(id, ids.get());
          }
        });
  }

  private int rows(Table<? extends TableRecord<?>> t, Condition which, Consumer<Record> change) {
    List<? extends TableRecord<?>> found =
        db.selectFrom(t).where(which).orderBy(t.getPrimaryKey().getFields()).fetch();
    for (TableRecord<?> r : found) {
      change.accept(r);
      Map<Field<?>, Object> values = new LinkedHashMap<>();
      for (Field<?> f : r.fields()) {
        values.put(f, r.get(f));
      }
      db.insertInto(t).set(values).execute();
    }
    return found.size();
  }
}
