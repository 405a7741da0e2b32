package yentra.core.repair;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import yentra.core.check.CheckContext;
import yentra.core.envelope.Space;
import yentra.core.envelope.SpaceSeed;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Surface;
import yentra.core.envelope.Uncovered;
import yentra.core.geometry.Box;

/** What can be done about an enclosed volume that no space covers, and about what looks into it. */
final class VoidRemedies {
  private VoidRemedies() {}

  /** Makes a space of the volume that these spaces enclose. */
  static Optional<Remedy> around(CheckContext context, List<String> spaces) {
    return context.uncovered().stream()
        .filter(u -> u.around().equals(spaces))
        .findFirst()
        .map(u -> space(context, u));
  }

  /** Makes a space of the volume that a surface looks into. */
  static Optional<Remedy> before(CheckContext context, Surface s) {
    Box box = s.polygon().box().grown(context.tolerance().gap());
    for (Uncovered u : context.uncovered()) {
      boolean bounds = s.sides().stream().anyMatch(x -> u.around().contains(x.space()));
      if (bounds && Box.of(List.of(u.from(), u.to())).intersects(box)) {
        return Optional.of(space(context, u));
      }
    }
    return Optional.empty();
  }

  private static Remedy space(CheckContext context, Uncovered u) {
    String name = name(context, u);
    return new Remedy(
        "Make the volume a space, " + name,
        new AddSpaces(List.of(new SpaceSeed(name, u.inside()))));
  }

  /** The storey's name and a number that no space has: "Ground floor void 1". */
  private static String name(CheckContext context, Uncovered u) {
    Set<String> taken = new HashSet<>();
    context.envelope().spaces().stream().map(Space::name).forEach(taken::add);
    String on = "";
    double best = Double.NEGATIVE_INFINITY;
    for (Storey s : context.envelope().storeys()) {
      if (s.level() != null && s.level() <= u.inside().z() && s.level() > best) {
        best = s.level();
        on = s.name().isBlank() ? "" : s.name() + " ";
      }
    }
    int n = 1;
    while (taken.contains(on + "void " + n)) {
      n++;
    }
    return on + "void " + n;
  }
}
