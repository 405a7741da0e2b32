package yentra.core.check.thermal;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.ThermalSurvey;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Surface;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.FindingBuilder;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.finding.Text;
import yentra.core.finding.Together;
import yentra.core.thermal.BuildUp;
import yentra.core.thermal.SurfaceResistances;
import yentra.core.thermal.UValueBreakdown;
import yentra.core.thermal.UValueBreakdown.Position;

/**
 * THM-705: the stated U-value differs from the one its layers give (ISO 6946, homogeneous layers).
 * Measured is the difference in % of the latter; in an architectural model, where elements state
 * their own values, it is the stated value itself.
 */
@AutoService(Check.class)
public final class UValueDiffers implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "THM-705",
              Severity.WARNING,
              "the stated U-value differs from the one its layers give",
              "ISO 6946 for homogeneous layers with the surface resistances of the surfaces that use the construction. A stated value that fits with or without them is no fault.",
              "One of the two is used, and nobody knows which.",
              List.of(new Limit("difference", "%", 5, 0.5, 50)))
          .told(Together.SHARED_OBJECT);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    UValueDiffersRemedies.of(o);
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    double limit = context.limit(DESCRIPTOR, "difference");
    ThermalSurvey thermal = context.thermal();
    for (Construction c : thermal.used()) {
      if (c.uValue() == null) {
        continue;
      }
      double best = fit(c.uValue(), computed(thermal, c));
      if (!Double.isFinite(best)) {
        continue;
      }
      double off = 100 * Math.abs(c.uValue() - best) / best;
      if (off > limit) {
        report.accept(finding(context, c, best, off, limit));
      }
    }
  }

  /** U-values by the layers: as used, and without surface resistances. */
  private static List<Double> computed(ThermalSurvey thermal, Construction c) {
    BuildUp b = thermal.buildUp(c);
    List<Double> out = new ArrayList<>();
    if (b.materials().isEmpty()) {
      return out;
    }
    for (Surface s : thermal.users(c)) {
      thermal.byLayers(s).ifPresent(out::add);
      if (s.sides().size() == 2) {
        double tilt = thermal.tilt(s);
        at(b, new Position(s.exposure(), tilt), out);
        at(b, new Position(s.exposure(), 180 - tilt), out);
      }
    }
    // declared values are those of horizontal heat flow to outdoors
    at(b, Position.WALL, out);
    OptionalDouble bare =
        UValueBreakdown.withAirLayers(b, Position.WALL).uValue(SurfaceResistances.NONE);
    bare.ifPresent(out::add);
    return out;
  }

  private static void at(BuildUp b, Position p, List<Double> out) {
    UValueBreakdown.uValue(b, p).ifPresent(out::add);
  }

  /** The computed value nearest to the stated one. */
  private static double fit(double stated, List<Double> computed) {
    double best = Double.NaN;
    for (double u : computed) {
      if (!(Math.abs(stated - u) / u >= Math.abs(stated - best) / best)) {
        best = u;
      }
    }
    return best;
  }

  private static Finding finding(
      CheckContext context, Construction c, double computed, double off, double limit) {
    ThermalSurvey thermal = context.thermal();
    List<Surface> users = thermal.users(c);
    List<String> keys = new ArrayList<>(List.of(ThermalSurvey.keys(c.key(), users)));
    users.stream()
        .filter(s -> s.element() != null)
        .map(s -> s.element().id())
        .distinct()
        .forEach(keys::add);
    FindingBuilder f = context.finding(DESCRIPTOR, keys.toArray(String[]::new));
    return (context.isIfc()
            // what is found wanting is the statement itself
            ? f.measured(c.uValue(), null, "W/m2K").limited(limit, "%")
            : f.measured(off, limit, "%"))
        .evidence(Evidence.areas(ThermalSurvey.polygons(users)))
        .says(
            "The U-value of "
                + c.label()
                + " is stated as "
                + Text.value(c.uValue())
                + " W/m²K; its layers give "
                + Text.value(computed)
                + " W/m²K, which differs by "
                + Text.percent(off)
                + ".");
  }
}
