package yentra.core.check.mend;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import yentra.core.boundary.Watch;
import yentra.core.check.rule.Remedy;
import yentra.core.check.run.CheckCatalogue;
import yentra.core.check.run.CheckRun;
import yentra.core.check.run.Remedies;
import yentra.core.envelope.Envelope;
import yentra.core.finding.Finding;
import yentra.core.finding.FindingId;
import yentra.core.finding.Severity;

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
  private final Predicate<Finding> asked;
  private final Watch watch;
  private final Map<String, Integer> order = new HashMap<>();
  private final Mending mending;
  private int findings;

  private Planner(CheckRun start, boolean judgement, Predicate<Finding> asked, Watch watch) {
    this.mending = new Mending(start);
    this.judgement = judgement;
    this.asked = asked;
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
    return safe(start, f -> true, watch);
  }

  /**
   * The same, of some findings.
   *
   * @param asked which are to be answered: not those that somebody has accepted, for example. What
   *     answers another may answer them too
   */
  public static RepairPlan safe(CheckRun start, Predicate<Finding> asked, Watch watch) {
    return new Planner(start, false, asked, watch).plan(start);
  }

  /** The same, followed by the first remedy that needs a judgement of what is left. */
  public static RepairPlan all(CheckRun start, Watch watch) {
    return new Planner(start, true, f -> true, watch).plan(start);
  }

  private RepairPlan plan(CheckRun start) {
    findings = start.findings().size();
    rounds(false);
    if (judgement) {
      rounds(true);
      rounds(false);
    }
    Set<FindingId> left = new HashSet<>();
    mending.state().findings().forEach(f -> left.add(f.id()));
    return new RepairPlan(
        mending.steps(),
        mending.refused().stream().filter(r -> left.contains(r.finding().id())).toList(),
        start,
        mending.state());
  }

  private void rounds(boolean judged) {
    for (int round = 0; round < ROUNDS; round++) {
      round(judged);
      if (!together(judged)) {
        return;
      }
    }
  }

  /** One code after the other while something is mended. */
  private void round(boolean judged) {
    for (int round = 0; round < ROUNDS; round++) {
      int before = mending.steps().size();
      for (String code : codes()) {
        watch.at(
            Math.max(0, 1 - (double) mending.state().findings().size() / Math.max(1, findings)));
        answer(code, judged);
      }
      if (mending.steps().size() == before) {
        return;
      }
    }
  }

  private List<String> codes() {
    return mending.state().findings().stream()
        .map(Finding::code)
        .distinct()
        .sorted(Comparator.comparingInt(c -> order.getOrDefault(c, order.size())))
        .toList();
  }

  /** The remedies of what is open, in the order of the findings. */
  private List<Mending.Attempt> attempts(Predicate<Finding> which, boolean judged) {
    Remedies offers = new Remedies(mending.state().context());
    List<Mending.Attempt> all = new ArrayList<>();
    for (Finding f : mending.state().findings()) {
      if (which.test(f) && f.severity() != Severity.NOTE && asked.test(f)) {
        List<Remedy> remedies = offers.of(f).stream().filter(r -> judged || r.safe()).toList();
        if (!remedies.isEmpty()) {
          all.add(new Mending.Attempt(f, remedies));
        }
      }
    }
    return all;
  }

  /**
   * Remedies about one space that were refused one by one may need each other: a face that is there
   * twice beside a hole, for example. They are tried together, all or none.
   *
   * @return whether any were taken
   */
  private boolean together(boolean judged) {
    Map<String, List<Mending.Attempt>> bySpace = new LinkedHashMap<>();
    List<Mending.Attempt> open = attempts(f -> true, judged);
    open.sort(Comparator.comparingInt(a -> order.get(a.finding().code())));
    for (Mending.Attempt a : open) {
      for (String space : spaces(a.finding())) {
        bySpace.computeIfAbsent(space, k -> new ArrayList<>()).add(a);
      }
    }
    int before = mending.steps().size();
    for (List<Mending.Attempt> group : bySpace.values()) {
      if (group.size() > 1) {
        watch.at(1);
        mending.takeTogether(group);
      }
    }
    return mending.steps().size() > before;
  }

  private Set<String> spaces(Finding f) {
    Envelope e = mending.state().context().envelope();
    Set<String> out = new LinkedHashSet<>();
    for (String key : f.objects()) {
      e.space(key).ifPresent(s -> out.add(s.key()));
      e.surface(key)
          .or(() -> e.parentOf(key))
          .ifPresent(s -> s.sides().forEach(x -> out.add(x.space())));
    }
    return out;
  }

  private void answer(String code, boolean judged) {
    List<Mending.Attempt> all = attempts(f -> f.code().equals(code), judged);
    while (!all.isEmpty()) {
      List<Mending.Attempt> again = new ArrayList<>();
      mending.take(all, again);
      all = again.stream().filter(a -> a.remedies().size() > 1).map(Mending.Attempt::next).toList();
    }
  }
}
