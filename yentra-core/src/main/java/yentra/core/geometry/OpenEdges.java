package yentra.core.geometry;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * Finds where a set of faces does not close: the parts of face edges along which no other face
 * continues.
 *
 * <p>An edge is matched against the edges of all other faces, piece by piece, so that a face may
 * meet two smaller ones (T-junctions) and vertices need not coincide. A piece is closed when
 * another edge runs along it nowhere farther away than {@link Tolerance#gap()}; a face that merely
 * lies on top of another, on the same side of the edge, does not close it. Pieces no longer than
 * the gap tolerance are dropped. The direction in which the faces run plays no part. The open
 * pieces are chained into the outlines of the holes.
 *
 * <p>The method is the usual edge pairing of boundary representations (each edge is used by two
 * faces; M. Mäntylä, An Introduction to Solid Modeling, 1988), relaxed to overlapping pieces. Cost:
 * edges are sorted along the longest axis and swept, so it is O(n log n) for faces that are spread
 * out.
 */
public final class OpenEdges {
  /** Beyond this angle between two edges (cosine) one does not run along the other. */
  private static final double PARALLEL = 0.5;

  private OpenEdges() {}

  /** One open piece of an edge, in the direction in which its face runs. */
  public record Piece(Vec3 from, Vec3 to, int face) {
    public double length() {
      return from.distance(to);
    }
  }

  private record Edge(
      Vec3 a, Vec3 b, Vec3 dir, double length, Vec3 inward, int face, double min, double max) {}

  /**
   * The open pieces of all edges.
   *
   * @param faces the faces of one shell; holes count
   * @return the pieces longer than the gap tolerance, in the order of the faces; empty when the
   *     faces close
   */
  public static List<Piece> find(List<Polygon> faces, Tolerance tolerance) {
    Edge[] edges = edges(faces, tolerance);
    Edge[] sorted = edges.clone();
    Arrays.sort(sorted, Comparator.comparingDouble(Edge::min));
    double longest = 0;
    for (Edge e : sorted) {
      longest = Math.max(longest, e.max - e.min);
    }
    double[] mins = Arrays.stream(sorted).mapToDouble(Edge::min).toArray();
    List<Piece> open = new ArrayList<>();
    for (Edge e : edges) {
      List<double[]> covered = new ArrayList<>();
      int from = Arrays.binarySearch(mins, e.min - tolerance.gap() - longest);
      for (int i = from < 0 ? -from - 1 : firstEqual(mins, from); i < sorted.length; i++) {
        Edge f = sorted[i];
        if (f.min > e.max + tolerance.gap()) {
          break;
        }
        if (f != e && f.max >= e.min - tolerance.gap()) {
          double[] c = cover(e, f, tolerance.gap());
          if (c != null) {
            covered.add(c);
          }
        }
      }
      for (double[] gap : gaps(covered, e.length, tolerance.gap())) {
        open.add(new Piece(e.a.plus(e.dir.times(gap[0])), e.a.plus(e.dir.times(gap[1])), e.face));
      }
    }
    return open;
  }

  private static int firstEqual(double[] sorted, int at) {
    int i = at;
    while (i > 0 && sorted[i - 1] == sorted[at]) {
      i--;
    }
    return i;
  }

  private static Edge[] edges(List<Polygon> faces, Tolerance tolerance) {
    Box all = faces.stream().map(Polygon::box).reduce(Box.EMPTY, Box::union);
    Vec3 size = all.isEmpty() ? Vec3.ZERO : all.max().minus(all.min());
    Vec3 axis =
        size.x() >= size.y() && size.x() >= size.z()
            ? Vec3.X
            : size.y() >= size.z() ? Vec3.Y : Vec3.Z;
    Vec3 origin = all.isEmpty() ? Vec3.ZERO : all.min();
    List<Edge> out = new ArrayList<>();
    for (int f = 0; f < faces.size(); f++) {
      Vec3 normal = faces.get(f).normal();
      for (List<Vec3> ring : faces.get(f).rings()) {
        boolean hole = ring != faces.get(f).outer();
        boolean flip = hole && Polygon.areaVector(ring).dot(normal) > 0;
        for (int i = 0; i < ring.size(); i++) {
          Vec3 a = ring.get(i);
          Vec3 b = ring.get((i + 1) % ring.size());
          double length = a.distance(b);
          if (length > tolerance.length() * 1e-3) {
            Vec3 dir = b.minus(a).times(1 / length);
            Vec3 inward = normal.cross(dir).times(flip ? -1 : 1);
            double p = a.minus(origin).dot(axis);
            double q = b.minus(origin).dot(axis);
            out.add(new Edge(a, b, dir, length, inward, f, Math.min(p, q), Math.max(p, q)));
          }
        }
      }
    }
    return out.toArray(Edge[]::new);
  }

  /** The part of {@code e} along which {@code f} runs, as distances from its start, or null. */
  private static double[] cover(Edge e, Edge f, double gap) {
    double along = e.dir.dot(f.dir);
    if (Math.abs(along) < PARALLEL || e.face != f.face && e.inward.dot(f.inward) > 0.996) {
      return null;
    }
    Vec3 p = f.a.minus(e.a);
    Vec3 q = f.b.minus(e.a);
    double tp = p.dot(e.dir);
    double tq = q.dot(e.dir);
    if (Math.max(tp, tq) < 0 || Math.min(tp, tq) > e.length) {
      return null;
    }
    double from = Math.max(0, Math.min(tp, tq));
    double to = Math.min(e.length, Math.max(tp, tq));
    // f must run along e for as long as they lie side by side: its distance is greatest at one of
    // the two ends
    Vec3 dp = p.minus(e.dir.times(tp));
    Vec3 step = q.minus(e.dir.times(tq)).minus(dp).times(1 / (tq - tp));
    double apart =
        Math.max(dp.plus(step.times(from - tp)).length(), dp.plus(step.times(to - tp)).length());
    return apart <= gap ? new double[] {from, to} : null;
  }

  private static List<double[]> gaps(List<double[]> covered, double length, double gap) {
    covered.sort(Comparator.comparingDouble(c -> c[0]));
    List<double[]> out = new ArrayList<>();
    double at = 0;
    for (double[] c : covered) {
      if (c[0] - at > gap) {
        out.add(new double[] {at, Math.min(c[0], length)});
      }
      at = Math.max(at, c[1]);
    }
    if (length - at > gap) {
      out.add(new double[] {at, length});
    }
    out.removeIf(g -> g[1] - g[0] <= gap);
    return out;
  }
}
