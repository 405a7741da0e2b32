package yentra.core.repair.construction;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Reshape;
import yentra.core.repair.Target;

/**
 * Gives surfaces and opaque openings a construction.
 *
 * @param objects keys of surfaces and openings
 */
public record GiveConstruction(List<String> objects, ConstructionSpec construction)
    implements Repair {
  public GiveConstruction {
    objects = objects == null ? List.of() : List.copyOf(objects);
  }

  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    if (objects.isEmpty() || construction == null) {
      throw new NotApplicableException("Choose surfaces or openings, and a construction.");
    }
    ConstructionSpec.Placed placed = construction.in(e);
    Envelope out = placed.envelope();
    Set<String> left = new HashSet<>();
    for (String key : objects) {
      String was;
      if (e.surface(key).isPresent()) {
        was = e.surface(key).get().construction();
        out = out.replacing(key, s -> s.withConstruction(placed.key()));
      } else {
        was = Target.opening(e, key).construction();
        out = Reshape.replacedOpening(out, key, o -> o.withConstruction(placed.key()));
      }
      if (was != null && !was.equals(placed.key())) {
        left.add(was);
      }
    }
    if (out == e) {
      throw new NotApplicableException("They have this construction already.");
    }
    for (String was : left.stream().sorted().toList()) {
      out = ThermalParts.swept(out, was);
    }
    return out;
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new GiveConstruction(keys.of(objects), construction.renamed(keys));
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    String what =
        objects.size() == 1
            ? "the " + naming.object(objects.get(0))
            : objects.size() + " surfaces or openings";
    return "Gives " + what + " the construction " + construction.label(before) + ".";
  }
}
