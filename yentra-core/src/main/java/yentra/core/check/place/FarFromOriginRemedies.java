package yentra.core.check.place;

import yentra.core.check.rule.Offer;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Box;
import yentra.core.geometry.Vec3;
import yentra.core.repair.delivery.AlignDelivery;

/** Moves what lies far away as a whole. */
final class FarFromOriginRemedies {
  /** What is larger than this is not one building far away, m. */
  private static final double LARGEST = 10_000;

  private FarFromOriginRemedies() {}

  static void of(Offer o) {
    Box box = Box.EMPTY;
    for (Surface s : o.envelope().surfaces()) {
      box = box.union(s.polygon().box());
    }
    if (!box.isEmpty() && box.diagonal() < LARGEST) {
      Vec3 c = box.min().plus(o.envelope().delivered().origin());
      o.add(
          "Move it to the origin",
          new AlignDelivery(0, -Math.floor(c.x()), -Math.floor(c.y()), 0, null));
    }
  }
}
