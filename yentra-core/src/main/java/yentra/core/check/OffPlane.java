package yentra.core.check;

import java.util.Comparator;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.geometry.Plane;
import yentra.core.geometry.PlaneFit;
import yentra.core.geometry.Vec3;

/**
 * GEO-302: vertices off their best-fit plane. Largest distance of a vertex from the least-squares
 * plane through all of them.
 */
final class OffPlane implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "GEO-302",
          Severity.ERROR,
          "vertices off their best-fit plane",
          "Largest distance of a vertex from the least-squares plane through all of them.",
          "A simulation flattens the surface, and the space no longer closes.",
          List.of(new Limit("deviation", "m", 0.005, 0.0001, 0.1)));

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    double limit = context.limit(DESCRIPTOR, "deviation");
    Outlines.each(
        context,
        focus,
        (key, p) -> {
          if (p.outer().size() < 4) {
            return;
          }
          Plane plane = PlaneFit.of(p.outer());
          Vec3 worst =
              p.outer().stream()
                  .max(Comparator.comparingDouble(v -> Math.abs(plane.distance(v))))
                  .orElseThrow();
          double off = Math.abs(plane.distance(worst));
          if (off > limit) {
            report.accept(
                context
                    .finding(DESCRIPTOR, key)
                    .measured(off, limit, "m")
                    .evidence(
                        new Evidence(
                            List.of(),
                            List.of(List.of(worst, plane.project(worst))),
                            List.of(worst)))
                    .says(
                        "The "
                            + context.naming().object(key)
                            + " is not flat: a vertex lies "
                            + Text.millimetres(off)
                            + " off its plane."));
          }
        });
  }
}
