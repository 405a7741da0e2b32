package yentra.core.variant.change;

import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import yentra.core.envelope.InternalGains;
import yentra.core.envelope.Space;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.use.GiveUse;
import yentra.core.units.Quantity;

/**
 * Light and equipment of used spaces, on as their schedules say; what is null stays.
 *
 * @param lighting W/m²
 * @param equipment W/m²
 */
public record LightAndEquipment(Double lighting, Double equipment) implements Change {
  private static final double MOST = 1000;

  @Override
  public Effect on(VariantState state) throws NotApplicableException {
    checkQuantities();
    if (lighting == null && equipment == null) {
      throw new NotApplicableException("Say a power of light or equipment.");
    }
    if (state.settings().all().gains() != null) {
      throw new NotApplicableException(
          "The settings of the estimate lay down internal gains for all spaces, so that light and equipment do not count.");
    }
    List<String> others =
        state.used().stream().filter(s -> !isSo(s.gains())).map(Space::key).toList();
    if (state.used().isEmpty()) {
      throw new NotApplicableException("No space is heated or cooled.");
    }
    InternalGains gains = new InternalGains(null, null, null, null, lighting, equipment);
    return others.isEmpty()
        ? Effect.NONE
        : Effect.of(List.of(new GiveUse(others, null, null, gains)));
  }

  private boolean isSo(InternalGains g) {
    return (lighting == null || Objects.equals(lighting, g.lighting()))
        && (equipment == null || Objects.equals(equipment, g.equipment()));
  }

  @Override
  public String label() {
    return equipment == null
        ? "light of " + Words.number(lighting) + " W/m²"
        : lighting == null
            ? "equipment of " + Words.number(equipment) + " W/m²"
            : "light of "
                + Words.number(lighting)
                + " W/m² and equipment of "
                + Words.number(equipment)
                + " W/m²";
  }

  @Override
  public Set<Aspect> changes() {
    return EnumSet.of(Aspect.GAINS);
  }

  @Override
  public Set<Aspect> dependsOn() {
    return EnumSet.of(Aspect.SHAPE);
  }

  @Override
  public List<ChangeQuantity> quantities() {
    return List.of(
        ChangeQuantity.of("lighting", "light", Quantity.POWER_DENSITY, lighting, 0, MOST),
        ChangeQuantity.of("equipment", "equipment", Quantity.POWER_DENSITY, equipment, 0, MOST));
  }

  @Override
  public Change with(String member, double value) {
    return switch (member) {
      case "lighting" -> new LightAndEquipment(value, equipment);
      case "equipment" -> new LightAndEquipment(lighting, value);
      default -> throw Change.unknown(this, member);
    };
  }
}
