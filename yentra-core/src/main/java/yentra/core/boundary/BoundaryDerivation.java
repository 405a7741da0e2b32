package yentra.core.boundary;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import yentra.core.boundary.Surroundings.Behind;
import yentra.core.boundary.Surroundings.Face;
import yentra.core.boundary.Surroundings.Near;
import yentra.core.boundary.Surroundings.Sight;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Side;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.envelope.Uncovered;
import yentra.core.geometry.Plane;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.RobustOverlay;
import yentra.core.geometry.Straightening;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/**
 * Derives second-level space boundaries from the bodies of spaces and elements.
 *
 * <p>Method: every flat face of a space is cut into cells by the projected edges of all that lies
 * within reach in front of it ({@link FaceCells}). From a point of each cell a line is followed
 * along the normal ({@link Surroundings}): through construction, and air no thicker than a cavity,
 * to the face of another space, to free air, ground, an enclosed volume, or construction without
 * end. Cells with the same behind them are joined ({@link Region}). Two faces that see each other
 * become one interior surface whose outline is that of the first, projected onto the plane of the
 * second, so that both sides are equal and opposite. All surfaces of a space together are its
 * body's faces.
 *
 * <p>Metres, model coordinates. The result does not depend on the order in which spaces and
 * elements are given.
 */
public final class BoundaryDerivation {
  /** Share of the time that goes into what lies behind faces; the rest is shading. */
  private static final double FACES = 0.6;

  private final List<Room> rooms;
  private final List<Barrier> barriers;
  private final List<Cut> cuts;
  private final Ground ground;
  private final DerivationOptions options;
  private final Tolerance tolerance;
  private final SurfaceTypes types;
  private final List<String> problems = new ArrayList<>();

  /**
   * @param surfaces in the order of the spaces' keys and their faces
   * @param shades of construction outdoors that bounds no space
   * @param orphans windows and doors whose element bounds a space, but which lie in no surface
   * @param unpaired what could not be derived, in sentences
   */
  public record Result(
      List<Surface> surfaces,
      List<Surface> shades,
      List<Opening> orphans,
      List<Uncovered> uncovered,
      List<String> unpaired) {}

  public BoundaryDerivation(
      List<Room> rooms,
      List<Barrier> barriers,
      List<Cut> cuts,
      Ground ground,
      DerivationOptions options,
      Tolerance tolerance) {
    this.rooms = rooms.stream().sorted(Comparator.comparing(Room::key)).toList();
    this.barriers =
        barriers.stream()
            .sorted(
                Comparator.comparing(Barrier::element).thenComparing(b -> new PointOrder(b.body())))
            .toList();
    this.cuts = cuts;
    this.ground = ground;
    this.options = options;
    this.types = options.types();
    this.tolerance = tolerance;
  }

  /** Parts of one element by the place of their first point, so that their order is fixed. */
  private record PointOrder(List<Polygon> body) implements Comparable<PointOrder> {
    @Override
    public int compareTo(PointOrder o) {
      return ORDER.compare(least(), o.least());
    }

    private Vec3 least() {
      return body.stream().flatMap(p -> p.outer().stream()).min(ORDER).orElse(Vec3.ZERO);
    }
  }

  private static final Comparator<Vec3> ORDER =
      Comparator.comparingDouble(Vec3::x).thenComparingDouble(Vec3::y).thenComparingDouble(Vec3::z);

  /** Share of a strip's long side that lies against the part of a wall beside it. */
  private static final double EDGE_BESIDE = 0.9;

  /**
   * @param whole the face was not cut up, since too much lies before it
   */
  private record Regions(boolean whole, PlaneFrame frame, List<Region> list) {}

  /**
   * A surface in the making.
   *
   * @param outline what both sides see, in the frame
   * @param own the side of the face: the outline and what it takes up beside it
   * @param other the side of the partner, likewise
   */
  private record Draft(
      Region region,
      Face face,
      PlaneFrame frame,
      Face partner,
      org.locationtech.jts.geom.Polygon outline,
      org.locationtech.jts.geom.Polygon own,
      org.locationtech.jts.geom.Polygon other) {
    Draft(
        Region region,
        Face face,
        PlaneFrame frame,
        Face partner,
        org.locationtech.jts.geom.Polygon outline) {
      this(region, face, frame, partner, outline, outline, outline);
    }

    /** Whether it is nothing but the edge of a plate, such as a ceiling that meets a partition. */
    boolean isEdge() {
      return region.behind() == Behind.CONSTRUCTION && region.sliver();
    }

    boolean isWallBetweenSpaces() {
      return partner != null && region.main() != null;
    }

    private org.locationtech.jts.geom.Polygon side(Face f) {
      return face == f ? own : other;
    }

    private Geometry here(Draft edge) {
      return frame.project(edge.frame.lift(edge.outline).get(0));
    }

    /** How far an edge runs along it, in metres. */
    double along(Draft edge) {
      Geometry strip = here(edge);
      double union = Region.union(List.of(side(edge.face), strip)).getLength();
      return (side(edge.face).getLength() + strip.getLength() - union) / 2;
    }

    /** The same with the edge on its side, or null when they do not make one polygon. */
    Draft with(Draft edge) {
      if (Region.union(List.of(side(edge.face), here(edge))).norm()
          instanceof org.locationtech.jts.geom.Polygon p) {
        return face == edge.face
            ? new Draft(region, face, frame, partner, outline, p, other)
            : new Draft(region, face, frame, partner, outline, own, p);
      }
      return null;
    }
  }

  public Result derive(BoundaryMatching.Constructions constructions) {
    return derive(constructions, Watch.NONE);
  }

  /**
   * The same, watched.
   *
   * @throws java.util.concurrent.CancellationException when the watch gives up
   */
  public Result derive(BoundaryMatching.Constructions constructions, Watch watch) {
    Surroundings around = new Surroundings(rooms, barriers, ground, options, tolerance);
    Runnable step = watch.part(0, FACES).steps(around.faces().size());
    List<Regions> all =
        around.faces().parallelStream()
            .map(
                f -> {
                  Regions r = regions(around, f);
                  step.run();
                  return r;
                })
            .toList();
    List<Draft> drafts = new ArrayList<>();
    Map<Integer, List<Geometry>> taken = new HashMap<>();
    for (Face f : around.faces()) {
      Regions here = all.get(f.number());
      if (here.whole) {
        problems.add(
            "so much lies before a face of "
                + name(f)
                + " that it was not cut up: what lies behind its middle is taken for all of it");
      }
      for (Region r : here.list) {
        if (r.behind() != Behind.SPACE) {
          drafts.add(new Draft(r, f, here.frame, null, r.outline()));
        } else if (f.number() < r.target()) {
          pair(f, here.frame, r, around.face(r.target()), all, taken, drafts);
        }
      }
    }
    for (Face f : around.faces()) {
      unpaired(f, all.get(f.number()), taken.getOrDefault(f.number(), List.of()), around, drafts);
    }
    return surfaces(
        options.absorb() ? withEdges(drafts) : drafts, around, constructions, watch.part(FACES, 1));
  }

  /**
   * The edge of a thin plate between two parts of a wall is no surface by itself: it widens the
   * side of the space that sees it, so that its shell stays closed, while what heat flows through
   * stays what both spaces see. A strip that has such a part along one side only is an end of
   * construction like any other.
   */
  private static List<Draft> withEdges(List<Draft> drafts) {
    Map<Integer, List<Integer>> walls = new HashMap<>();
    for (int i = 0; i < drafts.size(); i++) {
      Draft d = drafts.get(i);
      if (d.isWallBetweenSpaces()) {
        walls.computeIfAbsent(d.face.number(), k -> new ArrayList<>()).add(i);
        walls.computeIfAbsent(d.partner.number(), k -> new ArrayList<>()).add(i);
      }
    }
    Draft[] out = drafts.toArray(Draft[]::new);
    for (int e = 0; e < out.length; e++) {
      Draft edge = out[e];
      if (edge.isEdge()) {
        double side = EDGE_BESIDE * edge.outline.getLength() / 2;
        List<Integer> beside =
            walls.getOrDefault(edge.face.number(), List.of()).stream()
                .filter(i -> out[i].along(edge) > side)
                .toList();
        Draft wider = beside.size() < 2 ? null : out[beside.get(0)].with(edge);
        if (wider != null) {
          out[beside.get(0)] = wider;
          out[e] = null;
        }
      }
    }
    return Arrays.stream(out).filter(Objects::nonNull).toList();
  }

  private Regions regions(Surroundings around, Face f) {
    Near near = around.near(f);
    FaceCells cells =
        new FaceCells(
            f.polygon(),
            -tolerance.gap(),
            options.reach() + tolerance.gap(),
            new double[] {options.gapLimit(), options.reach()},
            tolerance.length());
    around.addEdges(f, near, cells);
    List<FaceCells.Cell> list = cells.cells();
    boolean whole = cells.tangled();
    List<Sight> sights = list.stream().map(c -> around.look(f, near, c.inside())).toList();
    List<Region> regions = Region.of(cells.frame(), list, sights);
    return new Regions(
        whole,
        cells.frame(),
        Region.absorbed(regions, options.absorb()).stream()
            .sorted(
                Comparator.comparingDouble((Region r) -> r.inside().x())
                    .thenComparingDouble(r -> r.inside().y())
                    .thenComparingDouble(r -> r.inside().z()))
            .toList());
  }

  /** Makes one surface of what two faces see of each other. */
  private void pair(
      Face f,
      PlaneFrame frame,
      Region r,
      Face g,
      List<Regions> all,
      Map<Integer, List<Geometry>> taken,
      List<Draft> drafts) {
    Regions there = all.get(g.number());
    double turned = 180 - f.polygon().plane().angleTo(g.polygon().plane());
    List<Geometry> back =
        there.list.stream()
            .filter(o -> o.behind() == Behind.SPACE && o.target() == f.number())
            .map(o -> (Geometry) o.outline())
            .toList();
    if (turned > tolerance.angle() || back.isEmpty()) {
      return;
    }
    Geometry mine = there.frame.project(frame.lift(r.outline()).get(0));
    Geometry common = RobustOverlay.intersection(mine, Region.union(back));
    double slack = tolerance.length() * r.outline().getLength();
    if (mine.getArea() - common.getArea() <= slack) {
      taken.computeIfAbsent(g.number(), k -> new ArrayList<>()).add(mine);
      taken.computeIfAbsent(f.number(), k -> new ArrayList<>()).add(r.outline());
      drafts.add(new Draft(r, f, frame, g, r.outline()));
      return;
    }
    for (Polygon part : there.frame.lift(common)) {
      org.locationtech.jts.geom.Polygon own = frame.project(part);
      if (own.getArea() > slack) {
        taken.computeIfAbsent(g.number(), k -> new ArrayList<>()).add(there.frame.project(part));
        taken.computeIfAbsent(f.number(), k -> new ArrayList<>()).add(own);
        drafts.add(new Draft(r, f, frame, g, own));
      }
    }
  }

  /** What sees a face that does not see it: left for itself, and said. */
  private void unpaired(
      Face f, Regions here, List<Geometry> taken, Surroundings around, List<Draft> drafts) {
    for (Region r : here.list) {
      if (r.behind() != Behind.SPACE) {
        continue;
      }
      Geometry left =
          taken.isEmpty()
              ? r.outline()
              : RobustOverlay.difference(r.outline(), Region.union(taken));
      for (int i = 0; i < left.getNumGeometries(); i++) {
        if (left.getGeometryN(i) instanceof org.locationtech.jts.geom.Polygon p
            && p.getArea() > Math.max(0.001, 2 * tolerance.length() * p.getLength())) {
          drafts.add(
              new Draft(
                  new Region(Behind.OVERLAP, -1, r.main(), r.through(), r.depth(), p, r.inside()),
                  f,
                  here.frame,
                  null,
                  p));
          problems.add(
              String.format(
                  java.util.Locale.ROOT,
                  "%.3f m² of a face of %s look at %s, which does not look back: what lies behind them is not resolved",
                  p.getArea(),
                  name(f),
                  name(around.face(r.target()))));
        }
      }
    }
  }

  private String name(Face f) {
    Room room = rooms.get(f.room());
    return room.source().name().isBlank() ? room.key() : room.source().name();
  }

  private Result surfaces(
      List<Draft> drafts,
      Surroundings around,
      BoundaryMatching.Constructions constructions,
      Watch watch) {
    SurfaceKeys keys = new SurfaceKeys();
    OpeningProjection projection = new OpeningProjection(cuts, options, tolerance);
    List<Surface> out = new ArrayList<>();
    List<Draft> voids = new ArrayList<>();
    Set<String> bounding = new LinkedHashSet<>();
    for (Draft d : drafts) {
      d.region.through().forEach(b -> bounding.add(b.element()));
      if (d.region.behind() == Behind.VOID) {
        voids.add(d);
      }
      out.add(surface(d, keys, projection, constructions));
    }
    List<Opening> orphans = new ArrayList<>();
    for (Cut c : projection.left(bounding, barriers)) {
      orphans.add(projection.orphan(c, constructions));
    }
    List<Surface> shades =
        new ShadingDerivation(around.scene(), around.rooms(), ground, new Rules(tolerance, types))
            .of(barriers, bounding, watch);
    return new Result(out, shades, orphans, uncovered(voids, around), List.copyOf(problems));
  }

  private Surface surface(
      Draft d,
      SurfaceKeys keys,
      OpeningProjection projection,
      BoundaryMatching.Constructions constructions) {
    Region r = d.region;
    Room room = rooms.get(d.face.room());
    Room other = d.partner == null ? null : rooms.get(d.partner.room());
    Polygon face = lifted(d.frame, d.outline);
    Barrier main = r.main();
    boolean air = r.behind() == Behind.SPACE && main == null && r.depth() <= tolerance.gap();
    String key =
        keys.of(
            "su_",
            room.key(),
            other == null ? r.behind().name() : other.key(),
            main == null ? "" : main.element());
    List<Side> sides = new ArrayList<>();
    sides.add(Side.of(room.key(), d.own == d.outline ? face : lifted(d.frame, d.own)));
    if (other != null) {
      Polygon back = d.other == d.outline ? face : lifted(d.frame, d.other);
      sides.add(Side.of(other.key(), onto(back, d.partner.polygon().plane())));
    }
    DeliveredBoundary known = boundary(key, room.key(), face, main);
    List<Opening> openings =
        air || r.behind() == Behind.CONSTRUCTION || r.behind() == Behind.OVERLAP
            ? List.of()
            : projection.in(key, room.key(), d.frame, d.outline, r, constructions);
    return Surface.of(
            key,
            air ? SurfaceType.AIR : type(r, face),
            face,
            air
                ? BoundaryKind.VIRTUAL
                : r.behind() == Behind.CONSTRUCTION
                    ? BoundaryKind.DERIVED_2B
                    : BoundaryKind.DERIVED_2A)
        .with()
        .name(main == null ? "" : main.source().name())
        .sides(sides)
        .construction(air || main == null ? null : constructions.construction(known))
        .thickness(thickness(r, other != null, constructions, known))
        .source(main == null ? room.source() : main.source())
        .element(main == null ? null : main.source())
        .openings(openings)
        .build();
  }

  private Polygon lifted(PlaneFrame frame, org.locationtech.jts.geom.Polygon outline) {
    return Straightening.of(frame.lift(outline).get(0), tolerance);
  }

  /** Of spaces that touch in the middle of a wall what its layers say. */
  private Double thickness(
      Region r,
      boolean pair,
      BoundaryMatching.Constructions constructions,
      DeliveredBoundary known) {
    if (pair && r.main() != null && r.depth() <= tolerance.gap()) {
      return constructions.thickness(known);
    }
    return pair || r.behind() == Behind.GROUND || r.behind() == Behind.OUTDOOR
        ? Double.valueOf(Math.max(0, r.depth()))
        : null;
  }

  static DeliveredBoundary boundary(String key, String space, Polygon face, Barrier main) {
    return new DeliveredBoundary(
        key,
        space,
        face,
        main == null ? null : main.source(),
        main == null ? "" : main.element(),
        "",
        DeliveredBoundary.Role.SURFACE,
        false,
        DeliveredBoundary.OtherSide.NOT_SAID,
        "",
        null);
  }

  private SurfaceType type(Region r, Polygon face) {
    double tilt = face.tilt();
    return switch (r.behind()) {
      case SPACE, CONSTRUCTION -> types.betweenSpaces(tilt);
      case OUTDOOR -> types.outdoor(tilt);
      case GROUND -> types.ground(tilt, ground.at(face.mean()) - face.box().max().z());
      case VOID, OVERLAP -> SurfaceType.UNRESOLVED;
    };
  }

  /** The polygon projected onto a plane that faces it, in the direction of that plane. */
  private static Polygon onto(Polygon p, Plane plane) {
    return new Polygon(
            p.outer().stream().map(plane::project).toList(),
            p.holes().stream().map(h -> h.stream().map(plane::project).toList()).toList())
        .reversed();
  }

  /** Enclosed volumes that no space covers, each once. */
  private List<Uncovered> uncovered(List<Draft> voids, Surroundings around) {
    UncoveredVolumes volumes = new UncoveredVolumes(around.scene(), tolerance);
    for (Draft d : voids) {
      Vec3 n = d.face.polygon().normal();
      Coordinate c = d.frame.to2d(d.region.inside());
      Vec3 eye = d.frame.to3d(c).plus(n.times(d.region.depth() + 0.02));
      volumes.seen(rooms.get(d.face.room()).key(), eye);
    }
    return volumes.found();
  }

  /** Keys that are the same for the same space, neighbour and element in every delivery. */
  private static final class SurfaceKeys {
    private final Map<String, Integer> counts = new TreeMap<>();

    String of(String prefix, String... parts) {
      String seed = String.join("|", parts);
      int n = counts.merge(seed, 1, Integer::sum);
      long h = 0xcbf29ce484222325L;
      for (char c : (seed + "|" + n).toCharArray()) {
        h = (h ^ c) * 0x100000001b3L;
      }
      return prefix + String.format(java.util.Locale.ROOT, "%016x", h);
    }
  }
}
