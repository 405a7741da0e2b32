package yentra.core.check;

import java.util.function.Consumer;
import yentra.core.envelope.ReadNote;

/**
 * FMT-101: a piece of the file that cannot be parsed. The whole of each instance is held against
 * the grammar; one that breaks it is passed over, and the rest is read.
 */
final class MalformedInstance implements Check {
  @Override
  public Descriptor descriptor() {
    return Unreadable.DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    for (ReadNote n : context.envelope().notes()) {
      if (n.kind() == ReadNote.Kind.MALFORMED) {
        report.accept(FileNotes.finding(context, Unreadable.DESCRIPTOR, n));
      }
    }
  }
}
