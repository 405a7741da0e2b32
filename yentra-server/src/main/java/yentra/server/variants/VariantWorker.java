package yentra.server.variants;

import static yentra.server.db.Tables.VARIANT_RESULT;
import static yentra.server.db.Tables.VARIANT_RUN;

import java.time.Clock;
import java.util.List;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.boundary.Watch;
import yentra.core.estimate.hourly.HourlyYear;
import yentra.core.variant.Variant;
import yentra.core.variant.VariantFigures;
import yentra.server.db.tables.records.VariantResultRecord;
import yentra.server.db.tables.records.VariantRunRecord;
import yentra.server.estimate.EstimateViews;
import yentra.server.estimate.WeatherFiles;
import yentra.server.web.Problem;
import yentra.server.web.Stored;

/** Makes runs of variants, on whichever node a job falls. */
@Service
class VariantWorker {
  private static final Logger LOG = LoggerFactory.getLogger(VariantWorker.class);

  /** Whether a run was given up is looked up this often, ns. */
  private static final long OFTEN = 500_000_000L;

  private final DSLContext db;
  private final Bases bases;
  private final WeatherFiles weather;
  private final JsonMapper json;
  private final Clock clock;

  VariantWorker(DSLContext db, Bases bases, WeatherFiles weather, JsonMapper json, Clock clock) {
    this.db = db;
    this.bases = bases;
    this.weather = weather;
    this.json = Stored.reader(json);
    this.clock = clock;
  }

  private static final class CancelledException extends RuntimeException {
    private static final long serialVersionUID = 1L;
  }

  /**
   * Makes a run. Never throws for what is wrong with the model.
   *
   * @return false when another run works out the same state: look again later
   */
  boolean work(String ask) {
    VariantRunRecord r = db.selectFrom(VARIANT_RUN).where(VARIANT_RUN.ASK.eq(ask)).fetchOne();
    if (r == null || !VariantRuns.OPEN.contains(r.getState())) {
      return true;
    }
    try {
      return made(r);
    } catch (CancelledException e) {
      LOG.debug("run {} was given up", ask);
      release(ask);
    } catch (Problem e) {
      end(ask, "failed", e.getMessage(), null);
    } catch (OutOfMemoryError e) {
      end(ask, "failed", "The run needs more memory than the server has.", null);
    } catch (RuntimeException e) {
      LOG.error("run of a variant {} failed", ask, e);
      end(
          ask,
          "failed",
          "The run could not be made because of a fault in Yentra; the server's log says more.",
          null);
    }
    return true;
  }

  private boolean made(VariantRunRecord r) {
    String ask = r.getAsk();
    say(ask);
    VariantRuns.Body body = json.readValue(r.getBody().data(), VariantRuns.Body.class);
    Bases.Basis basis = bases.of(r.getBasis());
    Variant v = basis.variant(body.changes());
    if (!v.applies()) {
      Variant.Refused first = v.refused().get(0);
      end(
          ask,
          "refused",
          sentence(body.changes().get(first.index()).label()) + ": " + first.reason(),
          null);
      return true;
    }
    String content = bases.content(basis, v, body.assumeMissing());
    VariantResultRecord known = claimed(content, basis.delivery(), ask);
    if (known.getFigures() == null && !known.getClaimedBy().equals(ask)) {
      return isAbandoned(known, ask) && made(r);
    }
    if (known.getFigures() == null) {
      VariantFigures f;
      try {
        f =
            VariantFigures.of(
                v.state(),
                weather.year(UUID.fromString(v.state().climate())),
                body.assumeMissing(),
                told(ask));
      } catch (HourlyYear.IncompleteException x) {
        lacks(ask, v, x);
        return true;
      }
      db.update(VARIANT_RESULT)
          .set(VARIANT_RESULT.FIGURES, JSONB.valueOf(json.writeValueAsString(f)))
          .where(VARIANT_RESULT.CONTENT.eq(content))
          .execute();
    }
    db.update(VARIANT_RUN)
        .set(VARIANT_RUN.STATE, "done")
        .set(VARIANT_RUN.MESSAGE, "Done")
        .set(VARIANT_RUN.CONTENT, content)
        .set(VARIANT_RUN.ENDED_AT, clock.instant())
        .where(VARIANT_RUN.ASK.eq(ask))
        .execute();
    return true;
  }

  /** What is known of a content; claimed for this run when nothing is. */
  private VariantResultRecord claimed(String content, UUID delivery, String ask) {
    db.insertInto(VARIANT_RESULT)
        .set(VARIANT_RESULT.CONTENT, content)
        .set(VARIANT_RESULT.DELIVERY_ID, delivery)
        .set(VARIANT_RESULT.CLAIMED_BY, ask)
        .onConflictDoNothing()
        .execute();
    return db.selectFrom(VARIANT_RESULT).where(VARIANT_RESULT.CONTENT.eq(content)).fetchSingle();
  }

  /** Whether the run that claimed a content is none any more; then nobody has claimed it. */
  private boolean isAbandoned(VariantResultRecord known, String ask) {
    boolean open =
        db.fetchExists(
            VARIANT_RUN,
            VARIANT_RUN.ASK.eq(known.getClaimedBy()).and(VARIANT_RUN.STATE.in(VariantRuns.OPEN)));
    if (!open) {
      LOG.debug("run {} takes over what {} had claimed", ask, known.getClaimedBy());
      release(known.getClaimedBy());
    }
    return !open;
  }

  private void release(String ask) {
    db.deleteFrom(VARIANT_RESULT)
        .where(VARIANT_RESULT.CLAIMED_BY.eq(ask))
        .and(VARIANT_RESULT.FIGURES.isNull())
        .execute();
  }

  private void lacks(String ask, Variant v, HourlyYear.IncompleteException x) {
    List<EstimateViews.LackView> lacks =
        x.keys().stream()
            .map(k -> new EstimateViews.LackView(k, v.state().context().naming().object(k)))
            .toList();
    end(
        ask,
        "failed",
        lacks.size() == 1
            ? "1 surface or opening has no U-value."
            : lacks.size() + " surfaces or openings have no U-value.",
        JSONB.valueOf(json.writeValueAsString(lacks)));
  }

  private static String sentence(String label) {
    return label.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + label.substring(1);
  }

  private Watch told(String ask) {
    long[] last = {System.nanoTime()};
    return share -> {
      long now = System.nanoTime();
      if (now - last[0] > OFTEN) {
        last[0] = now;
        say(ask);
      }
    };
  }

  private void say(String ask) {
    int n =
        db.update(VARIANT_RUN)
            .set(VARIANT_RUN.STATE, "running")
            .set(VARIANT_RUN.MESSAGE, "Running")
            .where(VARIANT_RUN.ASK.eq(ask))
            .and(VARIANT_RUN.STATE.in(VariantRuns.OPEN))
            .execute();
    if (n == 0) {
      throw new CancelledException();
    }
  }

  private void end(String ask, String state, String message, JSONB lacks) {
    release(ask);
    db.update(VARIANT_RUN)
        .set(VARIANT_RUN.STATE, state)
        .set(VARIANT_RUN.MESSAGE, message)
        .set(VARIANT_RUN.MISSING, lacks)
        .set(VARIANT_RUN.ENDED_AT, clock.instant())
        .where(VARIANT_RUN.ASK.eq(ask))
        .and(VARIANT_RUN.STATE.in(VariantRuns.OPEN))
        .execute();
  }
}
