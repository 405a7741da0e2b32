package yentra.server.report;

import static yentra.server.db.Tables.STAGE_PICTURE;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;
import yentra.server.deliveries.DeliveryStore;
import yentra.server.estimate.EstimateRuns;
import yentra.server.web.Png;
import yentra.server.web.Problem;

/** Pictures taken of the model, with how it was looked at, so that they can be taken again. */
@Repository
public class StagePictures {
  private static final int MOST_BYTES = 6_000_000;
  private static final int MOST_LOOK = 20_000;
  private static final int MOST = 60;

  private final DSLContext db;
  private final DeliveryStore deliveries;
  private final EstimateRuns runs;
  private final JsonMapper json;
  private final Clock clock;
  private final Supplier<UUID> ids;

  StagePictures(
      DSLContext db,
      DeliveryStore deliveries,
      EstimateRuns runs,
      JsonMapper json,
      Clock clock,
      Supplier<UUID> ids) {
    this.db = db;
    this.deliveries = deliveries;
    this.runs = runs;
    this.json = json;
    this.clock = clock;
    this.ids = ids;
  }

  /** A picture with its bytes. */
  record Taken(UUID id, String stateKey, byte[] png) {}

  /**
   * A picture.
   *
   * @param look how the model was looked at, as the page keeps it
   * @param old whether the building has changed since
   */
  public record PictureView(UUID id, String look, boolean old, String takenBy, Instant takenAt) {}

  /** Pictures of a delivery, the oldest first. */
  public List<PictureView> of(UUID delivery) {
    String now = runs.key(deliveries.loaded(delivery));
    return db.select(
            STAGE_PICTURE.ID,
            STAGE_PICTURE.LOOK,
            STAGE_PICTURE.STATE_KEY,
            STAGE_PICTURE.TAKEN_BY,
            STAGE_PICTURE.TAKEN_AT)
        .from(STAGE_PICTURE)
        .where(STAGE_PICTURE.DELIVERY_ID.eq(delivery))
        .orderBy(STAGE_PICTURE.TAKEN_AT, STAGE_PICTURE.ID)
        .fetch(
            r ->
                new PictureView(
                    r.value1(),
                    r.value2().data(),
                    !r.value3().equals(now),
                    r.value4(),
                    r.value5()));
  }

  Optional<Taken> one(UUID id) {
    return db.selectFrom(STAGE_PICTURE)
        .where(STAGE_PICTURE.ID.eq(id))
        .fetchOptional(r -> new Taken(id, r.getStateKey(), r.getPng()));
  }

  /**
   * Keeps a picture.
   *
   * @param again the picture that it takes the place of; null for a new one
   * @throws Problem when it is no PNG, or too large
   */
  @Transactional
  public UUID keep(UUID delivery, UUID again, String look, byte[] png, String by) {
    if (png.length > MOST_BYTES || !Png.isPng(png)) {
      throw Problem.bad("A picture is a PNG of at most 6 MB.");
    }
    checkLook(look);
    String key = runs.key(deliveries.loaded(delivery));
    if (again == null
        && db.fetchCount(STAGE_PICTURE, STAGE_PICTURE.DELIVERY_ID.eq(delivery)) >= MOST) {
      throw Problem.notApplicable(
          "A delivery keeps at most " + MOST + " pictures: take some out of the write-up first.");
    }
    UUID id = again == null ? ids.get() : again;
    if (again != null && one(again).isEmpty()) {
      throw Problem.notFound("The picture");
    }
    db.insertInto(STAGE_PICTURE)
        .set(STAGE_PICTURE.ID, id)
        .set(STAGE_PICTURE.DELIVERY_ID, delivery)
        .set(STAGE_PICTURE.STATE_KEY, key)
        .set(STAGE_PICTURE.LOOK, JSONB.valueOf(look))
        .set(STAGE_PICTURE.PNG, png)
        .set(STAGE_PICTURE.TAKEN_BY, by)
        .set(STAGE_PICTURE.TAKEN_AT, clock.instant())
        .onConflict(STAGE_PICTURE.ID)
        .doUpdate()
        .set(STAGE_PICTURE.STATE_KEY, key)
        .set(STAGE_PICTURE.PNG, png)
        .set(STAGE_PICTURE.TAKEN_BY, by)
        .set(STAGE_PICTURE.TAKEN_AT, clock.instant())
        .execute();
    return id;
  }

  private void checkLook(String look) {
    try {
      if (look == null || look.length() > MOST_LOOK || !json.readTree(look).isObject()) {
        throw Problem.bad("How the model was looked at is missing, or too long.");
      }
    } catch (tools.jackson.core.JacksonException e) {
      throw Problem.bad("How the model was looked at cannot be read.");
    }
  }

  /** Takes a picture away. */
  public void delete(UUID id) {
    db.deleteFrom(STAGE_PICTURE).where(STAGE_PICTURE.ID.eq(id)).execute();
  }
}
