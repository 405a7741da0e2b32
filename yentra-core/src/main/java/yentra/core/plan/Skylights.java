package yentra.core.plan;

import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.operation.buffer.BufferOp;
import org.locationtech.jts.operation.buffer.BufferParameters;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Triangulation;
import yentra.core.geometry.Vec3;

/**
 * Rooflights of a share of a roof: the roof's own outline made smaller. A convex outline shrinks
 * about its middle; another one moves its sides inwards, or, where that falls apart, each of the
 * triangles that it is made of shrinks.
 */
final class Skylights {
  private static final BufferParameters MITRED =
      new BufferParameters(1, BufferParameters.CAP_FLAT, BufferParameters.JOIN_MITRE, 100);

  /** A rooflight narrower than this is none, m. */
  private static final double NARROWEST = 0.1;

  private static final double SMALLEST = 0.05;

  /** Of the distance that is looked for: to a millionth of a micrometre. */
  private static final int HALVINGS = 50;

  private Skylights() {}

  /** The rooflights, turned as the roof. */
  static List<Polygon> of(Polygon roof, double ratio) {
    if (roof.area() * ratio < SMALLEST) {
      return List.of();
    }
    PlaneFrame frame = PlaneFrame.of(roof.plane());
    Geometry flat = frame.project(roof);
    double hull = flat.convexHull().getArea();
    if (roof.holes().isEmpty() && hull - flat.getArea() < 1e-6 * hull) {
      return List.of(shrunk(roof.outer(), roof.mean(), Math.sqrt(ratio)));
    }
    Geometry inset = inset(flat, flat.getArea() * ratio);
    if (inset instanceof org.locationtech.jts.geom.Polygon p
        && p.getNumInteriorRing() == 0
        && 2 * p.getArea() / p.getLength() > NARROWEST) {
      return frame.lift(p);
    }
    List<Polygon> out = new ArrayList<>();
    for (Vec3[] t : Triangulation.of(roof)) {
      Polygon part = Polygon.of(t);
      if (part.area() * ratio > SMALLEST) {
        Polygon small = shrunk(part.outer(), part.mean(), Math.sqrt(ratio));
        out.add(small.normal().dot(roof.normal()) > 0 ? small : small.reversed());
      }
    }
    return out;
  }

  private static Polygon shrunk(List<Vec3> ring, Vec3 about, double factor) {
    return Polygon.of(ring.stream().map(p -> about.lerp(p, factor)).toList());
  }

  /** The outline with its sides moved inwards until it has an area. */
  private static Geometry inset(Geometry flat, double area) {
    double near = 0;
    double far = Math.sqrt(flat.getArea());
    for (int i = 0; i < HALVINGS; i++) {
      double d = (near + far) / 2;
      if (BufferOp.bufferOp(flat, -d, MITRED).getArea() > area) {
        near = d;
      } else {
        far = d;
      }
    }
    return BufferOp.bufferOp(flat, -near, MITRED);
  }
}
