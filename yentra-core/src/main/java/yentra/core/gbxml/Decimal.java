package yentra.core.gbxml;

import java.math.BigDecimal;
import java.math.MathContext;

/**
 * Numbers as decimals without an exponent, so that reading them back gives the same number to the
 * last bit: as short as that allows.
 */
final class Decimal {
  /** Decimals that most coordinates have at most. */
  private static final double MICRO = 1e6;

  /** Larger numbers times a million are not exact any more. */
  private static final double LARGE = 9e9;

  private Decimal() {}

  /** What {@link Values#parse} makes the same number of. */
  static String of(double d) {
    return of(d, 1);
  }

  /**
   * A number in another unit: what is written, read and multiplied by the factor is the number
   * again. Where no decimal does that, the nearest one.
   *
   * @param factor of the unit written, to the number's own
   */
  static String of(double d, double factor) {
    double q = d / factor;
    double micro = Math.rint(q * MICRO);
    if (Math.abs(q) < LARGE && micro / MICRO * factor == d) {
      return plain((long) micro);
    }
    for (int digits = 12; digits <= 17; digits++) {
      BigDecimal rounded = new BigDecimal(q).round(new MathContext(digits));
      if (rounded.doubleValue() * factor == d) {
        return text(rounded);
      }
    }
    for (double near : new double[] {Math.nextDown(q), Math.nextUp(q)}) {
      if (near * factor == d) {
        return text(new BigDecimal(Double.toString(near)));
      }
    }
    return text(new BigDecimal(Double.toString(q)));
  }

  private static String text(BigDecimal d) {
    return d.signum() == 0 ? "0" : d.stripTrailingZeros().toPlainString();
  }

  /** Millionths as a decimal, without zeros at its end. */
  private static String plain(long micro) {
    long whole = Math.abs(micro) / 1_000_000;
    long part = Math.abs(micro) % 1_000_000;
    String sign = micro < 0 ? "-" : "";
    if (part == 0) {
      return sign + whole;
    }
    String digits = Long.toString(1_000_000 + part);
    int end = digits.length();
    while (digits.charAt(end - 1) == '0') {
      end--;
    }
    return sign + whole + "." + digits.substring(1, end);
  }
}
