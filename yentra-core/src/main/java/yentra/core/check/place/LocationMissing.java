package yentra.core.check.place;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.envelope.Site;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;
import yentra.core.finding.Workspace;

/** LOC-801: location missing, or 0°, 0°. Latitude and longitude as delivered. */
@AutoService(Check.class)
public final class LocationMissing implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "LOC-801",
              Severity.ERROR,
              "location missing, or 0°, 0°",
              "Latitude and longitude as delivered.",
              "Sun and weather are then those of another place.",
              List.of())
          .answered("Give the place", Workspace.INTAKE);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    Site s = context.envelope().site();
    if (s.latitude() == null || s.longitude() == null) {
      report.accept(
          context.finding(DESCRIPTOR).says("The delivery states no latitude and longitude."));
    } else if (s.latitude() == 0 && s.longitude() == 0) {
      report.accept(
          context
              .finding(DESCRIPTOR)
              .says("The delivery states latitude 0° and longitude 0°, a place in the sea."));
    }
  }
}
