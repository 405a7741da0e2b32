package yentra.core.check.thermal;

import java.util.List;
import java.util.Locale;
import yentra.core.check.proposal.ConstructionChoice;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Material;
import yentra.core.repair.construction.AmendMaterial;
import yentra.core.units.LengthUnit;

/** Values of the library, a length read in another unit, or another construction. */
final class LayerPropertyRemedies {
  /** Units that a length may have been read in. */
  private static final List<LengthUnit> UNITS =
      List.of(LengthUnit.MILLIMETRE, LengthUnit.CENTIMETRE, LengthUnit.INCH, LengthUnit.FOOT);

  /** No layer is thicker, m. */
  private static final double THICK = 2;

  /** Thicknesses between which a layer is one, m. */
  private static final double LEAST = 0.0001;

  private static final double MOST = 1;

  private LayerPropertyRemedies() {}

  static void of(Offer o) {
    Material m = o.envelope().material(o.first()).orElse(null);
    if (m == null) {
      return;
    }
    if (!o.finding().subject().equals("thickness")) {
      ConstructionChoice.likeLibrary(m).ifPresent(r -> o.add(r.label(), r.repair()));
    } else if (m.thickness() != null && m.thickness() > THICK) {
      for (LengthUnit unit : UNITS) {
        double t = m.thickness() * unit.metres();
        if (t >= LEAST && t <= MOST) {
          o.add(
              String.format(Locale.ROOT, "Set its thickness to %.4g m", t),
              new AmendMaterial(
                  m.key(), t, null, null, null, null, "read in another unit of length"));
        }
      }
    }
    if (o.isEmpty() && o.finding().objects().size() > 1) {
      ConstructionChoice.replace(o, o.second());
    }
  }
}
