package yentra.core.scope;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Pattern;
import java.util.regex.PatternSyntaxException;

/**
 * Regular expressions of XML Schema on top of Java's: they are anchored at both ends, know no
 * {@code ^} and {@code $}, and have {@code \i} and {@code \c} for name characters. Matching gives
 * up after a number of steps, so that an expression that backtracks without end does no harm.
 *
 * <p>Source: W3C, XML Schema Part 2, appendix F.
 */
final class Patterns {
  private static final int MOST_STEPS = 200_000;
  private static final int LONGEST = 1000;
  private static final int MOST_KEPT = 2000;
  private static final Map<String, Pattern> COMPILED = new ConcurrentHashMap<>();

  private Patterns() {}

  /** Whether the whole text fits; false when that cannot be told within the limits. */
  static boolean fits(String expression, String text) {
    if (text.length() > LONGEST) {
      return false;
    }
    if (COMPILED.size() > MOST_KEPT) {
      COMPILED.clear();
    }
    Pattern p = COMPILED.computeIfAbsent(expression, Patterns::compile);
    try {
      return p.matcher(new Counted(text, new int[1])).matches();
    } catch (TooManySteps | StackOverflowError e) {
      // the limit is stated; a value that needs more is refused
      return false;
    }
  }

  /** What is wrong with an expression, or null. */
  static String fault(String expression) {
    if (expression.length() > LONGEST) {
      return "the pattern has more than " + LONGEST + " characters";
    }
    try {
      Pattern.compile(java(expression));
      return null;
    } catch (PatternSyntaxException e) {
      return e.getDescription() + " at character " + (e.getIndex() + 1);
    }
  }

  private static Pattern compile(String expression) {
    try {
      return Pattern.compile(java(expression));
    } catch (PatternSyntaxException e) {
      throw new IllegalArgumentException(
          "the pattern was not checked when the sheet was read: " + expression, e);
    }
  }

  private static String java(String xsd) {
    StringBuilder b = new StringBuilder();
    boolean inClass = false;
    for (int i = 0; i < xsd.length(); i++) {
      char c = xsd.charAt(i);
      if (c == '\\' && i + 1 < xsd.length()) {
        char n = xsd.charAt(++i);
        switch (n) {
          case 'i' -> b.append(inClass ? "A-Za-z_:" : "[A-Za-z_:]");
          case 'c' -> b.append(inClass ? "-A-Za-z0-9._:" : "[-A-Za-z0-9._:]");
          case 'd' -> b.append("\\p{Nd}");
          default -> b.append('\\').append(n);
        }
      } else if (!inClass && (c == '^' || c == '$')) {
        b.append('\\').append(c);
      } else {
        inClass = c == '[' || inClass && c != ']';
        b.append(c);
      }
    }
    return b.toString();
  }

  private static final class TooManySteps extends RuntimeException {
    private static final long serialVersionUID = 1L;

    TooManySteps() {
      super(null, null, false, false);
    }
  }

  /** A text that counts how often it is looked at. */
  private record Counted(CharSequence text, int[] steps) implements CharSequence {
    @Override
    public int length() {
      return text.length();
    }

    @Override
    public char charAt(int index) {
      if (++steps[0] > MOST_STEPS) {
        throw new TooManySteps();
      }
      return text.charAt(index);
    }

    @Override
    public CharSequence subSequence(int start, int end) {
      return text.subSequence(start, end);
    }

    @Override
    public String toString() {
      return text.toString();
    }
  }
}
