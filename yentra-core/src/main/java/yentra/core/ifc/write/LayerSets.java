package yentra.core.ifc.write;

import static yentra.core.step.StepWriter.real;
import static yentra.core.step.StepWriter.ref;
import static yentra.core.step.StepWriter.refs;
import static yentra.core.step.StepWriter.text;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.step.StepWriter;

/** Constructions as layer sets of materials with their thermal values, from outside to inside. */
final class LayerSets {
  private final Envelope envelope;
  private final IfcDialect dialect;
  private final StepWriter step;
  private final double unit;
  private final Map<String, Integer> sets = new HashMap<>();
  private final Map<String, Integer> materials = new HashMap<>();
  private final Map<String, Layer> layers = new HashMap<>();
  private final Set<String> notes = new LinkedHashSet<>();

  /** Layers in metres. */
  LayerSets(Envelope envelope, IfcDialect dialect, StepWriter step) {
    this(envelope, dialect, step, 1);
  }

  /**
   * @param unit metres in a unit of length of the file
   */
  LayerSets(Envelope envelope, IfcDialect dialect, StepWriter step, double unit) {
    this.unit = unit;
    this.envelope = envelope;
    this.dialect = dialect;
    this.step = step;
    envelope.layers().forEach(l -> layers.put(l.key(), l));
  }

  List<String> notes() {
    return new ArrayList<>(notes);
  }

  /** The sum of the layers' thicknesses, m; null for a construction that states none. */
  Double thickness(String construction) {
    double sum = 0;
    for (Material m : materials(construction)) {
      sum += m.thickness() == null ? 0 : m.thickness();
    }
    return sum > 0 ? (Double) sum : null;
  }

  /** Its materials one behind the other; of those side by side the one with the largest share. */
  private List<Material> materials(String construction) {
    List<Material> out = new ArrayList<>();
    Construction c = construction == null ? null : envelope.construction(construction).orElse(null);
    for (String key : c == null ? List.<String>of() : c.layers()) {
      Layer l = layers.get(key);
      if (l != null && l.shares().isEmpty()) {
        l.materials().forEach(m -> envelope.material(m).ifPresent(out::add));
      } else if (l != null) {
        notes.add(
            "A layer of materials side by side has no place in a layer set: of "
                + c.label()
                + " the one with the largest share is written");
        int largest = 0;
        for (int i = 1; i < l.materials().size(); i++) {
          largest = l.share(i) > l.share(largest) ? i : largest;
        }
        envelope.material(l.materials().get(largest)).ifPresent(out::add);
      }
    }
    return out;
  }

  /** The layer set of a construction; null for one without layers. */
  Integer set(String construction) {
    if (construction == null || materials(construction).isEmpty()) {
      return null;
    }
    return sets.computeIfAbsent(construction, this::write);
  }

  private int write(String construction) {
    List<Integer> ids = new ArrayList<>();
    for (Material m : materials(construction)) {
      int material = materials.computeIfAbsent(m.key(), k -> material(m));
      Double thickness = m.thickness() == null ? 0 : m.thickness() / unit;
      ids.add(
          dialect.isOld()
              ? step.add("IFCMATERIALLAYER", ref(material), real(thickness), "$")
              : step.add(
                  "IFCMATERIALLAYER", ref(material), real(thickness), "$", "$", "$", "$", "$"));
    }
    String name = envelope.construction(construction).map(Construction::label).orElseThrow();
    return dialect.isOld()
        ? step.add("IFCMATERIALLAYERSET", refs(ids), text(name))
        : step.add("IFCMATERIALLAYERSET", refs(ids), text(name), "$");
  }

  private int material(Material m) {
    int id =
        dialect.isOld()
            ? step.add("IFCMATERIAL", text(m.label()))
            : step.add("IFCMATERIAL", text(m.label()), "$", "$");
    List<Integer> thermal = new ArrayList<>();
    Double lambda = m.conductivity();
    if (lambda == null && m.resistance() != null) {
      if (m.thickness() != null && m.resistance() > 0) {
        lambda = m.thickness() / m.resistance();
        notes.add("Resistances of layers are written as the conductivity that gives them");
      } else {
        notes.add("IFC has no place for the resistance of a layer without thickness: " + m.label());
      }
    }
    if (dialect.isOld()) {
      old(m, lambda, id);
      return id;
    }
    value(thermal, "ThermalConductivity", "IFCTHERMALCONDUCTIVITYMEASURE", lambda);
    value(thermal, "SpecificHeatCapacity", "IFCSPECIFICHEATCAPACITYMEASURE", m.specificHeat());
    List<Integer> common = new ArrayList<>();
    value(common, "MassDensity", "IFCMASSDENSITYMEASURE", m.density());
    properties("Pset_MaterialThermal", thermal, id);
    properties("Pset_MaterialCommon", common, id);
    return id;
  }

  /** IFC2X3 has entities for thermal values; specific heat comes before conductivity. */
  private void old(Material m, Double lambda, int material) {
    if (lambda != null || m.specificHeat() != null) {
      step.add(
          "IFCTHERMALMATERIALPROPERTIES",
          ref(material),
          real(m.specificHeat()),
          "$",
          "$",
          real(lambda));
    }
    if (m.density() != null) {
      step.add("IFCGENERALMATERIALPROPERTIES", ref(material), "$", "$", real(m.density()));
    }
  }

  private void value(List<Integer> all, String name, String measure, Double v) {
    if (v != null) {
      all.add(
          step.shared(
              "IFCPROPERTYSINGLEVALUE", text(name), "$", measure + "(" + real(v) + ")", "$"));
    }
  }

  private void properties(String set, List<Integer> values, int material) {
    if (!values.isEmpty()) {
      step.add("IFCMATERIALPROPERTIES", text(set), "$", refs(values), ref(material));
    }
  }
}
