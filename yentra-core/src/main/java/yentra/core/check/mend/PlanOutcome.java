package yentra.core.check.mend;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import yentra.core.boundary.Watch;
import yentra.core.check.rule.Remedy;
import yentra.core.finding.Finding;
import yentra.core.finding.FindingId;

/**
 * A plan of which some steps are not taken, and some open questions answered.
 *
 * @param plan what is left of it, and what was added; it tells of no refusals
 * @param gone numbers of the steps of the whole plan, from 0, that built on those not taken, each
 *     with the reason why it cannot be taken without them
 * @param unanswered findings whose answer was not sound, each with the reason
 */
public record PlanOutcome(
    RepairPlan plan, Map<Integer, String> gone, Map<FindingId, String> unanswered) {
  public PlanOutcome {
    gone = Collections.unmodifiableMap(new TreeMap<>(gone));
    unanswered = Collections.unmodifiableMap(new LinkedHashMap<>(unanswered));
  }

  /** A judgement: which remedy is to answer a finding that the plan leaves open. */
  public record Answer(Finding finding, Remedy remedy) {}

  /**
   * What becomes of a plan when some of its steps are not taken, and some of what it leaves open is
   * answered. Steps that were proven together are proven together again, on the state that those
   * before them leave now; one that cannot be made any more, or is not sound any more, goes too.
   *
   * @param without numbers of the steps that are not taken, from 0
   * @param answers made after all steps
   * @throws java.util.concurrent.CancellationException when the watch gives up
   */
  public static PlanOutcome of(
      RepairPlan plan, Set<Integer> without, List<Answer> answers, Watch watch) {
    List<RepairPlan.Step> steps = new ArrayList<>();
    Map<Integer, String> gone = new TreeMap<>();
    Mending mending = new Mending(without.isEmpty() ? plan.after() : plan.before());
    if (without.isEmpty()) {
      steps.addAll(plan.steps());
    } else {
      again(plan, without, mending, gone, watch);
    }
    Map<FindingId, String> unanswered = new LinkedHashMap<>();
    for (Answer a : answers) {
      watch.at(1);
      mending.take(List.of(new Mending.Attempt(a.finding, List.of(a.remedy))), new ArrayList<>());
      String reason = mending.refusal(a.finding, a.remedy);
      if (reason != null) {
        unanswered.put(a.finding.id(), reason);
      }
    }
    steps.addAll(mending.steps());
    return new PlanOutcome(
        new RepairPlan(steps, List.of(), plan.before(), mending.state()), gone, unanswered);
  }

  private static void again(
      RepairPlan plan,
      Set<Integer> without,
      Mending mending,
      Map<Integer, String> gone,
      Watch watch) {
    List<RepairPlan.Step> old = plan.steps();
    for (int i = 0; i < old.size(); ) {
      watch.at((double) i / old.size());
      int from = i;
      List<Mending.Attempt> together = new ArrayList<>();
      for (; i < old.size() && old.get(i).batch() == old.get(from).batch(); i++) {
        if (!without.contains(i)) {
          together.add(new Mending.Attempt(old.get(i).finding(), List.of(old.get(i).remedy())));
        }
      }
      int known = mending.steps().size();
      mending.take(together, new ArrayList<>());
      Set<FindingId> taken = new HashSet<>();
      mending
          .steps()
          .subList(known, mending.steps().size())
          .forEach(s -> taken.add(s.finding().id()));
      for (int k = from; k < i; k++) {
        if (!without.contains(k) && !taken.contains(old.get(k).finding().id())) {
          String reason = mending.refusal(old.get(k).finding(), old.get(k).remedy());
          gone.put(k, reason == null ? "What it puts right does not come up." : reason);
        }
      }
    }
  }
}
