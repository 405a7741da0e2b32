package yentra.core.check;

import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Consumer;

/**
 * SPC-404: two spaces overlap. The volume of their common solid; spaces that are groupings
 * (SPC-411) are left out, since they overlap with all they contain.
 */
final class OverlappingSpaces implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "SPC-404",
          Severity.ERROR,
          "two spaces overlap",
          "The volume of their common solid; spaces that are groupings (SPC-411) are left out, since they overlap with all they contain.",
          "Air is counted twice, and surfaces between the two do not match.",
          List.of(new Limit("volume", "m³", 0.01, 0.0001, 10)));

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    double limit = context.limit(DESCRIPTOR, "volume");
    Set<String> groupings = GroupingSpace.groupings(context).keySet();
    for (SpaceOverlaps.Overlap o : context.overlaps().all()) {
      String a = o.a().space().key();
      String b = o.b().space().key();
      if (o.volume() > limit && !groupings.contains(a) && !groupings.contains(b)) {
        report.accept(
            context
                .finding(DESCRIPTOR, a, b)
                .measured(o.volume(), limit, "m³")
                .evidence(Evidence.areas(o.solid()))
                .says(
                    String.format(
                        Locale.ROOT,
                        "%s and %s share %.2f m³.",
                        o.a().space().label(),
                        o.b().space().label(),
                        o.volume())));
      }
    }
  }
}
