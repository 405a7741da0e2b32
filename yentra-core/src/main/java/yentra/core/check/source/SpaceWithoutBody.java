package yentra.core.check.source;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.finding.Cause;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;
import yentra.core.model.ArchitecturalModel;
import yentra.core.model.Body;
import yentra.core.model.Element;

/** SRC-107: a space without a body. The body that the delivery gives each space is read. */
@AutoService(Check.class)
public final class SpaceWithoutBody implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "SRC-107",
              Severity.BLOCKER,
              "a space without a body",
              "The body that the delivery gives each space is read.",
              "Without a body the space has no faces, and is missing from the heat balance.",
              List.of())
          .following(Cause.NO_SURFACES);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    ArchitecturalModel model = context.survey().model();
    for (Element e : model.elements()) {
      if (e.entity().equals("IfcSpace")) {
        Body body = model.body(e);
        if (body.isEmpty()) {
          report.accept(
              context
                  .finding(DESCRIPTOR, e.key())
                  .at(e.source())
                  .says(
                      "The space "
                          + e.label()
                          + " has no body"
                          + (body.problem() == null
                              ? "."
                              : " that could be read: " + body.problem() + ".")));
        }
      }
    }
  }
}
