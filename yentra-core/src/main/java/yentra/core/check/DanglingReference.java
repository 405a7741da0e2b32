package yentra.core.check;

import java.util.List;
import java.util.function.Consumer;
import yentra.core.envelope.ReadNote;

/**
 * FMT-104: a reference to an id that does not exist. Every attribute that refers to an id is looked
 * up among the file's ids.
 */
final class DanglingReference implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "FMT-104",
          Severity.ERROR,
          "a reference to an id that does not exist",
          "Every attribute that refers to an id is looked up among the file's ids.",
          "The object stays without what it refers to: a construction, a space, a schedule.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    for (ReadNote n : context.envelope().notes()) {
      if (n.kind() == ReadNote.Kind.DANGLING_REFERENCE && FileNotes.holds(context.envelope(), n)) {
        report.accept(FileNotes.finding(context, DESCRIPTOR, n));
      }
    }
  }
}
