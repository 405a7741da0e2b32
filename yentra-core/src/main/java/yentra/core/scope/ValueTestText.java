package yentra.core.scope;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import yentra.core.model.PropertyValue;

/**
 * The words that a cell says a test with. What would be misread is put in double quotes, a quote in
 * it doubled.
 */
public final class ValueTestText {
  private static final String NUMBER = "(-?\\d+(?:\\.\\d+)?(?:[eE][-+]?\\d+)?)";
  private static final Pattern BETWEEN = Pattern.compile(NUMBER + " to " + NUMBER);
  private static final Pattern BOUND = Pattern.compile("(at least|at most|above|below) " + NUMBER);
  private static final Pattern LENGTH =
      Pattern.compile("length (?:(\\d+)(?: to (\\d+))?|at least (\\d+)|at most (\\d+))");
  private static final String ALSO = " and also ";

  private ValueTestText() {}

  /**
   * Reads a cell.
   *
   * @return the test, or null when the cell is blank
   * @throws IllegalArgumentException when it cannot be read, with the reason
   */
  public static ValueTest read(String cell) {
    String s = cell == null ? "" : cell.strip();
    if (s.isEmpty()) {
      return null;
    }
    List<String> parts = split(s, ALSO);
    if (parts.size() > 1) {
      return new ValueTest.Every(parts.stream().map(ValueTestText::read).toList());
    }
    if (s.equals("any")) {
      return ValueTest.PRESENT;
    }
    if (s.equals("missing")) {
      return new ValueTest.Not(ValueTest.PRESENT);
    }
    if (s.startsWith("not ")) {
      return new ValueTest.Not(read(s.substring(4)));
    }
    if (s.startsWith("contains ")) {
      return new ValueTest.Contains(literal(s.substring(9).strip()));
    }
    if (s.startsWith("pattern ")) {
      String p = s.substring(8).strip();
      String fault = Patterns.fault(p);
      if (fault != null) {
        throw new IllegalArgumentException("\"" + p + "\" is no pattern: " + fault + ".");
      }
      return new ValueTest.Pattern(p);
    }
    if (s.startsWith("length ")) {
      return length(s);
    }
    ValueTest range = range(s);
    return range != null ? range : new ValueTest.OneOf(values(s));
  }

  private static ValueTest range(String s) {
    Matcher between = BETWEEN.matcher(s);
    if (between.matches()) {
      double a = Double.parseDouble(between.group(1));
      double b = Double.parseDouble(between.group(2));
      if (a > b) {
        throw new IllegalArgumentException(
            "The range " + s + " is empty: the first number is the larger.");
      }
      return new ValueTest.Range(a, true, b, true);
    }
    Matcher bound = BOUND.matcher(s);
    if (!bound.matches()) {
      return null;
    }
    double d = Double.parseDouble(bound.group(2));
    return switch (bound.group(1)) {
      case "at least" -> new ValueTest.Range(d, true, null, false);
      case "above" -> new ValueTest.Range(d, false, null, false);
      case "at most" -> new ValueTest.Range(null, false, d, true);
      default -> new ValueTest.Range(null, false, d, false);
    };
  }

  private static ValueTest length(String s) {
    Matcher m = LENGTH.matcher(s);
    if (!m.matches()) {
      throw new IllegalArgumentException(
          "\"" + s + "\" is no length: write length 5, length 3 to 8, length at least 3.");
    }
    if (m.group(1) != null) {
      int least = Integer.parseInt(m.group(1));
      return new ValueTest.Length(least, m.group(2) == null ? least : Integer.parseInt(m.group(2)));
    }
    return m.group(3) != null
        ? new ValueTest.Length(Integer.parseInt(m.group(3)), -1)
        : new ValueTest.Length(0, Integer.parseInt(m.group(4)));
  }

  private static List<String> values(String s) {
    List<String> out = new ArrayList<>();
    for (String part : split(s, ";")) {
      String v = literal(part.strip());
      if (!v.isEmpty()) {
        out.add(v);
      }
    }
    if (out.isEmpty()) {
      throw new IllegalArgumentException("\"" + s + "\" holds no value.");
    }
    return out;
  }

  /** Splits where the separator stands outside of quotes. */
  private static List<String> split(String s, String separator) {
    List<String> out = new ArrayList<>();
    boolean quoted = false;
    int start = 0;
    for (int i = 0; i < s.length(); i++) {
      if (s.charAt(i) == '"') {
        quoted = !quoted;
      } else if (!quoted && s.startsWith(separator, i)) {
        out.add(s.substring(start, i));
        i += separator.length() - 1;
        start = i + 1;
      }
    }
    out.add(s.substring(start));
    return out;
  }

  private static String literal(String s) {
    return s.length() >= 2 && s.startsWith("\"") && s.endsWith("\"")
        ? s.substring(1, s.length() - 1).replace("\"\"", "\"")
        : s;
  }

  static String write(ValueTest t) {
    if (t instanceof ValueTest.OneOf o) {
      return String.join("; ", o.values().stream().map(v -> quoted(v)).toList());
    }
    if (t instanceof ValueTest.Contains c) {
      return "contains " + (c.part().contains(ALSO) ? quote(c.part()) : c.part());
    }
    if (t instanceof ValueTest.Pattern p) {
      return "pattern " + p.expression();
    }
    if (t instanceof ValueTest.Range r) {
      return range(r);
    }
    if (t instanceof ValueTest.Length l) {
      return "length "
          + (l.most() < 0
              ? "at least " + l.least()
              : l.least() == l.most() ? "" + l.least() : l.least() + " to " + l.most());
    }
    if (t instanceof ValueTest.Not n) {
      return n.of().equals(ValueTest.PRESENT) ? "missing" : "not " + write(n.of());
    }
    if (t instanceof ValueTest.Every e) {
      return String.join(ALSO, e.all().stream().map(ValueTestText::write).toList());
    }
    return "any";
  }

  private static String range(ValueTest.Range r) {
    if (r.least() != null && r.most() != null && r.leastIn() && r.mostIn()) {
      return number(r.least()) + " to " + number(r.most());
    }
    List<String> parts = new ArrayList<>();
    if (r.least() != null) {
      parts.add((r.leastIn() ? "at least " : "above ") + number(r.least()));
    }
    if (r.most() != null) {
      parts.add((r.mostIn() ? "at most " : "below ") + number(r.most()));
    }
    return String.join(ALSO, parts);
  }

  private static String number(double d) {
    String plain = PropertyValue.plain(d);
    return Double.parseDouble(plain) == d ? plain : Double.toString(d);
  }

  /** A literal, quoted when it would be read as something else. */
  private static String quoted(String v) {
    boolean plain =
        !v.isEmpty()
            && v.equals(v.strip())
            && !v.contains("\"")
            && !v.contains(";")
            && !v.contains(ALSO)
            && readsAsItself(v);
    return plain ? v : quote(v);
  }

  private static boolean readsAsItself(String v) {
    try {
      return read(v).equals(ValueTest.exactly(v));
    } catch (IllegalArgumentException e) {
      return false;
    }
  }

  private static String quote(String v) {
    return "\"" + v.replace("\"", "\"\"") + "\"";
  }
}
