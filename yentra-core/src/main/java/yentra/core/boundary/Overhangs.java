package yentra.core.boundary;

import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Geometry;
import yentra.core.geometry.Box;
import yentra.core.geometry.BoxIndex;
import yentra.core.geometry.CoplanarFaces;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Shell;
import yentra.core.geometry.SolidProbe;
import yentra.core.geometry.Straightening;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/**
 * The parts of roofs, slabs and walls that bound spaces elsewhere but have outdoor air on both
 * sides: eaves, balconies of a floor that goes on, parapets, wing walls.
 *
 * <p>Method: the largest face of the element is cut where spaces and other construction end near it
 * ({@link FaceCells}); cells with air before the face and behind the element, both of which see the
 * sky or the ground, are joined. What is narrower than {@value #NARROWEST} m casts no shade worth
 * the surface.
 */
final class Overhangs {
  private static final double NARROWEST = 0.2;

  /** How far before and behind the element the air is looked for, in metres. */
  private static final double AWAY = 0.03;

  private final List<SolidProbe> rooms;
  private final List<SolidProbe> solids;
  private final List<Barrier> barriers;
  private final BoxIndex roomIndex;
  private final BoxIndex solidIndex;
  private final SkyView view;
  private final Ground ground;
  private final Tolerance tolerance;

  Overhangs(
      List<SolidProbe> rooms,
      List<Barrier> barriers,
      SkyView view,
      Ground ground,
      Tolerance tolerance) {
    this.rooms = rooms;
    this.barriers = barriers;
    this.solids = barriers.stream().map(b -> new SolidProbe(b.body())).toList();
    this.roomIndex = new BoxIndex(rooms.stream().map(SolidProbe::box).toList());
    this.solidIndex = new BoxIndex(solids.stream().map(SolidProbe::box).toList());
    this.view = view;
    this.ground = ground;
    this.tolerance = tolerance;
  }

  /**
   * The parts of one element, in the plane of its largest face.
   *
   * @param thickest what is thicker has no two sides, in metres
   * @param smallest parts below this are left out, in m²
   */
  List<Polygon> of(int barrier, double thickest, double smallest) {
    List<Polygon> body = Shell.of(barriers.get(barrier).body()).outward(tolerance.gap()).faces();
    Polygon face = null;
    for (Polygon p : CoplanarFaces.of(body, tolerance)) {
      if (face == null || p.area() > face.area() + tolerance.length()) {
        face = p;
      }
    }
    if (face == null || face.area() < smallest) {
      return List.of();
    }
    double thickness = Math.abs(Shell.of(body).signedVolume()) / face.area();
    if (thickness > thickest) {
      return List.of();
    }
    Box near = face.box().grown(thickness + 2 * AWAY);
    FaceCells cells =
        new FaceCells(
            face,
            -(thickness + 2 * AWAY),
            2 * AWAY,
            new double[] {-(thickness + AWAY), AWAY},
            tolerance.length());
    for (int r : roomIndex.meeting(near)) {
      cells.add(rooms.get(r).faces());
    }
    for (int s : solidIndex.meeting(near)) {
      if (s != barrier) {
        cells.add(barriers.get(s).body());
      }
    }
    if (cells.tangled()) {
      return List.of();
    }
    Vec3 n = face.normal();
    List<Geometry> free = new ArrayList<>();
    for (FaceCells.Cell c : cells.cells()) {
      Vec3 before = c.inside().plus(n.times(AWAY));
      Vec3 behind = c.inside().minus(n.times(thickness + AWAY));
      if (isAir(behind)
          && isAir(before)
          && !view.enclosed(before, n)
          && !view.enclosed(behind, n.negated())) {
        free.add(c.outline());
      }
    }
    return free.isEmpty() ? List.of() : parts(cells, Region.union(free), smallest);
  }

  private boolean isAir(Vec3 p) {
    Box here = new Box(p, p);
    for (int r : roomIndex.meeting(here)) {
      if (rooms.get(r).contains(p)) {
        return false;
      }
    }
    for (int s : solidIndex.meeting(here)) {
      if (solids.get(s).contains(p)) {
        return false;
      }
    }
    return p.z() >= ground.at(p);
  }

  private List<Polygon> parts(FaceCells cells, Geometry all, double smallest) {
    List<Polygon> out = new ArrayList<>();
    for (Polygon p : cells.frame().lift(all)) {
      Geometry core = cells.frame().project(p).buffer(-NARROWEST / 2);
      if (p.area() >= smallest && !core.isEmpty()) {
        out.add(Straightening.of(p, tolerance));
      }
    }
    return out;
  }
}
