package yentra.server.decisions;

import static yentra.server.db.Tables.ACCEPTANCE;
import static yentra.server.db.Tables.BCF_ANSWER;
import static yentra.server.db.Tables.BCF_TOPIC;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Supplier;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import yentra.core.check.measure.CheckContext;
import yentra.core.finding.Finding;
import yentra.core.finding.FindingId;
import yentra.core.finding.Severity;
import yentra.core.revision.Fingerprint;
import yentra.server.db.tables.records.AcceptanceRecord;
import yentra.server.db.tables.records.DeliveryRecord;

/**
 * What people decided about findings, and what others answered. Both are kept for the part of the
 * project, so that they hold for the next revision as well.
 */
@Repository
public class Decisions {
  private final DSLContext db;
  private final Clock clock;
  private final Supplier<UUID> ids;

  Decisions(DSLContext db, Clock clock, Supplier<UUID> ids) {
    this.db = db;
    this.clock = clock;
    this.ids = ids;
  }

  /** What is known of the findings of one state. */
  public record Known(
      Map<FindingId, DecisionViews.AcceptanceView> accepted,
      Map<FindingId, List<DecisionViews.AnswerView>> answers) {
    static final Known NOTHING = new Known(Map.of(), Map.of());

    public boolean isOpen(Finding f) {
      DecisionViews.AcceptanceView a = accepted.get(f.id());
      return a == null || !a.holds();
    }

    public int open(List<Finding> findings, Severity severity) {
      return (int) findings.stream().filter(f -> f.severity() == severity && isOpen(f)).count();
    }
  }

  /** Changes whenever a decision or an answer comes or goes. */
  public String stamp(UUID project) {
    int accepted = db.fetchCount(ACCEPTANCE, ACCEPTANCE.PROJECT_ID.eq(project));
    int standing =
        db.fetchCount(
            ACCEPTANCE, ACCEPTANCE.PROJECT_ID.eq(project), ACCEPTANCE.WITHDRAWN_AT.isNull());
    int answers = db.fetchCount(BCF_ANSWER, BCF_ANSWER.PROJECT_ID.eq(project));
    return accepted + "." + standing + "." + answers;
  }

  public Known of(DeliveryRecord d, CheckContext context, List<Finding> findings) {
    Map<FindingId, AcceptanceRecord> standing = new HashMap<>();
    db.selectFrom(ACCEPTANCE)
        .where(ACCEPTANCE.PROJECT_ID.eq(d.getProjectId()))
        .and(ACCEPTANCE.PART.eq(d.getPart()))
        .and(ACCEPTANCE.WITHDRAWN_AT.isNull())
        .orderBy(ACCEPTANCE.MADE_AT, ACCEPTANCE.ID)
        .forEach(a -> standing.put(FindingId.parse(a.getFinding()), a));
    Map<FindingId, List<DecisionViews.AnswerView>> answers = new HashMap<>();
    db.selectFrom(BCF_ANSWER)
        .where(BCF_ANSWER.PROJECT_ID.eq(d.getProjectId()))
        .orderBy(BCF_ANSWER.RECEIVED_AT, BCF_ANSWER.SAID_AT, BCF_ANSWER.ID)
        .forEach(
            a ->
                answers
                    .computeIfAbsent(FindingId.parse(a.getFinding()), k -> new ArrayList<>())
                    .add(
                        new DecisionViews.AnswerView(
                            a.getStatus(),
                            a.getAuthor(),
                            a.getSaidAt(),
                            a.getSaid(),
                            a.getFileName())));
    Map<FindingId, DecisionViews.AcceptanceView> accepted = new HashMap<>();
    if (!standing.isEmpty()) {
      for (Finding f : findings) {
        AcceptanceRecord a = standing.get(f.id());
        if (a != null) {
          accepted.put(
              f.id(),
              new DecisionViews.AcceptanceView(
                  a.getReason(),
                  a.getMadeBy(),
                  a.getMadeAt(),
                  a.getFingerprint().equals(Fingerprint.of(context, f))));
        }
      }
    }
    return new Known(accepted, answers);
  }

  @Transactional
  public void accept(
      DeliveryRecord d, CheckContext context, List<Finding> findings, String reason, String by) {
    withdraw(d, findings.stream().map(f -> f.id().toString()).toList(), by);
    for (Finding f : findings) {
      db.insertInto(ACCEPTANCE)
          .set(ACCEPTANCE.ID, ids.get())
          .set(ACCEPTANCE.PROJECT_ID, d.getProjectId())
          .set(ACCEPTANCE.PART, d.getPart())
          .set(ACCEPTANCE.FINDING, f.id().toString())
          .set(ACCEPTANCE.FINGERPRINT, Fingerprint.of(context, f))
          .set(ACCEPTANCE.MESSAGE, f.message())
          .set(ACCEPTANCE.REASON, reason)
          .set(ACCEPTANCE.MADE_BY, by)
          .set(ACCEPTANCE.MADE_AT, clock.instant())
          .execute();
    }
  }

  @Transactional
  public void withdraw(DeliveryRecord d, List<String> findings, String by) {
    db.update(ACCEPTANCE)
        .set(ACCEPTANCE.WITHDRAWN_BY, by)
        .set(ACCEPTANCE.WITHDRAWN_AT, clock.instant())
        .where(ACCEPTANCE.PROJECT_ID.eq(d.getProjectId()))
        .and(ACCEPTANCE.PART.eq(d.getPart()))
        .and(ACCEPTANCE.FINDING.in(findings))
        .and(ACCEPTANCE.WITHDRAWN_AT.isNull())
        .execute();
  }

  /** Remembers which topic is about which finding. */
  @Transactional
  public void handedOut(UUID project, Map<String, String> findingByGuid) {
    findingByGuid.forEach(
        (guid, finding) ->
            db.insertInto(BCF_TOPIC)
                .set(BCF_TOPIC.PROJECT_ID, project)
                .set(BCF_TOPIC.GUID, guid)
                .set(BCF_TOPIC.FINDING, finding)
                .onConflictDoNothing()
                .execute());
  }

  public Map<String, String> handedOut(UUID project) {
    return db.selectFrom(BCF_TOPIC)
        .where(BCF_TOPIC.PROJECT_ID.eq(project))
        .fetchMap(BCF_TOPIC.GUID, BCF_TOPIC.FINDING);
  }

  /** Keeps what was said of a finding, once. */
  public void answer(UUID project, String finding, DecisionViews.AnswerView a, String by) {
    boolean known =
        db.fetchExists(
            db.selectOne()
                .from(BCF_ANSWER)
                .where(BCF_ANSWER.PROJECT_ID.eq(project))
                .and(BCF_ANSWER.FINDING.eq(finding))
                .and(BCF_ANSWER.STATUS.eq(a.status()))
                .and(BCF_ANSWER.AUTHOR.eq(a.author()))
                .and(BCF_ANSWER.SAID_AT.eq(a.date()))
                .and(BCF_ANSWER.SAID.eq(a.text())));
    if (!known) {
      db.insertInto(BCF_ANSWER)
          .set(BCF_ANSWER.ID, ids.get())
          .set(BCF_ANSWER.PROJECT_ID, project)
          .set(BCF_ANSWER.FINDING, finding)
          .set(BCF_ANSWER.STATUS, a.status())
          .set(BCF_ANSWER.AUTHOR, a.author())
          .set(BCF_ANSWER.SAID_AT, a.date())
          .set(BCF_ANSWER.SAID, a.text())
          .set(BCF_ANSWER.FILE_NAME, a.fileName())
          .set(BCF_ANSWER.RECEIVED_AT, clock.instant())
          .set(BCF_ANSWER.RECEIVED_BY, by)
          .execute();
    }
  }
}
