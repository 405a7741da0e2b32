package yentra.core.check;

import java.util.List;
import java.util.function.Consumer;
import yentra.core.envelope.Surface;
import yentra.core.geometry.PlanarOverlay;

/** GEO-308: two coplanar surfaces of one space overlap in part. */
final class CoplanarOverlap implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "GEO-308",
          Severity.ERROR,
          "two coplanar surfaces of one space overlap in part",
          "Surfaces of one space in one plane that share some area without being repetitions.",
          "The shared part counts twice.",
          List.of(
              new Limit("area", "m2", 0.01, 0.0001, 10),
              new Limit("distance", "m", 0.005, 0.0001, 0.1)));

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    double least = context.limit(DESCRIPTOR, "area");
    double reach = context.limit(DESCRIPTOR, "distance");
    SurfaceIndex index = context.index();
    List<Surface> all = context.envelope().surfaces();
    for (int i = 0; i < all.size(); i++) {
      for (int j : index.near(all.get(i).polygon().box().grown(reach))) {
        Surface a = all.get(i);
        Surface b = all.get(j);
        boolean one = a.sides().stream().anyMatch(s -> b.isAdjacentTo(s.space()));
        if (j <= i || !one || !index.coplanar(i, j, reach) || !index.rivals(a, b)) {
          continue;
        }
        double common = PlanarOverlay.commonArea(a.polygon(), b.polygon());
        double share = Math.min(common / a.polygon().area(), common / b.polygon().area());
        if (common > least && share < 0.95) {
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
      }
    }
  }
}
