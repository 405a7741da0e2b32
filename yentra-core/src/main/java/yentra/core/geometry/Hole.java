package yentra.core.geometry;

import java.util.ArrayList;
import java.util.List;

/**
 * A hole in a shell: the outline along which faces are missing.
 *
 * @param outline the vertices of the hole in order; the direction says nothing
 * @param length the length of the open edges in metres
 * @param closed true when the open edges form a ring; false when they end somewhere and the outline
 *     is shut by a straight line
 */
public record Hole(List<Vec3> outline, double length, boolean closed) {
  public Hole {
    outline = List.copyOf(outline);
  }

  /** The area of the outline in square metres (Newell). */
  public double area() {
    return Polygon.of(outline).area();
  }

  /**
   * The holes that a shell's open pieces outline. Ends closer than the gap tolerance are one
   * corner. Where more than two pieces meet, the walk goes on in the plane of the last two. An
   * outline that is not planar is split along a chord into planar parts where there is such a
   * chord, since two missing faces side by side leave one outline.
   */
  public static List<Hole> from(List<OpenEdges.Piece> pieces, Tolerance tolerance) {
    List<Vec3> nodes = new ArrayList<>();
    int[][] ends = new int[pieces.size()][2];
    for (int i = 0; i < pieces.size(); i++) {
      ends[i][0] = node(nodes, pieces.get(i).from(), tolerance.gap());
      ends[i][1] = node(nodes, pieces.get(i).to(), tolerance.gap());
    }
    boolean[] used = new boolean[pieces.size()];
    List<Hole> holes = new ArrayList<>();
    for (int start : startOrder(ends, nodes.size())) {
      if (!used[start] && ends[start][0] != ends[start][1]) {
        walk(start, pieces, ends, nodes, used)
            .ifPresent(h -> holes.addAll(h.planarParts(tolerance)));
      }
    }
    return holes;
  }

  private static int node(List<Vec3> nodes, Vec3 p, double radius) {
    int best = -1;
    double least = radius;
    for (int i = 0; i < nodes.size(); i++) {
      double d = nodes.get(i).distance(p);
      if (d <= least) {
        least = d;
        best = i;
      }
    }
    if (best < 0) {
      nodes.add(p);
      best = nodes.size() - 1;
    }
    return best;
  }

  /** Pieces with a loose end first, so that an open chain is walked from its end. */
  private static List<Integer> startOrder(int[][] ends, int nodes) {
    int[] degree = new int[nodes];
    for (int[] e : ends) {
      degree[e[0]]++;
      degree[e[1]]++;
    }
    List<Integer> loose = new ArrayList<>();
    List<Integer> rest = new ArrayList<>();
    for (int i = 0; i < ends.length; i++) {
      (degree[ends[i][0]] == 1 || degree[ends[i][1]] == 1 ? loose : rest).add(i);
    }
    loose.addAll(rest);
    return loose;
  }

  private static java.util.Optional<Hole> walk(
      int start, List<OpenEdges.Piece> pieces, int[][] ends, List<Vec3> nodes, boolean[] used) {
    boolean looseEnd = touching(ends, used, ends[start][1], start).isEmpty();
    int first = ends[start][looseEnd ? 1 : 0];
    int at = ends[start][looseEnd ? 0 : 1];
    used[start] = true;
    double length = pieces.get(start).length();
    List<Integer> path = new ArrayList<>(List.of(first, at));
    while (at != first) {
      List<Integer> next = touching(ends, used, at, -1);
      if (next.isEmpty()) {
        break;
      }
      int best = next.size() == 1 ? next.get(0) : straightest(next, path, at, ends, nodes);
      used[best] = true;
      length += pieces.get(best).length();
      at = ends[best][0] == at ? ends[best][1] : ends[best][0];
      path.add(at);
    }
    boolean closed = at == first;
    if (closed) {
      path.remove(path.size() - 1);
    }
    List<Vec3> outline = path.stream().map(nodes::get).toList();
    return outline.size() < 2
        ? java.util.Optional.empty()
        : java.util.Optional.of(new Hole(outline, length, closed));
  }

  private static List<Integer> touching(int[][] ends, boolean[] used, int node, int except) {
    List<Integer> out = new ArrayList<>();
    for (int i = 0; i < ends.length; i++) {
      if (!used[i]
          && i != except
          && ends[i][0] != ends[i][1]
          && (ends[i][0] == node || ends[i][1] == node)) {
        out.add(i);
      }
    }
    return out;
  }

  private static int straightest(
      List<Integer> next, List<Integer> path, int at, int[][] ends, List<Vec3> nodes) {
    Vec3 here = nodes.get(at);
    Vec3 back = here.minus(nodes.get(path.get(path.size() - 2)));
    Vec3 normal =
        path.size() < 3
            ? Vec3.ZERO
            : nodes
                .get(path.get(path.size() - 2))
                .minus(nodes.get(path.get(path.size() - 3)))
                .cross(back)
                .unit();
    int best = next.get(0);
    double least = Double.POSITIVE_INFINITY;
    for (int i : next) {
      Vec3 on = nodes.get(ends[i][0] == at ? ends[i][1] : ends[i][0]).minus(here).unit();
      double off = Math.abs(on.dot(normal));
      if (off < least - 1e-9) {
        least = off;
        best = i;
      }
    }
    return best;
  }

  /** This hole cut into planar outlines, or itself when it is planar or no two chords do it. */
  private List<Hole> planarParts(Tolerance tolerance) {
    int n = outline.size();
    if (n < 5 || PlaneFit.deviation(outline) <= tolerance.gap()) {
      return List.of(this);
    }
    for (int size = 3; size <= n - 1; size++) {
      for (int i = 0; i < n; i++) {
        List<Vec3> part = cyclic(i, size);
        List<Vec3> rest = cyclic(i + size - 1, n - size + 2);
        if (rest.size() >= 3
            && PlaneFit.deviation(rest) <= tolerance.gap()
            && PlaneFit.deviation(part) <= tolerance.gap()) {
          return List.of(part(part), part(rest));
        }
      }
    }
    // three or more planes: cut off the largest planar part and go on with the rest
    for (int size = n - 2; size >= 4; size--) {
      for (int i = 0; i < n; i++) {
        List<Vec3> part = cyclic(i, size);
        if (PlaneFit.deviation(part) <= tolerance.gap()
            && Polygon.of(part).area() > tolerance.gap() * tolerance.gap()) {
          List<Hole> out = new ArrayList<>(List.of(part(part)));
          out.addAll(part(cyclic(i + size - 1, n - size + 2)).planarParts(tolerance));
          return out;
        }
      }
    }
    return List.of(this);
  }

  private static Hole part(List<Vec3> ring) {
    return new Hole(ring, Polygon.of(ring).perimeter(), true);
  }

  private List<Vec3> cyclic(int from, int size) {
    List<Vec3> out = new ArrayList<>(size);
    for (int k = 0; k < size; k++) {
      out.add(outline.get((from + k) % outline.size()));
    }
    return out;
  }
}
