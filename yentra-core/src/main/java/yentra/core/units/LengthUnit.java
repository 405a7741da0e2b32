package yentra.core.units;

/**
 * Units of length that models are drawn in, with their exact size in metres; areas and volumes are
 * stated in the same units squared and cubed.
 *
 * <p>Source: international yard and pound agreement of 1959 (1 ft = 0.3048 m); ISO 80000-3.
 */
public enum LengthUnit {
  KILOMETRE("kilometres", 1000),
  METRE("metres", 1),
  CENTIMETRE("centimetres", 0.01),
  MILLIMETRE("millimetres", 0.001),
  MILE("miles", 1609.344),
  YARD("yards", 0.9144),
  FOOT("feet", 0.3048),
  INCH("inches", 0.0254);

  private final String plural;
  private final double metres;

  LengthUnit(String plural, double metres) {
    this.plural = plural;
    this.metres = metres;
  }

  /** Its name, such as {@code feet}. */
  public String plural() {
    return plural;
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
