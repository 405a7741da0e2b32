package yentra.core.boundary;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import yentra.core.envelope.Uncovered;
import yentra.core.geometry.ProbeScene;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/**
 * Measures enclosed volumes by filling them with upright columns from a point inside: a column
 * reaches from what is below to what is above, and goes on to the columns beside it wherever the
 * way is free. Heights are exact; in plan the columns are 0.1 m wide, wider in what is too large
 * for that.
 */
public final class UncoveredVolumes {
  private static final double[] STEPS = {0.1, 0.3, 1, 3};

  /** A volume of more columns than this is filled with wider ones. */
  private static final int MOST = 15_000;

  private final ProbeScene scene;
  private final Tolerance tolerance;
  private final List<Filled> filled = new ArrayList<>();

  public UncoveredVolumes(ProbeScene scene, Tolerance tolerance) {
    this.scene = scene;
    this.tolerance = tolerance;
  }

  private record Column(int i, int j, double low, double high) {}

  private static final class Filled {
    final Vec3 origin;
    final double step;
    final Map<Long, List<Column>> columns = new HashMap<>();
    final TreeSet<String> around = new TreeSet<>();
    double volume;

    Filled(Vec3 origin, double step) {
      this.origin = origin;
      this.step = step;
    }

    Column at(int i, int j, double z) {
      for (Column c : columns.getOrDefault(key(i, j), List.of())) {
        if (z >= c.low && z <= c.high) {
          return c;
        }
      }
      return null;
    }

    boolean holds(Vec3 p) {
      int i = (int) Math.round((p.x() - origin.x()) / step);
      int j = (int) Math.round((p.y() - origin.y()) / step);
      for (int a = -1; a <= 1; a++) {
        for (int b = -1; b <= 1; b++) {
          if (at(i + a, j + b, p.z()) != null) {
            return true;
          }
        }
      }
      return false;
    }
  }

  private static long key(int i, int j) {
    return (long) i << 32 ^ j & 0xffffffffL;
  }

  /** A space looks into a volume at a point. */
  public void seen(String space, Vec3 eye) {
    for (Filled f : filled) {
      if (f.holds(eye)) {
        f.around.add(space);
        return;
      }
    }
    Filled f = fill(eye);
    f.around.add(space);
    filled.add(f);
  }

  /**
   * A place near the eye and off any grid that a building is likely to be drawn on, so that no
   * column stands in a wall's plane.
   */
  private Vec3 offGrid(Vec3 eye) {
    for (int i = 0; i < 4; i++) {
      Vec3 d = new Vec3(i % 2 == 0 ? 0.0137 : -0.0137, i / 2 == 0 ? 0.0271 : -0.0271, 0.0011);
      if (!scene.blocked(eye, d.unit(), 0, d.length() + 0.001)) {
        return eye.plus(d);
      }
    }
    return eye;
  }

  private Filled fill(Vec3 eye) {
    Filled f = null;
    for (double step : STEPS) {
      f = fill(eye, step);
      if (f.volume > 0) {
        break;
      }
    }
    return f;
  }

  private Filled fill(Vec3 eye, double step) {
    Filled f = new Filled(offGrid(eye), step);
    Deque<Column> open = new ArrayDeque<>();
    reach(f, 0, 0, f.origin.z(), open);
    int n = 0;
    while (!open.isEmpty() && ++n < MOST) {
      Column c = open.poll();
      f.volume += (c.high - c.low) * step * step;
      for (int side = 0; side < 4; side++) {
        int di = side == 0 ? 1 : side == 1 ? -1 : 0;
        int dj = side == 2 ? 1 : side == 3 ? -1 : 0;
        for (double share : new double[] {0.5, 0.05, 0.95}) {
          double z = c.low + (c.high - c.low) * share;
          if (f.at(c.i + di, c.j + dj, z) != null) {
            continue;
          }
          Vec3 from = new Vec3(f.origin.x() + c.i * step, f.origin.y() + c.j * step, z);
          if (!scene.blocked(from, new Vec3(di, dj, 0), 0, step + 1e-6)) {
            reach(f, c.i + di, c.j + dj, z, open);
          }
        }
      }
    }
    if (n >= MOST) {
      f.volume = 0;
    }
    return f;
  }

  private void reach(Filled f, int i, int j, double z, Deque<Column> open) {
    Vec3 p = new Vec3(f.origin.x() + i * f.step, f.origin.y() + j * f.step, z);
    double up = scene.first(p, Vec3.Z, 0, 500);
    double down = scene.first(p, Vec3.Z.negated(), 0, 500);
    if (Double.isInfinite(up) || Double.isInfinite(down) || up + down < tolerance.gap()) {
      return;
    }
    Column c = new Column(i, j, z - down, z + up);
    f.columns.computeIfAbsent(key(i, j), k -> new ArrayList<>()).add(c);
    open.add(c);
  }

  /** The volumes, in the order in which they were seen. */
  public List<Uncovered> found() {
    List<Uncovered> out = new ArrayList<>();
    for (Filled f : filled) {
      double[] box = {1e9, 1e9, 1e9, -1e9, -1e9, -1e9};
      for (List<Column> l : f.columns.values()) {
        for (Column c : l) {
          double x = f.origin.x() + c.i * f.step;
          double y = f.origin.y() + c.j * f.step;
          box[0] = Math.min(box[0], x - f.step / 2);
          box[1] = Math.min(box[1], y - f.step / 2);
          box[2] = Math.min(box[2], c.low);
          box[3] = Math.max(box[3], x + f.step / 2);
          box[4] = Math.max(box[4], y + f.step / 2);
          box[5] = Math.max(box[5], c.high);
        }
      }
      if (f.volume > 0) {
        out.add(
            new Uncovered(
                List.copyOf(f.around),
                f.volume,
                f.origin,
                new Vec3(box[0], box[1], box[2]),
                new Vec3(box[3], box[4], box[5])));
      }
    }
    return out;
  }
}
