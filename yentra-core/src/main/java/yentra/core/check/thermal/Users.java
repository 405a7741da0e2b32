package yentra.core.check.thermal;

import java.util.List;
import yentra.core.check.rule.Offer;

/** The surfaces that a finding about a construction names. */
final class Users {
  private Users() {}

  static List<String> of(Offer o) {
    return o.finding().objects().stream().filter(k -> o.envelope().surface(k).isPresent()).toList();
  }
}
