package yentra.core.ifc;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LinearRing;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.RobustOverlay;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;

/**
 * A face on a cylinder as flat strips. The face's rings are unrolled (angle, height), cut at the
 * angles of their vertices, and rolled up again: each strip then has vertices on two lines of the
 * cylinder only, so it is flat.
 */
final class CylinderStrips {
  private static final GeometryFactory FACTORY = new GeometryFactory();
  private static final double SAME_ANGLE = 1e-6;
  private final Transform axes;
  private final double radius;
  private final boolean outwards;

  CylinderStrips(Transform axes, double radius, boolean outwards) {
    this.axes = axes;
    this.radius = radius;
    this.outwards = outwards;
  }

  List<Polygon> of(List<List<Vec3>> rings, int face) throws IfcGeometryException {
    Geometry unrolled = unrolled(rings, face);
    TreeSet<Double> angles = new TreeSet<>();
    for (Coordinate c : unrolled.getCoordinates()) {
      Double below = angles.floor(c.x + SAME_ANGLE);
      if (below == null || c.x - below > SAME_ANGLE) {
        angles.add(c.x);
      }
    }
    List<Polygon> out = new ArrayList<>();
    Envelope box = unrolled.getEnvelopeInternal();
    Double before = null;
    for (double a : angles) {
      if (before != null) {
        Geometry strip =
            FACTORY.toGeometry(new Envelope(before, a, box.getMinY() - 1, box.getMaxY() + 1));
        Geometry piece = RobustOverlay.intersection(unrolled, strip);
        roll(piece, out);
      }
      before = a;
    }
    return out;
  }

  private Geometry unrolled(List<List<Vec3>> rings, int face) throws IfcGeometryException {
    List<List<Coordinate>> flat = new ArrayList<>();
    List<List<Coordinate>> round = new ArrayList<>();
    for (List<Vec3> ring : rings) {
      List<Coordinate> c = unrolled(ring);
      double turn = c.get(c.size() - 1).x - c.get(0).x;
      (Math.abs(turn) > Math.PI ? round : flat).add(c);
    }
    if (round.size() == 2) {
      // two circles without a seam: what lies between them
      List<Coordinate> shell = new ArrayList<>(round.get(0));
      List<Coordinate> back = round.get(1);
      double shift = shell.get(shell.size() - 1).x;
      boolean against =
          back.get(back.size() - 1).x - back.get(0).x > 0 == shift - shell.get(0).x > 0;
      if (against) {
        java.util.Collections.reverse(back);
      }
      double move = shift - back.get(0).x;
      back.forEach(c -> shell.add(new Coordinate(c.x + move, c.y)));
      flat.add(0, shell);
    } else if (!round.isEmpty() || flat.isEmpty()) {
      throw new IfcGeometryException(
          "The bounds of the cylindrical face #" + face + " do not close");
    }
    LinearRing[] holes = new LinearRing[flat.size() - 1];
    for (int i = 1; i < flat.size(); i++) {
      holes[i - 1] = closed(flat.get(i));
    }
    Geometry g = FACTORY.createPolygon(closed(flat.get(0)), holes);
    return g.isValid() ? g : org.locationtech.jts.geom.util.GeometryFixer.fix(g);
  }

  /** Angle and height of each vertex, the angle running on without jumps; the first comes again. */
  private List<Coordinate> unrolled(List<Vec3> ring) {
    List<Coordinate> out = new ArrayList<>();
    double last = 0;
    for (int i = 0; i <= ring.size(); i++) {
      Vec3 d = ring.get(i % ring.size()).minus(axes.origin());
      double a = Math.atan2(d.dot(axes.y()), d.dot(axes.x()));
      if (i > 0) {
        double step = (a - last) % (2 * Math.PI);
        step = step > Math.PI ? step - 2 * Math.PI : step <= -Math.PI ? step + 2 * Math.PI : step;
        a = last + step;
      }
      out.add(new Coordinate(a, d.dot(axes.z())));
      last = a;
    }
    return out;
  }

  private static LinearRing closed(List<Coordinate> c) throws IfcGeometryException {
    List<Coordinate> ring = new ArrayList<>(c);
    if (!ring.get(0).equals2D(ring.get(ring.size() - 1))) {
      ring.add(ring.get(0).copy());
    }
    if (ring.size() < 4) {
      throw new IfcGeometryException("A cylindrical face has fewer than three corners");
    }
    return FACTORY.createLinearRing(ring.toArray(Coordinate[]::new));
  }

  private void roll(Geometry piece, List<Polygon> out) {
    for (int i = 0; i < piece.getNumGeometries(); i++) {
      if (piece.getGeometryN(i) instanceof org.locationtech.jts.geom.Polygon p && !p.isEmpty()) {
        Coordinate[] c = p.getExteriorRing().getCoordinates();
        List<Vec3> ring = new ArrayList<>();
        for (int k = 0; k < c.length - 1; k++) {
          ring.add(
              axes.apply(new Vec3(radius * Math.cos(c[k].x), radius * Math.sin(c[k].x), c[k].y)));
        }
        Polygon strip = Polygon.of(ring);
        Vec3 away = strip.mean().minus(axes.origin());
        away = away.minus(axes.z().times(away.dot(axes.z())));
        out.add(strip.areaVector().dot(away) > 0 == outwards ? strip : strip.reversed());
      }
    }
  }
}
