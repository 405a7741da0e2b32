package yentra.core.check.thermal;

import java.util.Locale;
import java.util.OptionalDouble;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Surface;
import yentra.core.repair.construction.StateUValue;
import yentra.core.thermal.BuildUp;
import yentra.core.thermal.UValueBreakdown;

/** The statement follows the layers, or goes. */
final class UValueDiffersRemedies {
  private UValueDiffersRemedies() {}

  static void of(Offer o) {
    OptionalDouble u = computed(o, o.first());
    if (u.isPresent()) {
      double rounded = Math.round(u.getAsDouble() * 1000) / 1000.0;
      if (rounded > 0) {
        o.add(
            String.format(Locale.ROOT, "State what its layers give: %.3f W/m²K", rounded),
            new StateUValue(o.first(), rounded));
      }
    }
    o.add("Take the stated U-value away", new StateUValue(o.first(), null));
  }

  /** U by the layers, as most of the area has it. */
  private static OptionalDouble computed(Offer o, String construction) {
    BuildUp b = BuildUp.all(o.envelope()).get(construction);
    Surface most = null;
    for (Surface s : o.envelope().surfaces()) {
      if (construction.equals(s.construction())
          && (most == null || s.polygon().area() > most.polygon().area())) {
        most = s;
      }
    }
    return b == null || most == null
        ? OptionalDouble.empty()
        : UValueBreakdown.uValue(b, o.context().thermal().position(most));
  }
}
