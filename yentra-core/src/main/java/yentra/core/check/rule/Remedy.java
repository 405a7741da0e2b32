package yentra.core.check.rule;

import yentra.core.repair.Repair;

/**
 * A repair that answers a finding.
 *
 * @param label what the button says: a verb and its object
 */
public record Remedy(String label, Repair repair) {}
