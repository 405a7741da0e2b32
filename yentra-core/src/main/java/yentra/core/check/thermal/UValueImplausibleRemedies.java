package yentra.core.check.thermal;

import java.util.Locale;
import yentra.core.check.proposal.ConstructionChoice;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Construction;
import yentra.core.envelope.SurfaceType;
import yentra.core.library.Library;
import yentra.core.library.Library.LibraryConstruction;
import yentra.core.library.Library.LibraryMaterial;
import yentra.core.repair.construction.ConstructionSpec;
import yentra.core.repair.construction.ReplaceConstruction;
import yentra.core.repair.construction.StateUValue;
import yentra.core.units.Quantity;

/** Another statement, or another construction. */
final class UValueImplausibleRemedies {
  /** U-values that differ by less are one, W/(m²K). */
  private static final double SAME = 1e-9;

  private UValueImplausibleRemedies() {}

  static void of(Offer o) {
    String key = o.first();
    Construction c = o.envelope().construction(key).orElse(null);
    Double u = o.finding().measured();
    if (c == null || u == null) {
      return;
    }
    double least = o.context().limit(UValueImplausible.DESCRIPTOR, "least");
    double most = o.context().limit(UValueImplausible.DESCRIPTOR, "most");
    boolean roof =
        ConstructionChoice.typeOf(o.envelope(), key).filter(t -> t == SurfaceType.ROOF).isPresent();
    if (roof && u >= least && u <= most) {
      betterRoof(o, key);
      return;
    }
    if (!c.layers().isEmpty()) {
      o.add("Take the stated U-value away", new StateUValue(key, null));
    }
    double metric = u / Quantity.U_VALUE.imperial().factor();
    if (u > most
        && metric >= least
        && metric <= most
        && c.uValue() != null
        && Math.abs(c.uValue() - u) < SAME) {
      o.add(
          String.format(Locale.ROOT, "It was converted twice: state %.3f W/m²K", metric),
          new StateUValue(key, Math.round(metric * 1000) / 1000.0));
    }
    ConstructionChoice.replace(o, key);
  }

  private static void betterRoof(Offer o, String construction) {
    Library library = Library.shipped();
    double best = Double.POSITIVE_INFINITY;
    LibraryConstruction chosen = null;
    for (LibraryConstruction c : library.constructions()) {
      double r = 0;
      for (Library.LibraryLayer l : c.layers()) {
        LibraryMaterial m = library.material(l.material()).orElseThrow();
        r += m.conductivity() == null ? m.resistance() : l.thickness() / m.conductivity();
      }
      if (c.use().equals("Roof") && r > 0 && 1 / r < best) {
        best = 1 / r;
        chosen = c;
      }
    }
    if (chosen != null) {
      o.add(
          "Use from the library: " + chosen.name(),
          new ReplaceConstruction(construction, ConstructionSpec.of(library, chosen)));
    }
  }
}
