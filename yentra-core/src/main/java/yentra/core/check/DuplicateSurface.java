package yentra.core.check;

import java.util.List;
import java.util.function.Consumer;
import yentra.core.geometry.PlanarOverlay;

/** GEO-307: two surfaces in the same place that are not a matched pair. */
final class DuplicateSurface implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "GEO-307",
          Severity.ERROR,
          "two surfaces in the same place that are not a matched pair",
          "Surfaces of one space, or interior ones, in one plane that cover each other.",
          "Heat flows twice through one wall.",
          List.of(
              new Limit("overlap", "%", 95, 50, 100),
              new Limit("distance", "m", 0.005, 0.0001, 0.1)));

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public boolean isOfNear() {
    return true;
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
