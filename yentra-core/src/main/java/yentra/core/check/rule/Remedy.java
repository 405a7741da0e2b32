package yentra.core.check.rule;

import yentra.core.repair.Repair;

/**
 * A repair that answers a finding.
 *
 * @param label what the button says: a verb and its object
 * @param safe whether the delivery itself determines the result: nothing is invented, and no other
 *     answer is as good. All else is a judgement
 */
public record Remedy(String label, Repair repair, boolean safe) {
  /** One that needs a judgement. */
  public Remedy(String label, Repair repair) {
    this(label, repair, false);
  }
}
