package yentra.core.check.adjacency;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.Focus;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.LocalCheck;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Surface;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.finding.Text;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.repair.surface.DeleteSurface;

/** ADJ-510: a shading surface that coincides with a surface of a space. */
@AutoService(Check.class)
public final class ShadingOnSurface implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "ADJ-510",
              Severity.WARNING,
              "a shading surface that coincides with a surface of a space",
              "Shading surfaces in the plane of a space's surface are held against it.",
              "The wall lies in the shadow of itself.",
              List.of(
                  new Limit("area", "m2", 0.01, 0.001, 10),
                  new Limit("distance", "m", 0.005, 0.001, 0.1)))
          .safely("it is deleted");

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    o.safe("Delete the shading surface", new DeleteSurface(o.first()));
  }

  @Override
  public double reach(CheckContext context) {
    return context.limit(DESCRIPTOR, "distance");
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    double least = context.limit(DESCRIPTOR, "area");
    context
        .index()
        .coplanar(
            focus,
            context.limit(DESCRIPTOR, "distance"),
            (a, b) -> {
              if (a.type().isShading() == b.type().isShading()) {
                return;
              }
              Surface shade = a.type().isShading() ? a : b;
              Surface s = shade == a ? b : a;
              double common = PlanarOverlay.commonArea(s.polygon(), shade.polygon());
              if (common > least) {
                report.accept(finding(context, shade, s, common, least));
              }
            });
  }

  private static Finding finding(
      CheckContext context, Surface shade, Surface s, double common, double least) {
    return context
        .finding(DESCRIPTOR, shade.key(), s.key())
        .measured(common, least, "m2")
        .evidence(Evidence.areas(PlanarOverlay.intersection(s.polygon(), shade.polygon())))
        .says(
            "The "
                + context.naming().surface(shade)
                + " lies on the "
                + context.naming().surface(s)
                + " over "
                + Text.area(common)
                + ".");
  }
}
