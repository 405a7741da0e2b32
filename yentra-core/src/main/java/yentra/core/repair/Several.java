package yentra.core.repair;

import java.util.List;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.geometry.Tolerance;

/**
 * Several repairs as one, in order. All are made or none.
 *
 * @param label what they have in common, for people
 */
public record Several(String label, List<Repair> repairs) implements Repair {
  private static final int MOST = 20_000;

  public Several {
    repairs = repairs == null ? List.of() : List.copyOf(repairs);
  }

  @Override
  public Envelope apply(Envelope e, Tolerance tolerance) throws NotApplicableException {
    if (repairs.isEmpty() || repairs.size() > MOST) {
      throw new NotApplicableException("There must be between one and 20,000 repairs.");
    }
    Envelope out = e;
    for (Repair r : repairs) {
      if (r instanceof Several) {
        throw new NotApplicableException("Several repairs cannot be part of several.");
      }
      out = r.apply(out, tolerance);
    }
    return out;
  }

  @Override
  public String describe(Envelope before, Naming naming) {
    String first = repairs.isEmpty() ? "" : repairs.get(0).describe(before, naming);
    return repairs.size() == 1
        ? first
        : (label == null || label.isBlank() ? "Repairs" : label)
            + ", "
            + repairs.size()
            + " times. The first: "
            + first;
  }
}
