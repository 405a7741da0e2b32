package yentra.core.check.use;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
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
import yentra.core.finding.Together;

/** USE-904: a zone that mixes uses, or conditioned with unconditioned spaces. */
@AutoService(Check.class)
public final class MixedZone implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "USE-904",
              Severity.NOTE,
              "a zone that mixes uses, or conditioned with unconditioned spaces",
              "Uses and conditions of the spaces of every zone.",
              "One thermostat serves rooms that need different things.",
              List.of())
          .told(Together.SHARED_OBJECT);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    MixedZoneRemedies.of(o);
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    for (Zone z : context.envelope().zones()) {
      List<Space> spaces =
          context.envelope().spaces().stream().filter(s -> z.key().equals(s.zone())).toList();
      Set<String> uses = new TreeSet<>();
      spaces.stream().map(Space::use).filter(u -> !u.isBlank()).forEach(uses::add);
      List<String> mixed = new ArrayList<>();
      boolean some = spaces.stream().anyMatch(s -> Conditions.of(s.condition()).conditioned());
      boolean none = spaces.stream().anyMatch(s -> Conditions.of(s.condition()) == Conditions.NONE);
      if (some && none) {
        mixed.add("conditioned and unconditioned spaces");
      }
      if (uses.size() > 1) {
        mixed.add(uses.size() + " uses");
      }
      if (!mixed.isEmpty()) {
        List<String> keys = new ArrayList<>(List.of(z.key()));
        spaces.forEach(s -> keys.add(s.key()));
        report.accept(
            context
                .finding(DESCRIPTOR, keys.toArray(String[]::new))
                .at(z.source())
                .says("The zone " + z.label() + " has " + String.join(" and ", mixed) + "."));
      }
    }
  }
}
