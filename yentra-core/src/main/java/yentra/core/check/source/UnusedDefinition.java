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
 * FMT-107: a definition that nothing refers to. Constructions, materials, layers, types, property
 * sets and schedules are looked up among the references of the file.
 */
@AutoService(Check.class)
public final class UnusedDefinition implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "FMT-107",
          Severity.NOTE,
          "a definition that nothing refers to",
          "Constructions, materials, layers, types, property sets and schedules are looked up among the references of the file.",
          "It may have been meant for something that now stands without it.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    for (ReadNote n : context.envelope().notes()) {
      if (n.kind() == ReadNote.Kind.UNUSED) {
        report.accept(FileNotes.finding(context, DESCRIPTOR, n));
      }
    }
  }
}
