package yentra.core.variant.change;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import yentra.core.envelope.Construction;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.construction.StateUValue;
import yentra.core.units.Quantity;

/**
 * A U-value that a construction states.
 *
 * @param construction its name
 * @param uValue W/(m²K)
 */
public record StatedUValue(String construction, double uValue) implements Change {
  @Override
  public Effect on(VariantState state) throws NotApplicableException {
    checkQuantities();
    Construction c = Constructions.named(state.envelope(), construction);
    return c.uValue() != null && c.uValue() == uValue
        ? Effect.NONE
        : Effect.of(List.of(new StateUValue(c.key(), uValue)));
  }

  @Override
  public String label() {
    return "U-value of " + construction + " " + Words.number(uValue) + " W/m²K";
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
    return List.of(ChangeQuantity.of("uValue", "U-value", Quantity.U_VALUE, uValue, 0.01, 10));
  }

  @Override
  public Change with(String member, double value) {
    if (!member.equals("uValue")) {
      throw Change.unknown(this, member);
    }
    return new StatedUValue(construction, value);
  }
}
