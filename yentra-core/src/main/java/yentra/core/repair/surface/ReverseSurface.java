package yentra.core.repair.surface;

import java.util.List;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Side;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Target;

/** Turns a surface's outline the other way round, and its openings with it. */
public record ReverseSurface(String surface) implements Repair {
  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Surface s = Target.surface(e, surface);
    Polygon turned = s.polygon().reversed();
    Vec3 outward = turned.normal();
    List<Side> sides =
        s.sides().stream()
            .map(
                side -> {
                  boolean first = side == s.sides().get(0);
                  boolean wrong =
                      side.face() != null
                          && side.face().normal().dot(outward) * (first ? 1 : -1) < 0;
                  return wrong ? side.withFace(side.face().reversed()) : side;
                })
            .toList();
    List<Opening> openings =
        s.openings().stream().map(o -> o.withPolygon(aligned(o.polygon(), outward))).toList();
    return e.replacing(surface, x -> x.withPolygon(turned, sides).withOpenings(openings));
  }

  private static Polygon aligned(Polygon p, Vec3 normal) {
    return p.normal().dot(normal) < 0 ? p.reversed() : p;
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new ReverseSurface(keys.of(surface));
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    return "Turns the outline of the " + naming.object(surface) + " so that it faces out.";
  }
}
