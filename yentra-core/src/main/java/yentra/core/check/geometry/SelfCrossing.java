package yentra.core.check.geometry;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.Focus;
import yentra.core.check.measure.Outlines;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.LocalCheck;
import yentra.core.check.rule.Offer;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;
import yentra.core.geometry.SelfIntersection;
import yentra.core.geometry.Vec3;

/**
 * GEO-303: self-intersecting polygon. Pairs of edges that cut through each other, touching left
 * out.
 */
@AutoService(Check.class)
public final class SelfCrossing implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "GEO-303",
              Severity.BLOCKER,
              "self-intersecting polygon",
              "Pairs of edges that cut through each other, touching left out.",
              "Area and normal of such an outline mean nothing.",
              List.of())
          .safely("corners go into the order that closes the space");

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    OutlineRemedies.untangle(o);
    OutlineRemedies.clean(o, "Keep the largest part", false);
    o.delete();
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    Outlines.each(
        context,
        focus,
        (key, p) -> {
          List<Vec3> crossings = SelfIntersection.find(p, context.tolerance());
          if (!crossings.isEmpty()) {
            Vec3 c = crossings.get(0);
            report.accept(
                context
                    .finding(DESCRIPTOR, key)
                    .measured(crossings.size(), 0.0, "count")
                    .evidence(Evidence.points(crossings))
                    .says(
                        String.format(
                            Locale.ROOT,
                            "The outline of the %s crosses itself at x %.3f m, y %.3f m, z %.3f m.",
                            context.naming().object(key),
                            c.x(),
                            c.y(),
                            c.z())));
          }
        });
  }
}
