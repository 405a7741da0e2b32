package yentra.core.check;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import yentra.core.envelope.ReadNote;

/**
 * SPC-411: the space's gross area is that of a grouping rather than a room. It holds two or more
 * other spaces, each with more than the limit's share of its volume.
 */
final class GroupingSpace implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "SPC-411",
          Severity.WARNING,
          "the space is a grouping that contains other spaces rather than a room",
          "It holds two or more other spaces, each with more than the limit's share of its volume.",
          "Its volume is counted twice: once in the rooms, once in the grouping.",
          List.of(new Limit("share", "%", 90, 50, 100), new Limit("spaces", "count", 2, 2, 100)));

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  /** The spaces that are groupings, with the keys of what each contains. */
  static Map<String, List<String>> groupings(CheckContext context) {
    double share = context.limit(DESCRIPTOR, "share") / 100;
    Map<String, List<String>> inside = new LinkedHashMap<>();
    // told by the delivered bodies, whatever the surfaces are drawn on
    for (ReadNote n : context.envelope().notes()) {
      if (n.kind() == ReadNote.Kind.GROUPING) {
        inside.put(n.object(), new ArrayList<>(n.names()));
      }
    }
    for (SpaceOverlaps.Overlap o : context.overlaps().all()) {
      // a twin of the same size is a duplicate, not a part
      if (o.share() > share && o.smaller().volume() < share * o.larger().volume()) {
        List<String> parts =
            inside.computeIfAbsent(o.larger().space().key(), k -> new ArrayList<>());
        if (!parts.contains(o.smaller().space().key())) {
          parts.add(o.smaller().space().key());
        }
      }
    }
    double least = context.limit(DESCRIPTOR, "spaces");
    inside.values().removeIf(l -> l.size() < least);
    return inside;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    Map<String, List<String>> groupings = groupings(context);
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
