package yentra.core.scope;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;

/** Units that a person may write, with what brings a number in them to SI. */
public final class UnitText {
  private record Unit(double factor, String si) {}

  private static final Map<String, Unit> UNITS = new HashMap<>();

  private static void units(String si, Object... table) {
    UNITS.put(si.toLowerCase(Locale.ROOT), new Unit(1, si));
    for (int i = 0; i < table.length; i += 2) {
      UNITS.put((String) table[i], new Unit((Double) table[i + 1], si));
    }
  }

  static {
    units("m", "cm", 0.01, "mm", 0.001, "ft", 0.3048, "in", 0.0254);
    units("m²", "m2", 1.0, "ft²", 0.09290304, "ft2", 0.09290304, "sf", 0.09290304);
    units("m³", "m3", 1.0, "ft³", 0.028316846592, "ft3", 0.028316846592, "l", 0.001);
    units("rad", "deg", Math.PI / 180, "°", Math.PI / 180);
    units("kg", "g", 0.001);
    units("s", "h", 3600.0);
    units("°C");
    units("W", "kw", 1000.0);
    units("Pa", "kpa", 1000.0);
    units("lx");
    units("", "%", 0.01);
    units("W/(m²K)", "w/m²k", 1.0, "w/m2k", 1.0, "btu/(h ft² f)", 5.678263);
    units("W/(mK)", "w/mk", 1.0);
    units("m²K/W");
    units("kg/m³");
    units("J/(kgK)");
    units("m³/s", "m³/h", 1 / 3600.0, "l/s", 0.001);
    units("W/m²");
  }

  private UnitText() {}

  private static Unit of(String unit) {
    return UNITS.get(unit.strip().toLowerCase(Locale.ROOT));
  }

  /** Whether a unit is known; none at all is SI. */
  public static boolean isKnown(String unit) {
    return unit.isBlank() || of(unit) != null;
  }

  /** What a number in the unit is multiplied by; 1 where none is stated. */
  public static double factor(String unit) {
    Unit known = of(unit);
    return unit.isBlank() || known == null ? 1 : known.factor;
  }

  /** The SI unit that the unit is one of, such as {@code m} for {@code ft}; empty for shares. */
  static String si(String unit) {
    Unit known = of(unit);
    return known == null ? "" : known.si;
  }
}
