package yentra.core.repair.delivery;

import java.util.Locale;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.finding.Text;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;

/**
 * Takes all lengths of the delivery in another unit than it was read with; areas and volumes that
 * it states follow.
 *
 * @param factor by which lengths grow
 * @param unit what the lengths are taken for, for people
 */
public record RereadUnit(double factor, String unit) implements Repair {
  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    if (!(factor > 1e-6 && factor < 1e6) || factor == 1) {
      throw new NotApplicableException("Lengths would not change.");
    }
    return e.scaled(factor);
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return this;
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    return String.format(
        Locale.ROOT,
        "Takes all lengths in %s: they become %s times as long.",
        unit,
        Text.value(factor));
  }
}
