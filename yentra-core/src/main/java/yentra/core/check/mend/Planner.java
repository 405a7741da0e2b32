package yentra.core.check.mend;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import yentra.core.boundary.Watch;
import yentra.core.check.rule.Remedy;
import yentra.core.check.run.CheckCatalogue;
import yentra.core.check.run.CheckRun;
import yentra.core.check.run.Remedies;
import yentra.core.envelope.Envelope;
import yentra.core.finding.Finding;
import yentra.core.finding.FindingId;
import yentra.core.finding.Severity;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;

/**
 * Makes a repair plan. Codes are gone through in the order in which faults cause each other, again
 * and again while something is mended. The remedies for all findings of a code are tried together,
 * since one look at the result then does for all; when it is not sound, each half of them is tried
 * by itself, down to the single one that is at fault, which is refused with the reason.
 *
 * <p>Deterministic: the same state gives the same plan, whatever the number of threads.
 */
public final class Planner {
  /** What is put right first is what most other faults follow from. */
  private static final List<String> FIRST =
      List.of(
          "UNI-202", "FMT-103", "GEO-301", "GEO-304", "ADJ-506", "SPC-409", "GEO-303", "GEO-307",
          "GEO-308", "ADJ-502", "ADJ-501", "ADJ-503", "FMT-105", "FMT-106", "SPC-410", "SPC-401");

  /** More rounds than any order of causes needs. */
  private static final int ROUNDS = 8;

  private final boolean judgement;
  private final Watch watch;
  private final List<RepairPlan.Step> steps = new ArrayList<>();
  private final Map<String, RepairPlan.Refused> refused = new LinkedHashMap<>();
  private final Map<String, Integer> order = new HashMap<>();
  private CheckRun state;
  private int findings;

  private Planner(CheckRun start, boolean judgement, Watch watch) {
    this.state = start;
    this.judgement = judgement;
    this.watch = watch;
    FIRST.forEach(c -> order.put(c, order.size()));
    CheckCatalogue.descriptors().forEach(d -> order.putIfAbsent(d.code(), order.size()));
  }

  /**
   * A plan of safe steps alone.
   *
   * @param start the state with its findings
   * @throws java.util.concurrent.CancellationException when the watch gives up
   */
  public static RepairPlan safe(CheckRun start, Watch watch) {
    return new Planner(start, false, watch).plan(start);
  }

  /** The same, followed by the first remedy that needs a judgement of what is left. */
  public static RepairPlan all(CheckRun start, Watch watch) {
    return new Planner(start, true, watch).plan(start);
  }

  private RepairPlan plan(CheckRun start) {
    findings = start.findings().size();
    rounds(false);
    if (judgement) {
      rounds(true);
      rounds(false);
    }
    Set<FindingId> left = new HashSet<>();
    state.findings().forEach(f -> left.add(f.id()));
    return new RepairPlan(
        steps,
        refused.values().stream().filter(r -> left.contains(r.finding().id())).toList(),
        start,
        state);
  }

  private void rounds(boolean judged) {
    for (int round = 0; round < ROUNDS; round++) {
      int before = steps.size();
      for (String code : codes()) {
        watch.at(Math.max(0, 1 - (double) state.findings().size() / Math.max(1, findings)));
        answer(code, judged);
      }
      if (steps.size() == before) {
        return;
      }
    }
  }

  private List<String> codes() {
    return state.findings().stream()
        .map(Finding::code)
        .distinct()
        .sorted(java.util.Comparator.comparingInt(c -> order.getOrDefault(c, order.size())))
        .toList();
  }

  /** A remedy for a finding, with those to try when it is refused. */
  private record Attempt(Finding finding, List<Remedy> remedies) {
    Remedy first() {
      return remedies.get(0);
    }

    Attempt next() {
      return new Attempt(finding, remedies.subList(1, remedies.size()));
    }
  }

  private void answer(String code, boolean judged) {
    Remedies offers = new Remedies(state.context());
    List<Attempt> all = new ArrayList<>();
    for (Finding f : state.findings()) {
      if (f.code().equals(code) && f.severity() != Severity.NOTE) {
        List<Remedy> remedies = offers.of(f).stream().filter(r -> judged || r.safe()).toList();
        if (!remedies.isEmpty()) {
          all.add(new Attempt(f, remedies));
        }
      }
    }
    while (!all.isEmpty()) {
      List<Attempt> again = new ArrayList<>();
      take(all, again);
      all = again.stream().filter(a -> a.remedies().size() > 1).map(Attempt::next).toList();
    }
  }

  /**
   * Takes what is sound of some attempts.
   *
   * @param failed is filled with those that were refused
   */
  private void take(List<Attempt> attempts, List<Attempt> failed) {
    Set<FindingId> open = new HashSet<>();
    state.findings().forEach(f -> open.add(f.id()));
    Envelope e = state.context().envelope();
    List<Attempt> made = new ArrayList<>();
    // after what comes before them they cannot be made, but may be on the state that it leaves
    List<Attempt> alone = new ArrayList<>();
    List<String> says = new ArrayList<>();
    Set<Repair> known = new HashSet<>();
    for (Attempt a : attempts) {
      Repair r = a.first().repair();
      // gone with a step before, or answered by the same repair
      if (!open.contains(a.finding().id()) || !known.add(r)) {
        continue;
      }
      try {
        Repair.Made m = r.make(e, state.context().rules(), state.context().naming());
        e = m.envelope();
        made.add(a);
        says.add(m.summary());
      } catch (NotApplicableException x) {
        if (attempts.size() == 1) {
          refuse(a, x.getMessage(), failed);
        } else {
          alone.add(a);
        }
      }
    }
    if (!made.isEmpty()) {
      prove(made, says, e, failed);
    }
    for (Attempt a : alone) {
      take(List.of(a), failed);
    }
  }

  /** Takes what was made together when it is sound, else each half of it by itself. */
  private void prove(List<Attempt> made, List<String> says, Envelope e, List<Attempt> failed) {
    CheckRun then = state.after(e);
    String fault = Soundness.fault(state, then, made.stream().map(Attempt::finding).toList());
    if (fault == null) {
      accept(made, says, then);
    } else if (made.size() == 1) {
      refuse(made.get(0), fault, failed);
    } else {
      int half = made.size() / 2;
      take(made.subList(0, half), failed);
      take(made.subList(half, made.size()), failed);
    }
  }

  private void refuse(Attempt a, String reason, List<Attempt> failed) {
    refused.put(
        a.finding().id() + " " + a.first().label(),
        new RepairPlan.Refused(a.finding(), a.first(), reason));
    failed.add(a);
  }

  private void accept(List<Attempt> made, List<String> says, CheckRun then) {
    Set<FindingId> left = new HashSet<>();
    then.findings().forEach(f -> left.add(f.id()));
    List<Finding> gone = state.findings().stream().filter(f -> !left.contains(f.id())).toList();
    Map<FindingId, Integer> told = new HashMap<>();
    for (int i = 0; i < made.size(); i++) {
      told.put(made.get(i).finding().id(), i);
    }
    List<List<FindingId>> resolves = new ArrayList<>();
    made.forEach(a -> resolves.add(new ArrayList<>()));
    for (Finding f : gone) {
      resolves.get(told.getOrDefault(f.id(), with(made, f))).add(f.id());
    }
    for (int i = 0; i < made.size(); i++) {
      Attempt a = made.get(i);
      steps.add(new RepairPlan.Step(a.finding(), a.first(), says.get(i), resolves.get(i)));
    }
    state = then;
  }

  /** The step that has most objects of a finding; the first of equals. */
  private static int with(List<Attempt> made, Finding f) {
    int best = 0;
    long most = -1;
    for (int i = 0; i < made.size(); i++) {
      Set<String> own = new HashSet<>(made.get(i).finding().objects());
      own.addAll(made.get(i).first().repair().objects());
      long n = f.objects().stream().filter(own::contains).count();
      if (n > most) {
        most = n;
        best = i;
      }
    }
    return best;
  }
}
