package yentra.core.check;

import java.util.List;
import java.util.function.Consumer;
import yentra.core.envelope.ReadNote;

/**
 * FMT-102: schema or schema version unknown or unsupported. The version the file states is looked
 * up among the published ones.
 */
final class UnknownSchema implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "FMT-102",
          Severity.WARNING,
          "schema or schema version unknown or unsupported",
          "The version the file states is looked up among the published ones.",
          "What the version means may not be what Yentra takes it to mean.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    for (ReadNote n : context.envelope().notes()) {
      if (n.kind() == ReadNote.Kind.UNKNOWN_SCHEMA && FileNotes.holds(context.envelope(), n)) {
        report.accept(FileNotes.finding(context, DESCRIPTOR, n));
      }
    }
  }
}
