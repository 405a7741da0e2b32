package yentra.core.step;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;

/**
 * Parses one instance at a known place. Nesting is kept on a heap stack, so depth costs no call
 * stack.
 */
final class StepParser extends StepTokens {
  private static final int DEEPEST = 200;

  StepParser(byte[] bytes, int at) {
    super(bytes, at);
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
  private record OpenList(String type, List<StepValue> items) {}

  private StepValue value() throws SyntaxException {
    Deque<OpenList> open = new ArrayDeque<>();
    while (true) {
      skip();
      StepValue done = null;
      int start = i;
      byte c = i < b.length ? b[i] : 0;
      if (c == '(') {
        i++;
        push(open, new OpenList("", new ArrayList<>()));
      } else if (c == ')') {
        i++;
        if (open.isEmpty()) {
          throw new SyntaxException("')' without '('", start);
        }
        OpenList f = open.pop();
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
        push(open, new OpenList(type, new ArrayList<>()));
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

  private static void push(Deque<OpenList> open, OpenList f) throws SyntaxException {
    if (open.size() >= DEEPEST) {
      throw new SyntaxException("lists are nested deeper than " + DEEPEST, 0);
    }
    open.push(f);
  }

  private static StepValue close(OpenList f, int at) throws SyntaxException {
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
}
