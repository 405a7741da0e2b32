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
import yentra.core.envelope.Surface;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.finding.Text;

/** OPN-604: an opening as large as its parent. */
@AutoService(Check.class)
public final class OpeningAsLarge implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "OPN-604",
          Severity.WARNING,
          "an opening as large as its parent",
          "The opening's area is held against its parent's.",
          "Many simulations need some wall around an opening.",
          List.of(new Limit("share", "%", 99, 50, 100)));

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    OpeningAsLargeRemedies.of(o);
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    double limit = context.limit(DESCRIPTOR, "share");
    for (Surface s : focus.list()) {
      for (Opening o : s.openings()) {
        double share = 100 * o.polygon().area() / Math.max(1e-9, s.polygon().area());
        if (share > limit && s.polygon().area() > 1e-6) {
          report.accept(
              context
                  .finding(DESCRIPTOR, o.key(), s.key())
                  .measured(share, limit, "%")
                  .evidence(Evidence.area(o.polygon()))
                  .says(
                      "The "
                          + context.naming().opening(o)
                          + " takes up "
                          + Text.percent(share)
                          + " of it."));
        }
      }
    }
  }
}
