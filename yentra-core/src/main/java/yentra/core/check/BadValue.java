package yentra.core.check;

import java.util.List;
import java.util.function.Consumer;
import yentra.core.envelope.ReadNote;

/**
 * FMT-106: a value outside the standard's enumeration, or a number that is none. Values are parsed
 * by the schema's rules while they are read.
 */
final class BadValue implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "FMT-106",
          Severity.ERROR,
          "a value outside the standard's enumeration, or a number that is none",
          "Values are parsed by the schema's rules while they are read.",
          "A simulation would read another value, or stop.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    for (ReadNote n : context.envelope().notes()) {
      if (n.kind() == ReadNote.Kind.BAD_VALUE && FileNotes.holds(context.envelope(), n)) {
        report.accept(FileNotes.finding(context, DESCRIPTOR, n));
      }
    }
  }
}
