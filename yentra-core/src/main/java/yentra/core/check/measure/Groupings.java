package yentra.core.check.measure;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import yentra.core.envelope.ReadNote;
import yentra.core.finding.Limit;

/** Spaces that only group others, whose volume is that of the rooms they hold. */
public final class Groupings {
  /** The check whose limits say what a grouping is. */
  public static final String CODE = "SPC-411";

  /** How much of a space another must hold to contain it. */
  public static final Limit SHARE = new Limit("share", "%", 90, 50, 100);

  /** How many it must contain. */
  public static final Limit SPACES = new Limit("spaces", "count", 2, 2, 100);

  private Groupings() {}

  /** The spaces that are groupings, with the keys of what each contains. */
  static Map<String, List<String>> of(CheckContext context) {
    double share = context.limits().of(CODE, SHARE) / 100;
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
    double least = context.limits().of(CODE, SPACES);
    inside.values().removeIf(l -> l.size() < least);
    return inside;
  }
}
