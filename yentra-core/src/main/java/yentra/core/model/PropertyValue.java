package yentra.core.model;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.List;
import java.util.Locale;

/** The value of a property or quantity; serialisable as JSON. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
  @JsonSubTypes.Type(value = PropertyValue.Text.class, name = "Text"),
  @JsonSubTypes.Type(value = PropertyValue.Number.class, name = "Number"),
  @JsonSubTypes.Type(value = PropertyValue.Logical.class, name = "Logical"),
  @JsonSubTypes.Type(value = PropertyValue.Many.class, name = "Many")
})
public sealed interface PropertyValue {
  /** Words, or an enumeration's literal. */
  record Text(String value) implements PropertyValue {
    @Override
    public String text() {
      return value;
    }
  }

  /**
   * A number.
   *
   * @param value in SI units
   * @param unit the SI unit, such as {@code m}, or empty for a plain number
   * @param measure the measure type as IFC names it, such as {@code IfcLengthMeasure}, or empty
   */
  record Number(double value, String unit, String measure) implements PropertyValue {
    @Override
    public String text() {
      return plain(value);
    }
  }

  /** True or false. */
  record Logical(boolean value) implements PropertyValue {
    @Override
    public String text() {
      return value ? "TRUE" : "FALSE";
    }
  }

  /** Several values: a list, an enumeration with several literals, or the bounds of a range. */
  record Many(List<PropertyValue> values) implements PropertyValue {
    public Many {
      values = List.copyOf(values);
    }

    @Override
    public String text() {
      return String.join("; ", values.stream().map(PropertyValue::text).toList());
    }
  }

  /** For people and for comparing with what a person typed. */
  String text();

  /** A number without needless digits: at most nine significant ones. */
  static String plain(double d) {
    if (d == Math.rint(d) && Math.abs(d) < 1e15) {
      return String.valueOf((long) d);
    }
    String s = String.format(Locale.ROOT, "%.9g", d);
    return new java.math.BigDecimal(s).stripTrailingZeros().toPlainString();
  }

  /** Whether there is nothing in it. */
  default boolean isBlank() {
    return text().isBlank();
  }
}
