package yentra.core.repair.construction;

import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Target;

/** Gives a surface a construction. */
public record AssignConstruction(String surface, String construction) implements Repair {
  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Target.surface(e, surface);
    if (e.construction(construction).isEmpty()) {
      throw new NotApplicableException("There is no construction " + construction + ".");
    }
    return e.replacing(surface, s -> s.withConstruction(construction));
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new AssignConstruction(keys.of(surface), keys.of(construction));
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    return "Gives the "
        + naming.object(surface)
        + " the construction "
        + naming.object(construction)
        + ".";
  }
}
