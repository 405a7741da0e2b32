package yentra.core.repair.surface;

import java.util.Locale;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Surface;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Target;

/** Takes a surface out, with its openings. */
public record DeleteSurface(String surface) implements Repair {
  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Target.surface(e, surface);
    return e.withoutSurface(surface);
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new DeleteSurface(keys.of(surface));
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    Surface s = before.surface(surface).orElse(null);
    if (s == null) {
      return "Deletes the surface " + surface + ".";
    }
    int n = s.openings().size();
    return String.format(
        Locale.ROOT,
        "Deletes the %s (%.2f m²)%s.",
        naming.surface(s),
        s.polygon().area(),
        n == 0 ? "" : " with its " + n + (n == 1 ? " opening" : " openings"));
  }
}
