package yentra.core.check.thermal;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
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
import yentra.core.finding.Severity;

/**
 * THM-709: the layers are listed in the wrong direction. Two constructions in use on outer surfaces
 * whose materials are those of each other in reverse: the one on less area is reported.
 */
@AutoService(Check.class)
public final class LayersReversed implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "THM-709",
          Severity.WARNING,
          "the layers are listed in the wrong direction for the surface",
          "Constructions on outer surfaces that have the same materials as another one in reverse order; the one on less area is taken for the wrong one.",
          "The mass lies on the wrong side of the insulation: temperatures swing as they would not.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    LayersReversedRemedies.of(o);
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    ThermalSurvey thermal = context.thermal();
    Map<List<String>, Construction> byMaterials = new HashMap<>();
    for (Construction c : thermal.used()) {
      if (outer(thermal, c).isEmpty()) {
        continue;
      }
      List<String> materials = materials(thermal, c);
      List<String> reversed = new ArrayList<>(materials);
      Collections.reverse(reversed);
      Construction twin = byMaterials.get(reversed);
      if (twin != null && !reversed.equals(materials)) {
        boolean first = area(thermal, twin) < area(thermal, c);
        report.accept(finding(context, thermal, first ? twin : c, first ? c : twin));
      }
      byMaterials.putIfAbsent(materials, c);
    }
  }

  private static List<Surface> outer(ThermalSurvey thermal, Construction c) {
    return thermal.users(c).stream().filter(s -> s.type().isExterior()).toList();
  }

  private static List<String> materials(ThermalSurvey thermal, Construction c) {
    return thermal.buildUp(c).materials().stream().map(m -> m.key()).toList();
  }

  private static double area(ThermalSurvey thermal, Construction c) {
    return outer(thermal, c).stream().mapToDouble(Surface::netArea).sum();
  }

  private static Finding finding(
      CheckContext context, ThermalSurvey thermal, Construction wrong, Construction right) {
    List<Surface> users = outer(thermal, wrong);
    return context
        .finding(DESCRIPTOR, ThermalSurvey.keys(wrong.key(), users))
        .evidence(Evidence.areas(ThermalSurvey.polygons(users)))
        .says(
            "The layers of "
                + wrong.label()
                + " are those of "
                + right.label()
                + " in reverse; "
                + ThermalSurvey.useOf(users)
                + ".");
  }
}
