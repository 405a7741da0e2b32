package yentra.core.check.space;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.EnclosedSurfaces;
import yentra.core.check.proposal.Voids;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Surface;
import yentra.core.envelope.Uncovered;
import yentra.core.finding.Cause;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.finding.Text;
import yentra.core.finding.Workspace;

/** SPC-408: an enclosed volume of the building that no space covers. */
@AutoService(Check.class)
public final class UncoveredVolume implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "SPC-408",
              Severity.WARNING,
              "an enclosed volume of the building that no space covers",
              "Found from faces that look into it: filled with upright columns 0.1 m wide from what is below to what is above; and from faces of two spaces that nothing parts and that lie apart.",
              "A room, shaft or ceiling void is missing from the heat balance, and what bounds it faces nothing.",
              List.of(new Limit("volume", "m3", 0.5, 0.01, 1000)))
          .following(Cause.WRONG_UNIT)
          .making(Cause.VOID)
          .answered("Find rooms without a space", Workspace.ENVELOPE, "boundaries");

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    Voids.around(o);
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    double limit = context.limit(DESCRIPTOR, "volume");
    for (Uncovered u : context.enclosed().uncovered()) {
      if (u.volume() > limit) {
        report.accept(
            context
                .finding(DESCRIPTOR, u.around().toArray(String[]::new))
                .measured(u.volume(), limit, "m3")
                .evidence(Evidence.lines(EnclosedSurfaces.frame(u)))
                .says(
                    "No space covers "
                        + Text.volume(u.volume())
                        + " enclosed by "
                        + Text.some(u.around().stream().map(context.naming()::space).toList())
                        + ", from z = "
                        + Text.length(u.from().z())
                        + " to "
                        + Text.length(u.to().z())
                        + "."));
      }
    }
    for (Surface s : context.envelope().surfaces()) {
      between(context, s, limit, report);
    }
  }

  /**
   * Air between two spaces that nothing parts, but whose faces lie apart, as in a slab's opening.
   */
  private static void between(
      CheckContext context, Surface s, double limit, Consumer<Finding> report) {
    boolean open =
        s.exposure() == Exposure.NONE
            && s.sides().size() == 2
            && !s.sides().get(0).space().equals(s.sides().get(1).space());
    if (!open || s.thickness() == null || s.thickness() <= context.tolerance().gap()) {
      return;
    }
    double volume = s.polygon().area() * s.thickness();
    if (volume > limit) {
      report.accept(
          context
              .finding(DESCRIPTOR, s.sides().get(0).space(), s.sides().get(1).space(), s.key())
              .measured(volume, limit, "m3")
              .evidence(Evidence.area(s.polygon()))
              .says(
                  "Between "
                      + context.naming().space(s.sides().get(0).space())
                      + " and "
                      + context.naming().space(s.sides().get(1).space())
                      + " lie "
                      + Text.volume(volume)
                      + " of air that no space covers: nothing parts the two, but their faces are "
                      + Text.length(s.thickness())
                      + " apart."));
    }
  }
}
