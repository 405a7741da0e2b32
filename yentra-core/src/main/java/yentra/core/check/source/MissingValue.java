package yentra.core.check.source;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;
import yentra.core.finding.Workspace;

/**
 * SRC-102: a property that the scope sheet asks for is missing. Each requirement of the sheet is
 * held against the elements in scope.
 */
@AutoService(Check.class)
public final class MissingValue implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "SRC-102",
              Severity.WARNING,
              "a property that the scope sheet asks for is missing",
              "Each requirement of the sheet is held against the elements in scope; its row may set another severity.",
              "What is made from the value later is then a guess.",
              List.of())
          .answered("Fill in the values", Workspace.SCOPE, "values");

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    ScopeFaults.report(context, DESCRIPTOR, true, report);
  }
}
