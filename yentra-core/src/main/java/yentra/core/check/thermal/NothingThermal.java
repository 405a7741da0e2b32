package yentra.core.check.thermal;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.ThermalSurvey;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Material;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Surface;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;
import yentra.core.geometry.Polygon;
import yentra.core.thermal.BuildUp;

/**
 * THM-711: materials in use of a delivery state nothing thermal, so that U-values cannot be known.
 */
@AutoService(Check.class)
public final class NothingThermal implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "THM-711",
          Severity.ERROR,
          "materials in use of a delivery state nothing thermal, so that U-values cannot be known",
          "Constructions of surfaces and opaque openings that state no U-value and have a layer that is no air and of whose material neither conductivity nor resistance, density or specific heat is stated. One finding for the delivery; measured is their area.",
          "Heat flow through them cannot be computed.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    NothingThermalRemedies.of(o);
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    ThermalSurvey thermal = context.thermal();
    Map<String, Double> areas = new LinkedHashMap<>();
    List<Polygon> where = new ArrayList<>();
    for (Construction c : thermal.used()) {
      if (unknown(c, thermal.buildUp(c))) {
        for (Surface s : thermal.users(c)) {
          areas.merge(c.key(), s.netArea(), Double::sum);
          where.add(s.polygon());
        }
      }
    }
    for (Surface s : context.envelope().surfaces()) {
      for (Opening o : s.openings()) {
        Construction c = context.envelope().construction(o.construction()).orElse(null);
        if (c != null && !o.type().isGlazed() && unknown(c, thermal.buildUp(c))) {
          areas.merge(c.key(), o.polygon().area(), Double::sum);
          where.add(o.polygon());
        }
      }
    }
    if (areas.isEmpty()) {
      return;
    }
    Set<String> materials = new LinkedHashSet<>();
    for (String key : areas.keySet()) {
      silent(thermal.buildUp(context.envelope().construction(key).orElseThrow()))
          .forEach(m -> materials.add(m.label()));
    }
    double area = areas.values().stream().mapToDouble(v -> v).sum();
    report.accept(
        context
            .finding(DESCRIPTOR, areas.keySet().toArray(String[]::new))
            .measured(area, 0.0, "m2")
            .evidence(Evidence.areas(where))
            .says(
                areas.size()
                    + (areas.size() == 1 ? " construction has" : " constructions have")
                    + " no U-value: "
                    + names(materials)
                    + (materials.size() == 1 ? " states" : " state")
                    + " nothing thermal."));
  }

  private static String names(Set<String> materials) {
    List<String> list = List.copyOf(materials);
    return list.size() <= 3
        ? String.join(", ", list)
        : String.join(", ", list.subList(0, 3))
            + " and "
            + (list.size() - 3)
            + (list.size() == 4 ? " more material" : " more materials");
  }

  private static boolean unknown(Construction c, BuildUp b) {
    return c.uValue() == null && !silent(b).isEmpty();
  }

  private static List<Material> silent(BuildUp b) {
    return b.materials().stream().filter(ThermalSurvey::statesNothing).toList();
  }
}
