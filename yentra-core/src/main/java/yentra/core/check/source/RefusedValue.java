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
 * SRC-103: a property value that the scope sheet refuses. Each requirement of the sheet is held
 * against the elements in scope.
 */
@AutoService(Check.class)
public final class RefusedValue implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "SRC-103",
              Severity.WARNING,
              "a property value that the scope sheet refuses",
              "Each requirement of the sheet is held against the elements in scope; its row may set another severity.",
              "What is made from the value later is then a guess.",
              List.of())
          .answered("Correct the values", Workspace.SCOPE, "values");

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    ScopeFaults.report(context, DESCRIPTOR, false, report);
  }
}
