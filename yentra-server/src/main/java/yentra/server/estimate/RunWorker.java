package yentra.server.estimate;

import static yentra.server.db.Tables.ESTIMATE_HOURS;
import static yentra.server.db.Tables.ESTIMATE_RUN;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.boundary.Watch;
import yentra.core.check.measure.CheckContext;
import yentra.core.climate.WeatherYear;
import yentra.core.estimate.Estimate;
import yentra.core.estimate.MissingAssumed;
import yentra.core.estimate.hourly.HourSeries;
import yentra.core.estimate.hourly.HourlyYear;
import yentra.core.estimate.setting.EstimateSettings;
import yentra.core.junction.Junctions;
import yentra.core.junction.PsiValues;
import yentra.server.db.tables.records.EstimateRunRecord;
import yentra.server.deliveries.DeliveryStates;
import yentra.server.deliveries.DeliveryStore;
import yentra.server.web.Problem;
import yentra.server.web.Stored;

/** Runs estimates to their end, on whichever node a job falls. */
@Service
class RunWorker {
  private static final Logger LOG = LoggerFactory.getLogger(RunWorker.class);

  /** Progress is told this often, ns. */
  private static final long OFTEN = 200_000_000L;

  private final DSLContext db;
  private final DeliveryStore store;
  private final DeliveryStates states;
  private final EstimateRuns runs;
  private final WeatherFiles weather;
  private final TransactionTemplate transaction;
  private final JsonMapper json;
  private final Clock clock;

  RunWorker(
      DSLContext db,
      DeliveryStore store,
      DeliveryStates states,
      EstimateRuns runs,
      WeatherFiles weather,
      TransactionTemplate transaction,
      JsonMapper json,
      Clock clock) {
    this.db = db;
    this.store = store;
    this.states = states;
    this.runs = runs;
    this.weather = weather;
    this.transaction = transaction;
    this.json = Stored.reader(json);
    this.clock = clock;
  }

  private static final class CancelledException extends RuntimeException {
    private static final long serialVersionUID = 1L;
  }

  /** Runs a job to its end. Never throws for what is wrong with the model. */
  void work(UUID id) {
    EstimateRunRecord r = db.selectFrom(ESTIMATE_RUN).where(ESTIMATE_RUN.ID.eq(id)).fetchOne();
    if (r == null || !EstimateRuns.OPEN.contains(r.getState())) {
      return;
    }
    try {
      say(id, 0, "Making zones");
      done(r);
    } catch (CancelledException e) {
      LOG.debug("estimate {} was given up", id);
    } catch (Problem e) {
      end(id, "failed", e.getMessage(), null);
    } catch (OutOfMemoryError e) {
      end(id, "failed", "The estimate needs more memory than the server has.", null);
    } catch (RuntimeException e) {
      LOG.error("estimate {} failed", id, e);
      end(
          id,
          "failed",
          "The estimate could not be made because of a fault in Yentra; the server's log says more.",
          null);
    }
  }

  private void done(EstimateRunRecord r) {
    DeliveryStore.Loaded l = store.loaded(r.getDeliveryId());
    if (!runs.key(l).equals(r.getStateKey())) {
      end(r.getId(), "failed", "The envelope changed before the run began. Run it again.", null);
      return;
    }
    DeliveryStates.State s = states.state(l.delivery(), l.inForce());
    EstimateSettings settings =
        json.readValue(r.getSettings().data(), RunSettings.class)
            .settings(s.settings().heatLossOptions());
    WeatherYear year = weather.year(r.getWeatherId());
    CheckContext context = s.context();
    PsiValues psi = new PsiValues(Junctions.dimensions(s.envelope()), settings.psi());
    List<String> assumed = new ArrayList<>();
    Estimate e;
    try {
      e = Estimate.of(context, settings, psi, year);
    } catch (HourlyYear.IncompleteException x) {
      if (!r.getAssumeMissing()) {
        lacks(r.getId(), context, x);
        return;
      }
      MissingAssumed taken = MissingAssumed.of(context, x.keys());
      assumed.addAll(taken.assumptions());
      context = taken.context();
      e = complete(context, settings, psi, year);
    }
    HourSeries series = new HourSeries(e.year().spaces().size(), year.hours());
    EstimateViews.EstimateView v =
        EstimateAnswers.run(
            e, context, settings.systems(), assumed, series, told(r.getId(), year.hours()));
    keep(r.getId(), e, series, v);
  }

  private static Estimate complete(
      CheckContext context, EstimateSettings settings, PsiValues psi, WeatherYear year) {
    try {
      return Estimate.of(context, settings, psi, year);
    } catch (HourlyYear.IncompleteException e) {
      throw new IllegalStateException("what is missing was assumed, and is missing still", e);
    }
  }

  private void lacks(UUID id, CheckContext context, HourlyYear.IncompleteException x) {
    List<EstimateViews.LackView> lacks =
        x.keys().stream()
            .map(k -> new EstimateViews.LackView(k, context.naming().object(k)))
            .toList();
    end(
        id,
        "failed",
        lacks.size() == 1
            ? "1 surface or opening has no U-value."
            : lacks.size() + " surfaces or openings have no U-value.",
        JSONB.valueOf(json.writeValueAsString(lacks)));
  }

  private void keep(UUID id, Estimate e, HourSeries series, EstimateViews.EstimateView v) {
    transaction.executeWithoutResult(
        t -> {
          int n =
              db.update(ESTIMATE_RUN)
                  .set(ESTIMATE_RUN.STATE, "done")
                  .set(ESTIMATE_RUN.PROGRESS, 1.0)
                  .set(ESTIMATE_RUN.MESSAGE, "Done")
                  .set(ESTIMATE_RUN.RESULT, JSONB.valueOf(json.writeValueAsString(v)))
                  .set(
                      ESTIMATE_RUN.HEATING,
                      v.spaces().stream()
                          .mapToDouble(EstimateViews.SpaceEstimateView::heating)
                          .sum())
                  .set(
                      ESTIMATE_RUN.COOLING,
                      v.spaces().stream()
                          .mapToDouble(EstimateViews.SpaceEstimateView::cooling)
                          .sum())
                  .set(ESTIMATE_RUN.PER_AREA, v.perArea())
                  .set(ESTIMATE_RUN.ENDED_AT, clock.instant())
                  .where(ESTIMATE_RUN.ID.eq(id))
                  .and(ESTIMATE_RUN.STATE.in(EstimateRuns.OPEN))
                  .execute();
          if (n == 0) {
            throw new CancelledException();
          }
          // another node may have begun the same run before it died
          db.deleteFrom(ESTIMATE_HOURS).where(ESTIMATE_HOURS.RUN_ID.eq(id)).execute();
          List<String> spaces = e.year().spaces();
          for (int z = 0; z < spaces.size(); z++) {
            db.insertInto(ESTIMATE_HOURS)
                .set(ESTIMATE_HOURS.RUN_ID, id)
                .set(ESTIMATE_HOURS.SPACE, spaces.get(z))
                .set(ESTIMATE_HOURS.BYTES, Packed.deflate(series.bytes(z)))
                .execute();
          }
        });
  }

  private Watch told(UUID id, int hours) {
    long[] told = {0};
    return share -> {
      long now = System.nanoTime();
      if (now - told[0] > OFTEN) {
        told[0] = now;
        int done = (int) Math.min(hours, Math.round(share / EstimateAnswers.YEAR * hours));
        say(
            id,
            share,
            done < hours
                ? String.format(java.util.Locale.ROOT, "%,d of %,d hours", done, hours)
                : "Design days");
      }
    };
  }

  private void say(UUID id, double progress, String message) {
    int n =
        db.update(ESTIMATE_RUN)
            .set(ESTIMATE_RUN.STATE, "running")
            .set(ESTIMATE_RUN.PROGRESS, progress)
            .set(ESTIMATE_RUN.MESSAGE, message)
            .where(ESTIMATE_RUN.ID.eq(id))
            .and(ESTIMATE_RUN.STATE.in(EstimateRuns.OPEN))
            .execute();
    if (n == 0) {
      throw new CancelledException();
    }
  }

  private void end(UUID id, String state, String message, JSONB lacks) {
    db.update(ESTIMATE_RUN)
        .set(ESTIMATE_RUN.STATE, state)
        .set(ESTIMATE_RUN.MESSAGE, message)
        .set(ESTIMATE_RUN.MISSING, lacks)
        .set(ESTIMATE_RUN.ENDED_AT, clock.instant())
        .where(ESTIMATE_RUN.ID.eq(id))
        .and(ESTIMATE_RUN.STATE.in(EstimateRuns.OPEN))
        .execute();
  }
}
