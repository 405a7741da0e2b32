package yentra.core.check.opening;

import yentra.core.check.rule.Offer;
import yentra.core.envelope.OpeningType;

/** The type that its glass, its drawing and its place say. */
final class OpeningContradictsRemedies {
  private OpeningContradictsRemedies() {}

  static void of(Offer o) {
    o.opening()
        .ifPresent(
            x -> {
              OpeningType likely = o.likelyType(x);
              if (!x.type().isGlazed() && x.glazing() == null) {
                // it is drawn as glass
                o.retype(x, OpeningType.SLIDING_DOOR);
              } else if (likely != x.type()) {
                o.retype(x, likely);
              } else if (x.type().isGlazed()) {
                o.retype(x, OpeningType.NON_SLIDING_DOOR);
              }
            });
  }
}
