package yentra.core.ifc;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Glazing;
import yentra.core.model.ArchitecturalModel;
import yentra.core.model.Element;
import yentra.core.model.Property;
import yentra.core.model.PropertyValue;

/** Window types by what elements state of transmittance and gain. */
final class IfcGlazings {
  /** Its values are those of the glass, without frame (IFC4 ADD2 TC1). */
  private static final String GLAZING_SET = "Pset_DoorWindowGlazingType";

  private final ArchitecturalModel values;
  private final Map<String, Glazing> glazings = new LinkedHashMap<>();
  private final Set<Integer> framed = new HashSet<>();

  /**
   * @param values the model with the values that were set
   */
  IfcGlazings(ArchitecturalModel values) {
    this.values = values;
  }

  List<Glazing> all() {
    return new ArrayList<>(glazings.values());
  }

  /** ThermalTransmittance of the element or its type, in W/(m²K). */
  Double stated(Element e) {
    Double u = number(e, "ThermalTransmittance");
    return u == null ? number(e, "ThermalTransmittanceWinter") : u;
  }

  private Double number(Element e, String property) {
    return values
        .property(e, "", property)
        .map(Property::value)
        .filter(PropertyValue.Number.class::isInstance)
        .map(v -> ((PropertyValue.Number) v).value())
        .orElse(null);
  }

  /** The key of a window's type, or null when nothing is stated of it. */
  String of(Element e) {
    Double u = stated(e);
    Double gain = ofWindow(e, "SolarHeatGainTransmittance");
    Double visible = ofWindow(e, "VisibleLightTransmittance");
    if (u == null && gain == null && visible == null) {
      return null;
    }
    List<String> said = new ArrayList<>();
    said(said, "u", u);
    said(said, "g", gain);
    said(said, "v", visible);
    String key = "win_" + String.join("_", said);
    String name =
        u == null
            ? "Window, U not stated"
            : "Window U " + String.format(java.util.Locale.ROOT, "%.3f", u);
    glazings.computeIfAbsent(
        key, k -> new Glazing(k, name, u, gain, visible, e.source(), Extras.NONE));
    return key;
  }

  /**
   * What the glass alone lets through counts for its share of the window, where that is stated: a
   * window type holds for glass and frame together.
   */
  private Double ofWindow(Element e, String property) {
    Double v = number(e, property);
    Double share = number(e, "GlazingAreaFraction");
    if (v == null
        || share == null
        || !(share > 0 && share < 1)
        || values.property(e, GLAZING_SET, property).isEmpty()) {
      return v;
    }
    framed.add(e.number());
    return v * share;
  }

  /** Windows whose glass was counted for its share. */
  int framed() {
    return framed.size();
  }

  private static void said(List<String> out, String letter, Double v) {
    if (v != null) {
      out.add(letter + String.format(java.util.Locale.ROOT, "%.3f", v));
    }
  }
}
