package yentra.core.scope;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.List;
import java.util.Locale;
import yentra.core.model.PropertyValue;

/**
 * A test of one value, as a cell of a scope sheet writes it: {@code Office; Store}, {@code contains
 * gross}, {@code pattern W-\d+}, {@code 0.1 to 0.3}, {@code at least 2}, {@code length 3 to 8},
 * {@code not …}, {@code any}, {@code missing}. See {@link ValueTestText}.
 */
public sealed interface ValueTest {
  /** Numbers closer than this share of their size are equal (IDS 1.0 sets the same). */
  double CLOSE = 1e-6;

  /**
   * Whether a value passes.
   *
   * @param value null when there is none
   * @param factor what numbers of the test are multiplied by before they are compared, to bring
   *     them to SI
   */
  boolean accepts(PropertyValue value, double factor);

  default boolean accepts(String text) {
    return accepts(text == null || text.isEmpty() ? null : new PropertyValue.Text(text), 1);
  }

  /** One of some values, exactly; of several values one must. */
  record OneOf(List<String> values) implements ValueTest {
    public OneOf {
      values = List.copyOf(values);
    }

    @Override
    public boolean accepts(PropertyValue value, double factor) {
      return any(value, v -> values.stream().anyMatch(w -> equal(v, w, factor)));
    }

    private static boolean equal(PropertyValue v, String wanted, double factor) {
      if (v instanceof PropertyValue.Number n) {
        Double w = number(wanted);
        return w != null && close(n.value(), w * factor);
      }
      if (v instanceof PropertyValue.Logical l) {
        return switch (wanted.toLowerCase(Locale.ROOT)) {
          case "true", "1", "yes" -> l.value();
          case "false", "0", "no" -> !l.value();
          default -> false;
        };
      }
      return v.text().equals(wanted);
    }
  }

  /** Holds some words, capitals or not. */
  record Contains(String part) implements ValueTest {
    @Override
    public boolean accepts(PropertyValue value, double factor) {
      String p = part.toLowerCase(Locale.ROOT);
      return any(value, v -> v.text().toLowerCase(Locale.ROOT).contains(p));
    }
  }

  /** Fits a regular expression of XML Schema as a whole. */
  record Pattern(String expression) implements ValueTest {
    @Override
    public boolean accepts(PropertyValue value, double factor) {
      return any(value, v -> Patterns.fits(expression, v.text()));
    }
  }

  /** A number within bounds; a bound may be missing. */
  record Range(Double least, boolean leastIn, Double most, boolean mostIn) implements ValueTest {
    @Override
    public boolean accepts(PropertyValue value, double factor) {
      return any(
          value,
          v -> {
            Double d = v instanceof PropertyValue.Number n ? (Double) n.value() : number(v.text());
            return d != null && above(d, factor) && below(d, factor);
          });
    }

    private boolean above(double d, double factor) {
      return least == null
          || d > least * factor && !close(d, least * factor)
          || leastIn && close(d, least * factor);
    }

    private boolean below(double d, double factor) {
      return most == null
          || d < most * factor && !close(d, most * factor)
          || mostIn && close(d, most * factor);
    }
  }

  /** A text with so many characters; {@code most} below 0 means without end. */
  record Length(int least, int most) implements ValueTest {
    @Override
    public boolean accepts(PropertyValue value, double factor) {
      return any(
          value,
          v -> {
            int n = v.text().codePointCount(0, v.text().length());
            return n >= least && (most < 0 || n <= most);
          });
    }
  }

  /** The other test fails. */
  record Not(ValueTest of) implements ValueTest {
    @Override
    public boolean accepts(PropertyValue value, double factor) {
      return !of.accepts(value, factor);
    }
  }

  /** All tests pass. */
  record Every(List<ValueTest> all) implements ValueTest {
    public Every {
      all = List.copyOf(all);
    }

    @Override
    public boolean accepts(PropertyValue value, double factor) {
      return all.stream().allMatch(t -> t.accepts(value, factor));
    }
  }

  /** There is a value, and it is not blank. */
  record Present() implements ValueTest {
    @Override
    public boolean accepts(PropertyValue value, double factor) {
      return value != null && !value.text().isEmpty();
    }
  }

  Present PRESENT = new Present();

  static ValueTest exactly(String value) {
    return new OneOf(List.of(value));
  }

  /** Reads what {@link #words} gives. */
  @JsonCreator
  static ValueTest of(String words) {
    return ValueTestText.read(words);
  }

  /** The test as a cell writes it. */
  @JsonValue
  default String words() {
    return ValueTestText.write(this);
  }

  private static boolean any(
      PropertyValue value, java.util.function.Predicate<PropertyValue> test) {
    if (value == null) {
      return false;
    }
    return value instanceof PropertyValue.Many m
        ? m.values().stream().anyMatch(test)
        : test.test(value);
  }

  private static boolean close(double a, double b) {
    return Math.abs(a - b) <= CLOSE * Math.max(Math.abs(a), Math.abs(b));
  }

  private static Double number(String s) {
    try {
      return Double.valueOf(s.strip());
    } catch (NumberFormatException e) {
      return null;
    }
  }
}
