package yentra.core.repair.space;

import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Target;

/** Takes a space out: what only it had goes with it, what it shared is the other space's alone. */
public record DeleteSpace(String space) implements Repair {
  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Target.space(e, space);
    return e.within(k -> !k.equals(space)).withoutNotesOn(space, space);
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new DeleteSpace(keys.of(space));
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    return "Deletes the space " + naming.space(space) + ".";
  }
}
