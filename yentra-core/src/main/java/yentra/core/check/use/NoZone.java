package yentra.core.check.use;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Space;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;

/** USE-903: a space in no zone. */
@AutoService(Check.class)
public final class NoZone implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "USE-903",
          Severity.WARNING,
          "a space in no zone",
          "Every space that bounds a surface. Where no space is in a zone it is said once.",
          "Nothing heats or cools it.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    ZoneRemedies.give(o);
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    List<Space> spaces = context.asked();
    List<Space> without = spaces.stream().filter(s -> s.zone() == null).toList();
    if (without.size() > 1 && without.size() == spaces.size()) {
      report.accept(
          context
              .finding(DESCRIPTOR, without.stream().map(Space::key).toArray(String[]::new))
              .says("No space is in a zone."));
      return;
    }
    without.forEach(
        s ->
            report.accept(
                context.finding(DESCRIPTOR, s.key()).says(s.label() + " is in no zone.")));
  }
}
