package yentra.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.support.ui.Select;

/**
 * What would a change do: a target, three variants, a sweep of two numbers, side by side, one made
 * the baseline, and a write-up with two pictures taken as PDF.
 */
class VariantsIT {
  private static final By ROW = By.cssSelector("[data-testid='variant-row']");
  private static final By BLOCK = By.cssSelector("[data-testid='block']");
  private Browser b;

  @Test
  void fromATargetToAWriteUp() throws Exception {
    try (RunningYentra yentra = new RunningYentra();
        Browser browser = new Browser()) {
      b = browser;
      b.driver.get(yentra.url("/"));
      b.click(Browser.DEMO);
      b.see("stage");
      b.keys("6");
      b.see("climate");
      new Select(b.see("weather")).selectByIndex(1);
      b.waitFor("the climate", () -> b.text("climate").contains("Heating degree days"));
      target();
      variants();
      sweep();
      beside();
      writeUp();
      Axe axe = new Axe(b);
      for (String name : List.of("Variants", "Sweeps", "Side by side", "Write-up")) {
        tab(name);
        b.settle();
        axe.look(name);
      }
      assertThat(axe.found()).isEmpty();
      baseline();
    }
  }

  private void tab(String name) {
    b.click(By.xpath("//*[@role='tab'][starts-with(normalize-space(), '" + name + "')]"));
  }

  private void target() {
    tab("Variants");
    new Select(b.see(By.cssSelector("[data-testid='targets'] select")))
        .selectByVisibleText("Heating demand");
    b.waitFor("a target", () -> b.has("target"));
  }

  private void add(String name, String... kinds) {
    int before = b.driver.findElements(ROW).size();
    b.click("add-variant");
    b.waitFor("another variant", () -> b.driver.findElements(ROW).size() == before + 1);
    WebElement field =
        b.see(By.xpath("//*[@data-testid='variant-editor']//label[contains(., 'Name')]//input"));
    field.sendKeys(Keys.chord(Keys.CONTROL, "a"), name, Keys.ENTER);
    b.waitFor("its name", () -> b.text("variants").contains(name));
    for (int i = 0; i < kinds.length; i++) {
      int n = i + 1;
      new Select(b.see("add-change")).selectByVisibleText(kinds[i]);
      b.waitFor(
          "its change",
          () -> b.driver.findElements(By.cssSelector("[data-testid='change']")).size() == n);
    }
  }

  private List<String> states() {
    return b.driver.findElements(ROW).stream().map(r -> r.getAttribute("data-state")).toList();
  }

  private void variants() {
    add("Thick", "Thickness of a layer");
    WebElement mm =
        b.see(By.xpath("//*[@data-testid='change']//label[contains(., 'Thickness')]//input"));
    mm.sendKeys(Keys.chord(Keys.CONTROL, "a"), "300", Keys.ENTER);
    b.waitFor("what it comes to", () -> b.text("variant-editor").contains("other layers"));
    add("Shaded", "Glazing share", "Shades at windows");
    add("Tight", "Air through leaks", "Heat recovery");
    WebElement leaks =
        b.see(By.xpath("//*[@data-testid='change']//label[contains(., 'Air changes')]//input"));
    leaks.sendKeys(Keys.chord(Keys.CONTROL, "a"), "0.03", Keys.ENTER);
    b.waitFor("its air", () -> b.text("variant-editor").contains("0.03 times"));
    b.click("run-variants");
    b.waitFor("what is missing", () -> b.has("lacks"));
    b.click(By.xpath("//button[contains(., 'with what is missing assumed')]"));
    b.waitFor("all run", () -> states().equals(List.of("done", "done", "done", "done")));
    b.waitFor(
        "what brings most", () -> b.has("gains") && b.text("gains").contains("Heat recovery"));
    assertThat(b.text("gains")).contains("Heating demand falls by");
    assertThat(b.driver.findElements(By.cssSelector("[aria-label='meets the target']")))
        .isNotEmpty();
    assertThat(b.driver.findElements(By.cssSelector("[aria-label='misses the target']")))
        .isNotEmpty();
    // on the model: the repairs that it comes to, as a preview that is taken or left
    b.click(By.xpath("//*[@data-testid='variant-row']//button[normalize-space()='Thick']"));
    b.click("look");
    b.waitFor("its preview", () -> b.has("pending"));
    b.keys(Keys.ESCAPE);
  }

  private void sweep() {
    tab("Sweeps");
    b.click("second-axis");
    List<WebElement> values =
        b.driver.findElements(
            By.cssSelector("[data-testid='axis'] input[aria-label^='Values of']"));
    assertThat(values).hasSize(2);
    values.get(0).sendKeys(Keys.chord(Keys.CONTROL, "a"), "120 to 240 by 60");
    values.get(1).sendKeys(Keys.chord(Keys.CONTROL, "a"), "0 0.5 1");
    b.waitFor("nine", () -> b.text("run-sweep").contains("9 states"));
    b.click("run-sweep");
    b.waitFor(
        "the map",
        () -> b.has("sweep") && "done".equals(b.see("sweep").getAttribute("data-state")));
    assertThat(b.text("sweep")).contains("Heating demand by thickness and depth of overhangs");
    b.click(By.xpath("//*[@data-testid='sweep']//button[contains(., 'Numbers of')]"));
    b.waitFor("its numbers", () -> b.text("sweep").contains("thickness, mm"));
  }

  private void beside() {
    tab("Side by side");
    b.waitFor("the table", () -> b.has("beside-table"));
    assertThat(b.text("beside-table"))
        .contains("Baseline", "Thick", "Shaded", "Tight", "Primary energy", "Hours above 26 °C");
    b.click(By.xpath("//*[@data-testid='beside-table']//button[contains(., 'Heating demand')]"));
    b.waitFor(
        "ranked",
        () ->
            b.driver
                .findElement(By.cssSelector("[data-testid='beside-table'] thead"))
                .getText()
                .matches("(?s).*Tight.*Thick.*"));
  }

  private void writeUp() throws IOException {
    tab("Write-up");
    b.click("new-write-up");
    b.waitFor("its parts", () -> b.driver.findElements(BLOCK).size() == 2);
    WebElement area = b.see(By.cssSelector("[data-testid='block'] textarea"));
    area.sendKeys("Thicker walls come first.", Keys.TAB);
    for (int i = 1; i <= 2; i++) {
      int n = 2 + i;
      b.click("take-picture");
      b.waitFor("picture " + i, () -> b.driver.findElements(BLOCK).size() == n);
    }
    Select parts = new Select(b.see("add-part"));
    parts.selectByVisibleText("Thick");
    b.waitFor("the variant", () -> b.driver.findElements(BLOCK).size() == 5);
    b.click(By.cssSelector("[title='Move up: Variant: Thick']"));
    b.waitFor(
        "its new place",
        () -> "MeasureBlock".equals(b.driver.findElements(BLOCK).get(3).getAttribute("data-kind")));
    b.click("pdf");
    Path pdf = b.downloaded(".pdf");
    try (PDDocument d = Loader.loadPDF(pdf.toFile())) {
      String said = new PDFTextStripper().getText(d);
      assertThat(said)
          .contains("Thicker walls come first.")
          .contains("Variants side by side")
          .contains("Heating demand");
      int pictures = 0;
      for (var page : d.getPages()) {
        for (var name : page.getResources().getXObjectNames()) {
          pictures += page.getResources().isImageXObject(name) ? 1 : 0;
        }
        assertThat(page.getMediaBox().getWidth()).isBetween(594f, 596f);
      }
      assertThat(pictures).as("two pictures").isGreaterThanOrEqualTo(2);
      // a page is no white sheet when it is drawn
      var drawn = new PDFRenderer(d).renderImageWithDPI(1, 30);
      long ink = 0;
      for (int x = 0; x < drawn.getWidth(); x++) {
        for (int y = 0; y < drawn.getHeight(); y++) {
          ink += (drawn.getRGB(x, y) & 0xff) < 0xd0 ? 1 : 0;
        }
      }
      assertThat(ink).isGreaterThan(500);
    }
  }

  private void baseline() {
    tab("Variants");
    b.click(By.xpath("//*[@data-testid='variant-row']//button[normalize-space()='Thick']"));
    b.click("adopt");
    b.waitFor("to be run anew", () -> b.text("variants").contains("not run"));
    tab("Write-up");
    b.waitFor("pictures are old", () -> b.has("old-pictures"));
    b.click("take-again");
    b.waitFor("taken again", () -> !b.has("old-pictures"));
    b.keys("4");
    tab("Repair log");
    b.waitFor(
        "its repair",
        () -> b.driver.findElement(By.tagName("main")).getText().contains("Variant Thick"));
  }
}
