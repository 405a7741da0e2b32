package yentra.core.check.geometry;

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
import yentra.core.finding.FindingBuilder;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.finding.Text;
import yentra.core.geometry.Vec3;

/** GEO-305: a sliver: a surface that is very small or narrow. */
@AutoService(Check.class)
public final class SliverSurface implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "GEO-305",
              Severity.WARNING,
              "a sliver: a surface that is very small or narrow",
              "Twice the area over the perimeter is taken for the width.",
              "It costs time in the simulation and often makes it stop.",
              List.of(
                  new Limit("area", "m2", 0.05, 0.0001, 1),
                  new Limit("width", "m", 0.02, 0.001, 0.5)))
          .following(Cause.WRONG_UNIT);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    SliverSurfaceRemedies.of(o);
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    double area = context.limit(DESCRIPTOR, "area");
    double width = context.limit(DESCRIPTOR, "width");
    for (Surface s : focus.list()) {
      double a = s.polygon().area();
      double w = 2 * a / Math.max(1e-9, s.polygon().perimeter());
      boolean degenerate = s.polygon().normal().equals(Vec3.ZERO) || a < 1e-6;
      if (!degenerate && (a < area || w < width)) {
        FindingBuilder f = context.finding(DESCRIPTOR, s.key());
        report.accept(
            (w < width ? f.measured(w, width, "m") : f.measured(a, area, "m2"))
                .evidence(Evidence.area(s.polygon()))
                .says(
                    "The "
                        + context.naming().surface(s)
                        + " is a sliver: "
                        + Text.smallArea(a)
                        + ", "
                        + Text.millimetres(w)
                        + " wide."));
      }
    }
  }
}
