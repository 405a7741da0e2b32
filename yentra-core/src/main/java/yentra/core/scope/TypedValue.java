package yentra.core.scope;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import yentra.core.model.Measures;
import yentra.core.model.PropertyValue;

/**
 * What a person typed as a value of a property: {@code yes}, {@code 1.3}, {@code 240 mm}, {@code
 * 0.25 Btu/(h ft² F)}, {@code F60}.
 */
public final class TypedValue {
  private static final Pattern NUMBER =
      Pattern.compile("\\s*([-+]?\\d+(?:[.,]\\d+)?(?:[eE][-+]?\\d+)?)\\s*(.*?)\\s*");

  /** Types of common properties (IFC4 property set definitions, ISO 16739-1). */
  private static final Map<String, String> COMMON =
      Map.ofEntries(
          Map.entry("IsExternal", "IfcBoolean"),
          Map.entry("LoadBearing", "IfcBoolean"),
          Map.entry("Combustible", "IfcBoolean"),
          Map.entry("FireExit", "IfcBoolean"),
          Map.entry("PubliclyAccessible", "IfcBoolean"),
          Map.entry("FireRating", "IfcLabel"),
          Map.entry("AcousticRating", "IfcLabel"),
          Map.entry("Reference", "IfcIdentifier"),
          Map.entry("ThermalTransmittance", "IfcThermalTransmittanceMeasure"),
          Map.entry("GlazingAreaFraction", "IfcPositiveRatioMeasure"),
          Map.entry("Infiltration", "IfcVolumetricFlowRateMeasure"),
          Map.entry("GrossPlannedArea", "IfcAreaMeasure"),
          Map.entry("NetPlannedArea", "IfcAreaMeasure"));

  private TypedValue() {}

  /** The type of a property whose type the model does not show, or empty. */
  public static String typeOf(String property) {
    return COMMON.getOrDefault(property, "");
  }

  /**
   * Reads what was typed.
   *
   * @param type the value's type as IFC names it; when empty, numbers and yes or no are told by
   *     their look, all else is words
   * @throws IllegalArgumentException when it is no such value, with the reason
   */
  public static PropertyValue read(String text, String type) {
    String kind = type.toLowerCase(Locale.ROOT);
    String typed = text.strip();
    if (typed.isEmpty()) {
      throw new IllegalArgumentException("The value is empty.");
    }
    Optional<Boolean> logical = logical(typed);
    if (kind.equals("ifcboolean") || kind.equals("ifclogical")) {
      return new PropertyValue.Logical(
          logical.orElseThrow(
              () -> new IllegalArgumentException("\"" + typed + "\": write yes or no.")));
    }
    if (kind.endsWith("measure") || kind.equals("ifcreal") || kind.equals("ifcinteger")) {
      return number(typed, type);
    }
    if (kind.isEmpty() && logical.isPresent()) {
      return new PropertyValue.Logical(logical.get());
    }
    if (kind.isEmpty() && NUMBER.matcher(typed).matches() && isNumber(typed)) {
      return number(typed, type);
    }
    return new PropertyValue.Text(typed);
  }

  private static Optional<Boolean> logical(String typed) {
    return switch (typed.toLowerCase(Locale.ROOT)) {
      case "yes", "true" -> Optional.of(true);
      case "no", "false" -> Optional.of(false);
      default -> Optional.empty();
    };
  }

  /** Whether the whole is a number with or without a unit, and not words that begin with one. */
  private static boolean isNumber(String typed) {
    Matcher m = NUMBER.matcher(typed);
    return m.matches() && UnitText.isKnown(m.group(2));
  }

  private static PropertyValue number(String typed, String type) {
    Matcher m = NUMBER.matcher(typed);
    if (!m.matches()) {
      throw new IllegalArgumentException("\"" + typed + "\" is no number.");
    }
    String unit = m.group(2);
    String si = Measures.si(type);
    if (!UnitText.isKnown(unit)) {
      throw new IllegalArgumentException("The unit " + unit + " is not known.");
    }
    if (!unit.isEmpty() && !type.isEmpty() && !UnitText.si(unit).equals(si)) {
      throw new IllegalArgumentException(
          "\"" + typed + "\" is not in " + (si.isEmpty() ? "plain numbers" : si) + ".");
    }
    double value = Double.parseDouble(m.group(1).replace(',', '.')) * UnitText.factor(unit);
    if (type.equalsIgnoreCase("IfcInteger") && value != Math.rint(value)) {
      throw new IllegalArgumentException("\"" + typed + "\" is no whole number.");
    }
    return new PropertyValue.Number(value, si.isEmpty() ? UnitText.si(unit) : si, type);
  }
}
