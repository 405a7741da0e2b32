package yentra.core.check.run;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Remedy;
import yentra.core.envelope.Envelope;
import yentra.core.finding.Finding;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Several;

/**
 * One remedy for many findings of the same kind.
 *
 * @param repair all of them that work, in the order of the findings; null when none does
 * @param left findings that it does not answer, with the reason
 */
public record RemedySweep(Several repair, List<Left> left) {
  public RemedySweep {
    left = List.copyOf(left);
  }

  /** A finding that stays. */
  public record Left(Finding finding, String reason) {}

  /**
   * Tries the remedy on each finding after the ones before it.
   *
   * @param like a remedy of one of them; of the others that of the same kind is taken, or that
   *     which is offered by the same words
   */
  public static RemedySweep of(CheckContext context, List<Finding> findings, Repair like) {
    Remedies remedies = new Remedies(context);
    Envelope e = context.envelope();
    List<Repair> made = new ArrayList<>();
    List<String> ids = new ArrayList<>();
    Set<Repair> known = new HashSet<>();
    List<Left> left = new ArrayList<>();
    String label = "";
    String words = words(remedies, findings, like);
    for (Finding f : findings) {
      Remedy r = alike(remedies.of(f), like, words);
      if (r == null) {
        left.add(new Left(f, "There is no remedy of this kind for it."));
        continue;
      }
      // one that answers all at once is made once
      if (!known.add(r.repair())) {
        continue;
      }
      try {
        e = r.repair().apply(e, context.rules());
        // of a remedy of several steps each is one of all
        for (Repair step : r.repair() instanceof Several x ? x.repairs() : List.of(r.repair())) {
          made.add(step);
          ids.add(f.id().toString());
        }
        label = label.isEmpty() ? r.label() : label;
      } catch (NotApplicableException x) {
        left.add(new Left(f, x.getMessage()));
      }
    }
    return new RemedySweep(made.isEmpty() ? null : new Several(label, made, ids), left);
  }

  /** How the remedy is offered where it comes from; empty where it is none of these findings'. */
  private static String words(Remedies remedies, List<Finding> findings, Repair like) {
    for (Finding f : findings) {
      for (Remedy r : remedies.of(f)) {
        if (r.repair().equals(like)) {
          return r.label();
        }
      }
    }
    return "";
  }

  private static Remedy alike(List<Remedy> all, Repair like, String words) {
    Remedy named = null;
    for (Remedy r : all) {
      if (r.repair().getClass() == like.getClass() && !(like instanceof Several)) {
        return r;
      }
      named = named == null && r.label().equals(words) ? r : named;
    }
    return named;
  }
}
