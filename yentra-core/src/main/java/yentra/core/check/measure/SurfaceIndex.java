package yentra.core.check.measure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicReferenceArray;
import java.util.stream.IntStream;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Box;
import yentra.core.geometry.BoxIndex;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Plane;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;
import yentra.core.work.Once;

/** Finds surfaces by their place, numbered in the envelope's order. */
public final class SurfaceIndex {
  private static final double ANGLE = 1;

  /** When more surfaces than this have changed the index is made anew. */
  private static final int MOST_LOOSE = 500;

  private final CheckContext context;
  private final List<Surface> surfaces;

  /** Number that an indexed surface has now; −1 when it is gone or has changed. */
  private final int[] now;

  /** Numbers of surfaces that are not indexed. */
  private final List<Integer> more;

  private final List<Surface> indexed;
  private final BoxIndex index;
  private final AtomicReferenceArray<Plane> planes;
  private final Map<Double, Once<List<int[]>>> pairs = new ConcurrentHashMap<>();

  SurfaceIndex(CheckContext context) {
    this.context = context;
    this.surfaces = context.envelope().surfaces();
    this.planes = new AtomicReferenceArray<>(surfaces.size());
    this.indexed = surfaces;
    this.now = null;
    this.more = List.of();
    this.index = new BoxIndex(surfaces.stream().map(s -> s.polygon().box()).toList());
  }

  /** The index of an envelope that differs a little from another: that one's, and what is new. */
  SurfaceIndex(CheckContext context, SurfaceIndex before, Changes changes) {
    this.context = context;
    this.surfaces = context.envelope().surfaces();
    this.planes = new AtomicReferenceArray<>(surfaces.size());
    int[] places = new int[before.indexed.size()];
    boolean[] known = new boolean[surfaces.size()];
    for (int i = 0; i < places.length; i++) {
      int was = before.now == null ? i : before.now[i];
      places[i] = was < 0 ? -1 : changes.now(was);
      if (places[i] >= 0) {
        known[places[i]] = true;
      }
    }
    List<Integer> loose = new ArrayList<>();
    for (int i = 0; i < known.length; i++) {
      if (!known[i]) {
        loose.add(i);
      }
    }
    boolean fresh = loose.size() > MOST_LOOSE;
    this.indexed = fresh ? surfaces : before.indexed;
    this.now = fresh ? null : places;
    this.more = fresh ? List.of() : loose;
    this.index =
        fresh ? new BoxIndex(surfaces.stream().map(s -> s.polygon().box()).toList()) : before.index;
  }

  public int[] near(Box box) {
    int[] found = index.meeting(box);
    if (now == null) {
      return found;
    }
    return IntStream.concat(
            Arrays.stream(found).map(i -> now[i]).filter(i -> i >= 0),
            more.stream()
                .mapToInt(i -> i)
                .filter(i -> !box.isEmpty() && surfaces.get(i).polygon().box().intersects(box)))
        .sorted()
        .toArray();
  }

  /** Takes two surfaces in one plane. */
  public interface Pair {
    void of(Surface a, Surface b);
  }

  /**
   * Surfaces that lie in one plane and meet, whichever way they face, one of each pair in focus;
   * each pair once, the first in order first.
   */
  public void coplanar(Focus focus, double reach, Pair each) {
    for (int[] p : focus.isAll() ? coplanar(reach) : coplanar(focus, reach)) {
      each.of(surfaces.get(p[0]), surfaces.get(p[1]));
    }
  }

  /** All pairs; several checks ask for the same ones. */
  private List<int[]> coplanar(double reach) {
    return pairs
        .computeIfAbsent(reach, r -> new Once<>(() -> coplanar(Focus.all(context), r)))
        .get();
  }

  private List<int[]> coplanar(Focus focus, double reach) {
    return Arrays.stream(focus.surfaces())
        .parallel()
        .boxed()
        .flatMap(
            i ->
                Arrays.stream(near(surfaces.get(i).polygon().box().grown(reach)))
                    .filter(j -> focus.isFirst(i, j))
                    .filter(j -> parallel(Math.min(i, j), Math.max(i, j), reach))
                    .mapToObj(j -> new int[] {Math.min(i, j), Math.max(i, j)}))
        .toList();
  }

  /** The polygon, turned out of the first space where that can be told. */
  public Polygon outward(int i) {
    return context.outward(surfaces.get(i));
  }

  /** Worked out when first asked for; two threads may both do so, and find the same. */
  private Plane plane(int i) {
    Plane p = planes.get(i);
    if (p == null) {
      p = surfaces.get(i).polygon().plane();
      planes.set(i, p);
    }
    return p;
  }

  /** Whether two surfaces are parallel and their planes at most so far apart. */
  public boolean parallel(int i, int j, double reach) {
    Plane p = plane(i);
    Plane q = plane(j);
    if (p.normal().equals(Vec3.ZERO) || q.normal().equals(Vec3.ZERO)) {
      return false;
    }
    double angle = p.angleTo(q);
    if (Math.min(angle, 180 - angle) > ANGLE) {
      return false;
    }
    return surfaces.get(j).polygon().outer().stream()
        .allMatch(v -> Math.abs(p.distance(v)) <= reach);
  }

  /**
   * Whether two surfaces in one place are one too many: both of one space, or between the same
   * spaces, but not the two sides of a pair, and not a wall that two spaces each call exterior.
   */
  public boolean rivals(Surface a, Surface b) {
    if (a.type().isShading() || b.type().isShading()) {
      return false;
    }
    if (a.sides().size() >= 2 && b.sides().size() >= 2) {
      String a0 = a.sides().get(0).space();
      String a1 = a.sides().get(1).space();
      String b0 = b.sides().get(0).space();
      String b1 = b.sides().get(1).space();
      return !(a0.equals(b1) && a1.equals(b0))
          && (a0.equals(b0) || a1.equals(b1) || a0.equals(b1) || a1.equals(b0));
    }
    boolean halves =
        a.type().isInterior()
            && b.type().isInterior()
            && a.exposure() != Exposure.ADIABATIC
            && b.exposure() != Exposure.ADIABATIC;
    return halves || a.sides().stream().anyMatch(s -> b.isAdjacentTo(s.space()));
  }

  /** Whether a third surface lies between two that face each other. */
  public boolean between(int i, int j, double apart) {
    Polygon a = outward(i);
    Plane p = a.plane();
    for (int k : near(a.box().grown(apart))) {
      if (k == i || k == j) {
        continue;
      }
      Polygon c = surfaces.get(k).polygon();
      if (c.normal().equals(Vec3.ZERO)) {
        continue;
      }
      double at = p.distance(c.mean());
      double angle = p.angleTo(c.plane());
      if (at > 0.01
          && at < apart - 0.01
          && Math.min(angle, 180 - angle) < ANGLE
          && PlanarOverlay.commonArea(a, c) > 0.5 * Math.min(a.area(), c.area())) {
        return true;
      }
    }
    return false;
  }
}
