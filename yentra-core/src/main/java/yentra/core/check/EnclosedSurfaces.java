package yentra.core.check;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import yentra.core.boundary.Ground;
import yentra.core.boundary.SkyView;
import yentra.core.boundary.UncoveredVolumes;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Surface;
import yentra.core.envelope.Uncovered;
import yentra.core.geometry.InteriorPoint;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.ProbeScene;
import yentra.core.geometry.SolidProbe;
import yentra.core.geometry.Vec3;

/**
 * Which surfaces that are said to face outdoor air see next to nothing of sky and ground, and the
 * volumes that they look into.
 */
final class EnclosedSurfaces {
  /** How far before a surface the view is taken, in metres. */
  private static final double BEFORE = 0.02;

  private final List<Seen> all;
  private final List<Uncovered> uncovered;

  /**
   * @param share of sky and ground that it sees, 0 to 1
   */
  record Seen(Surface surface, double share, Vec3 eye) {}

  private EnclosedSurfaces(List<Seen> all, List<Uncovered> uncovered) {
    this.all = all;
    this.uncovered = uncovered;
  }

  List<Seen> all() {
    return all;
  }

  List<Uncovered> uncovered() {
    return uncovered;
  }

  static EnclosedSurfaces of(CheckContext context) {
    List<Surface> surfaces = context.envelope().surfaces();
    List<SolidProbe> probes =
        surfaces.stream()
            .filter(s -> !s.polygon().normal().equals(Vec3.ZERO))
            .map(s -> new SolidProbe(List.of(s.polygon())))
            .toList();
    ProbeScene scene = new ProbeScene(probes);
    double ground =
        surfaces.stream()
            .filter(s -> !s.polygon().outer().isEmpty())
            .mapToDouble(s -> s.polygon().box().min().z())
            .min()
            .orElse(0);
    SkyView view = new SkyView(scene, Ground.level(ground));
    SurfaceIndex index = context.index();
    List<Seen> enclosed =
        IntStream.range(0, surfaces.size())
            .parallel()
            .filter(i -> asked(surfaces.get(i)))
            .mapToObj(i -> seen(context, surfaces.get(i), index.outward(i), view))
            .filter(java.util.Objects::nonNull)
            .toList();
    UncoveredVolumes volumes = new UncoveredVolumes(scene, context.tolerance());
    for (Seen s : enclosed) {
      volumes.seen(s.surface.sides().get(0).space(), s.eye);
    }
    List<Uncovered> found = new ArrayList<>(context.envelope().uncovered());
    found.addAll(volumes.found());
    return new EnclosedSurfaces(enclosed, found);
  }

  private static boolean asked(Surface s) {
    return s.exposure() == Exposure.OUTDOOR
        && s.sides().size() == 1
        && s.kind() != BoundaryKind.DERIVED_2A
        && !s.polygon().normal().equals(Vec3.ZERO);
  }

  private static Seen seen(CheckContext context, Surface s, Polygon out, SkyView view) {
    if (context.direction(s) == 0) {
      return null;
    }
    Vec3 eye = InteriorPoint.of(out).plus(out.normal().times(BEFORE));
    if (!view.enclosed(eye, out.normal()) || coveredBySpace(context, s, eye)) {
      return null;
    }
    return new Seen(s, view.share(eye, out.normal()), eye);
  }

  /**
   * A surface that another space's surface lies on looks into that space: a pair that is not made.
   */
  private static boolean coveredBySpace(CheckContext context, Surface s, Vec3 eye) {
    String own = s.sides().get(0).space();
    for (var v : context.volumes().all()) {
      if (!v.space().key().equals(own)
          && v.enclosed()
          && v.faces().box().intersects(new yentra.core.geometry.Box(eye, eye))
          && v.faces().insideShare(eye) > 0.5) {
        return true;
      }
    }
    return false;
  }

  /** The edges of the box round a volume. */
  static List<List<Vec3>> frame(Uncovered u) {
    List<List<Vec3>> out = new ArrayList<>();
    Vec3 a = u.from();
    Vec3 b = u.to();
    for (double z : new double[] {a.z(), b.z()}) {
      out.add(
          List.of(
              new Vec3(a.x(), a.y(), z),
              new Vec3(b.x(), a.y(), z),
              new Vec3(b.x(), b.y(), z),
              new Vec3(a.x(), b.y(), z),
              new Vec3(a.x(), a.y(), z)));
    }
    for (double x : new double[] {a.x(), b.x()}) {
      for (double y : new double[] {a.y(), b.y()}) {
        out.add(List.of(new Vec3(x, y, a.z()), new Vec3(x, y, b.z())));
      }
    }
    return out;
  }
}
