package yentra.core.plan;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;
import org.locationtech.jts.algorithm.InteriorPointArea;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LineSegment;
import org.locationtech.jts.geom.LinearRing;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.noding.NodedSegmentString;
import org.locationtech.jts.noding.SegmentString;
import org.locationtech.jts.noding.snap.SnappingNoder;
import org.locationtech.jts.noding.snapround.SnapRoundingNoder;
import org.locationtech.jts.operation.polygonize.Polygonizer;

/**
 * The faces that segments cut the plan into: what nearly meets is snapped (JTS snapping noder, a
 * tenth of a millimetre) and rounded (JTS snap rounding, a thousandth of a millimetre), what ends
 * free is left out, and the smallest rings are faces (JTS Polygonizer).
 */
final class Arrangement {
  private static final GeometryFactory FACTORY = new GeometryFactory();
  private static final double SNAP = 1e-4;

  private final Set<LineSegment> edges;
  private final List<Polygon> faces = new ArrayList<>();

  private Arrangement(Set<LineSegment> edges) {
    this.edges = edges;
    Polygonizer polygonizer = new Polygonizer();
    edges.forEach(e -> polygonizer.add(e.toGeometry(FACTORY)));
    for (Object o : polygonizer.getPolygons()) {
      faces.add((Polygon) ((Geometry) o).norm());
    }
    faces.sort((a, b) -> a.compareTo(b));
  }

  static Arrangement of(List<Coordinate[]> segments) {
    Set<LineSegment> edges = new TreeSet<>();
    for (SegmentString s : noded(segments)) {
      for (int i = 0; i + 1 < s.size(); i++) {
        if (!s.getCoordinate(i).equals2D(s.getCoordinate(i + 1))) {
          LineSegment e = new LineSegment(s.getCoordinate(i), s.getCoordinate(i + 1));
          e.normalize();
          edges.add(e);
        }
      }
    }
    return new Arrangement(edges);
  }

  private static Collection<SegmentString> noded(List<Coordinate[]> segments) {
    List<SegmentString> strings = new ArrayList<>();
    for (Coordinate[] s : segments) {
      if (!s[0].equals2D(s[1])) {
        strings.add(new NodedSegmentString(new Coordinate[] {s[0].copy(), s[1].copy()}, null));
      }
    }
    SnappingNoder near = new SnappingNoder(SNAP);
    near.computeNodes(strings);
    List<SegmentString> snapped = new ArrayList<>();
    for (Object o : near.getNodedSubstrings()) {
      snapped.add(new NodedSegmentString(((SegmentString) o).getCoordinates(), null));
    }
    SnapRoundingNoder noder = new SnapRoundingNoder(Areas.GRID);
    noder.computeNodes(snapped);
    List<SegmentString> out = new ArrayList<>();
    for (Object o : noder.getNodedSubstrings()) {
      out.add((SegmentString) o);
    }
    return out;
  }

  /** The faces, from the lower left; in normal form. */
  List<Polygon> faces() {
    return faces;
  }

  /** A point well inside a face. */
  static Coordinate inside(Geometry face) {
    return InteriorPointArea.getInteriorPoint(face);
  }

  /**
   * The arrangement in which small faces have gone to the neighbour that they have the longest edge
   * in common with.
   *
   * @param small which faces
   * @param opens which edges may go for such a face
   */
  Arrangement without(Predicate<Polygon> small, EdgeTest opens) {
    List<Polygon> tiny = new ArrayList<>(faces.stream().filter(small).toList());
    if (tiny.isEmpty()) {
      return this;
    }
    Map<LineSegment, List<Polygon>> beside = new HashMap<>();
    for (Polygon f : faces) {
      edges(f).forEach(e -> beside.computeIfAbsent(e, k -> new ArrayList<>()).add(f));
    }
    Set<LineSegment> left = new TreeSet<>(edges);
    Set<Polygon> gone = new HashSet<>();
    for (Polygon f : tiny) {
      Map<Polygon, Double> lengths = new HashMap<>();
      for (LineSegment e : edges(f)) {
        for (Polygon g : beside.get(e)) {
          if (g != f && !gone.contains(g) && opens.test(f, e)) {
            lengths.merge(g, e.getLength(), Double::sum);
          }
        }
      }
      Polygon to =
          lengths.entrySet().stream()
              .max(
                  Map.Entry.<Polygon, Double>comparingByValue()
                      .thenComparing((a, b) -> a.getKey().compareTo(b.getKey())))
              .map(Map.Entry::getKey)
              .orElse(null);
      if (to != null) {
        gone.add(f);
        for (LineSegment e : edges(f)) {
          if (beside.get(e).contains(to) && opens.test(f, e)) {
            left.remove(e);
          }
        }
      }
    }
    return gone.isEmpty() ? this : new Arrangement(left);
  }

  /**
   * The arrangement in which the ends of short edges are one point.
   *
   * @param length below which an edge is short, m
   * @param fixed points that stay where they are
   */
  Arrangement withoutShort(double length, Set<Coordinate> fixed) {
    Map<Coordinate, Coordinate> to = new HashMap<>();
    for (LineSegment e : edges) {
      if (e.getLength() < length) {
        Coordinate a = end(to, e.p0);
        Coordinate b = end(to, e.p1);
        if (!a.equals2D(b) && !(fixed.contains(a) && fixed.contains(b))) {
          to.put(fixed.contains(a) ? b : a, fixed.contains(a) ? a : b);
        }
      }
    }
    return to.isEmpty()
        ? this
        : of(edges.stream().map(e -> new Coordinate[] {end(to, e.p0), end(to, e.p1)}).toList());
  }

  private static Coordinate end(Map<Coordinate, Coordinate> to, Coordinate c) {
    Coordinate at = c;
    while (to.containsKey(at)) {
      at = to.get(at);
    }
    return at;
  }

  /** Whether an edge of a face may go. */
  interface EdgeTest {
    boolean test(Polygon face, LineSegment edge);
  }

  private static List<LineSegment> edges(Polygon p) {
    List<LineSegment> out = new ArrayList<>();
    List<LinearRing> rings = new ArrayList<>(List.of(p.getExteriorRing()));
    for (int h = 0; h < p.getNumInteriorRing(); h++) {
      rings.add(p.getInteriorRingN(h));
    }
    for (LinearRing r : rings) {
      for (int i = 0; i + 1 < r.getNumPoints(); i++) {
        LineSegment e = new LineSegment(r.getCoordinateN(i), r.getCoordinateN(i + 1));
        e.normalize();
        out.add(e);
      }
    }
    return out;
  }
}
