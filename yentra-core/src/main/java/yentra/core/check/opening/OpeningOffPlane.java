package yentra.core.check.opening;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.Focus;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.LocalCheck;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Surface;
import yentra.core.finding.Cause;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.finding.Text;
import yentra.core.geometry.Plane;
import yentra.core.geometry.PlaneFit;
import yentra.core.repair.opening.DeleteOpening;

/**
 * OPN-601: an opening that is not in its parent's plane. Largest distance of the opening's vertices
 * from the parent's least-squares plane, and the angle between the two planes.
 */
@AutoService(Check.class)
public final class OpeningOffPlane implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "OPN-601",
              Severity.ERROR,
              "an opening that is not in its parent's plane",
              "Largest distance of the opening's vertices from the parent's least-squares plane, and the angle between the two planes.",
              "The opening is lost, or its parent is no longer closed.",
              List.of(
                  new Limit("distance", "m", 0.01, 0.0001, 0.5),
                  new Limit("angle", "deg", 1, 0.01, 30)))
          .safely("it is moved into its surface's plane, where it keeps its area")
          .following(Cause.WRONG_UNIT);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    OpeningPlaceRemedies.ontoParent(o);
    o.add("Delete the opening", new DeleteOpening(o.first()));
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    double limit = context.limit(DESCRIPTOR, "distance");
    double angleLimit = context.limit(DESCRIPTOR, "angle");
    for (Surface s : focus.list()) {
      if (s.openings().isEmpty() || s.polygon().outer().size() < 3) {
        continue;
      }
      Plane plane = PlaneFit.of(s.polygon().outer());
      for (Opening o : s.openings()) {
        double off =
            o.polygon().outer().stream()
                .mapToDouble(v -> Math.abs(plane.distance(v)))
                .max()
                .orElse(0);
        double angle =
            o.polygon().area() < 1e-6 ? 0 : plane.angleTo(PlaneFit.of(o.polygon().outer()));
        angle = Math.min(angle, 180 - angle);
        if (off > limit || angle > angleLimit) {
          report.accept(
              context
                  .finding(DESCRIPTOR, o.key(), s.key())
                  .measured(off, limit, "m")
                  .evidence(Evidence.area(o.polygon()))
                  .says(
                      "The "
                          + context.naming().opening(o)
                          + " is not in its plane: it stands up to "
                          + Text.millimetres(off)
                          + " off"
                          + (angle < Text.LEAST_DEGREES ? "" : ", turned by " + Text.degrees(angle))
                          + "."));
        }
      }
    }
  }
}
