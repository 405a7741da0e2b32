package yentra.core.check.source;

import com.google.auto.service.AutoService;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.FileNotes;
import yentra.core.envelope.ReadNote;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Finding;

/**
 * FMT-101: a piece of the file that cannot be parsed. The whole of each instance is held against
 * the grammar; one that breaks it is passed over, and the rest is read.
 */
@AutoService(Check.class)
public final class MalformedInstance implements Check {
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
