package yentra.core.repair;

import java.util.List;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.finding.FindingId;

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
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    checkNumber();
    Envelope out = e;
    for (Repair r : repairs) {
      out = inner(r).apply(out, rules);
    }
    return out;
  }

  private void checkNumber() throws NotApplicableException {
    if (repairs.isEmpty() || repairs.size() > MOST) {
      throw new NotApplicableException("There must be between one and 20,000 repairs.");
    }
  }

  private static Repair inner(Repair r) throws NotApplicableException {
    if (r instanceof Several) {
      throw new NotApplicableException("Several repairs cannot be part of several.");
    }
    return r;
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new Several(
        label,
        repairs.stream().map(r -> r.renamed(keys)).toList(),
        findings.stream().map(f -> FindingId.parse(f).renamed(keys::of).toString()).toList());
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    return (label == null || label.isBlank() ? "Repairs" : label)
        + ": "
        + repairs.size()
        + " steps.";
  }

  /** Also says what the first of them did, since what it counts only its own result tells. */
  @Override
  public Made make(Envelope before, Rules rules, Naming naming) throws NotApplicableException {
    checkNumber();
    Made first = inner(repairs.get(0)).make(before, rules, naming);
    if (repairs.size() == 1) {
      return first;
    }
    Envelope out = first.envelope();
    for (Repair r : repairs.subList(1, repairs.size())) {
      out = inner(r).apply(out, rules);
    }
    return new Made(out, describe(before, out, naming) + " The first: " + first.summary());
  }
}
