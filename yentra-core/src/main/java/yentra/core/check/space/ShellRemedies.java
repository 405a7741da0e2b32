package yentra.core.check.space;

import yentra.core.check.rule.Offer;
import yentra.core.repair.space.AmendSpace;

/** When only the delivered shell is at fault, or only it closes, the surfaces can do without. */
final class ShellRemedies {
  private ShellRemedies() {}

  static void without(Offer o) {
    o.envelope()
        .space(o.first())
        .filter(s -> !s.shell().isEmpty())
        .filter(s -> !o.context().volumes().surfacesOf(s.key()).isEmpty())
        .ifPresent(
            s ->
                o.add(
                    "Take what bounds it from its surfaces alone",
                    new AmendSpace(s.key(), null, false, true)));
  }
}
