package yentra.core.check.thermal;

import com.google.auto.service.AutoService;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.ThermalSurvey;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Material;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Finding;
import yentra.core.finding.FindingBuilder;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.finding.Text;
import yentra.core.finding.Together;
import yentra.core.thermal.UValueBreakdown;

/** THM-703: a layer property missing or implausible. */
@AutoService(Check.class)
public final class LayerProperty implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "THM-703",
              Severity.ERROR,
              "a layer property is missing or implausible",
              "Materials in layers of constructions in use: stated thickness, conductivity, density and specific heat against their limits; a layer needs a resistance, or a thickness and a conductivity. Materials that state nothing thermal at all are THM-711.",
              "The simulation stops, or takes the layer for something else.",
              List.of(
                  new Limit("thinnest", "m", 0.0001, 0.000001, 0.01),
                  new Limit("thickest", "m", 2, 0.5, 10),
                  new Limit("conductivityLow", "W/mK", 0.005, 0.0001, 0.05),
                  new Limit("conductivityHigh", "W/mK", 400, 100, 3000),
                  new Limit("densityLow", "kg/m3", 0.5, 0.01, 10),
                  new Limit("densityHigh", "kg/m3", 9000, 3000, 25000),
                  new Limit("heatLow", "J/kgK", 100, 10, 400),
                  new Limit("heatHigh", "J/kgK", 5000, 2500, 20000)))
          .told(Together.SHARED_OBJECT);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    LayerPropertyRemedies.of(o);
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    ThermalSurvey thermal = context.thermal();
    Map<String, Material> materials = new LinkedHashMap<>();
    Map<String, Construction> first = new HashMap<>();
    for (Construction c : thermal.used()) {
      for (Material m : thermal.buildUp(c).materials()) {
        materials.putIfAbsent(m.key(), m);
        first.putIfAbsent(m.key(), c);
      }
    }
    for (Material m : materials.values()) {
      Asking ask = new Asking(context, m, first.get(m.key()), report);
      ask.within("thickness", m.thickness(), "thinnest", "thickest", "m");
      ask.within("conductivity", m.conductivity(), "conductivityLow", "conductivityHigh", "W/mK");
      ask.within("density", m.density(), "densityLow", "densityHigh", "kg/m3");
      ask.within("specific heat", m.specificHeat(), "heatLow", "heatHigh", "J/kgK");
      if (m.resistance() == null && !ThermalSurvey.statesNothing(m)) {
        ask.given("thickness", m.thickness());
        if (!UValueBreakdown.isAirLayer(m)) {
          ask.given("conductivity", m.conductivity());
        }
      }
    }
  }

  private record Asking(
      CheckContext context, Material m, Construction user, Consumer<Finding> report) {
    private FindingBuilder finding() {
      return context.finding(DESCRIPTOR, m.key(), user.key()).at(m.source());
    }

    void within(String what, Double v, String low, String high, String unit) {
      double least = context.limit(DESCRIPTOR, low);
      double most = context.limit(DESCRIPTOR, high);
      if (v != null && !(v >= least && v <= most)) {
        report.accept(
            finding()
                .subject(what)
                .measured(v, v < least ? least : most, unit)
                .says(
                    "The "
                        + what
                        + " of "
                        + m.label()
                        + " in "
                        + user.label()
                        + " is "
                        + Text.value(v)
                        + " "
                        + unit
                        + "; "
                        + Text.value(least)
                        + " "
                        + unit
                        + " to "
                        + Text.value(most)
                        + " "
                        + unit
                        + " is plausible."));
      }
    }

    void given(String what, Double v) {
      if (v == null) {
        report.accept(
            finding()
                .subject(what)
                .says(
                    m.label()
                        + " in "
                        + user.label()
                        + " has neither a resistance nor a "
                        + what
                        + "."));
      }
    }
  }
}
