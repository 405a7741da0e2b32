package yentra.core.repair.opening;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Surface;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Target;

/** Puts an opening that lies in no surface into one, onto its plane. */
public record PlaceOpening(String opening, String surface) implements Repair {
  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Opening o =
        e.orphans().stream()
            .filter(x -> x.key().equals(opening))
            .findFirst()
            .orElseThrow(
                () -> new NotApplicableException("The opening " + opening + " is in a surface."));
    Surface s = Target.surface(e, surface);
    Opening placed = o.withPolygon(AddOpening.placed(s, o.polygon().outer(), rules.tolerance()));
    List<Opening> openings = new ArrayList<>(s.openings());
    openings.add(placed);
    return e.withOrphans(e.orphans().stream().filter(x -> x != o).toList())
        .replacing(surface, x -> x.withOpenings(openings));
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new PlaceOpening(keys.of(opening), keys.of(surface));
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    return String.format(
        Locale.ROOT,
        "Puts %s into the %s.",
        before.opening(opening).map(naming::opening).map(n -> "the " + n).orElse(opening),
        before.surface(surface).map(naming::surface).orElse("surface " + surface));
  }
}
