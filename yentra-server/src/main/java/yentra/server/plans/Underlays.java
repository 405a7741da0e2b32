package yentra.server.plans;

import static yentra.server.db.Tables.UNDERLAY;

import java.time.Clock;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yentra.server.projects.ProjectStore;
import yentra.server.web.Problem;

/**
 * Pictures that drawings of a project are traced from. A drawing names them; where they lie is said
 * by the drawing, so that it is undone and kept like the rest of it.
 */
@Service
public class Underlays {
  private static final int LONGEST_NAME = 150;

  /** Pictures of one project. */
  private static final int MOST = 200;

  private final DSLContext db;
  private final ProjectStore projects;
  private final PictureReader reader;
  private final Clock clock;

  Underlays(DSLContext db, ProjectStore projects, PictureReader reader, Clock clock) {
    this.db = db;
    this.projects = projects;
    this.reader = reader;
    this.clock = clock;
  }

  List<PlanViews.UnderlayView> of(UUID project) {
    return db.select(UNDERLAY.NAME, UNDERLAY.WIDTH, UNDERLAY.HEIGHT)
        .from(UNDERLAY)
        .where(UNDERLAY.PROJECT_ID.eq(project))
        .orderBy(UNDERLAY.NAME)
        .fetch(r -> new PlanViews.UnderlayView(r.value1(), r.value2(), r.value3()));
  }

  /**
   * Keeps a picture, under a name of its own.
   *
   * @param page of a PDF, from 1
   */
  @Transactional
  PlanViews.UnderlayView add(UUID project, String fileName, byte[] bytes, int page, String by) {
    projects.get(project);
    if (db.fetchCount(UNDERLAY, UNDERLAY.PROJECT_ID.eq(project)) >= MOST) {
      throw Problem.notApplicable("The project has " + MOST + " pictures, and takes no more.");
    }
    Picture p = reader.read(bytes, page);
    String name = free(project, name(fileName, p, PictureReader.isPdf(bytes) ? page : 0), p);
    db.insertInto(UNDERLAY)
        .set(UNDERLAY.PROJECT_ID, project)
        .set(UNDERLAY.NAME, name)
        .set(UNDERLAY.MEDIA_TYPE, p.mediaType())
        .set(UNDERLAY.WIDTH, p.width())
        .set(UNDERLAY.HEIGHT, p.height())
        .set(UNDERLAY.BYTES, p.bytes())
        .set(UNDERLAY.ADDED_AT, clock.instant())
        .set(UNDERLAY.ADDED_BY, by)
        .onConflictDoNothing()
        .execute();
    return new PlanViews.UnderlayView(name, p.width(), p.height());
  }

  /** For the demo project: keeps a picture that is known to be one. */
  public void keep(UUID project, String fileName, byte[] picture, String by) {
    add(project, fileName, picture, 1, by);
  }

  private static String name(String fileName, Picture p, int page) {
    String base =
        fileName
            .replaceAll("[\\p{Cntrl}/\\\\]", "_")
            .replaceFirst("^\\.+", "")
            .replaceFirst("\\.[A-Za-z]{2,5}$", "")
            .strip();
    if (base.isEmpty()) {
      base = "plan";
    }
    base = base.substring(0, Math.min(base.length(), LONGEST_NAME));
    return base
        + (page > 0 ? " page " + page : "")
        + (p.mediaType().equals("image/png") ? ".png" : ".jpg");
  }

  /** The name, or one like it where another picture has it. */
  private String free(UUID project, String name, Picture p) {
    String free = name;
    for (int n = 2; ; n++) {
      byte[] there =
          db.select(UNDERLAY.BYTES)
              .from(UNDERLAY)
              .where(UNDERLAY.PROJECT_ID.eq(project))
              .and(UNDERLAY.NAME.eq(free))
              .fetchOne(UNDERLAY.BYTES);
      if (there == null || Arrays.equals(there, p.bytes())) {
        return free;
      }
      free = name.replaceFirst("\\.(png|jpg)$", " " + n + ".$1");
    }
  }

  Picture picture(UUID project, String name) {
    return db.selectFrom(UNDERLAY)
        .where(UNDERLAY.PROJECT_ID.eq(project))
        .and(UNDERLAY.NAME.eq(name))
        .fetchOptional(
            r -> new Picture(r.getMediaType(), r.getWidth(), r.getHeight(), r.getBytes()))
        .orElseThrow(() -> Problem.notFound("The picture " + name));
  }
}
