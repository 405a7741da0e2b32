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

/**
 * Says that only construction lies behind a surface, so that no heat flows through it: the end of a
 * partition, a column, a pocket of masonry.
 *
 * @param type the interior type it has from now on, by its tilt; null lets its tilt decide
 */
public record MakeAdiabatic(String surface, SurfaceType type) implements Repair {
  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Surface s = Target.surface(e, surface);
    SurfaceType then = type == null ? rules.types().betweenSpaces(s.polygon().tilt()) : type;
    if (s.exposure() == Exposure.ADIABATIC) {
      throw new NotApplicableException("The surface " + surface + " is adiabatic already.");
    }
    if (s.sides().size() != 1) {
      throw new NotApplicableException(
          "Only a surface of one space can be adiabatic; this one bounds "
              + s.sides().size()
              + ".");
    }
    if (!s.openings().isEmpty()) {
      throw new NotApplicableException(
          "The surface " + surface + " has openings, which lead somewhere; delete them first.");
    }
    if (!then.isInterior()) {
      throw new NotApplicableException("An adiabatic surface has an interior type.");
    }
    return e.replacing(
        surface, x -> x.withType(then).withKind(BoundaryKind.READ_2B, rules.types()));
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new MakeAdiabatic(keys.of(surface), type);
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    return "Makes the " + naming.object(surface) + " adiabatic.";
  }
}
