package yentra.server.report;

import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Base64;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import yentra.core.exchange.UnitSystem;
import yentra.server.db.tables.records.DeliveryRecord;
import yentra.server.decisions.Decisions;
import yentra.server.deliveries.DeliveryStates;
import yentra.server.deliveries.DeliveryStore;
import yentra.server.estimate.EstimateRuns;
import yentra.server.estimate.EstimateViews;
import yentra.server.estimate.SiteAnswers;
import yentra.server.handover.Handovers;
import yentra.server.projects.ProjectStore;
import yentra.server.thermal.ThermalAnswers;
import yentra.server.variants.Sweeps;
import yentra.server.variants.VariantAnswers;
import yentra.server.variants.VariantViews;
import yentra.server.web.Markup;
import yentra.server.web.Problem;

/** Makes reports and write-ups of the newest state of a delivery, as one page or as PDF. */
@Service
public class Reports {
  static final List<String> MONTHS =
      List.of("Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec");

  private static final int MOST_BLOCKS = 200;

  private static final DateTimeFormatter MOMENT =
      DateTimeFormatter.ofPattern("d MMMM yyyy, HH:mm 'UTC'", Locale.ENGLISH);

  private static final String STYLE =
      """
      body{font-family:%1$s,sans-serif;font-size:10pt;line-height:1.4;color:#1d2b30;margin:0 auto;max-width:46rem}
      h1{font-size:22pt;line-height:1.15;margin:0 0 4pt}
      h2{font-size:14pt;margin:18pt 0 6pt;color:#12584a;page-break-after:avoid}
      h3{font-size:10.5pt;margin:11pt 0 3pt;page-break-after:avoid}
      p{margin:0 0 5pt}
      ul{margin:0 0 6pt;padding-left:14pt}
      table{border-collapse:collapse;width:100%%;margin:3pt 0 9pt;-fs-table-paginate:paginate}
      th,td{text-align:left;vertical-align:top;padding:2pt 6pt 2pt 0;border-bottom:0.5pt solid #cfd8d8;font-weight:normal}
      thead th{font-size:8.5pt;color:#5b6b73;vertical-align:bottom}
      th.n,td.n{text-align:right;padding:2pt 0 2pt 6pt}
      table.facts{width:auto;min-width:60%%}
      tr{page-break-inside:avoid}
      .figure{margin:6pt 0 10pt;page-break-inside:avoid}
      .figure img{width:100%%}
      td:first-child{min-width:16mm}
      td:last-child{min-width:18mm}
      .caption{font-size:8.5pt;color:#5b6b73;margin:2pt 0 0}
      .note{color:#8a4b00;font-weight:bold}
      .from{color:#5b6b73;font-size:9pt}
      .contents a{color:#1d2b30;text-decoration:none}
      .contents p{margin:0 0 3pt}
      """
          .formatted(Pdf.FAMILIES);

  private static final String PRINT =
      """
      @page{size:%s;margin:20mm 18mm 18mm 20mm;
        @bottom-left{content:"%s";font-family:%s;font-size:8pt;color:#5b6b73}
        @bottom-right{content:counter(page) " / " counter(pages);font-family:%s;font-size:8pt;color:#5b6b73}}
      body{max-width:none}
      .contents a::after{content:leader(" .") " " target-counter(attr(href), page)}
      .first{page-break-after:always}
      """;

  private final DeliveryStore deliveries;
  private final DeliveryStates states;
  private final ProjectStore projects;
  private final Decisions decisions;
  private final EstimateRuns runs;
  private final SiteAnswers site;
  private final ThermalAnswers thermal;
  private final Handovers handovers;
  private final VariantAnswers variants;
  private final Sweeps sweeps;
  private final StagePictures pictures;

  Reports(
      DeliveryStore deliveries,
      DeliveryStates states,
      ProjectStore projects,
      Decisions decisions,
      EstimateRuns runs,
      SiteAnswers site,
      ThermalAnswers thermal,
      Handovers handovers,
      VariantAnswers variants,
      Sweeps sweeps,
      StagePictures pictures) {
    this.deliveries = deliveries;
    this.states = states;
    this.projects = projects;
    this.decisions = decisions;
    this.runs = runs;
    this.site = site;
    this.thermal = thermal;
    this.handovers = handovers;
    this.variants = variants;
    this.sweeps = sweeps;
    this.pictures = pictures;
  }

  /** A chapter or block that is ready: its heading, and what stands under it. */
  private record Part(String title, String body) {}

  /**
   * As one HTML page that needs nothing beside it.
   *
   * @param assumeMissing whether variants are those with what is missing assumed
   */
  public byte[] html(UUID delivery, WriteUp w, boolean assumeMissing, Instant at) {
    return page(delivery, w, assumeMissing, at, false)
        .getBytes(java.nio.charset.StandardCharsets.UTF_8);
  }

  /** As PDF. */
  public byte[] pdf(UUID delivery, WriteUp w, boolean assumeMissing, Instant at) {
    return Pdf.of(page(delivery, w, assumeMissing, at, true), at);
  }

  private String page(UUID delivery, WriteUp w, boolean assume, Instant at, boolean print) {
    if (w.blocks().isEmpty() || w.blocks().size() > MOST_BLOCKS) {
      throw Problem.bad("A report has 1 to " + MOST_BLOCKS + " parts.");
    }
    DeliveryRecord d = deliveries.get(delivery);
    ReportData data = data(d);
    UnitSystem units =
        w.units() != null
            ? w.units()
            : "IP".equals(data.state().settings().units()) ? UnitSystem.IP : UnitSystem.SI;
    Shown shown = new Shown(units);
    List<Part> parts = parts(delivery, w, assume, data, shown);
    String project = projects.name(d.getProjectId());
    String title = w.title().isEmpty() ? project : w.title();
    Markup out = new Markup();
    out.raw(
            "<!DOCTYPE html>\n<html xmlns=\"http://www.w3.org/1999/xhtml\" lang=\"en\"><head><meta charset=\"utf-8\"/><title>")
        .raw(Markup.text(title))
        .raw("</title><meta name=\"description\" content=\"")
        .raw(Markup.text("Report of " + project))
        .raw("\"/><style>")
        .raw(STYLE)
        .raw(
            print
                ? PRINT.formatted(w.paper().css(), quoted(title), Pdf.FAMILIES, Pdf.FAMILIES)
                : "")
        .raw("</style>");
    if (print) {
      out.raw("<bookmarks>");
      for (int i = 0; i < parts.size(); i++) {
        if (!parts.get(i).title.isEmpty()) {
          out.raw(
              "<bookmark name=\""
                  + Markup.text(parts.get(i).title)
                  + "\" href=\"#part"
                  + i
                  + "\"/>");
        }
      }
      out.raw("</bookmarks>");
    }
    out.raw("</head><body>\n<div class=\"first\"><h1>").raw(Markup.text(title)).raw("</h1>\n");
    out.p(
        "from",
        project
            + ", "
            + d.getFileName()
            + ", revision "
            + d.getRevision()
            + ", "
            + Shown.count(data.log().size(), "step")
            + " made. "
            + MOMENT.format(at.atOffset(ZoneOffset.UTC))
            + ".");
    contents(out, parts);
    out.raw("</div>\n");
    for (int i = 0; i < parts.size(); i++) {
      Part p = parts.get(i);
      out.raw("<div id=\"part" + i + "\">");
      if (!p.title.isEmpty()) {
        out.raw("<h2>" + Markup.text(p.title) + "</h2>\n");
      }
      out.raw(p.body).raw("</div>\n");
    }
    return out.raw("</body></html>\n").toString();
  }

  /** Text within quotes in a style sheet. */
  private static String quoted(String s) {
    return Markup.text(s.replace("\\", "\\\\").replace("\"", "\\\"").replaceAll("\\s+", " "));
  }

  private static void contents(Markup out, List<Part> parts) {
    long titled = parts.stream().filter(p -> !p.title.isEmpty()).count();
    if (titled < 2) {
      return;
    }
    out.raw("<h2>Contents</h2><div class=\"contents\">");
    for (int i = 0; i < parts.size(); i++) {
      if (!parts.get(i).title.isEmpty()) {
        out.raw("<p><a href=\"#part" + i + "\">" + Markup.text(parts.get(i).title) + "</a></p>");
      }
    }
    out.raw("</div>\n");
  }

  private ReportData data(DeliveryRecord d) {
    DeliveryStore.Loaded l = deliveries.loaded(d.getId());
    DeliveryStates.State s = states.state(d, l.inForce());
    List<EstimateViews.EstimateRunView> all = runs.of(d.getId());
    Optional<EstimateViews.EstimateRunView> newest =
        all.stream().filter(r -> r.state().equals("done") && !r.stale()).findFirst();
    return new ReportData(
        d,
        s,
        deliveries.ofProject(d.getProjectId()).stream()
            .sorted(
                Comparator.comparing(DeliveryRecord::getReceivedAt)
                    .thenComparing(DeliveryRecord::getId))
            .toList(),
        l.inForce(),
        deliveries.report(d),
        decisions.of(d, s.context(), s.findings()),
        new ReportData.Sources(
            () -> site.climate(d.getId()),
            () -> handovers.balance(d.getId()).lines(),
            () -> thermal.of(d.getId()),
            () -> site.junctions(d.getId()),
            () -> newest.map(r -> runs.result(r.id())),
            () ->
                all.isEmpty()
                    ? "Loads and the year have not been run."
                    : "Loads and the year have not been run on the building as it is now."));
  }

  private List<Part> parts(UUID delivery, WriteUp w, boolean assume, ReportData data, Shown shown) {
    boolean any =
        w.blocks().stream()
            .anyMatch(
                b ->
                    !(b instanceof WriteUp.ChapterBlock
                        || b instanceof WriteUp.TextBlock
                        || b instanceof WriteUp.PictureBlock));
    VariantViews.VariantsView all = any ? variants.of(delivery, assume) : null;
    VariantBlocks blocks = new VariantBlocks(all, shown);
    List<Part> out = new ArrayList<>();
    for (WriteUp.Block b : w.blocks()) {
      Markup m = new Markup();
      String title = block(b, m, blocks, data, shown);
      out.add(new Part(title, m.toString()));
    }
    return out;
  }

  /** Writes a block; returns its heading, empty for none. */
  private String block(
      WriteUp.Block b, Markup m, VariantBlocks blocks, ReportData data, Shown shown) {
    if (b instanceof WriteUp.ChapterBlock c) {
      chapter(m, c.chapter(), data, shown);
      return c.chapter().label();
    }
    if (b instanceof WriteUp.TextBlock t) {
      m.paragraphs(t.text());
      return t.heading();
    }
    if (b instanceof WriteUp.PictureBlock p) {
      picture(m, p, data);
      return "";
    }
    if (b instanceof WriteUp.MeasureBlock x) {
      blocks.measure(m, x.variant(), x.text());
      return blocks.title(x.variant());
    }
    if (b instanceof WriteUp.ComparisonBlock c) {
      blocks.comparison(m, c.variants());
      return "Variants side by side";
    }
    WriteUp.SweepBlock c = (WriteUp.SweepBlock) b;
    VariantViews.SweptView s = sweeps.sweep(c.sweep());
    blocks.sweep(m, s, c.metric());
    return "Sweep: " + s.name();
  }

  private void picture(Markup m, WriteUp.PictureBlock p, ReportData data) {
    StagePictures.Taken t = pictures.one(p.picture()).orElse(null);
    if (t == null) {
      m.p("note", "The picture that stood here was taken away.");
      return;
    }
    String now = runs.key(deliveries.loaded(data.delivery().getId()));
    boolean old = !now.equals(t.stateKey());
    String alt = p.caption().isEmpty() ? "The model" : p.caption();
    m.figure(
        "<img alt=\""
            + Markup.text(alt)
            + "\" src=\"data:image/png;base64,"
            + Base64.getEncoder().encodeToString(t.png())
            + "\"/>",
        Stream.of(p.caption(), old ? "Taken before the building’s last change." : "")
            .filter(x -> !x.isEmpty())
            .reduce((a, b) -> a + (a.matches(".*[.!?]$") ? " " : ". ") + b)
            .orElse(""));
  }

  private static void chapter(Markup m, ReportChapter c, ReportData data, Shown shown) {
    if (c == null) {
      throw Problem.bad("Say which chapter.");
    }
    BuildingChapters building = new BuildingChapters(data, shown);
    ThermalChapters parts = new ThermalChapters(data, shown);
    EstimateChapters estimate = new EstimateChapters(data, shown);
    switch (c) {
      case PLACE -> building.place(m);
      case DELIVERIES -> building.deliveries(m);
      case SCOPE -> building.scope(m);
      case BALANCE -> building.balance(m);
      case FINDINGS -> building.findings(m);
      case REPAIRS -> building.repairs(m);
      case CONSTRUCTIONS -> parts.constructions(m);
      case USES -> parts.uses(m);
      case AREAS -> parts.areas(m);
      case JUNCTIONS -> parts.junctions(m);
      case LOADS -> estimate.loads(m);
      case YEAR -> estimate.year(m);
      case ASSUMPTIONS -> estimate.assumptions(m);
    }
  }
}
