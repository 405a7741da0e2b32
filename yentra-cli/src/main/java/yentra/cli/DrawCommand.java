package yentra.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import yentra.core.boundary.BoundaryOptions;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.UnreadableException;
import yentra.core.exchange.Handover;
import yentra.core.exchange.HandoverFormat;
import yentra.core.finding.Limits;
import yentra.core.intake.DeliveryFormat;

/** Makes an envelope from a plan document, writes it and reads it back. */
@Command(
    name = "draw",
    description =
        "Makes the envelope of a plan document and writes it: OUT.xml as gbXML 6.01, OUT.ifc as IFC4, OUT.glb, OUT.dxf.",
    mixinStandardHelpOptions = true)
final class DrawCommand implements Callable<Integer> {
  @Parameters(paramLabel = "PLAN", description = "a plan document (JSON)")
  private Path in;

  @Option(names = "-o", required = true, paramLabel = "OUT", description = "the file to write")
  private Path out;

  @Override
  public Integer call() throws IOException, UnreadableException {
    HandoverFormat format = TranslateCommand.format(null, out);
    if (format == HandoverFormat.XLSX) {
      throw new IOException("Schedules are made of a building that is there: use translate.");
    }
    Checked checked = Checked.of(in, Limits.STANDARD, BoundaryOptions.STANDARD, null, null);
    if (checked.format() != DeliveryFormat.PLAN) {
      throw new IOException(in + " is no plan document. Use translate for IFC and gbXML.");
    }
    Handover handover = Handover.of(format, checked.context(), ReadLimits.standard());
    checked.envelope().notes().forEach(n -> System.out.println("note: " + n.message()));
    return Output.handover(out, handover);
  }
}
