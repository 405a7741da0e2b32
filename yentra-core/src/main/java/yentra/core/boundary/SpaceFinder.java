package yentra.core.boundary;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.IntStream;
import yentra.core.geometry.Box;
import yentra.core.geometry.BoxIndex;
import yentra.core.geometry.CoplanarFaces;
import yentra.core.geometry.Hole;
import yentra.core.geometry.OpenEdges;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.ProbeScene;
import yentra.core.geometry.Shell;
import yentra.core.geometry.SolidProbe;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/**
 * Finds the volumes that construction encloses.
 *
 * <p>Method: the faces of all construction are cut into cells where they touch each other ({@link
 * FaceCells}); cells with construction before them, or within the gap that is bridged, are inside
 * of it, the others look into free air. Which air each looks into is told by filling it with
 * columns ({@link FreeAir}). The cells of one enclosed air, turned round, are the faces of its
 * body; slits that stay between them are shut and said.
 *
 * <p>Metres, model coordinates.
 */
public final class SpaceFinder {
  private static final double BEFORE = 0.001;

  private final List<Barrier> barriers;
  private final double gap;
  private final double leastVolume;
  private final Tolerance tolerance;
  private final List<SolidProbe> solids = new ArrayList<>();
  private final BoxIndex index;

  /**
   * A volume.
   *
   * @param body its faces, pointing outwards
   * @param bridged what was put in where construction does not quite meet
   * @param volume in m³
   * @param floorArea in m²
   */
  public record Found(List<Polygon> body, List<Polygon> bridged, double volume, double floorArea) {
    public Found {
      body = List.copyOf(body);
      bridged = List.copyOf(bridged);
    }
  }

  /**
   * @param found in the order of their lowest corners
   * @param leaks places where air that is nearly enclosed is open to outdoors
   * @param open volumes whose faces do not close, with the reason
   */
  public record Result(List<Found> found, List<Vec3> leaks, List<String> open) {}

  /**
   * @param gap slits up to this width are bridged, in metres
   * @param leastVolume what is smaller is a cavity, in m³
   */
  public SpaceFinder(List<Barrier> barriers, double gap, double leastVolume, Tolerance tolerance) {
    this.barriers = barriers;
    this.gap = gap;
    this.leastVolume = leastVolume;
    this.tolerance = tolerance;
    barriers.forEach(b -> solids.add(new SolidProbe(b.body())));
    index = new BoxIndex(solids.stream().map(SolidProbe::box).toList());
  }

  /** A piece of a face that looks into free air. */
  private record Free(Polygon face, Vec3 eye) {}

  public Result find() {
    List<Free> free =
        IntStream.range(0, barriers.size())
            .parallel()
            .mapToObj(this::free)
            .flatMap(List::stream)
            .toList();
    FreeAir air = new FreeAir(new ProbeScene(solids), gap, tolerance);
    Map<Integer, List<Free>> byAir = new TreeMap<>();
    List<Free> order =
        free.stream()
            .sorted(Comparator.comparingDouble((Free f) -> f.face.area()).reversed())
            .toList();
    for (Free f : order) {
      int a = air.at(f.eye, f.face.normal());
      if (a >= 0) {
        byAir.computeIfAbsent(a, k -> new ArrayList<>()).add(f);
      }
    }
    List<Found> out = new ArrayList<>();
    List<String> open = new ArrayList<>();
    byAir.forEach((a, cells) -> body(cells, out, open));
    out.sort(
        Comparator.comparingDouble((Found f) -> low(f).z())
            .thenComparingDouble(f -> low(f).x())
            .thenComparingDouble(f -> low(f).y()));
    return new Result(out, air.leaks(), open);
  }

  private static Vec3 low(Found f) {
    return Shell.of(f.body).box().min();
  }

  /** The pieces of a barrier's faces that look into free air. */
  private List<Free> free(int b) {
    List<Free> out = new ArrayList<>();
    List<Polygon> outward = Shell.of(barriers.get(b).body()).outward(tolerance.gap()).faces();
    for (Polygon f : CoplanarFaces.of(outward, tolerance)) {
      if (f.area() < 1e-4) {
        continue;
      }
      int[] near = index.meeting(f.box().grown(gap + tolerance.gap()));
      FaceCells cells = new FaceCells(f, -gap, gap, new double[0], tolerance.length());
      for (int o : near) {
        if (o != b) {
          cells.add(barriers.get(o).body());
        }
      }
      List<org.locationtech.jts.geom.Geometry> kept = new ArrayList<>();
      Vec3 n = f.normal();
      for (FaceCells.Cell c : cells.cells()) {
        if (!covered(b, near, c.inside(), n)) {
          kept.add(c.outline());
        }
      }
      if (kept.isEmpty()) {
        continue;
      }
      org.locationtech.jts.geom.Geometry union = Region.union(kept);
      for (Polygon p : cells.frame().lift(union.norm())) {
        if (p.area() > 1e-5) {
          Vec3 inside = yentra.core.geometry.InteriorPoint.of(p);
          out.add(new Free(p, inside.plus(n.times(0.02))));
        }
      }
    }
    return out;
  }

  /**
   * Whether construction lies before a point of a face, or the same face belongs to another too.
   */
  private boolean covered(int b, int[] near, Vec3 point, Vec3 n) {
    Vec3 from = point.minus(n.times(0.05));
    for (int o : near) {
      if (o == b) {
        continue;
      }
      double[] s = solids.get(o).stretches(from, n, tolerance.length() / 10);
      for (int i = 0; i + 1 < s.length; i += 2) {
        double lo = s[i] - 0.05;
        double hi = s[i + 1] - 0.05;
        boolean before = lo < gap && hi > BEFORE;
        boolean twice = o < b && Math.abs(hi) <= BEFORE;
        if (before || twice) {
          return true;
        }
      }
    }
    return false;
  }

  private void body(List<Free> cells, List<Found> out, List<String> open) {
    List<Polygon> faces = new ArrayList<>(cells.stream().map(c -> c.face.reversed()).toList());
    List<Polygon> bridged = new ArrayList<>();
    List<OpenEdges.Piece> pieces = OpenEdges.find(faces, tolerance);
    if (!pieces.isEmpty()) {
      for (Hole h : Hole.from(pieces, tolerance)) {
        Polygon lid = Polygon.of(h.outline());
        double width = 2 * lid.area() / Math.max(1e-9, lid.perimeter());
        if (h.closed() && width <= gap + tolerance.gap()) {
          bridged.add(lid);
        }
      }
      faces.addAll(turned(faces, bridged));
      pieces = OpenEdges.find(faces, tolerance);
    }
    List<Polygon> flat = CoplanarFaces.of(faces, tolerance);
    double volume = Shell.of(faces).signedVolume();
    if (volume < leastVolume) {
      return;
    }
    Box box = Shell.of(faces).box();
    if (!pieces.isEmpty()) {
      open.add(
          String.format(
              java.util.Locale.ROOT,
              "what encloses about %.1f m³ at (%.2f, %.2f, %.2f) does not meet along %.2f m of its edges",
              volume,
              box.centre().x(),
              box.centre().y(),
              box.centre().z(),
              pieces.stream().mapToDouble(OpenEdges.Piece::length).sum()));
      return;
    }
    double floor = flat.stream().filter(p -> p.tilt() > 120).mapToDouble(Polygon::area).sum();
    out.add(new Found(flat, bridged, volume, floor));
  }

  /** The lids, turned so that the area vectors come closer to cancelling. */
  private static List<Polygon> turned(List<Polygon> faces, List<Polygon> lids) {
    Vec3 missing = faces.stream().map(Polygon::areaVector).reduce(Vec3.ZERO, Vec3::plus).negated();
    List<Polygon> out = new ArrayList<>();
    for (Polygon lid : lids) {
      out.add(lid.areaVector().dot(missing) < 0 ? lid.reversed() : lid);
    }
    return out;
  }
}
