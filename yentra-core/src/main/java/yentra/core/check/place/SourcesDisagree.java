package yentra.core.check.place;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.FrameDifference;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Finding;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;

/** UNI-204: a delivery's origin, units or north disagree with those of the project's first. */
@AutoService(Check.class)
public final class SourcesDisagree implements Check {
  static final Limit SHIFT = new Limit("shift", "m", 0.01, 0, 1000);
  static final Limit APART = new Limit("apart", "m", 1000, 10, 1_000_000);
  static final Limit TURN = new Limit("turn", "deg", 0.1, 0, 180);
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "UNI-204",
          Severity.ERROR,
          "two sources of one project whose origins, units or north disagree",
          "The shift, turn and scale that bring the spaces which both have onto each other; where they have none in common, the gap between both; and the difference of the stated norths.",
          "Wings that do not meet, and walls that face the wrong way, go unnoticed until the results are odd.",
          List.of(SHIFT, TURN, APART));

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    SourcesDisagreeRemedies.of(o);
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    FrameDifference d = context.frames().orElse(null);
    if (d == null) {
      return;
    }
    placed(context, d, report);
    apart(context, d, report);
    turned(context, d, report);
  }

  private static void placed(CheckContext context, FrameDifference d, Consumer<Finding> report) {
    String other = context.beside();
    double shift = d.shift().length();
    double most = context.limit(DESCRIPTOR, SHIFT.name());
    if (Math.abs(d.scale() - 1) > 1e-9) {
      report.accept(
          context
              .finding(DESCRIPTOR)
              .subject("scale")
              .measured(d.scale(), 1.0, "")
              .says(
                  String.format(
                      Locale.ROOT,
                      "Lengths are %.4g times those of %s: one of the two is read in another unit than it was drawn in.",
                      d.scale(),
                      other)));
    } else if (shift > most) {
      report.accept(
          context
              .finding(DESCRIPTOR)
              .subject("shift")
              .measured(shift, most, "m")
              .says(
                  String.format(
                      Locale.ROOT,
                      "The %d spaces that it has in common with %s lie %.3f m from where they lie there (x %.3f, y %.3f, z %.3f m).",
                      d.common(),
                      other,
                      shift,
                      d.shift().x(),
                      d.shift().y(),
                      d.shift().z())));
    }
  }

  private static void apart(CheckContext context, FrameDifference d, Consumer<Finding> report) {
    double far = context.limit(DESCRIPTOR, APART.name());
    if (d.common() == 0 && d.gap() > far) {
      report.accept(
          context
              .finding(DESCRIPTOR)
              .subject("apart")
              .measured(d.gap(), far, "m")
              .says(
                  String.format(
                      Locale.ROOT,
                      "It has no space in common with %s and lies %.0f m from it.",
                      context.beside(),
                      d.gap())));
    }
  }

  private static void turned(CheckContext context, FrameDifference d, Consumer<Finding> report) {
    String other = context.beside();
    double turn = context.limit(DESCRIPTOR, TURN.name());
    if (Math.abs(d.turn()) > turn) {
      report.accept(
          context
              .finding(DESCRIPTOR)
              .subject("turn")
              .measured(Math.abs(d.turn()), turn, "deg")
              .says(
                  String.format(
                      Locale.ROOT,
                      "The model is turned by %.2f° against %s.",
                      Math.abs(d.turn()),
                      other)));
    } else if (d.north() != null && Math.abs(d.north()) > turn) {
      report.accept(
          context
              .finding(DESCRIPTOR)
              .subject("north")
              .measured(Math.abs(d.north()), turn, "deg")
              .says(
                  String.format(
                      Locale.ROOT,
                      "North is stated %.2f° away from where %s states it.",
                      Math.abs(d.north()),
                      other)));
    }
  }
}
