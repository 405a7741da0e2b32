package yentra.server.handover;

import java.nio.charset.StandardCharsets;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import java.util.stream.Collectors;
import yentra.core.exchange.BalanceLine;
import yentra.core.exchange.HandoverFormat;
import yentra.core.exchange.UnitSystem;
import yentra.core.units.Quantity;
import yentra.server.web.Markup;

/**
 * The report that goes with a handover, one HTML page that needs nothing beside it: what came in
 * and went out, what was done, what was left and why, and the balance sheet. The same record gives
 * the same bytes.
 */
final class HandoverReport {
  private static final DateTimeFormatter MOMENT =
      DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm 'UTC'", Locale.ROOT);

  private static final String STYLE =
      "body{font:14px/1.45 system-ui,sans-serif;max-width:60rem;margin:2rem auto;color:#1d2b30}"
          + "h1{font-size:1.5rem}h2{font-size:1.1rem;margin-top:2rem}"
          + "table{border-collapse:collapse;width:100%}"
          + "th,td{text-align:left;padding:.2rem .6rem .2rem 0;border-bottom:1px solid #cfd8d8;"
          + "vertical-align:top}td.n,th.n{text-align:right;font-variant-numeric:tabular-nums}"
          + "code{font-size:.85em;overflow-wrap:anywhere}.open{font-weight:600}";

  private final StringBuilder html = new StringBuilder(1 << 14);
  private final UnitSystem units;

  private HandoverReport(UnitSystem units) {
    this.units = units;
  }

  /**
   * Writes the page.
   *
   * @param partNotes what was done at the edges of a part
   * @param files of formats, with what is to be said of them
   */
  static byte[] html(
      Provenance record,
      List<String> partNotes,
      List<HandoverStore.FileRow> files,
      List<BalanceLine> balance) {
    HandoverReport r = new HandoverReport(record.choice().units());
    r.head(record);
    r.came(record, partNotes);
    r.went(files);
    r.notes(files);
    r.balance(balance);
    r.done(record);
    r.left(record);
    r.html.append("</body></html>\n");
    return r.html.toString().getBytes(StandardCharsets.UTF_8);
  }

  private void head(Provenance p) {
    String title = Markup.text(p.from().projectName()) + ": handover";
    html.append("<!doctype html>\n<html lang=\"en\"><head><meta charset=\"utf-8\"><title>")
        .append(title)
        .append("</title><style>")
        .append(STYLE)
        .append("</style></head><body>\n<h1>")
        .append(title)
        .append("</h1>\n<p>")
        .append(Markup.text(p.made().by()))
        .append(", ")
        .append(MOMENT.format(p.made().at().atOffset(ZoneOffset.UTC)))
        .append(", state ")
        .append(p.made().version())
        .append(" of the log. Written by ")
        .append(Markup.text(p.product()))
        .append(".</p>\n");
  }

  private void came(Provenance p, List<String> partNotes) {
    title("What came in");
    html.append("<p>")
        .append(Markup.text(p.from().fileName()))
        .append(", part ")
        .append(p.from().part())
        .append(", revision ")
        .append(p.from().revision())
        .append(", ")
        .append(p.from().size())
        .append(" bytes<br><code>SHA-256 ")
        .append(p.from().sha256())
        .append("</code></p>\n");
    if (!partNotes.isEmpty()) {
      list(partNotes);
    }
  }

  private void went(List<HandoverStore.FileRow> files) {
    title("What goes out");
    table(
        List.of("File", "Format", "Holds", "Proof"),
        files,
        List.of(
            f -> Markup.text(f.fileName()) + "<br><code>SHA-256 " + f.sha256() + "</code>",
            f ->
                Markup.text(HandoverFormat.named(f.format()).map(HandoverFormat::label).orElse("")),
            f ->
                f.counts().entrySet().stream()
                    .map(e -> e.getValue() + " " + Markup.text(e.getKey()))
                    .collect(Collectors.joining(", ")),
            HandoverReport::proof));
  }

  private static String proof(HandoverStore.FileRow f) {
    boolean read = HandoverFormat.named(f.format()).map(HandoverFormat::isReadBack).orElse(false);
    List<String> said = new ArrayList<>();
    if (read && f.differences().isEmpty()) {
      said.add("read back equal");
    }
    f.differences().forEach(d -> said.add("reads back: " + d));
    f.faults().forEach(d -> said.add("against the standard: " + d));
    return said.isEmpty() ? "counted" : Markup.text(String.join("; ", said));
  }

  private void notes(List<HandoverStore.FileRow> files) {
    List<String> lines = new ArrayList<>();
    for (HandoverStore.FileRow f : files) {
      String label = HandoverFormat.named(f.format()).map(HandoverFormat::label).orElse("");
      f.notes().forEach(n -> lines.add(label + ": " + n));
    }
    if (!lines.isEmpty()) {
      title("What the formats have no place for, and what was assumed");
      list(lines);
    }
  }

  private String figure(BalanceLine l, Double v) {
    if (v == null) {
      return "–";
    }
    Quantity q = l.measure().quantity();
    return q == null
        ? String.valueOf(Math.round(v))
        : String.format(Locale.ROOT, "%.2f %s", units.from(q, v), units.of(q).symbol());
  }

  private void balance(List<BalanceLine> lines) {
    title("Balance sheet");
    html.append("<table><tr><th></th><th class=n>Source</th><th class=n>As delivered</th>")
        .append("<th class=n>Now</th><th class=n>Read back</th><th>What makes the difference</th>")
        .append("</tr>\n");
    for (BalanceLine l : lines) {
      html.append("<tr><td>").append(Markup.text(l.what()));
      for (Double v : java.util.Arrays.asList(l.source(), l.before(), l.now(), l.readBack())) {
        html.append("</td><td class=n>").append(Markup.text(figure(l, v)));
      }
      html.append("</td><td>")
          .append(
              l.causes().stream()
                  .map(c -> Markup.text(c.said(units)))
                  .collect(Collectors.joining("<br>")))
          .append("</td></tr>\n");
    }
    html.append("</table>\n");
  }

  private void done(Provenance p) {
    title("What was done (" + p.log().size() + ")");
    if (p.log().isEmpty()) {
      html.append("<p>Nothing: it goes out as it was delivered.</p>\n");
      return;
    }
    table(
        List.of("Step", "By", "When"),
        p.log(),
        List.of(
            s -> Markup.text(s.summary()),
            s -> Markup.text(s.by()),
            s -> MOMENT.format(s.at().atOffset(ZoneOffset.UTC))));
  }

  private void left(Provenance p) {
    title("Findings that were left (" + p.left().size() + ")");
    if (p.left().isEmpty()) {
      html.append("<p>None.</p>\n");
      return;
    }
    table(
        List.of("Check", "Severity", "Finding", "Why it was left"),
        p.left(),
        List.of(
            l -> Markup.text(l.code()),
            l -> Markup.text(l.severity()),
            l -> Markup.text(l.message()),
            l ->
                l.reason() == null
                    ? "<span class=open>open</span>"
                    : Markup.text(l.reason()) + " (" + Markup.text(l.by()) + ")"));
  }

  private void title(String words) {
    html.append("<h2>").append(Markup.text(words)).append("</h2>\n");
  }

  private void list(List<String> lines) {
    html.append("<ul>");
    lines.forEach(l -> html.append("<li>").append(Markup.text(l)).append("</li>\n"));
    html.append("</ul>\n");
  }

  private <T> void table(List<String> heads, List<T> rows, List<Function<T, String>> cells) {
    html.append("<table><tr>");
    heads.forEach(h -> html.append("<th>").append(Markup.text(h)).append("</th>"));
    html.append("</tr>\n");
    for (T row : rows) {
      html.append("<tr>");
      cells.forEach(c -> html.append("<td>").append(c.apply(row)).append("</td>"));
      html.append("</tr>\n");
    }
    html.append("</table>\n");
  }
}
