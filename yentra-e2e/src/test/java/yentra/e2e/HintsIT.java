package yentra.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadLimits;
import yentra.core.gbxml.GbxmlReader;

/**
 * Somebody who knows nothing of the page takes the spoilt demo to a handover: once by doing what
 * the page offers next, once without a mouse.
 */
class HintsIT {
  private static final int MOST_ACTS = 60;
  private final List<String> acts = new ArrayList<>();

  private static void open(RunningYentra yentra, Browser b) {
    b.driver.get(yentra.url("/"));
    b.see(Browser.DEMO);
  }

  private void act(Browser b, String testId) {
    acts.add(testId + ": " + b.see(testId).getText().replace('\n', ' '));
    b.click(testId);
  }

  @Test
  void byNothingButHints() throws Exception {
    try (RunningYentra yentra = new RunningYentra();
        Browser b = new Browser()) {
      open(yentra, b);
      b.click(Browser.DEMO);
      acts.add("open the project");
      b.see("stage");
      while (!b.has("handover")) {
        assertThat(acts).as("acts").hasSizeLessThan(MOST_ACTS);
        if (b.has("finding-message")) {
          answer(b);
        } else {
          act(b, "next-step");
          b.waitFor("something is shown", () -> b.has("finding-message") || b.has("handover"));
        }
      }
      assertThat(b.faultless()).as(b.path("Findings")).isTrue();
      assertThat(b.see("next").getText()).contains("Nothing is open");
      act(b, "write");
      b.see("handover-row");
      assertThat(b.see("handover").getText()).contains("0 blockers left", "Reads back equal");
      act(b, "download");
      delivered(b);
      assertThat(acts).hasSizeLessThanOrEqualTo(MOST_ACTS);
      assertThat(b.complaints()).isEmpty();
    }
  }

  /** Does to the finding that is shown what its card offers first. */
  private void answer(Browser b) {
    String message = b.see("finding-message").getText();
    if (b.hasRemedy()) {
      act(b, b.has("for-alike") ? "for-alike" : "remedy-0");
      b.waitFor(
          acts + " leads to a preview: " + (b.has("pending") ? b.see("pending").getText() : ""),
          () -> b.has("pending-summary"));
      act(b, b.has("apply-next") ? "apply-next" : "apply");
      b.waitFor("made", () -> !b.has("pending"));
    } else {
      act(b, "accept");
      b.see("reason").sendKeys("Is settled with the architect");
      act(b, "accept-it");
    }
    b.waitFor("answered: " + message, () -> !b.text("finding-message").equals(message));
  }

  private static void delivered(Browser b) throws Exception {
    byte[] file = Files.readAllBytes(b.downloaded(".xml"));
    Envelope e = GbxmlReader.read(new ByteArrayInputStream(file), ReadLimits.standard());
    assertThat(e.spaces()).hasSize(8);
    assertThat(e.surfaces()).hasSizeGreaterThan(50);
  }

  /** Keys only: numbers for workspaces, N and E for findings, Ctrl K for what has no key. */
  @Test
  void withoutAMouse() throws Exception {
    try (RunningYentra yentra = new RunningYentra();
        Browser b = new Browser()) {
      open(yentra, b);
      command(b, "open marram point lifeboat");
      b.see("stage");
      b.keys("4");
      for (int i = 0; i < 40 && !b.faultless(); i++) {
        b.keys("n");
        String message = b.see("finding-message").getText();
        b.keys("e");
        b.see("pending-summary");
        b.keys("e");
        b.waitFor(
            "answered: " + message,
            () -> !b.has("pending") && !b.text("finding-message").equals(message));
      }
      assertThat(b.faultless()).as(b.path("Findings")).isTrue();
      command(b, "write gbxml");
      b.see("handover-row");
      // from the button that was pressed on to the file
      b.waitFor(
          "the file's link has the focus",
          () -> {
            b.keys(Keys.TAB);
            return "download"
                .equals(b.driver.switchTo().activeElement().getDomAttribute("data-testid"));
          });
      b.keys(Keys.ENTER);
      delivered(b);
      assertThat(b.complaints()).isEmpty();
    }
  }

  private static void command(Browser b, String words) {
    b.chord(Keys.CONTROL, "k");
    b.see("palette").findElement(By.tagName("input")).sendKeys(words, Keys.ENTER);
    b.waitFor("done", () -> !b.has("palette"));
  }
}
