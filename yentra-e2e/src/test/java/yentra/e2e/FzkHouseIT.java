package yentra.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
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
      assertThat(b.see("finding-message").getText()).contains("has no window type");

      b.keys("7");
      b.click("write");
      b.see("handover-row");
      assertThat(b.see("handover").getText()).contains("read back equal");
      new WebDriverWait(b.driver, Duration.ofSeconds(10)).until(d -> b.has("download"));
      assertThat(b.complaints().stream().filter(m -> !m.contains("422")).toList()).isEmpty();
    }
  }
}
