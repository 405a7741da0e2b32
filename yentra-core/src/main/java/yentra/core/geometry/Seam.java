package yentra.core.geometry;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.triangulate.polygon.PolygonHoleJoiner;

/**
 * Polygons with holes as one ring, and back: a seam of no width leads from the outer ring to each
 * hole and back the same way, so that area, normal and edges are those of the polygon with holes.
 * JTS chooses seams that cross nothing ({@link PolygonHoleJoiner}).
 */
public final class Seam {
  /** Corners of a triangle with a triangular hole and a seam. */
  private static final int LEAST = 8;

  private Seam() {}

  /** The polygon as one ring, from its own first vertex on; its outer ring when it has no holes. */
  public static List<Vec3> close(Polygon p) {
    if (p.holes().isEmpty() || p.normal().equals(Vec3.ZERO)) {
      return p.outer();
    }
    PlaneFrame frame = PlaneFrame.of(p.plane());
    Map<Coordinate, Vec3> vertices = new HashMap<>();
    p.rings().forEach(r -> r.forEach(v -> vertices.putIfAbsent(frame.to2d(v), v)));
    List<Vec3> ring = new ArrayList<>();
    try {
      for (Coordinate c : PolygonHoleJoiner.join(frame.project(p))) {
        ring.add(vertices.getOrDefault(new Coordinate(c.x, c.y), frame.to3d(c)));
      }
    } catch (RuntimeException invalid) {
      // JTS promises nothing for outlines that cross themselves; they are findings of their own
      return simply(p);
    }
    ring.remove(ring.size() - 1);
    if (Polygon.areaVector(ring).dot(p.normal()) < 0) {
      Collections.reverse(ring);
    }
    Collections.rotate(ring, -Math.max(0, ring.indexOf(p.outer().get(0))));
    return ring;
  }

  /** Seams from the first vertex of the outer ring to that of each hole. */
  private static List<Vec3> simply(Polygon p) {
    List<Vec3> ring = new ArrayList<>();
    Vec3 first = p.outer().get(0);
    for (List<Vec3> hole : p.holes()) {
      List<Vec3> h = new ArrayList<>(hole);
      if (Polygon.areaVector(h).dot(p.normal()) > 0) {
        Collections.reverse(h);
      }
      ring.add(first);
      ring.addAll(h);
      ring.add(h.get(0));
    }
    ring.addAll(p.outer());
    return ring;
  }

  /**
   * The polygon that a ring with seams stands for: where an edge is run through both ways, what
   * lies between is a ring of its own. Vertices must be the same to the last digit. A ring without
   * seams, or one whose pieces do not lie one inside the other, is taken as it is.
   */
  public static Polygon open(List<Vec3> ring) {
    if (ring.size() < LEAST || new HashSet<>(ring).size() > ring.size() - 2) {
      return Polygon.of(ring);
    }
    List<List<Vec3>> rings = new ArrayList<>();
    split(ring, rings);
    if (rings.size() < 2) {
      return Polygon.of(ring);
    }
    List<Vec3> outer = rings.get(0);
    for (List<Vec3> r : rings) {
      outer = area(r) > area(outer) ? r : outer;
    }
    Vec3 normal = Polygon.areaVector(outer);
    List<List<Vec3>> holes = new ArrayList<>();
    for (List<Vec3> r : rings) {
      if (r != outer) {
        holes.add(r);
        if (!(Polygon.areaVector(r).dot(normal) < 0)) {
          return Polygon.of(ring);
        }
      }
    }
    return new Polygon(outer, holes);
  }

  private static double area(List<Vec3> ring) {
    return Polygon.areaVector(ring).length();
  }

  private record Edge(Vec3 from, Vec3 to) {}

  /** Takes the ring apart at its first edge that is run through both ways, and the pieces again. */
  private static void split(List<Vec3> ring, List<List<Vec3>> out) {
    int n = ring.size();
    Map<Edge, Integer> edges = new HashMap<>();
    for (int i = 0; i < n; i++) {
      Vec3 from = ring.get(i);
      Vec3 to = ring.get((i + 1) % n);
      Integer there = edges.get(new Edge(to, from));
      if (there == null) {
        edges.putIfAbsent(new Edge(from, to), i);
        continue;
      }
      // the ring goes from "to" to "from" at "there", round something, and back again here
      List<Vec3> inner = new ArrayList<>(ring.subList(there + 1, i));
      List<Vec3> around = new ArrayList<>(ring.subList(0, there + 1));
      if (i + 1 < n) {
        around.addAll(ring.subList(i + 2, n));
      } else if (!around.isEmpty()) {
        around.remove(around.size() - 1);
      }
      if (inner.size() >= 3 && around.size() >= 3) {
        split(around, out);
        split(inner, out);
        return;
      }
    }
    out.add(ring);
  }
}
