package yentra.core.revision;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import yentra.core.check.CheckContext;
import yentra.core.check.CheckRun;
import yentra.core.check.Finding;
import yentra.core.envelope.Envelope;
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
    NOT_POSSIBLE
  }

  /**
   * One entry of the log.
   *
   * @param finding id of the finding that it was made for, or null
   */
  public record Entry(Repair repair, String finding) {}

  /**
   * What became of it.
   *
   * @param index of the entry
   * @param repair as it was made or would be: with the keys of this revision
   * @param reason why it was not made; empty when it was
   */
  public record Step(int index, Outcome outcome, Repair repair, String finding, String reason) {}

  /**
   * @param run the state after all that were made, with its findings
   */
  public record Result(CheckRun run, List<Step> steps) {
    public Result {
      steps = List.copyOf(steps);
    }

    public List<Step> with(Outcome o) {
      return steps.stream().filter(s -> s.outcome() == o).toList();
    }
  }

  /**
   * Makes the repairs again.
   *
   * @param start the other revision
   * @param repairs gives a repair with the keys of the other revision
   * @param ids gives an id of a finding with the keys of the other revision
   */
  public static Result of(
      CheckRun start, List<Entry> log, UnaryOperator<Repair> repairs, UnaryOperator<String> ids) {
    CheckRun run = start;
    List<Step> steps = new ArrayList<>();
    for (int i = 0; i < log.size(); i++) {
      Repair repair = repairs.apply(log.get(i).repair());
      String finding = log.get(i).finding() == null ? null : ids.apply(log.get(i).finding());
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
      Made made = made(run.context(), repair);
      if (made.envelope == null) {
        steps.add(new Step(i, Outcome.NOT_POSSIBLE, repair, finding, made.left));
      } else {
        run = run.after(made.envelope);
        steps.add(new Step(i, Outcome.APPLIED, made.repair, finding, made.left));
      }
    }
    return new Result(run, steps);
  }

  /**
   * @param envelope null when nothing could be made
   * @param left what could not
   */
  private record Made(Envelope envelope, Repair repair, String left) {}

  /** Of several repairs in one those that can be made are. */
  private static Made made(CheckContext context, Repair repair) {
    List<Repair> parts = repair instanceof Several s ? s.repairs() : List.of(repair);
    Envelope e = context.envelope();
    List<Repair> done = new ArrayList<>();
    String reason = "";
    for (Repair r : parts) {
      try {
        e = r.apply(e, context.tolerance());
        done.add(r);
      } catch (NotApplicableException x) {
        reason = reason.isEmpty() ? x.getMessage() : reason;
      }
    }
    if (done.isEmpty()) {
      return new Made(null, repair, reason);
    }
    if (done.size() == parts.size()) {
      return new Made(e, repair, "");
    }
    return new Made(
        e,
        new Several(((Several) repair).label(), done),
        (parts.size() - done.size()) + " of " + parts.size() + " cannot be made here: " + reason);
  }

  /** A finding that was told as one of several may be the only one now. */
  private static boolean isThere(CheckRun run, String id) {
    String bare = id.replaceFirst(":hole \\d+$", "");
    for (Finding f : run.findings()) {
      if (f.id().equals(id) || f.id().replaceFirst(":hole \\d+$", "").equals(bare)) {
        return true;
      }
    }
    return false;
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
        e = log.get(i).repair().apply(e, start.context().tolerance());
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
