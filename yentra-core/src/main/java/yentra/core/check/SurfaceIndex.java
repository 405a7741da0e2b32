package yentra.core.check;

import java.util.List;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Box;
import yentra.core.geometry.BoxIndex;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Plane;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;

/** Finds surfaces by their place, numbered in the envelope's order. */
final class SurfaceIndex {
  private static final double ANGLE = 1;

  private final CheckContext context;
  private final List<Surface> surfaces;
  private final BoxIndex index;

  SurfaceIndex(CheckContext context) {
    this.context = context;
    this.surfaces = context.envelope().surfaces();
    this.index = new BoxIndex(surfaces.stream().map(s -> s.polygon().box()).toList());
  }

  int[] near(Box box) {
    return index.meeting(box);
  }

  /** Takes two surfaces in one plane. */
  interface Pair {
    void of(Surface a, Surface b);
  }

  /** Surfaces that lie in one plane and meet, whichever way they face; each pair once, in order. */
  void coplanar(double reach, Pair each) {
    for (int i = 0; i < surfaces.size(); i++) {
      for (int j : near(surfaces.get(i).polygon().box().grown(reach))) {
        if (j > i && parallel(i, j, reach)) {
          each.of(surfaces.get(i), surfaces.get(j));
        }
      }
    }
  }

  /** The polygon, turned out of the first space where that can be told. */
  Polygon outward(int i) {
    return context.outward(surfaces.get(i));
  }

  /** Whether two surfaces are parallel and their planes at most so far apart. */
  boolean parallel(int i, int j, double reach) {
    Polygon a = surfaces.get(i).polygon();
    Polygon b = surfaces.get(j).polygon();
    if (a.normal().equals(Vec3.ZERO) || b.normal().equals(Vec3.ZERO)) {
      return false;
    }
    Plane p = a.plane();
    double angle = p.angleTo(b.plane());
    if (Math.min(angle, 180 - angle) > ANGLE) {
      return false;
    }
    return b.outer().stream().allMatch(v -> Math.abs(p.distance(v)) <= reach);
  }

  /**
   * Whether two surfaces in one place are one too many: both of one space, or between the same
   * spaces, but not the two sides of a pair, and not a wall that two spaces each call exterior.
   */
  boolean rivals(Surface a, Surface b) {
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
  boolean between(int i, int j, double apart) {
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
