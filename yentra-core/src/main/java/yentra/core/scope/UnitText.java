package yentra.core.scope;

import java.util.List;
import java.util.Optional;
import yentra.core.units.Quantity;
import yentra.core.units.Unit;

/** Units that a person may write, with what brings a number in them to SI. */
public final class UnitText {
  /** What is asked of properties; a unit of two of them, such as l/s, is taken for the first. */
  private static final List<Quantity> QUANTITIES =
      List.of(
          Quantity.LENGTH,
          Quantity.AREA,
          Quantity.VOLUME,
          Quantity.ANGLE,
          Quantity.MASS,
          Quantity.TIME,
          Quantity.TEMPERATURE,
          Quantity.POWER,
          Quantity.PRESSURE,
          Quantity.ILLUMINANCE,
          Quantity.SHARE,
          Quantity.U_VALUE,
          Quantity.CONDUCTIVITY,
          Quantity.RESISTANCE,
          Quantity.DENSITY,
          Quantity.SPECIFIC_HEAT,
          Quantity.VOLUME_FLOW_RATE,
          Quantity.POWER_DENSITY);

  private UnitText() {}

  private record Written(Quantity quantity, Unit unit) {}

  private static Optional<Written> of(String text) {
    for (Quantity q : QUANTITIES) {
      // tests of values compare multiples: a scale with another zero is not one
      Optional<Unit> unit = q.unit(text.strip()).filter(u -> u.shift() == 0);
      if (unit.isPresent()) {
        return Optional.of(new Written(q, unit.get()));
      }
    }
    return Optional.empty();
  }

  /** Whether a unit is known; none at all is SI. */
  public static boolean isKnown(String unit) {
    return unit.isBlank() || of(unit).isPresent();
  }

  /** What a number in the unit is multiplied by; 1 where none is stated. */
  public static double factor(String unit) {
    return of(unit).map(w -> w.unit().factor()).orElse(1.0);
  }

  /** The SI unit that the unit is one of, such as {@code m} for {@code ft}; empty for shares. */
  static String si(String unit) {
    return of(unit).map(w -> w.quantity().si().symbol()).orElse("");
  }
}
