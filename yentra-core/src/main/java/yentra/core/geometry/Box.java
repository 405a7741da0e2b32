package yentra.core.geometry;

/** An axis-parallel box in model coordinates (metres), given by its least and greatest corner. */
public record Box(Vec3 min, Vec3 max) {
  /** A box that holds nothing; {@link #union} with it gives the other box. */
  public static final Box EMPTY =
      new Box(
          new Vec3(Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY),
          new Vec3(Double.NEGATIVE_INFINITY, Double.NEGATIVE_INFINITY, Double.NEGATIVE_INFINITY));

  public static Box of(Iterable<Vec3> points) {
    double ax = Double.POSITIVE_INFINITY, ay = ax, az = ax;
    double bx = Double.NEGATIVE_INFINITY, by = bx, bz = bx;
    for (Vec3 p : points) {
      ax = Math.min(ax, p.x());
      ay = Math.min(ay, p.y());
      az = Math.min(az, p.z());
      bx = Math.max(bx, p.x());
      by = Math.max(by, p.y());
      bz = Math.max(bz, p.z());
    }
    return new Box(new Vec3(ax, ay, az), new Vec3(bx, by, bz));
  }

  public boolean isEmpty() {
    return min.x() > max.x();
  }

  public Box union(Box o) {
    return new Box(
        new Vec3(
            Math.min(min.x(), o.min.x()),
            Math.min(min.y(), o.min.y()),
            Math.min(min.z(), o.min.z())),
        new Vec3(
            Math.max(max.x(), o.max.x()),
            Math.max(max.y(), o.max.y()),
            Math.max(max.z(), o.max.z())));
  }

  /** This box grown by {@code d} metres on every side. */
  public Box grown(double d) {
    return new Box(
        new Vec3(min.x() - d, min.y() - d, min.z() - d),
        new Vec3(max.x() + d, max.y() + d, max.z() + d));
  }

  public boolean intersects(Box o) {
    return min.x() <= o.max.x()
        && o.min.x() <= max.x()
        && min.y() <= o.max.y()
        && o.min.y() <= max.y()
        && min.z() <= o.max.z()
        && o.min.z() <= max.z();
  }

  public Vec3 centre() {
    return min.lerp(max, 0.5);
  }

  /** The length of the box's diagonal in metres; zero when it is empty. */
  public double diagonal() {
    return isEmpty() ? 0 : min.distance(max);
  }
}
