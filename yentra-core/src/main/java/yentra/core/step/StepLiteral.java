package yentra.core.step;

import java.util.Locale;

/** Writes values as an exchange structure has them (ISO 10303-21, clause 6.4). */
public final class StepLiteral {
  private StepLiteral() {}

  /** A string in quotes; characters beyond ASCII as {@code \X2\} and {@code \X4\} directives. */
  public static String text(String s) {
    StringBuilder b = new StringBuilder("'");
    s.codePoints()
        .forEach(
            c -> {
              if (c == '\'') {
                b.append("''");
              } else if (c == '\\') {
                b.append("\\\\");
              } else if (c >= 32 && c < 127) {
                b.append((char) c);
              } else if (c <= 0xFFFF) {
                b.append(String.format("\\X2\\%04X\\X0\\", c));
              } else {
                b.append(String.format("\\X4\\%08X\\X0\\", c));
              }
            });
    return b.append('\'').toString();
  }

  /** A real number: with a point, and as many digits as tell it from its neighbours. */
  public static String real(double d) {
    String s = Double.toString(d).toUpperCase(Locale.ROOT);
    if (s.endsWith(".0")) {
      s = s.substring(0, s.length() - 1);
    }
    return s;
  }
}
