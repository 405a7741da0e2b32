package yentra.core.check;

import java.util.List;
import java.util.function.Consumer;
import yentra.core.geometry.PlanarOverlay;

/** GEO-308: two coplanar surfaces of one space overlap in part. */
final class CoplanarOverlap implements LocalCheck {
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
