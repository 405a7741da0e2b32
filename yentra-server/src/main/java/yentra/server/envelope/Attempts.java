package yentra.server.envelope;

import static yentra.server.db.Tables.ATTEMPT;

import java.time.Clock;
import java.time.Duration;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import java.util.function.Function;
import org.jooq.DSLContext;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import yentra.core.boundary.Watch;

/**
 * Work that somebody is waiting for: how far it has come, and whether it is still wanted. Kept in
 * the database, so that any node can be asked and told.
 */
@Component
public class Attempts {
  /** What nobody has touched for so long is forgotten. */
  private static final Duration KEPT = Duration.ofHours(1);

  /** Progress is told and wishes are heard this often, ns. */
  private static final long OFTEN = 200_000_000L;

  private final DSLContext db;
  private final Clock clock;

  public Attempts(DSLContext db, Clock clock) {
    this.db = db;
    this.clock = clock;
  }

  /**
   * Does work under a name that the page chose.
   *
   * @throws CancellationException when it was given up, before or while it was done
   */
  public <T> T run(UUID run, Function<Watch, T> work) {
    db.insertInto(ATTEMPT)
        .set(ATTEMPT.RUN, run)
        .set(ATTEMPT.SHARE, 0.0)
        .set(ATTEMPT.CANCELLED, false)
        .set(ATTEMPT.TOUCHED_AT, clock.instant())
        .onConflictDoNothing()
        .execute();
    Told told = new Told(run);
    told.tell();
    T made = work.apply(told);
    told.share = 1;
    told.tell();
    return made;
  }

  private final class Told implements Watch {
    private final UUID run;
    private volatile double share;
    private volatile long said = System.nanoTime();

    Told(UUID run) {
      this.run = run;
    }

    @Override
    public void at(double done) {
      share = Math.max(share, done);
      if (System.nanoTime() - said > OFTEN) {
        said = System.nanoTime();
        tell();
      }
    }

    private void tell() {
      int wanted =
          db.update(ATTEMPT)
              .set(ATTEMPT.SHARE, share)
              .set(ATTEMPT.TOUCHED_AT, clock.instant())
              .where(ATTEMPT.RUN.eq(run))
              .and(ATTEMPT.CANCELLED.isFalse())
              .execute();
      if (wanted == 0) {
        throw new CancellationException("Cancelled");
      }
    }
  }

  /** How far it has come, 0 to 1; 0 when it is not known. */
  public double share(UUID run) {
    return db.select(ATTEMPT.SHARE)
        .from(ATTEMPT)
        .where(ATTEMPT.RUN.eq(run))
        .fetchOptional(ATTEMPT.SHARE)
        .orElse(0.0);
  }

  /** Gives it up, even before it has begun. */
  public void cancel(UUID run) {
    db.insertInto(ATTEMPT)
        .set(ATTEMPT.RUN, run)
        .set(ATTEMPT.SHARE, 0.0)
        .set(ATTEMPT.CANCELLED, true)
        .set(ATTEMPT.TOUCHED_AT, clock.instant())
        .onConflict(ATTEMPT.RUN)
        .doUpdate()
        .set(ATTEMPT.CANCELLED, true)
        .execute();
  }

  @Scheduled(fixedDelay = 600_000)
  void forget() {
    db.deleteFrom(ATTEMPT).where(ATTEMPT.TOUCHED_AT.lt(clock.instant().minus(KEPT))).execute();
  }
}
