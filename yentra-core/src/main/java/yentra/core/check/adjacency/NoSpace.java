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

/** ADJ-509: a surface with no space that is not shading. Adjacent spaces are counted. */
@AutoService(Check.class)
public final class NoSpace implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "ADJ-509",
              Severity.ERROR,
              "a surface with no space that is not shading",
              "Adjacent spaces are counted.",
              "The surface bounds nothing and is dropped, or stops the simulation.",
              List.of())
          .safely("the space whose hole it fills");

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    NoSpaceRemedies.of(o);
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    for (Surface s : focus.list()) {
      if (s.sides().isEmpty() && !s.type().isShading()) {
        report.accept(
            context
                .finding(DESCRIPTOR, s.key())
                .measured(0, 1.0, "count")
                .evidence(Evidence.area(s.polygon()))
                .says(
                    "The "
                        + context.naming().surface(s)
                        + " belongs to no space and is not shading."));
      }
    }
  }
}
