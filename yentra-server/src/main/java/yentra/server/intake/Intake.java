package yentra.server.intake;

import static yentra.server.db.Tables.INTAKE_JOB;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.time.Clock;
import java.util.Collection;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Supplier;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;
import yentra.core.boundary.Watch;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.UnreadableException;
import yentra.core.geometry.Tolerance;
import yentra.core.ifc.BodyReport;
import yentra.core.ifc.IfcModel;
import yentra.core.intake.DeliveryReader;
import yentra.core.intake.IdSketch;
import yentra.core.intake.ProjectSettings;
import yentra.core.pipeline.Delivery;
import yentra.core.pipeline.Stage;
import yentra.core.scope.ScopeState;
import yentra.server.YentraSettings;
import yentra.server.db.tables.records.IntakeJobRecord;
import yentra.server.deliveries.DeliveryStates;
import yentra.server.deliveries.DeliveryStore;
import yentra.server.envelope.ModelAnswers;
import yentra.server.envelope.ModelViews;
import yentra.server.projects.ProjectStore;
import yentra.server.web.Hashes;
import yentra.server.web.Problem;

/**
 * Takes files in: the bytes are kept with their hash and a job is queued in one transaction; the
 * job reads the file and either makes the delivery or says why not and drops the bytes. Jobs
 * survive a restart, since they are in the database.
 */
@Service
public class Intake {
  private static final String PART = ".part";
  static final TaskDescriptor<Void> TASK = TaskDescriptor.of("intake");
  private static final Logger LOG = LoggerFactory.getLogger(Intake.class);
  private final DSLContext db;
  private final DeliveryStore store;
  private final DeliveryStates states;
  private final ModelAnswers answers;
  private final ProjectStore projects;
  private final TransactionTemplate transaction;
  private final ObjectProvider<Scheduler> scheduler;
  private final Clock clock;
  private final Supplier<UUID> ids;
  private final YentraSettings settings;
  private final ReadLimits limits;
  private final Tolerance tolerance;

  /** Of the whole, how much has been done when the file has been read. */
  private static final double READ = 0.6;

  private static final double ALMOST = 0.95;

  /** Progress is told this often, ns. */
  private static final long OFTEN = 200_000_000L;

  Intake(
      DSLContext db,
      DeliveryStore store,
      DeliveryStates states,
      ModelAnswers answers,
      ProjectStore projects,
      TransactionTemplate transaction,
      ObjectProvider<Scheduler> scheduler,
      Clock clock,
      Supplier<UUID> ids,
      YentraSettings settings,
      ReadLimits limits,
      Tolerance tolerance) {
    this.db = db;
    this.store = store;
    this.states = states;
    this.answers = answers;
    this.projects = projects;
    this.transaction = transaction;
    this.scheduler = scheduler;
    this.clock = clock;
    this.ids = ids;
    this.settings = settings;
    this.limits = limits;
    this.tolerance = tolerance;
  }

  /**
   * Receives an upload and queues its reading.
   *
   * @throws Problem when the file is too large, or its first bytes show that it is neither IFC nor
   *     gbXML
   */
  UUID receive(UUID project, String fileName, InputStream body, String by) throws IOException {
    Files.createDirectories(settings.uploads());
    Path file = Files.createTempFile(settings.uploads(), "upload", PART);
    try {
      MessageDigest digest = Hashes.digest();
      try (DigestInputStream in = new DigestInputStream(body, digest);
          OutputStream out = Files.newOutputStream(file)) {
        copy(in, out);
      }
      try {
        new DeliveryReader(limits, tolerance).recognise(new PathSource(file));
      } catch (UnreadableException e) {
        throw Problem.unreadable(e.getMessage(), e.line(), e.column());
      }
      return queue(
          project,
          fileName,
          Files.readAllBytes(file),
          HexFormat.of().formatHex(digest.digest()),
          by);
    } finally {
      Files.deleteIfExists(file);
    }
  }

  private void copy(InputStream in, OutputStream out) throws IOException {
    byte[] buffer = new byte[1 << 16];
    long total = 0;
    for (int n = in.read(buffer); n >= 0; n = in.read(buffer)) {
      total += n;
      if (total > settings.maxUploadBytes()) {
        throw Problem.bad(
            "The file is larger than "
                + settings.maxUploadBytes() / 1_000_000
                + " MB, the most that is taken in.");
      }
      out.write(buffer, 0, n);
    }
  }

  private record PathSource(Path path) implements DeliveryReader.Source {
    @Override
    public InputStream open() throws IOException {
      return Files.newInputStream(path);
    }

    @Override
    public long length() throws IOException {
      return Files.size(path);
    }
  }

  /** Removes what uploads left behind that a crash cut off. */
  public void clearUploads() throws IOException {
    if (!Files.isDirectory(settings.uploads())) {
      return;
    }
    try (DirectoryStream<Path> left =
        Files.newDirectoryStream(settings.uploads(), "upload*" + PART)) {
      for (Path p : left) {
        Files.deleteIfExists(p);
      }
    }
  }

  UUID queue(UUID project, String fileName, byte[] bytes, String sha256, String by) {
    UUID id = ids.get();
    transaction.executeWithoutResult(
        t -> {
          // always the project before the content, or two of them wait for each other
          alone(project);
          store.keepContent(sha256, bytes);
          db.insertInto(INTAKE_JOB)
              .set(INTAKE_JOB.ID, id)
              .set(INTAKE_JOB.PROJECT_ID, project)
              .set(INTAKE_JOB.FILE_NAME, fileName)
              .set(INTAKE_JOB.SHA256, sha256)
              .set(INTAKE_JOB.SIZE, (long) bytes.length)
              .set(INTAKE_JOB.ASKED_BY, by)
              .set(INTAKE_JOB.ASKED_AT, clock.instant())
              .set(INTAKE_JOB.STATE, "waiting")
              .set(INTAKE_JOB.PROGRESS, 0.0)
              .set(INTAKE_JOB.MESSAGE, "Waiting to be read")
              .set(INTAKE_JOB.LINE, 0)
              .set(INTAKE_JOB.COLUMN_NUMBER, 0)
              .execute();
          next(project);
        });
    return id;
  }

  /** Until the transaction ends, nobody else queues or ends a job of this project. */
  private void alone(UUID project) {
    db.select(
            DSL.field(
                "pg_advisory_xact_lock(hashtextextended({0}, 1))",
                Object.class, DSL.val(project.toString())))
        .fetch();
  }

  /**
   * Sees to it that the project's oldest job that has not ended is run. One after the other, so
   * that revisions are numbered in the order in which their files came.
   */
  private void next(UUID project) {
    db.select(INTAKE_JOB.ID)
        .from(INTAKE_JOB)
        .where(INTAKE_JOB.PROJECT_ID.eq(project))
        .and(INTAKE_JOB.STATE.in("waiting", "reading"))
        .orderBy(INTAKE_JOB.ARRIVAL)
        .limit(1)
        .fetchOptional(INTAKE_JOB.ID)
        .ifPresent(
            id -> {
              scheduler
                  .getObject()
                  .scheduleIfNotExists(TASK.instance(id.toString()).scheduledTo(clock.instant()));
              TransactionSynchronizationManager.registerSynchronization(
                  new TransactionSynchronization() {
                    @Override
                    public void afterCommit() {
                      scheduler.getObject().triggerCheckForDueExecutions();
                    }
                  });
            });
  }

  /** For the demo project and tests: receives bytes that are in memory. */
  UUID receive(UUID project, String fileName, byte[] bytes, String by) {
    return queue(project, fileName, bytes, Hashes.sha256(bytes), by);
  }

  IntakeViews.JobView job(UUID id) {
    return view(record(id));
  }

  /** Jobs by id, in one query. */
  Map<UUID, IntakeViews.JobView> jobs(Collection<UUID> which) {
    return db.selectFrom(INTAKE_JOB)
        .where(INTAKE_JOB.ID.in(which))
        .fetchMap(INTAKE_JOB.ID, Intake::view);
  }

  private IntakeJobRecord record(UUID id) {
    return db.selectFrom(INTAKE_JOB)
        .where(INTAKE_JOB.ID.eq(id))
        .fetchOptional()
        .orElseThrow(() -> Problem.notFound("The intake"));
  }

  private static IntakeViews.JobView view(IntakeJobRecord j) {
    return new IntakeViews.JobView(
        j.getId(),
        j.getProjectId(),
        j.getFileName(),
        j.getSize(),
        j.getState(),
        j.getProgress(),
        j.getMessage(),
        j.getLine(),
        j.getColumnNumber(),
        j.getDeliveryId());
  }

  /** Asks a job to stop; it does so at its next step. */
  void cancel(UUID id) {
    IntakeJobRecord j = record(id);
    transaction.executeWithoutResult(
        t -> {
          alone(j.getProjectId());
          db.update(INTAKE_JOB)
              .set(INTAKE_JOB.STATE, "cancelled")
              .set(INTAKE_JOB.MESSAGE, "Cancelled")
              .where(INTAKE_JOB.ID.eq(id))
              .and(INTAKE_JOB.STATE.in("waiting", "reading"))
              .execute();
          store.dropUnusedContent(j.getSha256());
          next(j.getProjectId());
        });
  }

  private static final class CancelledException extends RuntimeException {
    private static final long serialVersionUID = 1L;
  }

  /** Runs a job to its end. Never throws for what is wrong with the file. */
  void run(UUID id) {
    IntakeJobRecord j = db.selectFrom(INTAKE_JOB).where(INTAKE_JOB.ID.eq(id)).fetchOne();
    if (j == null || !(j.getState().equals("waiting") || j.getState().equals("reading"))) {
      return;
    }
    try {
      long start = System.nanoTime();
      say(id, 0, "Reading " + j.getFileName());
      // how envelopes are made is known before anything is read
      ProjectSettings settings = projects.settings(j.getProjectId());
      Delivery delivery =
          Delivery.read(
              DeliveryReader.Source.of(store.content(j.getSha256())),
              limits,
              tolerance,
              progress(id));
      Stage stage =
          delivery.stage(DeliveryStates.options(settings, ScopeState.AS_DELIVERED), made(id));
      long millis = (System.nanoTime() - start) / 1_000_000;
      say(id, ALMOST, "Checking");
      DeliveryStates.Checked checked = states.check(j.getProjectId(), delivery, settings, stage);
      prepare(finish(j, new Read(checked, stage, millis)));
    } catch (UnreadableException e) {
      fail(j, "failed", e.getMessage(), e.line(), e.column());
    } catch (CancelledException e) {
      fail(j, "cancelled", "Cancelled", 0, 0);
    } catch (OutOfMemoryError e) {
      fail(j, "failed", "The file needs more memory than the server has.", 0, 0);
    } catch (IOException | RuntimeException e) {
      LOG.error("intake of {} failed", j.getFileName(), e);
      fail(
          j,
          "failed",
          "The file could not be read because of a fault in Yentra; the server's log says more.",
          0,
          0);
    }
  }

  /** Whoever waited for a delivery looks at it now. */
  private void prepare(UUID delivery) {
    try {
      answers.prepare(delivery);
    } catch (RuntimeException e) {
      LOG.warn(
          "{} is read, but its view could not be prepared: it is made when asked for", delivery, e);
    }
  }

  /** A file that has been read, and what it took in ms. */
  private record Read(DeliveryStates.Checked checked, Stage stage, long millis) {
    Delivery delivery() {
      return checked.read();
    }
  }

  private UUID finish(IntakeJobRecord j, Read read) {
    return transaction.execute(
        t -> {
          alone(j.getProjectId());
          UUID delivery =
              store.add(
                  j.getProjectId(),
                  j.getFileName(),
                  read.delivery().format().name().toLowerCase(java.util.Locale.ROOT),
                  j.getSha256(),
                  j.getSize(),
                  j.getAskedBy(),
                  ModelViews.report(
                      read.stage.envelope(),
                      read.stage.context().types(),
                      bodies(read.delivery()),
                      read.millis),
                  IdSketch.of(read.delivery().whole()));
          store.carryScope(delivery);
          int n =
              db.update(INTAKE_JOB)
                  .set(INTAKE_JOB.STATE, "done")
                  .set(INTAKE_JOB.PROGRESS, 1.0)
                  .set(INTAKE_JOB.MESSAGE, "Read")
                  .set(INTAKE_JOB.DELIVERY_ID, delivery)
                  .where(INTAKE_JOB.ID.eq(j.getId()))
                  .and(INTAKE_JOB.STATE.eq("reading"))
                  .execute();
          if (n == 0) {
            throw new CancelledException();
          }
          next(j.getProjectId());
          states.remember(delivery, read.checked, read.stage.envelope());
          return delivery;
        });
  }

  private static List<ReadNote> bodies(Delivery d) {
    return d.model() instanceof IfcModel m ? BodyReport.of(m) : List.of();
  }

  private DeliveryReader.Progress progress(UUID id) {
    long[] told = {0};
    return (done, all) -> {
      long now = System.nanoTime();
      if (now - told[0] > OFTEN) {
        told[0] = now;
        say(
            id,
            READ * done / Math.max(1, all),
            "Reading: " + done / 1_000_000 + " of " + all / 1_000_000 + " MB");
      }
    };
  }

  /** Told while the envelope is made; may find that the job is no longer wanted. */
  private Watch made(UUID id) {
    long[] told = {0};
    return done -> {
      long now = System.nanoTime();
      if (now - told[0] > OFTEN) {
        told[0] = now;
        say(id, READ + (ALMOST - READ) * done, "Making boundaries");
      }
    };
  }

  private void say(UUID id, double progress, String message) {
    int n =
        db.update(INTAKE_JOB)
            .set(INTAKE_JOB.STATE, "reading")
            .set(INTAKE_JOB.PROGRESS, progress)
            .set(INTAKE_JOB.MESSAGE, message)
            .where(INTAKE_JOB.ID.eq(id))
            .and(INTAKE_JOB.STATE.in("waiting", "reading"))
            .execute();
    if (n == 0) {
      throw new CancelledException();
    }
  }

  private void fail(IntakeJobRecord j, String state, String message, int line, int column) {
    transaction.executeWithoutResult(
        t -> {
          alone(j.getProjectId());
          // another node may have taken the job over, and ended it
          db.update(INTAKE_JOB)
              .set(INTAKE_JOB.STATE, state)
              .set(INTAKE_JOB.MESSAGE, message)
              .set(INTAKE_JOB.LINE, line)
              .set(INTAKE_JOB.COLUMN_NUMBER, column)
              .where(INTAKE_JOB.ID.eq(j.getId()))
              .and(INTAKE_JOB.STATE.in("waiting", "reading"))
              .execute();
          store.dropUnusedContent(j.getSha256());
          next(j.getProjectId());
        });
  }
}
