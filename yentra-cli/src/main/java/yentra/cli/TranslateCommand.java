package yentra.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import yentra.core.envelope.UnreadableException;
import yentra.core.exchange.Handover;
import yentra.core.finding.Limits;
import yentra.core.finding.Severity;
import yentra.core.intake.DeliveryFormat;

/** Writes the envelope as gbXML and reads it back. */
@Command(
    name = "translate",
    description = "Writes the envelope of a file as gbXML 6.01 or IFC4.",
    mixinStandardHelpOptions = true)
final class TranslateCommand implements Callable<Integer> {
  @Mixin private BoundaryChoice boundaries = new BoundaryChoice();

  @Parameters(paramLabel = "IN", description = "an IFC or gbXML file, or a plan document")
  private Path in;

  @Option(names = "-o", required = true, paramLabel = "OUT", description = "the file to write")
  private Path out;

  @Option(
      names = "--to",
      description = "gbxml-6.01 or ifc4; without it the ending of OUT decides: .xml or .ifc")
  private String to;

  @Option(names = "--allow-blockers", description = "write even when blockers are open")
  private boolean allowBlockers;

  @Override
  public Integer call() throws IOException, UnreadableException {
    OutputFormat format = OutputFormat.of(to, out);
    Checked checked = Checked.of(in, Limits.STANDARD, boundaries.options(), null, null);
    if (format == OutputFormat.IFC && checked.format() == DeliveryFormat.IFC) {
      throw new IOException(
          in
              + " is an IFC file already, and its architecture would be lost: use scope to trim it.");
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
    Handover handover = format.write(checked);
    handover.notes().forEach(n -> System.out.println("note: " + n));
    return Output.handover(out, handover, handover.bytes().length + " bytes");
  }
}
