package yentra.core.variant.change;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import yentra.core.estimate.setting.SpaceSettings;
import yentra.core.repair.NotApplicableException;
import yentra.core.units.Quantity;

/**
 * Set-points of all spaces at all times; what is null stays.
 *
 * @param heating °C
 * @param cooling °C
 */
public record SetPoints(Double heating, Double cooling) implements Change {
  @Override
  public Effect on(VariantState state) throws NotApplicableException {
    checkQuantities();
    if (heating == null && cooling == null) {
      throw new NotApplicableException("Say a temperature to heat to or to cool to.");
    }
    SpaceSettings all = state.settings().all();
    Double heat = heating == null ? all.heating() : heating;
    Double cool = cooling == null ? all.cooling() : cooling;
    if (heat != null && cool != null && heat > cool) {
      throw new NotApplicableException(
          "Spaces would be heated to "
              + Words.number(heat)
              + " °C and cooled to "
              + Words.number(cool)
              + " °C.");
    }
    SpaceSettings now =
        new SpaceSettings(
            all.airChange(),
            heat,
            cool,
            all.gains(),
            all.conditioned(),
            all.heatingLimit(),
            all.coolingLimit());
    return now.equals(all) ? Effect.NONE : Effect.of(state.settings().withAll(now));
  }

  @Override
  public String label() {
    return cooling == null
        ? "all spaces heated to " + Words.number(heating) + " °C"
        : heating == null
            ? "all spaces cooled to " + Words.number(cooling) + " °C"
            : "all spaces heated to "
                + Words.number(heating)
                + " °C and cooled to "
                + Words.number(cooling)
                + " °C";
  }

  @Override
  public Set<Aspect> changes() {
    return EnumSet.of(Aspect.SET_POINTS);
  }

  @Override
  public Set<Aspect> dependsOn() {
    return EnumSet.noneOf(Aspect.class);
  }

  @Override
  public List<ChangeQuantity> quantities() {
    return List.of(
        ChangeQuantity.of(
            "heating", "set-point for heating", Quantity.TEMPERATURE, heating, -50, 100),
        ChangeQuantity.of(
            "cooling", "set-point for cooling", Quantity.TEMPERATURE, cooling, -50, 100));
  }

  @Override
  public Change with(String member, double value) {
    return switch (member) {
      case "heating" -> new SetPoints(value, cooling);
      case "cooling" -> new SetPoints(heating, value);
      default -> throw Change.unknown(this, member);
    };
  }
}
