package yentra.core.gbxml;

import java.util.Map;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.units.LengthUnit;
import yentra.core.units.Quantity;

/** Constructions, their layers and materials, and window types. */
final class ConstructionWriter {
  private final GbxmlOutput x;

  ConstructionWriter(GbxmlOutput x) {
    this.x = x;
  }

  void construction(Construction c) {
    x.open("Construction", c.key(), Map.of(), c.extras());
    if (c.uValue() != null) {
      x.quantity("U-value", c.uValue(), GbxmlUnits.si(Quantity.U_VALUE));
    }
    for (int i = 0; i < c.layers().size(); i++) {
      String layer = XmlText.escapeAttribute(c.layers().get(i));
      x.line("<LayerId layerIdRef=\"" + layer + '"' + x.kept("LayerId " + i) + "/>");
    }
    x.name(c.name());
    x.close("Construction", c.extras());
  }

  void layer(Layer l) {
    x.open("Layer", l.key(), Map.of(), l.extras());
    x.name(l.name());
    for (int i = 0; i < l.materials().size(); i++) {
      String share =
          l.shares().isEmpty() ? "" : "\" percentOfLayer=\"" + GbxmlOutput.number(l.share(i));
      x.line(
          "<MaterialId materialIdRef=\""
              + XmlText.escapeAttribute(l.materials().get(i))
              + share
              + '"'
              + x.kept("MaterialId " + i)
              + "/>");
    }
    x.close("Layer", l.extras());
  }

  void material(Material m) {
    x.open("Material", m.key(), Map.of(), m.extras());
    x.name(m.name());
    x.quantity("R-value", m.resistance(), GbxmlUnits.si(Quantity.RESISTANCE));
    x.quantity("Thickness", m.thickness(), GbxmlUnits.length(LengthUnit.METRE));
    x.quantity("Conductivity", m.conductivity(), GbxmlUnits.si(Quantity.CONDUCTIVITY));
    x.quantity("Density", m.density(), GbxmlUnits.si(Quantity.DENSITY));
    x.quantity("SpecificHeat", m.specificHeat(), GbxmlUnits.si(Quantity.SPECIFIC_HEAT));
    x.close("Material", m.extras());
  }

  void glazing(Glazing g) {
    x.open("WindowType", g.key(), Map.of(), g.extras());
    x.name(g.name());
    x.quantity("U-value", g.uValue(), GbxmlUnits.si(Quantity.U_VALUE));
    share("SolarHeatGainCoeff", "solarIncidentAngle", "0", g.solarHeatGain(), g);
    share("Transmittance", "type", "Visible", g.visibleTransmittance(), g);
    x.close("WindowType", g.extras());
  }

  /** A share of the sun, unless the delivery's own element of this name is written. */
  private void share(String element, String attribute, String value, Double share, Glazing g) {
    boolean kept = g.extras().fragments().stream().anyMatch(f -> f.startsWith("<" + element));
    if (share != null && !kept) {
      x.line(
          "<"
              + element
              + " unit=\"Fraction\" "
              + attribute
              + "=\""
              + value
              + "\">"
              + GbxmlOutput.number(share)
              + "</"
              + element
              + ">");
    }
  }
}
