package yentra.core.check.use;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Conditions;
import yentra.core.envelope.Space;
import yentra.core.envelope.Zone;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;
import yentra.core.finding.Workspace;

/** USE-901: a space without a use, or conditioned without set-points. */
@AutoService(Check.class)
public final class SpaceConditions implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "USE-901",
              Severity.WARNING,
              "a space without a use, or conditioned without set-points",
              "Use of every space that bounds a surface; of heated spaces the heating set-point of their zone, of cooled ones the cooling set-point; a space in no zone has none. Where no space at all has a use, or no conditioned one a zone, it is said once.",
              "The simulation takes default people, equipment and temperatures.",
              List.of())
          .answered("Give uses in Thermal", Workspace.THERMAL);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    SpaceConditionsRemedies.of(o);
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    List<Space> spaces = context.asked();
    List<Space> without = spaces.stream().filter(s -> s.use().isBlank()).toList();
    if (without.size() > 1 && without.size() == spaces.size()) {
      report.accept(
          context
              .finding(DESCRIPTOR, without.stream().map(Space::key).toArray(String[]::new))
              .says("No space has a use."));
    } else {
      without.forEach(
          s ->
              report.accept(context.finding(DESCRIPTOR, s.key()).says(s.label() + " has no use.")));
    }
    Map<String, Zone> zones = new HashMap<>();
    context.envelope().zones().forEach(z -> zones.put(z.key(), z));
    zoneless(context, spaces, zones, report);
    for (Space s : spaces) {
      Zone z = zones.get(s.zone());
      List<String> lacks = z == null ? List.of() : lacks(s, z);
      if (!lacks.isEmpty()) {
        report.accept(
            context
                .finding(DESCRIPTOR, s.key(), z.key())
                .subject(String.join(", ", lacks))
                .says(
                    s.label()
                        + " is "
                        + Conditions.of(s.condition()).label()
                        + ", but its zone "
                        + z.label()
                        + " has no "
                        + String.join(" and no ", lacks)
                        + "."));
      }
    }
  }

  private static void zoneless(
      CheckContext context, List<Space> spaces, Map<String, Zone> zones, Consumer<Finding> report) {
    List<Space> conditioned =
        spaces.stream().filter(s -> Conditions.of(s.condition()).conditioned()).toList();
    List<Space> without = conditioned.stream().filter(s -> !zones.containsKey(s.zone())).toList();
    if (without.size() > 1 && without.size() == conditioned.size()) {
      report.accept(
          context
              .finding(DESCRIPTOR, without.stream().map(Space::key).toArray(String[]::new))
              .subject("zone")
              .says("No conditioned space is in a zone, so none has set-points."));
      return;
    }
    without.forEach(
        s ->
            report.accept(
                context
                    .finding(DESCRIPTOR, s.key())
                    .subject("zone")
                    .says(
                        s.label()
                            + " is "
                            + Conditions.of(s.condition()).label()
                            + ", but in no zone, so it has no set-points.")));
  }

  private static List<String> lacks(Space s, Zone z) {
    Conditions c = Conditions.of(s.condition());
    List<String> out = new ArrayList<>();
    if (c.heated() && z.heatingSetPoint() == null) {
      out.add("heating set-point");
    }
    if (c.cooled() && z.coolingSetPoint() == null) {
      out.add("cooling set-point");
    }
    return out;
  }
}
