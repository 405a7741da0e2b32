package yentra.core.check;

import java.util.List;
import java.util.function.Consumer;
import yentra.core.envelope.ReadNote;

/**
 * UNI-201: a unit is not declared, so a default was assumed. Every quantity is read with its own
 * unit or the file's; where neither is stated, a default is taken and said.
 */
final class UnitAssumed implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "UNI-201",
          Severity.WARNING,
          "a unit is not declared, so a default was assumed",
          "Every quantity is read with its own unit or the file's; where neither is stated, a default is taken and said.",
          "A wrong unit changes areas and volumes by orders of magnitude.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    for (ReadNote n : context.envelope().notes()) {
      if (n.kind() == ReadNote.Kind.UNIT_ASSUMED && FileNotes.holds(context.envelope(), n)) {
        report.accept(FileNotes.finding(context, DESCRIPTOR, n));
      }
    }
  }
}
