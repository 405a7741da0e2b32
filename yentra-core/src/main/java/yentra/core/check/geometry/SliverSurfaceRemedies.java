package yentra.core.check.geometry;

import yentra.core.check.rule.Offer;
import yentra.core.repair.surface.AbsorbSlivers;

/** Joins all slivers that lie beside something; offered for those that are gone then. */
final class SliverSurfaceRemedies {
  private SliverSurfaceRemedies() {}

  static void of(Offer o) {
    AbsorbSlivers repair =
        new AbsorbSlivers(
            o.context().limit(SliverSurface.DESCRIPTOR, "area"),
            o.context().limit(SliverSurface.DESCRIPTOR, "width"));
    boolean gone =
        o.made(repair).map(joined -> !joined.surface(o.first()).equals(o.surface())).orElse(false);
    if (gone) {
      o.add("Join slivers to what lies beside them", repair);
    }
  }
}
