package yentra.core.repair.construction;

import java.util.ArrayList;
import java.util.List;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Surface;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;

/**
 * Puts a construction in the place of another, for all that has it: what the delivery says of this
 * construction is not trusted. On another delivery it holds for all elements that have it there.
 */
public record ReplaceConstruction(String construction, ConstructionSpec by) implements Repair {
  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    if (by == null || construction == null || e.construction(construction).isEmpty()) {
      throw new NotApplicableException("The construction " + construction + " is no longer there.");
    }
    ConstructionSpec.Placed placed = by.in(e);
    if (placed.key().equals(construction)) {
      throw new NotApplicableException("It is this construction already.");
    }
    List<Surface> surfaces = new ArrayList<>();
    for (Surface s : placed.envelope().surfaces()) {
      Surface own = construction.equals(s.construction()) ? s.withConstruction(placed.key()) : s;
      if (own.openings().stream().anyMatch(o -> construction.equals(o.construction()))) {
        own = own.withOpenings(own.openings().stream().map(o -> changed(o, placed.key())).toList());
      }
      surfaces.add(own);
    }
    Envelope out =
        placed
            .envelope()
            .withSurfaces(surfaces)
            .withOrphans(e.orphans().stream().map(o -> changed(o, placed.key())).toList());
    return ThermalParts.swept(out, construction);
  }

  private Opening changed(Opening o, String key) {
    return construction.equals(o.construction()) ? o.withConstruction(key) : o;
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new ReplaceConstruction(keys.of(construction), by.renamed(keys));
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    long used =
        before.surfaces().stream().filter(s -> construction.equals(s.construction())).count();
    String was = before.construction(construction).map(Construction::label).orElse(construction);
    String now = by.label(before);
    String users = used == 1 ? "1 surface" : used + " surfaces";
    return was.equals(now)
        ? "Gives " + was + " other layers, for all that has it (" + users + ")."
        : "Uses " + now + " instead of " + was + " for all that has it (" + users + ").";
  }
}
