package yentra.core.check.thermal;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Glazing;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Finding;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.finding.Text;
import yentra.core.finding.Together;

/** THM-708: a glazing value out of range. */
@AutoService(Check.class)
public final class GlazingOutOfRange implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "THM-708",
              Severity.ERROR,
              "a glazing value out of range",
              "U-value, solar heat gain coefficient and visible transmittance of every window type; the latter must let some light through.",
              "The window lets in more sun than shines on it, or none.",
              List.of(
                  new Limit("least", "W/m2K", 0.3, 0.05, 1), new Limit("most", "W/m2K", 7, 3, 20)))
          .told(Together.SHARED_OBJECT);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    GlazingOutOfRangeRemedies.of(o);
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    double least = context.limit(DESCRIPTOR, "least");
    double most = context.limit(DESCRIPTOR, "most");
    for (Glazing g : context.envelope().glazings()) {
      ask(context, g, "U-value", g.uValue(), least, most, "W/m2K", report);
      ask(context, g, "solar heat gain coefficient", g.solarHeatGain(), 0, 1, "", report);
      double dark = Double.MIN_VALUE;
      ask(context, g, "visible transmittance", g.visibleTransmittance(), dark, 1, "", report);
    }
  }

  private static void ask(
      CheckContext context,
      Glazing g,
      String what,
      Double v,
      double least,
      double most,
      String unit,
      Consumer<Finding> report) {
    if (v == null || v >= least && v <= most) {
      return;
    }
    report.accept(
        context
            .finding(DESCRIPTOR, g.key())
            .at(g.source())
            .subject(what)
            .measured(v, v < least ? (least < 1e-300 ? 0 : least) : most, unit)
            .says(
                "The "
                    + what
                    + " of the window type "
                    + g.label()
                    + " is "
                    + Text.value(v)
                    + (unit.isEmpty() ? "" : " W/m²K")
                    + "."));
  }
}
