package yentra.core.check.space;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.boundary.SpaceVolume;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.Focus;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.LocalCheck;
import yentra.core.check.rule.Offer;
import yentra.core.finding.Cause;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.FindingBuilder;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.finding.Text;
import yentra.core.geometry.Box;
import yentra.core.geometry.PlanWidth;

/** SPC-407: a space that is very small or narrow. */
@AutoService(Check.class)
public final class SliverSpace implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "SPC-407",
              Severity.WARNING,
              "a space that is very small or narrow",
              "The volume, and the least width of its plan or its height.",
              "It is rarely a room; it costs time in the simulation.",
              List.of(
                  new Limit("volume", "m3", 0.5, 0.001, 100),
                  new Limit("width", "m", 0.2, 0.01, 2)))
          .following(Cause.WRONG_UNIT);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    SliverSpaceRemedies.of(o);
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    double volume = context.limit(DESCRIPTOR, "volume");
    double width = context.limit(DESCRIPTOR, "width");
    for (SpaceVolume v : focus.volumes()) {
      Box box = v.faces().box();
      if (!v.enclosed() || box.isEmpty()) {
        continue;
      }
      double w = Math.min(box.max().z() - box.min().z(), PlanWidth.of(v.faces().faces()));
      boolean narrow = w < width - context.tolerance().length();
      if (narrow || v.volume() < volume) {
        FindingBuilder f = context.finding(DESCRIPTOR, v.space().key());
        report.accept(
            (narrow ? f.measured(w, width, "m") : f.measured(v.volume(), volume, "m3"))
                .evidence(Evidence.areas(v.faces().faces()))
                .says(
                    v.space().label()
                        + " has "
                        + Text.volume(v.volume())
                        + " and is "
                        + Text.length(w)
                        + " wide at its narrowest."));
      }
    }
  }
}
