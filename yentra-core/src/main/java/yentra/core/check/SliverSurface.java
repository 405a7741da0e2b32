package yentra.core.check;

import java.util.List;
import java.util.function.Consumer;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Vec3;

/** GEO-305: a sliver: a surface that is very small or narrow. */
final class SliverSurface implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "GEO-305",
          Severity.WARNING,
          "a sliver: a surface that is very small or narrow",
          "Twice the area over the perimeter is taken for the width.",
          "It costs time in the simulation and often makes it stop.",
          List.of(
              new Limit("area", "m2", 0.05, 0.0001, 1), new Limit("width", "m", 0.02, 0.001, 0.5)));

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    double area = context.limit(DESCRIPTOR, "area");
    double width = context.limit(DESCRIPTOR, "width");
    for (Surface s : focus.list()) {
      double a = s.polygon().area();
      double w = 2 * a / Math.max(1e-9, s.polygon().perimeter());
      boolean degenerate = s.polygon().normal().equals(Vec3.ZERO) || a < 1e-6;
      if (!degenerate && (a < area || w < width)) {
        FindingBuilder f = context.finding(DESCRIPTOR, s.key());
        report.accept(
            (w < width ? f.measured(w, width, "m") : f.measured(a, area, "m2"))
                .evidence(Evidence.area(s.polygon()))
                .says(
                    "The "
                        + context.naming().surface(s)
                        + " is a sliver: "
                        + Text.smallArea(a)
                        + ", "
                        + Text.millimetres(w)
                        + " wide."));
      }
    }
  }
}
