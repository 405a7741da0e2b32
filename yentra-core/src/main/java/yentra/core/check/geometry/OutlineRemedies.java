package yentra.core.check.geometry;

import yentra.core.check.rule.Offer;
import yentra.core.repair.surface.CleanOutline;

/** Cleaning the outline of one surface or opening. */
final class OutlineRemedies {
  private OutlineRemedies() {}

  static void clean(Offer o, String label) {
    o.add(label, new CleanOutline(o.first(), o.context().limit(ShortEdge.DESCRIPTOR, "edge")));
  }
}
