package yentra.core.variant.change;

import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.Opening;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.construction.GiveGlazing;
import yentra.core.repair.construction.GlazingSpec;
import yentra.core.units.Quantity;

/**
 * Another window type for the windows of used spaces.
 *
 * @param facing directions of walls; empty for all
 * @param uValue of the whole window, W/(m²K)
 * @param solarHeatGain 0 to 1
 * @param visibleTransmittance 0 to 1, or null
 * @param source where the values come from, or empty
 */
public record WindowType(
    Set<Facing> facing,
    String name,
    double uValue,
    double solarHeatGain,
    Double visibleTransmittance,
    String source)
    implements Change {
  private static final double MOST_U = 10;

  public WindowType {
    facing = facing == null || facing.isEmpty() ? Set.of() : EnumSet.copyOf(facing);
    name = name == null ? "" : name.strip();
    source = source == null ? "" : source;
  }

  @Override
  public Effect on(VariantState state) throws NotApplicableException {
    checkQuantities();
    if (name.isEmpty()) {
      throw new NotApplicableException("Name the window type.");
    }
    List<Opening> windows = state.windowsFacing(facing);
    if (windows.isEmpty()) {
      throw new NotApplicableException(
          "No window of a heated or cooled space is there" + Words.facing(facing) + ".");
    }
    List<String> others =
        windows.stream().filter(o -> !isThis(state, o)).map(Opening::key).toList();
    return others.isEmpty()
        ? Effect.NONE
        : Effect.of(
            List.of(
                new GiveGlazing(
                    others,
                    new GlazingSpec(
                        null, name, uValue, solarHeatGain, visibleTransmittance, source))));
  }

  private boolean isThis(VariantState state, Opening o) {
    Glazing g = state.envelope().glazing(o.glazing()).orElse(null);
    return g != null
        && g.label().equals(name)
        && Objects.equals(g.uValue(), uValue)
        && Objects.equals(g.solarHeatGain(), solarHeatGain)
        && Objects.equals(g.visibleTransmittance(), visibleTransmittance);
  }

  @Override
  public String label() {
    return "windows" + Words.facing(facing) + " " + name;
  }

  @Override
  public Set<Aspect> changes() {
    return EnumSet.of(Aspect.GLAZING);
  }

  @Override
  public Set<Aspect> dependsOn() {
    return EnumSet.of(Aspect.NORTH, Aspect.SHAPE, Aspect.WINDOWS);
  }

  @Override
  public List<ChangeQuantity> quantities() {
    return List.of(
        ChangeQuantity.of("uValue", "U-value of windows", Quantity.U_VALUE, uValue, 0.1, MOST_U),
        ChangeQuantity.of(
            "solarHeatGain", "solar heat gain", Quantity.SHARE, solarHeatGain, 0.01, 1));
  }

  @Override
  public Change with(String member, double value) {
    return switch (member) {
      case "uValue" ->
          new WindowType(facing, name, value, solarHeatGain, visibleTransmittance, source);
      case "solarHeatGain" ->
          new WindowType(facing, name, uValue, value, visibleTransmittance, source);
      default -> throw Change.unknown(this, member);
    };
  }
}
