package yentra.core.check.opening;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.Focus;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.LocalCheck;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Surface;
import yentra.core.finding.Cause;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.finding.Text;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.repair.opening.CutOpening;
import yentra.core.repair.opening.DeleteOpening;

/**
 * OPN-602: an opening that reaches outside its parent. The opening is projected on its parent's
 * plane; the area that the parent does not cover is measured.
 */
@AutoService(Check.class)
public final class OpeningOutside implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "OPN-602",
              Severity.ERROR,
              "an opening that reaches outside its parent",
              "The opening is projected on its parent's plane; the area that the parent does not cover is measured.",
              "The glass outside counts twice, or the simulation refuses the surface.",
              List.of(new Limit("area", "m2", 0.001, 0, 1)))
          .following(Cause.WRONG_UNIT);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    o.add("Cut it to its surface", new CutOpening(o.first()));
    o.add("Delete the opening", new DeleteOpening(o.first()));
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    double limit = context.limit(DESCRIPTOR, "area");
    for (Surface s : focus.list()) {
      if (s.polygon().area() < limit) {
        continue;
      }
      for (Opening o : s.openings()) {
        if (o.polygon().outer().size() < 3) {
          continue;
        }
        double outside = PlanarOverlay.areaOutside(o.polygon(), s.polygon());
        if (outside > limit) {
          report.accept(
              context
                  .finding(DESCRIPTOR, o.key(), s.key())
                  .measured(outside, limit, "m2")
                  .evidence(Evidence.areas(PlanarOverlay.difference(o.polygon(), s.polygon())))
                  .says(
                      "The "
                          + context.naming().opening(o)
                          + " reaches "
                          + Text.smallArea(outside)
                          + " outside it."));
        }
      }
    }
  }
}
