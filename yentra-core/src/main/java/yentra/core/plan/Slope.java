package yentra.core.plan;

import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.algorithm.Orientation;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.LinearRing;
import org.locationtech.jts.geom.Polygon;
import yentra.core.geometry.Vec3;

/**
 * A plane over the plan that is not upright: z = a·x + b·y + c, in metres.
 *
 * @param a rise along x
 * @param b rise along y
 * @param c height at the drawing's origin
 */
record Slope(double a, double b, double c) {
  static Slope level(double z) {
    return new Slope(0, 0, z);
  }

  /** The plane that is {@code z} high on a line and rises with the distance from it. */
  static Slope rising(double nx, double ny, double distance, double rise, double z) {
    return new Slope(nx * rise, ny * rise, z - distance * rise);
  }

  boolean isLevel() {
    return a == 0 && b == 0;
  }

  double at(Coordinate p) {
    return a * p.x + b * p.y + c;
  }

  boolean equals(Slope o, double slope, double height) {
    return Math.abs(a - o.a) < slope && Math.abs(b - o.b) < slope && Math.abs(c - o.c) < height;
  }

  /**
   * A part of the plan lifted onto this plane.
   *
   * @param up true to face upwards
   */
  yentra.core.geometry.Polygon lift(Polygon plan, boolean up) {
    List<List<Vec3>> holes = new ArrayList<>();
    for (int h = 0; h < plan.getNumInteriorRing(); h++) {
      holes.add(lift(plan.getInteriorRingN(h), !up));
    }
    return new yentra.core.geometry.Polygon(lift(plan.getExteriorRing(), up), holes);
  }

  private List<Vec3> lift(LinearRing ring, boolean counterClockwise) {
    Coordinate[] c = ring.getCoordinates();
    boolean ccw = Orientation.isCCW(c);
    List<Vec3> out = new ArrayList<>(c.length - 1);
    for (int i = 0; i < c.length - 1; i++) {
      Coordinate p = c[ccw == counterClockwise ? i : c.length - 1 - i];
      out.add(new Vec3(p.x, p.y, at(p)));
    }
    return out;
  }
}
