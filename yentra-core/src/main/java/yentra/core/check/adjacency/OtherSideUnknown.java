package yentra.core.check.adjacency;

import com.google.auto.service.AutoService;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.MatchRemedies;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;
import yentra.core.finding.Workspace;

/** ADJ-512: nothing is known of what lies behind a surface, which has no type for that reason. */
@AutoService(Check.class)
public final class OtherSideUnknown implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "ADJ-512",
              Severity.WARNING,
              "nothing is known of what lies behind a surface",
              "Surfaces of spaces without a type; those whose type the file leaves out or misspells are FMT-105 and FMT-106.",
              "It is handed over without a type, and a simulation does not know what it faces.",
              List.of())
          .safely("the neighbour's face in its place; the type where the model proves the sides")
          .answered("See how its boundaries were made", Workspace.ENVELOPE, "boundaries");

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    o.surface()
        .ifPresent(
            s -> {
              MatchRemedies.partner(o, s);
              o.retypeAsItLies(s);
              o.makeAdiabatic(s);
            });
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    Set<String> said = new HashSet<>();
    for (ReadNote n : context.envelope().notes()) {
      if (n.kind() == ReadNote.Kind.MISSING_REQUIRED || n.kind() == ReadNote.Kind.BAD_VALUE) {
        said.add(n.object());
      }
    }
    for (Surface s : context.envelope().surfaces()) {
      if (s.type() == SurfaceType.UNRESOLVED && !s.sides().isEmpty() && !said.contains(s.key())) {
        report.accept(
            context
                .finding(DESCRIPTOR, s.key())
                .measured(s.polygon().area(), null, "m2")
                .evidence(Evidence.area(s.polygon()))
                .at(s.source())
                .says(
                    "What lies behind "
                        + context.naming().surface(s)
                        + " is not known, so it has no type."));
      }
    }
  }
}
