package yentra.core.repair.opening;

import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.Rules;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Reshape;
import yentra.core.repair.Target;

/** Gives an opening another type. Glazing data stay with what lets light through only. */
public record RetypeOpening(String opening, OpeningType type) implements Repair {
  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Opening o = Target.opening(e, opening);
    if (type == null || type == OpeningType.UNRESOLVED || type == o.type()) {
      throw new NotApplicableException("The opening has this type already.");
    }
    return Reshape.replacedOpening(e, opening, x -> x.withType(type));
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new RetypeOpening(keys.of(opening), type);
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    String what = before.opening(opening).map(naming::opening).orElse("opening " + opening);
    return type == null
        ? "Types the " + what + " anew."
        : "Makes the " + what + " of the type " + type.words() + ".";
  }
}
