package yentra.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import yentra.core.boundary.BoundaryOptions;
import yentra.core.boundary.EnclosedVolumes;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.run.CheckCatalogue;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.Rules;
import yentra.core.envelope.SpaceSeed;
import yentra.core.envelope.UnreadableException;
import yentra.core.finding.Finding;
import yentra.core.finding.Limits;
import yentra.core.finding.Severity;
import yentra.core.geometry.Tolerance;
import yentra.core.ifc.IfcModel;
import yentra.core.ifc.IfcReader;
import yentra.core.intake.DeliveryFormat;
import yentra.core.intake.DeliveryReader;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.space.AddSpaces;
import yentra.core.scope.ScopeResult;
import yentra.core.scope.ScopeRun;
import yentra.core.scope.ScopeSheet;
import yentra.core.scope.ScopedModel;

/** A file read and checked, with the times it took in milliseconds. */
record Checked(
    Path file,
    DeliveryReader.Reading reading,
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
    Tolerance tolerance = Tolerance.standard();
    Rules rules = new Rules(tolerance, boundaries.derivation().types());
    long t0 = System.nanoTime();
    DeliveryReader.Reading reading =
        new DeliveryReader(ReadLimits.standard(), boundaries, tolerance)
            .read(new FileSource(file), DeliveryReader.Progress.NONE);
    long t1 = System.nanoTime();
    if (boundaries.findSpaces() && reading.format() == DeliveryFormat.GBXML) {
      reading =
          new DeliveryReader.Reading(
              reading.format(), withFoundSpaces(reading.envelope(), rules), reading.model());
    }
    CheckContext context;
    if (sheet != null && reading.model() instanceof IfcModel model) {
      ScopeResult result = ScopeRun.of(sheet, model, Map.of());
      ScopedModel scoped = ScopedModel.of(model, result);
      reading =
          new DeliveryReader.Reading(
              reading.format(),
              IfcReader.envelope(model, scoped, null, boundaries, tolerance),
              scoped);
      context = new CheckContext(reading.envelope(), scoped, limits, tolerance).with(result);
    } else {
      context = new CheckContext(reading.envelope(), reading.model(), limits, tolerance);
    }
    if (beside != null) {
      context = context.beside(String.valueOf(beside.file.getFileName()), beside.envelope());
    }
    long t2 = System.nanoTime();
    List<Finding> findings = CheckCatalogue.run(context);
    long t3 = System.nanoTime();
    return new Checked(
        file,
        reading,
        context,
        findings,
        (t1 - t0) / 1_000_000,
        (t2 - t1) / 1_000_000,
        (t3 - t2) / 1_000_000);
  }

  /** Of gbXML the surfaces are what encloses a volume. */
  private static Envelope withFoundSpaces(Envelope e, Rules rules) {
    List<SpaceSeed> seeds =
        EnclosedVolumes.of(e, rules).volumes().stream().map(EnclosedVolumes.Volume::seed).toList();
    try {
      return seeds.isEmpty() ? e : new AddSpaces(seeds).apply(e, rules);
    } catch (NotApplicableException x) {
      throw new IllegalStateException("a volume was found, but not again", x);
    }
  }

  Envelope envelope() {
    return reading.envelope();
  }

  long count(Severity severity) {
    return findings.stream().filter(f -> f.severity() == severity).count();
  }

  boolean hasFaults() {
    return count(Severity.BLOCKER) + count(Severity.ERROR) > 0;
  }
}
