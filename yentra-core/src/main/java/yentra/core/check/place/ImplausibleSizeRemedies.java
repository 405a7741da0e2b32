package yentra.core.check.place;

import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import yentra.core.check.rule.Offer;
import yentra.core.repair.delivery.RereadUnit;
import yentra.core.units.LengthUnit;

/** The unit that makes the mean height of spaces one of rooms. */
final class ImplausibleSizeRemedies {
  /** Units that models are drawn in, by name. */
  private static final List<LengthUnit> UNITS =
      Stream.of(
              LengthUnit.CENTIMETRE,
              LengthUnit.FOOT,
              LengthUnit.INCH,
              LengthUnit.METRE,
              LengthUnit.MILLIMETRE)
          .sorted(Comparator.comparing(LengthUnit::plural))
          .toList();

  /** Heights between which a room is one, m (common practice). */
  private static final double LEAST = 2;

  private static final double MOST = 10;

  /** Units that differ by less are the same. */
  private static final double SAME = 1e-9;

  private ImplausibleSizeRemedies() {}

  static void of(Offer o) {
    double height = o.finding().measured() == null ? 0 : o.finding().measured();
    double now = o.envelope().delivered().length().metres();
    List<LengthUnit> fitting =
        UNITS.stream()
            .filter(
                unit -> {
                  double factor = unit.metres() / now;
                  double then = height * factor;
                  return Math.abs(factor - 1) > SAME && then > LEAST && then < MOST;
                })
            .toList();
    fitting.forEach(
        unit ->
            o.add(
                "Take lengths in " + unit.plural(),
                new RereadUnit(unit.metres() / now, unit.plural()),
                fitting.size() == 1));
  }
}
