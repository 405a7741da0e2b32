package yentra.core.check.adjacency;

import java.util.List;
import yentra.core.check.rule.Offer;
import yentra.core.repair.surface.SetNeighbours;

/** Either the type is wrong or the second space. */
final class ExteriorBetweenSpacesRemedies {
  private ExteriorBetweenSpacesRemedies() {}

  static void of(Offer o) {
    o.surface()
        .ifPresent(
            s -> {
              o.retype(s, o.types().betweenSpaces(o.outward(s).tilt()), s.sides().size() == 2);
              if (s.sides().size() == 2) {
                o.add(
                    "Clear " + o.context().naming().space(s.sides().get(1).space()),
                    new SetNeighbours(s.key(), List.of(s.sides().get(0).space()), null));
              }
            });
  }
}
