package yentra.core.revision;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import yentra.core.check.run.CheckRun;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Rules;
import yentra.core.finding.FindingId;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Several;

/**
 * The repairs of a log made again on another revision, or on the same one with some left out. Each
 * is applied when it can be and is still needed: one that was made for a finding is no longer
 * needed when that finding is not there.
 */
public final class LogReplay {
  private LogReplay() {}

  /** What became of an entry. */
  public enum Outcome {
    APPLIED,
    /** The fault that it answered is gone. */
    NOT_NEEDED,
    /** It cannot be made there. */
    NOT_POSSIBLE,
    /** The delivery has changed what it changed, too: a person decides. */
    CONFLICT
  }

  /**
   * One entry of the log.
   *
   * @param finding id of the finding that it was made for, or null
   */
  public record Entry(Repair repair, FindingId finding) {}

  /**
   * What became of it.
   *
   * @param index of the entry
   * @param repair as it was made or would be: with the keys of this revision
   * @param reason why it was not made; empty when it was
   */
  public record Step(int index, Outcome outcome, Repair repair, FindingId finding, String reason) {}

  /**
   * @param run the state after all that were made, with its findings
   */
  public record Replayed(CheckRun run, List<Step> steps) {
    public Replayed {
      steps = List.copyOf(steps);
    }

    public List<Step> with(Outcome o) {
      return steps.stream().filter(s -> s.outcome() == o).toList();
    }
  }

  /** A log, and the revision that it was made on before all of its repairs. */
  public record Log(Envelope delivered, List<Entry> entries) {
    public Log {
      entries = List.copyOf(entries);
    }
  }

  /**
   * Makes the repairs again. Each changes only what it changed on its own revision; where the new
   * delivery has changed the same attribute, and not for a fault that is still there, it is a
   * conflict and not made.
   *
   * @param start the other revision
   * @param keys what an object of the old revision is called in the other
   */
  public static Replayed of(CheckRun start, Log old, UnaryOperator<String> keys) {
    CheckRun run = start;
    Envelope before = old.delivered;
    AttributeConflicts conflicts =
        new AttributeConflicts(old.delivered, start.context().envelope(), keys);
    KeyChange change = new KeyChange(keys);
    List<Step> steps = new ArrayList<>();
    for (int i = 0; i < old.entries.size(); i++) {
      Entry entry = old.entries.get(i);
      Envelope base = before;
      Repair own = entry.repair.effective(base);
      Repair repair = own.renamed(change);
      FindingId finding = entry.finding == null ? null : entry.finding.renamed(keys);
      before = after(base, own, start.context().rules());
      List<String> both =
          finding == null
              ? conflicts.of(base, unasked(base, own, before, start.context().rules()))
              : List.of();
      if (!both.isEmpty()) {
        steps.add(new Step(i, Outcome.CONFLICT, repair, null, String.join(" ", both)));
        continue;
      }
      if (finding != null && !isThere(run, finding)) {
        steps.add(
            new Step(
                i,
                Outcome.NOT_NEEDED,
                repair,
                finding,
                "The fault that it answered is not in this revision."));
        continue;
      }
      Attempt made = made(run, repair);
      if (made.envelope == null) {
        steps.add(
            new Step(
                i,
                made.needed ? Outcome.NOT_POSSIBLE : Outcome.NOT_NEEDED,
                repair,
                finding,
                made.left));
      } else {
        run = run.after(made.envelope);
        steps.add(new Step(i, Outcome.APPLIED, made.repair, finding, made.left));
      }
    }
    return new Replayed(run, steps);
  }

  /**
   * The state after what nobody asked for: of several repairs those that answer a finding are made
   * only where their fault still is, and are no matter of what the delivery has changed.
   *
   * @param all the state after all of it
   */
  private static Envelope unasked(Envelope base, Repair repair, Envelope all, Rules rules) {
    if (!(repair instanceof Several s) || s.findings().isEmpty()) {
      return all;
    }
    Envelope e = base;
    for (int i = 0; i < s.repairs().size(); i++) {
      if (s.finding(i) == null) {
        e = after(e, s.repairs().get(i), rules);
      }
    }
    return e;
  }

  /** The state on its own revision, which a repair that fails there leaves as it is. */
  private static Envelope after(Envelope e, Repair repair, Rules rules) {
    try {
      return repair.apply(e, rules);
    } catch (NotApplicableException x) {
      // it was made on a state that scope or settings have changed since
      return e;
    }
  }

  /**
   * @param envelope null when nothing could be made
   * @param needed false when all that it answered is gone
   * @param left what was not made, and why
   */
  private record Attempt(Envelope envelope, Repair repair, boolean needed, String left) {}

  /**
   * Of several repairs in one those are made that can be and are needed. What answers a finding
   * that only comes up after the ones before it follows after these.
   */
  private static Attempt made(CheckRun start, Repair repair) {
    Several several = repair instanceof Several s ? s : new Several("", List.of(repair), List.of());
    CheckRun run = start;
    Envelope e = start.context().envelope();
    List<Repair> done = new ArrayList<>();
    List<String> findings = new ArrayList<>();
    List<String> left = new ArrayList<>();
    List<Integer> waiting = new ArrayList<>();
    for (int i = 0; i < several.repairs().size(); i++) {
      waiting.add(i);
    }
    while (!waiting.isEmpty()) {
      Set<FindingId> there = unnumbered(run);
      List<Integer> later = new ArrayList<>();
      int before = done.size();
      for (int i : waiting) {
        String finding = several.finding(i);
        if (finding != null && !there.contains(unnumbered(FindingId.parse(finding)))) {
          later.add(i);
          continue;
        }
        try {
          e = several.repairs().get(i).apply(e, start.context().rules());
          done.add(several.repairs().get(i));
          if (finding != null) {
            findings.add(finding);
          }
        } catch (NotApplicableException x) {
          left.add(x.getMessage());
        }
      }
      waiting = later;
      if (done.size() == before) {
        break;
      }
      if (!waiting.isEmpty()) {
        run = run.after(e);
      }
    }
    int gone = waiting.size();
    int all = several.repairs().size();
    String said =
        (gone == 0 ? "" : gone + " of " + all + " are no longer needed. ")
            + (left.isEmpty()
                ? ""
                : all == 1
                    ? left.get(0)
                    : left.size() + " of " + all + " cannot be made here: " + left.get(0));
    if (done.isEmpty()) {
      return new Attempt(null, repair, !left.isEmpty(), said.strip());
    }
    return new Attempt(
        e,
        done.size() == all ? repair : new Several(several.label(), done, findings),
        true,
        said.strip());
  }

  private static boolean isThere(CheckRun run, FindingId id) {
    return unnumbered(run).contains(unnumbered(id));
  }

  private static Set<FindingId> unnumbered(CheckRun run) {
    Set<FindingId> out = new HashSet<>();
    run.findings().forEach(f -> out.add(unnumbered(f.id())));
    return out;
  }

  /** A finding that was told as one of several may be the only one now. */
  private static FindingId unnumbered(FindingId id) {
    return new FindingId(id.code(), id.objects(), id.subject().replaceFirst("^hole \\d+$", ""));
  }

  /**
   * Entries that can no longer be made when others are taken out.
   *
   * @param start the state before the log
   * @param out numbers of the entries that are taken out
   * @return those that depend on them, with the reason; in the order of the log
   */
  public static List<Step> dependents(CheckRun start, List<Entry> log, Set<Integer> out) {
    Set<Integer> before = failing(start, log, Set.of(), new ArrayList<>());
    List<Step> steps = new ArrayList<>();
    failing(start, log, out, steps);
    steps.removeIf(s -> before.contains(s.index()));
    return steps;
  }

  private static Set<Integer> failing(
      CheckRun start, List<Entry> log, Set<Integer> out, List<Step> said) {
    Envelope e = start.context().envelope();
    Set<Integer> failed = new HashSet<>();
    for (int i = 0; i < log.size(); i++) {
      if (out.contains(i)) {
        continue;
      }
      try {
        e = log.get(i).repair().apply(e, start.context().rules());
      } catch (NotApplicableException x) {
        failed.add(i);
        said.add(
            new Step(
                i,
                Outcome.NOT_POSSIBLE,
                log.get(i).repair(),
                log.get(i).finding(),
                x.getMessage()));
      }
    }
    return failed;
  }
}
