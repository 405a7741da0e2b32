package yentra.core.check;

import java.util.List;
import java.util.function.Consumer;
import yentra.core.envelope.Surface;
import yentra.core.geometry.PlanarOverlay;

/** GEO-307: two surfaces in the same place that are not a matched pair. */
final class DuplicateSurface implements Check {
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
  public void run(CheckContext context, Consumer<Finding> report) {
    double share = context.limit(DESCRIPTOR, "overlap") / 100;
    double reach = context.limit(DESCRIPTOR, "distance");
    SurfaceIndex index = context.index();
    List<Surface> all = context.envelope().surfaces();
    for (int i = 0; i < all.size(); i++) {
      for (int j : index.near(all.get(i).polygon().box().grown(reach))) {
        Surface a = all.get(i);
        Surface b = all.get(j);
        if (j <= i || !index.coplanar(i, j, reach) || !index.rivals(a, b)) {
          continue;
        }
        double common = PlanarOverlay.commonArea(a.polygon(), b.polygon());
        double least = Math.min(common / a.polygon().area(), common / b.polygon().area());
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
      }
    }
  }
}
