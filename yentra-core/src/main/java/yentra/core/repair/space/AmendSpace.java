package yentra.core.repair.space;

import java.util.Locale;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Space;
import yentra.core.envelope.Storey;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Reshape;
import yentra.core.repair.Target;

/**
 * Corrects what a delivery says of a space.
 *
 * @param storey key of another storey, or null
 * @param unstated the area and volume that it states are dropped, so that the computed ones count
 * @param shellless the shell that it brings is dropped, so that its surfaces say what bounds it
 */
public record AmendSpace(String space, String storey, boolean unstated, boolean shellless)
    implements Repair {
  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Space s = Target.space(e, space);
    Space out = s;
    if (storey != null) {
      if (e.storeys().stream().noneMatch(x -> x.key().equals(storey))) {
        throw new NotApplicableException("The storey " + storey + " is not there.");
      }
      out = out.withStorey(storey);
    }
    if (unstated) {
      out = out.withoutStated();
    }
    if (shellless) {
      out = out.withShell(java.util.List.of());
    }
    if (out.equals(s)) {
      throw new NotApplicableException(s.label() + " is so already.");
    }
    Space made = out;
    return Reshape.replacedSpace(e, space, x -> made);
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new AmendSpace(keys.of(space), keys.of(storey), unstated, shellless);
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    StringBuilder b = new StringBuilder();
    String name = naming.space(space);
    if (storey != null) {
      b.append("Puts ").append(name).append(" on ");
      b.append(before.storey(storey).map(Storey::name).orElse(storey));
      b.append(". ");
    }
    Space s = before.space(space).orElse(null);
    if (unstated && s != null) {
      b.append("Drops the stated figures of ").append(name).append(" (");
      b.append(
          s.statedFloorArea() == null
              ? ""
              : String.format(Locale.ROOT, "%.2f m² ", s.statedFloorArea()));
      b.append(
          s.statedVolume() == null ? "" : String.format(Locale.ROOT, "%.2f m³", s.statedVolume()));
      b.append("). ");
    }
    if (shellless) {
      b.append("Takes what bounds ").append(name).append(" from its surfaces alone. ");
    }
    return b.toString().replace(" )", ")").strip();
  }
}
