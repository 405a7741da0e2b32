package yentra.core.check.space;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.Groupings;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.Offer;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;
import yentra.core.finding.Text;
import yentra.core.finding.Workspace;
import yentra.core.repair.space.DeleteSpace;

/**
 * SPC-411: the space's gross area is that of a grouping rather than a room. It holds two or more
 * other spaces, each with more than the limit's share of its volume.
 */
@AutoService(Check.class)
public final class GroupingSpace implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              Groupings.CODE,
              Severity.WARNING,
              "the space is a grouping that contains other spaces rather than a room",
              "It holds two or more other spaces, each with more than the limit's share of its volume.",
              "Its volume is counted twice: once in the rooms, once in the grouping.",
              List.of(Groupings.SHARE, Groupings.SPACES))
          .safely("it is deleted where no surface names it")
          .answered("Put it out of scope", Workspace.SCOPE, "elements");

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    boolean bare = o.context().volumes().surfacesOf(o.first()).isEmpty();
    o.add("Delete the space", new DeleteSpace(o.first()), bare);
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    Map<String, List<String>> groupings = context.groupings();
    for (var s : context.envelope().spaces()) {
      List<String> parts = groupings.get(s.key());
      if (parts != null) {
        report.accept(
            context
                .finding(DESCRIPTOR, s.key())
                .measured(parts.size(), 1.0, "count")
                .evidence(Evidence.areas(context.volumes().of(s.key()).faces().faces()))
                .says(
                    s.label()
                        + " contains "
                        + parts.size()
                        + " other spaces ("
                        + Text.some(parts.stream().map(context.naming()::space).toList())
                        + "): it is a grouping, not a room."));
      }
    }
  }
}
