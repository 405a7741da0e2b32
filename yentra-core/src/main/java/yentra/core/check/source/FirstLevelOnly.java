package yentra.core.check.source;

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

/** SRC-106: only first-level boundaries are present, so second-level ones were derived. */
@AutoService(Check.class)
public final class FirstLevelOnly implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "SRC-106",
          Severity.NOTE,
          "only first-level boundaries are present, so second-level ones were derived",
          "The levels of the delivery's space boundaries are counted.",
          "First-level boundaries do not say what lies on the other side.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    for (ReadNote n : context.envelope().notes()) {
      if (n.kind() == ReadNote.Kind.FIRST_LEVEL_ONLY) {
        report.accept(FileNotes.finding(context, DESCRIPTOR, n));
      }
    }
  }
}
