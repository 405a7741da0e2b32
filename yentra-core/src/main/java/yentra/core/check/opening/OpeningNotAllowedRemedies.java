package yentra.core.check.opening;

import yentra.core.check.rule.Offer;
import yentra.core.envelope.OpeningType;
import yentra.core.repair.opening.DeleteOpening;

/** Another type of opening, or none. */
final class OpeningNotAllowedRemedies {
  private OpeningNotAllowedRemedies() {}

  static void of(Offer o) {
    o.opening()
        .ifPresent(
            x -> {
              OpeningType likely = o.likelyType(x);
              o.retype(x, likely != x.type() ? likely : OpeningType.NON_SLIDING_DOOR);
            });
    o.add("Delete the opening", new DeleteOpening(o.first()));
  }
}
