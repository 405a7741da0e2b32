package yentra.core.finding;

import java.util.Locale;

/** Figures in messages: no more digits than the tolerance supports. */
public final class Text {
  private Text() {}

  public static String area(double squareMetres) {
    return String.format(Locale.ROOT, "%.2f m²", squareMetres);
  }

  public static String smallArea(double squareMetres) {
    return String.format(Locale.ROOT, "%.4f m²", squareMetres);
  }

  public static String length(double metres) {
    return String.format(Locale.ROOT, "%.3f m", metres);
  }

  public static String millimetres(double metres) {
    return String.format(Locale.ROOT, "%.1f mm", metres * 1000);
  }

  public static String volume(double cubicMetres) {
    return String.format(Locale.ROOT, "%.2f m³", cubicMetres);
  }

  /** A figure with up to four significant digits, without a power of ten where it can be. */
  public static String value(double v) {
    if (v == 0 || !Double.isFinite(v) || Math.abs(v) >= 1e7 || Math.abs(v) < 1e-6) {
      return String.valueOf(v);
    }
    return new java.math.BigDecimal(v)
        .round(new java.math.MathContext(4))
        .stripTrailingZeros()
        .toPlainString();
  }

  /** A figure that is in per cent already. */
  public static String percent(double percent) {
    return String.format(Locale.ROOT, "%.1f %%", percent);
  }

  public static String degrees(double degrees) {
    return String.format(Locale.ROOT, "%.1f°", degrees);
  }

  /** The first three, and how many more. */
  public static String some(java.util.List<String> names) {
    int n = names.size();
    return n <= 3
        ? String.join(", ", names)
        : String.join(", ", names.subList(0, 3)) + " and " + (n - 3) + " more";
  }

  /** Smaller angles are written as none: {@link #degrees} gives one decimal. */
  public static final double LEAST_DEGREES = 0.05;

  /** Shorter moves are written as none, in metres: they are told with two decimals. */
  public static final double LEAST_MOVE = 0.005;

  /**
   * "its area goes from 2.70 m² to 2.85 m²", "its area stays 2.70 m²" when both are written the
   * same.
   *
   * @param was in m²
   * @param is in m²
   */
  public static String areaChange(double was, double is) {
    String from = String.format(Locale.ROOT, "%.2f m²", was);
    String to = String.format(Locale.ROOT, "%.2f m²", is);
    return from.equals(to) ? "its area stays " + to : "its area goes from " + from + " to " + to;
  }
}
