package yentra.core.thermal;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;

/**
 * The materials of a construction from outside to inside, as homogeneous layers.
 *
 * @param complete whether all layers and materials that it names are defined
 */
public record BuildUp(List<Material> materials, boolean complete) {
  public BuildUp {
    materials = List.copyOf(materials);
  }

  /** Those of all constructions of an envelope, by key. */
  public static Map<String, BuildUp> all(Envelope e) {
    Map<String, Layer> layers = new HashMap<>();
    e.layers().forEach(l -> layers.put(l.key(), l));
    Map<String, Material> materials = new HashMap<>();
    e.materials().forEach(m -> materials.put(m.key(), m));
    Map<String, BuildUp> out = new HashMap<>();
    e.constructions().forEach(c -> out.put(c.key(), of(c, layers, materials)));
    return out;
  }

  private static BuildUp of(
      Construction c, Map<String, Layer> layers, Map<String, Material> materials) {
    List<Material> out = new ArrayList<>();
    boolean complete = true;
    for (String key : c.layers()) {
      Layer layer = layers.get(key);
      complete &= layer != null;
      for (String m : layer == null ? List.<String>of() : layer.materials()) {
        Material material = materials.get(m);
        complete &= material != null;
        if (material != null) {
          out.add(material);
        }
      }
    }
    return new BuildUp(out, complete);
  }

  /** R of a layer in m²K/W: stated, else d/λ (ISO 6946:2017, 6.7.1.1). */
  public static OptionalDouble resistance(Material m) {
    if (m.thickness() != null && m.conductivity() != null && m.conductivity() > 0) {
      return OptionalDouble.of(m.thickness() / m.conductivity());
    }
    return m.resistance() == null ? OptionalDouble.empty() : OptionalDouble.of(m.resistance());
  }

  /** Sum of the layers' resistances in m²K/W; empty when one of them is not known. */
  public OptionalDouble resistance() {
    double sum = 0;
    for (Material m : materials) {
      OptionalDouble r = resistance(m);
      if (r.isEmpty()) {
        return r;
      }
      sum += r.getAsDouble();
    }
    return materials.isEmpty() || !complete ? OptionalDouble.empty() : OptionalDouble.of(sum);
  }

  /** Thickness in metres; empty when that of a layer is not stated. */
  public OptionalDouble thickness() {
    double sum = 0;
    for (Material m : materials) {
      if (m.thickness() == null) {
        return OptionalDouble.empty();
      }
      sum += m.thickness();
    }
    return materials.isEmpty() || !complete ? OptionalDouble.empty() : OptionalDouble.of(sum);
  }

  /** U = 1/(Rsi + ΣR + Rse) in W/(m²K) (ISO 6946:2017, 6.5.2); empty when R is not known. */
  public OptionalDouble uValue(SurfaceResistances air) {
    OptionalDouble r = resistance();
    double sum = r.orElse(0) + air.sum();
    return r.isEmpty() || sum <= 0 ? OptionalDouble.empty() : OptionalDouble.of(1 / sum);
  }
}
