package yentra.core.check.use;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Space;
import yentra.core.envelope.Zone;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;
import yentra.core.finding.Text;

/** USE-902: the heating set-point is not below the cooling set-point. */
@AutoService(Check.class)
public final class SetPointsCrossed implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "USE-902",
          Severity.ERROR,
          "the heating set-point is not below the cooling set-point",
          "Design temperatures of every zone.",
          "Heating and cooling work against each other all year.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    SetPointsCrossedRemedies.of(o);
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    for (Zone z : context.envelope().zones()) {
      Double heat = z.heatingSetPoint();
      Double cool = z.coolingSetPoint();
      if (heat != null && cool != null && heat >= cool) {
        List<String> keys = new ArrayList<>(List.of(z.key()));
        context.envelope().spaces().stream()
            .filter(s -> z.key().equals(s.zone()))
            .map(Space::key)
            .forEach(keys::add);
        report.accept(
            context
                .finding(DESCRIPTOR, keys.toArray(String[]::new))
                .at(z.source())
                .measured(heat - cool, 0.0, "K")
                .says(
                    "The zone "
                        + z.label()
                        + " is heated to "
                        + Text.value(heat)
                        + " °C and cooled to "
                        + Text.value(cool)
                        + " °C."));
      }
    }
  }
}
