package yentra.core.variant.change;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.construction.ConstructionSpec;
import yentra.core.repair.construction.GiveConstruction;
import yentra.core.units.Quantity;

/**
 * A construction for all surfaces of a type.
 *
 * @param construction with all its values, so that it holds on any delivery
 */
public record ConstructionOfType(SurfaceType type, ConstructionSpec construction)
    implements Change {
  @Override
  public Effect on(VariantState state) throws NotApplicableException {
    checkQuantities();
    if (type == null || construction == null) {
      throw new NotApplicableException("Choose a type of surface and a construction.");
    }
    List<String> surfaces =
        state.envelope().surfaces().stream()
            .filter(s -> s.type() == type)
            .map(Surface::key)
            .toList();
    if (surfaces.isEmpty()) {
      throw new NotApplicableException("There is no " + type.label() + ".");
    }
    return state.unlessSo(List.of(new GiveConstruction(surfaces, construction)));
  }

  @Override
  public String label() {
    return "each " + type.label() + " " + named();
  }

  private String named() {
    return construction.name() == null ? "construction " + construction.key() : construction.name();
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
    return construction == null || construction.uValue() == null
        ? List.of()
        : List.of(
            ChangeQuantity.of(
                "uValue", "U-value", Quantity.U_VALUE, construction.uValue(), 0.01, 10));
  }

  @Override
  public Change with(String member, double value) {
    if (!member.equals("uValue") || quantities().isEmpty()) {
      throw Change.unknown(this, member);
    }
    return new ConstructionOfType(
        type,
        new ConstructionSpec(
            null, construction.name(), construction.layers(), value, construction.source()));
  }
}
