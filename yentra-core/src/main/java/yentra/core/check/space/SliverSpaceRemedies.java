package yentra.core.check.space;

import java.util.Comparator;
import java.util.List;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Surface;
import yentra.core.repair.space.MergeSpaces;

/** With the neighbour that shares the largest surface. */
final class SliverSpaceRemedies {
  private SliverSpaceRemedies() {}

  static void of(Offer o) {
    String space = o.first();
    o.context().volumes().surfacesOf(space).stream()
        .filter(s -> s.sides().size() == 2)
        .max(
            Comparator.comparingDouble((Surface s) -> s.polygon().area())
                .thenComparing(Surface::key))
        .ifPresent(
            s -> {
              String other = s.sides().get(s.sides().get(0).space().equals(space) ? 1 : 0).space();
              o.add(
                  "Merge it into " + o.context().naming().space(other),
                  new MergeSpaces(List.of(other, space)));
            });
  }
}
