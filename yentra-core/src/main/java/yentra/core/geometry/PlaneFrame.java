package yentra.core.geometry;

import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LinearRing;

/**
 * A right-handed frame in a plane, to work on planar polygons with JTS: {@code u} and {@code v}
 * span the plane, {@code n} is its normal. Seen against {@code n}, {@code u} to {@code v} turns
 * counter-clockwise.
 */
public record PlaneFrame(Vec3 origin, Vec3 u, Vec3 v, Vec3 n) {
  private static final GeometryFactory FACTORY = new GeometryFactory();

  /**
   * A frame of the given plane. For an upright or sloping plane {@code u} is horizontal and {@code
   * v} points up the slope, so that "left", "right", "width" and "height" are those of a person who
   * looks at the plane's outer side; for a horizontal plane {@code u} is the x axis.
   */
  public static PlaneFrame of(Plane plane) {
    Vec3 n = plane.normal();
    Vec3 u = Vec3.Z.cross(n);
    u = u.length() < 1e-9 ? Vec3.X : u.unit();
    return new PlaneFrame(plane.point(), u, n.cross(u), n);
  }

  public Coordinate to2d(Vec3 p) {
    Vec3 d = p.minus(origin);
    return new Coordinate(d.dot(u), d.dot(v));
  }

  public Vec3 to3d(Coordinate c) {
    return origin.plus(u.times(c.x)).plus(v.times(c.y));
  }

  /**
   * The polygon's orthogonal projection on this frame. It may be invalid (self-crossing) when the
   * polygon is.
   */
  public org.locationtech.jts.geom.Polygon project(Polygon polygon) {
    LinearRing[] holes = polygon.holes().stream().map(this::ring).toArray(LinearRing[]::new);
    return FACTORY.createPolygon(ring(polygon.outer()), holes);
  }

  private LinearRing ring(List<Vec3> points) {
    if (points.size() < 3) {
      return FACTORY.createLinearRing();
    }
    Coordinate[] c = new Coordinate[points.size() + 1];
    for (int i = 0; i < points.size(); i++) {
      c[i] = to2d(points.get(i));
    }
    c[points.size()] = c[0].copy();
    return FACTORY.createLinearRing(c);
  }

  /**
   * All polygons of a JTS geometry that lies in this frame, counter-clockwise about {@code n};
   * other parts are left out.
   */
  public List<Polygon> lift(Geometry g) {
    List<Polygon> out = new ArrayList<>();
    for (int i = 0; i < g.getNumGeometries(); i++) {
      if (g.getGeometryN(i) instanceof org.locationtech.jts.geom.Polygon p && !p.isEmpty()) {
        List<List<Vec3>> holes = new ArrayList<>();
        for (int h = 0; h < p.getNumInteriorRing(); h++) {
          holes.add(lift(p.getInteriorRingN(h), false));
        }
        out.add(new Polygon(lift(p.getExteriorRing(), true), holes));
      }
    }
    return out;
  }

  private List<Vec3> lift(LinearRing ring, boolean counterClockwise) {
    Coordinate[] c = ring.getCoordinates();
    boolean ccw = org.locationtech.jts.algorithm.Orientation.isCCW(c);
    List<Vec3> out = new ArrayList<>(c.length - 1);
    for (int i = 0; i < c.length - 1; i++) {
      out.add(to3d(c[ccw == counterClockwise ? i : c.length - 1 - i]));
    }
    return out;
  }
}
