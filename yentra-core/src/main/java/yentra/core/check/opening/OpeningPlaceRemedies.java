package yentra.core.check.opening;

import java.util.List;
import java.util.Optional;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Surface;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Polygon;
import yentra.core.repair.opening.CutOpening;
import yentra.core.repair.opening.PlaceOpening;

/** Openings are put where their surface is: the one they have, or the one that they lie in. */
final class OpeningPlaceRemedies {
  /**
   * So much of its area an opening must keep; else it would be cut, and what to cut is not said.
   */
  private static final double KEPT = 0.99;

  private OpeningPlaceRemedies() {}

  static void ontoParent(Offer o) {
    CutOpening repair = new CutOpening(o.first());
    double before = o.opening().map(x -> x.polygon().area()).orElse(0.0);
    Optional<Envelope> made = o.attempt(repair);
    double after = made.flatMap(e -> e.opening(o.first())).map(x -> x.polygon().area()).orElse(0.0);
    o.add("Put it into its surface's plane", repair, before > 0 && after >= KEPT * before);
  }

  /** The one surface whose plane and outline hold an opening that has none. */
  static void parent(Offer o) {
    Opening x = o.opening().orElse(null);
    if (x == null || x.polygon().area() == 0) {
      return;
    }
    double gap = o.context().tolerance().gap();
    List<Surface> all =
        o.context().near(x.polygon().box().grown(gap)).stream()
            .filter(s -> !s.type().isShading() && s.polygon().area() > 0)
            .filter(s -> holds(s.polygon(), x.polygon(), gap))
            .toList();
    for (Surface s : all) {
      o.add(
          "Put it into the " + o.context().naming().surface(s),
          new PlaceOpening(x.key(), s.key()),
          all.size() == 1);
    }
  }

  private static boolean holds(Polygon surface, Polygon opening, double gap) {
    return opening.outer().stream().allMatch(p -> Math.abs(surface.plane().distance(p)) <= gap)
        && PlanarOverlay.commonArea(surface, opening) >= KEPT * opening.area();
  }
}
