package yentra.core.check.place;

import com.google.auto.service.AutoService;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import yentra.core.boundary.SpaceVolume;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.Offer;
import yentra.core.finding.Cause;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Finding;
import yentra.core.finding.FindingBuilder;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.units.LengthUnit;

/**
 * UNI-202: sizes are implausible for the declared unit. The mean height of the spaces (volume by
 * floor area) is held against the limits; units under which it would be plausible are tried.
 */
@AutoService(Check.class)
public final class ImplausibleSize implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "UNI-202",
              Severity.BLOCKER,
              "sizes are implausible for the declared unit",
              "The mean height of the spaces (volume by floor area) is held against the limits; units under which it would be plausible are tried.",
              "Areas and volumes are wrong by a constant factor, and with them every result.",
              List.of(new Limit("least", "m", 1.5, 0.1, 10), new Limit("most", "m", 30, 5, 500)))
          .safely("the one unit that makes the rooms as high as rooms are")
          .making(Cause.WRONG_UNIT);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    ImplausibleSizeRemedies.of(o);
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    double volume = 0;
    double floor = 0;
    for (SpaceVolume v : context.volumes().all()) {
      if (v.floorArea() > 0 && v.volume() > 0) {
        volume += v.volume();
        floor += v.floorArea();
      }
    }
    if (floor <= 0) {
      return;
    }
    double height = volume / floor;
    double least = context.limit(DESCRIPTOR, "least");
    double most = context.limit(DESCRIPTOR, "most");
    if (height >= least && height <= most) {
      return;
    }
    LengthUnit declared = context.envelope().delivered().length();
    String better =
        Arrays.stream(LengthUnit.values())
            .filter(u -> plausible(height * u.metres() / declared.metres(), least, most))
            .min(
                Comparator.comparingDouble(
                    u -> Math.abs(Math.log(height * u.metres() / declared.metres() / 3))))
            .map(
                u ->
                    String.format(
                        Locale.ROOT,
                        " As %s they would be %.2f m high.",
                        u.plural(),
                        height * u.metres() / declared.metres()))
            .orElse("");
    report.accept(
        new FindingBuilder(DESCRIPTOR, List.of())
            .measured(height, height < least ? least : most, "m")
            .says(
                String.format(
                    Locale.ROOT,
                    "The spaces are %.3f m high on average under the declared unit %s.%s",
                    height,
                    declared.plural(),
                    better)));
  }

  private static boolean plausible(double height, double least, double most) {
    return height >= least && height <= most;
  }
}
