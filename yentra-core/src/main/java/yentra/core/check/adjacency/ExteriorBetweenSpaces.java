package yentra.core.check.adjacency;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.Focus;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.LocalCheck;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Surface;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;

/**
 * ADJ-502: an exterior or ground type with two adjacent spaces. Adjacent spaces of surfaces with an
 * exterior or ground type are counted; the same space twice counts once.
 */
@AutoService(Check.class)
public final class ExteriorBetweenSpaces implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "ADJ-502",
              Severity.ERROR,
              "an exterior or ground type with two adjacent spaces",
              "Adjacent spaces of surfaces with an exterior or ground type are counted; the same space twice counts once.",
              "Inside walls would lose heat to outdoor air.",
              List.of())
          .safely("the type that two spaces and the tilt give");

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    ExteriorBetweenSpacesRemedies.of(o);
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    for (Surface s : focus.list()) {
      if (s.type().isExterior() && s.sides().size() > 1 && !s.isWithinOneSpace()) {
        report.accept(
            context
                .finding(DESCRIPTOR, s.key())
                .measured(s.sides().size(), 1.0, "count")
                .evidence(Evidence.area(s.polygon()))
                .says(
                    "The "
                        + context.naming().surface(s)
                        + " is of the type "
                        + s.type().words()
                        + ", but has a space on either side."));
      }
    }
  }
}
