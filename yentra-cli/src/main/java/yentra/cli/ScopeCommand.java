package yentra.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.UnreadableException;
import yentra.core.geometry.Tolerance;
import yentra.core.ifc.IfcModel;
import yentra.core.ifc.IfcTrimmer;
import yentra.core.intake.DeliveryReader;
import yentra.core.pipeline.Delivery;
import yentra.core.scope.ScopeResult;
import yentra.core.scope.ScopeRun;
import yentra.core.scope.ScopeSheet;

/** Applies a scope sheet to an IFC file: says why each element is in or out, writes what is in. */
@Command(
    name = "scope",
    description = "Applies a scope sheet to an IFC file and writes what is in scope.",
    mixinStandardHelpOptions = true)
final class ScopeCommand implements Callable<Integer> {
  /** How the reasons are written. */
  enum Format {
    TABLE,
    JSON
  }

  @Parameters(paramLabel = "FILE", description = "an IFC file")
  private Path in;

  @Option(
      names = "--sheet",
      required = true,
      description = "an XLSX or IDS file, or one that ships: geometry, thermal, programme")
  private String sheet;

  @Option(names = "-o", paramLabel = "OUT", description = "the IFC file to write")
  private Path out;

  @Option(names = "--format", defaultValue = "TABLE", description = "table (default) or json")
  private Format format;

  @Override
  public Integer call() throws IOException, UnreadableException {
    ScopeSheet applied = Sheets.read(sheet);
    Delivery delivery =
        Delivery.read(
            new FileSource(in),
            ReadLimits.standard(),
            Tolerance.standard(),
            DeliveryReader.Progress.NONE);
    if (!(delivery.model() instanceof IfcModel model)) {
      throw new IOException(in + ": scope sheets apply to IFC files; this one is gbXML.");
    }
    ScopeResult result = ScopeRun.of(applied, model, Map.of());
    IfcTrimmer.Trimmed trimmed = out == null ? null : write(model, applied, result);
    if (format == Format.JSON) {
      System.out.println(
          JsonMapper.builder()
              .build()
              .writerWithDefaultPrettyPrinter()
              .writeValueAsString(json(applied, result, trimmed)));
    } else {
      table(applied, result, trimmed);
    }
    return result.faults().isEmpty() ? 0 : 1;
  }

  private IfcTrimmer.Trimmed write(IfcModel model, ScopeSheet applied, ScopeResult result)
      throws IOException {
    Set<String> inScope = new HashSet<>();
    result.decisions().stream()
        .filter(ScopeResult.Decision::in)
        .forEach(d -> inScope.add(d.element().key()));
    return Output.write(
        out,
        stream ->
            IfcTrimmer.write(
                model,
                e -> inScope.contains(e.key()),
                (set, property) -> ScopeRun.keeps(applied, set, property),
                Map.of(),
                stream));
  }

  private static void table(ScopeSheet s, ScopeResult r, IfcTrimmer.Trimmed t) {
    System.out.printf("Scope sheet: %s%n%n", s.name());
    System.out.printf("%-36s %8s %8s%n", "class", "all", "in");
    for (ScopeResult.ClassCount c : r.classes()) {
      System.out.printf("%-36s %8d %8d%n", c.entity(), c.all(), c.in());
    }
    System.out.printf("%nIn scope: %d of %d elements.%n%n", r.in(), r.decisions().size());
    for (ScopeResult.Decision d : r.decisions()) {
      System.out.printf(
          "%-3s  %-28s %-24s %s%n",
          d.in() ? "in" : "out", d.element().entity(), d.element().label(), d.reason());
    }
    if (!r.faults().isEmpty()) {
      System.out.printf("%nRequirements that are not met: %d%n", r.faults().size());
      for (ScopeResult.Fault f : r.faults()) {
        System.out.printf(
            "row %-3d %-7s %-28s %-24s %s%n",
            f.requirement().row(),
            f.gravity().name().toLowerCase(Locale.ROOT),
            f.element() == null ? "" : f.element().entity(),
            f.element() == null ? "" : f.element().label(),
            f.reason());
      }
    }
    if (t != null) {
      System.out.printf(
          Locale.ROOT,
          "%nWritten: %,d of %,d bytes (%.1f %%), %,d of %,d instances, %,d of %,d elements.%n",
          t.bytes(),
          t.bytesBefore(),
          t.share() * 100,
          t.instances(),
          t.instancesBefore(),
          t.elements(),
          t.elementsBefore());
    }
  }

  private static Map<String, Object> json(ScopeSheet s, ScopeResult r, IfcTrimmer.Trimmed t) {
    List<Map<String, Object>> elements =
        r.decisions().stream()
            .map(
                d ->
                    CheckReport.map(
                        "id", d.element().key(),
                        "class", d.element().entity(),
                        "name", d.element().label(),
                        "storey", d.element().storey(),
                        "in", d.in(),
                        "row", d.row(),
                        "reason", d.reason()))
            .toList();
    List<Map<String, Object>> faults =
        r.faults().stream()
            .map(
                f ->
                    CheckReport.map(
                        "row", f.requirement().row(),
                        "title", f.requirement().title(),
                        "severity", f.gravity().name().toLowerCase(Locale.ROOT),
                        "id", f.element() == null ? null : f.element().key(),
                        "missing", f.missing(),
                        "value", f.value(),
                        "reason", f.reason()))
            .toList();
    return CheckReport.map(
        "sheet",
        s.name(),
        "classes",
        r.classes().stream()
            .map(c -> CheckReport.map("class", c.entity(), "all", c.all(), "in", c.in()))
            .toList(),
        "elements",
        elements,
        "requirementsNotMet",
        faults,
        "written",
        t == null
            ? null
            : CheckReport.map(
                "bytes", t.bytes(),
                "bytesBefore", t.bytesBefore(),
                "instances", t.instances(),
                "instancesBefore", t.instancesBefore(),
                "elements", t.elements(),
                "elementsBefore", t.elementsBefore(),
                "relationsLeftOut", t.relationsLeftOut()));
  }
}
