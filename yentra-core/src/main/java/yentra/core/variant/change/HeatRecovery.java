package yentra.core.variant.change;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import yentra.core.repair.NotApplicableException;
import yentra.core.units.Quantity;

/**
 * Warmth of outgoing air that fresh air takes up.
 *
 * @param share 0 to 1
 */
public record HeatRecovery(double share) implements Change {
  @Override
  public Effect on(VariantState state) throws NotApplicableException {
    checkQuantities();
    return state.settings().heatRecovery() == share
        ? Effect.NONE
        : Effect.of(state.settings().withHeatRecovery(share));
  }

  @Override
  public String label() {
    return "heat recovery " + Words.percent(share);
  }

  @Override
  public Set<Aspect> changes() {
    return EnumSet.of(Aspect.RECOVERY);
  }

  @Override
  public Set<Aspect> dependsOn() {
    return EnumSet.noneOf(Aspect.class);
  }

  @Override
  public List<ChangeQuantity> quantities() {
    return List.of(ChangeQuantity.of("share", "heat recovery", Quantity.SHARE, share, 0, 1));
  }

  @Override
  public Change with(String member, double value) {
    if (!member.equals("share")) {
      throw Change.unknown(this, member);
    }
    return new HeatRecovery(value);
  }
}
