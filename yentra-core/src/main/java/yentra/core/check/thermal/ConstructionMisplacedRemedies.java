package yentra.core.check.thermal;

import java.util.List;
import yentra.core.check.proposal.ConstructionChoice;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Surface;
import yentra.core.library.Library;
import yentra.core.repair.construction.ConstructionSpec;
import yentra.core.repair.construction.GiveConstruction;

/** What most surfaces of the type have, or what the library has for it. */
final class ConstructionMisplacedRemedies {
  private ConstructionMisplacedRemedies() {}

  static void of(Offer o) {
    List<String> users = Users.of(o);
    if (users.isEmpty()) {
      return;
    }
    Surface s = o.envelope().surface(users.get(0)).orElseThrow();
    ConstructionChoice.usualBesides(o.envelope(), s.type(), o.first())
        .ifPresent(
            c ->
                o.add(
                    "Give "
                        + (users.size() == 1 ? "it " : "them ")
                        + o.context().naming().object(c),
                    new GiveConstruction(users, ConstructionSpec.existing(c))));
    ConstructionChoice.shipped(ConstructionChoice.kind(s.type()))
        .ifPresent(
            c ->
                o.add(
                    "Use from the library: " + c.name(),
                    new GiveConstruction(users, ConstructionSpec.of(Library.shipped(), c))));
  }
}
