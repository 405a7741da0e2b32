package yentra.cli;

import static yentra.cli.CheckReport.map;

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
import yentra.core.boundary.Watch;
import yentra.core.check.mend.Planner;
import yentra.core.check.mend.RepairPlan;
import yentra.core.check.run.CheckRun;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.UnreadableException;
import yentra.core.exchange.Handover;
import yentra.core.exchange.HandoverFormat;
import yentra.core.finding.Finding;
import yentra.core.finding.Limits;
import yentra.core.finding.Severity;
import yentra.core.repair.Repair;
import yentra.core.repair.Several;
import yentra.core.scope.ScopeSheet;

/** Makes a repair plan for a file, applies it, writes gbXML, reads it back and checks it again. */
@Command(
    name = "repair",
    description =
        "Puts right what a file itself determines how to, writes gbXML and checks what was written.",
    mixinStandardHelpOptions = true)
final class RepairCommand implements Callable<Integer> {
  /** How the answer is written. */
  @Option(
      names = "--safe",
      description = "only what the file itself determines; nothing is invented (default)")
  private boolean safe;

  @Option(
      names = "--all",
      description = "then also the first remedy of what needs a judgement, each told as such")
  private boolean all;

  @Option(names = "-o", required = true, paramLabel = "OUT", description = "the file to write")
  private Path out;

  @Option(names = "--format", defaultValue = "TEXT", description = "text or json (default: text)")
  private Format format;

  @Mixin private CheckChoice choice = new CheckChoice();

  @Mixin private BoundaryChoice boundaries = new BoundaryChoice();

  @Parameters(paramLabel = "IN", description = "an IFC or gbXML file, or a plan document")
  private Path in;

  private final PrintStream print = System.out;

  @Override
  public Integer call() throws IOException, UnreadableException {
    if (safe && all) {
      throw new IOException("Say --safe or --all, not both.");
    }
    Output.isNot(out, in);
    Limits set = choice.limits();
    ScopeSheet applied = choice.sheet();
    Checked before = Checked.of(in, set, boundaries.options(), applied, null);
    long t0 = System.nanoTime();
    CheckRun start = new CheckRun(before.context(), before.findings());
    RepairPlan plan = all ? Planner.all(start, Watch.NONE) : Planner.safe(start, Watch.NONE);
    long t1 = System.nanoTime();
    Envelope mended = plan.after().context().envelope();
    Handover handover =
        Handover.of(
            HandoverFormat.GBXML_6_01, before.context().with(mended), ReadLimits.standard());
    Output.write(
        out,
        stream -> {
          stream.write(handover.bytes());
          return null;
        });
    long t2 = System.nanoTime();
    Checked after = Checked.of(out, set);
    if (format == Format.JSON) {
      Map<String, Object> report = report(before, plan, after, handover);
      report.put("timings_ms", map("plan", (t1 - t0) / 1_000_000, "apply", (t2 - t1) / 1_000_000));
      print.print(Format.json(report));
    } else {
      text(before, plan, after, handover);
    }
    return after.hasFaults() ? 1 : 0;
  }

  private Map<String, Object> report(
      Checked before, RepairPlan plan, Checked after, Handover handover) {
    List<Map<String, Object>> steps = new ArrayList<>();
    for (RepairPlan.Step s : plan.steps()) {
      steps.add(
          map(
              "step",
              steps.size() + 1,
              "code",
              s.finding().code(),
              "objects",
              s.finding().objects().stream().map(before.envelope()::fileId).toList(),
              "remedy",
              kind(s.remedy().repair()),
              "kind",
              s.remedy().safe() ? "safe" : "judgement",
              "says",
              s.says(),
              "resolves",
              s.resolves().size()));
    }
    List<Map<String, Object>> refused = new ArrayList<>();
    for (RepairPlan.Refused r : plan.refused()) {
      refused.add(
          map(
              "code",
              r.finding().code(),
              "objects",
              r.finding().objects().stream().map(before.envelope()::fileId).toList(),
              "remedy",
              kind(r.remedy().repair()),
              "reason",
              r.reason()));
    }
    return map(
        "file",
        in.toString(),
        "plan",
        steps,
        "refused",
        refused,
        "before",
        counts(before),
        "after",
        counts(after),
        "totals",
        map(
            "before",
            CheckReport.size(before.context()),
            "after",
            CheckReport.size(after.context())),
        "left",
        after.findings().stream().map(f -> CheckReport.finding(after.envelope(), f)).toList(),
        "readBack",
        handover.differences());
  }

  private static Map<String, Object> counts(Checked c) {
    return map(
        "blockers",
        c.count(Severity.BLOCKER),
        "errors",
        c.count(Severity.ERROR),
        "warnings",
        c.count(Severity.WARNING),
        "notes",
        c.count(Severity.NOTE));
  }

  /** What a repair is called in answers: close-hole. */
  private static String kind(Repair repair) {
    Repair r = repair instanceof Several s ? s.repairs().get(0) : repair;
    return r.getClass()
        .getSimpleName()
        .replaceAll("([a-z])([A-Z])", "$1-$2")
        .toLowerCase(Locale.ROOT);
  }

  private void text(Checked before, RepairPlan plan, Checked after, Handover handover) {
    int n = 0;
    for (RepairPlan.Step s : plan.steps()) {
      print.printf(
          Locale.ROOT,
          "%3d  %s  %s%s%n",
          ++n,
          s.finding().code(),
          s.says(),
          s.remedy().safe() ? "" : " (assumed: a judgement)");
    }
    for (RepairPlan.Refused r : plan.refused()) {
      print.printf(
          "  –  %s  %s: not taken. %s%n", r.finding().code(), r.remedy().label(), r.reason());
    }
    handover.differences().forEach(d -> print.println("differs: " + d));
    for (Finding f : after.findings()) {
      if (f.severity() == Severity.BLOCKER || f.severity() == Severity.ERROR) {
        print.printf("left: %-7s %s  %s%n", f.severity().label(), f.code(), f.message());
      }
    }
    print.printf(
        "%s: %d steps; blockers %d → %d, errors %d → %d, warnings %d → %d%n",
        out,
        plan.steps().size(),
        before.count(Severity.BLOCKER),
        after.count(Severity.BLOCKER),
        before.count(Severity.ERROR),
        after.count(Severity.ERROR),
        before.count(Severity.WARNING),
        after.count(Severity.WARNING));
  }
}
