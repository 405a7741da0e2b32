package yentra.core.geometry;

/**
 * An oriented plane: a point in it and its unit normal.
 *
 * @param point any point of the plane, in metres
 * @param normal the unit normal
 */
public record Plane(Vec3 point, Vec3 normal) {
  /**
   * The distance of {@code p} from the plane in metres; positive on the side the normal points to.
   */
  public double distance(Vec3 p) {
    return p.minus(point).dot(normal);
  }

  public Vec3 project(Vec3 p) {
    return p.minus(normal.times(distance(p)));
  }

  public Plane reversed() {
    return new Plane(point, normal.negated());
  }

  /** The angle between the two normals in degrees, 0 to 180. */
  public double angleTo(Plane o) {
    return Math.toDegrees(Math.atan2(normal.cross(o.normal).length(), normal.dot(o.normal)));
  }
}
