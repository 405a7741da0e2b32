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

/** SRC-105: a space boundary without connection geometry, or that is not on its space's face. */
@AutoService(Check.class)
public final class BoundaryAstray implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "SRC-105",
          Severity.ERROR,
          "a space boundary without connection geometry, or that is not on its space's face",
          "Second-level boundaries as delivered are held against the body of their space.",
          "What the boundary says of the other side belongs to no surface.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    for (ReadNote n : context.envelope().notes()) {
      if (n.kind() == ReadNote.Kind.SPACE_BOUNDARY) {
        report.accept(FileNotes.finding(context, DESCRIPTOR, n));
      }
    }
  }
}
