package yentra.core.check.opening;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.Focus;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.LocalCheck;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.Surface;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;

/** OPN-605: an opening of a type that is not allowed where it is. */
@AutoService(Check.class)
public final class OpeningNotAllowed implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "OPN-605",
          Severity.ERROR,
          "an opening of a type that is not allowed where it is",
          "Holes in surfaces to outdoor air or ground, and windows against the ground.",
          "A simulation refuses it, or loses air or light that are not there.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    OpeningNotAllowedRemedies.of(o);
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    for (Surface s : focus.list()) {
      for (Opening o : s.openings()) {
        boolean hole = o.type() == OpeningType.AIR && s.type().isExterior();
        boolean buried = s.type().isGround() && o.type().isGlazed();
        if (hole || buried) {
          report.accept(
              context
                  .finding(DESCRIPTOR, o.key(), s.key())
                  .measured(o.polygon().area(), 0.0, "m2")
                  .evidence(Evidence.area(o.polygon()))
                  .says(
                      "The "
                          + context.naming().opening(o)
                          + (hole
                              ? " is filled by nothing, and that surface is exterior."
                              : " looks into the ground.")));
        }
      }
    }
  }
}
