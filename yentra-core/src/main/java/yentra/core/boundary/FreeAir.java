package yentra.core.boundary;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import yentra.core.geometry.ProbeScene;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/**
 * Tells which places share the same enclosed air: it is filled with upright columns, {@value #STEP}
 * m apart, that reach from what is below to what is above and go on wherever a body as wide as the
 * bridged gap can pass.
 */
final class FreeAir {
  private static final double STEP = 0.2;

  /** Air of more columns than this is outdoors. */
  private static final int MOST = 2_000_000;

  /** A leak is worth telling when at least so many columns were filled before it: 4 m². */
  private static final int WORTH = 100;

  private final ProbeScene scene;
  private final double gap;
  private final Tolerance tolerance;
  private final Map<Long, List<Column>> columns = new HashMap<>();
  private final List<Boolean> enclosed = new ArrayList<>();

  /** An air that turned out to be part of another points to it. */
  private final List<Integer> same = new ArrayList<>();

  private final List<Vec3> leaks = new ArrayList<>();

  FreeAir(ProbeScene scene, double gap, Tolerance tolerance) {
    this.scene = scene;
    this.gap = gap;
    this.tolerance = tolerance;
  }

  private record Column(int i, int j, double low, double high, int air) {
    boolean holds(double z) {
      return z >= low && z <= high;
    }
  }

  private static long key(int i, int j) {
    return (long) i << 32 ^ j & 0xffffffffL;
  }

  /** Columns stand off any grid that a building is likely to be drawn on. */
  private static Vec3 place(int i, int j, double z) {
    return new Vec3(i * STEP + 0.0137, j * STEP + 0.0271, z);
  }

  List<Vec3> leaks() {
    return leaks;
  }

  /**
   * The number of the enclosed air at a place, or −1 for open air and nooks that no column reaches.
   *
   * @param towards where free air is, seen from the place
   */
  int at(Vec3 eye, Vec3 towards) {
    int known = look(eye);
    // a column may stand before the face rather than beside the place
    for (double d : BEFORE) {
      if (known < 0 && !scene.blocked(eye, towards, 0, d)) {
        known = look(eye.plus(towards.times(d)));
      }
    }
    if (known < 0) {
      known = fill(eye);
    }
    for (double d : BEFORE) {
      if (known < 0 && !scene.blocked(eye, towards, 0, d)) {
        known = fill(eye.plus(towards.times(d)));
      }
    }
    int root = known < 0 ? -1 : root(known);
    return root >= 0 && enclosed.get(root) ? root : -1;
  }

  private static final double[] BEFORE = {0.12, 0.3};

  private int root(int air) {
    int a = air;
    while (same.get(a) != a) {
      a = same.get(a);
    }
    return a;
  }

  private void unite(int a, int b) {
    int x = root(a);
    int y = root(b);
    if (x != y) {
      same.set(Math.max(x, y), Math.min(x, y));
      enclosed.set(Math.min(x, y), enclosed.get(x) && enclosed.get(y));
    }
  }

  /** The air of a column that can be seen from a place, or −1. */
  private int look(Vec3 p) {
    int i = (int) Math.round((p.x() - 0.0137) / STEP);
    int j = (int) Math.round((p.y() - 0.0271) / STEP);
    for (int a = -1; a <= 1; a++) {
      for (int b = -1; b <= 1; b++) {
        for (Column c : columns.getOrDefault(key(i + a, j + b), List.of())) {
          if (c.holds(p.z()) && sees(p, place(c.i, c.j, p.z()))) {
            return c.air;
          }
        }
      }
    }
    return -1;
  }

  private boolean sees(Vec3 a, Vec3 b) {
    Vec3 d = b.minus(a);
    double length = d.length();
    return length < 1e-9 || !scene.blocked(a, d.times(1 / length), 0, length);
  }

  /** Fills the air that a place is in; −1 when no column can be started there. */
  private int fill(Vec3 eye) {
    int i = (int) Math.round((eye.x() - 0.0137) / STEP);
    int j = (int) Math.round((eye.y() - 0.0271) / STEP);
    Deque<Column> open = new ArrayDeque<>();
    int air = enclosed.size();
    enclosed.add(true);
    same.add(air);
    State state = new State();
    for (int a = -1; a <= 1; a++) {
      for (int b = -1; b <= 1; b++) {
        if (sees(eye, place(i + a, j + b, eye.z()))) {
          reach(i + a, j + b, eye.z(), air, open, state);
        }
      }
    }
    if (open.isEmpty() && !state.outdoors) {
      enclosed.remove(air);
      same.remove(air);
      return -1;
    }
    int n = 0;
    Vec3 leak = null;
    while (!open.isEmpty()) {
      Column c = open.poll();
      n++;
      for (int side = 0; side < 4; side++) {
        int di = side == 0 ? 1 : side == 1 ? -1 : 0;
        int dj = side == 2 ? 1 : side == 3 ? -1 : 0;
        for (double share : new double[] {0.5, 0.1, 0.9}) {
          double z = c.low + (c.high - c.low) * share;
          if (!passes(c.i, c.j, z, di, dj)) {
            continue;
          }
          Column beside = held(c.i + di, c.j + dj, z);
          if (beside != null) {
            unite(air, beside.air);
          } else {
            boolean before = state.outdoors;
            reach(c.i + di, c.j + dj, z, air, open, state);
            if (state.outdoors && !before) {
              leak = place(c.i, c.j, z);
            }
          }
        }
      }
      if (n > MOST) {
        state.outdoors = true;
        break;
      }
    }
    if (state.outdoors) {
      enclosed.set(root(air), false);
    }
    if (state.outdoors && leak != null && n > WORTH && state.openings * 8 < n) {
      leaks.add(leak);
    }
    return air;
  }

  private static final class State {
    boolean outdoors;
    int openings;
  }

  private Column held(int i, int j, double z) {
    for (Column c : columns.getOrDefault(key(i, j), List.of())) {
      if (c.holds(z)) {
        return c;
      }
    }
    return null;
  }

  /** Whether the way to the next column is free for something as wide as the gap. */
  private boolean passes(int i, int j, double z, int di, int dj) {
    Vec3 d = new Vec3(di, dj, 0);
    Vec3 aside = new Vec3(dj, di, 0).times(gap / 2 + tolerance.length());
    Vec3 from = place(i, j, z);
    return !scene.blocked(from, d, 0, STEP)
        && !scene.blocked(from.plus(aside), d, 0, STEP)
        && !scene.blocked(from.minus(aside), d, 0, STEP);
  }

  private void reach(int i, int j, double z, int air, Deque<Column> open, State state) {
    Column known = held(i, j, z);
    if (known != null) {
      // seen from a place that sees no other column of this air
      unite(air, known.air);
      open.add(known);
      return;
    }
    Vec3 p = place(i, j, z);
    double up = scene.first(p, Vec3.Z, 0, 500);
    double down = scene.first(p, Vec3.Z.negated(), 0, 500);
    if (Double.isInfinite(up) || Double.isInfinite(down)) {
      state.outdoors = true;
      state.openings++;
      return;
    }
    if (up + down <= gap) {
      return;
    }
    Column c = new Column(i, j, z - down, z + up, air);
    columns.computeIfAbsent(key(i, j), k -> new ArrayList<>()).add(c);
    open.add(c);
  }
}
