package yentra.core.check.opening;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.FileNotes;
import yentra.core.envelope.Opening;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.Surface;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.finding.Text;

/** OPN-609: a drawn building's glazing rule asks for more than the surface has room for. */
@AutoService(Check.class)
public final class GlazingUnfitted implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "OPN-609",
          Severity.WARNING,
          "a surface has less glazing than its rule asks for",
          "The share that the glazing rule of the drawing asks for is held against that of the glazed openings which fit into the surface.",
          "More daylight, sun and heat loss are meant than the simulation is given.",
          List.of(new Limit("share", "%", 1, 0.1, 50)));

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    for (ReadNote n : context.envelope().notes()) {
      if (n.kind() == ReadNote.Kind.UNFITTED) {
        context.envelope().surface(n.object()).ifPresent(s -> held(context, n, s, report));
      }
    }
  }

  private static void held(CheckContext context, ReadNote n, Surface s, Consumer<Finding> report) {
    double glazed =
        s.openings().stream()
            .filter(o -> o.type().isGlazed())
            .map(Opening::polygon)
            .mapToDouble(p -> p.area())
            .sum();
    double wanted = n.figure() * 100;
    double share = 100 * glazed / s.polygon().area();
    if (share < wanted - context.limit(DESCRIPTOR, "share")) {
      report.accept(
          context
              .finding(DESCRIPTOR, s.key())
              .subject(FileNotes.subject(n))
              .at(n.line(), n.column())
              .measured(share, context.limit(DESCRIPTOR, "share"), "%")
              .stated(wanted)
              .evidence(Evidence.areas(List.of(s.polygon())))
              .says(
                  "The "
                      + context.naming().surface(s)
                      + " is to be glazed to "
                      + Text.value(wanted)
                      + " %; "
                      + Text.value(share)
                      + " % fit into it."));
    }
  }
}
