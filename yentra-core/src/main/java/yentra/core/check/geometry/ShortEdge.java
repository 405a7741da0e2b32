package yentra.core.check.geometry;

import com.google.auto.service.AutoService;
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
import yentra.core.geometry.Vec3;

/**
 * GEO-304: consecutive vertices that coincide, or an edge too short. Length of each edge of the
 * outline; the shortest is reported.
 */
@AutoService(Check.class)
public final class ShortEdge implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "GEO-304",
              Severity.WARNING,
              "consecutive vertices that coincide, or an edge too short",
              "Length of each edge of the outline; the shortest is reported.",
              "Such edges make normals unsure and meshes fail.",
              List.of(new Limit("edge", "m", 0.001, 1e-05, 0.1)))
          .safely("corners that are one become one")
          .following(Cause.WRONG_UNIT);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    OutlineRemedies.clean(o, "Make close corners one", true);
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    double limit = context.limit(DESCRIPTOR, "edge");
    Outlines.each(
        context,
        focus,
        (key, p) -> {
          Vec3 shortest = null;
          double least = limit;
          for (List<Vec3> ring : p.rings()) {
            int n = ring.size();
            for (int i = 0; i < n && n > 1; i++) {
              double d = ring.get(i).distance(ring.get((i + 1) % n));
              if (d < least) {
                least = d;
                shortest = ring.get(i);
              }
            }
          }
          if (shortest != null) {
            report.accept(
                context
                    .finding(DESCRIPTOR, key)
                    .measured(least, limit, "m")
                    .evidence(Evidence.points(List.of(shortest)))
                    .says(
                        "The outline of the "
                            + context.naming().object(key)
                            + " has an edge of "
                            + Text.millimetres(least)
                            + "."));
          }
        });
  }
}
