package yentra.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import yentra.core.boundary.BoundaryOptions;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Rules;
import yentra.core.envelope.UnreadableException;
import yentra.core.revision.RevisionComparison;

/** What changed from one file to the other. Exit 0: nothing; 1: something; 2: not readable. */
@Command(
    name = "compare",
    description =
        "Compares two envelopes: spaces, surfaces, openings, constructions added, removed, moved, changed, with measures.",
    mixinStandardHelpOptions = true)
final class CompareCommand implements Callable<Integer> {
  @Parameters(index = "0", paramLabel = "A", description = "the file before")
  private Path a;

  @Parameters(index = "1", paramLabel = "B", description = "the file after")
  private Path b;

  @Option(names = "--format", description = "text or json", defaultValue = "text")
  private Format format;

  @Override
  public Integer call() throws IOException, UnreadableException {
    Rules rules = Rules.standard();
    List<RevisionComparison.Entry> entries =
        RevisionComparison.of(envelope(a), envelope(b), rules).entries();
    System.out.print(format == Format.JSON ? json(entries) : text(entries));
    return entries.isEmpty() ? 0 : 1;
  }

  private static Envelope envelope(Path file) throws IOException, UnreadableException {
    return Staged.of(file, BoundaryOptions.STANDARD).envelope();
  }

  private String json(List<RevisionComparison.Entry> entries) {
    Map<String, Object> out = new LinkedHashMap<>();
    out.put("before", a.toString());
    out.put("after", b.toString());
    out.put("totals", totals(entries));
    List<Map<String, Object>> list = new ArrayList<>();
    for (RevisionComparison.Entry e : entries) {
      Map<String, Object> m = new LinkedHashMap<>();
      m.put("change", e.change().name().toLowerCase(Locale.ROOT));
      m.put("kind", e.kind());
      m.put("before", e.before());
      m.put("after", e.after());
      m.put("name", e.name());
      m.put("details", e.details());
      m.put("byGeometry", e.byGeometry());
      list.add(m);
    }
    out.put("changes", list);
    return Format.json(out);
  }

  private static Map<String, Integer> totals(List<RevisionComparison.Entry> entries) {
    Map<RevisionComparison.Change, Integer> counts = new EnumMap<>(RevisionComparison.Change.class);
    for (RevisionComparison.Change c : RevisionComparison.Change.values()) {
      counts.put(c, 0);
    }
    entries.forEach(e -> counts.merge(e.change(), 1, Integer::sum));
    Map<String, Integer> out = new LinkedHashMap<>();
    counts.forEach((c, n) -> out.put(c.name().toLowerCase(Locale.ROOT), n));
    return out;
  }

  private static String text(List<RevisionComparison.Entry> entries) {
    if (entries.isEmpty()) {
      return "Nothing differs.\n";
    }
    StringBuilder out = new StringBuilder();
    for (RevisionComparison.Entry e : entries) {
      out.append(
          String.format(
              Locale.ROOT,
              "%-8s %-12s %s%s (%s)%s%n",
              e.change().name().toLowerCase(Locale.ROOT),
              e.kind(),
              e.name(),
              e.details().isEmpty() ? "" : ": " + String.join("; ", e.details()),
              e.after() == null ? e.before() : e.after(),
              e.byGeometry() ? ", was " + e.before() : ""));
    }
    totals(entries).forEach((c, n) -> out.append(n).append(' ').append(c).append("  "));
    return out.toString().stripTrailing() + "\n";
  }
}
