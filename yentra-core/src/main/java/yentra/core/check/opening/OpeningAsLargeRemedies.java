package yentra.core.check.opening;

import java.util.List;
import yentra.core.check.rule.Offer;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.repair.opening.ReshapeOpening;

/** To a frame's width inside its surface. */
final class OpeningAsLargeRemedies {
  /** What is left around an opening that fills its surface, in metres. */
  private static final double FRAME = 0.05;

  /** What is left of an opening is one from this area on, m². */
  private static final double LEAST = 0.01;

  private OpeningAsLargeRemedies() {}

  static void of(Offer o) {
    o.envelope()
        .parentOf(o.first())
        .ifPresent(
            s -> {
              PlaneFrame frame = PlaneFrame.of(s.polygon().plane());
              List<Polygon> inner = frame.lift(frame.project(s.polygon()).buffer(-FRAME, 1));
              if (inner.size() == 1 && inner.get(0).area() > LEAST) {
                o.add(
                    "Leave 5 cm of the surface around it",
                    new ReshapeOpening(o.first(), inner.get(0).outer()));
              }
            });
  }
}
