/**
 * Running the catalogue: {@link yentra.core.check.run.CheckRun} for all findings of a state and of
 * the next one, {@link yentra.core.check.run.FindingGroups} by cause, {@link
 * yentra.core.check.run.Remedies} for what answers a finding, {@link
 * yentra.core.check.run.RepairPreview} and {@link yentra.core.check.run.RemedySweep} for what a
 * repair would change.
 */
package yentra.core.check.run;
