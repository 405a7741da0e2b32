package yentra.core.check.thermal;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Surface;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;

/**
 * THM-707: a glazed opening lacks U-value, solar heat gain coefficient or visible transmittance.
 * Openings of one window type are one finding.
 */
@AutoService(Check.class)
public final class GlazingMissing implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "THM-707",
          Severity.ERROR,
          "a glazed opening lacks U-value, solar heat gain coefficient or visible transmittance",
          "Windows and glazed doors without a window type, and window types in use without one of the three values.",
          "A window cannot be simulated without them.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    GlazingMissingRemedies.of(o);
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    Map<String, Glazing> known = new HashMap<>();
    context.envelope().glazings().forEach(g -> known.put(g.key(), g));
    Map<Glazing, List<Opening>> users = new LinkedHashMap<>();
    for (Surface s : context.envelope().surfaces()) {
      for (Opening o : s.openings()) {
        if (!o.type().isGlazed()) {
          continue;
        }
        if (o.glazing() == null) {
          report.accept(
              context
                  .finding(DESCRIPTOR, o.key())
                  .evidence(Evidence.area(o.polygon()))
                  .says("The " + context.naming().opening(o) + " has no window type."));
        } else if (known.containsKey(o.glazing())) {
          users.computeIfAbsent(known.get(o.glazing()), k -> new ArrayList<>()).add(o);
        }
      }
    }
    users.forEach((g, openings) -> lacking(context, g, openings, report));
  }

  private static void lacking(
      CheckContext context, Glazing g, List<Opening> openings, Consumer<Finding> report) {
    List<String> lacks = new ArrayList<>();
    if (g.uValue() == null) {
      lacks.add("U-value");
    }
    if (g.solarHeatGain() == null) {
      lacks.add("solar heat gain coefficient");
    }
    if (g.visibleTransmittance() == null) {
      lacks.add("visible transmittance");
    }
    if (lacks.isEmpty()) {
      return;
    }
    List<String> keys = new ArrayList<>(List.of(g.key()));
    openings.forEach(o -> keys.add(o.key()));
    report.accept(
        context
            .finding(DESCRIPTOR, keys.toArray(String[]::new))
            .at(g.source())
            .subject(String.join(", ", lacks))
            .evidence(Evidence.areas(openings.stream().map(Opening::polygon).toList()))
            .says(
                "The window type "
                    + g.label()
                    + " has no "
                    + String.join(" and no ", lacks)
                    + "; "
                    + (openings.size() == 1
                        ? "1 opening uses it."
                        : openings.size() + " openings use it.")));
  }
}
