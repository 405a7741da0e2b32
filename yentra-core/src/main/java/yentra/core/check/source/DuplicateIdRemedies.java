package yentra.core.check.source;

import yentra.core.check.rule.Offer;
import yentra.core.envelope.Delivered;
import yentra.core.envelope.Surface;
import yentra.core.repair.delivery.MakeIdUnique;
import yentra.core.repair.surface.DeleteSurface;

/** The object that was read under a new id because its own was taken. */
final class DuplicateIdRemedies {
  private DuplicateIdRemedies() {}

  static void of(Offer o) {
    String id = o.first();
    if (!o.envelope().delivered().format().equals(Delivered.GBXML)) {
      return;
    }
    o.safe("Let the second keep a new id", new MakeIdUnique(id));
    for (Surface s : o.envelope().surfaces()) {
      if (s.source().id().equals(id) && !s.key().equals(id)) {
        o.add("Delete the second surface", new DeleteSurface(s.key()));
      }
    }
  }
}
