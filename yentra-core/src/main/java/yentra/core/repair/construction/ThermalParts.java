package yentra.core.repair.construction;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Surface;

/**
 * The constructions, layers and materials of an envelope while some are added or changed. What is
 * equal in all values is used again; keys of new ones follow from their names.
 */
public final class ThermalParts {
  private final Envelope before;
  private final List<Construction> constructions;
  private final List<Layer> layers;
  private final List<Material> materials;
  private final Set<String> keys = new HashSet<>();

  ThermalParts(Envelope e) {
    before = e;
    constructions = new ArrayList<>(e.constructions());
    layers = new ArrayList<>(e.layers());
    materials = new ArrayList<>(e.materials());
    constructions.forEach(c -> keys.add(c.key()));
    layers.forEach(l -> keys.add(l.key()));
    materials.forEach(m -> keys.add(m.key()));
    e.glazings().forEach(g -> keys.add(g.key()));
  }

  Envelope envelope() {
    return before.withConstructions(constructions, layers, materials);
  }

  List<Construction> constructions() {
    return constructions;
  }

  List<Layer> layers() {
    return layers;
  }

  List<Material> materials() {
    return materials;
  }

  Optional<Layer> layer(String key) {
    return layers.stream().filter(l -> l.key().equals(key)).findFirst();
  }

  Optional<Material> material(String key) {
    return materials.stream().filter(m -> m.key().equals(key)).findFirst();
  }

  /** The key of a material with these values. */
  String material(Material m) {
    for (Material x : materials) {
      boolean same =
          x.name().equals(m.name())
              && Objects.equals(x.thickness(), m.thickness())
              && Objects.equals(x.conductivity(), m.conductivity())
              && Objects.equals(x.density(), m.density())
              && Objects.equals(x.specificHeat(), m.specificHeat())
              && Objects.equals(x.resistance(), m.resistance());
      if (same) {
        return x.key();
      }
    }
    String key = free("mat_" + slug(m.name()));
    materials.add(
        new Material(
            key,
            m.name(),
            m.thickness(),
            m.conductivity(),
            m.density(),
            m.specificHeat(),
            m.resistance(),
            m.source(),
            m.extras()));
    return key;
  }

  /** The key of a layer of these materials. */
  String layer(Layer l) {
    for (Layer x : layers) {
      if (x.materials().equals(l.materials()) && x.shares().equals(l.shares())) {
        return x.key();
      }
    }
    String key = free("lay_" + l.materials().get(0).replaceFirst("^mat_", ""));
    layers.add(new Layer(key, l.name(), l.materials(), l.shares(), l.source(), l.extras()));
    return key;
  }

  /** The key of a construction of this name and these layers. */
  String construction(Construction c) {
    for (Construction x : constructions) {
      if (x.name().equals(c.name())
          && x.layers().equals(c.layers())
          && Objects.equals(x.uValue(), c.uValue())) {
        return x.key();
      }
    }
    String key = free("con_" + slug(c.name()));
    constructions.add(
        new Construction(key, c.name(), c.layers(), c.uValue(), c.source(), c.extras()));
    return key;
  }

  private String free(String base) {
    String key = base;
    for (int i = 2; !keys.add(key); i++) {
      key = base + "-" + i;
    }
    return key;
  }

  /** An xml id out of a name. */
  public static String slug(String name) {
    String ascii = Normalizer.normalize(name, Normalizer.Form.NFD).replaceAll("\\p{M}", "");
    String out = ascii.replaceAll("[^A-Za-z0-9]+", "-").replaceAll("^-|-$", "");
    return out.isEmpty() ? "unnamed" : out.length() > 40 ? out.substring(0, 40) : out;
  }

  /** Without a construction that nothing uses any more, and what only it used. */
  static Envelope swept(Envelope e, String construction) {
    for (Surface s : e.surfaces()) {
      if (construction.equals(s.construction())) {
        return e;
      }
      for (Opening o : s.openings()) {
        if (construction.equals(o.construction())) {
          return e;
        }
      }
    }
    if (e.orphans().stream().anyMatch(o -> construction.equals(o.construction()))) {
      return e;
    }
    List<Construction> kept =
        e.constructions().stream().filter(c -> !c.key().equals(construction)).toList();
    List<String> was = e.construction(construction).map(Construction::layers).orElse(List.of());
    Set<String> used = new HashSet<>();
    kept.forEach(c -> used.addAll(c.layers()));
    Set<String> gone = new HashSet<>(was);
    gone.removeAll(used);
    Set<String> freed = new HashSet<>();
    List<Layer> layers = new ArrayList<>();
    for (Layer l : e.layers()) {
      if (gone.contains(l.key())) {
        freed.addAll(l.materials());
      } else {
        layers.add(l);
      }
    }
    layers.forEach(l -> freed.removeAll(l.materials()));
    return e.withConstructions(
        kept, layers, e.materials().stream().filter(m -> !freed.contains(m.key())).toList());
  }
}
