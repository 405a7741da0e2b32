package yentra.core.check.place;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.FileNotes;
import yentra.core.envelope.ReadNote;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;

/**
 * UNI-201: a unit is not declared, so a default was assumed. Every quantity is read with its own
 * unit or the file's; where neither is stated, a default is taken and said.
 */
@AutoService(Check.class)
public final class UnitAssumed implements Check {
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
