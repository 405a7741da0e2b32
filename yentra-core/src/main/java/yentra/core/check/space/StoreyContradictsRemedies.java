package yentra.core.check.space;

import java.util.Comparator;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Storey;
import yentra.core.geometry.Box;
import yentra.core.repair.space.AmendSpace;

/** The storey whose level the space's floor stands on. */
final class StoreyContradictsRemedies {
  /** How far below its storey's level a floor may lie, m. */
  private static final double BELOW = 0.5;

  private StoreyContradictsRemedies() {}

  static void of(Offer o) {
    Box box = o.context().volumes().of(o.first()).faces().box();
    if (box.isEmpty()) {
      return;
    }
    double floor = box.min().z();
    o.envelope().storeys().stream()
        .filter(s -> s.level() != null && s.level() <= floor + BELOW)
        .max(Comparator.comparingDouble(Storey::level))
        .ifPresent(
            s ->
                o.safe(
                    "Put it on " + (s.name().isBlank() ? s.key() : s.name()),
                    new AmendSpace(o.first(), s.key(), false, false)));
  }
}
