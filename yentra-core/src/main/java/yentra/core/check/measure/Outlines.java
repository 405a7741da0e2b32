package yentra.core.check.measure;

import java.util.function.BiConsumer;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Polygon;

/**
 * Goes through the outlines of all surfaces and openings, each with its key, in the envelope's
 * order.
 */
public final class Outlines {
  private Outlines() {}

  public static void each(CheckContext context, Focus focus, BiConsumer<String, Polygon> visit) {
    for (Surface s : focus.list()) {
      visit.accept(s.key(), s.polygon());
      for (Opening o : s.openings()) {
        visit.accept(o.key(), o.polygon());
      }
    }
    for (Opening o : context.envelope().orphans()) {
      visit.accept(o.key(), o.polygon());
    }
  }
}
