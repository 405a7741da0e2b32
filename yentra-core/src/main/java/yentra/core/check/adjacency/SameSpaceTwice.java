package yentra.core.check.adjacency;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.Focus;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.LocalCheck;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Surface;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;

/** ADJ-507: both adjacent spaces are the same space. */
@AutoService(Check.class)
public final class SameSpaceTwice implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "ADJ-507",
          Severity.WARNING,
          "both adjacent spaces are the same space",
          "Surfaces that name one space on both sides; the two sides of a free column, which derivation finds, are not reported.",
          "No heat flows through it; as a wall of the room it is missing.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    SameSpaceTwiceRemedies.of(o);
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    for (Surface s : focus.list()) {
      if (s.isWithinOneSpace() && s.kind() != BoundaryKind.DERIVED_2A) {
        report.accept(
            context
                .finding(DESCRIPTOR, s.key())
                .measured(2, 1.0, "count")
                .evidence(Evidence.area(s.polygon()))
                .says(
                    "The " + context.naming().surface(s) + " names the same space on both sides."));
      }
    }
  }
}
