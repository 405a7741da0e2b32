package yentra.core.ifc;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Material;
import yentra.core.envelope.SourceRef;
import yentra.core.step.StepFile;
import yentra.core.step.StepInstance;

/**
 * Materials with the thermal properties that a file states, each once for its name, thickness and
 * values. SI units.
 */
final class IfcMaterials {
  private final IfcModel model;
  private final StepFile file;
  private final IfcUnits units;
  private final Map<Integer, double[]> thermal = new HashMap<>();
  private final Map<String, Material> materials = new LinkedHashMap<>();

  IfcMaterials(IfcModel model) {
    this.model = model;
    this.file = model.file();
    this.units = model.units();
    file.each(
        "IFCTHERMALMATERIALPROPERTIES",
        p -> {
          given(p.ref(0), CONDUCTIVITY, p.number(4).orElse(null), 0);
          given(p.ref(0), HEAT, p.number(1).orElse(null), 0);
        });
    file.each(
        "IFCGENERALMATERIALPROPERTIES", p -> given(p.ref(0), DENSITY, p.number(3).orElse(null), 0));
    file.each("IFCEXTENDEDMATERIALPROPERTIES", p -> properties(p.ref(0), p.refs(1)));
    file.each("IFCMATERIALPROPERTIES", p -> properties(p.ref(3), p.refs(2)));
  }

  /** Measures of the thermal values, in the order in which they are kept. */
  private static final int CONDUCTIVITY = 0;

  private static final int DENSITY = 1;
  private static final int HEAT = 2;
  private static final String[] MEASURES = {
    "IFCTHERMALCONDUCTIVITYMEASURE", "IFCMASSDENSITYMEASURE", "IFCSPECIFICHEATCAPACITYMEASURE"
  };

  List<Material> all() {
    return new ArrayList<>(materials.values());
  }

  Material get(String key) {
    return materials.get(key);
  }

  /** Single values by the names of the standard's property sets, each with its own unit if any. */
  private void properties(int material, List<Integer> properties) {
    for (int p : properties) {
      StepInstance property = file.get(p);
      if (property != null && property.is("IFCPROPERTYSINGLEVALUE")) {
        Double v = property.number(2).orElse(null);
        switch (property.text(0)) {
          case "ThermalConductivity" -> given(material, CONDUCTIVITY, v, property.ref(3));
          case "MassDensity" -> given(material, DENSITY, v, property.ref(3));
          case "SpecificHeatCapacity" -> given(material, HEAT, v, property.ref(3));
          default -> {}
        }
      }
    }
  }

  /**
   * A value in the file's units, or in that of the value.
   *
   * @param unit instance of the value's own unit, or 0
   */
  private void given(int material, int which, Double value, int unit) {
    if (value != null) {
      double[] t =
          thermal.computeIfAbsent(material, k -> new double[] {Double.NaN, Double.NaN, Double.NaN});
      t[which] = units.si(MEASURES[which], "", value, unit).value();
    }
  }

  /**
   * The key of a material.
   *
   * @param m null for a cavity
   * @param thickness in m, 0 when it is not said
   * @param source the instance that uses it
   */
  String material(StepInstance m, double thickness, StepInstance source) {
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
            + IfcNames.slug(name)
            + (thickness > 0 ? "_" + Math.round(thickness * 10000) / 10.0 + "mm" : "");
    Material old = materials.get(base);
    if (old != null && alike(old, made)) {
      return base;
    }
    String key = IfcNames.free(base, materials.keySet());
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

  private static boolean alike(Material a, Material b) {
    return java.util.Objects.equals(a.conductivity(), b.conductivity())
        && java.util.Objects.equals(a.thickness(), b.thickness())
        && java.util.Objects.equals(a.density(), b.density())
        && java.util.Objects.equals(a.specificHeat(), b.specificHeat());
  }

  private static Double known(double[] t, int i) {
    return t == null || Double.isNaN(t[i]) ? null : t[i];
  }
}
