package yentra.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;
import yentra.core.envelope.UnreadableException;
import yentra.core.intake.Inventory;

/** What is in a file, without making the envelope. */
@Command(name = "info", description = "Says what a file holds.", mixinStandardHelpOptions = true)
final class InfoCommand implements Callable<Integer> {
  @Parameters(paramLabel = "FILE", description = "an IFC or gbXML file, or a plan document")
  private Path file;

  @Override
  public Integer call() throws IOException, UnreadableException {
    System.out.print(Inventory.of(new FileSource(file)).text());
    return 0;
  }
}
