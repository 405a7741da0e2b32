package yentra.core.check.space;

import java.util.Comparator;
import yentra.core.check.rule.Offer;
import yentra.core.repair.space.DeleteSpace;

/** Of two spaces that share air the one with less of it goes. */
final class OverlappingSpacesRemedies {
  private OverlappingSpacesRemedies() {}

  static void of(Offer o) {
    o.finding().objects().stream()
        .min(Comparator.comparingDouble(k -> o.context().volumes().of(k).volume()))
        .ifPresent(
            k ->
                o.add(
                    "Delete the smaller one, " + o.context().naming().space(k),
                    new DeleteSpace(k)));
  }
}
