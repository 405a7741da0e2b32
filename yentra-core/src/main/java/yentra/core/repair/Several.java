package yentra.core.repair;

import java.util.List;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.geometry.Tolerance;

/**
 * Several repairs as one, in order. All are made or none.
 *
 * @param label what they have in common, for people
 * @param findings ids of the findings that each was made for, in the same order; empty when they
 *     were made by hand
 */
public record Several(String label, List<Repair> repairs, List<String> findings) implements Repair {
  private static final int MOST = 20_000;

  public Several {
    repairs = repairs == null ? List.of() : List.copyOf(repairs);
    findings = findings == null ? List.of() : List.copyOf(findings);
  }

  public Several(String label, List<Repair> repairs) {
    this(label, repairs, List.of());
  }

  /** The finding that one of them was made for, or null. */
  public String finding(int i) {
    return findings.size() == repairs.size() ? findings.get(i) : null;
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
            + ": "
            + repairs.size()
            + " steps. The first: "
            + first;
  }
}
