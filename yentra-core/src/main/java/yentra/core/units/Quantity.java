package yentra.core.units;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * The kinds of quantity, each with the SI unit in which the product keeps it, the unit in which it
 * is shown to who works in inches and pounds, and every other unit that is understood. The one
 * table: readers, sheets, sentences and the page follow it.
 *
 * <p>Factors are exact, derived from 1 ft = 0.3048 m, 1 lb = 0.45359237 kg, 1 Btu(IT) =
 * 1055.05585262 J and 1 °F = 5/9 K (ISO 80000-3 to -5; NIST SP 811, appendix B).
 */
public enum Quantity {
  LENGTH(
      Unit.of("m", 1),
      Unit.of("ft", Size.FOOT),
      Unit.of("cm", 0.01),
      Unit.of("mm", 0.001),
      Unit.of("in", Size.INCH)),
  DISTANCE(Unit.of("km", 1), Unit.of("mi", LengthUnit.MILE.metres() / 1000)),
  /** Of layers, and of what else is said in millimetres. */
  THICKNESS(Unit.of("mm", 1), Unit.of("in", Size.INCH * 1000)),
  AREA(Unit.of("m²", 1, "m2"), Unit.of("ft²", Size.FOOT * Size.FOOT, "ft2", "sf")),
  VOLUME(
      Unit.of("m³", 1, "m3"),
      Unit.of("ft³", Size.FOOT * Size.FOOT * Size.FOOT, "ft3"),
      Unit.of("l", 0.001)),
  ANGLE(Unit.of("rad", 1), null, Unit.of("°", Math.PI / 180, "deg")),
  SPEED(Unit.of("m/s", 1), Unit.of("ft/s", Size.FOOT)),
  TEMPERATURE(
      Unit.of("°C", 1),
      new Unit("°F", Size.FAHRENHEIT, -32, List.of()),
      new Unit("K", 1, -273.15, List.of()),
      new Unit("°R", Size.FAHRENHEIT, -491.67, List.of())),
  TEMPERATURE_DIFFERENCE(Unit.of("K", 1), Unit.of("°F", Size.FAHRENHEIT)),
  MASS(Unit.of("kg", 1), null, Unit.of("g", 0.001)),
  TIME(Unit.of("s", 1), null, Unit.of("h", 3600)),
  POWER(Unit.of("W", 1), Unit.of("Btu/h", Size.BTU / 3600), Unit.of("kW", 1000)),
  PRESSURE(Unit.of("Pa", 1), null, Unit.of("kPa", 1000)),
  ILLUMINANCE(Unit.of("lx", 1), null),
  ENERGY(Unit.of("J", 1), null),
  /** Of a building over a time. */
  HEAT(Unit.of("kWh", 1), Unit.of("kBtu", Size.BTU / 3600)),
  HEAT_BY_AREA(
      Unit.of("kWh/m²", 1, "kWh/m2"),
      Unit.of("kBtu/ft²", Size.BTU / 3600 / (Size.FOOT * Size.FOOT))),
  FORCE(Unit.of("N", 1), null),
  FREQUENCY(Unit.of("Hz", 1), null),
  LUMINOUS_FLUX(Unit.of("lm", 1), null),
  /** A share of one. */
  SHARE(Unit.of("", 1), null, Unit.of("%", 0.01)),

  U_VALUE(
      Unit.of("W/m²K", 1, "W/m2K", "W/(m²K)", "W/(m2K)"), Unit.of("Btu/(h ft² F)", Size.U_VALUE)),
  RESISTANCE(Unit.of("m²K/W", 1, "m2K/W"), Unit.of("h ft² F/Btu", 1 / Size.U_VALUE)),
  CONDUCTIVITY(
      Unit.of("W/mK", 1, "W/(mK)"),
      Unit.of("Btu in/(h ft² F)", Size.U_VALUE * Size.INCH),
      Unit.of("Btu/(h ft F)", Size.LINEAR),
      Unit.of("W/cmK", 100)),
  /** ψ, by length. */
  LINEAR_TRANSMITTANCE(Unit.of("W/mK", 1, "W/(mK)"), Unit.of("Btu/(h ft F)", Size.LINEAR)),
  DENSITY(
      Unit.of("kg/m³", 1, "kg/m3"),
      Unit.of("lb/ft³", Size.POUND / (Size.FOOT * Size.FOOT * Size.FOOT), "lb/ft3"),
      Unit.of("g/cm³", 1000, "g/cm3"),
      Unit.of("lb/in³", Size.POUND / Math.pow(Size.FOOT / 12, 3), "lb/in3")),
  SPECIFIC_HEAT(
      Unit.of("J/kgK", 1, "J/(kgK)"),
      Unit.of("Btu/(lb F)", Size.BTU / (Size.POUND * Size.FAHRENHEIT))),
  /** By area, as a construction stores it. */
  HEAT_CAPACITY(
      Unit.of("kJ/m²K", 1),
      Unit.of("Btu/(ft² F)", Size.BTU / (1000 * Size.FOOT * Size.FOOT * Size.FAHRENHEIT))),
  /** Heat loss by difference of temperature. */
  HEAT_LOSS(Unit.of("W/K", 1), Unit.of("Btu/(h F)", Size.BTU / (3600 * Size.FAHRENHEIT))),
  /** Of light and equipment, by floor area. */
  POWER_DENSITY(Unit.of("W/m²", 1, "W/m2"), Unit.of("W/ft²", 1 / (Size.FOOT * Size.FOOT))),
  HEAT_PER_PERSON(Unit.of("W/person", 1), Unit.of("Btu/(h person)", Size.BTU / 3600)),
  AREA_PER_PERSON(Unit.of("m²/person", 1), Unit.of("ft²/person", Size.FOOT * Size.FOOT)),
  /** Of air, as ventilation is said. */
  AIR_FLOW(
      Unit.of("l/s", 1),
      Unit.of("cfm", Size.CUBIC_FOOT_PER_MINUTE),
      Unit.of("m³/h", 1 / 3.6, "m3/h"),
      Unit.of("m³/s", 1000, "m3/s")),
  /** Of air, by floor area. */
  AIR_FLOW_BY_AREA(
      Unit.of("l/(s·m²)", 1),
      Unit.of("cfm/ft²", Size.CUBIC_FOOT_PER_MINUTE / (Size.FOOT * Size.FOOT)),
      Unit.of("m³/(h·m²)", 1 / 3.6)),
  /** Of anything, in the coherent unit that IFC keeps it in. */
  VOLUME_FLOW_RATE(
      Unit.of("m³/s", 1, "m3/s"), null, Unit.of("m³/h", 1 / 3600.0, "m3/h"), Unit.of("l/s", 0.001)),
  MASS_FLOW_RATE(Unit.of("kg/s", 1), null),
  AREA_DENSITY(Unit.of("kg/m²", 1), null),
  TEMPERATURE_RATE(Unit.of("K/s", 1), null),
  VAPOUR_PERMEABILITY(Unit.of("kg/(s m Pa)", 1), null),
  MOISTURE_DIFFUSIVITY(Unit.of("m³/s", 1), null);

  /** What the factors are derived from; its own class, since an enum's constants come first. */
  private static final class Size {
    static final double FOOT = LengthUnit.FOOT.metres();
    static final double INCH = LengthUnit.INCH.metres();
    static final double POUND = 0.45359237;
    static final double BTU = 1055.05585262;
    static final double FAHRENHEIT = 5.0 / 9.0;
    static final double U_VALUE = BTU / (3600 * FOOT * FOOT * FAHRENHEIT);
    static final double LINEAR = BTU / (3600 * FOOT * FAHRENHEIT);

    /** In litres per second. */
    static final double CUBIC_FOOT_PER_MINUTE = 1000 * FOOT * FOOT * FOOT / 60;
  }

  private final Unit si;
  private final Unit imperial;
  private final List<Unit> units;

  Quantity(Unit si, Unit imperial, Unit... others) {
    this.si = si;
    this.imperial = imperial;
    this.units = Stream.concat(Stream.of(si, imperial()).distinct(), Stream.of(others)).toList();
  }

  /** The unit in which values of this quantity are kept and, in SI, shown. */
  public Unit si() {
    return si;
  }

  /** The unit in which it is shown in inches and pounds; the SI one where there is no other. */
  public Unit imperial() {
    return imperial == null ? si : imperial;
  }

  /** Every unit that is understood, the SI one first. */
  public List<Unit> units() {
    return units;
  }

  /** The unit that a text writes, in any capitals; empty when this quantity has no such unit. */
  public Optional<Unit> unit(String text) {
    return units.stream().filter(u -> u.isWritten(text)).findFirst();
  }
}
