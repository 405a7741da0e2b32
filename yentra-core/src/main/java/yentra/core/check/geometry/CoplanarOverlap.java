package yentra.core.check.geometry;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.Focus;
import yentra.core.check.measure.SurfaceIndex;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.LocalCheck;
import yentra.core.check.rule.MatchRemedies;
import yentra.core.check.rule.Offer;
import yentra.core.finding.Cause;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.finding.Text;
import yentra.core.geometry.PlanarOverlay;

/** GEO-308: two coplanar surfaces of one space overlap in part. */
@AutoService(Check.class)
public final class CoplanarOverlap implements LocalCheck {
  /** Surfaces that share more than this are GEO-307's. */
  private static final double REPETITION = 0.95;

  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "GEO-308",
              Severity.ERROR,
              "two coplanar surfaces of one space overlap in part",
              "Surfaces of one space in one plane that share some area without being repetitions.",
              "The shared part counts twice.",
              List.of(
                  new Limit("area", "m2", 0.01, 0.0001, 10),
                  new Limit("distance", "m", 0.005, 0.0001, 0.1)))
          .safely(
              "of two alike the larger gives up the common part; what the other one covers as a whole goes")
          .following(Cause.WRONG_UNIT);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    MatchRemedies.cutOne(o);
    MatchRemedies.deleteOne(o, true);
  }

  @Override
  public double reach(CheckContext context) {
    return context.limit(DESCRIPTOR, "distance");
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    double least = context.limit(DESCRIPTOR, "area");
    SurfaceIndex index = context.index();
    index.coplanar(
        focus,
        context.limit(DESCRIPTOR, "distance"),
        (a, b) -> {
          boolean one = a.sides().stream().anyMatch(s -> b.isAdjacentTo(s.space()));
          if (!one || !index.rivals(a, b)) {
            return;
          }
          double common = PlanarOverlay.commonArea(a.polygon(), b.polygon());
          double share = common / Math.max(a.polygon().area(), b.polygon().area());
          if (common > least && share < REPETITION) {
            report.accept(
                context
                    .finding(DESCRIPTOR, a.key(), b.key())
                    .measured(common, least, "m2")
                    .evidence(Evidence.areas(PlanarOverlay.intersection(a.polygon(), b.polygon())))
                    .says(
                        "The "
                            + context.naming().surface(a)
                            + " and the "
                            + context.naming().surface(b)
                            + " overlap by "
                            + Text.area(common)
                            + "."));
          }
        });
  }
}
