package yentra.core.check.measure;

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
public final class EnclosedSurfaces {
  /** How far before a surface the view is taken, in metres. */
  private static final double BEFORE = 0.02;

  /** When more has changed than this the scene is made anew. */
  private static final int MOST_LOOSE = 200;

  private final List<Seen> all;
  private final List<Uncovered> uncovered;

  /**
   * @param share of sky and ground that it sees, 0 to 1
   */
  public record Seen(Surface surface, double share, Vec3 eye) {}

  /** What the view was taken in: kept, so that little has to be taken again. */
  private final ProbeScene scene;

  /** By the surfaces' numbers; null for those without an area. */
  private final SolidProbe[] probes;

  private final double ground;

  /** Why surfaces are not enclosed, by their numbers; null for those of which that is not known. */
  private final Proof[] proofs;

  /** Lines from a place that are free. */
  private record Proof(Vec3 eye, Vec3 normal, int[] lines) {}

  private EnclosedSurfaces(
      List<Seen> all,
      List<Uncovered> uncovered,
      ProbeScene scene,
      SolidProbe[] probes,
      double ground,
      Proof[] proofs) {
    this.all = all;
    this.uncovered = uncovered;
    this.scene = scene;
    this.probes = probes;
    this.ground = ground;
    this.proofs = proofs;
  }

  public List<Seen> all() {
    return all;
  }

  public List<Uncovered> uncovered() {
    return uncovered;
  }

  static EnclosedSurfaces of(CheckContext context) {
    List<Surface> surfaces = context.envelope().surfaces();
    SolidProbe[] probes = new SolidProbe[surfaces.size()];
    List<SolidProbe> list = new ArrayList<>();
    for (int i = 0; i < probes.length; i++) {
      probes[i] = probe(surfaces.get(i));
      if (probes[i] != null) {
        list.add(probes[i]);
      }
    }
    return of(context, new ProbeScene(list), probes, ground(context), new Proof[probes.length]);
  }

  private static SolidProbe probe(Surface s) {
    return s.polygon().normal().equals(Vec3.ZERO) ? null : new SolidProbe(List.of(s.polygon()));
  }

  private static double ground(CheckContext context) {
    double least = Double.POSITIVE_INFINITY;
    for (Surface s : context.envelope().surfaces()) {
      least = Math.min(least, s.polygon().box().min().z());
    }
    return Double.isInfinite(least) ? 0 : least;
  }

  /** The same after a change; where the view cannot have changed it is not taken again. */
  EnclosedSurfaces after(CheckContext context, Changes changes) {
    double level = ground(context);
    if (changes.everything() || level != ground || scene.loose() > MOST_LOOSE) {
      return of(context);
    }
    List<Surface> surfaces = context.envelope().surfaces();
    SolidProbe[] then = new SolidProbe[surfaces.size()];
    Proof[] known = new Proof[surfaces.size()];
    List<SolidProbe> gone = new ArrayList<>();
    boolean[] kept = new boolean[surfaces.size()];
    for (int i = 0; i < probes.length; i++) {
      int now = changes.now(i);
      if (now >= 0) {
        then[now] = probes[i];
        known[now] = proofs[i];
        kept[now] = true;
      } else if (probes[i] != null) {
        gone.add(probes[i]);
      }
    }
    List<SolidProbe> come = new ArrayList<>();
    for (int i = 0; i < then.length; i++) {
      if (!kept[i]) {
        then[i] = probe(surfaces.get(i));
        if (then[i] != null) {
          come.add(then[i]);
        }
      }
    }
    for (int i : changes.local().surfaces()) {
      known[i] = null;
    }
    if (!come.isEmpty()) {
      SkyView inTheWay = new SkyView(new ProbeScene(come), Ground.level(level));
      for (int i = 0; i < known.length; i++) {
        Proof p = known[i];
        if (p != null && !inTheWay.holds(p.lines, p.eye, p.normal)) {
          known[i] = null;
        }
      }
    }
    return of(context, scene.changed(gone, come), then, level, known);
  }

  /**
   * @param proofs of surfaces that need not be looked at; those found are added
   */
  private static EnclosedSurfaces of(
      CheckContext context, ProbeScene scene, SolidProbe[] probes, double ground, Proof[] proofs) {
    List<Surface> surfaces = context.envelope().surfaces();
    SkyView view = new SkyView(scene, Ground.level(ground));
    List<Seen> enclosed =
        IntStream.range(0, surfaces.size())
            .parallel()
            .filter(i -> proofs[i] == null && asked(surfaces.get(i)))
            .mapToObj(i -> seen(context, i, context.outward(surfaces.get(i)), view, proofs))
            .filter(java.util.Objects::nonNull)
            .toList();
    UncoveredVolumes volumes = new UncoveredVolumes(scene, context.tolerance());
    for (Seen s : enclosed) {
      volumes.seen(s.surface.sides().get(0).space(), s.eye);
    }
    List<Uncovered> found = new ArrayList<>(context.envelope().uncovered());
    found.addAll(volumes.found());
    return new EnclosedSurfaces(enclosed, found, scene, probes, ground, proofs);
  }

  private static boolean asked(Surface s) {
    return s.exposure() == Exposure.OUTDOOR
        && s.sides().size() == 1
        && s.kind() != BoundaryKind.DERIVED_2A
        && !s.polygon().normal().equals(Vec3.ZERO);
  }

  private static Seen seen(
      CheckContext context, int number, Polygon out, SkyView view, Proof[] proofs) {
    Surface s = context.envelope().surfaces().get(number);
    if (context.direction(s) == 0) {
      return null;
    }
    Vec3 normal = out.normal();
    Vec3 eye = InteriorPoint.of(out).plus(normal.times(BEFORE));
    int[] lines = view.witnesses(eye, normal);
    if (lines != null) {
      proofs[number] = new Proof(eye, normal, lines);
      return null;
    }
    if (coveredBySpace(context, s, eye)) {
      return null;
    }
    return new Seen(s, view.share(eye, normal), eye);
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
  public static List<List<Vec3>> frame(Uncovered u) {
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
