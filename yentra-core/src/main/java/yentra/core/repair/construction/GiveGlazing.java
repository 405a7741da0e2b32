package yentra.core.repair.construction;

import java.util.List;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Rules;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Reshape;
import yentra.core.repair.Target;

/** Gives openings that let light through a window type. */
public record GiveGlazing(List<String> openings, GlazingSpec glazing) implements Repair {
  public GiveGlazing {
    openings = openings == null ? List.of() : List.copyOf(openings);
  }

  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    if (openings.isEmpty() || glazing == null) {
      throw new NotApplicableException("Choose windows and a window type.");
    }
    GlazingSpec.Placed placed = glazing.in(e);
    Envelope out = placed.envelope();
    boolean changed = false;
    for (String key : openings) {
      Opening o = Target.opening(e, key);
      if (!o.type().isGlazed()) {
        throw new NotApplicableException(
            "The opening " + key + " lets no light through: it has a construction.");
      }
      if (!placed.key().equals(o.glazing())) {
        out = Reshape.replacedOpening(out, key, x -> x.withGlazing(placed.key()));
        changed = true;
      }
    }
    if (!changed) {
      throw new NotApplicableException("They have this window type already.");
    }
    return out;
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new GiveGlazing(keys.of(openings), glazing.renamed(keys));
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    String what =
        openings.size() == 1
            ? before
                .opening(openings.get(0))
                .map(o -> "the " + naming.opening(o))
                .orElse("a window")
            : openings.size() + " openings";
    return "Gives " + what + " the window type " + glazing.label(before) + ".";
  }
}
