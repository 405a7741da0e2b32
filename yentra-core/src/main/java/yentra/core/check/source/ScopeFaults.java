package yentra.core.check.source;

import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Finding;
import yentra.core.finding.FindingBuilder;
import yentra.core.finding.Severity;
import yentra.core.scope.ScopeResult;

/** Findings from the requirements of a scope sheet that are not met. */
public final class ScopeFaults {
  private ScopeFaults() {}

  static void report(
      CheckContext context, Descriptor check, boolean missing, Consumer<Finding> report) {
    for (ScopeResult.Fault f : context.scope().faults()) {
      if (f.missing() != missing) {
        continue;
      }
      String what =
          f.requirement().what() == null
              ? f.requirement().selection().words()
              : f.requirement().what().words();
      FindingBuilder b =
          f.element() == null
              ? context.finding(check)
              : context.finding(check, f.element().key()).at(f.element().source());
      Double number = number(f.value());
      if (number != null) {
        b.measured(
            number, null, f.requirement().what() == null ? "" : f.requirement().what().unit());
      }
      report.accept(
          b.subject(f.requirement().row() + ":" + what)
              .severity(Severity.valueOf(f.gravity().name()))
              .says(
                  (f.element() == null
                          ? "The delivery"
                          : f.element().entity() + " " + f.element().label())
                      + ": "
                      + f.reason()
                      + (f.requirement().title().isBlank()
                          ? ""
                          : " (" + f.requirement().title() + ")")
                      + "."));
    }
  }

  private static Double number(String value) {
    try {
      return value.isEmpty() ? null : Double.valueOf(value);
    } catch (NumberFormatException e) {
      return null;
    }
  }
}
