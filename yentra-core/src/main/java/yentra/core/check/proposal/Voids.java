package yentra.core.check.proposal;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Space;
import yentra.core.envelope.SpaceSeed;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Surface;
import yentra.core.envelope.Uncovered;
import yentra.core.geometry.Box;
import yentra.core.repair.space.AddSpaces;

/** What can be done about an enclosed volume that no space covers, and about what looks into it. */
public final class Voids {
  private Voids() {}

  /** Makes a space of the volume that the finding's spaces enclose. */
  public static void around(Offer o) {
    o.context().uncovered().stream()
        .filter(u -> u.around().equals(o.finding().objects()))
        .findFirst()
        .ifPresent(u -> space(o, u));
  }

  /** Makes a space of the volume that a surface looks into. */
  public static void before(Offer o, Surface s) {
    Box box = s.polygon().box().grown(o.context().tolerance().gap());
    for (Uncovered u : o.context().uncovered()) {
      boolean bounds = s.sides().stream().anyMatch(x -> u.around().contains(x.space()));
      if (bounds && Box.of(List.of(u.from(), u.to())).intersects(box)) {
        space(o, u);
        return;
      }
    }
  }

  private static void space(Offer o, Uncovered u) {
    String name = name(o.envelope(), u);
    o.addIfItWorks(
        "Make the volume a space, " + name,
        new AddSpaces(List.of(new SpaceSeed(name, u.inside()))));
  }

  /** The storey's name and a number that no space has: "Ground floor void 1". */
  private static String name(Envelope e, Uncovered u) {
    Set<String> taken = new HashSet<>();
    e.spaces().stream().map(Space::name).forEach(taken::add);
    String on = "";
    double best = Double.NEGATIVE_INFINITY;
    for (Storey s : e.storeys()) {
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
