package yentra.server.projects;

import static yentra.server.db.Tables.CONTENT;
import static yentra.server.db.Tables.DELIVERY;
import static yentra.server.db.Tables.DELIVERY_LOOK;
import static yentra.server.db.Tables.INTAKE_JOB;
import static yentra.server.db.Tables.PROJECT;
import static yentra.server.db.Tables.REPAIR_ENTRY;
import static yentra.server.db.Tables.SETTINGS_CHANGE;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.JSONB;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;
import yentra.server.web.Problem;

/** The list of projects: how they stand, what was touched last, what was put or thrown away. */
@Repository
public class ProjectList {
  /** What was deleted can be had back for so long. */
  private static final Duration KEPT = Duration.ofDays(30);

  private final DSLContext db;
  private final ProjectStore projects;
  private final JsonMapper json;
  private final Clock clock;

  ProjectList(DSLContext db, ProjectStore projects, JsonMapper json, Clock clock) {
    this.db = db;
    this.projects = projects;
    this.json = json;
    this.clock = clock;
  }

  /** When somebody last changed something of a project. */
  private static Field<Instant> touched() {
    Field<Instant> delivered =
        DSL.field(
            DSL.select(DSL.max(DELIVERY.RECEIVED_AT))
                .from(DELIVERY)
                .where(DELIVERY.PROJECT_ID.eq(PROJECT.ID)));
    Field<Instant> repaired =
        DSL.field(
            DSL.select(DSL.max(REPAIR_ENTRY.MADE_AT))
                .from(REPAIR_ENTRY)
                .join(DELIVERY)
                .on(DELIVERY.ID.eq(REPAIR_ENTRY.DELIVERY_ID))
                .where(DELIVERY.PROJECT_ID.eq(PROJECT.ID)));
    Field<Instant> set =
        DSL.field(
            DSL.select(DSL.max(SETTINGS_CHANGE.MADE_AT))
                .from(SETTINGS_CHANGE)
                .where(SETTINGS_CHANGE.PROJECT_ID.eq(PROJECT.ID)));
    // what is not there is passed over
    return DSL.greatest(PROJECT.CREATED_AT, delivered, repaired, set).as("touched");
  }

  private static Condition on(ProjectViews.Shelf shelf) {
    return switch (shelf) {
      case OPEN -> PROJECT.DELETED_AT.isNull().and(PROJECT.ARCHIVED_AT.isNull());
      case ARCHIVED -> PROJECT.DELETED_AT.isNull().and(PROJECT.ARCHIVED_AT.isNotNull());
      case DELETED -> PROJECT.DELETED_AT.isNotNull();
    };
  }

  private static Condition has(String word) {
    return PROJECT
        .NAME
        .containsIgnoreCase(word)
        .or(
            DSL.exists(
                DSL.selectOne()
                    .from(DELIVERY)
                    .where(DELIVERY.PROJECT_ID.eq(PROJECT.ID))
                    .and(DELIVERY.FILE_NAME.containsIgnoreCase(word))));
  }

  /**
   * Some projects, what was touched last first.
   *
   * @param from how many to pass over
   * @param most how many to give at most
   * @param words of which each must be in the project's name or in that of a file
   */
  ProjectViews.ProjectPage page(int from, int most, String words, ProjectViews.Shelf shelf) {
    Condition asked = on(shelf);
    for (String word : words.strip().split("\\s+")) {
      asked = word.isEmpty() ? asked : asked.and(has(word));
    }
    Field<Instant> touched = touched();
    List<? extends Record> found =
        db.select(PROJECT.ID, PROJECT.NAME, PROJECT.CREATED_BY, touched)
            .from(PROJECT)
            .where(asked)
            .orderBy(touched.desc(), PROJECT.ID)
            .offset(from)
            .limit(most)
            .fetch();
    Map<UUID, List<ProjectViews.DeliverySummary>> deliveries =
        projects.deliveries(found.stream().map(r -> r.get(PROJECT.ID)).toList());
    List<UUID> newest = deliveries.values().stream().map(l -> l.get(0).id()).toList();
    Field<Boolean> pictured = DSL.field(DELIVERY_LOOK.PICTURE.isNotNull()).as("pictured");
    Map<UUID, ? extends Record> looks =
        db.select(DELIVERY_LOOK.DELIVERY_ID, DELIVERY_LOOK.STANDING, pictured)
            .from(DELIVERY_LOOK)
            .where(DELIVERY_LOOK.DELIVERY_ID.in(newest))
            .fetchMap(DELIVERY_LOOK.DELIVERY_ID);
    return new ProjectViews.ProjectPage(
        from,
        db.fetchCount(PROJECT, asked),
        found.stream()
            .map(
                r -> {
                  List<ProjectViews.DeliverySummary> own =
                      deliveries.getOrDefault(r.get(PROJECT.ID), List.of());
                  Record look = own.isEmpty() ? null : looks.get(own.get(0).id());
                  return new ProjectViews.ListedProject(
                      r.get(PROJECT.ID),
                      r.get(PROJECT.NAME),
                      r.get(PROJECT.CREATED_BY),
                      r.get(touched),
                      shelf,
                      own,
                      look == null
                          ? null
                          : json.readValue(
                              look.get(DELIVERY_LOOK.STANDING).data(),
                              ProjectViews.StandingView.class),
                      look != null && look.get(pictured));
                })
            .toList());
  }

  /** The picture of a project's newest delivery, PNG. */
  Optional<byte[]> picture(UUID project) {
    return db.select(DELIVERY_LOOK.PICTURE)
        .from(DELIVERY)
        .join(DELIVERY_LOOK)
        .on(DELIVERY_LOOK.DELIVERY_ID.eq(DELIVERY.ID))
        .where(DELIVERY.PROJECT_ID.eq(project))
        .orderBy(DELIVERY.RECEIVED_AT.desc(), DELIVERY.PART.desc(), DELIVERY.REVISION.desc())
        .limit(1)
        .fetchOptional(DELIVERY_LOOK.PICTURE);
  }

  /** Keeps how a delivery stands, for the list. */
  public void standing(UUID delivery, ProjectViews.StandingView now) {
    JSONB text = JSONB.valueOf(json.writeValueAsString(now));
    db.insertInto(DELIVERY_LOOK)
        .set(DELIVERY_LOOK.DELIVERY_ID, delivery)
        .set(DELIVERY_LOOK.STANDING, text)
        .onConflict(DELIVERY_LOOK.DELIVERY_ID)
        .doUpdate()
        .set(DELIVERY_LOOK.STANDING, text)
        .where(DELIVERY_LOOK.STANDING.ne(text))
        .execute();
  }

  /** Keeps a picture of a delivery of which it is known how it stands. */
  public void picture(UUID delivery, byte[] png) {
    db.update(DELIVERY_LOOK)
        .set(DELIVERY_LOOK.PICTURE, png)
        .where(DELIVERY_LOOK.DELIVERY_ID.eq(delivery))
        .execute();
  }

  /** Moves a project; with every one that is deleted, those go for good that were long ago. */
  @Transactional
  void put(UUID id, ProjectViews.Shelf shelf) {
    Instant now = clock.instant();
    int n =
        db.update(PROJECT)
            .set(PROJECT.ARCHIVED_AT, shelf == ProjectViews.Shelf.ARCHIVED ? now : null)
            .set(PROJECT.DELETED_AT, shelf == ProjectViews.Shelf.DELETED ? now : null)
            .where(PROJECT.ID.eq(id))
            .execute();
    if (n == 0) {
      throw Problem.notFound("The project");
    }
    if (shelf == ProjectViews.Shelf.DELETED
        && db.deleteFrom(PROJECT).where(PROJECT.DELETED_AT.lt(now.minus(KEPT))).execute() > 0) {
      db.deleteFrom(CONTENT)
          .where(CONTENT.SHA256.notIn(DSL.select(DELIVERY.SHA256).from(DELIVERY)))
          .and(
              CONTENT.SHA256.notIn(
                  DSL.select(INTAKE_JOB.SHA256)
                      .from(INTAKE_JOB)
                      .where(INTAKE_JOB.STATE.in("waiting", "reading"))))
          .execute();
    }
  }
}
