package yentra.e2e;

import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.support.ui.WebDriverWait;
import yentra.demo.DemoFiles;

/**
 * Takes the pictures of docs/screenshots from the demo data; runs only when asked to ({@code
 * ./yentra screenshots}).
 */
class ScreenshotsIT {
  @Test
  void take() throws Exception {
    String target = System.getProperty("yentra.screenshots");
    assumeTrue(target != null && !target.isBlank(), "only on request");
    Path dir = Files.createDirectories(Path.of(target));
    try (RunningYentra yentra = new RunningYentra();
        Browser b = Browser.sharp()) {
      b.driver.get(yentra.url("/"));
      b.see(Browser.DEMO);
      b.see(By.cssSelector("input[aria-label='Your name']")).sendKeys("R. Example");
      Files.write(dir.resolve("1-projects.png"), b.picture());
      b.click(Browser.DEMO);
      b.see("stage");
      b.keys("1");
      b.see("intake-report");
      Files.write(dir.resolve("2-intake.png"), b.picture());
      b.keys("3");
      b.press("Surfaces");
      b.see(By.cssSelector("[aria-label='Filter by surface']")).sendKeys("gallery");
      b.click(By.xpath("//*[@role='row'][contains(., 'South wall of Visitor gallery')]"));
      Files.write(dir.resolve("3-envelope-dossier.png"), b.picture());
      b.keys(org.openqa.selenium.Keys.ESCAPE);
      b.click(By.xpath("//*[@data-testid='ladder']//button[contains(., 'Ground floor')]"));
      b.press("Spaces");
      Files.write(dir.resolve("4-storey-cut.png"), b.picture());
      b.keys("a");
      b.keys("4");
      for (int i = 0; i < 4; i++) {
        b.keys("n");
      }
      b.see("finding-message");
      Files.write(dir.resolve("5-findings.png"), b.picture());
      b.keys("e");
      b.see("pending-summary");
      Files.write(dir.resolve("6-remedy.png"), b.picture());
      b.click("apply");
      b.settle();
      b.keys(org.openqa.selenium.Keys.ESCAPE);
      b.press("Repair plan");
      b.see("plan-sum");
      b.click("plan-look");
      b.see("pending-figures");
      b.settle();
      Files.write(dir.resolve("9-repair-plan.png"), b.picture());
      b.press("Leave it");
      b.press("Findings");
      b.keys("7");
      b.see("formats");
      for (String f : new String[] {"gbxml-7.03", "glb", "xlsx"}) {
        b.click(By.name(f));
      }
      b.waitFor("looked at", () -> b.text("formats").contains("kinds of faces"));
      b.click("write");
      b.click("all-the-same");
      b.see("handover-row");
      Files.write(dir.resolve("7-handover.png"), b.picture());
      thermal(b, dir);
      findings(b, dir);
      scope(yentra, b, dir);
      drawing(yentra, b, dir);
    }
  }

  /** Messages traced, repairs by hand, and the next revision. */
  private static void findings(Browser b, Path dir) throws Exception {
    b.keys("4");
    b.click(By.xpath("//*[@role='tab'][contains(., 'Messages')]"));
    b.see("messages-text")
        .sendKeys(
            "error, layer 2 of CON-WALL: too thin\nerror, surface SU-30 of SP_CREW: not closed\nerror, BOAT HALL: no balance was found");
    b.click("trace");
    b.click(By.xpath("//*[@data-testid='trace-hit']//button[.='North wall of Crew room']"));
    b.press("Windows by share …");
    b.click("show-repair");
    b.see("pending-figures");
    b.click("apply");
    b.settle();
    b.keys(org.openqa.selenium.Keys.ESCAPE);
    Path next = Files.createTempDirectory("yentra-next").resolve(DemoFiles.REVISION_B_NAME);
    Files.write(next, DemoFiles.revisionB());
    b.keys("1");
    b.waitFor("the intake", () -> b.has("file"));
    b.driver.findElement(Browser.id("file")).sendKeys(next.toString());
    b.waitFor("revision 2", () -> b.path("Intake").contains("Revision 2"));
    b.keys("4");
    b.click(By.xpath("//*[@role='tab'][contains(., 'Since revision')]"));
    b.waitFor("the comparison", () -> b.see("revision").getText().contains("Training room"));
    b.click(By.xpath("//*[@role='row'][contains(., 'added')][contains(., 'Training room')]"));
    b.settle();
    new WebDriverWait(b.driver, Duration.ofSeconds(10)).until(d -> !b.has("message"));
    Files.write(dir.resolve("15-next-revision.png"), b.picture());
  }

  /** Two variants, a sweep of two numbers, side by side, and the write-up of it. */
  private static void variants(Browser b, Path dir) throws Exception {
    estimateTab(b, "Variants");
    new org.openqa.selenium.support.ui.Select(
            b.see(By.cssSelector("[data-testid='targets'] select")))
        .selectByVisibleText("Heating demand");
    b.waitFor("a target", () -> b.has("target"));
    for (String kind : new String[] {"Glazing share", "Air through leaks"}) {
      b.click("add-variant");
      b.waitFor("empty", () -> !b.has("change") && b.has("variant-editor"));
      new org.openqa.selenium.support.ui.Select(b.see("add-change")).selectByVisibleText(kind);
      b.waitFor("its change", () -> b.has("change"));
    }
    b.click("run-variants");
    b.waitFor("what is missing", () -> b.has("lacks"));
    b.click(By.xpath("//button[contains(., 'with what is missing assumed')]"));
    b.waitFor(
        "run",
        () ->
            b.driver
                    .findElements(By.cssSelector("[data-testid='variant-row'][data-state='done']"))
                    .size()
                == 3);
    b.waitFor("what brings most", () -> b.has("gains"));
    b.settle();
    Files.write(dir.resolve("13-variants.png"), b.picture());
    estimateTab(b, "Sweeps");
    b.click("second-axis");
    for (WebElement field :
        b.driver.findElements(
            By.cssSelector("[data-testid='axis'] input[aria-label^='Values of']"))) {
      boolean depth = field.getAttribute("aria-label").contains("overhangs");
      field.sendKeys(
          org.openqa.selenium.Keys.chord(org.openqa.selenium.Keys.CONTROL, "a"),
          depth ? "0 0.5 1" : "120 160 200 240");
    }
    b.waitFor("twelve", () -> b.text("run-sweep").contains("12 states"));
    b.click("run-sweep");
    b.waitFor(
        "the map",
        () -> b.has("sweep") && "done".equals(b.see("sweep").getAttribute("data-state")));
    b.settle();
    Files.write(dir.resolve("17-sweep.png"), b.picture());
    estimateTab(b, "Side by side");
    b.waitFor("the table", () -> b.has("beside-table"));
    b.settle();
    Files.write(dir.resolve("18-side-by-side.png"), b.picture());
    estimateTab(b, "Write-up");
    b.click("new-write-up");
    b.waitFor("its parts", () -> b.has("block"));
    b.click("take-picture");
    b.waitFor(
        "a picture",
        () -> b.has(By.cssSelector("[data-testid='block'][data-kind='PictureBlock']")));
    b.settle();
    Files.write(dir.resolve("20-write-up.png"), b.picture());
  }

  private static void estimateTab(Browser b, String name) {
    b.click(By.xpath("//*[@role='tab'][starts-with(normalize-space(), '" + name + "')]"));
  }

  private static void thermal(Browser b, Path dir) throws Exception {
    b.keys("5");
    b.see("sheet-constructions");
    b.click(
        By.xpath("//*[@data-testid='sheet-constructions']//*[contains(text(), 'Boarded wall')]"));
    b.click(By.xpath("//aside//button[contains(., 'South wall of Workshop')]"));
    b.see("breakdown");
    b.settle();
    Files.write(dir.resolve("16-thermal.png"), b.picture());
    b.keys(org.openqa.selenium.Keys.ESCAPE);
    b.keys("6");
    b.waitFor("weather", () -> b.has(By.cssSelector("[data-testid='weather'] option + option")));
    new org.openqa.selenium.support.ui.Select(b.see("weather")).selectByIndex(1);
    b.waitFor("the climate", () -> b.has("chart"));
    b.click(By.xpath("//*[@role='tab'][starts-with(., 'Runs')]"));
    b.click("run");
    b.click("assume");
    b.waitFor(
        "the year", () -> b.has(By.cssSelector("[data-testid='run-row'][data-state='done']")));
    b.click(By.xpath("//*[@role='tab'][contains(., 'The year')]"));
    b.waitFor("its charts", () -> b.has("chart"));
    b.settle();
    Files.write(dir.resolve("19-estimate.png"), b.picture());
    variants(b, dir);
    b.keys("7");
    b.see("handover");
  }

  private static void scope(RunningYentra yentra, Browser b, Path dir) throws Exception {
    b.driver.get(yentra.url("/"));
    new WebDriverWait(b.driver, Duration.ofSeconds(30))
        .until(d -> d.getPageSource().contains("marram-point-architecture.ifc"));
    b.click(By.xpath("//*[@data-testid='project'][contains(., 'architect')]"));
    b.see("stage");
    b.keys("2");
    b.see("sheet-elements");
    b.click("sheet-menu");
    b.settle();
    Files.write(dir.resolve("8-scope-sheets.png"), b.picture());
    b.click(By.xpath("//li[contains(., 'with thermal data')]//button[.='Apply']"));
    new WebDriverWait(b.driver, Duration.ofSeconds(30))
        .until(d -> b.see(By.xpath("//nav//a[contains(., 'Scope')]")).getText().contains("128 in"));
    b.see(By.cssSelector("[aria-label='Filter by name']")).sendKeys("op-8");
    b.click(By.xpath("//*[@role='row'][contains(., 'Window op-8')]"));
    b.see("reason");
    b.press("Show the values");
    b.see(By.cssSelector("[aria-label='Filter by thermaltransmittance']")).sendKeys("missing");
    b.click(By.xpath("//*[@data-key]//span[contains(., 'missing')]"));
    b.see(By.cssSelector("[role=grid]"))
        .sendKeys(org.openqa.selenium.Keys.chord(org.openqa.selenium.Keys.CONTROL, "a"));
    b.see("value-for-all").sendKeys("1.3");
    Files.write(dir.resolve("10-scope-values.png"), b.picture());
    b.keys(org.openqa.selenium.Keys.ESCAPE);
    boundaries(b, dir);
  }

  private static void boundaries(Browser b, Path dir) throws Exception {
    b.keys("3");
    b.press("Boundaries");
    new org.openqa.selenium.support.ui.Select(b.see("boundary-mode"))
        .selectByVisibleText("all derived");
    new WebDriverWait(b.driver, Duration.ofSeconds(30))
        .until(d -> !b.see("sheet-boundaries").getText().contains("as delivered"));
    b.settle();
    b.click(
        By.xpath("//*[@data-testid='boundaries']//*[@role='row'][contains(., 'Visitor gallery')]"));
    b.settle();
    new WebDriverWait(b.driver, Duration.ofSeconds(10)).until(d -> !b.has("message"));
    Files.write(dir.resolve("12-boundaries.png"), b.picture());
  }

  /** The boathouse annexe on its picture, with a wall selected. */
  private static void drawing(RunningYentra yentra, Browser b, Path dir) throws Exception {
    b.driver.get(yentra.url("/"));
    b.click(By.xpath("//*[@data-testid='project'][contains(., 'boathouse-annexe.json')]"));
    b.see("stage");
    b.keys("1");
    b.see("underlay");
    b.see(By.cssSelector("[data-room]"));
    b.settle();
    new DrawingBoard(b).click(10, 2);
    b.see("selected");
    b.settle();
    Files.write(dir.resolve("11-drawing.png"), b.picture());
  }
}
