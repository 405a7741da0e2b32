package yentra.core.check.run;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.Figures;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Surface;
import yentra.core.finding.Finding;
import yentra.core.finding.FindingId;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;

/**
 * What a repair would change, found by making it on the side and checking the result.
 *
 * @param summary the change in a sentence
 * @param resolved findings that would be gone
 * @param added findings that would be new
 * @param removedSurfaces keys of surfaces that would go
 * @param changedSurfaces the surfaces that would be added or changed, as they would be
 * @param before the envelope in figures as it is
 * @param after and as it would be
 * @param run the state that it would give, with its findings
 */
public record RepairPreview(
    String summary,
    List<Finding> resolved,
    List<Finding> added,
    List<String> removedSurfaces,
    List<Surface> changedSurfaces,
    Figures before,
    Figures after,
    CheckRun run) {

  /**
   * Tries the repair.
   *
   * @param start the state as it is, with its findings
   * @throws NotApplicableException when it cannot be made
   */
  public static RepairPreview of(CheckRun start, Repair repair) throws NotApplicableException {
    CheckContext context = start.context();
    List<Finding> before = start.findings();
    Envelope now = context.envelope();
    Repair.Made made = repair.make(now, context.rules(), context.naming());
    Envelope then = made.envelope();
    CheckRun run = start.after(then);
    List<Finding> after = run.findings();
    Set<FindingId> idsBefore = ids(before);
    Set<FindingId> idsAfter = ids(after);
    Map<String, Surface> old = new HashMap<>();
    now.surfaces().forEach(s -> old.put(s.key(), s));
    List<Surface> changed = new ArrayList<>();
    for (Surface s : then.surfaces()) {
      Surface o = old.remove(s.key());
      if (s != o && !s.equals(o)) {
        changed.add(s);
      }
    }
    return new RepairPreview(
        made.summary(),
        before.stream().filter(f -> !idsAfter.contains(f.id())).toList(),
        after.stream().filter(f -> !idsBefore.contains(f.id())).toList(),
        old.keySet().stream().sorted().toList(),
        changed,
        context.figures(),
        run.context().figures(),
        run);
  }

  private static Set<FindingId> ids(List<Finding> findings) {
    Set<FindingId> ids = new LinkedHashSet<>();
    findings.forEach(f -> ids.add(f.id()));
    return ids;
  }
}
