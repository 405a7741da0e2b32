package yentra.core.repair;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Side;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Plane;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.RobustOverlay;
import yentra.core.geometry.Straightening;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/** What repairs that change outlines have in common. */
public final class Reshape {
  /** Pieces smaller than this are left out, in m². */
  public static final double LEAST = 1e-3;

  private Reshape() {}

  /**
   * The surface with another outline. The face on the far side, where it is apart, becomes the
   * outline's projection on its own plane.
   */
  public static Surface with(Surface s, Polygon p) {
    List<Side> sides = new ArrayList<>();
    for (int i = 0; i < s.sides().size(); i++) {
      Side side = s.sides().get(i);
      if (side.face() == null) {
        sides.add(side);
      } else if (i == 0) {
        sides.add(side.withFace(p));
      } else {
        Plane far = side.face().plane();
        Polygon q = mapped(p, far::project);
        sides.add(side.withFace(q.normal().dot(far.normal()) < 0 ? q.reversed() : q));
      }
    }
    return s.withPolygon(p, sides);
  }

  public static Polygon mapped(Polygon p, UnaryOperator<Vec3> move) {
    return new Polygon(
        p.outer().stream().map(move).toList(),
        p.holes().stream().map(h -> h.stream().map(move).toList()).toList());
  }

  /** In the direction of another polygon. */
  public static Polygon turned(Polygon p, Polygon like) {
    return p.normal().dot(like.normal()) < 0 ? p.reversed() : p;
  }

  /**
   * A surface in pieces: the first keeps the key, each has its share of the openings.
   *
   * @param parts outlines in the surface's plane
   */
  public static List<Surface> pieces(
      Surface s, List<Polygon> parts, Keys keys, Tolerance tolerance) {
    List<Surface> out = new ArrayList<>();
    for (int i = 0; i < parts.size(); i++) {
      Polygon p = turned(Straightening.of(parts.get(i), tolerance), s.polygon());
      Surface piece = i == 0 ? s : renamed(s, keys.free(s.key() + "_p"));
      out.add(with(piece, p).withOpenings(openings(s, p, i == 0 ? null : keys)));
    }
    return out;
  }

  /** The parts of a surface's openings that lie in a piece of it; null keys keep theirs. */
  private static List<Opening> openings(Surface s, Polygon piece, Keys keys) {
    List<Opening> out = new ArrayList<>();
    for (Opening o : s.openings()) {
      if (o.polygon().area() <= LEAST) {
        continue;
      }
      for (Polygon part : PlanarOverlay.intersection(piece, o.polygon())) {
        if (part.area() > LEAST) {
          boolean whole = part.area() > o.polygon().area() * (1 - 1e-6);
          Opening x = whole ? o : o.withPolygon(turned(part, o.polygon()));
          // an opening that lies in one piece only is still the same
          out.add(whole || keys == null ? x : x.withKey(keys.free(o.key() + "_p")));
        }
      }
    }
    return out;
  }

  static Surface renamed(Surface s, String key) {
    return Surface.of(key, s.type(), s.polygon(), BoundaryKind.REPAIRED)
        .with()
        .name(s.name())
        .sides(s.sides())
        .construction(s.construction())
        .thickness(s.thickness())
        .source(s.source())
        .element(s.element())
        .openings(s.openings())
        .extras(s.extras())
        .build();
  }

  /** The parts of a polygon before and behind a plane that cuts it; either may be empty. */
  public static List<List<Polygon>> halves(Polygon p, Plane cut, Tolerance tolerance) {
    double least = Double.POSITIVE_INFINITY;
    double most = Double.NEGATIVE_INFINITY;
    for (Vec3 v : p.outer()) {
      double d = cut.distance(v);
      least = Math.min(least, d);
      most = Math.max(most, d);
    }
    if (least > -tolerance.length()) {
      return List.of(List.of(p), List.of());
    }
    if (most < tolerance.length()) {
      return List.of(List.of(), List.of(p));
    }
    PlaneFrame frame = PlaneFrame.of(p.plane());
    Vec3 along = p.normal().cross(cut.normal()).unit();
    Vec3 into = along.cross(p.normal()).unit();
    if (into.dot(cut.normal()) < 0) {
      into = into.negated();
    }
    double steep = into.dot(cut.normal());
    Vec3 m = p.mean();
    Vec3 on = m.minus(into.times(cut.distance(m) / steep));
    double far = 4 * p.box().diagonal() + 1;
    Polygon before =
        Polygon.of(
            on.plus(along.times(far)),
            on.plus(along.times(-far)),
            on.plus(along.times(-far)).plus(into.times(far)),
            on.plus(along.times(far)).plus(into.times(far)));
    Geometry whole = frame.project(p);
    Geometry half = frame.project(before);
    return List.of(
        clean(frame.lift(RobustOverlay.intersection(whole, half)), tolerance),
        clean(frame.lift(RobustOverlay.difference(whole, half)), tolerance));
  }

  /** Without slivers, and without corners on straight edges. */
  public static List<Polygon> clean(List<Polygon> parts, Tolerance tolerance) {
    return parts.stream()
        .filter(p -> p.area() > Math.max(LEAST, tolerance.length() * p.perimeter()))
        .map(p -> Straightening.of(p, tolerance))
        .toList();
  }

  /** A rectangle in a frame. */
  public static Polygon rectangle(PlaneFrame f, double u0, double v0, double u1, double v1) {
    return Polygon.of(
        f.to3d(new Coordinate(u0, v0)),
        f.to3d(new Coordinate(u1, v0)),
        f.to3d(new Coordinate(u1, v1)),
        f.to3d(new Coordinate(u0, v1)));
  }

  /** The outline is a polygon with an area, and flat. */
  public static Polygon outline(List<Vec3> points, Tolerance tolerance)
      throws NotApplicableException {
    if (points.size() < 3 || points.stream().anyMatch(v -> v == null || !v.withinReach())) {
      throw new NotApplicableException("An outline needs at least three corners within reach.");
    }
    Polygon p = Polygon.of(points);
    if (p.area() < tolerance.length() * tolerance.length()) {
      throw new NotApplicableException("The outline has no area.");
    }
    return p;
  }

  /** Replaces one surface by its pieces, in place. */
  public static Envelope replaced(Envelope e, String key, List<Surface> by) {
    List<Surface> out = new ArrayList<>(e.surfaces().size() + by.size());
    for (Surface s : e.surfaces()) {
      if (s.key().equals(key)) {
        out.addAll(by);
      } else {
        out.add(s);
      }
    }
    return e.withSurfaces(out);
  }

  public static Envelope replacedSpace(Envelope e, String key, UnaryOperator<Space> change) {
    return e.withSpaces(
        e.spaces().stream().map(s -> s.key().equals(key) ? change.apply(s) : s).toList());
  }

  /** Replaces one opening where it is, in a surface or loose. */
  public static Envelope replacedOpening(Envelope e, String key, UnaryOperator<Opening> change) {
    UnaryOperator<List<Opening>> list =
        l -> l.stream().map(o -> o.key().equals(key) ? change.apply(o) : o).toList();
    return e.parentOf(key)
        .map(s -> e.replacing(s.key(), x -> x.withOpenings(list.apply(x.openings()))))
        .orElseGet(() -> e.withOrphans(list.apply(e.orphans())));
  }
}
