package yentra.core.step;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * Writes the data section of a STEP file (ISO 10303-21), an instance a line, as it grows. Instances
 * of {@link #shared} that say the same are written once.
 */
public final class StepWriter {
  private final Appendable out;
  private final Map<String, Integer> shared = new HashMap<>();
  private int next;

  /**
   * @param out where the lines go
   */
  public StepWriter(Appendable out) {
    this(out, 1);
  }

  /**
   * @param first number of the first instance
   */
  public StepWriter(Appendable out, int first) {
    this.out = out;
    this.next = first;
  }

  /** A number for an instance that is written later, by {@link #put}. */
  public int reserve() {
    return next++;
  }

  /**
   * Writes an instance.
   *
   * @param type the entity in capitals
   * @param parameters as they stand in the file: {@link #text}, {@link #real}, {@link #ref}, {@link
   *     #refs}, {@code $}, {@code *} or a literal in dots
   * @return its number
   * @throws UncheckedIOException when it cannot be written
   */
  public int add(String type, String... parameters) {
    return put(reserve(), type, parameters);
  }

  /** Writes an instance whose number was reserved; the number again. */
  public int put(int id, String type, String... parameters) {
    try {
      out.append('#')
          .append(Integer.toString(id))
          .append('=')
          .append(type)
          .append('(')
          .append(String.join(",", parameters))
          .append(");\n");
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return id;
  }

  /** The number of an instance that says this; it is written when it is the first. */
  public int shared(String type, String... parameters) {
    String key = type + String.join(",", parameters);
    Integer known = shared.get(key);
    if (known == null) {
      known = add(type, parameters);
      shared.put(key, known);
    }
    return known;
  }

  /** A reference to an instance. */
  public static String ref(int id) {
    return "#" + id;
  }

  /** A list of references. */
  public static String refs(List<Integer> ids) {
    StringBuilder b = new StringBuilder("(");
    ids.forEach(i -> b.append(b.length() > 1 ? "," : "").append('#').append(i));
    return b.append(')').toString();
  }

  /** A list of numbers. */
  public static String reals(double... values) {
    StringBuilder b = new StringBuilder("(");
    for (double v : values) {
      b.append(b.length() > 1 ? "," : "").append(real(v));
    }
    return b.append(')').toString();
  }

  /**
   * A number that reads back as the same; {@code $} for null.
   *
   * @throws IllegalArgumentException for what is no number
   */
  public static String real(Double d) {
    if (d == null) {
      return "$";
    }
    if (!Double.isFinite(d)) {
      throw new IllegalArgumentException("A STEP file holds no " + d);
    }
    String s = Double.toString(d == 0 ? 0.0 : d);
    return s.endsWith(".0") ? s.substring(0, s.length() - 1) : s;
  }

  /** A string; characters beyond ASCII by their code (clause 6.4.3); {@code $} for null. */
  public static String text(String s) {
    if (s == null) {
      return "$";
    }
    StringBuilder b = new StringBuilder("'");
    s.codePoints()
        .forEach(
            c -> {
              if (c > 0xFFFF) {
                b.append(String.format(Locale.ROOT, "\\X4\\%08X\\X0\\", c));
              } else if (c > 126 || c < 32) {
                b.append(String.format(Locale.ROOT, "\\X2\\%04X\\X0\\", c));
              } else {
                b.append(c == '\'' ? "''" : c == '\\' ? "\\\\" : Character.toString(c));
              }
            });
    return b.append('\'').toString();
  }
}
