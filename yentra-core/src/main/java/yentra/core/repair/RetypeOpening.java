package yentra.core.repair;

import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.Rules;

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
  public String describe(Envelope before, Envelope after, Naming naming) {
    return "Types the "
        + before.opening(opening).map(naming::opening).orElse("opening " + opening)
        + " "
        + (type == null ? "anew" : type.gbxml())
        + ".";
  }
}
