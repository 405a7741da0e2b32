package yentra.core.step;

import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;

/**
 * Parses one instance at a known place. Nesting is kept on a heap stack, so depth costs no call
 * stack.
 */
final class StepParser {
  private static final int DEEPEST = 200;
  private final byte[] b;
  private int i;

  StepParser(byte[] bytes, int at) {
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

  StepInstance instance(int id, String type) throws SyntaxException {
    pastWord();
    StepInstance made = parametersOf(id, type);
    end();
    return made;
  }

  /**
   * After the last bracket only a semicolon may come: where it is missing, the next instance was
   * swallowed.
   */
  private void end() throws SyntaxException {
    skip();
    if (i >= b.length || b[i] != ';') {
      throw new SyntaxException("';' expected after the last ')'", i);
    }
  }

  /** Walks the top-level parameters without building values; the whole grammar is still checked. */
  void visit(StepParameters visitor) throws SyntaxException {
    pastWord();
    skip();
    if (i >= b.length || b[i] != '(') {
      throw new SyntaxException("'(' expected after the entity name", i);
    }
    i++;
    int depth = 1;
    int index = 0;
    int start = -1;
    StepParameters.Kind kind = null;
    while (depth > 0) {
      skip();
      byte c = i < b.length ? b[i] : 0;
      if (depth == 1 && c != ',' && c != ')' && start < 0) {
        start = i;
        kind = kind(c);
      }
      switch (c) {
        case '(' -> {
          i++;
          depth++;
          if (depth > DEEPEST) {
            throw new SyntaxException("lists are nested deeper than " + DEEPEST, i);
          }
        }
        case ',', ')' -> {
          if (depth == 1 && start >= 0) {
            visitor.parameter(index, kind, new StepFile.Slice(b, start, i));
            start = -1;
          }
          index += depth == 1 ? 1 : 0;
          depth -= c == ')' ? 1 : 0;
          i++;
        }
        default -> atomOrWord(c);
      }
    }
    end();
  }

  private void atomOrWord(byte c) throws SyntaxException {
    switch (c) {
      case '$', '*' -> i++;
      case '#' -> reference();
      case '\'' -> {
        int start = i++;
        while (true) {
          if (i >= b.length) {
            throw new SyntaxException("a string never ends", start);
          }
          if (b[i++] == '\'') {
            if (i >= b.length || b[i] != '\'') {
              return;
            }
            i++;
          }
        }
      }
      default -> {
        if (isLetter(c)) {
          pastWord();
          skip();
          if (i >= b.length || b[i] != '(') {
            throw new SyntaxException("'(' expected after a type name", i);
          }
        } else {
          atom(c);
        }
      }
    }
  }

  private static StepParameters.Kind kind(byte c) {
    return switch (c) {
      case '$' -> StepParameters.Kind.UNSET;
      case '*' -> StepParameters.Kind.DERIVED;
      case '#' -> StepParameters.Kind.REFERENCE;
      case '.' -> StepParameters.Kind.ENUMERATION;
      case '\'' -> StepParameters.Kind.TEXT;
      case '"' -> StepParameters.Kind.BINARY;
      case '(' -> StepParameters.Kind.LIST;
      default -> isLetter(c) ? StepParameters.Kind.TYPED : StepParameters.Kind.NUMBER;
    };
  }

  /** See {@link StepFile#numbers}; the parameters before it must not hold strings. */
  int numbers(int parameter, double[] into) {
    pastWord();
    skip();
    int at = i + 1;
    for (int p = 0; p < parameter; p++) {
      while (at < b.length && b[at] != ',' && b[at] != ';') {
        at++;
      }
      at++;
    }
    i = at;
    skip();
    if (i >= b.length || b[i] != '(') {
      return -1;
    }
    i++;
    int n = 0;
    try {
      while (true) {
        skip();
        byte c = i < b.length ? b[i] : 0;
        if (c == ')') {
          return n;
        }
        if (c == ',') {
          i++;
        } else if (isDigit(c) || c == '-' || c == '+' || c == '.') {
          if (n == into.length) {
            return -1;
          }
          into[n++] = real();
        } else {
          return -1;
        }
      }
    } catch (SyntaxException e) {
      // whoever asks falls back on parsing the instance, which reports it
      return -1;
    }
  }

  StepInstance parametersOf(int id, String type) throws SyntaxException {
    skip();
    if (i >= b.length || b[i] != '(') {
      throw new SyntaxException("'(' expected after " + type, i);
    }
    StepValue v = value();
    return new StepInstance(
        id, type.toUpperCase(java.util.Locale.ROOT), ((StepValue.ListOf) v).items());
  }

  /** An open list, with the type name in front of it where it is the value of a typed parameter. */
  private record Frame(String type, List<StepValue> items) {}

  private StepValue value() throws SyntaxException {
    Deque<Frame> open = new ArrayDeque<>();
    while (true) {
      skip();
      StepValue done = null;
      int start = i;
      byte c = i < b.length ? b[i] : 0;
      if (c == '(') {
        i++;
        push(open, new Frame("", new ArrayList<>()));
      } else if (c == ')') {
        i++;
        if (open.isEmpty()) {
          throw new SyntaxException("')' without '('", start);
        }
        Frame f = open.pop();
        done = close(f, start);
      } else if (c == ',') {
        i++;
      } else if (isLetter(c)) {
        String type = word();
        skip();
        if (i >= b.length || b[i] != '(') {
          throw new SyntaxException("'(' expected after " + type, i);
        }
        i++;
        push(open, new Frame(type, new ArrayList<>()));
      } else {
        done = atom(c);
      }
      if (done != null) {
        if (open.isEmpty()) {
          return done;
        }
        open.peek().items().add(done);
      }
    }
  }

  private static void push(Deque<Frame> open, Frame f) throws SyntaxException {
    if (open.size() >= DEEPEST) {
      throw new SyntaxException("lists are nested deeper than " + DEEPEST, 0);
    }
    open.push(f);
  }

  private static StepValue close(Frame f, int at) throws SyntaxException {
    if (f.type().isEmpty()) {
      return new StepValue.ListOf(List.copyOf(f.items()));
    }
    if (f.items().isEmpty()) {
      throw new SyntaxException("the typed value " + f.type() + " is empty", at);
    }
    StepValue inner =
        f.items().size() == 1 ? f.items().get(0) : new StepValue.ListOf(List.copyOf(f.items()));
    return new StepValue.Typed(f.type().toUpperCase(java.util.Locale.ROOT), inner);
  }

  private StepValue atom(byte c) throws SyntaxException {
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

  private StepValue reference() throws SyntaxException {
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

  private StepValue text() throws SyntaxException {
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

  private StepValue binary() throws SyntaxException {
    int start = ++i;
    while (i < b.length && b[i] != '"') {
      i++;
    }
    if (i >= b.length) {
      throw new SyntaxException("a binary value never ends", start);
    }
    return new StepValue.Binary(new String(b, start, i++ - start, StandardCharsets.ISO_8859_1));
  }

  private StepValue enumeration() throws SyntaxException {
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

  private StepValue number() throws SyntaxException {
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
  private double real() throws SyntaxException {
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

  private static boolean isDigit(byte c) {
    return c >= '0' && c <= '9';
  }

  private static boolean isLetter(byte c) {
    return c >= 'A' && c <= 'Z' || c >= 'a' && c <= 'z';
  }

  private void pastWord() {
    while (i < b.length && (isLetter(b[i]) || isDigit(b[i]) || b[i] == '_' || b[i] == '-')) {
      i++;
    }
  }

  private String word() {
    int start = i;
    pastWord();
    return new String(b, start, i - start, StandardCharsets.ISO_8859_1);
  }

  private void skip() {
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
