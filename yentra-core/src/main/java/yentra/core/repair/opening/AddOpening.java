package yentra.core.repair.opening;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
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
 * Adds an opening to a surface.
 *
 * @param outline corners in order, in either direction; they are taken onto the surface's plane
 */
public record AddOpening(String surface, List<Vec3> outline, OpeningType type) implements Repair {
  public AddOpening {
    outline = outline == null ? List.of() : List.copyOf(outline);
  }

  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Surface s = Target.surface(e, surface);
    if (type == null || type == OpeningType.UNRESOLVED) {
      throw new NotApplicableException("Say what kind of opening it is.");
    }
    Polygon p = placed(s, outline, rules.tolerance());
    List<Opening> openings = new ArrayList<>(s.openings());
    openings.add(made(new Keys(e).free("op_" + surface + "_"), type, p));
    return e.replacing(surface, x -> x.withOpenings(openings));
  }

  static Opening made(String key, OpeningType type, Polygon p) {
    return Opening.of(key, type, p);
  }

  /** The outline in the surface's plane and direction. */
  static Polygon placed(Surface s, List<Vec3> outline, Tolerance tolerance)
      throws NotApplicableException {
    if (s.polygon().area() == 0) {
      throw new NotApplicableException("The surface has no area.");
    }
    Plane plane = s.polygon().plane();
    Polygon p = Reshape.outline(outline.stream().map(plane::project).toList(), tolerance);
    return Reshape.turned(p, s.polygon());
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new AddOpening(keys.of(surface), outline, type);
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    return String.format(
        Locale.ROOT,
        "Adds a %s of %.2f m² to the %s.",
        type == null ? "opening" : type.label(),
        outline.size() < 3 ? 0 : Polygon.of(outline).area(),
        before.surface(surface).map(naming::surface).orElse("surface " + surface));
  }
}
