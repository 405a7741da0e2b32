package yentra.core.check.source;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.FileNotes;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.ReadNote;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;

/** FMT-103: the same id used twice. All ids of the file are counted, whatever they belong to. */
@AutoService(Check.class)
public final class DuplicateId implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "FMT-103",
              Severity.BLOCKER,
              "the same id used twice",
              "All ids of the file are counted, whatever they belong to.",
              "A simulation reads one of the two and drops the other, or stops.",
              List.of())
          .safely("the second gets an id of its own");

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    DuplicateIdRemedies.of(o);
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    for (ReadNote n : context.envelope().notes()) {
      if (n.kind() == ReadNote.Kind.DUPLICATE_ID && FileNotes.holds(context.envelope(), n)) {
        report.accept(FileNotes.finding(context, DESCRIPTOR, n));
      }
    }
  }
}
