package yentra.cli;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.envelope.UnreadableException;
import yentra.core.finding.Finding;
import yentra.core.finding.Limits;
import yentra.core.finding.Severity;
import yentra.core.scope.ScopeSheet;

/** Reads each file, makes the envelope, runs every check. */
@Command(
    name = "check",
    description = "Checks IFC or gbXML files, or plan documents.",
    mixinStandardHelpOptions = true)
final class CheckCommand implements Callable<Integer> {
  /** How the answer is written. */
  enum Format {
    TEXT,
    JSON,
    JSONL
  }

  @Option(
      names = "--format",
      defaultValue = "TEXT",
      description = "text, json or jsonl (default: text)")
  private Format format;

  @Mixin private CheckChoice choice = new CheckChoice();

  @Option(
      names = "--together",
      description =
          "the files are deliveries of one project: origin, units and north are held against the first")
  private boolean together;

  @Mixin private BoundaryChoice boundaries = new BoundaryChoice();

  @Parameters(
      arity = "1..*",
      paramLabel = "FILE",
      description = "IFC or gbXML files, or plan documents")
  private List<Path> files;

  private final PrintStream out = System.out;
  private final JsonMapper json = JsonMapper.builder().build();

  @Override
  public Integer call() throws IOException {
    Limits set = choice.limits();
    ScopeSheet applied = choice.sheet();
    Checked first = null;
    List<Map<String, Object>> reports = new ArrayList<>();
    int exit = 0;
    for (Path file : files) {
      Map<String, Object> report;
      try {
        Checked checked = Checked.of(file, set, boundaries.options(), applied, first);
        first = together && first == null ? checked : first;
        exit = Math.max(exit, checked.hasFaults() ? 1 : 0);
        if (format == Format.TEXT) {
          text(checked);
          continue;
        }
        report = CheckReport.of(checked);
      } catch (UnreadableException
          | IOException
          | RuntimeException
          | OutOfMemoryError
          | StackOverflowError e) {
        System.err.println(file + ": " + Failure.sentence(e));
        exit = 2;
        report = failure(file, e);
      }
      if (format == Format.JSONL) {
        out.println(json.writeValueAsString(report));
      }
      reports.add(report);
    }
    if (format == Format.JSON) {
      Object whole = reports.size() == 1 ? reports.get(0) : reports;
      out.println(json.writerWithDefaultPrettyPrinter().writeValueAsString(whole));
    }
    return exit;
  }

  private static Map<String, Object> failure(Path file, Throwable e) {
    Map<String, Object> error =
        e instanceof UnreadableException u
            ? CheckReport.map("message", u.getMessage(), "line", u.line(), "column", u.column())
            : CheckReport.map("message", Failure.sentence(e));
    return CheckReport.map("file", file.toString(), "error", error);
  }

  private void text(Checked c) {
    out.printf(
        Locale.ROOT,
        "%s: %s %s, %d spaces, %d surfaces, %d openings%n",
        c.file(),
        c.format(),
        c.envelope().delivered().schema(),
        c.envelope().spaces().size(),
        c.envelope().surfaces().size(),
        c.envelope().openingCount());
    for (Finding f : c.findings()) {
      out.printf(
          "  %-7s %s  %s%s%n",
          f.severity().label(),
          f.code(),
          f.message(),
          f.line() > 0 ? " (line " + f.line() + ")" : "");
    }
    out.printf(
        "  %d blockers, %d errors, %d warnings, %d notes%n",
        c.count(Severity.BLOCKER),
        c.count(Severity.ERROR),
        c.count(Severity.WARNING),
        c.count(Severity.NOTE));
  }
}
