package yentra.core.repair.opening;

import java.util.Locale;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Rules;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Target;

/** Takes an opening out. */
public record DeleteOpening(String opening) implements Repair {
  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Opening o = Target.opening(e, opening);
    Envelope without =
        e.parentOf(opening)
            .map(
                s ->
                    e.replacing(
                        s.key(),
                        x -> x.withOpenings(x.openings().stream().filter(y -> y != o).toList())))
            .orElseGet(() -> e.withOrphans(e.orphans().stream().filter(y -> y != o).toList()));
    return without.withoutNotesOn(opening, o.source().id());
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new DeleteOpening(keys.of(opening));
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    return before
        .opening(opening)
        .map(
            o ->
                String.format(
                    Locale.ROOT,
                    "Deletes the %s (%.2f m²).",
                    naming.opening(o),
                    o.polygon().area()))
        .orElse("Deletes the opening " + opening + ".");
  }
}
