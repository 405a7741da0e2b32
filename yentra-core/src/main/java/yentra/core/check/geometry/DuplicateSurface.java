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
import yentra.core.geometry.PlanarOverlay;

/** GEO-307: two surfaces in the same place that are not a matched pair. */
@AutoService(Check.class)
public final class DuplicateSurface implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "GEO-307",
              Severity.ERROR,
              "two surfaces in the same place that are not a matched pair",
              "Surfaces of one space, or interior ones, in one plane that cover each other.",
              "Heat flows twice through one wall.",
              List.of(
                  new Limit("overlap", "%", 95, 50, 100),
                  new Limit("distance", "m", 0.005, 0.0001, 0.1)))
          .safely(
              "two faces of two spaces in one place become one surface; of one space the one that adds nothing goes")
          .following(Cause.WRONG_UNIT);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    MatchRemedies.pair(o);
    MatchRemedies.deleteOne(o, false);
  }

  @Override
  public double reach(CheckContext context) {
    return context.limit(DESCRIPTOR, "distance");
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    double share = context.limit(DESCRIPTOR, "overlap") / 100;
    SurfaceIndex index = context.index();
    index.coplanar(
        focus,
        context.limit(DESCRIPTOR, "distance"),
        (a, b) -> {
          if (!index.rivals(a, b)) {
            return;
          }
          double common = PlanarOverlay.commonArea(a.polygon(), b.polygon());
          double least = common / Math.max(a.polygon().area(), b.polygon().area());
          if (least >= share) {
            report.accept(
                context
                    .finding(DESCRIPTOR, a.key(), b.key())
                    .measured(100 * least, 100 * share, "%")
                    .evidence(Evidence.area(b.polygon()))
                    .says(
                        "The "
                            + context.naming().surface(b)
                            + " repeats the "
                            + context.naming().surface(a)
                            + "."));
          }
        });
  }
}
