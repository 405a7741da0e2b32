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
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;

/** OPN-603: two openings of one parent overlap. */
@AutoService(Check.class)
public final class OpeningsOverlap implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "OPN-603",
              Severity.ERROR,
              "two openings of one parent overlap",
              "Openings of one surface are projected on its plane and held against each other.",
              "Glass is counted twice, or the simulation refuses the surface.",
              List.of(new Limit("area", "m2", 0.001, 0, 1)))
          .following(Cause.WRONG_UNIT);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    OpeningsOverlapRemedies.of(o);
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    double limit = context.limit(DESCRIPTOR, "area");
    for (Surface s : focus.list()) {
      List<Opening> open =
          s.openings().stream().filter(o -> !o.polygon().normal().equals(Vec3.ZERO)).toList();
      for (int i = 0; i < open.size(); i++) {
        for (int j = i + 1; j < open.size(); j++) {
          Polygon a = open.get(i).polygon();
          Polygon b = open.get(j).polygon();
          double common =
              a.box().grown(0.05).intersects(b.box()) ? PlanarOverlay.commonArea(a, b) : 0;
          if (common > limit) {
            report.accept(
                context
                    .finding(DESCRIPTOR, open.get(i).key(), open.get(j).key(), s.key())
                    .measured(common, limit, "m2")
                    .evidence(Evidence.areas(PlanarOverlay.intersection(a, b)))
                    .says(
                        "The "
                            + context.naming().opening(open.get(i))
                            + " overlaps another opening by "
                            + Text.smallArea(common)
                            + "."));
          }
        }
      }
    }
  }
}
