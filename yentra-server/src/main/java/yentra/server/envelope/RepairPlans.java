package yentra.server.envelope;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import org.springframework.stereotype.Service;
import yentra.core.boundary.Watch;
import yentra.core.check.mend.PlanOutcome;
import yentra.core.check.mend.Planner;
import yentra.core.check.mend.RepairPlan;
import yentra.core.check.rule.Remedy;
import yentra.core.check.run.CheckRun;
import yentra.core.envelope.Envelope;
import yentra.core.finding.FindingId;
import yentra.core.finding.Severity;
import yentra.core.repair.Repair;
import yentra.core.repair.Several;
import yentra.core.thermal.HeatLoss;
import yentra.core.thermal.HeatLossOptions;
import yentra.server.decisions.Decisions;
import yentra.server.deliveries.DeliveryStates;
import yentra.server.deliveries.DeliveryStore;
import yentra.server.web.Problem;

/** Repair plans of states, worked out once for each. */
@Service
class RepairPlans {
  /** States whose plans are kept: those that people look at. */
  private static final int KEPT = 8;

  /** Open findings that are told with their choices. */
  private static final int MOST_OPEN = 500;

  private final DeliveryStore store;
  private final DeliveryStates states;
  private final Decisions decisions;
  private final Cache<CheckRun, Made> made =
      Caffeine.newBuilder().weakKeys().maximumSize(KEPT).build();

  RepairPlans(DeliveryStore store, DeliveryStates states, Decisions decisions) {
    this.store = store;
    this.states = states;
    this.decisions = decisions;
  }

  /**
   * @param accepted findings that were accepted when it was made: nothing is done about them
   * @param open what is left for a judgement, by finding
   */
  private record Made(
      Set<FindingId> accepted, RepairPlan plan, Map<String, RepairPlan.Open> open) {}

  /** The state that a plan is for, with its plan. */
  private record Planned(DeliveryStore.Loaded delivery, DeliveryStates.State state, Made made) {}

  /**
   * The plan of the state that the delivery is in.
   *
   * @throws java.util.concurrent.CancellationException when the watch gives up
   */
  RepairPlanViews.RepairPlanView of(UUID id, Watch watch) {
    Planned p = planned(id, watch);
    return view(p.state.version(), p.made);
  }

  /** What becomes of it when some steps are not taken, and some of what is open is answered. */
  RepairPlanViews.OutcomeView outcome(UUID id, RepairPlanViews.OutcomeRequest asked, Watch watch) {
    Planned p = planned(id, watch);
    if (p.state.version() != asked.basedOn()) {
      throw Problem.stale(p.state.version(), store.since(id, asked.basedOn()));
    }
    RepairPlan plan = p.made.plan;
    Set<Integer> without = new TreeSet<>(asked.without() == null ? List.of() : asked.without());
    if (without.stream().anyMatch(n -> n < 0 || n >= plan.steps().size())) {
      throw Problem.bad("The plan has steps 0 to " + (plan.steps().size() - 1) + ".");
    }
    List<PlanOutcome.Answer> answers = new ArrayList<>();
    for (RepairPlanViews.AnswerRequest a :
        asked.answers() == null ? List.<RepairPlanViews.AnswerRequest>of() : asked.answers()) {
      answers.add(answer(p.made, a));
    }
    PlanOutcome o = PlanOutcome.of(plan, without, answers, watch);
    HeatLossOptions options = p.state.settings().heatLossOptions();
    return new RepairPlanViews.OutcomeView(
        o.gone().entrySet().stream()
            .map(g -> new RepairPlanViews.GoneView(g.getKey(), g.getValue()))
            .toList(),
        o.unanswered().entrySet().stream()
            .map(u -> new RepairPlanViews.UnansweredView(u.getKey().toString(), u.getValue()))
            .toList(),
        side(p, plan.before(), options),
        side(p, o.plan().after(), options));
  }

  private static PlanOutcome.Answer answer(Made m, RepairPlanViews.AnswerRequest asked) {
    RepairPlan.Open open = m.open.get(asked.finding());
    if (open == null) {
      throw Problem.notFound("The open finding " + asked.finding());
    }
    Remedy remedy =
        open.choices().stream()
            .filter(c -> c.label().equals(asked.label()))
            .findFirst()
            .orElseThrow(() -> Problem.notFound("The choice \"" + asked.label() + "\""));
    return new PlanOutcome.Answer(open.finding(), remedy);
  }

  private Planned planned(UUID id, Watch watch) {
    DeliveryStore.Loaded l = store.loaded(id);
    DeliveryStates.State s = states.state(l.delivery(), l.inForce());
    Set<FindingId> accepted = new LinkedHashSet<>();
    Decisions.Known known = decisions.of(l.delivery(), s.context(), s.findings());
    s.findings().stream().filter(f -> !known.isOpen(f)).forEach(f -> accepted.add(f.id()));
    Made m = made.getIfPresent(s.run());
    if (m == null || !m.accepted.equals(accepted)) {
      RepairPlan plan = Planner.safe(s.run(), f -> !accepted.contains(f.id()), watch);
      Map<String, RepairPlan.Open> open = new LinkedHashMap<>();
      plan.open(f -> !accepted.contains(f.id()))
          .forEach(o -> open.put(o.finding().id().toString(), o));
      m = new Made(accepted, plan, open);
      made.put(s.run(), m);
    }
    return new Planned(l, s, m);
  }

  private RepairPlanViews.SideView side(Planned p, CheckRun run, HeatLossOptions options) {
    Decisions.Known known = decisions.of(p.delivery.delivery(), run.context(), run.findings());
    HeatLoss.Sum loss =
        run.context().thermal().heatLoss(options).total(x -> run.context().octant(x) >= 0);
    return new RepairPlanViews.SideView(
        known.open(run.findings(), Severity.BLOCKER),
        known.open(run.findings(), Severity.ERROR),
        known.open(run.findings(), Severity.WARNING),
        run.context().figures(),
        loss.total(),
        loss.unknownArea());
  }

  /** Rooms, surfaces and openings. */
  private static boolean isPart(Envelope e, String key) {
    return e.space(key).isPresent() || e.surface(key).isPresent() || e.opening(key).isPresent();
  }

  private static double area(Envelope before, Envelope after, RepairPlan.Step s) {
    double about = area(before, after, s.finding().objects());
    return about > 0 ? about : area(before, after, s.remedy().repair().objects());
  }

  private static double area(Envelope before, Envelope after, List<String> keys) {
    double sum = 0;
    for (String k : keys) {
      sum += after.surface(k).or(() -> before.surface(k)).map(x -> x.polygon().area()).orElse(0.0);
    }
    return sum;
  }

  private static RepairPlanViews.RepairPlanView view(long version, Made made) {
    RepairPlan plan = made.plan;
    Envelope before = plan.before().context().envelope();
    Envelope after = plan.after().context().envelope();
    List<RepairPlanViews.MendStepView> steps = new ArrayList<>();
    for (RepairPlan.Step s : plan.steps()) {
      Repair r = s.remedy().repair();
      Set<String> objects = new LinkedHashSet<>(s.finding().objects());
      objects.addAll(r.objects());
      steps.add(
          new RepairPlanViews.MendStepView(
              s.finding().id().toString(),
              s.finding().code(),
              s.finding().message(),
              s.says(),
              s.resolves().size(),
              area(before, after, s),
              objects.stream().filter(k -> isPart(before, k) || isPart(after, k)).toList(),
              r instanceof Several x ? x.repairs() : List.of(r)));
    }
    return new RepairPlanViews.RepairPlanView(
        version,
        steps,
        plan.refused().stream().map(RepairPlans::refused).toList(),
        made.open.values().stream().limit(MOST_OPEN).map(RepairPlans::open).toList(),
        Math.max(0, made.open.size() - MOST_OPEN));
  }

  private static RepairPlanViews.MendRefusedView refused(RepairPlan.Refused x) {
    return new RepairPlanViews.MendRefusedView(
        x.finding().id().toString(), x.finding().code(), x.remedy().label(), x.reason());
  }

  private static RepairPlanViews.MendOpenView open(RepairPlan.Open x) {
    return new RepairPlanViews.MendOpenView(
        x.finding().id().toString(),
        x.finding().code(),
        x.finding().severity().label(),
        x.finding().message(),
        x.finding().objects(),
        x.choices().stream()
            .map(c -> new EnvelopeViews.RemedyView(c.label(), c.repair()))
            .toList());
  }
}
