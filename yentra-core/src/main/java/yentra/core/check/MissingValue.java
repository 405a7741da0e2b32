package yentra.core.check;

import java.util.List;
import java.util.function.Consumer;

/**
 * SRC-102: a property that the scope sheet asks for is missing. Each requirement of the sheet is
 * held against the elements in scope.
 */
final class MissingValue implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "SRC-102",
          Severity.WARNING,
          "a property that the scope sheet asks for is missing",
          "Each requirement of the sheet is held against the elements in scope; its row may set another severity.",
          "What is made from the value later is then a guess.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    ScopeFaults.report(context, DESCRIPTOR, true, report);
  }
}
