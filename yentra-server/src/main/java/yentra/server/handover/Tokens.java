package yentra.server.handover;

import static yentra.server.db.Tables.HANDOVER_TOKEN;
import static yentra.server.db.Tables.PROJECT;

import java.security.SecureRandom;
import java.time.Clock;
import java.util.Base64;
import java.util.List;
import java.util.UUID;
import java.util.function.Supplier;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yentra.server.db.tables.records.HandoverTokenRecord;
import yentra.server.web.Hashes;
import yentra.server.web.Problem;

/** With what others fetch the newest handover of a project, without a person beside them. */
@Service
public class Tokens {
  private static final int LONGEST_LABEL = 120;
  private static final int MOST = 50;

  private final SecureRandom random = new SecureRandom();
  private final DSLContext db;
  private final Clock clock;
  private final Supplier<UUID> ids;

  Tokens(DSLContext db, Clock clock, Supplier<UUID> ids) {
    this.db = db;
    this.clock = clock;
    this.ids = ids;
  }

  /** Makes a token; it is said once, and only its hash is kept. */
  @Transactional
  public HandoverViews.TokenView make(UUID project, String label, String by) {
    if (!db.fetchExists(PROJECT, PROJECT.ID.eq(project))) {
      throw Problem.notFound("The project");
    }
    String said = label == null ? "" : label.strip();
    if (said.isEmpty() || said.length() > LONGEST_LABEL) {
      throw Problem.bad("Say in at most 120 characters who the token is for.");
    }
    if (db.fetchCount(HANDOVER_TOKEN, HANDOVER_TOKEN.PROJECT_ID.eq(project)) >= MOST) {
      throw Problem.notApplicable("A project has at most 50 tokens. Take some away first.");
    }
    byte[] secret = new byte[24];
    random.nextBytes(secret);
    String token = "yt_" + Base64.getUrlEncoder().withoutPadding().encodeToString(secret);
    HandoverTokenRecord r = db.newRecord(HANDOVER_TOKEN);
    r.setId(ids.get())
        .setProjectId(project)
        .setLabel(said)
        .setSha256(Hashes.sha256(token))
        .setMadeBy(by)
        .setMadeAt(clock.instant());
    r.store();
    return view(r, token);
  }

  private static HandoverViews.TokenView view(HandoverTokenRecord r, String token) {
    return new HandoverViews.TokenView(
        r.getId(), r.getLabel(), token, r.getMadeBy(), r.getMadeAt(), r.getUsedAt());
  }

  List<HandoverViews.TokenView> of(UUID project) {
    return db.selectFrom(HANDOVER_TOKEN)
        .where(HANDOVER_TOKEN.PROJECT_ID.eq(project))
        .orderBy(HANDOVER_TOKEN.MADE_AT, HANDOVER_TOKEN.ID)
        .fetch(r -> view(r, null));
  }

  void takeAway(UUID project, UUID id) {
    int gone =
        db.deleteFrom(HANDOVER_TOKEN)
            .where(HANDOVER_TOKEN.ID.eq(id))
            .and(HANDOVER_TOKEN.PROJECT_ID.eq(project))
            .execute();
    if (gone == 0) {
      throw Problem.notFound("The token");
    }
  }

  /**
   * The project that a token opens.
   *
   * @param authorization the header {@code Authorization}: {@code Bearer} and the token
   * @throws Problem when it opens none
   */
  UUID project(String authorization) {
    String token =
        authorization != null && authorization.startsWith("Bearer ")
            ? authorization.substring(7).strip()
            : "";
    HandoverTokenRecord r =
        db.selectFrom(HANDOVER_TOKEN)
            .where(HANDOVER_TOKEN.SHA256.eq(Hashes.sha256(token)))
            .fetchOptional()
            .orElseThrow(
                () ->
                    Problem.unauthorized(
                        "Send the header Authorization: Bearer with a token of the project."));
    r.setUsedAt(clock.instant()).store();
    return r.getProjectId();
  }
}
