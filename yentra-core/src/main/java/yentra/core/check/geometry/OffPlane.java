package yentra.core.check.geometry;

import com.google.auto.service.AutoService;
import java.util.Comparator;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.Focus;
import yentra.core.check.measure.Outlines;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.LocalCheck;
import yentra.core.check.rule.Offer;
import yentra.core.finding.Cause;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.finding.Text;
import yentra.core.geometry.Plane;
import yentra.core.geometry.PlaneFit;
import yentra.core.geometry.Vec3;

/**
 * GEO-302: vertices off their best-fit plane. Largest distance of a vertex from the least-squares
 * plane through all of them.
 */
@AutoService(Check.class)
public final class OffPlane implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "GEO-302",
              Severity.ERROR,
              "vertices off their best-fit plane",
              "Largest distance of a vertex from the least-squares plane through all of them.",
              "A simulation flattens the surface, and the space no longer closes.",
              List.of(new Limit("deviation", "m", 0.005, 0.0001, 0.1)))
          .following(Cause.WRONG_UNIT);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    OutlineRemedies.clean(o, "Put its corners into one plane", false);
    o.delete();
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    double limit = context.limit(DESCRIPTOR, "deviation");
    Outlines.each(
        context,
        focus,
        (key, p) -> {
          if (p.outer().size() < 4) {
            return;
          }
          Plane plane = PlaneFit.of(p.outer());
          Vec3 worst =
              p.outer().stream()
                  .max(Comparator.comparingDouble(v -> Math.abs(plane.distance(v))))
                  .orElseThrow();
          double off = Math.abs(plane.distance(worst));
          if (off > limit) {
            report.accept(
                context
                    .finding(DESCRIPTOR, key)
                    .measured(off, limit, "m")
                    .evidence(
                        new Evidence(
                            List.of(),
                            List.of(List.of(worst, plane.project(worst))),
                            List.of(worst)))
                    .says(
                        "The "
                            + context.naming().object(key)
                            + " is not flat: a vertex lies "
                            + Text.millimetres(off)
                            + " off its plane."));
          }
        });
  }
}
