package yentra.core.boundary;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.locationtech.jts.geom.Geometry;
import yentra.core.envelope.Rules;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.geometry.Box;
import yentra.core.geometry.CoplanarFaces;
import yentra.core.geometry.InteriorPoint;
import yentra.core.geometry.OpenEdges;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.ProbeScene;
import yentra.core.geometry.Shell;
import yentra.core.geometry.SolidProbe;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/**
 * Finds the volumes that construction, or a soup of faces without thickness, encloses.
 *
 * <p>Method: the faces of all construction are cut into cells where others touch or come near them
 * ({@link FaceCells}). Where two faces look at each other across no more than the gap, a plug is
 * put in between. Cells with construction right before them are inside of it, the others look into
 * free air; which air is told by filling it with columns ({@link FreeAir}). The cells of one
 * enclosed air, turned round, are the faces of its body; those of plugs are what was bridged.
 *
 * <p>Faces without thickness are made larger by the gap in their own plane, so that those that stop
 * short of each other meet; cells that have the same air on both sides stick out and are dropped.
 *
 * <p>Metres, model coordinates.
 */
public final class SpaceFinder {
  /** How far before a face the air is looked for, in metres. */
  private static final double EYE = 0.02;

  /**
   * Steps and fins of this size are not those of a room: a plug reaches half as far into what it
   * joins, and so inexactly do elements meet. Metres.
   */
  private static final double STEP = 2 * GapPlugs.INTO + 1e-5;

  private final double gap;
  private final double leastVolume;
  private final SurfaceTypes types;
  private final Tolerance tolerance;
  private final Obstacles obstacles;

  /**
   * What is lower or narrower than this in the mean is a cavity, whatever its volume, in metres.
   */
  private static final double NARROW = 0.4;

  /**
   * A volume.
   *
   * @param body its faces, pointing outwards
   * @param bridged what was put in where construction does not quite meet
   * @param volume in m³
   * @param floorArea in m²
   * @param inside a point well within it
   */
  public record FoundSpace(
      List<Polygon> body, List<Polygon> bridged, double volume, double floorArea, Vec3 inside) {
    public FoundSpace {
      body = List.copyOf(body);
      bridged = List.copyOf(bridged);
    }
  }

  /**
   * @param found in the order of their lowest corners
   * @param leaks places where air that is nearly enclosed is open to outdoors
   * @param open volumes whose faces do not close, with the reason
   * @param cavities how many enclosed volumes are too small or too narrow for a room
   */
  public record FoundSpaces(
      List<FoundSpace> found, List<Vec3> leaks, List<String> open, int cavities) {}

  /**
   * @param gap slits up to this width are bridged, in metres
   * @param leastVolume what is smaller is a cavity, in m³
   */
  public SpaceFinder(List<Barrier> barriers, double gap, double leastVolume, Rules rules) {
    this(gap, leastVolume, rules);
    barriers.forEach(b -> obstacles.add(b.body(), false));
    obstacles.indexed();
  }

  private SpaceFinder(double gap, double leastVolume, Rules rules) {
    this.gap = gap;
    this.leastVolume = leastVolume;
    this.types = rules.types();
    this.tolerance = rules.tolerance();
    this.obstacles = new Obstacles(gap, tolerance);
  }

  /**
   * Finds what faces without thickness enclose, such as surfaces that name no space.
   *
   * @param gap faces that stop short of each other by up to this are taken as meeting, in metres
   * @param leastVolume what is smaller is a cavity, in m³
   */
  public static SpaceFinder ofSheets(
      List<Polygon> sheets, double gap, double leastVolume, Rules rules) {
    SpaceFinder f = new SpaceFinder(gap, leastVolume, rules);
    for (Polygon p : sheets) {
      if (p.area() > f.tolerance.length()) {
        f.obstacles.sheet(p);
      }
    }
    f.obstacles.indexed();
    return f;
  }

  /**
   * A piece of a face that looks into free air.
   *
   * @param back a place behind it where that is free air too, else null
   */
  private record Free(
      ObstacleFace face, org.locationtech.jts.geom.Polygon cell, Vec3 eye, Vec3 back) {}

  /** A flat face of a part. */
  private record ObstacleFace(int number, PlaneFrame frame, Obstacles.Obstacle part) {}

  public FoundSpaces find() {
    boolean solid = obstacles.all().stream().allMatch(p -> p.sheet() == null);
    GapPlugs plugs = new GapPlugs(obstacles, gap, tolerance);
    int given = obstacles.size();
    if (solid) {
      plugs.plug();
    }
    FoundSpaces first = search();
    if (!solid || !plugs.plugCorners(given)) {
      return first;
    }
    FoundSpaces second = search();
    return second.found.size() > first.found.size() ? second : first;
  }

  private FoundSpaces search() {
    List<Free> free =
        IntStream.range(0, obstacles.size())
            .parallel()
            .mapToObj(this::free)
            .flatMap(List::stream)
            .toList();
    FreeAir air =
        new FreeAir(
            new ProbeScene(obstacles.all().stream().map(Obstacles.Obstacle::probe).toList()),
            gap,
            tolerance);
    List<Free> order =
        free.stream()
            .sorted(Comparator.comparingDouble((Free f) -> f.cell.getArea()).reversed())
            .toList();
    // twice, since airs that were begun apart may have been joined
    order.forEach(f -> air.at(f.eye, f.face.frame.n()));
    Map<Integer, Map<ObstacleFace, List<Geometry>>> byAir = new TreeMap<>();
    for (Free f : order) {
      int a = air.at(f.eye, f.face.frame.n());
      boolean sticksOut = f.back != null && a == air.at(f.back, f.face.frame.n().negated());
      if (a >= 0 && !sticksOut) {
        byAir
            .computeIfAbsent(
                a, k -> new TreeMap<>(Comparator.comparingInt((ObstacleFace x) -> x.number)))
            .computeIfAbsent(f.face, k -> new ArrayList<>())
            .add(f.cell);
      }
    }
    List<FoundSpace> out = new ArrayList<>();
    List<String> open = new ArrayList<>();
    int cavities = 0;
    for (Map<ObstacleFace, List<Geometry>> cells : byAir.values()) {
      cavities += body(cells, out, open) ? 0 : 1;
    }
    out.sort(
        Comparator.comparingDouble((FoundSpace f) -> low(f).z())
            .thenComparingDouble(f -> low(f).x())
            .thenComparingDouble(f -> low(f).y()));
    return new FoundSpaces(out, air.leaks(), open, cavities);
  }

  /** The faces of an enclosed air, turned out of it. */
  private static List<Polygon> faces(Map<ObstacleFace, List<Geometry>> cells) {
    List<Polygon> out = new ArrayList<>();
    cells.forEach((face, list) -> out.addAll(faces(face, list)));
    return out;
  }

  private static List<Polygon> faces(ObstacleFace face, List<Geometry> cells) {
    return face.frame.lift(Region.union(cells).norm()).stream().map(Polygon::reversed).toList();
  }

  /** What of the faces was put in: those of plugs, and what goes beyond a face as it was given. */
  private List<Polygon> bridged(Map<ObstacleFace, List<Geometry>> cells) {
    List<Polygon> out = new ArrayList<>();
    cells.forEach(
        (face, list) -> {
          for (Polygon p : faces(face, list)) {
            if (face.part.plug()) {
              out.add(p);
            } else if (face.part.sheet() != null) {
              PlanarOverlay.difference(p, face.part.sheet()).stream()
                  .filter(d -> d.area() > 1e-4)
                  .forEach(out::add);
            }
          }
        });
    return out;
  }

  private static Vec3 low(FoundSpace f) {
    return Shell.of(f.body).box().min();
  }

  /** The pieces of a part's faces that look into free air. */
  private List<Free> free(int part) {
    List<Free> out = new ArrayList<>();
    int number = 0;
    for (Polygon f : obstacles.get(part).faces()) {
      if (f.area() < 1e-6) {
        continue;
      }
      int[] near = obstacles.meeting(f.box().grown(tolerance.gap()));
      FaceCells cells = obstacles.cells(f, part, near, tolerance.gap());
      ObstacleFace face =
          new ObstacleFace(part * 10_000 + number++, cells.frame(), obstacles.get(part));
      Vec3 n = f.normal();
      for (FaceCells.Cell c : cells.cells()) {
        if (c.outline().getArea() > 1e-7 && !obstacles.covered(part, near, c.inside(), n)) {
          Vec3 back = face.part.sheet() == null ? null : c.inside().minus(n.times(EYE));
          out.add(new Free(face, c.outline(), c.inside().plus(n.times(EYE)), back));
        }
      }
    }
    return out;
  }

  /** Adds the body of an enclosed air, or says what is open; false when it is but a cavity. */
  private boolean body(
      Map<ObstacleFace, List<Geometry>> cells, List<FoundSpace> out, List<String> open) {
    List<Polygon> faces = faces(cells);
    List<OpenEdges.Piece> pieces = OpenEdges.find(faces, tolerance);
    List<Polygon> flat = CoplanarFaces.of(PlaneSnap.of(faces, STEP), tolerance);
    double volume = Shell.of(faces).signedVolume();
    double largest = flat.stream().mapToDouble(Polygon::area).max().orElse(0);
    if (volume < leastVolume || volume < NARROW * largest) {
      return false;
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
      return true;
    }
    double floor =
        flat.stream().filter(p -> types.isFloor(p.tilt())).mapToDouble(Polygon::area).sum();
    out.add(new FoundSpace(flat, bridged(cells), volume, floor, inside(flat)));
    return true;
  }

  /** A point half-way above the largest floor, or before the largest face where there is none. */
  private Vec3 inside(List<Polygon> body) {
    Polygon base =
        body.stream()
            .max(
                Comparator.comparing((Polygon p) -> types.isFloor(p.tilt()))
                    .thenComparingDouble(Polygon::area))
            .orElseThrow();
    Vec3 from = InteriorPoint.of(base);
    Vec3 in = base.normal().negated();
    double across =
        new SolidProbe(body)
            .crossings(from, in).stream()
                .mapToDouble(SolidProbe.Crossing::at)
                .filter(t -> t > Obstacles.BEFORE)
                .findFirst()
                .orElse(Obstacles.BEFORE);
    return from.plus(in.times(across / 2));
  }
}
