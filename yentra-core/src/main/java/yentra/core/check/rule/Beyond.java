package yentra.core.check.rule;

import java.util.List;
import java.util.Optional;
import java.util.stream.StreamSupport;
import yentra.core.boundary.SpaceVolume;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Side;
import yentra.core.envelope.Surface;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;

/**
 * What the model proves of the other side of a face: that nothing of the building lies behind it,
 * or the one face of another space that lies in its place. What is proven needs no judgement.
 */
public final class Beyond {
  /** Two faces look along one line up to this angle, degrees. */
  private static final double ALONG = 10;

  /** What covers less of a face than this share does not lie behind it. */
  private static final double TOUCHES = 0.01;

  /** Two outlines are one from this share of the larger on. */
  private static final double SAME = 0.95;

  private Beyond() {}

  /**
   * Whether no face of another space lies behind, as far as a wall is thick.
   *
   * @param face of the space, turned out of it
   * @param space its key
   */
  public static boolean isFree(CheckContext c, Polygon face, String space) {
    double reach = c.limits().of(MatchRemedies.CODE, MatchRemedies.DISTANCE);
    double gap = c.tolerance().gap();
    for (Surface x : c.near(face.box().grown(reach))) {
      for (int i = 0; i < x.sides().size() && !x.type().isShading(); i++) {
        Polygon f = x.face(i);
        boolean other = !x.sides().get(i).space().equals(space) && isThere(c, x.sides().get(i));
        if (other && isAlong(face, f)) {
          double d = face.plane().distance(f.mean());
          if (d > -gap
              && d < reach
              && PlanarOverlay.commonArea(face, f) > TOUCHES * Math.min(face.area(), f.area())) {
            return false;
          }
        }
      }
    }
    return face.area() > 0;
  }

  /**
   * The surface of one other space, and of no second one that is there, that lies in the face's
   * place; none when there are several.
   *
   * @param face of the space, turned out of it
   */
  public static Optional<Surface> partner(CheckContext c, Polygon face, String space) {
    double gap = c.tolerance().gap();
    List<Surface> all =
        c.near(face.box().grown(gap)).stream()
            .filter(x -> !x.type().isShading())
            .filter(x -> x.sides().stream().filter(s -> isThere(c, s)).count() == 1)
            .filter(x -> !x.isAdjacentTo(space))
            .filter(x -> isSame(face, x.polygon(), gap))
            .toList();
    return all.size() == 1 ? Optional.of(all.get(0)) : Optional.empty();
  }

  /** The space that a surface of one space has. */
  public static String spaceOf(CheckContext c, Surface s) {
    return s.sides().stream().filter(x -> isThere(c, x)).map(Side::space).findFirst().orElseThrow();
  }

  /** The other space that has a hole in the face's place; none when there are several. */
  public static Optional<String> openTo(CheckContext c, Polygon face, String space) {
    double gap = c.tolerance().gap();
    List<String> all =
        StreamSupport.stream(c.volumes().all().spliterator(), false)
            .filter(v -> !v.space().key().equals(space) && !v.enclosed())
            .filter(v -> holes(v).stream().anyMatch(h -> isSame(face, h, gap)))
            .map(v -> v.space().key())
            .toList();
    return all.size() == 1 ? Optional.of(all.get(0)) : Optional.empty();
  }

  private static List<Polygon> holes(SpaceVolume v) {
    return v.holes().stream().map(h -> Polygon.of(h.outline())).toList();
  }

  private static boolean isThere(CheckContext c, Side s) {
    return c.envelope().space(s.space()).isPresent();
  }

  private static boolean isAlong(Polygon a, Polygon b) {
    if (b.normal().equals(Vec3.ZERO)) {
      return false;
    }
    double angle = a.plane().angleTo(b.plane());
    return Math.min(angle, 180 - angle) < ALONG;
  }

  /** Whether two outlines lie in one place and cover each other. */
  public static boolean isSame(Polygon a, Polygon b, double gap) {
    return isAlong(a, b)
        && a.box().grown(gap).intersects(b.box())
        && Math.abs(a.plane().distance(b.mean())) <= gap
        && PlanarOverlay.commonArea(a, b) >= SAME * Math.max(a.area(), b.area());
  }
}
