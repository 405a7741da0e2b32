package yentra.core.check.place;

import java.util.Map;
import java.util.TreeMap;
import yentra.core.check.rule.Offer;
import yentra.core.repair.delivery.RereadUnit;

/** The unit that makes the mean height of spaces one of rooms. */
final class ImplausibleSizeRemedies {
  /** Metres in a unit, by the unit's name in the plural. */
  private static final Map<String, Double> UNITS =
      new TreeMap<>(
          Map.of(
              "millimetres",
              0.001,
              "centimetres",
              0.01,
              "metres",
              1.0,
              "feet",
              0.3048,
              "inches",
              0.0254));

  /** Heights between which a room is one, m (common practice). */
  private static final double LEAST = 2;

  private static final double MOST = 10;

  /** Units that differ by less are the same. */
  private static final double SAME = 1e-9;

  private ImplausibleSizeRemedies() {}

  static void of(Offer o) {
    double height = o.finding().measured() == null ? 0 : o.finding().measured();
    double now = o.envelope().delivered().length().metres();
    UNITS.forEach(
        (name, metres) -> {
          double factor = metres / now;
          double then = height * factor;
          if (Math.abs(factor - 1) > SAME && then > LEAST && then < MOST) {
            o.add("Take lengths in " + name, new RereadUnit(factor, name));
          }
        });
  }
}
