package yentra.core.exchange;

import java.util.List;
import java.util.Locale;
import yentra.core.units.Quantity;

/**
 * One line of a balance sheet.
 *
 * @param source in the architectural model by itself, or null where it has no such figure
 * @param before in the envelope as delivered, or null
 * @param now with all repairs, or null
 * @param readBack of a handover, or null where there is none
 * @param causes of the differences between these
 */
public record BalanceLine(
    String what,
    Measure measure,
    Double source,
    Double before,
    Double now,
    Double readBack,
    List<Cause> causes) {
  public BalanceLine {
    causes = List.copyOf(causes);
  }

  /** Objects that are named for one difference. */
  public static final int MOST_OBJECTS = 500;

  /** What a line measures. */
  public enum Measure {
    COUNT(null),
    AREA(Quantity.AREA),
    VOLUME(Quantity.VOLUME),
    /** W/K. */
    HEAT_LOSS(Quantity.HEAT_LOSS),
    /** W/(m²K). */
    U_VALUE(Quantity.U_VALUE);

    private final Quantity quantity;

    Measure(Quantity quantity) {
      this.quantity = quantity;
    }

    /** Null for a count. */
    public Quantity quantity() {
      return quantity;
    }
  }

  /** Why two columns differ. */
  public enum Kind {
    OUT_OF_SCOPE("left out of the scope"),
    GROUPED("spaces that only group others do not count again"),
    REPAIRED("repairs"),
    CONVENTION("where surfaces are drawn"),
    MEASURED_OTHERWISE("measured in another way"),
    READ_BACK("lost or changed by the format");

    private final String label;

    Kind(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  /**
   * A cause and how much of the difference it makes.
   *
   * @param amount towards the later column, in SI units
   * @param says more in words, or empty
   * @param objects keys of spaces and surfaces that make the difference, where they are known; at
   *     most {@value #MOST_OBJECTS}
   */
  public record Cause(
      Kind kind, Measure measure, double amount, String says, List<String> objects) {
    public Cause {
      objects = List.copyOf(objects);
    }

    /** In words, with the amount in the given units. */
    public String said(UnitSystem units) {
      Quantity q = measure.quantity();
      double v = q == null ? amount : units.from(q, amount);
      String unit = q == null ? "" : " " + units.of(q).symbol();
      return String.format(Locale.ROOT, "%+.2f%s: %s", v, unit, kind.label())
          + (says.isEmpty() ? "" : " (" + says + ")");
    }
  }
}
