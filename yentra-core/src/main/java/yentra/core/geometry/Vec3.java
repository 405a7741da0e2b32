package yentra.core.geometry;

/**
 * A point or vector in model coordinates, in metres: x east, y north (before the true-north turn),
 * z up. Immutable.
 */
public record Vec3(double x, double y, double z) {
  /**
   * Farthest coordinate that geometry is computed with, in metres: beyond it doubles no longer tell
   * millimetres apart.
   */
  public static final double FARTHEST = 1e10;

  public static final Vec3 ZERO = new Vec3(0, 0, 0);
  public static final Vec3 X = new Vec3(1, 0, 0);
  public static final Vec3 Y = new Vec3(0, 1, 0);
  public static final Vec3 Z = new Vec3(0, 0, 1);

  public Vec3 plus(Vec3 o) {
    return new Vec3(x + o.x, y + o.y, z + o.z);
  }

  public Vec3 minus(Vec3 o) {
    return new Vec3(x - o.x, y - o.y, z - o.z);
  }

  public Vec3 times(double k) {
    return new Vec3(x * k, y * k, z * k);
  }

  public Vec3 negated() {
    return new Vec3(-x, -y, -z);
  }

  public double dot(Vec3 o) {
    return x * o.x + y * o.y + z * o.z;
  }

  public Vec3 cross(Vec3 o) {
    return new Vec3(y * o.z - z * o.y, z * o.x - x * o.z, x * o.y - y * o.x);
  }

  public double length() {
    return Math.sqrt(dot(this));
  }

  public double distance(Vec3 o) {
    return minus(o).length();
  }

  /** The point at parameter {@code t} on the way to {@code o}: 0 is this point, 1 the other. */
  public Vec3 lerp(Vec3 o, double t) {
    return new Vec3(x + (o.x - x) * t, y + (o.y - y) * t, z + (o.z - z) * t);
  }

  /**
   * This vector with length one.
   *
   * @return the unit vector, or {@link #ZERO} when this vector has no length that a double can
   *     divide by
   */
  public Vec3 unit() {
    double l = length();
    return l < 1e-300 ? ZERO : times(1 / l);
  }

  /** True when every coordinate is a number no farther from zero than {@link #FARTHEST}. */
  public boolean withinReach() {
    return Math.abs(x) <= FARTHEST && Math.abs(y) <= FARTHEST && Math.abs(z) <= FARTHEST;
  }
}
