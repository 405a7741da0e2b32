package yentra.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.HexFormat;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.support.ui.Select;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadLimits;
import yentra.core.geometry.Tolerance;
import yentra.core.ifc.IfcReader;

/**
 * A storey of the architect's model handed over as IFC, gbXML and shapes: looked at before it is
 * kept, the package downloaded and opened, made again from its record after a repair, fetched by a
 * machine with a token.
 */
class HandoverIT {
  private Browser b;

  @Test
  void aStoreyOutAsIfcThePackageOpenedAndMadeAgain() throws Exception {
    try (RunningYentra yentra = new RunningYentra();
        Browser browser = new Browser()) {
      b = browser;
      b.driver.get(yentra.url("/"));
      b.click(By.xpath("//a[contains(., 'architect’s model')]"));
      b.see("stage");
      b.keys("7");
      b.see("balance");
      b.waitFor("added up", () -> b.text("balance").contains("Floor area"));
      causes();
      chooses();
      handsOver();
      Path zip = download();
      again(zip);
      fetched(yentra);
      assertThat(b.complaints()).isEmpty();
    }
  }

  private void causes() {
    b.click(By.xpath("//button[@data-testid='why'][normalize-space()='Floor area']"));
    assertThat(b.text("causes")).contains("spaces that only group others");
  }

  private void chooses() {
    new Select(b.driver.findElement(By.cssSelector("[aria-label='Which part']")))
        .selectByVisibleText("Storeys");
    b.click(By.xpath("//*[@data-testid='part']//label[contains(., 'Ground floor')]/input"));
    for (String f : new String[] {"ifc4", "glb", "dxf", "xlsx", "topics"}) {
      b.click(By.name(f));
    }
    b.waitFor("looked at", () -> b.text("formats").split("Reads back equal", -1).length == 3);
    assertThat(b.text("part-notes")).contains("spaces are handed over", "are adiabatic");
    assertThat(b.text("write")).contains("Hand over 7 files");
  }

  private void handsOver() {
    b.click("write");
    b.waitFor("kept", () -> b.has("handover-row"));
    assertThat(b.text("handover-row"))
        .contains("storey Ground floor", "The present state", "-ifc4.ifc", "-report.html");
  }

  private Path download() throws Exception {
    b.click("package");
    Path zip = b.downloaded(".zip");
    try (ZipFile z = new ZipFile(zip.toFile())) {
      TreeMap<String, ZipEntry> entries = new TreeMap<>();
      z.stream().forEach(e -> entries.put(e.getName().replaceFirst(".*-handover-v\\d+", ""), e));
      assertThat(entries.keySet())
          .containsExactly(
              "-findings.bcf",
              "-ifc4.ifc",
              "-record.json",
              "-report.html",
              ".dxf",
              ".glb",
              ".xlsx",
              ".xml");
      JsonNode record;
      try (InputStream in = z.getInputStream(entries.get("-record.json"))) {
        record = JsonMapper.builder().build().readTree(in);
      }
      for (JsonNode f : record.get("files")) {
        try (InputStream in = z.getInputStream(z.getEntry(f.get("fileName").asString()))) {
          assertThat(hash(in.readAllBytes())).isEqualTo(f.get("sha256").asString());
        }
      }
      try (InputStream in = z.getInputStream(entries.get("-ifc4.ifc"))) {
        Envelope part =
            IfcReader.read(in.readAllBytes(), ReadLimits.standard(), Tolerance.standard());
        assertThat(part.spaces()).hasSize(record.at("/choice/spaces").size()).isNotEmpty();
      }
    }
    return zip;
  }

  private void again(Path zip) throws Exception {
    byte[] before = Files.readAllBytes(zip);
    Files.delete(zip);
    // what is repaired afterwards is none of the record's
    b.keys("4");
    b.keys("n");
    b.keys("e");
    b.see("pending");
    b.keys("e");
    b.waitFor("made", () -> !b.has("pending"));
    b.keys("7");
    b.click(By.xpath("//*[@role='tab'][starts-with(normalize-space(), 'Handed over')]"));
    assertThat(b.text("handover-row")).contains("The model has changed since");
    b.click("again");
    b.waitFor("made again", () -> b.text("again-says").contains("the same bytes, all 7 files"));
    b.click("package");
    assertThat(Files.readAllBytes(b.downloaded(".zip"))).isEqualTo(before);
  }

  private void fetched(RunningYentra yentra) throws Exception {
    b.click(By.xpath("//*[@role='tab'][starts-with(normalize-space(), 'Fetched')]"));
    b.see("tokens");
    b.driver.findElement(By.cssSelector("[data-testid=tokens] input")).sendKeys("Night build");
    b.click("make-token");
    b.see("token");
    HttpRequest ask =
        HttpRequest.newBuilder(URI.create(yentra.url("/api/handovers/newest?format=ifc4")))
            .header("Authorization", "Bearer " + b.text("token"))
            .build();
    HttpResponse<byte[]> got =
        HttpClient.newHttpClient().send(ask, HttpResponse.BodyHandlers.ofByteArray());
    assertThat(got.statusCode()).isEqualTo(200);
    assertThat(got.headers().firstValue("ETag")).contains("\"" + hash(got.body()) + "\"");
  }

  private static String hash(byte[] bytes) throws Exception {
    return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
  }
}
