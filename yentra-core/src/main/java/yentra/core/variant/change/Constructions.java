package yentra.core.variant.change;

import java.util.ArrayList;
import java.util.List;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.construction.ConstructionSpec;

/** Finds constructions by the names that people know them by, and says what they are made of. */
final class Constructions {
  private Constructions() {}

  /**
   * The construction with a name, or with this key.
   *
   * @throws NotApplicableException when there is none, or several that nobody can tell apart
   */
  static Construction named(Envelope e, String name) throws NotApplicableException {
    List<Construction> found =
        e.constructions().stream().filter(c -> c.label().equals(name)).toList();
    if (found.size() == 1) {
      return found.get(0);
    }
    if (found.size() > 1) {
      throw new NotApplicableException(
          found.size() + " constructions are called " + name + ": rename or merge them first.");
    }
    return e.construction(name)
        .orElseThrow(
            () -> new NotApplicableException("There is no construction called " + name + "."));
  }

  /** The layers of a construction with all their values, from outside to inside. */
  static List<ConstructionSpec.LayerSpec> layers(Envelope e, Construction c) {
    List<ConstructionSpec.LayerSpec> out = new ArrayList<>();
    for (String key : c.layers()) {
      Layer l = e.layers().stream().filter(x -> x.key().equals(key)).findFirst().orElse(null);
      if (l == null) {
        continue;
      }
      for (int i = 0; i < l.materials().size(); i++) {
        Material m = e.material(l.materials().get(i)).orElse(null);
        if (m != null) {
          out.add(
              new ConstructionSpec.LayerSpec(
                  m.label(),
                  m.thickness(),
                  m.conductivity(),
                  m.density(),
                  m.specificHeat(),
                  m.resistance(),
                  l.shares().isEmpty() ? null : l.share(i)));
        }
      }
    }
    return out;
  }
}
