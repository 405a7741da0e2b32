package yentra.core.check.adjacency;

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
import yentra.core.envelope.BoundaryKind;
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

/** ADJ-503: two facing surfaces of different spaces are both exterior. */
@AutoService(Check.class)
public final class FacingExterior implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              MatchRemedies.CODE,
              Severity.ERROR,
              "two facing surfaces of different spaces are both exterior",
              "Surfaces with one space each whose outer sides look at each other across no more than a wall, with nothing between them; derived surfaces are proven and not asked.",
              "Heat flow between the rooms is lost and both lose heat to outdoor air instead.",
              List.of(new Limit("overlap", "m2", 0.1, 0.001, 10), MatchRemedies.DISTANCE))
          .safely(
              "faces in one place become one surface; of faces apart a joint or air may be between")
          .following(Cause.WRONG_UNIT);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    MatchRemedies.pair(o);
  }

  @Override
  public double reach(CheckContext context) {
    return context.limit(DESCRIPTOR, "distance");
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    double least = context.limit(DESCRIPTOR, "overlap");
    double reach = context.limit(DESCRIPTOR, "distance");
    SurfaceIndex index = context.index();
    List<Surface> all = context.envelope().surfaces();
    for (int at : focus.surfaces()) {
      if (!asked(all.get(at))) {
        continue;
      }
      for (int near : index.near(all.get(at).polygon().box().grown(reach))) {
        int i = Math.min(at, near);
        int j = Math.max(at, near);
        Surface a = all.get(i);
        Surface b = all.get(j);
        if (!focus.isFirst(at, near)
            || !asked(all.get(near))
            || a.sides().get(0).space().equals(b.sides().get(0).space())) {
          continue;
        }
        Polygon pa = index.outward(i);
        Polygon pb = index.outward(j);
        double apart = pa.plane().distance(pb.mean());
        boolean facing =
            180 - pa.plane().angleTo(pb.plane()) <= context.tolerance().angle()
                && apart >= -context.tolerance().gap()
                && apart <= reach;
        if (!facing) {
          continue;
        }
        double common = PlanarOverlay.commonArea(pa, pb);
        if (common > least && !index.between(i, j, apart)) {
          report.accept(
              context
                  .finding(DESCRIPTOR, a.key(), b.key())
                  .measured(Math.max(0, apart), reach, "m")
                  .evidence(Evidence.areas(PlanarOverlay.intersection(pa, pb)))
                  .says(
                      "The "
                          + context.naming().surface(a)
                          + " and the "
                          + context.naming().surface(b)
                          + " face each other across "
                          + Text.length(Math.max(0, apart))
                          + " on "
                          + Text.area(common)
                          + ", but both are exterior."));
        }
      }
    }
  }

  private static boolean asked(Surface s) {
    return s.type().isExterior()
        && s.sides().size() == 1
        && s.kind() != BoundaryKind.DERIVED_2A
        && !s.polygon().normal().equals(Vec3.ZERO);
  }
}
