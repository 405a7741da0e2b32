package yentra.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import yentra.core.boundary.BoundaryOptions;
import yentra.core.boundary.Watch;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.run.CheckCatalogue;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.UnreadableException;
import yentra.core.finding.Finding;
import yentra.core.finding.Limits;
import yentra.core.finding.Severity;
import yentra.core.geometry.Tolerance;
import yentra.core.intake.DeliveryFormat;
import yentra.core.intake.DeliveryReader;
import yentra.core.pipeline.Delivery;
import yentra.core.pipeline.Stage;
import yentra.core.pipeline.StageOptions;
import yentra.core.scope.ScopeSheet;
import yentra.core.scope.ScopeState;
import yentra.core.scope.ScopeStep;

/**
 * A file read and checked, with the times it took in milliseconds.
 *
 * @param stage what it was made of
 */
record Checked(
    Path file,
    DeliveryFormat format,
    Stage stage,
    CheckContext context,
    List<Finding> findings,
    long readMs,
    long deriveMs,
    long checkMs) {
  static Checked of(Path file, Limits limits) throws IOException, UnreadableException {
    return of(file, limits, BoundaryOptions.STANDARD, null, null);
  }

  /**
   * Checks a file.
   *
   * @param boundaries where the boundaries of an IFC file come from
   * @param sheet a scope sheet that is applied first, or null
   * @param beside another delivery of the project that this one is held against, or null
   */
  static Checked of(
      Path file, Limits limits, BoundaryOptions boundaries, ScopeSheet sheet, Checked beside)
      throws IOException, UnreadableException {
    long t0 = System.nanoTime();
    Delivery delivery =
        Delivery.read(
            new FileSource(file),
            ReadLimits.standard(),
            Tolerance.standard(),
            DeliveryReader.Progress.NONE);
    long t1 = System.nanoTime();
    ScopeState scope =
        sheet == null
            ? ScopeState.AS_DELIVERED
            : ScopeState.of(List.of(new ScopeStep.ApplySheet(sheet)));
    Stage stage = delivery.stage(new StageOptions(scope, boundaries, null, limits), Watch.NONE);
    CheckContext context = stage.context();
    if (beside != null) {
      context = context.beside(String.valueOf(beside.file.getFileName()), beside.envelope());
    }
    long t2 = System.nanoTime();
    List<Finding> findings = CheckCatalogue.run(context);
    long t3 = System.nanoTime();
    return new Checked(
        file,
        delivery.format(),
        stage,
        context,
        findings,
        (t1 - t0) / 1_000_000,
        (t2 - t1) / 1_000_000,
        (t3 - t2) / 1_000_000);
  }

  Envelope envelope() {
    return context.envelope();
  }

  long count(Severity severity) {
    return findings.stream().filter(f -> f.severity() == severity).count();
  }

  boolean hasFaults() {
    return count(Severity.BLOCKER) + count(Severity.ERROR) > 0;
  }
}
