package yentra.core.boundary;

import java.util.ArrayList;
import java.util.List;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Hole;
import yentra.core.geometry.OpenEdges;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Shell;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/**
 * The volume of one space, as its shell and its surfaces give it.
 *
 * <p>A space is enclosed when its shell closes, or its surfaces do (each with the polygon on this
 * space's side, or all with their own polygon). Areas and volume come from the first of these that
 * closes; when none does, from the shell, or else from the surfaces.
 *
 * @param faces the faces that the figures come from, turned outwards
 * @param inwardShellFaces the delivered shell's faces that point inwards
 * @param openPieces open edges; empty when the space is enclosed
 * @param holes what they outline
 * @param floorArea area in m² of the faces that face down (tilt above 120°)
 * @param volume m³; unless enclosed, that of the faces with the holes shut
 */
public record SpaceVolume(
    Space space,
    Shell faces,
    List<Polygon> inwardShellFaces,
    List<OpenEdges.Piece> openPieces,
    List<Hole> holes,
    double floorArea,
    double volume) {

  /** True when no edge is open and there are faces at all. */
  public boolean enclosed() {
    return openPieces.isEmpty() && !faces.faces().isEmpty();
  }

  /**
   * Measures a space.
   *
   * @param surfaces the surfaces that name this space as a neighbour, those within one space left
   *     out
   */
  static SpaceVolume measure(Space space, List<Surface> surfaces, Rules rules) {
    Tolerance tolerance = rules.tolerance();
    List<Polygon> shell = solid(space.shell(), tolerance);
    List<Polygon> sides = new ArrayList<>();
    List<Polygon> own = new ArrayList<>();
    for (Surface s : surfaces) {
      int i = s.sides().get(0).space().equals(space.key()) ? 0 : 1;
      sides.add(s.face(i));
      own.add(i == 0 ? s.polygon() : s.polygon().reversed());
    }
    List<List<Polygon>> candidates = new ArrayList<>();
    candidates.add(shell);
    candidates.add(solid(sides, tolerance));
    if (!own.equals(sides)) {
      candidates.add(solid(own, tolerance));
    }
    candidates.removeIf(List::isEmpty);
    boolean elsewhere = !shell.isEmpty() && isDrawnElsewhere(space, surfaces, shell, tolerance);
    List<OpenEdges.Piece> open = List.of();
    List<Polygon> faces = candidates.isEmpty() ? List.of() : candidates.get(0);
    for (List<Polygon> c : candidates) {
      List<OpenEdges.Piece> pieces = OpenEdges.find(c, tolerance);
      if (pieces.isEmpty()) {
        faces = c;
        open = pieces;
        break;
      }
      // holes are told by the surfaces, since those are what a simulation gets; the shell speaks
      // only where there are none, or where some of them are drawn on the neighbour's side of a
      // wall and leave slits as wide as that
      boolean told = c != shell && !elsewhere && (faces == shell || length(pieces) < length(open));
      if (open.isEmpty() || told) {
        open = pieces;
      }
    }
    return from(space, faces, open, rules);
  }

  /** Surfaces up to a wall's thickness off a face of the shell, metres (common practice). */
  private static final double WALL = 0.6;

  /**
   * Whether a surface whose polygon is that of the space on its other side lies in front of a face
   * of the shell instead of on it.
   */
  private static boolean isDrawnElsewhere(
      Space space, List<Surface> surfaces, List<Polygon> shell, Tolerance tolerance) {
    for (Surface s : surfaces) {
      boolean second =
          s.sides().size() == 2
              && s.sides().get(1).space().equals(space.key())
              && s.sides().get(1).face() == null;
      Vec3 n = s.polygon().normal();
      if (!second || n.equals(Vec3.ZERO)) {
        continue;
      }
      Vec3 at = s.polygon().mean();
      double nearest = Double.POSITIVE_INFINITY;
      for (Polygon f : shell) {
        if (Math.abs(f.normal().dot(n)) > Math.cos(Math.toRadians(tolerance.angle()))) {
          nearest = Math.min(nearest, Math.abs(at.minus(f.mean()).dot(n)));
        }
      }
      if (nearest > tolerance.gap() && nearest <= WALL) {
        return true;
      }
    }
    return false;
  }

  private static SpaceVolume from(
      Space space, List<Polygon> faces, List<OpenEdges.Piece> open, Rules rules) {
    Tolerance tolerance = rules.tolerance();
    Shell delivered = Shell.of(solid(space.shell(), tolerance));
    List<Polygon> inward =
        delivered.faces().stream()
            .filter(f -> delivered.direction(f, tolerance.gap()) < 0)
            .toList();
    Shell outward = Shell.of(faces).outward(tolerance.gap());
    double floor =
        outward.faces().stream()
            .filter(f -> rules.types().isFloor(f.tilt()))
            .mapToDouble(Polygon::area)
            .sum();
    List<Hole> holes = Hole.from(open, tolerance);
    return new SpaceVolume(
        space,
        outward,
        inward,
        List.copyOf(open),
        holes,
        floor,
        filled(outward, holes).signedVolume());
  }

  /**
   * The shell with its holes shut, so that the volume of a space that lacks a face does not depend
   * on where the origin is. Each hole is turned so that the area vectors come closer to cancelling.
   */
  private static Shell filled(Shell open, List<Hole> holes) {
    if (holes.isEmpty()) {
      return open;
    }
    List<Polygon> faces = new ArrayList<>(open.faces());
    Vec3 missing = faces.stream().map(Polygon::areaVector).reduce(Vec3.ZERO, Vec3::plus).negated();
    List<Polygon> lids = new ArrayList<>(holes.stream().map(h -> Polygon.of(h.outline())).toList());
    lids.sort(java.util.Comparator.comparingDouble(Polygon::area).reversed());
    for (Polygon lid : lids) {
      Polygon turned = lid.areaVector().dot(missing) < 0 ? lid.reversed() : lid;
      faces.add(turned);
      missing = missing.minus(turned.areaVector());
    }
    return Shell.of(faces);
  }

  private static double length(List<OpenEdges.Piece> pieces) {
    return pieces.stream().mapToDouble(OpenEdges.Piece::length).sum();
  }

  /** The polygons that have an area, so that broken ones do not stop the rest. */
  private static List<Polygon> solid(List<Polygon> polygons, Tolerance tolerance) {
    double least = tolerance.length() * tolerance.length();
    return polygons.stream().filter(p -> p.outer().size() >= 3 && p.area() > least).toList();
  }
}
