package yentra.core.geometry;

/**
 * The distances below which geometry counts as equal. Passed explicitly to every operation that
 * compares geometry.
 *
 * @param length points closer than this are one point, in metres
 * @param gap a slit nowhere wider than this counts as closed, in metres
 * @param plane a point closer than this to a plane lies in it, in metres
 * @param angle two directions closer than this are parallel, in degrees
 */
public record Tolerance(double length, double gap, double plane, double angle) {
  public Tolerance {
    if (!(length > 0 && gap > 0 && plane > 0 && angle > 0)) {
      throw new IllegalArgumentException("a tolerance must be above zero");
    }
  }

  /** The product's defaults: 1 mm, 10 mm, 5 mm, 1 degree. */
  public static Tolerance standard() {
    return new Tolerance(0.001, 0.010, 0.005, 1.0);
  }
}
