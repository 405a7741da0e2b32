package yentra.core.boundary;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.geometry.Box;
import yentra.core.geometry.CoplanarFaces;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.ProbeScene;
import yentra.core.geometry.Shell;
import yentra.core.geometry.SolidProbe;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/**
 * Shading surfaces of construction outdoors: of what bounds no space – free walls, canopies,
 * neighbouring buildings – and of what goes on beyond the spaces that it bounds ({@link
 * Overhangs}). What is thin becomes one surface, its largest face; what is thick the few largest of
 * its faces that do not look down. Facetted bodies become their box.
 */
final class ShadingDerivation {
  /** What is at most so thick is one surface, in metres. */
  private static final double THIN = 0.5;

  private static final int MOST_FACES = 6;
  private static final double SMALLEST = 0.5;

  private final SurfaceTypes types;
  private final Tolerance tolerance;
  private final SkyView view;
  private final List<SolidProbe> rooms;
  private final Ground ground;

  /**
   * @param scene everything that blocks the view
   * @param rooms bodies of all spaces
   */
  ShadingDerivation(ProbeScene scene, List<SolidProbe> rooms, Ground ground, Rules rules) {
    this.types = rules.types();
    this.tolerance = rules.tolerance();
    this.rooms = rooms;
    this.ground = ground;
    this.view = new SkyView(scene, ground);
  }

  /**
   * The surfaces.
   *
   * @param bounding keys of the elements that bound spaces
   */
  List<Surface> of(List<Barrier> barriers, Set<String> bounding, Watch watch) {
    Runnable step = watch.steps(barriers.size());
    Overhangs overhangs = new Overhangs(rooms, barriers, view, ground, tolerance);
    List<List<Polygon>> parts =
        IntStream.range(0, barriers.size())
            .parallel()
            .mapToObj(
                i -> {
                  List<Polygon> p = shading(barriers.get(i), i, bounding, overhangs);
                  step.run();
                  return p;
                })
            .toList();
    List<Surface> out = new ArrayList<>();
    Map<String, Integer> numbers = new HashMap<>();
    for (int i = 0; i < barriers.size(); i++) {
      Barrier b = barriers.get(i);
      for (Polygon p : parts.get(i)) {
        int n = numbers.merge(b.element(), 1, Integer::sum);
        out.add(
            Surface.of(
                    "sh_" + b.element().replaceAll("[^A-Za-z0-9_]", ".") + "_" + n,
                    SurfaceType.SHADE,
                    p,
                    BoundaryKind.DERIVED_2A)
                .with()
                .name(b.source().name())
                .source(b.source())
                .element(b.source())
                .build());
      }
    }
    return out;
  }

  private List<Polygon> shading(Barrier b, int number, Set<String> bounding, Overhangs overhangs) {
    if (b.rank() == Barrier.Rank.FRAME) {
      return List.of();
    }
    if (bounding.contains(b.element())) {
      return overhangs.of(number, THIN, SMALLEST);
    }
    return outdoors(b) ? simplified(b) : List.of();
  }

  private boolean outdoors(Barrier b) {
    Box box = Shell.of(b.body()).box();
    Vec3 c = box.centre();
    for (SolidProbe r : rooms) {
      if (r.box().intersects(new Box(c, c))) {
        double[] s = r.stretches(c, Vec3.Z, tolerance.length());
        for (int i = 0; i + 1 < s.length; i += 2) {
          if (s[i] < 0 && s[i + 1] > 0) {
            return false;
          }
        }
      }
    }
    Vec3 above = new Vec3(c.x(), c.y(), box.max().z() + 0.05);
    Vec3 beside = new Vec3(box.max().x() + 0.05, c.y(), c.z());
    return !view.enclosed(above, Vec3.Z) || !view.enclosed(beside, Vec3.X);
  }

  private List<Polygon> simplified(Barrier b) {
    List<Polygon> faces =
        CoplanarFaces.of(Shell.of(b.body()).outward(tolerance.gap()).faces(), tolerance);
    if (faces.size() > 3 * MOST_FACES) {
      faces = box(Shell.of(b.body()).box());
    }
    List<Polygon> largest =
        faces.stream()
            .sorted(
                Comparator.comparingDouble(Polygon::area)
                    .reversed()
                    .thenComparing(p -> p.mean().x())
                    .thenComparing(p -> p.mean().y())
                    .thenComparing(p -> p.mean().z()))
            .toList();
    if (largest.isEmpty() || largest.get(0).area() < SMALLEST) {
      return List.of();
    }
    Polygon first = largest.get(0);
    double volume = Math.abs(Shell.of(b.body()).signedVolume());
    if (volume / first.area() <= THIN) {
      return List.of(first);
    }
    return largest.stream()
        .filter(p -> !types.isFloor(p.tilt()) && p.area() >= SMALLEST)
        .limit(MOST_FACES)
        .toList();
  }

  private static List<Polygon> box(Box b) {
    Vec3[] p = new Vec3[8];
    for (int i = 0; i < 8; i++) {
      p[i] =
          new Vec3(
              (i & 1) == 0 ? b.min().x() : b.max().x(),
              (i & 2) == 0 ? b.min().y() : b.max().y(),
              (i & 4) == 0 ? b.min().z() : b.max().z());
    }
    return List.of(
        Polygon.of(p[0], p[2], p[3], p[1]),
        Polygon.of(p[4], p[5], p[7], p[6]),
        Polygon.of(p[0], p[1], p[5], p[4]),
        Polygon.of(p[2], p[6], p[7], p[3]),
        Polygon.of(p[0], p[4], p[6], p[2]),
        Polygon.of(p[1], p[3], p[7], p[5]));
  }
}
