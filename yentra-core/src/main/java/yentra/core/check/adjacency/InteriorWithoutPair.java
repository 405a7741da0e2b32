package yentra.core.check.adjacency;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.Focus;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.LocalCheck;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Surface;
import yentra.core.finding.Cause;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;

/**
 * ADJ-501: an interior type with fewer than two adjacent spaces. Adjacent spaces of surfaces with
 * an interior type are counted.
 */
@AutoService(Check.class)
public final class InteriorWithoutPair implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "ADJ-501",
              Severity.ERROR,
              "an interior type with fewer than two adjacent spaces",
              "Adjacent spaces of surfaces with an interior type are counted.",
              "The surface is treated as adiabatic or outdoor, so heat flow between the rooms is lost.",
              List.of())
          .safely(
              "the neighbour's face in its place; exterior where nothing of the building lies behind")
          .following(Cause.MISSING_SPACE, Cause.VOID);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    InteriorWithoutPairRemedies.of(o);
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    for (Surface s : focus.list()) {
      if (s.type().isInterior() && s.sides().size() == 1 && s.exposure() != Exposure.ADIABATIC) {
        report.accept(
            context
                .finding(DESCRIPTOR, s.key())
                .measured(1, 2.0, "count")
                .evidence(Evidence.area(s.polygon()))
                .says(
                    "The "
                        + context.naming().surface(s)
                        + " is of an interior type, "
                        + s.type().words()
                        + ", but has only one adjacent space."));
      }
    }
  }
}
