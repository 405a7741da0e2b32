package yentra.core.repair.surface;

import java.util.ArrayList;
import java.util.List;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Plane;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;
import yentra.core.repair.KeyChange;
import yentra.core.repair.Keys;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Reshape;
import yentra.core.repair.Target;

/**
 * Splits a surface along the straight line through two points, which are taken onto its plane.
 * Openings that the line crosses are split as well.
 */
public record SplitSurface(String surface, Vec3 from, Vec3 to) implements Repair {
  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Surface s = Target.surface(e, surface);
    Vec3 along = from == null || to == null ? Vec3.ZERO : to.minus(from);
    Vec3 across = along.cross(s.polygon().normal());
    if (across.length() < rules.tolerance().length()) {
      throw new NotApplicableException(
          "The two points are one, or lie above each other seen from the surface.");
    }
    List<List<Polygon>> halves =
        Reshape.halves(s.polygon(), new Plane(from, across.unit()), rules.tolerance());
    if (halves.get(0).isEmpty() || halves.get(1).isEmpty()) {
      throw new NotApplicableException("The line does not cross the surface.");
    }
    List<Polygon> parts = new ArrayList<>(halves.get(0));
    parts.addAll(halves.get(1));
    return Reshape.replaced(e, surface, Reshape.pieces(s, parts, new Keys(e), rules.tolerance()));
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new SplitSurface(keys.of(surface), from, to);
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    return "Splits the "
        + before.surface(surface).map(naming::surface).orElse("surface " + surface)
        + " along a line.";
  }
}
