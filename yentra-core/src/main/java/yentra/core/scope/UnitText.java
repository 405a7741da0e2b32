package yentra.core.scope;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;

/** Units that a sheet may state, with what brings a number in them to SI. */
public final class UnitText {
  private static final Map<String, Double> FACTORS = new HashMap<>();

  static {
    Object[] table = {
      "m",
      1.0,
      "cm",
      0.01,
      "mm",
      0.001,
      "ft",
      0.3048,
      "in",
      0.0254,
      "m²",
      1.0,
      "m2",
      1.0,
      "ft²",
      0.09290304,
      "ft2",
      0.09290304,
      "m³",
      1.0,
      "m3",
      1.0,
      "ft³",
      0.028316846592,
      "ft3",
      0.028316846592,
      "l",
      0.001,
      "rad",
      1.0,
      "deg",
      Math.PI / 180,
      "°",
      Math.PI / 180,
      "kg",
      1.0,
      "g",
      0.001,
      "s",
      1.0,
      "h",
      3600.0,
      "°c",
      1.0,
      "w",
      1.0,
      "kw",
      1000.0,
      "pa",
      1.0,
      "kpa",
      1000.0,
      "lx",
      1.0,
      "%",
      0.01,
      "w/(m²k)",
      1.0,
      "w/m²k",
      1.0,
      "w/m2k",
      1.0,
      "btu/(h ft² f)",
      5.678263,
      "w/(mk)",
      1.0,
      "w/mk",
      1.0,
      "m²k/w",
      1.0,
      "kg/m³",
      1.0,
      "j/(kgk)",
      1.0,
      "m³/s",
      1.0,
      "m³/h",
      1 / 3600.0,
      "l/s",
      0.001,
      "w/m²",
      1.0
    };
    for (int i = 0; i < table.length; i += 2) {
      FACTORS.put((String) table[i], (Double) table[i + 1]);
    }
  }

  private UnitText() {}

  /** Whether a unit is known; none at all is SI. */
  public static boolean isKnown(String unit) {
    return unit.isBlank() || FACTORS.containsKey(unit.strip().toLowerCase(Locale.ROOT));
  }

  /** What a number in the unit is multiplied by; 1 where none is stated. */
  public static double factor(String unit) {
    return unit.isBlank() ? 1 : FACTORS.getOrDefault(unit.strip().toLowerCase(Locale.ROOT), 1.0);
  }
}
