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
import yentra.core.finding.Cause;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;
import yentra.core.repair.surface.ReverseSurface;

/**
 * ADJ-506: the outward normal points into the surface's own space. The polygon's Newell normal;
 * places before and behind it are tested for being in its first space.
 */
@AutoService(Check.class)
public final class NormalInward implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "ADJ-506",
              Severity.ERROR,
              "the outward normal points into the surface's own space",
              "The polygon's Newell normal; places before and behind it are tested for being in its first space.",
              "Sun and wind reach the wrong side, and the tilt is mirrored.",
              List.of())
          .safely("it is turned")
          .following(Cause.INSIDE_OUT, Cause.HOLE);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    o.safe("Turn it to face out", new ReverseSurface(o.first()));
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    for (Surface s : focus.list()) {
      if (!s.type().isShading() && s.polygon().outer().size() >= 3 && context.direction(s) < 0) {
        report.accept(
            context
                .finding(DESCRIPTOR, s.key())
                .measured(180, 90.0, "deg")
                .evidence(Evidence.area(s.polygon()))
                .says(
                    "The outline of the "
                        + context.naming().surface(s)
                        + " runs the wrong way round: its outer side faces into "
                        + context.naming().space(s.sides().get(0).space())
                        + "."));
      }
    }
  }
}
