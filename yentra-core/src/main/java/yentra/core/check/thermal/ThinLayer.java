package yentra.core.check.thermal;

import com.google.auto.service.AutoService;
import java.util.HashSet;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.ThermalSurvey;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Material;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.finding.Text;
import yentra.core.finding.Together;
import yentra.core.thermal.BuildUp;

/** THM-704: a layer or a whole construction too thin for a heat-balance simulation. */
@AutoService(Check.class)
public final class ThinLayer implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "THM-704",
              Severity.ERROR,
              "a layer or a whole construction too thin for a heat-balance simulation",
              "Layers that are thin and hardly resist, and the sum of the layers' thicknesses, of constructions in use.",
              "Conduction through it needs steps of time that no simulation takes: it stops or becomes unstable.",
              List.of(
                  new Limit("layer", "m", 0.003, 0.0001, 0.02),
                  new Limit("resistance", "m2K/W", 0.001, 0.00001, 0.1),
                  new Limit("construction", "m", 0.01, 0.001, 0.05)))
          .told(Together.SHARED_OBJECT);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    ThinLayerRemedies.of(o);
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    ThermalSurvey thermal = context.thermal();
    Set<String> done = new HashSet<>();
    double least = context.limit(DESCRIPTOR, "construction");
    for (Construction c : thermal.used()) {
      BuildUp b = thermal.buildUp(c);
      b.materials().stream()
          .filter(m -> isThin(context, m) && done.add(m.key()))
          .forEach(m -> report.accept(layer(context, c, m)));
      OptionalDouble thickness = b.thickness();
      if (thickness.isPresent() && thickness.getAsDouble() < least && known(b)) {
        report.accept(
            context
                .finding(DESCRIPTOR, ThermalSurvey.keys(c.key(), thermal.users(c)))
                .measured(thickness.getAsDouble(), least, "m")
                .evidence(Evidence.areas(ThermalSurvey.polygons(thermal.users(c))))
                .says(
                    "The construction "
                        + c.label()
                        + " is only "
                        + Text.millimetres(thickness.getAsDouble())
                        + " thick; "
                        + ThermalSurvey.useOf(thermal.users(c))
                        + "."));
      }
    }
  }

  /** A thickness of 0 says that none was stated. */
  private static boolean known(BuildUp b) {
    return b.materials().stream().allMatch(m -> m.thickness() > 0);
  }

  private static boolean isThin(CheckContext context, Material m) {
    OptionalDouble r = BuildUp.resistance(m);
    return m.thickness() != null
        && m.thickness() > 0
        && m.thickness() < context.limit(DESCRIPTOR, "layer")
        && r.isPresent()
        && r.getAsDouble() < context.limit(DESCRIPTOR, "resistance");
  }

  private static Finding layer(CheckContext context, Construction c, Material m) {
    List<yentra.core.envelope.Surface> users = context.thermal().users(c);
    String[] keys = ThermalSurvey.keys(m.key(), users);
    return context
        .finding(DESCRIPTOR, keys)
        .at(m.source())
        .measured(m.thickness(), context.limit(DESCRIPTOR, "layer"), "m")
        .evidence(Evidence.areas(ThermalSurvey.polygons(users)))
        .says(
            "The layer "
                + m.label()
                + " of "
                + c.label()
                + " is only "
                + Text.millimetres(m.thickness())
                + " thick and has a resistance of "
                + Text.value(BuildUp.resistance(m).orElse(0))
                + " m²K/W.");
  }
}
