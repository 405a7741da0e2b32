package yentra.core.step;

import java.nio.charset.StandardCharsets;

/** The atoms of ISO 10303-21's grammar: numbers, strings, references, words. */
class StepTokens {
  final byte[] b;

  /** Where the next sign stands. */
  int i;

  StepTokens(byte[] bytes, int at) {
    b = bytes;
    i = at;
  }

  /** A place where the text breaks the grammar. */
  static final class SyntaxException extends Exception {
    private static final long serialVersionUID = 1L;
    final int offset;

    SyntaxException(String message, int offset) {
      super(message, null, false, false);
      this.offset = offset;
    }
  }

  final StepValue atom(byte c) throws SyntaxException {
    return switch (c) {
      case '$' -> {
        i++;
        yield StepValue.UNSET;
      }
      case '*' -> {
        i++;
        yield StepValue.DERIVED;
      }
      case '#' -> reference();
      case '\'' -> text();
      case '.' -> b.length > i + 1 && b[i + 1] >= '0' && b[i + 1] <= '9' ? number() : enumeration();
      case '"' -> binary();
      case '+', '-', '0', '1', '2', '3', '4', '5', '6', '7', '8', '9' -> number();
      case ';', 0 -> throw new SyntaxException("the instance ends before its last ')'", i);
      default -> throw new SyntaxException("unexpected character '" + (char) c + "'", i);
    };
  }

  final StepValue reference() throws SyntaxException {
    int start = i++;
    long id = 0;
    while (i < b.length && b[i] >= '0' && b[i] <= '9') {
      id = Math.min(id * 10 + b[i++] - '0', Integer.MAX_VALUE);
    }
    if (id == 0) {
      throw new SyntaxException("a reference needs a number", start);
    }
    return new StepValue.Ref((int) id);
  }

  final StepValue text() throws SyntaxException {
    int start = ++i;
    while (i < b.length) {
      if (b[i++] == '\'') {
        if (i < b.length && b[i] == '\'') {
          i++;
        } else {
          return new StepValue.Text(StepText.decode(b, start, i - 1));
        }
      }
    }
    throw new SyntaxException("a string never ends", start);
  }

  final StepValue binary() throws SyntaxException {
    int start = ++i;
    while (i < b.length && b[i] != '"') {
      i++;
    }
    if (i >= b.length) {
      throw new SyntaxException("a binary value never ends", start);
    }
    return new StepValue.Binary(new String(b, start, i++ - start, StandardCharsets.ISO_8859_1));
  }

  final StepValue enumeration() throws SyntaxException {
    int start = ++i;
    while (i < b.length && b[i] != '.') {
      if (!(isLetter(b[i]) || isDigit(b[i]) || b[i] == '_')) {
        throw new SyntaxException("an enumeration value is not closed by a point", start);
      }
      i++;
    }
    String name = new String(b, start, i - start, StandardCharsets.ISO_8859_1);
    i++;
    return new StepValue.Enumeration(name.toUpperCase(java.util.Locale.ROOT));
  }

  final StepValue number() throws SyntaxException {
    return new StepValue.Number(real());
  }

  private static final double[] TENS = new double[23];

  static {
    TENS[0] = 1;
    for (int k = 1; k < TENS.length; k++) {
      TENS[k] = TENS[k - 1] * 10;
    }
  }

  /**
   * A decimal number. Up to 15 digits and powers of ten up to 22 are exact in binary, so that one
   * multiplication or division rounds correctly (W. D. Clinger, "How to read floating point numbers
   * accurately", PLDI 1990); everything else goes through the library.
   */
  final double real() throws SyntaxException {
    int start = i;
    boolean negative = b[i] == '-';
    i += negative || b[i] == '+' ? 1 : 0;
    long digits = 0;
    int n = 0;
    int power = 0;
    boolean point = false;
    while (i < b.length && (isDigit(b[i]) || b[i] == '.' && !point)) {
      if (b[i] == '.') {
        point = true;
      } else {
        digits = n < 18 ? digits * 10 + b[i] - '0' : digits;
        n += n > 0 || b[i] != '0' ? 1 : 0;
        power -= point ? 1 : 0;
      }
      i++;
    }
    boolean any = i > start + (point ? 1 : 0) + (negative || b[start] == '+' ? 1 : 0);
    if (any && i < b.length && (b[i] == 'E' || b[i] == 'e')) {
      int mark = i++;
      boolean down = i < b.length && b[i] == '-';
      i += i < b.length && (down || b[i] == '+') ? 1 : 0;
      int exponent = 0;
      int first = i;
      while (i < b.length && isDigit(b[i])) {
        exponent = Math.min(9999, exponent * 10 + b[i++] - '0');
      }
      power += down ? -exponent : exponent;
      any = i > first || mark < 0;
    }
    boolean ended = i >= b.length || !(isLetter(b[i]) || b[i] == '.' || b[i] == '+' || b[i] == '-');
    if (any && ended && n <= 15 && power <= 22 && power >= -22) {
      double d = power < 0 ? digits / TENS[-power] : digits * TENS[power];
      return negative ? -d : d;
    }
    while (i < b.length
        && (isDigit(b[i]) || isLetter(b[i]) || b[i] == '.' || b[i] == '+' || b[i] == '-')) {
      i++;
    }
    String s = new String(b, start, i - start, StandardCharsets.ISO_8859_1);
    try {
      double d = any && ended ? Double.parseDouble(s) : Double.NaN;
      if (Double.isNaN(d)) {
        throw new SyntaxException("\"" + s + "\" is no number", start);
      }
      if (Double.isInfinite(d)) {
        throw new SyntaxException("the number " + s + " is out of range", start);
      }
      return d;
    } catch (NumberFormatException e) {
      throw new SyntaxException("\"" + s + "\" is no number", start);
    }
  }

  static boolean isDigit(byte c) {
    return c >= '0' && c <= '9';
  }

  static boolean isLetter(byte c) {
    return c >= 'A' && c <= 'Z' || c >= 'a' && c <= 'z';
  }

  final void pastWord() {
    while (i < b.length && (isLetter(b[i]) || isDigit(b[i]) || b[i] == '_' || b[i] == '-')) {
      i++;
    }
  }

  final String word() {
    int start = i;
    pastWord();
    return new String(b, start, i - start, StandardCharsets.ISO_8859_1);
  }

  final void skip() {
    while (i < b.length) {
      if (b[i] >= 0 && b[i] <= ' ') {
        i++;
      } else if (b[i] == '/' && i + 1 < b.length && b[i + 1] == '*') {
        i += 2;
        while (i + 1 < b.length && !(b[i] == '*' && b[i + 1] == '/')) {
          i++;
        }
        i += 2;
      } else {
        return;
      }
    }
  }
}
