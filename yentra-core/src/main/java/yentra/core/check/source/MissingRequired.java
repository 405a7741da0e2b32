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

/**
 * FMT-105: a required element or attribute is missing. Elements are held against the schema while
 * they are read.
 */
@AutoService(Check.class)
public final class MissingRequired implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "FMT-105",
              Severity.ERROR,
              "a required element or attribute is missing",
              "Elements are held against the schema while they are read.",
              "What is missing decides how a simulation treats the object.",
              List.of())
          .safely("the type of a surface whose sides the model proves");

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    o.likelyTypes();
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
