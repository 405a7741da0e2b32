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

/**
 * FMT-102: schema or schema version unknown or unsupported. The version the file states is looked
 * up among the published ones.
 */
@AutoService(Check.class)
public final class UnknownSchema implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "FMT-102",
          Severity.WARNING,
          "schema or schema version unknown or unsupported",
          "The version the file states is looked up among the published ones.",
          "What the version means may not be what Yentra takes it to mean.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    for (ReadNote n : context.envelope().notes()) {
      if (n.kind() == ReadNote.Kind.UNKNOWN_SCHEMA && FileNotes.holds(context.envelope(), n)) {
        report.accept(FileNotes.finding(context, DESCRIPTOR, n));
      }
    }
  }
}
