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

  StepInstance instance(int id) throws SyntaxException {
    String type = word();
    return parametersOf(id, type);
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
      } else if (Character.isLetter(c)) {
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
      if (!(Character.isLetterOrDigit(b[i]) || b[i] == '_')) {
        throw new SyntaxException("an enumeration value is not closed by a point", start);
      }
      i++;
    }
    String name = new String(b, start, i - start, StandardCharsets.ISO_8859_1);
    i++;
    return new StepValue.Enumeration(name.toUpperCase(java.util.Locale.ROOT));
  }

  private StepValue number() throws SyntaxException {
    int start = i;
    while (i < b.length
        && (b[i] >= '0' && b[i] <= '9'
            || b[i] == '.'
            || b[i] == '+'
            || b[i] == '-'
            || b[i] == 'E'
            || b[i] == 'e')) {
      i++;
    }
    String s = new String(b, start, i - start, StandardCharsets.ISO_8859_1);
    try {
      double d = Double.parseDouble(s);
      if (!Double.isFinite(d)) {
        throw new SyntaxException("the number " + s + " is out of range", start);
      }
      return new StepValue.Number(d);
    } catch (NumberFormatException e) {
      throw new SyntaxException("\"" + s + "\" is no number", start);
    }
  }

  private String word() {
    int start = i;
    while (i < b.length
        && b[i] > 0
        && (Character.isLetterOrDigit(b[i]) || b[i] == '_' || b[i] == '-')) {
      i++;
    }
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
