package yentra.server.envelope;

import static yentra.server.db.Tables.BOUNDARY_TRY;

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
 * Derivations that somebody is waiting for: how far they have come, and whether they are still
 * wanted. Kept in the database, so that any node can be asked and told.
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
    db.insertInto(BOUNDARY_TRY)
        .set(BOUNDARY_TRY.RUN, run)
        .set(BOUNDARY_TRY.SHARE, 0.0)
        .set(BOUNDARY_TRY.CANCELLED, false)
        .set(BOUNDARY_TRY.TOUCHED_AT, clock.instant())
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
          db.update(BOUNDARY_TRY)
              .set(BOUNDARY_TRY.SHARE, share)
              .set(BOUNDARY_TRY.TOUCHED_AT, clock.instant())
              .where(BOUNDARY_TRY.RUN.eq(run))
              .and(BOUNDARY_TRY.CANCELLED.isFalse())
              .execute();
      if (wanted == 0) {
        throw new CancellationException("Cancelled");
      }
    }
  }

  /** How far a derivation has come, 0 to 1; 0 when it is not known. */
  public double share(UUID run) {
    return db.select(BOUNDARY_TRY.SHARE)
        .from(BOUNDARY_TRY)
        .where(BOUNDARY_TRY.RUN.eq(run))
        .fetchOptional(BOUNDARY_TRY.SHARE)
        .orElse(0.0);
  }

  /** Gives it up, even before it has begun. */
  public void cancel(UUID run) {
    db.insertInto(BOUNDARY_TRY)
        .set(BOUNDARY_TRY.RUN, run)
        .set(BOUNDARY_TRY.SHARE, 0.0)
        .set(BOUNDARY_TRY.CANCELLED, true)
        .set(BOUNDARY_TRY.TOUCHED_AT, clock.instant())
        .onConflict(BOUNDARY_TRY.RUN)
        .doUpdate()
        .set(BOUNDARY_TRY.CANCELLED, true)
        .execute();
  }

  @Scheduled(fixedDelay = 600_000)
  void forget() {
    db.deleteFrom(BOUNDARY_TRY)
        .where(BOUNDARY_TRY.TOUCHED_AT.lt(clock.instant().minus(KEPT)))
        .execute();
  }
}
