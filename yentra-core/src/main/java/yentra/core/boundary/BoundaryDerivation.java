package yentra.core.boundary;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import yentra.core.boundary.Surroundings.Behind;
import yentra.core.boundary.Surroundings.Face;
import yentra.core.boundary.Surroundings.Near;
import yentra.core.boundary.Surroundings.Sight;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.envelope.Uncovered;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.RobustOverlay;
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
  public record Derived(
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

  /**
   * @param whole the face was not cut up, since too much lies before it
   */
  private record Regions(boolean whole, PlaneFrame frame, List<Region> list) {}

  public Derived derive(BoundaryMatching.Constructions constructions) {
    return derive(constructions, Watch.NONE);
  }

  /**
   * The same, watched.
   *
   * @throws java.util.concurrent.CancellationException when the watch gives up
   */
  public Derived derive(BoundaryMatching.Constructions constructions, Watch watch) {
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
    List<SurfaceDraft> drafts = new ArrayList<>();
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
          drafts.add(new SurfaceDraft(r, f, here.frame, null, r.outline()));
        } else if (f.number() < r.target()) {
          pair(f, here.frame, r, around.face(r.target()), all, taken, drafts);
        }
      }
    }
    for (Face f : around.faces()) {
      unpaired(f, all.get(f.number()), taken.getOrDefault(f.number(), List.of()), around, drafts);
    }
    return surfaces(
        options.absorb() ? SurfaceDraft.withEdges(drafts) : drafts,
        around,
        constructions,
        watch.part(FACES, 1));
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
      List<SurfaceDraft> drafts) {
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
      drafts.add(new SurfaceDraft(r, f, frame, g, r.outline()));
      return;
    }
    for (Polygon part : there.frame.lift(common)) {
      org.locationtech.jts.geom.Polygon own = frame.project(part);
      if (own.getArea() > slack) {
        taken.computeIfAbsent(g.number(), k -> new ArrayList<>()).add(there.frame.project(part));
        taken.computeIfAbsent(f.number(), k -> new ArrayList<>()).add(own);
        drafts.add(new SurfaceDraft(r, f, frame, g, own));
      }
    }
  }

  /** What sees a face that does not see it: left for itself, and said. */
  private void unpaired(
      Face f, Regions here, List<Geometry> taken, Surroundings around, List<SurfaceDraft> drafts) {
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
              new SurfaceDraft(
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

  private Derived surfaces(
      List<SurfaceDraft> drafts,
      Surroundings around,
      BoundaryMatching.Constructions constructions,
      Watch watch) {
    OpeningProjection projection = new OpeningProjection(cuts, options, tolerance);
    Rules rules = new Rules(tolerance, types);
    DraftedSurfaces made = new DraftedSurfaces(rooms, ground, rules, projection, constructions);
    List<Surface> out = new ArrayList<>();
    List<SurfaceDraft> voids = new ArrayList<>();
    Set<String> bounding = new LinkedHashSet<>();
    for (SurfaceDraft d : drafts) {
      d.region().through().forEach(b -> bounding.add(b.element()));
      if (d.region().behind() == Behind.VOID) {
        voids.add(d);
      }
      out.add(made.of(d));
    }
    List<Opening> orphans = new ArrayList<>();
    for (Cut c : projection.left(bounding, barriers)) {
      orphans.add(projection.orphan(c, constructions));
    }
    List<Surface> shades =
        new ShadingDerivation(around.scene(), around.rooms(), ground, rules)
            .of(barriers, bounding, watch);
    return new Derived(out, shades, orphans, uncovered(voids, around), List.copyOf(problems));
  }

  /** Enclosed volumes that no space covers, each once. */
  private List<Uncovered> uncovered(List<SurfaceDraft> voids, Surroundings around) {
    UncoveredVolumes volumes = new UncoveredVolumes(around.scene(), tolerance);
    for (SurfaceDraft d : voids) {
      Vec3 n = d.face().polygon().normal();
      Coordinate c = d.frame().to2d(d.region().inside());
      Vec3 eye = d.frame().to3d(c).plus(n.times(d.region().depth() + 0.02));
      volumes.seen(rooms.get(d.face().room()).key(), eye);
    }
    return volumes.found();
  }
}
