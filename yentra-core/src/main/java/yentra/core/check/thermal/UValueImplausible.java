package yentra.core.check.thermal;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.ThermalSurvey;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.FindingBuilder;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.finding.Text;
import yentra.core.finding.Together;
import yentra.core.thermal.SurfaceResistances;

/**
 * THM-706: a U-value implausible for its use, or a roof that insulates less well than the walls.
 */
@AutoService(Check.class)
public final class UValueImplausible implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "THM-706",
              Severity.WARNING,
              "a U-value implausible for its use, or a roof that insulates less well than the walls",
              "Stated U-values against their limits. Roofs to outdoor air are held against the exterior walls' mean, weighted by area, both without the resistance of the air at their faces.",
              "Heat losses come out several times too large or small.",
              List.of(
                  new Limit("least", "W/m2K", 0.05, 0.001, 0.5),
                  new Limit("most", "W/m2K", 6, 2, 20)))
          .told(Together.SHARED_OBJECT);

  /** Roofs and walls this close are alike, as a share. */
  private static final double ALIKE = 0.01;

  private static final SurfaceResistances UP = SurfaceResistances.outdoor(0);
  private static final SurfaceResistances LEVEL = SurfaceResistances.outdoor(90);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    UValueImplausibleRemedies.of(o);
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    double least = context.limit(DESCRIPTOR, "least");
    double most = context.limit(DESCRIPTOR, "most");
    ThermalSurvey thermal = context.thermal();
    double walls = walls(context);
    for (Construction c : thermal.used()) {
      List<Surface> users = thermal.users(c);
      // of layers it is their properties that are implausible: THM-703
      if (c.uValue() != null && !(c.uValue() >= least && c.uValue() <= most)) {
        report.accept(
            finding(context, c, users, c.uValue(), c.uValue() < least ? least : most)
                .says(
                    "The U-value of "
                        + c.label()
                        + " is stated as "
                        + Text.value(c.uValue())
                        + " W/m²K; "
                        + ThermalSurvey.useOf(users)
                        + "."));
        continue;
      }
      roof(context, c, walls, report);
    }
  }

  private static void roof(
      CheckContext context, Construction c, double walls, Consumer<Finding> report) {
    ThermalSurvey thermal = context.thermal();
    List<Surface> roofs =
        thermal.users(c).stream()
            .filter(s -> s.type() == SurfaceType.ROOF && s.exposure() == Exposure.OUTDOOR)
            .toList();
    OptionalDouble u = roofs.isEmpty() ? OptionalDouble.empty() : thermal.uValue(roofs.get(0));
    if (u.isPresent() && component(u.getAsDouble(), UP) < component(walls, LEVEL) * (1 - ALIKE)) {
      report.accept(
          finding(context, c, roofs, u.getAsDouble(), walls)
              .says(
                  "The roof "
                      + c.label()
                      + " has a U-value of "
                      + Text.value(u.getAsDouble())
                      + " W/m²K and insulates less well than the walls with "
                      + Text.value(walls)
                      + " W/m²K."));
    }
  }

  /** Resistance without that of the air at the faces, which differs between roofs and walls. */
  private static double component(double u, SurfaceResistances air) {
    return Math.max(0, 1 / u - air.sum());
  }

  private static FindingBuilder finding(
      CheckContext context, Construction c, List<Surface> users, double u, double limit) {
    return context
        .finding(DESCRIPTOR, ThermalSurvey.keys(c.key(), users))
        .measured(u, limit, "W/m2K")
        .evidence(Evidence.areas(ThermalSurvey.polygons(users)));
  }

  /** Mean of the exterior walls, or infinity where none is known. */
  private static double walls(CheckContext context) {
    double area = 0;
    double sum = 0;
    List<Surface> surfaces = context.envelope().surfaces();
    for (int i = 0; i < surfaces.size(); i++) {
      if (surfaces.get(i).type() == SurfaceType.EXTERIOR_WALL) {
        OptionalDouble u = context.thermal().uValue(surfaces.get(i));
        if (u.isPresent()) {
          double net = context.measures().net(i);
          area += net;
          sum += net * u.getAsDouble();
        }
      }
    }
    return area > 0 ? sum / area : Double.POSITIVE_INFINITY;
  }
}
