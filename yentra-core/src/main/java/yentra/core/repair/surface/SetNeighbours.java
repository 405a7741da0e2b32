package yentra.core.repair.surface;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Side;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Target;

/**
 * Says which spaces a surface bounds: none, one or two. What is known of a side that stays is kept.
 *
 * @param spaces keys, the first being the one that the outline faces out of
 * @param type the surface's type from now on, or null to leave it
 */
public record SetNeighbours(String surface, List<String> spaces, SurfaceType type)
    implements Repair {
  public SetNeighbours {
    spaces = spaces == null ? List.of() : List.copyOf(spaces);
  }

  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Surface s = Target.surface(e, surface);
    if (spaces.size() > 2 || new LinkedHashSet<>(spaces).size() < spaces.size()) {
      throw new NotApplicableException("A surface bounds at most two spaces, each once.");
    }
    List<Side> sides = new ArrayList<>();
    for (String key : spaces) {
      Target.space(e, key);
      sides.add(
          s.sides().stream()
              .filter(x -> x.space().equals(key))
              .findFirst()
              .orElseGet(() -> Side.of(key)));
    }
    boolean turned =
        !spaces.isEmpty()
            && s.sides().size() == 2
            && s.sides().get(1).space().equals(spaces.get(0));
    Surface changed = s.withPolygon(turned ? s.face(1) : s.polygon(), sides);
    if (type != null && type != SurfaceType.UNRESOLVED && type != s.type()) {
      changed = changed.withType(type);
    }
    if (changed.equals(s)) {
      throw new NotApplicableException("The surface bounds these spaces already.");
    }
    Surface made = changed;
    return e.replacing(surface, x -> made);
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new SetNeighbours(keys.of(surface), keys.of(spaces), type);
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    String name = before.surface(surface).map(naming::surface).orElse("surface " + surface);
    if (spaces.isEmpty()) {
      return "Makes the " + name + " bound no space.";
    }
    return "Makes the "
        + name
        + " bound "
        + String.join(" and ", spaces.stream().map(naming::space).toList())
        + (type == null ? "." : ", as " + type.label() + ".");
  }
}
