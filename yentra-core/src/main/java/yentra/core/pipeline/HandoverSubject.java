package yentra.core.pipeline;

import java.util.HashSet;
import java.util.Set;
import yentra.core.check.measure.CheckContext;
import yentra.core.exchange.HandoverMaker;
import yentra.core.ifc.write.DeliveredFileWriter;
import yentra.core.model.ArchitecturalModel;
import yentra.core.scope.ScopeResult;
import yentra.core.scope.ScopeRun;
import yentra.core.scope.ScopeSheet;
import yentra.core.scope.ScopeState;

/** What of a delivery is handed over. */
public final class HandoverSubject {
  private HandoverSubject() {}

  /**
   * A state of a delivery.
   *
   * @param before the envelope before any repair
   * @param now with the repairs in force
   */
  public static HandoverMaker.Subject of(
      ArchitecturalModel whole,
      ScopeState scope,
      ScopeResult result,
      CheckContext before,
      CheckContext now) {
    Set<String> in = new HashSet<>();
    result.decisions().stream()
        .filter(ScopeResult.Decision::in)
        .forEach(d -> in.add(d.element().key()));
    ScopeSheet rules = scope.rules();
    DeliveredFileWriter.FileScope file =
        scope.isAsDelivered()
            ? DeliveredFileWriter.FileScope.WHOLE
            : new DeliveredFileWriter.FileScope(
                e -> in.contains(e.key()),
                (set, property) -> ScopeRun.keeps(rules, set, property),
                scope.edits());
    return new HandoverMaker.Subject(whole, file, before, now);
  }
}
