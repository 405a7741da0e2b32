package yentra.core.check.space;

import java.util.List;
import yentra.core.check.rule.Offer;
import yentra.core.repair.space.NameSpaces;

/** Names by a rule. */
final class SpaceNameRemedies {
  private SpaceNameRemedies() {}

  static void of(Offer o) {
    List<String> spaces = o.finding().objects();
    boolean named =
        spaces.stream()
            .allMatch(k -> o.envelope().space(k).map(s -> !s.name().isBlank()).orElse(false));
    if (named) {
      o.add("Number those of one name", new NameSpaces("{name} {number}", spaces));
    }
    o.add("Name by storey and number", new NameSpaces("{storey} {number}", spaces));
  }
}
