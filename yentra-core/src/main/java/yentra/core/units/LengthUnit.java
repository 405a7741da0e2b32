package yentra.core.units;

/**
 * Units of length that models are drawn in, with their exact size in metres; areas and volumes are
 * stated in the same units squared and cubed.
 *
 * <p>Source: international yard and pound agreement of 1959 (1 ft = 0.3048 m); ISO 80000-3.
 */
public enum LengthUnit {
  KILOMETRE("kilometres", "km", 1000),
  METRE("metres", "m", 1),
  CENTIMETRE("centimetres", "cm", 0.01),
  MILLIMETRE("millimetres", "mm", 0.001),
  MILE("miles", "mi", 1609.344),
  YARD("yards", "yd", 0.9144),
  FOOT("feet", "ft", 0.3048),
  INCH("inches", "in", 0.0254);

  private final String plural;
  private final String symbol;
  private final double metres;

  LengthUnit(String plural, String symbol, double metres) {
    this.plural = plural;
    this.symbol = symbol;
    this.metres = metres;
  }

  /** Its name, such as {@code feet}. */
  public String plural() {
    return plural;
  }

  public String symbol() {
    return symbol;
  }

  public double metres() {
    return metres;
  }

  public double squareMetres() {
    return metres * metres;
  }

  public double cubicMetres() {
    return metres * metres * metres;
  }
}
