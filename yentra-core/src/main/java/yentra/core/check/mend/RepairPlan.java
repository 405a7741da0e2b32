package yentra.core.check.mend;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import yentra.core.check.rule.Remedy;
import yentra.core.check.run.CheckRun;
import yentra.core.check.run.Remedies;
import yentra.core.finding.Finding;
import yentra.core.finding.FindingId;
import yentra.core.finding.Severity;
import yentra.core.repair.Repair;
import yentra.core.repair.Several;

/**
 * Remedies for the findings of a state, in the order in which they were proven to work.
 *
 * @param steps each on the state that the ones before it leave
 * @param refused what was tried and not taken, with the reason
 * @param before the state that the plan is for
 * @param after the state that its steps lead to
 */
public record RepairPlan(List<Step> steps, List<Refused> refused, CheckRun before, CheckRun after) {
  public RepairPlan {
    steps = List.copyOf(steps);
    refused = List.copyOf(refused);
  }

  /**
   * One step.
   *
   * @param finding the finding that it was made for
   * @param says what it does, a sentence
   * @param resolves the findings that are gone after it, of those steps that were proven together
   *     told with the one whose objects they have
   * @param batch number of those that were proven together, from 0
   */
  public record Step(
      Finding finding, Remedy remedy, String says, List<FindingId> resolves, int batch) {
    public Step {
      resolves = List.copyOf(resolves);
    }
  }

  /** A remedy that was not taken, and why. */
  public record Refused(Finding finding, Remedy remedy, String reason) {}

  /**
   * A question that is left for a person.
   *
   * @param choices its remedies that need a judgement, as they can be made after all steps
   */
  public record Open(Finding finding, List<Remedy> choices) {
    public Open {
      choices = List.copyOf(choices);
    }
  }

  /**
   * What is left and can be answered by a judgement, in the order of the findings.
   *
   * @param asked which findings are to be answered
   */
  public List<Open> open(Predicate<Finding> asked) {
    Remedies offers = new Remedies(after.context());
    List<Open> out = new ArrayList<>();
    for (Finding f : after.findings()) {
      if (f.severity() != Severity.NOTE && asked.test(f)) {
        List<Remedy> choices = offers.of(f).stream().filter(r -> !r.safe()).toList();
        if (!choices.isEmpty()) {
          out.add(new Open(f, choices));
        }
      }
    }
    return out;
  }

  /** All steps as one repair for the log; null when there are none. */
  public Several repair(String label) {
    List<Repair> all = new ArrayList<>();
    List<String> findings = new ArrayList<>();
    for (Step s : steps) {
      Repair r = s.remedy().repair();
      for (Repair x : r instanceof Several several ? several.repairs() : List.of(r)) {
        all.add(x);
        findings.add(s.finding().id().toString());
      }
    }
    return all.isEmpty() ? null : new Several(label, all, findings);
  }
}
