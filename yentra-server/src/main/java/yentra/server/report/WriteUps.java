package yentra.server.report;

import static yentra.server.db.Tables.REMEMBERED_TEXT;
import static yentra.server.db.Tables.WRITE_UP;

import java.time.Clock;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.Supplier;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;
import yentra.server.projects.ProjectStore;
import yentra.server.variants.VariantStore;
import yentra.server.web.Problem;
import yentra.server.web.Stored;

/** Write-ups of projects, and what was written about a kind of measure last. */
@Repository
public class WriteUps {
  private static final int MOST_BYTES = 2_000_000;
  private static final int LONGEST_NAME = 120;
  private static final int LONGEST_TEXT = 20_000;

  private final DSLContext db;
  private final ProjectStore projects;
  private final VariantStore variants;
  private final JsonMapper json;
  private final Clock clock;
  private final Supplier<UUID> ids;

  WriteUps(
      DSLContext db,
      ProjectStore projects,
      VariantStore variants,
      JsonMapper json,
      Clock clock,
      Supplier<UUID> ids) {
    this.db = db;
    this.projects = projects;
    this.variants = variants;
    this.json = Stored.reader(json);
    this.clock = clock;
    this.ids = ids;
  }

  /** A chapter that there is. */
  public record ChapterView(ReportChapter chapter, String label) {}

  /**
   * A write-up.
   *
   * @param version grows with each change
   */
  public record WriteUpView(
      UUID id, WriteUp body, long version, String changedBy, Instant changedAt) {}

  /**
   * All of a project's.
   *
   * @param remembered texts by kind of measure
   */
  public record WriteUpsView(
      List<WriteUpView> writeUps, List<ChapterView> chapters, Map<String, String> remembered) {}

  /** The project's write-ups, the oldest first. */
  public WriteUpsView of(UUID project) {
    projects.get(project);
    Map<String, String> texts = new TreeMap<>();
    db.selectFrom(REMEMBERED_TEXT).forEach(r -> texts.put(r.getKind(), r.getBody()));
    return new WriteUpsView(
        db.selectFrom(WRITE_UP)
            .where(WRITE_UP.PROJECT_ID.eq(project))
            .orderBy(WRITE_UP.CHANGED_AT, WRITE_UP.ID)
            .fetch(
                r ->
                    view(
                        r.getId(),
                        r.getBody(),
                        r.getVersion(),
                        r.getChangedBy(),
                        r.getChangedAt())),
        Arrays.stream(ReportChapter.values()).map(c -> new ChapterView(c, c.label())).toList(),
        texts);
  }

  private WriteUpView view(UUID id, JSONB body, long version, String by, Instant at) {
    return new WriteUpView(id, json.readValue(body.data(), WriteUp.class), version, by, at);
  }

  @Transactional
  public UUID add(UUID project, WriteUp w, String by) {
    projects.get(project);
    UUID id = ids.get();
    db.insertInto(WRITE_UP)
        .set(WRITE_UP.ID, id)
        .set(WRITE_UP.PROJECT_ID, project)
        .set(WRITE_UP.NAME, name(w))
        .set(WRITE_UP.BODY, body(w))
        .set(WRITE_UP.VERSION, 0L)
        .set(WRITE_UP.CHANGED_BY, by)
        .set(WRITE_UP.CHANGED_AT, clock.instant())
        .execute();
    remember(w, by);
    return id;
  }

  /**
   * Changes a write-up.
   *
   * @param basedOn the version that was changed; somebody else may have changed it since
   */
  @Transactional
  public void change(UUID id, long basedOn, WriteUp w, String by) {
    int n =
        db.update(WRITE_UP)
            .set(WRITE_UP.NAME, name(w))
            .set(WRITE_UP.BODY, body(w))
            .set(WRITE_UP.VERSION, basedOn + 1)
            .set(WRITE_UP.CHANGED_BY, by)
            .where(WRITE_UP.ID.eq(id))
            .and(WRITE_UP.VERSION.eq(basedOn))
            .execute();
    if (n == 0) {
      long version =
          db.select(WRITE_UP.VERSION)
              .from(WRITE_UP)
              .where(WRITE_UP.ID.eq(id))
              .fetchOptional(WRITE_UP.VERSION)
              .orElseThrow(() -> Problem.notFound("The write-up"));
      throw Problem.stale(version, List.of("Somebody else has changed the write-up."));
    }
    remember(w, by);
  }

  public void delete(UUID id) {
    db.deleteFrom(WRITE_UP).where(WRITE_UP.ID.eq(id)).execute();
  }

  private static String name(WriteUp w) {
    if (w.title().length() > LONGEST_NAME) {
      throw Problem.bad("A title has at most " + LONGEST_NAME + " characters.");
    }
    return w.title();
  }

  private JSONB body(WriteUp w) {
    String s = json.writeValueAsString(w);
    if (s.length() > MOST_BYTES) {
      throw Problem.bad("A write-up has at most 2 MB of text.");
    }
    return JSONB.valueOf(s);
  }

  /** What is said of a variant is remembered for the kind of its first change. */
  private void remember(WriteUp w, String by) {
    for (WriteUp.Block b : w.blocks()) {
      if (b instanceof WriteUp.MeasureBlock m
          && !m.text().isBlank()
          && m.variant() != null
          && m.text().length() <= LONGEST_TEXT) {
        variants.kind(m.variant()).ifPresent(kind -> remember(kind, m.text(), by));
      }
    }
  }

  private void remember(String kind, String text, String by) {
    db.insertInto(REMEMBERED_TEXT)
        .set(REMEMBERED_TEXT.KIND, kind)
        .set(REMEMBERED_TEXT.BODY, text)
        .set(REMEMBERED_TEXT.CHANGED_BY, by)
        .set(REMEMBERED_TEXT.CHANGED_AT, clock.instant())
        .onConflict(REMEMBERED_TEXT.KIND)
        .doUpdate()
        .set(REMEMBERED_TEXT.BODY, text)
        .set(REMEMBERED_TEXT.CHANGED_BY, by)
        .set(REMEMBERED_TEXT.CHANGED_AT, clock.instant())
        .execute();
  }
}
