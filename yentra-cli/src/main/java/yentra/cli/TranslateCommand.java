package yentra.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import yentra.core.boundary.Convention;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.UnreadableException;
import yentra.core.exchange.Excerpt;
import yentra.core.exchange.Handover;
import yentra.core.exchange.HandoverFormat;
import yentra.core.exchange.HandoverMaker;
import yentra.core.exchange.UnitSystem;
import yentra.core.finding.Severity;
import yentra.core.junction.PsiValues;
import yentra.core.pipeline.HandoverSubject;
import yentra.core.thermal.HeatLossOptions;

/** Writes the envelope in any format, whole or of chosen spaces, and reads it back. */
@Command(
    name = "translate",
    description = "Writes the envelope of a file as gbXML, IFC, glTF, DXF or schedules.",
    mixinStandardHelpOptions = true)
final class TranslateCommand implements Callable<Integer> {
  @Mixin private CheckChoice choice = new CheckChoice();

  @Mixin private BoundaryChoice boundaries = new BoundaryChoice();

  @Parameters(paramLabel = "IN", description = "an IFC or gbXML file, or a plan document")
  private Path in;

  @Option(names = "-o", required = true, paramLabel = "OUT", description = "the file to write")
  private Path out;

  @Option(
      names = "--to",
      description =
          "gbxml-6.01, gbxml-7.03, gbxml-0.37, ifc4, ifc2x3, glb, dxf or xlsx; without it the ending of OUT decides: .xml (gbXML 6.01), .ifc (IFC4), .glb, .dxf, .xlsx")
  private String to;

  @Option(
      names = "--spaces",
      split = ",",
      paramLabel = "ID",
      description = "only these spaces: ids or names, * stands for any characters")
  private List<String> spaces = List.of();

  @Option(
      names = "--edge",
      defaultValue = "ADIABATIC",
      description =
          "surfaces towards spaces that are left out: adiabatic, or keep (their neighbours stay without faces); default: adiabatic")
  private Excerpt.Edge edge;

  @Option(
      names = "--units",
      defaultValue = "SI",
      description = "of schedules: si or ip (default: si)")
  private UnitSystem units;

  @Option(names = "--allow-blockers", description = "write even when blockers are open")
  private boolean allowBlockers;

  @Override
  public Integer call() throws IOException, UnreadableException {
    HandoverFormat format = format(to, out);
    Output.isNot(out, in);
    Checked checked = Checked.of(in, choice.limits(), boundaries.options(), choice.sheet(), null);
    Set<String> chosen;
    try {
      chosen = Excerpt.spaces(checked.envelope(), spaces);
    } catch (IllegalArgumentException e) {
      throw new IOException(e.getMessage());
    }
    long blockers = checked.count(Severity.BLOCKER);
    if (blockers > 0 && !allowBlockers) {
      System.err.println(
          in
              + ": "
              + blockers
              + (blockers == 1 ? " blocker is" : " blockers are")
              + " open, so nothing was written. See them with check, or write all the same with --allow-blockers.");
      return 1;
    }
    PsiValues psi = boundaries.psi(checked.envelope(), Map.of());
    HandoverMaker maker = maker(checked, chosen, psi, boundaries.options().convention());
    Handover handover = maker.make(format, null);
    if (!handover.faults().isEmpty() && !allowBlockers) {
      handover.faults().forEach(f -> System.err.println("against the standard: " + f));
      System.err.println(
          in
              + ": the file would not keep to "
              + format.label()
              + ", so nothing was written. Mend the delivery, or write all the same with --allow-blockers.");
      return 1;
    }
    maker.partNotes().forEach(System.err::println);
    return Output.handover(out, handover);
  }

  /**
   * The format that was asked for, else that of the file's ending.
   *
   * @param to its name, or null
   */
  static HandoverFormat format(String to, Path out) throws IOException {
    if (to != null) {
      return HandoverFormat.named(to)
          .orElseThrow(
              () ->
                  new IOException(
                      "The format "
                          + to
                          + " is not offered; these are: "
                          + Arrays.stream(HandoverFormat.values())
                              .map(HandoverFormat::code)
                              .collect(Collectors.joining(", "))
                          + "."));
    }
    return HandoverFormat.ofFile(String.valueOf(out.getFileName()))
        .orElseThrow(
            () ->
                new IOException(
                    "The name of OUT says no format: let it end in .xml (gbXML 6.01), .ifc (IFC4), .glb, .dxf or .xlsx, or say --to."));
  }

  private HandoverMaker maker(Checked c, Set<String> chosen, PsiValues psi, Convention convention) {
    return new HandoverMaker(
        HandoverSubject.of(
            c.stage().whole(), c.stage().scope(), c.stage().result(), c.context(), c.context()),
        new HandoverMaker.Options(chosen, edge, units, HeatLossOptions.STANDARD, psi, convention),
        ReadLimits.standard());
  }
}
