package yentra.server.projects;

import static yentra.server.db.Tables.SETTINGS_CHANGE;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jooq.SortField;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.intake.ProjectSettings;
import yentra.core.intake.SettingsChange;
import yentra.server.db.tables.records.SettingsChangeRecord;
import yentra.server.web.Problem;
import yentra.server.web.Stored;

/**
 * Who changed the settings of a project, when and how; the last change can be undone. Changes of
 * how figures are shown are kept on the record, but are nothing to undo. Callers bring the
 * transaction and have the project locked.
 */
@Repository
public class SettingsLog {
  private final DSLContext db;
  private final JsonMapper json;
  private final Clock clock;
  private final Supplier<UUID> ids;

  SettingsLog(DSLContext db, JsonMapper json, Clock clock, Supplier<UUID> ids) {
    this.db = db;
    this.json = Stored.reader(json);
    this.clock = clock;
    this.ids = ids;
  }

  /**
   * @param version of the settings that the change made
   */
  void add(UUID project, long version, ProjectSettings before, ProjectSettings after, String by) {
    String summary = SettingsChange.describe(before, after);
    if (!summary.isEmpty()) {
      discardUndone(project);
    }
    db.insertInto(SETTINGS_CHANGE)
        .set(SETTINGS_CHANGE.ID, ids.get())
        .set(SETTINGS_CHANGE.PROJECT_ID, project)
        .set(SETTINGS_CHANGE.PLACE, version)
        .set(SETTINGS_CHANGE.BEFORE_CHANGE, JSONB.valueOf(json.writeValueAsString(before)))
        .set(SETTINGS_CHANGE.AFTER_CHANGE, JSONB.valueOf(json.writeValueAsString(after)))
        .set(SETTINGS_CHANGE.SUMMARY, summary)
        .set(SETTINGS_CHANGE.MADE_BY, by)
        .set(SETTINGS_CHANGE.MADE_AT, clock.instant())
        .execute();
  }

  /** What was undone can no longer be made again, since something else was done. */
  public void discardUndone(UUID project) {
    db.update(SETTINGS_CHANGE)
        .set(SETTINGS_CHANGE.DISCARDED_AT, clock.instant())
        .where(standing(project))
        .and(SETTINGS_CHANGE.UNDONE_AT.isNotNull())
        .execute();
  }

  private static Condition standing(UUID project) {
    return SETTINGS_CHANGE
        .PROJECT_ID
        .eq(project)
        .and(SETTINGS_CHANGE.SUMMARY.ne(""))
        .and(SETTINGS_CHANGE.DISCARDED_AT.isNull());
  }

  /** Changes that were not discarded, in the order in which they were made. */
  public List<SettingsChangeRecord> of(UUID project) {
    return db.selectFrom(SETTINGS_CHANGE)
        .where(standing(project))
        .orderBy(SETTINGS_CHANGE.PLACE)
        .fetch();
  }

  /** The change that was made last and is in force. */
  Optional<SettingsChangeRecord> last(UUID project) {
    return one(
        standing(project).and(SETTINGS_CHANGE.UNDONE_AT.isNull()), SETTINGS_CHANGE.PLACE.desc());
  }

  /** The change that was undone last. */
  Optional<SettingsChangeRecord> undone(UUID project) {
    return one(
        standing(project).and(SETTINGS_CHANGE.UNDONE_AT.isNotNull()), SETTINGS_CHANGE.PLACE.asc());
  }

  private Optional<SettingsChangeRecord> one(Condition c, SortField<Long> order) {
    return db.selectFrom(SETTINGS_CHANGE).where(c).orderBy(order).limit(1).fetchOptional();
  }

  /** The settings without the last change; how figures are shown stays. */
  ProjectSettings undo(UUID project, String by) {
    SettingsChangeRecord c =
        last(project).orElseThrow(() -> Problem.notApplicable("There is nothing to undo."));
    c.setUndoneBy(by).setUndoneAt(clock.instant()).store();
    return json.readValue(c.getBeforeChange().data(), ProjectSettings.class);
  }

  /** The settings with the change again that was undone last. */
  ProjectSettings redo(UUID project) {
    SettingsChangeRecord c =
        undone(project).orElseThrow(() -> Problem.notApplicable("There is nothing to redo."));
    c.setUndoneBy(null).setUndoneAt(null).store();
    return json.readValue(c.getAfterChange().data(), ProjectSettings.class);
  }

  /** What was done after a version, by whom. */
  List<String> since(UUID project, long version) {
    return db.selectFrom(SETTINGS_CHANGE)
        .where(SETTINGS_CHANGE.PROJECT_ID.eq(project))
        .and(SETTINGS_CHANGE.PLACE.gt(version))
        .orderBy(SETTINGS_CHANGE.PLACE)
        .limit(5)
        .fetch()
        .map(c -> c.getMadeBy() + ": " + (c.getSummary().isEmpty() ? "Units." : c.getSummary()));
  }
}
