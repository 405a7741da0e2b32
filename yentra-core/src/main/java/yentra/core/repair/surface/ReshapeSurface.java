package yentra.core.repair.surface;

import java.util.List;
import java.util.Locale;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Plane;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Reshape;
import yentra.core.repair.Target;

/**
 * Gives a surface another outline: corners moved, put in or taken out. Holes in the outline stay.
 *
 * @param outline the corners in order, in the direction of the surface, metres
 * @param inPlane corners are put into the surface's plane
 */
public record ReshapeSurface(String surface, List<Vec3> outline, boolean inPlane)
    implements Repair {
  public ReshapeSurface {
    outline = outline == null ? List.of() : List.copyOf(outline);
  }

  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Surface s = Target.surface(e, surface);
    List<Vec3> ring = outline;
    if (inPlane && s.polygon().area() > 0) {
      Plane plane = s.polygon().plane();
      ring = outline.stream().map(plane::project).toList();
    }
    Polygon p = new Polygon(Reshape.outline(ring, rules.tolerance()).outer(), s.polygon().holes());
    if (p.equals(s.polygon())) {
      throw new NotApplicableException("The outline is as it was.");
    }
    return e.replacing(surface, x -> Reshape.with(x, p));
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new ReshapeSurface(keys.of(surface), outline, inPlane);
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    Surface s = before.surface(surface).orElse(null);
    if (s == null) {
      return "Gives the surface " + surface + " another outline.";
    }
    return String.format(
        Locale.ROOT,
        "Gives the %s another outline: %d corners instead of %d, %.2f m² instead of %.2f m².",
        naming.surface(s),
        outline.size(),
        s.polygon().outer().size(),
        Polygon.of(outline).area(),
        s.polygon().area());
  }
}
