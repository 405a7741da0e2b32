package yentra.core.variant.change;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import yentra.core.envelope.Construction;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.construction.ConstructionSpec;
import yentra.core.repair.construction.ReplaceConstruction;
import yentra.core.units.Quantity;

/**
 * Another thickness of a material in one construction, wherever that is used. A U-value that the
 * construction states no longer counts: its layers do. The construction keeps its name.
 *
 * @param construction its name
 * @param material its name
 * @param thickness m
 */
public record LayerThickness(String construction, String material, double thickness)
    implements Change {
  private static final double SAME = 1e-9;
  private static final double THICKEST = 2;

  @Override
  public Effect on(VariantState state) throws NotApplicableException {
    checkQuantities();
    Construction c = Constructions.named(state.envelope(), construction);
    List<ConstructionSpec.LayerSpec> layers = new ArrayList<>();
    int found = 0;
    boolean same = true;
    for (ConstructionSpec.LayerSpec l : Constructions.layers(state.envelope(), c)) {
      if (!l.name().equals(material)) {
        layers.add(l);
        continue;
      }
      found++;
      if (l.conductivity() == null) {
        throw new NotApplicableException(
            material
                + " in "
                + construction
                + " has no conductivity: its thickness changes nothing.");
      }
      same &= l.thickness() != null && Math.abs(l.thickness() - thickness) < SAME;
      layers.add(
          new ConstructionSpec.LayerSpec(
              l.name(),
              thickness,
              l.conductivity(),
              l.density(),
              l.specificHeat(),
              null,
              l.share()));
    }
    if (found == 0) {
      throw new NotApplicableException(construction + " has no material called " + material + ".");
    }
    if (same) {
      return Effect.NONE;
    }
    ReplaceConstruction repair =
        new ReplaceConstruction(c.key(), new ConstructionSpec(null, c.label(), layers, null, null));
    return c.uValue() == null
        ? Effect.of(List.of(repair))
        : Effect.of(
            List.of(repair),
            c.label()
                + " states a U-value of "
                + Words.number(c.uValue())
                + " W/m²K, which no longer counts: its layers do.");
  }

  @Override
  public String label() {
    return material + " in " + construction + " " + Words.number(1000 * thickness) + " mm";
  }

  @Override
  public Set<Aspect> changes() {
    return EnumSet.of(Aspect.CONSTRUCTIONS);
  }

  @Override
  public Set<Aspect> dependsOn() {
    return EnumSet.of(Aspect.SHAPE);
  }

  @Override
  public List<ChangeQuantity> quantities() {
    return List.of(
        ChangeQuantity.of("thickness", "thickness", Quantity.LENGTH, thickness, 0.0001, THICKEST));
  }

  @Override
  public Change with(String member, double value) {
    if (!member.equals("thickness")) {
      throw Change.unknown(this, member);
    }
    return new LayerThickness(construction, material, value);
  }
}
