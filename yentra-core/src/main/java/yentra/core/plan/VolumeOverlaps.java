package yentra.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Polygon;
import yentra.core.envelope.UnreadableException;
import yentra.core.geometry.Box;
import yentra.core.geometry.BoxIndex;
import yentra.core.geometry.Vec3;

/** Refuses storeys, halls and roofs that lie in one place. */
final class VolumeOverlaps {
  private VolumeOverlaps() {}

  /**
   * Looks for volumes in one place.
   *
   * @param tolerance what overlaps by less does not, m
   * @throws UnreadableException when there are some, naming them
   */
  static void refuse(List<Volume> volumes, double tolerance) throws UnreadableException {
    List<Box> boxes = new ArrayList<>();
    for (Volume v : volumes) {
      Envelope e = v.footprint().getEnvelopeInternal();
      boxes.add(
          new Box(
              new Vec3(e.getMinX(), e.getMinY(), v.bottom()),
              new Vec3(e.getMaxX(), e.getMaxY(), v.highest())));
    }
    BoxIndex index = new BoxIndex(boxes);
    for (Volume v : volumes) {
      for (int j : index.meeting(boxes.get(v.number()))) {
        Volume w = volumes.get(j);
        boolean apart =
            j <= v.number()
                || v.storey() == w.storey() && v.bottom() == w.bottom()
                || v.highest() <= w.bottom() + tolerance
                || w.highest() <= v.bottom() + tolerance;
        if (!apart && overlap(v, w, tolerance)) {
          throw overlapping(v, w);
        }
      }
    }
  }

  private static boolean overlap(Volume v, Volume w, double tolerance) {
    Areas areas = new Areas(tolerance);
    for (Volume.Cell a : v.cells()) {
      for (Volume.Cell b : w.cells()) {
        if (!a.plan().getEnvelopeInternal().intersects(b.plan().getEnvelopeInternal())) {
          continue;
        }
        for (Polygon p : areas.common(a.plan(), b.plan())) {
          double most = 0;
          for (Coordinate c : p.getCoordinates()) {
            double top = Math.min(a.top().at(c), b.top().at(c));
            most = Math.max(most, top - Math.max(v.bottom(), w.bottom()));
          }
          if (most > tolerance) {
            return true;
          }
        }
      }
    }
    return false;
  }

  private static UnreadableException overlapping(Volume v, Volume w) {
    return w.storey()
        .origin()
        .refused(
            String.format(
                Locale.ROOT,
                "%s (from %.3f m to %.3f m) and %s (from %.3f m to %.3f m) lie in one place. Change level_m or height_m of a storey, the plan, or the pitch of the roof.",
                v.space().name(),
                v.bottom(),
                v.highest(),
                w.space().name(),
                w.bottom(),
                w.highest()));
  }
}
