package yentra.core.check.opening;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Opening;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;
import yentra.core.repair.opening.DeleteOpening;

/** OPN-607: an opening with no parent surface. Openings outside any surface are listed. */
@AutoService(Check.class)
public final class OpeningWithoutParent implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "OPN-607",
              Severity.BLOCKER,
              "an opening with no parent surface",
              "Openings outside any surface are listed.",
              "A simulation has nowhere to put it.",
              List.of())
          .safely("the one surface whose plane and outline hold it");

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    OpeningPlaceRemedies.parent(o);
    o.add("Delete the opening", new DeleteOpening(o.first()));
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    for (Opening o : context.envelope().orphans()) {
      report.accept(
          context
              .finding(DESCRIPTOR, o.key())
              .evidence(Evidence.area(o.polygon()))
              .says("The " + o.type().label() + " " + o.key() + " lies in no surface."));
    }
  }
}
