package yentra.core.ifc;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yentra.core.model.Measures;
import yentra.core.model.PropertyValue;
import yentra.core.step.StepFile;
import yentra.core.step.StepInstance;

/**
 * The units that the project assigns, as factors to SI. Where one is missing, SI is taken and
 * {@link #assumed} says so for lengths and angles.
 *
 * <p>Source: IfcSIUnit, IfcConversionBasedUnit, IfcDerivedUnit and IfcUnitAssignment of ISO 16739.
 */
final class IfcUnits {
  private static final int DEEPEST = 8;
  private static final double KELVIN = 273.15;
  private static final Map<String, Double> PREFIX = new HashMap<>();

  static {
    String[] names = {
      "EXA", "PETA", "TERA", "GIGA", "MEGA", "KILO", "HECTO", "DECA", "DECI", "CENTI", "MILLI",
      "MICRO", "NANO", "PICO", "FEMTO", "ATTO"
    };
    int[] powers = {18, 15, 12, 9, 6, 3, 2, 1, -1, -2, -3, -6, -9, -12, -15, -18};
    for (int i = 0; i < names.length; i++) {
      PREFIX.put(names[i], Math.pow(10, powers[i]));
    }
  }

  /** The kind of unit that an assignment gives a measure type; where both are called alike. */
  private static String unitType(String measure) {
    String name = measure.substring("IFC".length(), measure.length() - "MEASURE".length());
    return switch (name) {
      case "POSITIVELENGTH", "NONNEGATIVELENGTH" -> "LENGTHUNIT";
      case "POSITIVEPLANEANGLE" -> "PLANEANGLEUNIT";
      // the conductivity's unit is called that of a conductance
      case "THERMALCONDUCTIVITY" -> "THERMALCONDUCTANCEUNIT";
      default -> name + "UNIT";
    };
  }

  /** To SI: factor, then offset. */
  private record Scale(double factor, double offset) {
    static final Scale ONE = new Scale(1, 0);
  }

  private final StepFile file;
  private final Map<String, Scale> scales = new HashMap<>();
  private final List<String> assumed = new ArrayList<>();

  private IfcUnits(StepFile file) {
    this.file = file;
  }

  static IfcUnits of(StepFile file, IfcSchema schema) {
    IfcUnits units = new IfcUnits(file);
    int[] projects = file.ofType("IFCPROJECT");
    StepInstance project = projects.length == 0 ? null : file.get(projects[0]);
    StepInstance assignment =
        project == null
            ? null
            : file.get(project.ref(schema.index("IfcProject", "UnitsInContext")));
    if (assignment != null && assignment.is("IFCUNITASSIGNMENT")) {
      for (int u : assignment.refs(0)) {
        StepInstance unit = file.get(u);
        if (unit != null) {
          units.scale(unit, 0).ifPresent(s -> units.scales.putIfAbsent(unit.enumeration(1), s));
        }
      }
    }
    units.require("LENGTHUNIT", "length unit not declared: metres assumed");
    units.require("PLANEANGLEUNIT", "plane angle unit not declared: radians assumed");
    return units;
  }

  private void require(String type, String otherwise) {
    if (!scales.containsKey(type)) {
      assumed.add(otherwise);
    }
  }

  /** Metres per unit. */
  double length() {
    return scales.getOrDefault("LENGTHUNIT", Scale.ONE).factor;
  }

  /** Square metres per unit; of lengths, where none is assigned. */
  double area() {
    return scales.containsKey("AREAUNIT") ? scales.get("AREAUNIT").factor : length() * length();
  }

  /** Cubic metres per unit; of lengths, where none is assigned. */
  double volume() {
    return scales.containsKey("VOLUMEUNIT")
        ? scales.get("VOLUMEUNIT").factor
        : length() * length() * length();
  }

  /** Radians per unit. */
  double angle() {
    return scales.getOrDefault("PLANEANGLEUNIT", Scale.ONE).factor;
  }

  /** What was not declared. */
  List<String> assumed() {
    return assumed;
  }

  /**
   * A measured number in SI units.
   *
   * @param measure the measure type in upper case, such as IFCLENGTHMEASURE
   * @param proper the measure type in its proper capitals
   * @param unit the instance of the unit stated with the value, or 0 for the project's
   */
  PropertyValue.Number si(String measure, String proper, double value, int unit) {
    String symbol = Measures.si(measure);
    Scale s = null;
    StepInstance stated = unit == 0 ? null : file.get(unit);
    if (stated != null) {
      s = scale(stated, 0).orElse(null);
    }
    if (symbol.isEmpty()) {
      return new PropertyValue.Number(value, "", proper);
    }
    if (s == null) {
      String unitType = unitType(measure);
      s =
          switch (unitType) {
            case "AREAUNIT" -> new Scale(area(), 0);
            case "VOLUMEUNIT" -> new Scale(volume(), 0);
            default -> scales.getOrDefault(unitType, Scale.ONE);
          };
    }
    return new PropertyValue.Number(value * s.factor + s.offset, symbol, proper);
  }

  /** Back from SI to what the file writes for a measure in the project's units. */
  double fromSi(String measure, double si) {
    PropertyValue.Number one = si(measure, "", 1, 0);
    PropertyValue.Number zero = si(measure, "", 0, 0);
    return (si - zero.value()) / (one.value() - zero.value());
  }

  /** The scale of a unit; empty when it makes no sense. */
  private Optional<Scale> scale(StepInstance unit, int depth) {
    if (depth > DEEPEST) {
      return Optional.empty();
    }
    return switch (unit.type()) {
      case "IFCSIUNIT" -> Optional.of(si(unit));
      case "IFCCONVERSIONBASEDUNIT", "IFCCONVERSIONBASEDUNITWITHOFFSET" -> converted(unit, depth);
      case "IFCDERIVEDUNIT" -> derived(unit, depth);
      default -> Optional.empty();
    };
  }

  private static Scale si(StepInstance unit) {
    double prefix = PREFIX.getOrDefault(unit.enumeration(2), 1.0);
    String name = unit.enumeration(3);
    if (name.startsWith("SQUARE_")) {
      return new Scale(prefix * prefix, 0);
    }
    if (name.startsWith("CUBIC_")) {
      return new Scale(prefix * prefix * prefix, 0);
    }
    return switch (name) {
      case "GRAM" -> new Scale(prefix / 1000, 0);
      // temperatures are kept in degrees Celsius
      case "KELVIN" -> new Scale(prefix, -KELVIN);
      default -> new Scale(prefix, 0);
    };
  }

  /** Dimensions, UnitType, Name, ConversionFactor, ConversionOffset. */
  private Optional<Scale> converted(StepInstance unit, int depth) {
    StepInstance measure = file.get(unit.ref(3));
    StepInstance base = measure == null ? null : file.get(measure.ref(1));
    if (base == null) {
      return Optional.empty();
    }
    double offset = unit.number(4).orElse(0.0);
    return measure
        .number(0)
        .filter(v -> v > 0)
        .flatMap(
            v ->
                scale(base, depth + 1)
                    .map(s -> new Scale(s.factor * v, s.factor * offset + s.offset)));
  }

  /** The product of the elements' units, each to its exponent; differences have no offset. */
  private Optional<Scale> derived(StepInstance unit, int depth) {
    double factor = 1;
    for (int e : unit.refs(0)) {
      StepInstance element = file.get(e);
      StepInstance base = element == null ? null : file.get(element.ref(0));
      Optional<Scale> s = base == null ? Optional.empty() : scale(base, depth + 1);
      if (s.isEmpty()) {
        return Optional.empty();
      }
      factor *= Math.pow(s.get().factor, element.number(1).orElse(1.0));
    }
    return Double.isFinite(factor) && factor > 0
        ? Optional.of(new Scale(factor, 0))
        : Optional.empty();
  }
}
