package yentra.core.check.source;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.FileNotes;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Member;
import yentra.core.envelope.ReadNote;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;
import yentra.core.repair.delivery.ReadDecimal;

/**
 * FMT-106: a value outside the standard's enumeration, or a number that is none. Values are parsed
 * by the schema's rules while they are read.
 */
@AutoService(Check.class)
public final class BadValue implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "FMT-106",
              Severity.ERROR,
              "a value outside the standard's enumeration, or a number that is none",
              "Values are parsed by the schema's rules while they are read.",
              "A simulation would read another value, or stop.",
              List.of())
          .safely(
              "a comma that can only be a decimal sign is read; the type of a surface whose sides the model proves");

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    o.likelyTypes();
    for (ReadNote n : o.envelope().notes()) {
      boolean comma = n.kind() == ReadNote.Kind.BAD_VALUE && n.figure() != null;
      boolean ours = n.member() != null && n.member() != Member.OTHER;
      if (comma && ours && FileNotes.isOf(n, o.finding())) {
        o.safe("Read the comma as the decimal sign", new ReadDecimal(n.object(), n.subject()));
      }
    }
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    for (ReadNote n : context.envelope().notes()) {
      if (n.kind() == ReadNote.Kind.BAD_VALUE && FileNotes.holds(context.envelope(), n)) {
        report.accept(FileNotes.finding(context, DESCRIPTOR, n));
      }
    }
  }
}
