package yentra.core.boundary;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.locationtech.jts.algorithm.InteriorPointArea;
import org.locationtech.jts.algorithm.locate.SimplePointInAreaLocator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Location;
import org.locationtech.jts.geom.PrecisionModel;
import org.locationtech.jts.operation.overlayng.UnaryUnionNG;
import org.locationtech.jts.operation.polygonize.Polygonizer;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;

/**
 * Cuts a face into cells behind each of which the same things lie: by the edges of everything near
 * it, projected along its normal, and by the lines in which sloping faces pass a given depth.
 *
 * <p>Method: the lines are noded with snap rounding (J. D. Hobby, "Practical segment intersection
 * with finite precision output", 1999; JTS OverlayNG) on a grid of a hundredth of a millimetre, and
 * polygonised.
 */
final class FaceCells {
  private static final GeometryFactory FACTORY = new GeometryFactory();
  private static final PrecisionModel GRID = new PrecisionModel(1e5);

  private static final int FEW_LINES = 300;
  private static final int PROBED = 100;
  private static final double MOST_CROSSINGS = 60_000;

  private final PlaneFrame frame;
  private final org.locationtech.jts.geom.Polygon face;
  private final Envelope extent;
  private final double same;
  private final double[] depths;
  private final double near;
  private final double far;
  private final List<LineString> lines = new ArrayList<>();
  private final Set<List<Long>> known = new HashSet<>();
  private final List<Coordinate[]> rim = new ArrayList<>();

  /** A cell: its outline in the face's frame, and a point well inside it. */
  record Cell(org.locationtech.jts.geom.Polygon outline, Vec3 inside) {}

  /**
   * @param face pointing outwards
   * @param near least and greatest distance before the face at which edges count, in metres
   * @param depths distances before the face at which what slopes is cut
   * @param same lines closer to the face's own outline than this are left out, in metres
   */
  FaceCells(Polygon face, double near, double far, double[] depths, double same) {
    this.frame = PlaneFrame.of(face.plane());
    Geometry flat = frame.project(face);
    this.face = (org.locationtech.jts.geom.Polygon) flat;
    this.extent = flat.getEnvelopeInternal();
    this.near = near;
    this.far = far;
    this.depths = depths.clone();
    this.same = same;
    ring(this.face.getExteriorRing());
    for (int i = 0; i < this.face.getNumInteriorRing(); i++) {
      ring(this.face.getInteriorRingN(i));
    }
  }

  private void ring(LineString ring) {
    Coordinate[] c = ring.getCoordinates();
    for (int i = 0; i + 1 < c.length; i++) {
      rim.add(new Coordinate[] {c[i], c[i + 1]});
    }
  }

  PlaneFrame frame() {
    return frame;
  }

  /** Adds the edges of the faces of something near. */
  void add(Collection<Polygon> faces) {
    for (Polygon f : faces) {
      for (List<Vec3> ring : f.rings()) {
        for (int i = 0; i < ring.size(); i++) {
          edge(ring.get(i), ring.get((i + 1) % ring.size()));
        }
      }
      for (double depth : depths) {
        crossing(f, depth);
      }
    }
  }

  /**
   * Adds the line in which a horizontal plane cuts the face's plane, where they are not parallel.
   */
  void addLevel(double z) {
    double slope = frame.v().z();
    if (Math.abs(slope) > 1e-3) {
      double v = (z - frame.origin().z()) / slope;
      if (v > extent.getMinY() && v < extent.getMaxY()) {
        line(new Coordinate(extent.getMinX() - 1, v), new Coordinate(extent.getMaxX() + 1, v));
      }
    }
  }

  /** Adds the line in which something without thickness passes the face's plane. */
  void addSurface(Polygon f) {
    crossing(f, 0);
  }

  private double depth(Vec3 p) {
    return p.minus(frame.origin()).dot(frame.n());
  }

  private void edge(Vec3 a, Vec3 b) {
    double ta = depth(a);
    double tb = depth(b);
    if (Math.max(ta, tb) < near || Math.min(ta, tb) > far) {
      return;
    }
    Vec3 from = a;
    Vec3 to = b;
    if (Math.abs(tb - ta) > 1e-9) {
      double lo = Math.max(0, Math.min((near - ta) / (tb - ta), (far - ta) / (tb - ta)));
      double hi = Math.min(1, Math.max((near - ta) / (tb - ta), (far - ta) / (tb - ta)));
      from = a.lerp(b, lo);
      to = a.lerp(b, hi);
    }
    line(frame.to2d(from), frame.to2d(to));
  }

  /** Where a sloping face passes a depth. */
  private void crossing(Polygon f, double depth) {
    List<Coordinate> at = new ArrayList<>();
    for (List<Vec3> ring : f.rings()) {
      for (int i = 0; i < ring.size(); i++) {
        Vec3 a = ring.get(i);
        Vec3 b = ring.get((i + 1) % ring.size());
        double ta = depth(a) - depth;
        double tb = depth(b) - depth;
        if (ta < 0 != tb < 0) {
          at.add(frame.to2d(a.lerp(b, ta / (ta - tb))));
        }
      }
    }
    if (at.size() < 2) {
      return;
    }
    at.sort(null);
    for (int i = 0; i + 1 < at.size(); i += 2) {
      line(at.get(i), at.get(i + 1));
    }
  }

  private void line(Coordinate a, Coordinate b) {
    if (a.distance(b) < same || !new Envelope(a, b).intersects(extent) || alongRim(a, b)) {
      return;
    }
    long[] p = {
      Math.round(a.x * 1e4), Math.round(a.y * 1e4), Math.round(b.x * 1e4), Math.round(b.y * 1e4)
    };
    boolean turn = p[0] > p[2] || p[0] == p[2] && p[1] > p[3];
    List<Long> id = turn ? List.of(p[2], p[3], p[0], p[1]) : List.of(p[0], p[1], p[2], p[3]);
    if (known.add(id)) {
      lines.add(FACTORY.createLineString(new Coordinate[] {a, b}));
    }
  }

  /** Whether a line lies on the face's outline, or outside of one of its straight sides. */
  private boolean alongRim(Coordinate a, Coordinate b) {
    for (Coordinate[] r : rim) {
      double dx = r[1].x - r[0].x;
      double dy = r[1].y - r[0].y;
      double length = Math.hypot(dx, dy);
      if (length < 1e-9) {
        continue;
      }
      double offA = Math.abs((a.x - r[0].x) * dy - (a.y - r[0].y) * dx) / length;
      double offB = Math.abs((b.x - r[0].x) * dy - (b.y - r[0].y) * dx) / length;
      if (offA < same && offB < same) {
        double sa = ((a.x - r[0].x) * dx + (a.y - r[0].y) * dy) / length;
        double sb = ((b.x - r[0].x) * dx + (b.y - r[0].y) * dy) / length;
        if (Math.min(sa, sb) > -same && Math.max(sa, sb) < length + same
            || rim.size() == 4 && face.getNumInteriorRing() == 0) {
          return true;
        }
      }
    }
    return false;
  }

  /**
   * Whether so much lies in one place before the face that cutting it up would take for ever: the
   * crossings of every so many-th line are counted.
   */
  boolean tangled() {
    int n = lines.size();
    if (n <= FEW_LINES) {
      return false;
    }
    int stride = Math.max(1, n / PROBED);
    long crossings = 0;
    int probed = 0;
    for (int i = 0; i < n; i += stride) {
      probed++;
      Envelope box = lines.get(i).getEnvelopeInternal();
      for (LineString other : lines) {
        if (box.intersects(other.getEnvelopeInternal())) {
          crossings++;
        }
      }
    }
    return crossings / (double) probed * n / 2 > MOST_CROSSINGS;
  }

  /** The cells, in a fixed order. */
  List<Cell> cells() {
    List<Geometry> found = new ArrayList<>();
    if (lines.isEmpty() || tangled()) {
      found.add(face);
    } else {
      lines.sort(null);
      List<Geometry> all = new ArrayList<>(lines);
      all.add(face.getBoundary());
      Geometry noded = UnaryUnionNG.union(all, FACTORY, GRID);
      Polygonizer polygonizer = new Polygonizer();
      polygonizer.add(noded);
      for (Object p : polygonizer.getPolygons()) {
        // where a ring begins is left to the places of objects in memory otherwise
        found.add(((Geometry) p).norm());
      }
    }
    List<Cell> out = new ArrayList<>();
    for (Geometry g : found) {
      Coordinate c = g.isEmpty() ? null : InteriorPointArea.getInteriorPoint(g);
      if (c != null
          && (g == face || SimplePointInAreaLocator.locate(c, face) == Location.INTERIOR)) {
        out.add(new Cell((org.locationtech.jts.geom.Polygon) g, frame.to3d(c)));
      }
    }
    Cell[] sorted = out.toArray(Cell[]::new);
    Arrays.sort(
        sorted,
        (x, y) -> {
          Coordinate p = frame.to2d(x.inside);
          Coordinate q = frame.to2d(y.inside);
          return p.compareTo(q);
        });
    return List.of(sorted);
  }
}
