package yentra.core.units;

import java.util.List;

/**
 * A unit of a quantity: {@code value in the quantity's SI unit = (value + shift) × factor}.
 *
 * @param symbol as it is shown, such as {@code ft²}
 * @param factor SI units in one of this unit
 * @param shift what is added before the factor; only temperatures have one
 * @param spellings other ways in which a person or a file writes the symbol
 */
public record Unit(String symbol, double factor, double shift, List<String> spellings) {
  public Unit {
    spellings = List.copyOf(spellings);
  }

  static Unit of(String symbol, double factor, String... spellings) {
    return new Unit(symbol, factor, 0, List.of(spellings));
  }

  /** A value in this unit, in the quantity's SI unit. */
  public double toSi(double value) {
    return (value + shift) * factor;
  }

  /** A value in the quantity's SI unit, in this unit. */
  public double fromSi(double si) {
    return si / factor - shift;
  }

  boolean isWritten(String text) {
    return symbol.equalsIgnoreCase(text) || spellings.stream().anyMatch(text::equalsIgnoreCase);
  }
}
