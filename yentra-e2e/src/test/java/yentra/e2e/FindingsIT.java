package yentra.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.support.ui.Select;
import yentra.demo.DemoFiles;

/**
 * The findings workspace in one sitting: causes, one remedy for many, an accepted finding, a pasted
 * message, topics out and back, all faults cleared; then the next revision with its repairs made
 * again.
 */
class FindingsIT {
  private static final By TEXT = By.cssSelector("[data-testid='messages-text']");

  @TempDir Path dir;
  private Browser b;

  @Test
  void fromCausesToTheNextRevision() throws Exception {
    try (RunningYentra yentra = new RunningYentra();
        Browser browser = new Browser()) {
      b = browser;
      b.driver.get(yentra.url("/"));
      b.see(Browser.DEMO);
      b.see(By.cssSelector("input[aria-label='Your name']")).sendKeys("Test person");
      b.click(Browser.DEMO);
      b.see("stage");
      b.keys("4");

      causes();
      limits();
      message();
      topics();
      oneForMany();
      accept();
      clear();
      window();
      String first = b.driver.getCurrentUrl();
      nextRevision();
      assertThat(b.driver.getCurrentUrl()).isNotEqualTo(first);
      assertThat(b.complaints()).isEmpty();
    }
  }

  private void tab(String name) {
    b.click(By.xpath("//*[@role='tab'][contains(., '" + name + "')]"));
  }

  /** Grouped by cause and by code; a group shows its findings only. */
  private void causes() {
    String groups = b.see("finding-groups").getText();
    assertThat(groups).containsIgnoringCase("All findings");
    // what has a cause of its own is not told a second time beside the list
    assertThat(groups)
        .containsIgnoringCase("each with a cause of its own")
        .doesNotContain("Plant room is not enclosed");
    assertThat(b.see("sheet-findings").getText()).contains("Plant room is not enclosed");
    new Select(b.see("group-by")).selectByValue("code");
    b.click(By.xpath("//*[@data-testid='finding-groups']//button[contains(., 'SPC-401')]"));
    b.waitFor("the two holes", () -> b.see("sheet-findings").getText().contains("2 rows"));
    assertThat(b.see("finding-message").getText()).contains("not enclosed");
    assertThat(b.see("dossier").getText()).contains("Measured against the limit", "Line ");
  }

  /** The effect of a limit is seen before it is set. */
  private void limits() {
    tab("Limits");
    WebElement limit = b.see(By.cssSelector("[aria-label='SPC-403.difference']"));
    limit.sendKeys(Keys.chord(Keys.CONTROL, "a"), "20", Keys.ENTER);
    b.waitFor("the effect", () -> b.see("limits-effect").getText().contains("SPC-403: 1 → 0"));
    b.press("Leave them");
  }

  /** A made-up message of a simulation leads to a surface and to a layer. */
  private void message() {
    tab("Messages");
    b.see(TEXT)
        .sendKeys(
            "error, layer 2 of CON-WALL in SP_KITCHEN: too thin\nerror, surface SU-13: twice");
    b.click("trace");
    b.waitFor("what it means", () -> b.has("trace-hit"));
    String said = b.see("messages").getText();
    assertThat(said)
        .contains(
            "Kitchen", "Layer 2 of Boarded wall on block", "Mineral wool: thickness 0.1600 m");
    b.click(By.xpath("//*[@data-testid='trace-hit']//button[.='Kitchen']"));
    assertThat(b.see("dossier").getText()).contains("Kitchen", "Measured against stated");
  }

  /** Topics are written, answered as another program would, and read back. */
  private void topics() throws Exception {
    tab("Findings");
    b.click(By.xpath("//*[@data-testid='finding-groups']//button[contains(., 'SPC-401')]"));
    b.click("bcf");
    b.press("Write these 2 as BCF 2.1");
    Path file = b.downloaded(".bcf");
    Path answered = dir.resolve("answered.bcf");
    Files.write(answered, answered(file));
    b.driver.findElement(Browser.id("bcf-file")).sendKeys(answered.toString());
    b.waitFor(
        "the answers are read",
        () -> b.see("message").getText().contains("2 topics with 2 comments"));
    b.keys(Keys.ESCAPE);
    b.click(By.xpath("//*[@data-testid='finding-groups']//button[contains(., 'SPC-401')]"));
    assertThat(b.see("answer").getText()).contains("Closed", "Wall is in the model now");
  }

  private static byte[] answered(Path file) throws Exception {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (ZipFile in = new ZipFile(file.toFile());
        ZipOutputStream zip = new ZipOutputStream(out)) {
      for (ZipEntry e : java.util.Collections.list(in.entries())) {
        zip.putNextEntry(new ZipEntry(e.getName()));
        try (InputStream s = in.getInputStream(e)) {
          byte[] bytes = s.readAllBytes();
          zip.write(
              e.getName().endsWith("markup.bcf")
                  ? new String(bytes, StandardCharsets.UTF_8)
                      .replace("TopicStatus=\"Open\"", "TopicStatus=\"Closed\"")
                      .replace(
                          "</Topic>",
                          "</Topic><Comment Guid=\"c\"><Date>2026-05-01T08:00:00Z</Date><Author>Architect</Author><Comment>Wall is in the model now</Comment></Comment>")
                      .getBytes(StandardCharsets.UTF_8)
                  : bytes);
        }
      }
    }
    return out.toByteArray();
  }

  private void oneForMany() {
    b.click(By.xpath("//*[@data-testid='finding-groups']//button[contains(., 'ADJ-506')]"));
    b.click(By.xpath("//*[@data-testid='together']//button[1]"));
    b.waitFor("the preview", () -> b.see("pending").getText().contains("Resolves 2 findings"));
    b.click("apply");
    b.waitFor("made", () -> !b.has("pending"));
    assertThat(b.see("message").getText()).contains("2 steps");
  }

  private void accept() {
    b.click(By.xpath("//*[@data-testid='finding-groups']//button[contains(., 'LOC-803')]"));
    b.click("accept");
    b.see("reason").sendKeys("The yard lies at 0.00 m");
    b.click("accept-it");
    b.waitFor("accepted, and out of the way", () -> !b.has("finding-message"));
  }

  /**
   * N, E, E until nothing is left that a simulation would trip over; warnings may have no remedy.
   */
  private void clear() {
    for (int i = 0; i < 60 && !b.faultless(); i++) {
      b.keys(Keys.ESCAPE);
      b.keys("n");
      b.see("finding-message");
      if (!b.hasRemedy()) {
        continue;
      }
      b.keys("e");
      b.see("pending-summary");
      b.keys("e");
      b.waitFor("the repair is made", () -> !b.has("pending"));
    }
    assertThat(b.faultless()).as(b.path("Findings")).isTrue();
    b.keys(Keys.ESCAPE);
  }

  /** By hand: the window of the changing room is made smaller. */
  private void window() {
    tab("Openings");
    b.see(By.cssSelector("[aria-label='Filter by opening']")).sendKeys("north wall of changing");
    b.click(By.xpath("//*[@role='row'][contains(., 'north wall of Changing room')]"));
    b.press("Move or size …");
    WebElement width = b.see(By.cssSelector("input[name='width']"));
    width.sendKeys(Keys.chord(Keys.CONTROL, "a"), "1.8");
    b.click("show-repair");
    b.waitFor(
        "the preview", () -> b.see("pending-summary").getText().contains("1.68 m² to 1.26 m²"));
    b.click("apply");
    b.waitFor("made", () -> !b.has("pending"));
  }

  private void nextRevision() throws Exception {
    Path file = dir.resolve(DemoFiles.REVISION_B_NAME);
    Files.write(file, DemoFiles.revisionB());
    b.keys(Keys.ESCAPE);
    b.keys("1");
    b.waitFor("the intake", () -> b.has("file"));
    b.driver.findElement(Browser.id("file")).sendKeys(file.toString());
    b.waitFor("revision 2", () -> b.path("Intake").contains("Revision 2"));
    b.keys("4");
    tab("Since revision 1");
    b.waitFor("the comparison", () -> b.see("revision").getText().contains("Training room"));
    String said = b.see("revision").getText();
    assertThat(said).contains("made again", "no longer needed", "2 no longer possible");
    b.click("replay");
    b.waitFor("made again", () -> !b.has("replay"));
    assertThat(b.driver.findElements(Browser.id("step-not-possible")))
        .hasSize(2)
        .anySatisfy(s -> assertThat(s.getText()).contains("is not in this revision"))
        .anySatisfy(s -> assertThat(s.getText()).contains("no longer a hole of Store"));
    b.press("Answer it here");
    assertThat(b.see("finding-message").getText()).contains("Store is not enclosed");
    b.keys("e");
    b.see("pending-summary");
    b.keys("e");
    b.waitFor("answered", () -> b.faultless());
  }
}
