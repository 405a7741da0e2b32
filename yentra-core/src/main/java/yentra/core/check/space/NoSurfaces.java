package yentra.core.check.space;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.Space;
import yentra.core.finding.Cause;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;
import yentra.core.repair.space.DeleteSpace;

/**
 * SPC-402: the space has no surfaces at all. Surfaces that name the space as a neighbour are
 * counted.
 */
@AutoService(Check.class)
public final class NoSurfaces implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "SPC-402",
              Severity.BLOCKER,
              "the space has no surfaces at all",
              "Surfaces that name the space as a neighbour are counted. Where spaces were to be found in construction and none were, that is said, with the places where air that is nearly enclosed leaks.",
              "The space is missing from the heat balance.",
              List.of())
          .making(Cause.NO_SURFACES);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    o.add("Delete the space", new DeleteSpace(o.first()));
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    for (ReadNote n : context.envelope().notes()) {
      if (n.kind() == ReadNote.Kind.NO_SPACES) {
        report.accept(context.finding(DESCRIPTOR).subject("none found").says(n.message() + "."));
      }
    }
    var groupings = context.groupings().keySet();
    for (Space s : context.envelope().spaces()) {
      if (!groupings.contains(s.key()) && context.volumes().surfacesOf(s.key()).isEmpty()) {
        report.accept(
            context
                .finding(DESCRIPTOR, s.key())
                .measured(0, 1.0, "count")
                .evidence(Evidence.areas(s.shell()))
                .says(
                    s.label()
                        + " has no surfaces"
                        + (s.shell().isEmpty() ? " and no shell." : ", only a shell.")));
      }
    }
  }
}
