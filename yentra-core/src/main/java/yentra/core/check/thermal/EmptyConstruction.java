package yentra.core.check.thermal;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.proposal.ConstructionChoice;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Construction;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;
import yentra.core.finding.Together;
import yentra.core.geometry.Polygon;

/**
 * THM-702: a construction with neither layers nor a U-value. Layers and stated U-value of every
 * construction.
 */
@AutoService(Check.class)
public final class EmptyConstruction implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "THM-702",
              Severity.ERROR,
              "a construction with neither layers nor a U-value",
              "Layers and stated U-value of every construction.",
              "Heat flow through its surfaces cannot be computed.",
              List.of())
          .told(Together.SHARED_OBJECT);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    ConstructionChoice.replace(o, o.first());
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    for (Construction c : context.envelope().constructions()) {
      if (c.layers().isEmpty() && c.uValue() == null) {
        List<Polygon> users =
            context.envelope().surfaces().stream()
                .filter(s -> c.key().equals(s.construction()))
                .map(s -> s.polygon())
                .toList();
        report.accept(
            context
                .finding(DESCRIPTOR, c.key())
                .evidence(Evidence.areas(users))
                .says(
                    "The construction "
                        + c.label()
                        + " has neither layers nor a U-value; "
                        + users.size()
                        + (users.size() == 1 ? " surface uses it." : " surfaces use it.")));
      }
    }
  }
}
