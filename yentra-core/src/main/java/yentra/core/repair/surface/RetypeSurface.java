package yentra.core.repair.surface;

import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Target;

/** Gives a surface another type. */
public record RetypeSurface(String surface, SurfaceType type) implements Repair {
  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Surface s = Target.surface(e, surface);
    if (type == null || type == SurfaceType.UNRESOLVED) {
      throw new NotApplicableException("Choose one of the standard's surface types.");
    }
    if (s.type() == type) {
      throw new NotApplicableException(
          "The surface " + surface + " is of the type " + type.words() + " already.");
    }
    // outdoor air or ground is no longer construction alone
    boolean leaves = s.exposure() == Exposure.ADIABATIC && !type.isInterior();
    return e.replacing(
        surface,
        x ->
            leaves
                ? x.withKind(BoundaryKind.REPAIRED, rules.types()).withType(type)
                : x.withType(type));
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new RetypeSurface(keys.of(surface), type);
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    String from = before.surface(surface).map(s -> s.type().words()).orElse("");
    return "Makes the "
        + naming.object(surface)
        + " of the type "
        + type.words()
        + (from.isEmpty() ? "." : " instead of " + from + ".");
  }
}
