package yentra.server.variants;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import yentra.core.check.run.CheckRun;
import yentra.core.check.run.RepairPreview;
import yentra.core.plan.PlanWriter;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Several;
import yentra.core.scope.ScopeStep;
import yentra.core.variant.Variant;
import yentra.server.db.tables.records.DeliveryRecord;
import yentra.server.deliveries.DeliveryStates;
import yentra.server.deliveries.DeliveryStore;
import yentra.server.deliveries.LogViews;
import yentra.server.envelope.Deliveries;
import yentra.server.estimate.RunSettings;
import yentra.server.estimate.WeatherFiles;
import yentra.server.web.Problem;

/**
 * Makes variants the baseline: their repairs enter the log, their settings those of the project.
 */
@Service
public class Adoption {
  private final DeliveryStore deliveries;
  private final VariantStore store;
  private final VariantAnswers variants;
  private final WeatherFiles weather;
  private final DeliveryStates states;
  private final TransactionTemplate transaction;

  Adoption(
      DeliveryStore deliveries,
      VariantStore store,
      VariantAnswers variants,
      WeatherFiles weather,
      DeliveryStates states,
      TransactionTemplate transaction) {
    this.deliveries = deliveries;
    this.store = store;
    this.variants = variants;
    this.weather = weather;
    this.states = states;
    this.transaction = transaction;
  }

  /** A variant's repairs as one, by which it can be looked at before anything is changed. */
  public Repair repair(UUID delivery, UUID variant) {
    Variant v = applied(delivery, variant);
    if (v.state().plan() != null && v.done().stream().anyMatch(d -> d.effect().plan() != null)) {
      throw Problem.notApplicable(
          "This variant draws the building anew: make it the baseline to see it, and undo it if you like.");
    }
    List<Repair> repairs = v.repairs();
    if (repairs.isEmpty()) {
      throw Problem.notApplicable(
          "This variant changes settings of the estimate alone: there is nothing to see on the stage.");
    }
    return new Several(label(variant), repairs);
  }

  private String label(UUID variant) {
    return "Variant " + store.one(variant).spec().name();
  }

  private Variant applied(UUID delivery, UUID variant) {
    Variant v = variants.variant(delivery, variant);
    if (!v.applies()) {
      throw Problem.notApplicable(
          "A change of this variant does not apply: " + v.refused().get(0).reason());
    }
    return v;
  }

  private static String steps(int n) {
    return n == 1 ? "1 repair." : n + " repairs.";
  }

  /** What repairs change in figures and findings, as the log tells it; null for no repairs. */
  private LogViews.EntryFigures figures(UUID delivery, String label, List<Repair> repairs) {
    if (repairs.isEmpty()) {
      return null;
    }
    CheckRun run = states.state(delivery).run();
    try {
      return Deliveries.figures(run, RepairPreview.of(run, new Several(label, repairs)).run());
    } catch (NotApplicableException e) {
      throw Problem.notApplicable(e.getMessage());
    }
  }

  /** Makes a variant the baseline, all of it or nothing. */
  public void adopt(UUID delivery, UUID variant, long basedOn, String by) {
    DeliveryRecord before = deliveries.get(delivery);
    if (before.getVersion() != basedOn) {
      throw Problem.stale(before.getVersion(), deliveries.since(delivery, basedOn));
    }
    Variant v = applied(delivery, variant);
    String label = label(variant);
    UUID project = before.getProjectId();
    boolean drawn = v.done().stream().anyMatch(d -> d.effect().plan() != null);
    RunSettings settings = weather.settings(project).with(v.state().settings());
    UUID climate = UUID.fromString(v.state().climate());
    LogViews.EntryFigures figures = drawn ? null : figures(delivery, label, v.repairs());
    transaction.executeWithoutResult(
        t -> {
          DeliveryRecord d = deliveries.lock(delivery);
          if (d.getVersion() != basedOn) {
            throw Problem.stale(d.getVersion(), deliveries.since(delivery, basedOn));
          }
          if (drawn) {
            String plan = new String(PlanWriter.write(v.state().plan()), StandardCharsets.UTF_8);
            deliveries.append(
                d, new ScopeStep.Draw(plan, label + ": draws the building anew."), label, by);
          }
          if (!v.repairs().isEmpty()) {
            Repair all = new Several(label, v.repairs());
            String summary = label + " is the baseline: " + steps(v.repairs().size());
            deliveries.append(deliveries.lock(delivery), all, summary, Optional.empty(), by);
            if (figures != null) {
              deliveries.figures(deliveries.get(delivery), figures);
            }
          }
          if (!settings.equals(weather.settings(project))) {
            weather.settings(project, settings, by);
          }
          if (!weather.of(project).filter(climate::equals).isPresent()) {
            weather.choose(project, climate, by);
          }
        });
  }
}
