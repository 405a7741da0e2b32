package yentra.core.check.adjacency;

import java.util.List;
import yentra.core.check.rule.Offer;
import yentra.core.repair.surface.SetNeighbours;

/** One of the two sides goes, or the surface. */
final class SameSpaceTwiceRemedies {
  private SameSpaceTwiceRemedies() {}

  static void of(Offer o) {
    o.surface()
        .ifPresent(
            s ->
                o.add(
                    "Clear the second",
                    new SetNeighbours(
                        s.key(),
                        List.of(s.sides().get(0).space()),
                        o.types().exterior(o.outward(s), o.ground()))));
    o.delete();
  }
}
