package yentra.server.envelope;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Service;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.run.CheckRun;
import yentra.core.check.run.Remedies;
import yentra.core.check.run.RemedySweep;
import yentra.core.check.run.RepairPreview;
import yentra.core.finding.Finding;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.server.db.tables.records.DeliveryRecord;
import yentra.server.decisions.Decisions;
import yentra.server.deliveries.DeliveryStates;
import yentra.server.deliveries.DeliveryStore;
import yentra.server.web.Problem;

/** What can be done about findings, and what repairs would do; nothing is changed. */
@Service
public class Previews {
  /** Remedies of so many findings are worked out at once. */
  private static final int MOST_FINDINGS = 200;

  /** What was shown last of a delivery, until it is made or something else is shown. */
  private final Cache<UUID, Previewed> previews =
      Caffeine.newBuilder().maximumSize(20).expireAfterWrite(Duration.ofMinutes(10)).build();

  private record Previewed(CheckRun from, Repair repair, RepairPreview made) {}

  private final DeliveryStore store;
  private final DeliveryStates states;
  private final Decisions decisions;

  Previews(DeliveryStore store, DeliveryStates states, Decisions decisions) {
    this.store = store;
    this.states = states;
    this.decisions = decisions;
  }

  EnvelopeViews.PreviewView preview(UUID id, Repair repair) {
    DeliveryStore.Loaded l = store.loaded(id);
    DeliveryRecord d = l.delivery();
    DeliveryStates.State s = states.state(d, l.inForce());
    try {
      RepairPreview made = RepairPreview.of(s.run(), repair);
      previews.put(id, new Previewed(s.run(), repair, made));
      return preview(d, s, made);
    } catch (NotApplicableException e) {
      throw Problem.notApplicable(e.getMessage());
    }
  }

  private EnvelopeViews.PreviewView preview(
      DeliveryRecord d, DeliveryStates.State s, RepairPreview p) {
    CheckContext after = p.run().context();
    ModelViews now = new ModelViews(s.context(), decisions.of(d, s.context(), p.resolved()));
    ModelViews later = new ModelViews(after, decisions.of(d, after, p.added()));
    return new EnvelopeViews.PreviewView(
        p.summary(),
        p.resolved().stream().map(now::finding).toList(),
        p.added().stream().map(later::finding).toList(),
        p.removedSurfaces(),
        p.changedSurfaces().stream().map(x -> later.surface(x, true)).toList(),
        after.envelope().orphans().stream().map(x -> later.opening(x, true)).toList(),
        p.before(),
        p.after());
  }

  /** One remedy for many findings: what would be made, and what would be left. */
  public EnvelopeViews.SweepView sweep(UUID id, List<String> findings, Repair like) {
    DeliveryStore.Loaded l = store.loaded(id);
    DeliveryRecord d = l.delivery();
    DeliveryStates.State s = states.state(d, l.inForce());
    RemedySweep sweep = RemedySweep.of(s.context(), findings(s, findings), like);
    List<EnvelopeViews.LeftView> left =
        sweep.left().stream()
            .map(
                x ->
                    new EnvelopeViews.LeftView(
                        x.finding().id().toString(), x.finding().message(), x.reason()))
            .toList();
    if (sweep.repair() == null) {
      return new EnvelopeViews.SweepView(null, left, null);
    }
    try {
      return new EnvelopeViews.SweepView(
          sweep.repair(), left, preview(d, s, RepairPreview.of(s.run(), sweep.repair())));
    } catch (NotApplicableException e) {
      throw Problem.notApplicable(e.getMessage());
    }
  }

  /** The remedies of some findings, worked out when they are asked for. */
  List<EnvelopeViews.RemediesView> remedies(UUID id, List<String> asked) {
    if (asked != null && asked.size() > MOST_FINDINGS) {
      throw Problem.bad("Ask for the remedies of at most " + MOST_FINDINGS + " findings.");
    }
    DeliveryStates.State s = states.state(id);
    Remedies remedies = new Remedies(s.context());
    return findings(s, asked).stream()
        .map(
            f ->
                new EnvelopeViews.RemediesView(
                    f.id().toString(),
                    remedies.of(f).stream()
                        .map(r -> new EnvelopeViews.RemedyView(r.label(), r.repair()))
                        .toList()))
        .toList();
  }

  /** Findings by id. */
  public static List<Finding> findings(DeliveryStates.State s, List<String> asked) {
    if (asked == null || asked.isEmpty()) {
      throw Problem.bad("No finding is named.");
    }
    Map<String, Finding> known = new HashMap<>();
    s.findings().forEach(f -> known.put(f.id().toString(), f));
    List<Finding> out = new ArrayList<>();
    for (String id : asked) {
      Finding f = known.get(id);
      if (f == null) {
        throw Problem.notFound("The finding " + id);
      }
      out.add(f);
    }
    return out;
  }

  /** What a repair makes of a state: what was shown before, when it is that of the same state. */
  RepairPreview made(UUID id, CheckRun from, Repair repair) {
    Previewed shown = previews.getIfPresent(id);
    if (shown != null && shown.from == from && shown.repair.equals(repair)) {
      return shown.made;
    }
    try {
      return RepairPreview.of(from, repair);
    } catch (NotApplicableException e) {
      throw Problem.notApplicable(e.getMessage());
    }
  }
}
