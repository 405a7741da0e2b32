package yentra.core.check;

import java.util.List;
import java.util.function.Consumer;

/**
 * SRC-103: a property value that the scope sheet refuses. Each requirement of the sheet is held
 * against the elements in scope.
 */
final class RefusedValue implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "SRC-103",
          Severity.WARNING,
          "a property value that the scope sheet refuses",
          "Each requirement of the sheet is held against the elements in scope; its row may set another severity.",
          "What is made from the value later is then a guess.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    ScopeFaults.report(context, DESCRIPTOR, false, report);
  }
}
