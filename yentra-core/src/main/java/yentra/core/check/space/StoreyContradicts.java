package yentra.core.check.space;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.Focus;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.LocalCheck;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Space;
import yentra.core.envelope.Storey;
import yentra.core.finding.Cause;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.finding.Text;
import yentra.core.geometry.Box;

/** SPC-405: no storey, or one that does not contain the space. */
@AutoService(Check.class)
public final class StoreyContradicts implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "SPC-405",
              Severity.WARNING,
              "no storey, or one that does not contain the space",
              "The space's floor is held against the level of its storey and of the next one above it.",
              "Spaces are grouped and named by the wrong storey.",
              List.of(new Limit("height", "m", 0.25, 0.01, 3)))
          .safely("the storey that its floor is on")
          .following(Cause.WRONG_UNIT);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    StoreyContradictsRemedies.of(o);
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    double slack = context.limit(DESCRIPTOR, "height");
    List<Storey> storeys = context.envelope().storeys();
    for (Space s : focus.spaces()) {
      Storey own =
          storeys.stream().filter(x -> x.key().equals(s.storey())).findFirst().orElse(null);
      String text = null;
      if (own == null) {
        text = storeys.isEmpty() && s.storey() == null ? null : " is on no storey.";
      } else {
        text = contradiction(context, s, own, storeys, slack);
      }
      if (text != null) {
        report.accept(
            context
                .finding(DESCRIPTOR, s.key())
                .evidence(Evidence.areas(context.volumes().of(s.key()).faces().faces()))
                .says(s.label() + text));
      }
    }
  }

  private static String contradiction(
      CheckContext context, Space s, Storey own, List<Storey> storeys, double slack) {
    Box box = context.volumes().of(s.key()).faces().box();
    if (own.level() == null || box.isEmpty()) {
      return null;
    }
    double next =
        storeys.stream()
            .filter(x -> x.level() != null && x.level() > own.level() + slack)
            .mapToDouble(Storey::level)
            .min()
            .orElse(Double.POSITIVE_INFINITY);
    boolean above = box.min().z() > next - slack;
    boolean below = box.max().z() < own.level() + slack;
    return above || below
        ? " is on the storey "
            + own.name()
            + " ("
            + Text.length(own.level())
            + "), but reaches from "
            + Text.length(box.min().z())
            + " to "
            + Text.length(box.max().z())
            + "."
        : null;
  }
}
