package yentra.core.geometry;

/** An affine map: the images of the three axes and of the origin. Immutable. */
public record Transform(Vec3 x, Vec3 y, Vec3 z, Vec3 origin) {
  public static final Transform IDENTITY = new Transform(Vec3.X, Vec3.Y, Vec3.Z, Vec3.ZERO);

  public static Transform translation(Vec3 d) {
    return new Transform(Vec3.X, Vec3.Y, Vec3.Z, d);
  }

  public Vec3 apply(Vec3 p) {
    return direction(p).plus(origin);
  }

  /** The image of a direction: the origin's shift is left out. */
  public Vec3 direction(Vec3 d) {
    return new Vec3(
        x.x() * d.x() + y.x() * d.y() + z.x() * d.z(),
        x.y() * d.x() + y.y() * d.y() + z.y() * d.z(),
        x.z() * d.x() + y.z() * d.y() + z.z() * d.z());
  }

  /** This map after {@code inner}. */
  public Transform after(Transform inner) {
    return new Transform(
        direction(inner.x), direction(inner.y), direction(inner.z), apply(inner.origin));
  }

  /** True when the map mirrors, so that outlines turn the other way round. */
  public boolean mirrors() {
    return x.cross(y).dot(z) < 0;
  }
}
