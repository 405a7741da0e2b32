package yentra.server.report;

import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import yentra.core.check.measure.Figures;
import yentra.core.envelope.Site;
import yentra.core.exchange.BalanceLine;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;
import yentra.core.units.Quantity;
import yentra.server.decisions.DecisionViews;
import yentra.server.deliveries.LogViews;
import yentra.server.estimate.ClimateViews;
import yentra.server.web.Markup;

/** Chapters about what came in, what was decided, and what is left. */
final class BuildingChapters {
  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

  /** Findings that are told one by one in each group; the others are counted. */
  private static final int MOST_OF_A_KIND = 400;

  private final ReportData data;
  private final Shown shown;

  BuildingChapters(ReportData data, Shown shown) {
    this.data = data;
    this.shown = shown;
  }

  void place(Markup out) {
    Site site = data.state().envelope().site();
    List<List<String>> rows = new ArrayList<>();
    rows.add(
        List.of(
            "Place", site.name() == null || site.name().isBlank() ? "not stated" : site.name()));
    rows.add(
        List.of("Latitude, longitude", angle(site.latitude()) + ", " + angle(site.longitude())));
    rows.add(List.of("Above sea level", shown.text(Quantity.LENGTH, site.elevation(), 0)));
    rows.add(
        List.of(
            "The model’s y axis looks to",
            site.northAzimuth() == null
                ? "not stated"
                : angle(site.northAzimuth()) + " from true north"));
    out.facts(rows);
    if (data.climate().isEmpty()) {
      out.p("note", "No weather file is chosen: nothing is said of the climate.");
      return;
    }
    ClimateViews.ClimateView c = data.climate().get();
    out.h3("Climate");
    List<List<String>> climate = new ArrayList<>();
    climate.add(List.of("Weather", c.label()));
    climate.add(
        List.of(
            "Observed at",
            angle(c.latitude())
                + ", "
                + angle(c.longitude())
                + ", "
                + shown.text(Quantity.LENGTH, c.elevation(), 0)));
    climate.add(List.of("Mean temperature", shown.text(Quantity.TEMPERATURE, c.mean(), 1)));
    climate.add(
        List.of(
            "Coldest, warmest",
            shown.text(Quantity.TEMPERATURE, c.min(), 1)
                + ", "
                + shown.text(Quantity.TEMPERATURE, c.max(), 1)));
    climate.add(
        List.of(
            "Heating degree days",
            shown.text(Quantity.TEMPERATURE_DIFFERENCE, c.heatingDegreeDays(), 0) + " · d"));
    climate.add(
        List.of(
            "Sun on level ground",
            shown.text(Quantity.HEAT_BY_AREA, c.global().stream().mapToDouble(v -> v).sum(), 0)));
    out.facts(climate);
    out.figure(
        ChartDrawing.bars(
            "Mean outdoor temperature by month",
            Reports.MONTHS,
            List.of(
                new ChartDrawing.Series(
                    "Mean temperature, " + shown.unit(Quantity.TEMPERATURE),
                    c.monthly().stream()
                        .map(v -> Math.max(0, shown.of(Quantity.TEMPERATURE, v)))
                        .toList()))),
        "Mean outdoor temperature by month, "
            + shown.unit(Quantity.TEMPERATURE)
            + "; months below nought have no bar.");
    out.list(c.missing().stream().map(shown::said).toList());
    out.list(c.notes().stream().map(shown::said).toList());
  }

  private static String angle(Double v) {
    return v == null ? "not stated" : String.format(Locale.ROOT, "%.2f°", v);
  }

  void deliveries(Markup out) {
    List<List<String>> rows = new ArrayList<>();
    data.deliveries()
        .forEach(
            d ->
                rows.add(
                    List.of(
                        d.getFileName(),
                        d.getFormat(),
                        "part " + d.getPart() + ", revision " + d.getRevision(),
                        DAY.format(d.getReceivedAt().atOffset(ZoneOffset.UTC)),
                        d.getReceivedBy(),
                        Shown.count(d.getSize()))));
    out.table(List.of("File", "Format", "Place", "Received", "By", "Bytes"), rows, 5);
    LogViews.ReportView r = data.read();
    out.h3("What was read of " + data.delivery().getFileName());
    out.facts(r.read().stream().map(c -> List.of(c.what(), Shown.count(c.count()))).toList());
    if (!r.notes().isEmpty()) {
      out.p(Shown.count(r.notes().size(), "note") + " were made while it was read:");
      out.list(
          r.notes().stream()
              .map(n -> shown.said(n.message()) + (n.line() > 0 ? " (line " + n.line() + ")" : ""))
              .toList());
    }
  }

  void scope(Markup out) {
    var result = data.state().result();
    int all = result.decisions().size();
    out.p(
        Shown.count(result.in())
            + " of "
            + Shown.count(all, "element")
            + " are in the scope"
            + data.state().scope().sheet().map(s -> ", by the rules of " + s.name()).orElse("")
            + ".");
    Map<String, int[]> kinds = new TreeMap<>();
    result
        .decisions()
        .forEach(
            d -> kinds.computeIfAbsent(d.element().entity(), k -> new int[2])[d.in() ? 0 : 1]++);
    out.table(
        List.of("Kind", "In", "Left out"),
        kinds.entrySet().stream()
            .map(
                e ->
                    List.of(e.getKey(), Shown.count(e.getValue()[0]), Shown.count(e.getValue()[1])))
            .toList(),
        1);
    if (!result.faults().isEmpty()) {
      out.p(Shown.count(result.faults().size(), "requirement") + " are not met.");
    }
  }

  void balance(Markup out) {
    List<List<String>> rows = new ArrayList<>();
    for (BalanceLine l : data.balance()) {
      List<String> row = new ArrayList<>(List.of(l.what()));
      for (Double v : java.util.Arrays.asList(l.source(), l.before(), l.now(), l.readBack())) {
        Quantity q = l.measure().quantity();
        row.add(v == null ? "–" : q == null ? Shown.count(v) : shown.text(q, v, 2));
      }
      rows.add(row);
    }
    out.table(List.of("", "Source", "As delivered", "Now", "Read back"), rows, 1);
    List<String> causes = new ArrayList<>();
    for (BalanceLine l : data.balance()) {
      l.causes().forEach(c -> causes.add(l.what() + ": " + shown.said(c.said(shown.units()))));
    }
    if (!causes.isEmpty()) {
      out.h3("What makes the differences");
      out.list(causes);
    }
  }

  void findings(Markup out) {
    List<Finding> all = data.state().findings();
    Map<Severity, Integer> open = new LinkedHashMap<>();
    for (Severity s : Severity.values()) {
      open.put(s, data.known().open(all, s));
    }
    if (all.isEmpty()) {
      out.p("No finding is left.");
      return;
    }
    out.table(
        List.of("Severity", "Open", "Accepted"),
        open.entrySet().stream()
            .map(
                e ->
                    List.of(
                        e.getKey().name().charAt(0)
                            + e.getKey().name().substring(1).toLowerCase(Locale.ROOT),
                        Shown.count(e.getValue()),
                        Shown.count(
                            all.stream().filter(f -> f.severity() == e.getKey()).count()
                                - e.getValue())))
            .toList(),
        1);
    List<List<String>> rows = new ArrayList<>();
    Map<String, Integer> told = new TreeMap<>();
    Map<String, Integer> left = new TreeMap<>();
    for (Finding f : all) {
      if (told.merge(f.code(), 1, Integer::sum) > MOST_OF_A_KIND) {
        left.merge(f.code(), 1, Integer::sum);
        continue;
      }
      rows.add(List.of(f.code(), shown.said(f.message()), why(f)));
    }
    out.table(List.of("Check", "Finding", "Why it is left"), rows, 3);
    left.forEach((code, n) -> out.p("note", "And " + Shown.count(n) + " more of " + code + "."));
  }

  private String why(Finding f) {
    DecisionViews.AcceptanceView a = data.known().accepted().get(f.id());
    return a == null
        ? "open"
        : a.holds()
            ? "accepted by " + a.by() + ": " + a.reason()
            : "open: it changed since " + a.by() + " accepted it";
  }

  void repairs(Markup out) {
    List<List<String>> rows = new ArrayList<>();
    data.log()
        .forEach(
            e ->
                rows.add(
                    List.of(
                        String.valueOf(rows.size() + 1),
                        shown.said(e.getSummary()),
                        e.getMadeBy(),
                        DAY.format(e.getMadeAt().atOffset(ZoneOffset.UTC)))));
    if (rows.isEmpty()) {
      out.p("Nothing was changed.");
    } else {
      out.table(List.of("", "Step", "By", "On"), rows, 4);
    }
    Figures before = data.state().before().figures();
    Figures now = data.state().context().figures();
    out.table(
        List.of("", "As delivered", "Now"),
        List.of(
            List.of(
                "Floor area",
                shown.text(Quantity.AREA, before.floorArea(), 2),
                shown.text(Quantity.AREA, now.floorArea(), 2)),
            List.of(
                "Volume",
                shown.text(Quantity.VOLUME, before.volume(), 2),
                shown.text(Quantity.VOLUME, now.volume(), 2)),
            List.of(
                "Surfaces",
                Shown.count(data.state().before().envelope().surfaces().size()),
                Shown.count(data.state().envelope().surfaces().size()))),
        1);
  }
}
