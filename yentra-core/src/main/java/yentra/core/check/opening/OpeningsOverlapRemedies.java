package yentra.core.check.opening;

import java.util.List;
import java.util.Optional;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Opening;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Polygon;
import yentra.core.repair.opening.DeleteOpening;
import yentra.core.repair.opening.ReshapeOpening;

/** The larger is cut by the smaller, or one of them goes. */
final class OpeningsOverlapRemedies {
  /** What is left of an opening is one from this area on, m². */
  private static final double LEAST = 0.01;

  private OpeningsOverlapRemedies() {}

  static void of(Offer o) {
    Optional<Opening> a = o.envelope().opening(o.first());
    Optional<Opening> b = o.envelope().opening(o.second());
    if (a.isPresent() && b.isPresent()) {
      cut(o, a.get().polygon(), b.get().polygon());
    }
    o.add("Delete the second opening", new DeleteOpening(o.second()));
  }

  private static void cut(Offer o, Polygon a, Polygon b) {
    boolean first = a.area() >= b.area();
    List<Polygon> rest = first ? PlanarOverlay.difference(a, b) : PlanarOverlay.difference(b, a);
    if (rest.size() == 1 && rest.get(0).holes().isEmpty() && rest.get(0).area() > LEAST) {
      o.add(
          "Cut the " + (first ? "first" : "second") + " by the other",
          new ReshapeOpening(first ? o.first() : o.second(), rest.get(0).outer()));
    }
  }
}
