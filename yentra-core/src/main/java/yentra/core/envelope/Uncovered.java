package yentra.core.envelope;

import java.util.ArrayList;
import java.util.List;
import yentra.core.geometry.Box;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;

/**
 * An enclosed volume that no space covers: a missing room, a shaft, a ceiling void.
 *
 * @param around keys of the spaces whose faces look into it
 * @param volume in m³
 * @param inside a point in it
 * @param from the least and greatest corner of the box around it
 */
public record Uncovered(List<String> around, double volume, Vec3 inside, Vec3 from, Vec3 to) {
  public Uncovered {
    around = List.copyOf(around);
  }

  /** The same volume, with all lengths multiplied. */
  Uncovered scaled(double k) {
    return new Uncovered(around, volume * k * k * k, inside.times(k), from.times(k), to.times(k));
  }

  /** The same volume elsewhere; the box is that around the moved box. */
  Uncovered moved(Transform t) {
    List<Vec3> corners = new ArrayList<>();
    for (int i = 0; i < 8; i++) {
      corners.add(
          t.apply(
              new Vec3(
                  (i & 1) == 0 ? from.x() : to.x(),
                  (i & 2) == 0 ? from.y() : to.y(),
                  (i & 4) == 0 ? from.z() : to.z())));
    }
    Box box = Box.of(corners);
    return new Uncovered(around, volume, t.apply(inside), box.min(), box.max());
  }
}
