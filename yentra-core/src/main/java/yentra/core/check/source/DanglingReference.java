package yentra.core.check.source;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.FileNotes;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.ReadNote;
import yentra.core.finding.Cause;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;
import yentra.core.finding.Together;

/**
 * FMT-104: a reference to an id that does not exist. Every attribute that refers to an id is looked
 * up among the file's ids.
 */
@AutoService(Check.class)
public final class DanglingReference implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "FMT-104",
              Severity.ERROR,
              "a reference to an id that does not exist",
              "Every attribute that refers to an id is looked up among the file's ids.",
              "The object stays without what it refers to: a construction, a space, a schedule.",
              List.of())
          .making(Cause.MISSING_SPACE)
          .told(Together.SUBJECT);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    DanglingReferenceRemedies.of(o);
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
