package yentra.core.geometry;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;

/**
 * Difference, intersection and union of solids that are given by closed, outward-oriented planar
 * faces.
 *
 * <p>Method: both solids become binary space partitions of convex fragments, each is clipped to the
 * other, and fragments in the same plane are merged again (B. Naylor, J. Amanatides and W.
 * Thibault, "Merging BSP trees yields polyhedral set operations", SIGGRAPH 1990). Robust as far as
 * points within the length tolerance of a plane count as lying in it. Faces may be concave and have
 * holes; the result's faces are maximal in their plane.
 */
public final class SolidOverlay {
  private final double epsilon;

  private SolidOverlay(Tolerance tolerance) {
    epsilon = tolerance.length() / 10;
  }

  /** What is in {@code a} and not in {@code b}. */
  public static List<Polygon> difference(List<Polygon> a, List<Polygon> b, Tolerance tolerance) {
    SolidOverlay d = new SolidOverlay(tolerance);
    Node na = d.tree(d.fragments(a));
    Node nb = d.tree(d.fragments(b));
    na.invert();
    d.clipTo(na, nb);
    d.clipTo(nb, na);
    nb.invert();
    d.clipTo(nb, na);
    nb.invert();
    d.build(na, nb.all());
    na.invert();
    return d.merged(na.all());
  }

  /** What is in both. */
  public static List<Polygon> intersection(List<Polygon> a, List<Polygon> b, Tolerance tolerance) {
    SolidOverlay d = new SolidOverlay(tolerance);
    Node na = d.tree(d.fragments(a));
    Node nb = d.tree(d.fragments(b));
    na.invert();
    d.clipTo(nb, na);
    nb.invert();
    d.clipTo(na, nb);
    d.clipTo(nb, na);
    d.build(na, nb.all());
    na.invert();
    return d.merged(na.all());
  }

  /** What is in either. */
  public static List<Polygon> union(List<Polygon> a, List<Polygon> b, Tolerance tolerance) {
    SolidOverlay d = new SolidOverlay(tolerance);
    Node na = d.tree(d.fragments(a));
    Node nb = d.tree(d.fragments(b));
    d.clipTo(na, nb);
    d.clipTo(nb, na);
    nb.invert();
    d.clipTo(nb, na);
    nb.invert();
    d.build(na, nb.all());
    return d.merged(na.all());
  }

  /** A convex piece of a face. */
  private record Fragment(List<Vec3> points, Plane plane) {
    Fragment flipped() {
      return new Fragment(Polygon.of(points).reversed().outer(), plane.reversed());
    }
  }

  private static final class Node {
    Plane plane;
    Node front;
    Node back;
    List<Fragment> fragments = new ArrayList<>();

    List<Fragment> all() {
      List<Fragment> out = new ArrayList<>();
      walk(n -> out.addAll(n.fragments));
      return out;
    }

    void invert() {
      walk(
          n -> {
            n.fragments.replaceAll(Fragment::flipped);
            n.plane = n.plane == null ? null : n.plane.reversed();
            Node f = n.front;
            n.front = n.back;
            n.back = f;
          });
    }

    private void walk(java.util.function.Consumer<Node> visit) {
      Deque<Node> todo = new ArrayDeque<>(List.of(this));
      while (!todo.isEmpty()) {
        Node n = todo.pop();
        visit.accept(n);
        if (n.front != null) {
          todo.push(n.front);
        }
        if (n.back != null) {
          todo.push(n.back);
        }
      }
    }
  }

  private List<Fragment> fragments(List<Polygon> faces) {
    List<Fragment> out = new ArrayList<>();
    for (Polygon f : faces) {
      Plane plane = f.plane();
      if (Triangulation.isConvex(f) && isFlat(f, plane)) {
        out.add(new Fragment(f.outer(), plane));
        continue;
      }
      boolean flat = isFlat(f, plane);
      for (Vec3[] t : Triangulation.of(f)) {
        Polygon part = Polygon.of(t);
        if (part.area() > epsilon * epsilon) {
          out.add(new Fragment(part.outer(), flat ? plane : part.plane()));
        }
      }
    }
    return out;
  }

  private boolean isFlat(Polygon f, Plane plane) {
    return f.outer().stream().allMatch(p -> Math.abs(plane.distance(p)) <= epsilon);
  }

  private Node tree(List<Fragment> fragments) {
    Node n = new Node();
    build(n, fragments);
    return n;
  }

  private record Task(Node node, List<Fragment> fragments) {}

  private void build(Node root, List<Fragment> fragments) {
    Deque<Task> todo = new ArrayDeque<>(List.of(new Task(root, fragments)));
    while (!todo.isEmpty()) {
      Task t = todo.pop();
      if (t.fragments.isEmpty()) {
        continue;
      }
      Node n = t.node;
      List<Fragment> rest = t.fragments;
      if (n.plane == null) {
        // the one that gives the plane lies in it, whatever rounding says of its corners: else a
        // face that is not flat would be split for ever
        n.plane = rest.get(0).plane;
        n.fragments.add(rest.get(0));
        rest = rest.subList(1, rest.size());
      }
      List<Fragment> front = new ArrayList<>();
      List<Fragment> back = new ArrayList<>();
      for (Fragment f : rest) {
        split(n.plane, f, n.fragments, n.fragments, front, back);
      }
      if (!front.isEmpty()) {
        n.front = n.front == null ? new Node() : n.front;
        todo.push(new Task(n.front, front));
      }
      if (!back.isEmpty()) {
        n.back = n.back == null ? new Node() : n.back;
        todo.push(new Task(n.back, back));
      }
    }
  }

  private void clipTo(Node a, Node solid) {
    a.walk(n -> n.fragments = clip(solid, n.fragments));
  }

  /** The parts of the fragments that lie outside the solid. */
  private List<Fragment> clip(Node solid, List<Fragment> fragments) {
    List<Fragment> out = new ArrayList<>();
    Deque<Task> todo = new ArrayDeque<>(List.of(new Task(solid, fragments)));
    while (!todo.isEmpty()) {
      Task t = todo.pop();
      if (t.node.plane == null) {
        out.addAll(t.fragments);
        continue;
      }
      List<Fragment> front = new ArrayList<>();
      List<Fragment> back = new ArrayList<>();
      for (Fragment f : t.fragments) {
        split(t.node.plane, f, front, back, front, back);
      }
      if (t.node.front != null) {
        todo.push(new Task(t.node.front, front));
      } else {
        out.addAll(front);
      }
      if (t.node.back != null) {
        todo.push(new Task(t.node.back, back));
      }
    }
    return out;
  }

  private void split(
      Plane plane,
      Fragment f,
      List<Fragment> sameFront,
      List<Fragment> sameBack,
      List<Fragment> front,
      List<Fragment> back) {
    int n = f.points.size();
    int[] side = new int[n];
    boolean before = false;
    boolean behind = false;
    for (int i = 0; i < n; i++) {
      double d = plane.distance(f.points.get(i));
      side[i] = d > epsilon ? 1 : d < -epsilon ? -1 : 0;
      before |= side[i] > 0;
      behind |= side[i] < 0;
    }
    if (!before && !behind) {
      (plane.normal().dot(f.plane.normal()) > 0 ? sameFront : sameBack).add(f);
    } else if (!behind) {
      front.add(f);
    } else if (!before) {
      back.add(f);
    } else {
      List<Vec3> fp = new ArrayList<>();
      List<Vec3> bp = new ArrayList<>();
      for (int i = 0; i < n; i++) {
        Vec3 p = f.points.get(i);
        Vec3 q = f.points.get((i + 1) % n);
        if (side[i] >= 0) {
          fp.add(p);
        }
        if (side[i] <= 0) {
          bp.add(p);
        }
        if (side[i] * side[(i + 1) % n] < 0) {
          double dp = plane.distance(p);
          Vec3 x = p.lerp(q, dp / (dp - plane.distance(q)));
          fp.add(x);
          bp.add(x);
        }
      }
      if (fp.size() >= 3) {
        front.add(new Fragment(List.copyOf(fp), f.plane));
      }
      if (bp.size() >= 3) {
        back.add(new Fragment(List.copyOf(bp), f.plane));
      }
    }
  }

  /** Fragments in one plane and direction become the fewest faces. */
  private List<Polygon> merged(List<Fragment> fragments) {
    List<List<Fragment>> groups = new ArrayList<>();
    for (Fragment f : fragments) {
      List<Fragment> home =
          groups.stream()
              .filter(g -> g.get(0).plane.normal().dot(f.plane.normal()) > 1 - 1e-9)
              .filter(g -> Math.abs(g.get(0).plane.distance(f.points.get(0))) < 2 * epsilon)
              .findFirst()
              .orElse(null);
      if (home == null) {
        groups.add(new ArrayList<>(List.of(f)));
      } else {
        home.add(f);
      }
    }
    List<Polygon> out = new ArrayList<>();
    for (List<Fragment> g : groups) {
      List<List<Vec3>> parts = g.stream().map(Fragment::points).toList();
      CoplanarMerge.of(parts, g.get(0).plane, epsilon).forEach(p -> face(p, out));
    }
    return out;
  }

  private void face(Polygon p, List<Polygon> out) {
    if (p.area() > epsilon * epsilon) {
      out.add(Straightening.of(p, new Tolerance(epsilon, epsilon, epsilon, 1)));
    }
  }
}
