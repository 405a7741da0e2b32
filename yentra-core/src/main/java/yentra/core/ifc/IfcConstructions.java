package yentra.core.ifc;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import yentra.core.boundary.BoundaryMatching;
import yentra.core.boundary.DeliveredBoundary;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.envelope.SourceRef;
import yentra.core.model.ArchitecturalModel;
import yentra.core.model.Element;
import yentra.core.model.Property;
import yentra.core.model.PropertyValue;
import yentra.core.step.StepFile;
import yentra.core.step.StepInstance;

/**
 * Constructions from materials: layer sets and their usages, single materials and lists, on the
 * occurrence or on its type, with thermal properties where the file has them. Windows and doors get
 * their stated ThermalTransmittance.
 *
 * <p>Layers keep the order in which the file lists them.
 */
final class IfcConstructions implements BoundaryMatching.Constructions {
  private final IfcModel model;
  private final ArchitecturalModel values;
  private final StepFile file;
  private final IfcUnits units;
  private final Map<Integer, double[]> thermal = new HashMap<>();
  private final Map<Integer, String> constructionOf = new HashMap<>();
  private final Map<String, Construction> constructions = new LinkedHashMap<>();
  private final Map<String, Layer> layers = new LinkedHashMap<>();
  private final Map<String, Material> materials = new LinkedHashMap<>();
  private final Map<String, Glazing> glazings = new LinkedHashMap<>();

  /**
   * @param values the model with the values that were set
   */
  IfcConstructions(IfcModel model, ArchitecturalModel values) {
    this.model = model;
    this.values = values;
    this.file = model.file();
    this.units = model.units();
    file.each(
        "IFCTHERMALMATERIALPROPERTIES",
        p -> thermal(p.ref(0), p.number(4).orElse(null), null, p.number(1).orElse(null)));
    file.each(
        "IFCGENERALMATERIALPROPERTIES",
        p -> thermal(p.ref(0), null, p.number(3).orElse(null), null));
    file.each("IFCMATERIALPROPERTIES", this::materialProperties);
  }

  List<Construction> constructions() {
    return new ArrayList<>(constructions.values());
  }

  List<Layer> layers() {
    return new ArrayList<>(layers.values());
  }

  List<Material> materials() {
    return new ArrayList<>(materials.values());
  }

  List<Glazing> glazings() {
    return new ArrayList<>(glazings.values());
  }

  /** IFC4: Name, Description, Properties, Material. */
  private void materialProperties(StepInstance set) {
    Double conductivity = null, density = null, heat = null;
    for (int p : set.refs(2)) {
      StepInstance property = file.get(p);
      if (property != null) {
        switch (property.text(0)) {
          case "ThermalConductivity" -> conductivity = property.number(2).orElse(null);
          case "MassDensity" -> density = property.number(2).orElse(null);
          case "SpecificHeatCapacity" -> heat = property.number(2).orElse(null);
          default -> {}
        }
      }
    }
    thermal(set.ref(3), conductivity, density, heat);
  }

  private void thermal(int material, Double conductivity, Double density, Double heat) {
    double[] t =
        thermal.computeIfAbsent(material, k -> new double[] {Double.NaN, Double.NaN, Double.NaN});
    Double[] given = {conductivity, density, heat};
    for (int i = 0; i < 3; i++) {
      if (given[i] != null) {
        t[i] = given[i];
      }
    }
  }

  private Element element(DeliveredBoundary b) {
    return b.element() == null ? null : model.element(b.elementKey()).orElse(null);
  }

  @Override
  public String construction(DeliveredBoundary b) {
    Element e = element(b);
    if (e == null) {
      return null;
    }
    int material = model.relations().material.get(e.number());
    if (material == 0) {
      material = model.relations().material.get(model.relations().type.get(e.number()));
    }
    return material == 0
        ? null
        : constructionOf.computeIfAbsent(material, m -> make(file.get(m), stated(e)));
  }

  /** ThermalTransmittance of the element or its type, in W/(m²K). */
  private Double stated(Element e) {
    return number(e, "ThermalTransmittance");
  }

  private Double number(Element e, String property) {
    return values
        .property(e, "", property)
        .map(Property::value)
        .filter(PropertyValue.Number.class::isInstance)
        .map(v -> ((PropertyValue.Number) v).value())
        .orElse(null);
  }

  @Override
  public String glazing(DeliveredBoundary b) {
    Element e = b.role() == DeliveredBoundary.Role.WINDOW ? element(b) : null;
    Double u = e == null ? null : stated(e);
    if (u == null) {
      return null;
    }
    Double gain = number(e, "SolarHeatGainTransmittance");
    Double visible = number(e, "VisibleLightTransmittance");
    String key =
        "win_u"
            + String.format(java.util.Locale.ROOT, "%.3f", u)
            + (gain == null ? "" : String.format(java.util.Locale.ROOT, "_g%.3f", gain))
            + (visible == null ? "" : String.format(java.util.Locale.ROOT, "_v%.3f", visible));
    glazings.computeIfAbsent(
        key,
        k ->
            new Glazing(
                k,
                "Window U " + String.format(java.util.Locale.ROOT, "%.3f", u),
                u,
                gain,
                visible,
                e.source(),
                Extras.NONE));
    return key;
  }

  @Override
  public Double thickness(DeliveredBoundary b) {
    String key = construction(b);
    if (key == null) {
      return null;
    }
    double sum = 0;
    for (String layer : constructions.get(key).layers()) {
      for (String m : layers.get(layer).materials()) {
        Double t = materials.get(m).thickness();
        sum += t == null ? 0 : t;
      }
    }
    return sum > 0 ? sum : null;
  }

  private String make(StepInstance m, Double uValue) {
    if (m == null) {
      return null;
    }
    StepInstance set = m.is("IFCMATERIALLAYERSETUSAGE") ? file.get(m.ref(0)) : m;
    if (set == null) {
      return null;
    }
    List<String> materialKeys = new ArrayList<>();
    StringBuilder names = new StringBuilder();
    String name =
        set.is("IFCMATERIALLAYERSET") ? set.text(1) : set.is("IFCMATERIAL") ? set.text(0) : "";
    switch (set.type()) {
      case "IFCMATERIALLAYERSET" -> {
        for (int l : set.refs(0)) {
          StepInstance layer = file.get(l);
          if (layer != null) {
            double t = layer.number(1).orElse(0.0) * units.length();
            materialKeys.add(material(file.get(layer.ref(0)), t, layer));
          }
        }
      }
      case "IFCMATERIAL" -> materialKeys.add(material(set, 0, set));
      case "IFCMATERIALLIST" ->
          set.refs(0).forEach(r -> materialKeys.add(material(file.get(r), 0, set)));
      default -> {
        return null;
      }
    }
    materialKeys.forEach(
        k -> names.append(names.length() == 0 ? "" : " + ").append(materials.get(k).name()));
    String label = name.isBlank() ? names.toString() : name;
    Construction made =
        new Construction("", label, List.of(), uValue, model.source(set), Extras.NONE);
    for (Construction c : constructions.values()) {
      boolean same =
          c.name().equals(label)
              && java.util.Objects.equals(c.uValue(), uValue)
              && layers.get(c.layers().get(0)).materials().equals(materialKeys);
      if (same) {
        return c.key();
      }
    }
    String key = free("con_" + slug(label), constructions.keySet());
    String layerKey = free("lay_" + slug(label), layers.keySet());
    layers.put(layerKey, new Layer(layerKey, label, materialKeys, made.source(), Extras.NONE));
    constructions.put(
        key, new Construction(key, label, List.of(layerKey), uValue, made.source(), Extras.NONE));
    return key;
  }

  private String material(StepInstance m, double thickness, StepInstance source) {
    String name = m == null ? "Cavity" : m.text(0);
    double[] t = m == null ? null : thermal.get(m.id());
    Material made =
        new Material(
            "",
            name,
            thickness > 0 ? thickness : null,
            known(t, 0),
            known(t, 1),
            known(t, 2),
            null,
            SourceRef.at(
                model.entities().proper(source.type()),
                "#" + source.id(),
                file.place(source.id())[0],
                file.place(source.id())[1]),
            Extras.NONE);
    String base =
        "mat_"
            + slug(name)
            + (thickness > 0 ? "_" + Math.round(thickness * 10000) / 10.0 + "mm" : "");
    Material old = materials.get(base);
    if (old != null
        && java.util.Objects.equals(old.conductivity(), made.conductivity())
        && java.util.Objects.equals(old.thickness(), made.thickness())) {
      return base;
    }
    String key = free(base, materials.keySet());
    materials.put(
        key,
        new Material(
            key,
            name,
            made.thickness(),
            made.conductivity(),
            made.density(),
            made.specificHeat(),
            null,
            made.source(),
            Extras.NONE));
    return key;
  }

  private static Double known(double[] t, int i) {
    return t == null || Double.isNaN(t[i]) ? null : t[i];
  }

  private static String slug(String s) {
    String ascii =
        java.text.Normalizer.normalize(s, java.text.Normalizer.Form.NFD).replaceAll("\\p{M}", "");
    String out = ascii.replaceAll("[^A-Za-z0-9]+", "-").replaceAll("^-|-$", "");
    return out.isEmpty() ? "unnamed" : out.length() > 40 ? out.substring(0, 40) : out;
  }

  private static String free(String base, java.util.Set<String> taken) {
    String key = base;
    for (int i = 2; taken.contains(key); i++) {
      key = base + "-" + i;
    }
    return key;
  }
}
