package yentra.core.check;

import java.util.List;
import java.util.function.Consumer;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Surface;
import yentra.core.geometry.PlanarOverlay;

/**
 * OPN-602: an opening that reaches outside its parent. The opening is projected on its parent's
 * plane; the area that the parent does not cover is measured.
 */
final class OpeningOutside implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "OPN-602",
          Severity.ERROR,
          "an opening that reaches outside its parent",
          "The opening is projected on its parent's plane; the area that the parent does not cover is measured.",
          "The glass outside counts twice, or the simulation refuses the surface.",
          List.of(new Limit("area", "m2", 0.001, 0, 1)));

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    double limit = context.limit(DESCRIPTOR, "area");
    for (Surface s : focus.list()) {
      if (s.polygon().area() < limit) {
        continue;
      }
      for (Opening o : s.openings()) {
        if (o.polygon().outer().size() < 3) {
          continue;
        }
        double outside = PlanarOverlay.areaOutside(o.polygon(), s.polygon());
        if (outside > limit) {
          report.accept(
              context
                  .finding(DESCRIPTOR, o.key(), s.key())
                  .measured(outside, limit, "m2")
                  .evidence(Evidence.areas(PlanarOverlay.difference(o.polygon(), s.polygon())))
                  .says(
                      "The "
                          + context.naming().opening(o)
                          + " reaches "
                          + Text.smallArea(outside)
                          + " outside it."));
        }
      }
    }
  }
}
