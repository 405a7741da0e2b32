package yentra.core.geometry;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;

/**
 * Many bodies, to ask whether a line is blocked by any of them: a binary tree of boxes, split at
 * the middle of the longer side of the centres' box (bounding volume hierarchy; T. L. Kay and J. T.
 * Kajiya, "Ray tracing complex scenes", SIGGRAPH 1986). Safe for several threads.
 */
public final class ProbeScene {
  private static final int LEAF = 4;

  private final SolidProbe[] bodies;
  private final double[] boxes;
  private final int[] left;
  private final int[] first;
  private final int[] count;
  private int nodes;
  private final Set<SolidProbe> gone;
  private final List<SolidProbe> more;

  public ProbeScene(List<SolidProbe> all) {
    gone = Set.of();
    more = List.of();
    bodies = all.stream().filter(b -> !b.box().isEmpty()).toArray(SolidProbe[]::new);
    int most = Math.max(1, 2 * bodies.length);
    boxes = new double[6 * most];
    left = new int[most];
    first = new int[most];
    count = new int[most];
    if (bodies.length > 0) {
      nodes = 1;
      build(0, 0, bodies.length);
    }
  }

  private ProbeScene(ProbeScene of, Set<SolidProbe> gone, List<SolidProbe> more) {
    this.bodies = of.bodies;
    this.boxes = of.boxes;
    this.left = of.left;
    this.first = of.first;
    this.count = of.count;
    this.nodes = of.nodes;
    this.gone = gone;
    this.more = more;
  }

  /**
   * The same bodies without some and with others, which gives what a new scene would. The tree is
   * shared and what is new is looked at one by one, so this is for few.
   */
  public ProbeScene changed(Collection<SolidProbe> without, Collection<SolidProbe> with) {
    Set<SolidProbe> out = Collections.newSetFromMap(new IdentityHashMap<>());
    out.addAll(gone);
    out.addAll(without);
    List<SolidProbe> in = new ArrayList<>(more);
    in.removeIf(out::contains);
    with.stream().filter(b -> !b.box().isEmpty()).forEach(in::add);
    return new ProbeScene(this, out, in);
  }

  /** How many bodies are looked at one by one. */
  public int loose() {
    return more.size() + gone.size();
  }

  private void build(int node, int from, int to) {
    Box box = Box.EMPTY;
    Box centres = Box.EMPTY;
    for (int i = from; i < to; i++) {
      box = box.union(bodies[i].box());
      Vec3 c = bodies[i].box().centre();
      centres = centres.union(new Box(c, c));
    }
    double[] b = {
      box.min().x(), box.min().y(), box.min().z(), box.max().x(), box.max().y(), box.max().z()
    };
    System.arraycopy(b, 0, boxes, 6 * node, 6);
    first[node] = from;
    count[node] = to - from;
    left[node] = -1;
    if (to - from <= LEAF) {
      return;
    }
    Vec3 size = centres.max().minus(centres.min());
    int axis = size.x() >= size.y() && size.x() >= size.z() ? 0 : size.y() >= size.z() ? 1 : 2;
    Arrays.sort(
        bodies,
        from,
        to,
        (p, q) -> Double.compare(along(p.box().centre(), axis), along(q.box().centre(), axis)));
    int middle = (from + to) / 2;
    int l = nodes;
    nodes += 2;
    left[node] = l;
    build(l, from, middle);
    build(l + 1, middle, to);
  }

  private static double along(Vec3 v, int axis) {
    return axis == 0 ? v.x() : axis == 1 ? v.y() : v.z();
  }

  /**
   * Whether anything is met between two distances from the origin, in metres.
   *
   * @param direction of unit length
   */
  public boolean blocked(Vec3 origin, Vec3 direction, double from, double to) {
    for (SolidProbe b : more) {
      if (b.blocks(origin, direction, from, to)) {
        return true;
      }
    }
    return nodes > 0 && blocked(0, origin, direction, from, to);
  }

  private boolean blocked(int node, Vec3 o, Vec3 d, double from, double to) {
    if (!meets(node, o, d, from, to)) {
      return false;
    }
    if (left[node] < 0) {
      for (int i = first[node]; i < first[node] + count[node]; i++) {
        if (bodies[i].blocks(o, d, from, to) && !gone.contains(bodies[i])) {
          return true;
        }
      }
      return false;
    }
    return blocked(left[node], o, d, from, to) || blocked(left[node] + 1, o, d, from, to);
  }

  /**
   * Distance to what a line meets first, in metres, or infinity.
   *
   * @param direction of unit length
   * @param from distance from the origin at which to begin
   */
  public double first(Vec3 origin, Vec3 direction, double from, double to) {
    double best = nodes > 0 ? first(0, origin, direction, from, to) : Double.POSITIVE_INFINITY;
    for (SolidProbe b : more) {
      best = Math.min(best, first(b, origin, direction, from, to));
    }
    return best;
  }

  private double first(int node, Vec3 o, Vec3 d, double from, double to) {
    if (!meets(node, o, d, from, to)) {
      return Double.POSITIVE_INFINITY;
    }
    double best = Double.POSITIVE_INFINITY;
    if (left[node] < 0) {
      for (int i = first[node]; i < first[node] + count[node]; i++) {
        double at = first(bodies[i], o, d, from, to);
        if (at < best && !gone.contains(bodies[i])) {
          best = at;
        }
      }
      return best;
    }
    best = first(left[node], o, d, from, to);
    return Math.min(best, first(left[node] + 1, o, d, from, Math.min(to, best)));
  }

  private static double first(SolidProbe b, Vec3 o, Vec3 d, double from, double to) {
    for (SolidProbe.Crossing c : b.crossings(o, d)) {
      if (c.at() > from && c.at() < to) {
        return c.at();
      }
    }
    return Double.POSITIVE_INFINITY;
  }

  private boolean meets(int node, Vec3 o, Vec3 d, double from, double to) {
    double near = from;
    double far = to;
    for (int k = 0; k < 3; k++) {
      double s = along(d, k);
      double p = along(o, k);
      double lo = boxes[6 * node + k] - 1e-9;
      double hi = boxes[6 * node + 3 + k] + 1e-9;
      if (Math.abs(s) < 1e-12) {
        if (p < lo || p > hi) {
          return false;
        }
        continue;
      }
      double a = (lo - p) / s;
      double b = (hi - p) / s;
      near = Math.max(near, Math.min(a, b));
      far = Math.min(far, Math.max(a, b));
      if (near > far) {
        return false;
      }
    }
    return true;
  }
}
