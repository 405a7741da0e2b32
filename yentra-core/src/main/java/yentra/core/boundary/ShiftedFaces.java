package yentra.core.boundary;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Side;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Plane;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/**
 * The flat faces of spaces, how far each moves to where a convention draws it, and where corners
 * come to lie.
 */
final class ShiftedFaces {
  /** Planes that disagree about a corner by more than this do not meet, in metres. */
  private static final double DISAGREE = 0.005;

  /** Thicknesses on one face that differ by more than this are different, in metres. */
  private static final double THICKNESS = 0.002;

  private final Convention convention;
  private final Tolerance tolerance;
  private final Map<String, List<SpaceFace>> facesOf = new LinkedHashMap<>();

  /**
   * @param surfaces those whose sides lie on inner faces
   */
  ShiftedFaces(List<Surface> surfaces, Convention convention, Tolerance tolerance) {
    this.convention = convention;
    this.tolerance = tolerance;
    for (Surface s : surfaces) {
      for (int i = 0; i < Math.min(2, s.sides().size()); i++) {
        Polygon p = s.face(i);
        if (!p.normal().equals(Vec3.ZERO)) {
          face(s.sides().get(i).space(), p).parts.add(new FacePart(s, i, p));
        }
      }
    }
  }

  /** Keys of the spaces that have faces. */
  Set<String> spaces() {
    return facesOf.keySet();
  }

  /** One side of a surface. */
  private record FacePart(Surface surface, int side, Polygon polygon) {
    boolean pair() {
      return surface.sides().size() == 2 && !surface.isWithinOneSpace();
    }

    /** Between two spaces how far apart their faces are: some are drawn to the middle already. */
    double thickness() {
      if (pair()) {
        return Math.abs(polygon.plane().distance(surface.face(1 - side).mean()));
      }
      return surface.thickness() == null ? 0 : surface.thickness();
    }
  }

  /** A flat face of a space, made of parts of surfaces. */
  private static final class SpaceFace {
    final String space;
    final Plane plane;
    final List<FacePart> parts = new ArrayList<>();
    double shift;

    SpaceFace(String space, Plane plane) {
      this.space = space;
      this.plane = plane;
    }
  }

  /** By how much the face moves that a polygon of a space lies in. */
  Vec3 shift(String space, Polygon p) {
    SpaceFace f = face(space, p);
    return f.plane.normal().times(f.shift);
  }

  private SpaceFace face(String space, Polygon p) {
    List<SpaceFace> faces = facesOf.computeIfAbsent(space, k -> new ArrayList<>());
    for (SpaceFace f : faces) {
      if (f.plane.angleTo(p.plane()) < tolerance.angle()
          && Math.abs(f.plane.distance(p.mean())) < tolerance.plane()) {
        return f;
      }
    }
    SpaceFace f = new SpaceFace(space, p.plane());
    faces.add(f);
    return f;
  }

  /** How far each face moves: what lies between spaces decides, since both sides must agree. */
  void shift(Set<String> fixed) {
    Map<SpaceFace, Double> interior = new HashMap<>();
    Set<SpaceFace> still = new HashSet<>();
    for (List<SpaceFace> faces : facesOf.values()) {
      for (SpaceFace f : faces) {
        double least = Double.POSITIVE_INFINITY;
        double most = 0;
        for (FacePart p : f.parts) {
          if (p.pair()) {
            least = Math.min(least, p.thickness());
            most = Math.max(most, p.thickness());
          }
        }
        if (!Double.isInfinite(least)) {
          if (most - least > THICKNESS || fixed.contains(f.space)) {
            still.add(f);
          }
          interior.put(f, (least + most) / 2 * convention.interior());
        }
      }
    }
    // a face that stays keeps those that it is paired with
    boolean changed = true;
    while (changed) {
      changed = false;
      for (SpaceFace f : List.copyOf(still)) {
        for (FacePart p : f.parts) {
          if (p.pair()) {
            Side o = p.surface.sides().get(1 - p.side);
            changed |= still.add(face(o.space(), p.surface.face(1 - p.side)));
          }
        }
      }
    }
    for (List<SpaceFace> faces : facesOf.values()) {
      for (SpaceFace f : faces) {
        f.shift =
            fixed.contains(f.space) || still.contains(f)
                ? 0
                : interior.containsKey(f) ? interior.get(f) : exterior(f);
      }
    }
  }

  /** The largest part with outdoor air or ground behind it decides. */
  private double exterior(SpaceFace f) {
    FacePart largest = null;
    for (FacePart p : f.parts) {
      Exposure e = p.surface.exposure();
      boolean counts = e == Exposure.OUTDOOR || e == Exposure.GROUND;
      if (counts && (largest == null || p.polygon.area() > largest.polygon.area())) {
        largest = p;
      }
    }
    return largest == null ? 0 : largest.thickness() * convention.exterior();
  }

  /** A polygon of a space with every corner where the moved planes meet. */
  Polygon moved(String space, Polygon p, Set<String> stuck) {
    List<List<Vec3>> rings = new ArrayList<>();
    for (List<Vec3> ring : p.rings()) {
      rings.add(ring.stream().map(v -> corner(space, v, stuck)).toList());
    }
    return new Polygon(rings.get(0), rings.subList(1, rings.size()));
  }

  /** Where the moved planes through a corner of a space's surface meet. */
  private Vec3 corner(String space, Vec3 v, Set<String> stuck) {
    List<SpaceFace> through = new ArrayList<>();
    List<FacePart> pairs = new ArrayList<>();
    for (SpaceFace f : facesOf.get(space)) {
      List<FacePart> here = f.parts.stream().filter(p -> touches(p.polygon, v)).toList();
      if (!here.isEmpty()) {
        through.add(f);
        here.stream().filter(FacePart::pair).forEach(pairs::add);
      }
    }
    // a space's own walls decide over those on the other side: they need not stand above each other
    pairs.forEach(p -> beyond(p, v, through));
    Vec3 shift = Vec3.ZERO;
    List<Vec3> basis = new ArrayList<>();
    for (SpaceFace f : through) {
      Vec3 n = f.plane.normal();
      double left = f.shift - f.plane.distance(v) - n.dot(shift);
      Vec3 q = n;
      for (Vec3 b : basis) {
        q = q.minus(b.times(b.dot(n)));
      }
      if (q.length() > 0.05) {
        shift = shift.plus(q.times(left / q.dot(q)));
        basis.add(q.unit());
      } else if (Math.abs(left) > DISAGREE) {
        stuck.add(space);
      }
    }
    return v.plus(shift);
  }

  /** The faces of the space on the other side that end where this part does. */
  private void beyond(FacePart p, Vec3 v, List<SpaceFace> through) {
    Side other = p.surface.sides().get(1 - p.side);
    Polygon there = p.surface.face(1 - p.side);
    Vec3 w = there.plane().project(v);
    for (SpaceFace f : facesOf.get(other.space())) {
      boolean along =
          through.stream().anyMatch(o -> Math.abs(o.plane.normal().dot(f.plane.normal())) > 0.99);
      if (!along && f.parts.stream().anyMatch(x -> touches(x.polygon, w))) {
        through.add(f);
      }
    }
  }

  private boolean touches(Polygon p, Vec3 v) {
    if (Math.abs(p.plane().distance(v)) > tolerance.plane()
        || !p.box().grown(tolerance.plane()).intersects(new yentra.core.geometry.Box(v, v))) {
      return false;
    }
    PlaneFrame frame = PlaneFrame.of(p.plane());
    return frame
            .project(p)
            .distance(new org.locationtech.jts.geom.GeometryFactory().createPoint(frame.to2d(v)))
        < 2 * tolerance.length();
  }
}
