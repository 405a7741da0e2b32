package yentra.core.repair.construction;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.envelope.SourceRef;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.thermal.BuildUp;

/**
 * Merges a layer into its neighbour, the inner one, of the innermost the outer: thickness,
 * resistance and heat capacity of both together stay what they are. Holds for all constructions
 * that have the material.
 */
public record MergeThinLayer(String material) implements Repair {
  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    ThermalParts parts = new ThermalParts(e);
    Material thin =
        parts
            .material(material)
            .orElseThrow(
                () ->
                    new NotApplicableException(
                        "The material " + material + " is no longer there."));
    boolean merged = false;
    for (int i = 0; i < parts.constructions().size(); i++) {
      Construction c = parts.constructions().get(i);
      List<Material> flat = flat(parts, c);
      if (flat == null || !flat.contains(thin)) {
        continue;
      }
      if (flat.size() < 2) {
        throw new NotApplicableException(thin.label() + " is the only layer of " + c.label() + ".");
      }
      List<String> layers = new ArrayList<>();
      for (Material m : merged(flat, thin)) {
        String key = m.key().isEmpty() ? parts.material(m) : m.key();
        layers.add(parts.layer(new Layer("", "", List.of(key), SourceRef.REPAIR, Extras.NONE)));
      }
      parts
          .constructions()
          .set(i, new Construction(c.key(), c.name(), layers, c.uValue(), c.source(), c.extras()));
      merged = true;
    }
    if (!merged) {
      throw new NotApplicableException(
          "No construction has " + thin.label() + " as a layer of its own.");
    }
    List<String> used = parts.constructions().stream().flatMap(c -> c.layers().stream()).toList();
    parts.layers().removeIf(l -> l.materials().contains(material) && !used.contains(l.key()));
    if (parts.layers().stream().noneMatch(l -> l.materials().contains(material))) {
      parts.materials().removeIf(m -> m.key().equals(material));
    }
    return parts.envelope();
  }

  /** The materials one behind the other; null where some lie side by side or are missing. */
  private static List<Material> flat(ThermalParts parts, Construction c) {
    List<Material> out = new ArrayList<>();
    for (String key : c.layers()) {
      Layer l = parts.layer(key).orElse(null);
      if (l == null || !l.shares().isEmpty()) {
        return null;
      }
      for (String m : l.materials()) {
        if (parts.material(m).isEmpty()) {
          return null;
        }
        out.add(parts.material(m).get());
      }
    }
    return out;
  }

  private static List<Material> merged(List<Material> flat, Material thin)
      throws NotApplicableException {
    List<Material> out = new ArrayList<>(flat);
    for (int i = out.indexOf(thin); i >= 0 && out.size() > 1; i = out.indexOf(thin)) {
      int other = i + 1 < out.size() ? i + 1 : i - 1;
      Material both = both(out.get(other), thin);
      out.set(Math.min(i, other), both);
      out.remove(Math.max(i, other));
    }
    return out;
  }

  private static Material both(Material a, Material thin) throws NotApplicableException {
    OptionalDouble ra = BuildUp.resistance(a);
    OptionalDouble rb = BuildUp.resistance(thin);
    if (ra.isEmpty() || rb.isEmpty()) {
      throw new NotApplicableException(
          "The resistance of " + a.label() + " or of " + thin.label() + " is not known.");
    }
    double r = ra.getAsDouble() + rb.getAsDouble();
    Double d =
        a.thickness() == null || thin.thickness() == null
            ? null
            : (Double) (a.thickness() + thin.thickness());
    Double mass = sum(mass(a), mass(thin));
    Double heat = sum(heat(a), heat(thin));
    return new Material(
        "",
        a.label() + " with " + thin.label(),
        d,
        d == null ? null : (Double) (d / r),
        d == null || mass == null ? null : (Double) (mass / d),
        mass == null || heat == null ? null : (Double) (heat / mass),
        d == null ? (Double) r : null,
        SourceRef.REPAIR,
        Extras.NONE);
  }

  private static Double sum(Double a, Double b) {
    return a == null || b == null ? null : (Double) (a + b);
  }

  /** kg/m². */
  private static Double mass(Material m) {
    return m.thickness() == null || m.density() == null
        ? null
        : (Double) (m.thickness() * m.density());
  }

  /** J/(m²K). */
  private static Double heat(Material m) {
    Double mass = mass(m);
    return mass == null || m.specificHeat() == null ? null : (Double) (mass * m.specificHeat());
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new MergeThinLayer(keys.of(material));
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    return "Merges the layer "
        + before.material(material).map(Material::label).orElse(material)
        + " into its neighbour; resistance and heat capacity stay.";
  }
}
