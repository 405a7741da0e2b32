package yentra.core.thermal;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;

/**
 * The layers of a construction from outside to inside.
 *
 * @param layers each of one material, or of several side by side
 * @param complete whether all layers and materials that it names are defined
 */
public record BuildUp(List<List<Constituent>> layers, boolean complete) {
  public BuildUp {
    layers = layers.stream().map(List::copyOf).toList();
  }

  /**
   * A material of a layer.
   *
   * @param share of the layer's area, 0 to 1
   */
  public record Constituent(Material material, double share) {}

  /** Of homogeneous layers. */
  public static BuildUp of(List<Material> materials) {
    return new BuildUp(materials.stream().map(m -> List.of(new Constituent(m, 1))).toList(), true);
  }

  /** All materials, layer by layer. */
  public List<Material> materials() {
    return layers.stream().flatMap(List::stream).map(Constituent::material).toList();
  }

  /** Whether a layer has materials side by side. */
  public boolean isBridged() {
    return layers.stream().anyMatch(l -> l.size() > 1);
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
    List<List<Constituent>> out = new ArrayList<>();
    boolean complete = true;
    for (String key : c.layers()) {
      Layer layer = layers.get(key);
      complete &= layer != null;
      List<Constituent> beside = new ArrayList<>();
      List<String> names = layer == null ? List.of() : layer.materials();
      for (int i = 0; i < names.size(); i++) {
        Material material = materials.get(names.get(i));
        complete &= material != null;
        if (material != null && layer.shares().isEmpty()) {
          out.add(List.of(new Constituent(material, 1)));
        } else if (material != null) {
          beside.add(new Constituent(material, layer.share(i)));
        }
      }
      if (!beside.isEmpty()) {
        out.add(beside);
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

  /**
   * Sum of the layers' resistances in m²K/W, of bridged ones by their mean conductance; empty when
   * one of them is not known.
   */
  public OptionalDouble resistance() {
    double sum = 0;
    for (List<Constituent> layer : layers) {
      OptionalDouble r = resistance(layer);
      if (r.isEmpty()) {
        return r;
      }
      sum += r.getAsDouble();
    }
    return layers.isEmpty() || !complete ? OptionalDouble.empty() : OptionalDouble.of(sum);
  }

  /** Of one layer. */
  static OptionalDouble resistance(List<Constituent> layer) {
    double conductance = 0;
    for (Constituent p : layer) {
      OptionalDouble r = resistance(p.material);
      if (r.isEmpty() || r.getAsDouble() <= 0) {
        return layer.size() == 1 ? r : OptionalDouble.empty();
      }
      if (layer.size() == 1) {
        return r;
      }
      conductance += p.share / r.getAsDouble();
    }
    return conductance > 0 ? OptionalDouble.of(1 / conductance) : OptionalDouble.empty();
  }

  /** Thickness in metres; empty when that of a layer is not stated. */
  public OptionalDouble thickness() {
    double sum = 0;
    for (List<Constituent> layer : layers) {
      double most = -1;
      for (Constituent p : layer) {
        if (p.material.thickness() == null) {
          return OptionalDouble.empty();
        }
        most = Math.max(most, p.material.thickness());
      }
      sum += Math.max(0, most);
    }
    return layers.isEmpty() || !complete ? OptionalDouble.empty() : OptionalDouble.of(sum);
  }

  /**
   * Upper and lower limit of the total resistance of a bridged component (ISO 6946:2017, 6.7.2);
   * empty when a resistance is not known or is nothing.
   */
  public Optional<BridgedComponent> bridged(SurfaceResistances air) {
    List<List<BridgedComponent.Section>> parts = new ArrayList<>();
    for (List<Constituent> layer : layers) {
      double all = layer.stream().mapToDouble(Constituent::share).sum();
      List<BridgedComponent.Section> row = new ArrayList<>();
      for (Constituent p : layer) {
        OptionalDouble r = resistance(p.material);
        if (r.isEmpty() || r.getAsDouble() <= 0) {
          return Optional.empty();
        }
        row.add(new BridgedComponent.Section(p.share / all, r.getAsDouble()));
      }
      parts.add(row);
    }
    return layers.isEmpty() || !complete
        ? Optional.empty()
        : Optional.of(BridgedComponent.of(parts, air));
  }

  /**
   * U = 1/(Rsi + ΣR + Rse) in W/(m²K) (ISO 6946:2017, 6.5.2; of bridged components 6.7.2); empty
   * when R is not known.
   */
  public OptionalDouble uValue(SurfaceResistances air) {
    if (isBridged()) {
      return bridged(air).map(b -> OptionalDouble.of(b.uValue())).orElse(OptionalDouble.empty());
    }
    OptionalDouble r = resistance();
    double sum = r.orElse(0) + air.sum();
    return r.isEmpty() || sum <= 0 ? OptionalDouble.empty() : OptionalDouble.of(1 / sum);
  }
}
