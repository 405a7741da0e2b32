package yentra.core.check.thermal;

import java.util.Locale;
import yentra.core.check.proposal.ConstructionChoice;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Glazing;
import yentra.core.library.Library.LibraryGlazing;
import yentra.core.repair.construction.AmendGlazing;
import yentra.core.units.Quantity;

/** A value read in another unit, or that of the library. */
final class GlazingOutOfRangeRemedies {
  private static final double PER_CENT = 100;

  private GlazingOutOfRangeRemedies() {}

  static void of(Offer o) {
    String key = o.first();
    Glazing g = o.envelope().glazing(key).orElse(null);
    if (g == null || o.finding().measured() == null) {
      return;
    }
    double v = o.finding().measured();
    boolean u = o.finding().subject().equals("U-value");
    boolean sun = o.finding().subject().startsWith("solar");
    if (u) {
      double metric = v / Quantity.U_VALUE.imperial().factor();
      if (v > o.context().limit(GlazingOutOfRange.DESCRIPTOR, "most")
          && metric >= o.context().limit(GlazingOutOfRange.DESCRIPTOR, "least")) {
        o.add(
            String.format(Locale.ROOT, "It was converted twice: %.3f W/m²K", metric),
            new AmendGlazing(
                key, Math.round(metric * 1000) / 1000.0, null, null, "was converted twice"));
      }
    } else if (v > 1 && v <= PER_CENT) {
      double share = v / PER_CENT;
      o.add(
          String.format(Locale.ROOT, "It is in per cent: %.4g", share),
          new AmendGlazing(key, null, sun ? share : null, sun ? null : share, "was in per cent"));
    }
    LibraryGlazing x =
        ConstructionChoice.nearest(
            u ? new Glazing(g.key(), g.name(), null, null, null, g.source(), g.extras()) : g);
    o.add(
        "Take the value of " + x.name(),
        new AmendGlazing(
            key,
            u ? x.uValue() : null,
            sun ? x.solarHeatGain() : null,
            u || sun ? null : x.visibleTransmittance(),
            x.name()));
  }
}
