package yentra.core.check.geometry;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
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
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;

/**
 * GEO-301: degenerate polygon: fewer than 3 distinct vertices, or no area. Vertices closer than the
 * length tolerance count as one; area by Newell's method.
 */
@AutoService(Check.class)
public final class DegeneratePolygon implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "GEO-301",
              Severity.BLOCKER,
              "degenerate polygon: fewer than 3 distinct vertices, or no area",
              "Vertices closer than the length tolerance count as one; area by Newell's method.",
              "A simulation cannot give it a normal, and stops or drops it.",
              List.of(new Limit("area", "m2", 0.0001, 0, 0.1)))
          .safely(
              "corners go into the order that closes the space; what has no area and no openings is deleted")
          .following(Cause.WRONG_UNIT);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    // corners in a wrong order may leave no area
    OutlineRemedies.untangle(o);
    // what has no area bounds nothing
    boolean bare = o.surface().map(s -> s.openings().isEmpty()).orElse(true);
    o.delete(bare);
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    double limit = context.limit(DESCRIPTOR, "area");
    Outlines.each(
        context,
        focus,
        (key, p) -> {
          double area = p.area();
          int distinct = distinct(p, context.tolerance().length());
          if (area < limit || distinct < 3) {
            report.accept(
                context
                    .finding(DESCRIPTOR, key)
                    .measured(area, limit, "m2")
                    .evidence(Evidence.points(p.outer()))
                    .says(
                        "The outline of the "
                            + context.naming().object(key)
                            + (distinct < 3
                                ? " has only " + distinct + " distinct vertices."
                                : " has no area.")));
          }
        });
  }

  private static int distinct(Polygon p, double tolerance) {
    List<Vec3> seen = new ArrayList<>();
    for (Vec3 v : p.outer()) {
      if (seen.size() < 3 && seen.stream().noneMatch(s -> s.distance(v) < tolerance)) {
        seen.add(v);
      }
    }
    return seen.size();
  }
}
