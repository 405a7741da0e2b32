package yentra.core.repair;

import java.util.HashSet;
import java.util.Set;
import yentra.core.envelope.Envelope;

/** Keys that are taken in an envelope, and new ones by rule: a base and the first free number. */
public final class Keys {
  private final Set<String> taken = new HashSet<>();

  public Keys(Envelope e) {
    e.surfaces()
        .forEach(
            s -> {
              taken.add(s.key());
              s.openings().forEach(o -> taken.add(o.key()));
            });
    e.orphans().forEach(o -> taken.add(o.key()));
    e.spaces().forEach(s -> taken.add(s.key()));
  }

  public String free(String base) {
    for (int i = 1; ; i++) {
      if (taken.add(base + i)) {
        return base + i;
      }
    }
  }
}
