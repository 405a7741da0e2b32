package yentra.core.check;

import java.util.List;
import java.util.function.Consumer;
import yentra.core.envelope.Surface;
import yentra.core.geometry.PlanarOverlay;

/** ADJ-510: a shading surface that coincides with a surface of a space. */
final class ShadingOnSurface implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "ADJ-510",
          Severity.WARNING,
          "a shading surface that coincides with a surface of a space",
          "Shading surfaces in the plane of a space's surface are held against it.",
          "The wall lies in the shadow of itself.",
          List.of(
              new Limit("area", "m2", 0.01, 0.001, 10),
              new Limit("distance", "m", 0.005, 0.001, 0.1)));

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
      Surface shade = all.get(i);
      if (!shade.type().isShading()) {
        continue;
      }
      for (int j : index.near(shade.polygon().box().grown(reach))) {
        Surface s = all.get(j);
        if (s.type().isShading() || !index.coplanar(i, j, reach)) {
          continue;
        }
        double common = PlanarOverlay.commonArea(s.polygon(), shade.polygon());
        if (common > least) {
          report.accept(
              context
                  .finding(DESCRIPTOR, shade.key(), s.key())
                  .measured(common, least, "m2")
                  .evidence(
                      Evidence.areas(PlanarOverlay.intersection(s.polygon(), shade.polygon())))
                  .says(
                      "The "
                          + context.naming().surface(shade)
                          + " lies on the "
                          + context.naming().surface(s)
                          + " over "
                          + Text.area(common)
                          + "."));
        }
      }
    }
  }
}
