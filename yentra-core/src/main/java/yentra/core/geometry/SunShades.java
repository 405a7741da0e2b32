package yentra.core.geometry;

import java.util.List;

/**
 * Overhangs and fins at an upright or sloped opening, as rectangles that stand at right angles to
 * it in plan.
 */
public final class SunShades {
  private final Vec3 out;
  private final Vec3 right;
  private final Vec3 left;
  private final double low;
  private final double high;

  private SunShades(Vec3 out, Vec3 left, Vec3 right, double low, double high) {
    this.out = out;
    this.left = left;
    this.right = right;
    this.low = low;
    this.high = high;
  }

  /**
   * Of an opening whose normal looks outdoors.
   *
   * @return null when it lies level, so that nothing stands out from it
   */
  public static SunShades of(Polygon opening) {
    Vec3 n = opening.normal();
    Vec3 out = new Vec3(n.x(), n.y(), 0).unit();
    if (out.equals(Vec3.ZERO)) {
      return null;
    }
    Vec3 u = new Vec3(-out.y(), out.x(), 0);
    Vec3 at = opening.outer().get(0);
    double least = 0;
    double most = 0;
    for (Vec3 p : opening.outer()) {
      least = Math.min(least, p.minus(at).dot(u));
      most = Math.max(most, p.minus(at).dot(u));
    }
    Box box = opening.box();
    return new SunShades(
        out, at.plus(u.times(least)), at.plus(u.times(most)), box.min().z(), box.max().z());
  }

  /**
   * A level overhang along the upper edge, over the opening's width.
   *
   * @param depth m, above 0
   */
  public Polygon overhang(double depth) {
    return Polygon.of(
        level(right, high),
        level(left, high),
        level(left.plus(out.times(depth)), high),
        level(right.plus(out.times(depth)), high));
  }

  /**
   * Upright fins at both sides, over the opening's height.
   *
   * @param depth m, above 0
   */
  public List<Polygon> fins(double depth) {
    return List.of(fin(left, depth), fin(right, depth));
  }

  private Polygon fin(Vec3 p, double depth) {
    Vec3 q = p.plus(out.times(depth));
    return Polygon.of(level(p, low), level(q, low), level(q, high), level(p, high));
  }

  private static Vec3 level(Vec3 p, double z) {
    return new Vec3(p.x(), p.y(), z);
  }
}
