package yentra.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.HashMap;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.support.ui.Select;
import org.openqa.selenium.support.ui.WebDriverWait;

/**
 * A real IFC2X3 house (AC14-FZK-Haus.ifc of the Karlsruhe Institute of Technology, from Debian's
 * package assimp-testmodels) from a new project through intake, stage and findings to gbXML; and
 * files that are refused.
 */
class FzkHouseIT {
  private static final Path HOUSE = Path.of("/usr/share/assimp/models/IFC/AC14-FZK-Haus.ifc");

  @Test
  void theHouseGoesAllTheWay() throws Exception {
    assumeTrue(Files.exists(HOUSE), "Debian's assimp-testmodels is not installed");
    try (RunningYentra yentra = new RunningYentra();
        Browser b = new Browser()) {
      b.driver.get(yentra.url("/"));
      b.see(By.cssSelector("[aria-label='Name of a new project']")).sendKeys("Real house");
      b.click("create");
      b.see("drop");

      Path page = b.downloads.resolve("model.ifc");
      Files.writeString(page, "<!DOCTYPE html><html><body>Sign in</body></html>");
      b.driver.findElement(Browser.id("file")).sendKeys(page.toString());
      assertThat(b.see("intake-fault").getText()).contains("HTML page", "Line 1");
      b.press("Close");

      b.driver.findElement(Browser.id("file")).sendKeys(HOUSE.toString());
      assertThat(b.see("intake-report").getText())
          .contains("IFC2X3")
          .containsPattern("spaces\\s+7")
          .containsPattern("storeys\\s+2")
          .containsPattern("openings\\s+16");
      b.settle();
      assertThat(
              ((Number) b.driver.executeScript("return window.yentraStage().shown.length"))
                  .intValue())
          .isGreaterThan(60);

      b.keys("3");
      b.press("Spaces");
      b.click(By.xpath("//*[@role='row'][contains(., '7 Galerie')]"));
      assertThat(b.see("dossier").getText())
          .contains("7 Galerie", "IfcSpace", "2dQFggKBb1fOc1CqZDIDlx");

      b.keys("4");
      b.keys("n");
      assertThat(b.see("finding-message").getText()).contains("draws most of it as glass");

      agree(b, "U-values not known");
      b.keys("7");
      b.click("write");
      b.see("handover-row");
      assertThat(b.see("handover").getText())
          .contains("Reads back equal")
          .containsPattern("\\d+ errors, \\d+ warnings open");

      // every remedy in turn: what the path says is what is open, in every state
      remedy(b, "THM-711", "Give the usual construction by type");
      agree(b, null);
      assertThat(b.path("Thermal")).doesNotContain("not known");
      remedy(b, "THM-707", null);
      agree(b, null);
      remedy(b, "OPN-606", "Type it glazed door (SlidingDoor)");
      agree(b, null);
      remedy(b, "USE-901", null);
      agree(b, null);
      b.click("undo");
      b.waitFor(
          "undone", () -> b.has("message") && b.see("message").getText().startsWith("Undone"));
      agree(b, null);
      b.keys("7");
      b.click("write");
      b.waitFor(
          "the second file", () -> b.driver.findElements(Browser.id("handover-row")).size() == 2);
      new WebDriverWait(b.driver, Duration.ofSeconds(10)).until(d -> b.has("download"));
      assertThat(b.complaints().stream().filter(m -> !m.contains("422")).toList()).isEmpty();
    }
  }

  private static final Pattern COUNT = Pattern.compile("(\\d+) (blocker|error|warning)s?");

  /** Path, findings, handover and balance sheet tell of the same findings. */
  private static void agree(Browser b, String thermal) {
    b.keys("4");
    b.settle();
    String said =
        (String)
            b.driver.executeAsyncScript(
                "const done = arguments[0]; const p = location.pathname.split('/')[2];"
                    + " fetch('/api/projects/' + p).then(r => r.json())"
                    + ".then(x => fetch('/api/deliveries/' + x.deliveries[0].id + '/model'))"
                    + ".then(r => r.json()).then(m => done(JSON.stringify(m.severities)))");
    Map<String, Integer> open = new HashMap<>();
    Matcher m = Pattern.compile("\"(blocker|error|warning)\":(\\d+)").matcher(said);
    while (m.find()) {
      open.put(m.group(1), Integer.parseInt(m.group(2)));
    }
    int all = open.values().stream().mapToInt(i -> i).sum();
    Matcher path = COUNT.matcher(b.path("Findings"));
    assertThat(path.find()).as(b.path("Findings")).isEqualTo(all > 0);
    if (all > 0) {
      assertThat(Integer.parseInt(path.group(1))).isEqualTo(open.get(path.group(2)));
    }
    if (thermal != null) {
      assertThat(b.path("Thermal")).contains(thermal);
    }
    assertThat(b.path("Handover").contains("Ready")).isEqualTo(all == 0);
    assertThat(b.mark("Handover")).isEqualTo(all == 0 ? "clear" : "open points");
    b.keys("7");
    b.waitFor("the balance", () -> b.see("balance").getText().contains("Mean U-value"));
    String panel = b.see("handover").getText();
    open.forEach((s, n) -> assertThat(panel).contains(n + " " + s + (n == 1 ? "" : "s") + " left"));
    boolean known = !b.path("Thermal").contains("not known");
    Matcher without =
        Pattern.compile("Constructions without a U-value\\s+\\S+\\s+\\S+\\s+(\\d+)").matcher(panel);
    assertThat(without.find()).as(panel).isTrue();
    assertThat(without.group(1).equals("0")).as(without.group()).isEqualTo(known);
  }

  /** Chooses the first finding of a code and makes a remedy, the first where none is named. */
  private static void remedy(Browser b, String code, String label) {
    b.keys("4");
    new Select(b.see("group-by")).selectByValue("code");
    b.click(By.xpath("//*[@data-testid='finding-groups']//button[contains(., '" + code + "')]"));
    if (label == null) {
      b.click("remedy-0");
    } else {
      b.click(By.xpath("//*[@data-testid='dossier']//button[contains(., '" + label + "')]"));
    }
    b.click("apply");
    b.waitFor("made", () -> !b.has("pending"));
  }
}
