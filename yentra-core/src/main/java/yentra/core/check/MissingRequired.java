package yentra.core.check;

import java.util.List;
import java.util.function.Consumer;
import yentra.core.envelope.ReadNote;

/**
 * FMT-105: a required element or attribute is missing. Elements are held against the schema while
 * they are read.
 */
final class MissingRequired implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "FMT-105",
          Severity.ERROR,
          "a required element or attribute is missing",
          "Elements are held against the schema while they are read.",
          "What is missing decides how a simulation treats the object.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    for (ReadNote n : context.envelope().notes()) {
      if (n.kind() == ReadNote.Kind.MISSING_REQUIRED && FileNotes.holds(context.envelope(), n)) {
        report.accept(FileNotes.finding(context, DESCRIPTOR, n));
      }
    }
  }
}
