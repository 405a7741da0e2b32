package yentra.core.repair.surface;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Side;
import yentra.core.envelope.Surface;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Plane;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Tolerance;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Reshape;
import yentra.core.repair.Target;

/**
 * Makes one interior surface of two that face each other: the first stays, with the second's space
 * as its other side; the second goes. Its openings move to the first.
 */
public record MatchSurfaces(String first, String second) implements Repair {
  /** Farthest that two faces of one construction can be apart, in metres. */
  public static final double FARTHEST = 1.0;

  private static final double SHARE = 0.95;

  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Surface a = Target.surface(e, first);
    Surface b = Target.surface(e, second);
    String problem = problem(a, b, rules.tolerance());
    if (problem != null) {
      throw new NotApplicableException(problem);
    }
    double apart = Math.abs(a.polygon().plane().distance(b.polygon().plane().point()));
    // of spaces that reach into each other a little one face does for both; a joint stays a joint
    boolean coincide =
        apart < rules.tolerance().length()
            || apart < rules.tolerance().gap() && reachesInto(e, b, a);
    Side own = coincide ? Side.of(space(a)) : Side.of(space(a), a.polygon());
    Side other = coincide ? Side.of(space(b)) : Side.of(space(b), b.polygon());
    List<Opening> openings = new ArrayList<>(a.openings());
    openings.addAll(moved(a, b));
    String construction = a.construction() != null ? a.construction() : b.construction();
    Surface joined =
        a.withSides(List.of(own, other))
            .withType(rules.types().betweenSpaces(a.polygon().tilt()))
            .withConstruction(construction)
            .withThickness(coincide ? a.thickness() : Double.valueOf(apart))
            .withOpenings(openings);
    return e.withoutSurface(second).replacing(first, x -> joined);
  }

  /** Whether a face lies on that side of another one where the other's space is. */
  private static boolean reachesInto(Envelope e, Surface face, Surface of) {
    Plane plane = of.polygon().plane();
    double inside =
        e.surfaces().stream()
            .filter(s -> s != of && s.isAdjacentTo(space(of)))
            .flatMap(s -> s.polygon().outer().stream())
            .mapToDouble(plane::distance)
            .sum();
    return inside * plane.distance(face.polygon().plane().point()) > 0;
  }

  /** Openings of the second that the first has not, in the first's plane and direction. */
  static List<Opening> moved(Surface a, Surface b) {
    List<Opening> out = new ArrayList<>();
    Plane plane = a.polygon().plane();
    for (Opening o : b.openings()) {
      boolean there =
          a.openings().stream()
              .anyMatch(
                  x ->
                      PlanarOverlay.commonArea(x.polygon(), o.polygon())
                          > 0.5 * o.polygon().area());
      if (!there) {
        Polygon moved = Polygon.of(o.polygon().outer().stream().map(plane::project).toList());
        out.add(o.withPolygon(Reshape.turned(moved, a.polygon())));
      }
    }
    return out;
  }

  private static String space(Surface s) {
    return s.sides().get(0).space();
  }

  /** Whether two surfaces face each other so that they are one. */
  public static boolean canMatch(Surface a, Surface b, Tolerance tolerance) {
    return problem(a, b, tolerance) == null;
  }

  /** Why the two cannot be matched, or null. */
  static String problem(Surface a, Surface b, Tolerance tolerance) {
    if (a.sides().size() != 1 || b.sides().size() != 1) {
      return "Each of the two surfaces must have one adjacent space; "
          + (a.sides().size() == 1 ? b.key() : a.key())
          + " has another number.";
    }
    if (space(a).equals(space(b))) {
      return "Both surfaces belong to the same space.";
    }
    Plane p = a.polygon().plane();
    Plane q = b.polygon().plane();
    double angle = p.angleTo(q);
    if (Math.min(angle, 180 - angle) > tolerance.angle()) {
      return String.format(
          Locale.ROOT,
          "The two surfaces are not parallel: %.1f° between them.",
          Math.min(angle, 180 - angle));
    }
    double apart = Math.abs(p.distance(q.point()));
    if (apart > FARTHEST) {
      return String.format(
          Locale.ROOT,
          "The two surfaces are %.2f m apart; one construction is at most %.2f m thick.",
          apart,
          FARTHEST);
    }
    double common = PlanarOverlay.commonArea(a.polygon(), b.polygon());
    double larger = Math.max(a.polygon().area(), b.polygon().area());
    if (common < SHARE * larger) {
      return String.format(
          Locale.ROOT,
          "The two surfaces cover each other only to %.0f %%; both must to at least 95 %%.",
          100 * common / larger);
    }
    return null;
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new MatchSurfaces(keys.of(first), keys.of(second));
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    Surface a = before.surface(first).orElse(null);
    Surface b = before.surface(second).orElse(null);
    if (a == null || b == null || a.sides().isEmpty() || b.sides().isEmpty()) {
      return "Matches the surfaces " + first + " and " + second + ".";
    }
    return String.format(
        Locale.ROOT,
        "Makes one %s of %.2f m² between %s and %s of two surfaces.",
        after.surface(first).map(s -> s.type().label()).orElse("surface"),
        a.polygon().area(),
        naming.space(space(a)),
        naming.space(space(b)));
  }
}
