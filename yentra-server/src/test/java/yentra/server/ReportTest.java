package yentra.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import yentra.core.exchange.UnitSystem;
import yentra.demo.DemoFiles;
import yentra.demo.MarramClimate;
import yentra.server.report.ReportChapter;
import yentra.server.report.Reports;
import yentra.server.report.WriteUp;

/** Reports and write-ups, read again as PDF. */
@ExtendWith(RunningServer.class)
class ReportTest {
  private static final Instant AT = Instant.parse("2026-12-01T10:00:00Z");

  private RunningServer.Yentra yentra;
  private String project;
  private String delivery;

  @BeforeEach
  void deliver(RunningServer.Yentra running) {
    yentra = running;
    project = yentra.project();
    delivery =
        yentra.intake(project, "marram.xml", DemoFiles.faultyGbxml()).get("deliveryId").asString();
  }

  private static WriteUp everything(WriteUp.Paper paper, UnitSystem units) {
    return new WriteUp(
        "Marram Point <report> & more",
        paper,
        units,
        Arrays.stream(ReportChapter.values())
            .map(c -> (WriteUp.Block) new WriteUp.ChapterBlock(c))
            .toList());
  }

  private Reports reports() {
    return yentra.context.getBean(Reports.class);
  }

  private byte[] pdf(WriteUp w) {
    return reports().pdf(UUID.fromString(delivery), w, true, AT);
  }

  private static String text(byte[] pdf) throws IOException {
    try (PDDocument d = Loader.loadPDF(pdf)) {
      return new PDFTextStripper().getText(d);
    }
  }

  @Test
  void aReportHasAllItsChaptersTaggedAndWithBookmarks() throws Exception {
    byte[] pdf = pdf(everything(WriteUp.Paper.A4, UnitSystem.SI));
    String text = text(pdf);
    for (ReportChapter c : ReportChapter.values()) {
      assertThat(text).contains(c.label());
    }
    assertThat(text)
        .contains("Marram Point <report> & more")
        .contains("Boarded wall on block")
        .contains("Visitor gallery")
        .contains("m²")
        .contains("No weather file is chosen")
        .contains("have not been run");
    try (PDDocument d = Loader.loadPDF(pdf)) {
      assertThat(d.getDocumentCatalog().getMarkInfo().isMarked()).isTrue();
      assertThat(d.getDocumentCatalog().getLanguage()).isEqualTo("en");
      List<String> bookmarks = new ArrayList<>();
      for (PDOutlineItem i : d.getDocumentCatalog().getDocumentOutline().children()) {
        bookmarks.add(i.getTitle());
      }
      assertThat(bookmarks).hasSize(ReportChapter.values().length).contains("Balance sheet");
      assertThat(d.getPage(0).getMediaBox().getHeight()).isBetween(841f, 843f);
      for (PDPage p : d.getPages()) {
        for (var name : p.getResources().getFontNames()) {
          PDFont font = p.getResources().getFont(name);
          assertThat(font.isEmbedded()).as(font.getName()).isTrue();
        }
      }
      assertThat(text).contains("1 / " + d.getNumberOfPages());
    }
  }

  @Test
  void theSameStateGivesTheSameBytes() {
    WriteUp w = everything(WriteUp.Paper.LETTER, UnitSystem.IP);
    assertThat(pdf(w)).isEqualTo(pdf(w));
    UUID id = UUID.fromString(delivery);
    assertThat(reports().html(id, w, true, AT)).isEqualTo(reports().html(id, w, true, AT));
  }

  @Test
  void figuresAndSentencesFollowTheUnits() throws Exception {
    String ip = text(pdf(everything(WriteUp.Paper.LETTER, UnitSystem.IP)));
    assertThat(ip).contains("ft²").contains("Btu/(h ft² F)");
    assertThat(ip).doesNotContainPattern("\\d m²(?!K)").doesNotContain("W/m²K");
    try (PDDocument d = Loader.loadPDF(pdf(everything(WriteUp.Paper.LETTER, UnitSystem.IP)))) {
      assertThat(d.getPage(0).getMediaBox().getHeight()).isBetween(791f, 793f);
    }
  }

  @Test
  void htmlIsOnePageThatNeedsNothingBesideIt() {
    String html =
        new String(
            reports().html(UUID.fromString(delivery), everything(WriteUp.Paper.A4, null), true, AT),
            StandardCharsets.UTF_8);
    assertThat(html).contains("Marram Point &lt;report&gt; &amp; more");
    assertThat(html).doesNotContainPattern("(src|href)=\"(?!#|data:)").doesNotContain("<script");
  }

  private String weatherAndVariant() {
    yentra.upload("/api/projects/" + project + "/weather?name=coast.epw", MarramClimate.epw());
    return yentra
        .post(
            "/api/projects/" + project + "/variants",
            Map.of(
                "name",
                "Deep shades",
                "group",
                "",
                "parts",
                List.of(),
                "changes",
                List.of(
                    Map.of(
                        "change",
                        Map.of(
                            "kind",
                            "WindowShades",
                            "facing",
                            List.of(),
                            "overhang",
                            1,
                            "fin",
                            0)))))
        .json()
        .get("id")
        .asString();
  }

  private void run() throws InterruptedException {
    String runs = "/api/deliveries/" + delivery + "/variants/runs";
    yentra.post(runs, Map.of("variants", List.of(), "assumeMissing", true));
    for (int i = 0; i < 300; i++) {
      JsonNode v =
          yentra.get("/api/deliveries/" + delivery + "/variants?assumeMissing=true").json();
      boolean done = v.get("baseline").get("state").asString().equals("done");
      for (JsonNode x : v.get("variants")) {
        done &= x.get("run").get("state").asString().equals("done");
      }
      if (done) {
        return;
      }
      Thread.sleep(100);
    }
    throw new IllegalStateException("the runs do not end");
  }

  private static byte[] png() throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(40, 30, BufferedImage.TYPE_INT_RGB), "png", out);
    return out.toByteArray();
  }

  private String keep(String again, byte[] bytes) {
    RunningServer.Yentra.Answer a =
        yentra.upload(
            "/api/deliveries/"
                + delivery
                + "/pictures?look="
                + URLEncoder.encode("{\"cut\":null}", StandardCharsets.UTF_8)
                + (again == null ? "" : "&again=" + again),
            bytes);
    return a.status() == 201 ? a.json().get("id").asString() : String.valueOf(a.status());
  }

  @Test
  void aWriteUpIsKeptRememberedAndStaysTrue() throws Exception {
    String variant = weatherAndVariant();
    String picture = keep(null, png());
    Map<String, Object> body = new HashMap<>();
    body.put("title", "What shades would do");
    body.put("paper", "A4");
    body.put("units", "SI");
    body.put(
        "blocks",
        List.of(
            Map.of("kind", "TextBlock", "heading", "Why", "text", "The gallery is warm.\n\nVery."),
            Map.of("kind", "PictureBlock", "picture", picture, "caption", "From the sea"),
            Map.of("kind", "MeasureBlock", "variant", variant, "text", "Overhangs of larch."),
            Map.of("kind", "ComparisonBlock", "variants", List.of())));
    String path = "/api/projects/" + project + "/write-ups";
    RunningServer.Yentra.Answer made = yentra.post(path, body);
    assertThat(made.status()).as(made.body()).isEqualTo(201);
    JsonNode kept = yentra.get(path).json();
    assertThat(kept.get("writeUps").size()).isEqualTo(1);
    assertThat(kept.get("remembered").get("WindowShades").asString())
        .isEqualTo("Overhangs of larch.");
    String before = report(body);
    assertThat(before)
        .contains("The gallery is warm.")
        .contains("From the sea")
        .contains("was not run on the building as it is now");
    run();
    String after = report(body);
    assertThat(after).contains("Heating demand").contains("Deep shades").contains("Baseline");
    // a repair makes figures unknown and the picture old, until both are made again
    JsonNode model = yentra.get("/api/deliveries/" + delivery + "/model").json();
    yentra.post(
        "/api/deliveries/" + delivery + "/repairs",
        Map.of(
            "basedOn",
            model.get("delivery").get("version").asLong(),
            "repair",
            Map.of("kind", "StateUValue", "construction", "con-wall", "uValue", 0.4)));
    String old = report(body);
    assertThat(old).contains("Taken before the building’s last change").contains("was not run");
    assertThat(keep(picture, png())).isEqualTo(picture);
    assertThat(report(body)).doesNotContain("Taken before");
    String id = made.json().get("id").asString();
    assertThat(yentra.put("/api/write-ups/" + id, Map.of("basedOn", 5, "body", body)).status())
        .isEqualTo(409);
    assertThat(yentra.put("/api/write-ups/" + id, Map.of("basedOn", 0, "body", body)).status())
        .isEqualTo(204);
    assertThat(yentra.delete("/api/write-ups/" + id).status()).isEqualTo(204);
    assertThat(yentra.get(path).json().get("writeUps").size()).isZero();
  }

  private String report(Map<String, Object> body) throws IOException {
    RunningServer.Yentra.Answer a =
        yentra.post(
            "/api/deliveries/" + delivery + "/report",
            Map.of("format", "pdf", "assumeMissing", true, "body", body));
    assertThat(a.status()).isEqualTo(200);
    return text(a.bytes()).replaceAll("\\s+", " ");
  }

  @Test
  void whatCannotBeIsRefused() throws Exception {
    String path = "/api/deliveries/" + delivery + "/report";
    Map<String, Object> none = Map.of("title", "x", "blocks", List.of());
    assertThat(
            yentra
                .post(path, Map.of("format", "pdf", "assumeMissing", false, "body", none))
                .status())
        .isEqualTo(400);
    Map<String, Object> one =
        Map.of("title", "x", "blocks", List.of(Map.of("kind", "ChapterBlock", "chapter", "PLACE")));
    assertThat(
            yentra
                .post(path, Map.of("format", "doc", "assumeMissing", false, "body", one))
                .status())
        .isEqualTo(400);
    assertThat(keep(null, "no picture".getBytes(StandardCharsets.UTF_8))).isEqualTo("400");
    assertThat(keep(UUID.randomUUID().toString(), png())).isEqualTo("404");
    assertThat(yentra.get("/api/pictures/" + UUID.randomUUID()).status()).isEqualTo(404);
  }
}
