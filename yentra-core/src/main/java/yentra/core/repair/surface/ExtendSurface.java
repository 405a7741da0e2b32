package yentra.core.repair.surface;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Plane;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;
import yentra.core.repair.KeyChange;
import yentra.core.repair.Keys;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Reshape;
import yentra.core.repair.Target;

/**
 * Makes a surface end at the plane of another. What reaches beyond is cut off, the larger part
 * stays; what ends before is extended: the edge next to the plane moves along the edges beside it
 * until it lies in the plane.
 */
public record ExtendSurface(String surface, String to) implements Repair {
  /** An extension farther than this is taken for a mistake, in metres. */
  private static final double FARTHEST = 5;

  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Surface s = Target.surface(e, surface);
    Plane plane = Target.surface(e, to).polygon().plane();
    double angle = s.polygon().plane().angleTo(plane);
    if (Math.min(angle, 180 - angle) < rules.tolerance().angle()) {
      throw new NotApplicableException("The two surfaces are parallel and do not meet.");
    }
    List<List<Polygon>> halves = Reshape.halves(s.polygon(), plane, rules.tolerance());
    if (!halves.get(0).isEmpty() && !halves.get(1).isEmpty()) {
      Polygon kept =
          halves.stream()
              .flatMap(List::stream)
              .max(Comparator.comparingDouble(Polygon::area))
              .orElseThrow();
      return Reshape.replaced(
          e, surface, Reshape.pieces(s, List.of(kept), new Keys(e), rules.tolerance()));
    }
    Polygon extended = extended(s.polygon(), plane, rules.tolerance());
    return e.replacing(surface, x -> Reshape.with(x, extended));
  }

  private static Polygon extended(Polygon p, Plane plane, Tolerance tolerance)
      throws NotApplicableException {
    List<Vec3> ring = p.outer();
    int n = ring.size();
    int best = -1;
    double least = Double.POSITIVE_INFINITY;
    for (int i = 0; i < n; i++) {
      double d =
          Math.abs(plane.distance(ring.get(i))) + Math.abs(plane.distance(ring.get((i + 1) % n)));
      if (d < least) {
        least = d;
        best = i;
      }
    }
    List<Vec3> out = new ArrayList<>(ring);
    int a = best;
    int b = (best + 1) % n;
    out.set(a, along(ring.get((a + n - 1) % n), ring.get(a), plane));
    out.set(b, along(ring.get((b + 1) % n), ring.get(b), plane));
    if (out.equals(ring) || least < tolerance.length()) {
      throw new NotApplicableException("The surface ends at that plane already.");
    }
    return new Polygon(out, p.holes());
  }

  /** Where the line from one point through another meets the plane. */
  private static Vec3 along(Vec3 from, Vec3 through, Plane plane) throws NotApplicableException {
    Vec3 d = through.minus(from).unit();
    double steep = d.dot(plane.normal());
    double way = Math.abs(steep) < 1e-6 ? FARTHEST + 1 : -plane.distance(through) / steep;
    if (way < -1e-9 || way > FARTHEST) {
      throw new NotApplicableException(
          String.format(
              Locale.ROOT, "The edges beside do not lead to that plane within %.0f m.", FARTHEST));
    }
    return through.plus(d.times(way));
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new ExtendSurface(keys.of(surface), keys.of(to));
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    return "Makes the "
        + before.surface(surface).map(naming::surface).orElse("surface " + surface)
        + " end at the plane of the "
        + before.surface(to).map(naming::surface).orElse("surface " + to)
        + ".";
  }
}
