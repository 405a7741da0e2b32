package yentra.core.repair.surface;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Side;
import yentra.core.envelope.Surface;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;

/**
 * Joins each sliver to the surface of the same spaces beside it in its plane: that with which it
 * has the longest edge in common. The larger one's type, construction and thickness hold. Slivers
 * that stand alone in their plane stay, since without them the space would be open.
 *
 * @param area what is smaller is a sliver, in m²
 * @param width what is narrower is a sliver (twice the area over the perimeter), in metres
 */
public record AbsorbSlivers(double area, double width) implements Repair {
  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    if (!(area > 0 && width > 0)) {
      throw new NotApplicableException("The limits of a sliver must be above zero.");
    }
    List<Surface> all = new ArrayList<>(e.surfaces());
    Set<String> stay = new HashSet<>();
    int before = all.size();
    for (int i = next(all, stay); i >= 0; i = next(all, stay)) {
      Surface sliver = all.get(i);
      int host = host(sliver, all, rules.tolerance());
      if (host < 0) {
        stay.add(sliver.key());
        continue;
      }
      Surface larger = all.get(host);
      all.set(host, MergeCoplanar.joined(larger, List.of(larger, sliver), rules.tolerance()));
      all.remove(i);
    }
    if (all.size() == before) {
      throw new NotApplicableException("No sliver has a surface beside it in its plane.");
    }
    return e.withSurfaces(all);
  }

  /** The first sliver that has not been looked at. */
  private int next(List<Surface> all, Set<String> stay) {
    for (int i = 0; i < all.size(); i++) {
      if (isSliver(all.get(i)) && !stay.contains(all.get(i).key())) {
        return i;
      }
    }
    return -1;
  }

  private boolean isSliver(Surface s) {
    double a = s.polygon().area();
    return !s.sides().isEmpty()
        && !s.polygon().normal().equals(Vec3.ZERO)
        && (a < area || 2 * a < width * s.polygon().perimeter());
  }

  private static int host(Surface sliver, List<Surface> all, Tolerance tolerance) {
    List<String> spaces = sliver.sides().stream().map(Side::space).toList();
    int best = -1;
    double most = tolerance.gap();
    for (int i = 0; i < all.size(); i++) {
      Surface s = all.get(i);
      boolean fits =
          s != sliver
              && s.polygon().area() > sliver.polygon().area()
              && s.sides().stream().map(Side::space).toList().equals(spaces)
              && s.polygon().box().grown(tolerance.gap()).intersects(sliver.polygon().box())
              && onePlane(s, sliver, tolerance)
              && MergeCoplanar.joined(s, List.of(s, sliver), tolerance) != null;
      if (!fits) {
        continue;
      }
      double shared = shared(s, sliver);
      if (shared > most) {
        most = shared;
        best = i;
      }
    }
    return best;
  }

  private static boolean onePlane(Surface a, Surface b, Tolerance tolerance) {
    return a.polygon().plane().angleTo(b.polygon().plane()) < tolerance.angle()
        && b.polygon().outer().stream()
            .allMatch(v -> Math.abs(a.polygon().plane().distance(v)) < tolerance.plane());
  }

  /** Length of the edge that two surfaces have in common. */
  private static double shared(Surface a, Surface b) {
    double together =
        PlanarOverlay.union(List.of(a.polygon(), b.polygon())).stream()
            .mapToDouble(p -> p.perimeter())
            .sum();
    return (a.polygon().perimeter() + b.polygon().perimeter() - together) / 2;
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return this;
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    int n = before.surfaces().size() - after.surfaces().size();
    return String.format(
        Locale.ROOT,
        n == 1
            ? "Joins %d sliver to the surface beside it."
            : "Joins %d slivers to the surfaces beside them.",
        n);
  }
}
