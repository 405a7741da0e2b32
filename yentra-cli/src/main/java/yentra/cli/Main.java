package yentra.cli;

import java.io.PrintStream;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/**
 * The command line: {@code yentra check | repair | translate | draw | compare | climate | junctions
 * | loads | estimate | fetch | info}.
 */
@Command(
    name = "yentra",
    description =
        "Checks architects' models for energy simulation and turns them into analytical geometry.",
    mixinStandardHelpOptions = true,
    subcommands = {
      CheckCommand.class,
      TranslateCommand.class,
      RepairCommand.class,
      ScopeCommand.class,
      CompareCommand.class,
      DrawCommand.class,
      ClimateCommand.class,
      JunctionsCommand.class,
      LoadsCommand.class,
      EstimateCommand.class,
      FetchCommand.class,
      InfoCommand.class,
      CatalogueCommand.class
    })
public final class Main {
  private Main() {}

  /**
   * Runs the command line; exit 0, 1 (blockers or errors found) or 2 (a file could not be read, or
   * a wrong call).
   */
  public static void main(String[] args) {
    System.setOut(new PrintStream(System.out, false, StandardCharsets.UTF_8));
    System.setErr(new PrintStream(System.err, true, StandardCharsets.UTF_8));
    int code = commandLine().execute(args);
    System.out.flush();
    System.exit(code);
  }

  static CommandLine commandLine() {
    CommandLine line = new CommandLine(new Main());
    line.setErr(new PrintWriter(System.err, true, StandardCharsets.UTF_8));
    line.setCaseInsensitiveEnumValuesAllowed(true);
    line.setExecutionExceptionHandler(
        (e, command, result) -> {
          command.getErr().println("yentra: " + Failure.sentence(e));
          return 2;
        });
    return line;
  }
}
