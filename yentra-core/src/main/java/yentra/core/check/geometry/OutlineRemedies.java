package yentra.core.check.geometry;

import java.util.ArrayList;
import java.util.List;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Hole;
import yentra.core.geometry.OpenEdges;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Shell;
import yentra.core.geometry.Vec3;
import yentra.core.repair.surface.CleanOutline;
import yentra.core.repair.surface.ReshapeSurface;

/** Cleaning the outline of one surface or opening. */
final class OutlineRemedies {
  private OutlineRemedies() {}

  static void clean(Offer o, String label, boolean safe) {
    o.add(
        label, new CleanOutline(o.first(), o.context().limit(ShortEdge.DESCRIPTOR, "edge")), safe);
  }

  /**
   * The outline of the hole that the space has without the surface, where that has the surface's
   * own corners: the order in which they were meant.
   */
  static void untangle(Offer o) {
    Surface s = o.surface().orElse(null);
    if (s == null || s.sides().size() != 1) {
      return;
    }
    double gap = o.context().tolerance().gap();
    List<Polygon> others = new ArrayList<>();
    String space = s.sides().get(0).space();
    for (Surface x : o.context().volumes().surfacesOf(space)) {
      if (x != s) {
        x.faceTo(space).ifPresent(others::add);
      }
    }
    for (Hole h :
        Hole.from(OpenEdges.find(others, o.context().tolerance()), o.context().tolerance())) {
      boolean own =
          h.outline().size() >= 3
              && h.outline().stream()
                  .allMatch(p -> s.polygon().outer().stream().anyMatch(q -> q.distance(p) <= gap));
      if (own) {
        o.safe(
            "Put its corners into the order that closes the space",
            new ReshapeSurface(s.key(), turned(h, others, gap), false));
        return;
      }
    }
  }

  /** The outline of a hole, turned out of the space that it closes. */
  private static List<Vec3> turned(Hole h, List<Polygon> others, double gap) {
    Polygon p = Polygon.of(h.outline());
    List<Polygon> closed = new ArrayList<>(others);
    closed.add(p);
    return (Shell.of(closed).direction(p, gap) < 0 ? p.reversed() : p).outer();
  }
}
