package yentra.core.gbxml;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import yentra.core.units.LengthUnit;
import yentra.core.units.Quantity;
import yentra.core.units.Unit;

/**
 * How gbXML names units: the values of its {@code …UnitEnum} types, schema 6.01. Lengths, areas and
 * volumes of a document are one unit, plain, squared and cubed.
 */
final class GbxmlUnits {
  private static final Map<LengthUnit, String> LENGTHS =
      Map.of(
          LengthUnit.KILOMETRE, "Kilometers",
          LengthUnit.METRE, "Meters",
          LengthUnit.CENTIMETRE, "Centimeters",
          LengthUnit.MILLIMETRE, "Millimeters",
          LengthUnit.MILE, "Miles",
          LengthUnit.YARD, "Yards",
          LengthUnit.FOOT, "Feet",
          LengthUnit.INCH, "Inches");

  private static final String AREA = "Square";
  private static final String VOLUME = "Cubic";

  /** Of quantities that the product reads and writes; the first name is that of the SI unit. */
  private static final Map<Quantity, Map<String, Unit>> NAMES = new HashMap<>();

  private static final Map<Quantity, String> SI = new HashMap<>();

  static {
    names(Quantity.U_VALUE, "WPerSquareMeterK", "BtuPerHourSquareFtF = Btu/(h ft² F)");
    names(Quantity.RESISTANCE, "SquareMeterKPerW", "HrSquareFtFPerBTU = h ft² F/Btu");
    names(Quantity.CONDUCTIVITY, "WPerMeterK", "WPerCmC = W/cmK", "BtuPerHourFtF = Btu/(h ft F)");
    names(
        Quantity.DENSITY,
        "KgPerCubicM",
        "GramsPerCubicCm = g/cm³",
        "LbsPerCubicFt = lb/ft³",
        "LbsPerCubicIn = lb/in³");
    names(Quantity.SPECIFIC_HEAT, "JPerKgK", "BTUPerLbF = Btu/(lb F)");
    names(Quantity.POWER_DENSITY, "WattPerSquareMeter", "WattPerSquareFoot = W/ft²");
    names(Quantity.HEAT_PER_PERSON, "WattPerPerson", "BtuPerHourPerson = Btu/(h person)");
    names(Quantity.AREA_PER_PERSON, "SquareMPerPerson", "SquareFtPerPerson = ft²/person");
    names(Quantity.AIR_FLOW, "LPerSec", "CFM = cfm", "CubicMPerHr = m³/h", "CubicMPerSec = m³/s");
    names(
        Quantity.AIR_FLOW_BY_AREA,
        "LPerSecPerSquareM",
        "CFMPerSquareFoot = cfm/ft²",
        "CubicMPerHrPerSquareM = m³/(h·m²)");
    names(Quantity.TEMPERATURE, "C", "F = °F", "K = K", "R = °R");
  }

  private GbxmlUnits() {}

  private static void names(Quantity quantity, String si, String... others) {
    Map<String, Unit> names = new HashMap<>();
    names.put(si.toLowerCase(Locale.ROOT), quantity.si());
    for (String other : others) {
      String[] name = other.split(" = ");
      names.put(name[0].toLowerCase(Locale.ROOT), quantity.unit(name[1]).orElseThrow());
    }
    NAMES.put(quantity, names);
    SI.put(quantity, si);
  }

  /** How the standard names the SI unit of a quantity. */
  static String si(Quantity quantity) {
    return SI.get(quantity);
  }

  /** A unit by its name, in any capitals; empty when the standard has none of that name. */
  static Optional<Unit> unit(Quantity quantity, String name) {
    return Optional.ofNullable(NAMES.get(quantity).get(name.toLowerCase(Locale.ROOT)));
  }

  static String length(LengthUnit unit) {
    return LENGTHS.get(unit);
  }

  static String area(LengthUnit unit) {
    return AREA + length(unit);
  }

  static String volume(LengthUnit unit) {
    return VOLUME + length(unit);
  }

  static Optional<LengthUnit> length(String name) {
    return Arrays.stream(LengthUnit.values())
        .filter(u -> length(u).equalsIgnoreCase(name))
        .findFirst();
  }

  /** The unit whose square a name says, such as {@code SquareFeet}. */
  static Optional<LengthUnit> area(String name) {
    return prefixed(name, AREA);
  }

  /** The unit whose cube a name says, such as {@code CubicFeet}. */
  static Optional<LengthUnit> volume(String name) {
    return prefixed(name, VOLUME);
  }

  private static Optional<LengthUnit> prefixed(String name, String prefix) {
    return name.startsWith(prefix) ? length(name.substring(prefix.length())) : Optional.empty();
  }
}
