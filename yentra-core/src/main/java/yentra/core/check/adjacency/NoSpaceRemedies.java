package yentra.core.check.adjacency;

import java.util.List;
import yentra.core.boundary.SpaceVolume;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Polygon;
import yentra.core.repair.surface.SetNeighbours;

/** The space whose faces leave out this surface's place; else it goes, or casts shade. */
final class NoSpaceRemedies {
  /** So much of a hole the surface must cover to fill it. */
  private static final double COVERS = 0.9;

  private NoSpaceRemedies() {}

  static void of(Offer o) {
    o.surface().ifPresent(s -> neighbour(o, s));
    o.delete();
    o.surface().ifPresent(s -> o.retype(s, SurfaceType.SHADE));
  }

  private static void neighbour(Offer o, Surface s) {
    double gap = o.context().tolerance().gap();
    for (SpaceVolume v : o.context().volumes().all()) {
      boolean fills =
          v.holes().stream().map(h -> Polygon.of(h.outline())).anyMatch(h -> fills(s, h, gap));
      if (fills) {
        o.safe(
            "Let it bound " + v.space().label(),
            new SetNeighbours(s.key(), List.of(v.space().key()), null));
        return;
      }
    }
  }

  private static boolean fills(Surface s, Polygon hole, double gap) {
    return hole.box().grown(gap).intersects(s.polygon().box())
        && PlanarOverlay.commonArea(s.polygon(), hole) > COVERS * hole.area()
        && Math.abs(s.polygon().plane().distance(hole.mean())) < gap;
  }
}
