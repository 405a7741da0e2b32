package yentra.core.check.mend;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import yentra.core.check.rule.Remedy;
import yentra.core.check.run.CheckRun;
import yentra.core.envelope.Envelope;
import yentra.core.finding.Finding;
import yentra.core.finding.FindingId;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;

/** A state that is mended step by step: what was taken, and what was refused with the reason. */
final class Mending {
  private final List<RepairPlan.Step> steps = new ArrayList<>();
  private final Map<String, RepairPlan.Refused> refused = new LinkedHashMap<>();
  private CheckRun state;
  private int batch;

  Mending(CheckRun start) {
    this.state = start;
  }

  CheckRun state() {
    return state;
  }

  /** What was taken so far. */
  List<RepairPlan.Step> steps() {
    return steps;
  }

  /** What was refused, in the order in which it was tried; some of it may have been taken later. */
  List<RepairPlan.Refused> refused() {
    return List.copyOf(refused.values());
  }

  /** Why a remedy was refused last; null when it was not. */
  String refusal(Finding f, Remedy r) {
    RepairPlan.Refused x = refused.get(key(f, r));
    return x == null ? null : x.reason();
  }

  /** A remedy for a finding, with those to try when it is refused. */
  record Attempt(Finding finding, List<Remedy> remedies) {
    Remedy first() {
      return remedies.get(0);
    }

    Attempt next() {
      return new Attempt(finding, remedies.subList(1, remedies.size()));
    }
  }

  /**
   * Attempts made one after the other.
   *
   * @param impossible those that cannot be made after the ones before them, each with the reason
   */
  private record Made(
      List<Attempt> attempts,
      List<String> says,
      Map<Attempt, String> impossible,
      Envelope envelope) {}

  private Made make(List<Attempt> attempts) {
    Set<FindingId> open = new HashSet<>();
    state.findings().forEach(f -> open.add(f.id()));
    Envelope e = state.context().envelope();
    List<Attempt> made = new ArrayList<>();
    List<String> says = new ArrayList<>();
    Map<Attempt, String> impossible = new LinkedHashMap<>();
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
        impossible.put(a, x.getMessage());
      }
    }
    return new Made(made, says, impossible, e);
  }

  /**
   * Takes attempts all or none: those that can be made, if they are at least two and sound
   * together.
   */
  void takeTogether(List<Attempt> attempts) {
    Made m = make(attempts);
    if (m.attempts.size() > 1) {
      CheckRun then = state.after(m.envelope);
      if (Soundness.fault(state, then, findings(m.attempts)) == null) {
        accept(m.attempts, m.says, then);
      }
    }
  }

  /**
   * Takes what is sound of some attempts.
   *
   * @param failed is filled with those that were refused
   */
  void take(List<Attempt> attempts, List<Attempt> failed) {
    Made made = make(attempts);
    if (!made.attempts.isEmpty()) {
      prove(made, failed);
    }
    // after what comes before them they cannot be made, but may be on the state that it leaves
    made.impossible.forEach(
        (a, reason) -> {
          if (attempts.size() == 1) {
            refuse(a, reason, failed);
          } else {
            take(List.of(a), failed);
          }
        });
  }

  private static List<Finding> findings(List<Attempt> attempts) {
    return attempts.stream().map(Attempt::finding).toList();
  }

  /** Takes what was made together when it is sound, else each half of it by itself. */
  private void prove(Made m, List<Attempt> failed) {
    List<Attempt> made = m.attempts;
    CheckRun then = state.after(m.envelope);
    String fault = Soundness.fault(state, then, findings(made));
    if (fault == null) {
      accept(made, m.says, then);
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
        key(a.finding(), a.first()), new RepairPlan.Refused(a.finding(), a.first(), reason));
    failed.add(a);
  }

  private static String key(Finding f, Remedy r) {
    return f.id() + " " + r.label();
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
    Map<String, Set<Integer>> stepsOf = stepsOf(made);
    for (Finding f : gone) {
      Integer own = told.get(f.id());
      resolves.get(own != null ? own : with(stepsOf, f)).add(f.id());
    }
    for (int i = 0; i < made.size(); i++) {
      Attempt a = made.get(i);
      steps.add(new RepairPlan.Step(a.finding(), a.first(), says.get(i), resolves.get(i), batch));
    }
    batch++;
    state = then;
  }

  /**
   * The step that has most objects of a finding; the first of equals.
   *
   * @param stepsOf numbers of the steps that an object belongs to, ascending
   */
  private static int with(Map<String, Set<Integer>> stepsOf, Finding f) {
    Map<Integer, Integer> shared = new TreeMap<>();
    for (String object : f.objects()) {
      for (int step : stepsOf.getOrDefault(object, Set.of())) {
        shared.merge(step, 1, Integer::sum);
      }
    }
    int best = 0;
    int most = 0;
    for (Map.Entry<Integer, Integer> e : shared.entrySet()) {
      if (e.getValue() > most) {
        most = e.getValue();
        best = e.getKey();
      }
    }
    return best;
  }

  /** By object of what steps are about and change. */
  private static Map<String, Set<Integer>> stepsOf(List<Attempt> made) {
    Map<String, Set<Integer>> out = new HashMap<>();
    for (int i = 0; i < made.size(); i++) {
      List<String> own = new ArrayList<>(made.get(i).finding().objects());
      own.addAll(made.get(i).first().repair().objects());
      for (String object : own) {
        out.computeIfAbsent(object, k -> new TreeSet<>()).add(i);
      }
    }
    return out;
  }
}
