package yentra.core.units;

import java.util.Map;
import java.util.Optional;

/**
 * Factors from the unit names of thermal quantities in gbXML to SI. Exact, derived from 1 ft =
 * 0.3048 m, 1 lb = 0.45359237 kg, 1 Btu(IT) = 1055.05585262 J and 1 °F = 5/9 K (ISO 80000-5; NIST
 * SP 811, Appendix B).
 */
public final class ThermalUnit {
  private static final double FOOT = 0.3048;
  private static final double POUND = 0.45359237;
  private static final double BTU = 1055.05585262;
  private static final double FAHRENHEIT = 5.0 / 9.0;
  private static final double U_IP = BTU / (3600 * FOOT * FOOT * FAHRENHEIT);

  private static final Map<String, Double> U_VALUE =
      Map.of("wpersquaremeterk", 1.0, "btuperhoursquareftf", U_IP);
  private static final Map<String, Double> R_VALUE =
      Map.of("squaremeterkperw", 1.0, "hrsquareftfperbtu", 1 / U_IP);
  private static final Map<String, Double> CONDUCTIVITY =
      Map.of(
          "wpermeterk", 1.0, "wpercmc", 100.0, "btuperhourftf", BTU / (3600 * FOOT * FAHRENHEIT));
  private static final Map<String, Double> DENSITY =
      Map.of(
          "kgpercubicm",
          1.0,
          "gramspercubiccm",
          1000.0,
          "lbspercubicft",
          POUND / (FOOT * FOOT * FOOT),
          "lbspercubicin",
          POUND / Math.pow(FOOT / 12, 3));
  private static final Map<String, Double> POWER_DENSITY =
      Map.of("wattpersquaremeter", 1.0, "wattpersquarefoot", 1 / (FOOT * FOOT));
  private static final Map<String, Double> HEAT_PER_PERSON =
      Map.of("wattperperson", 1.0, "btuperhourperson", BTU / 3600);
  private static final Map<String, Double> AREA_PER_PERSON =
      Map.of("squaremperperson", 1.0, "squareftperperson", FOOT * FOOT);
  private static final Map<String, Double> SPECIFIC_HEAT =
      Map.of("jperkgk", 1.0, "btuperlbf", BTU / (POUND * FAHRENHEIT));

  private static final double CUBIC_FOOT_PER_MINUTE = 1000 * FOOT * FOOT * FOOT / 60;
  private static final Map<String, Double> FLOW =
      Map.of(
          "lpersec",
          1.0,
          "cfm",
          CUBIC_FOOT_PER_MINUTE,
          "cubicmperhr",
          1 / 3.6,
          "cubicmpersec",
          1000.0);
  private static final Map<String, Double> FLOW_PER_AREA =
      Map.of(
          "lpersecpersquarem",
          1.0,
          "cfmpersquarefoot",
          CUBIC_FOOT_PER_MINUTE / (FOOT * FOOT),
          "cubicmperhrpersquarem",
          1 / 3.6);

  private ThermalUnit() {}

  /** The kinds of quantity this class converts; each names its SI unit as gbXML writes it. */
  public enum Quantity {
    U_VALUE("WPerSquareMeterK", ThermalUnit.U_VALUE),
    R_VALUE("SquareMeterKPerW", ThermalUnit.R_VALUE),
    CONDUCTIVITY("WPerMeterK", ThermalUnit.CONDUCTIVITY),
    DENSITY("KgPerCubicM", ThermalUnit.DENSITY),
    SPECIFIC_HEAT("JPerKgK", ThermalUnit.SPECIFIC_HEAT),
    POWER_DENSITY("WattPerSquareMeter", ThermalUnit.POWER_DENSITY),
    HEAT_PER_PERSON("WattPerPerson", ThermalUnit.HEAT_PER_PERSON),
    AREA_PER_PERSON("SquareMPerPerson", ThermalUnit.AREA_PER_PERSON),
    FLOW("LPerSec", ThermalUnit.FLOW),
    FLOW_PER_AREA("LPerSecPerSquareM", ThermalUnit.FLOW_PER_AREA);

    private final String si;
    private final Map<String, Double> factors;

    Quantity(String si, Map<String, Double> factors) {
      this.si = si;
      this.factors = factors;
    }

    public String si() {
      return si;
    }

    /**
     * The factor to SI of a gbXML unit name, in any capitals; empty when the standard has no such
     * unit.
     */
    public Optional<Double> factor(String unit) {
      return Optional.ofNullable(factors.get(unit.toLowerCase(java.util.Locale.ROOT)));
    }
  }

  /**
   * A temperature in degrees Celsius.
   *
   * @param unit C, F, K or R, as gbXML writes it
   */
  public static Optional<Double> celsius(double value, String unit) {
    return switch (unit) {
      case "C" -> Optional.of(value);
      case "F" -> Optional.of((value - 32) * FAHRENHEIT);
      case "K" -> Optional.of(value - 273.15);
      case "R" -> Optional.of(value * FAHRENHEIT - 273.15);
      default -> Optional.empty();
    };
  }

  /**
   * A temperature in another unit; what is none of the units is taken as degrees Celsius.
   *
   * @param unit C, F, K or R
   */
  public static double fromCelsius(double celsius, String unit) {
    return switch (unit) {
      case "F" -> celsius / FAHRENHEIT + 32;
      case "K" -> celsius + 273.15;
      case "R" -> (celsius + 273.15) / FAHRENHEIT;
      default -> celsius;
    };
  }
}
