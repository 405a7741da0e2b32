package yentra.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.interactions.Actions;
import yentra.core.envelope.ReadLimits;
import yentra.core.geometry.Tolerance;
import yentra.core.ifc.IfcModel;
import yentra.core.model.Element;

/**
 * The architect's model of the demo brought into scope: a sheet tried and applied, reasons seen,
 * gross areas put out, values fixed one by one and many at once, requirements met, the trimmed file
 * saved, and on to the envelope.
 */
class ScopeWalkthroughIT {
  private Browser b;

  @Test
  void fromTheArchitectsModelToWhatTheJobNeeds() throws Exception {
    try (RunningYentra yentra = new RunningYentra();
        Browser browser = new Browser()) {
      b = browser;
      b.driver.get(yentra.url("/"));
      b.waitFor(
          "the architect's model has been read",
          () -> b.driver.getPageSource().contains("marram-point-architecture.ifc"));
      b.see(By.cssSelector("input[aria-label='Your name']")).sendKeys("Test person");
      b.click(By.xpath("//*[@data-testid='project'][contains(., 'architect')]"));
      b.see("stage");
      b.keys("2");
      b.see("sheet-elements");
      assertThat(b.path("Scope")).contains("238 of 238 in");

      tryAndApply();
      seeReasons();
      putGrossAreasOut();
      fixValues();

      b.press("Requirements");
      b.waitFor(
          "all requirements met",
          () ->
              b.see("sheet-requirements").getText().contains("met")
                  && !b.see("sheet-requirements").getText().contains("not met"));
      assertThat(b.path("Scope")).contains("125 of 238 in");
      saveIfc();

      b.keys("3");
      b.waitFor("the envelope", () -> b.has("sheet-spaces"));
      assertThat(b.path("Envelope")).doesNotContain("not enclosed");
      assertThat(b.faultless()).as(b.path("Findings")).isTrue();
      assertThat(b.see("sheet-spaces").getText()).contains("8 rows");
      assertThat(b.complaints()).isEmpty();
    }
  }

  private void tryAndApply() {
    b.click("sheet-menu");
    b.click(By.xpath("//li[contains(., 'Space programme')]//button[.='Try']"));
    b.waitFor("tried", () -> b.see("tried").getText().contains("Space programme"));
    assertThat(b.path("Scope")).as("nothing has changed").contains("238 of 238 in");
    b.press("Back to what is in force");
    b.click("sheet-menu");
    b.click(By.xpath("//li[contains(., 'with thermal data')]//button[.='Apply']"));
    b.waitFor("applied", () -> b.path("Scope").contains("128 in, 9 not met"));
  }

  private void seeReasons() {
    b.see(By.cssSelector("[aria-label='Filter by name']")).sendKeys("lifeboat");
    b.click(By.xpath("//*[@role='row'][contains(., 'IfcBuildingElementProxy')]"));
    b.waitFor(
        "the reason",
        () -> b.has("reason") && b.see("reason").getText().startsWith("Out, no rule of the sheet"));
    b.keys(Keys.ESCAPE);
    WebElement filter = b.see(By.cssSelector("[aria-label='Filter by name']"));
    filter.sendKeys(Keys.chord(Keys.CONTROL, "a"), "op-9");
    b.click(By.xpath("//*[@role='row'][contains(., 'Door op-9')]"));
    b.waitFor(
        "the requirement that is not met",
        () -> b.see("dossier").getText().contains("is 75 W/m²K, not 0.3 to 7 W/m²K"));
    assertThat(b.see("reason").getText()).startsWith("In").contains("glazing and doors");
    // the same element is lit on the stage, and can be isolated there
    b.keys("i");
    b.waitFor("isolated", () -> b.shown() == 1);
    b.keys("a");
    b.waitFor("all", () -> b.shown() > 100);
    b.keys(Keys.ESCAPE);
    b.see(By.cssSelector("[aria-label='Filter by name']"))
        .sendKeys(Keys.chord(Keys.CONTROL, "a"), Keys.DELETE);
  }

  private void putGrossAreasOut() {
    assertThat(b.see("dossier").getText())
        .contains("Groupings that are no rooms (2)", "Crew department", "Service department");
    b.click("gross-out");
    b.waitFor("out", () -> b.path("Scope").contains("126 in"));
    // the wall that was drawn twice: the one with material and boundaries stays
    b.press("Keep Interior wall su-14");
    b.waitFor("kept the better", () -> b.path("Scope").contains("125 in, 7 not met"));
  }

  private void fixValues() {
    // one, in its place
    b.press("Values");
    choose("IfcDoor");
    b.see(By.cssSelector("[aria-label='Filter by name']")).sendKeys("op-9");
    new Actions(b.driver)
        .doubleClick(
            b.see(By.xpath("//*[@role='row'][contains(., 'op-9')]//span[contains(., '75')]")))
        .perform();
    WebElement cell = b.see(By.cssSelector("input[aria-label='Value']"));
    cell.sendKeys(Keys.chord(Keys.CONTROL, "a"), "1.6 W/m²K", Keys.ENTER);
    b.waitFor("the door", () -> b.path("Scope").contains("6 not met"));

    // one for many: three windows
    choose("IfcWindow");
    b.see(By.cssSelector("[aria-label='Filter by thermaltransmittance']")).sendKeys("missing");
    b.click(By.xpath("//*[@data-key]//span[contains(., 'missing')]"));
    b.see(By.cssSelector("[role=grid]")).sendKeys(Keys.chord(Keys.CONTROL, "a"));
    b.waitFor("three selected", () -> b.see("values").getText().contains("Set for 3"));
    b.see("value-for-all").sendKeys("1.3", Keys.ENTER);
    b.waitFor("the windows", () -> b.path("Scope").contains("3 not met"));

    // the walls, filled from one
    choose("IfcWall");
    b.see(By.cssSelector("[aria-label='Filter by isexternal']")).sendKeys("missing");
    b.click(By.xpath("//*[@data-key]//span[contains(., 'missing')]"));
    b.see(By.cssSelector("[role=grid]")).sendKeys(Keys.chord(Keys.CONTROL, "a"));
    b.see("value-for-all").sendKeys("yes", Keys.ENTER);
    b.waitFor("the walls", () -> b.path("Scope").contains("of 238 in"));
  }

  private void choose(String entity) {
    b.click(
        By.xpath("//select[@data-testid='value-class']/option[starts-with(., '" + entity + " ')]"));
    b.see("sheet-values");
  }

  private void saveIfc() throws Exception {
    b.click("export-ifc");
    Path file = b.downloaded(".ifc");
    IfcModel m = IfcModel.of(Files.readAllBytes(file), ReadLimits.standard(), Tolerance.standard());
    assertThat(m.elements()).hasSize(125);
    assertThat(m.elements().stream().filter(e -> e.entity().equals("IfcSpace"))).hasSize(8);
    for (Element e : m.elements()) {
      if (e.entity().equals("IfcWindow")) {
        assertThat(m.property(e, "Pset_WindowCommon", "ThermalTransmittance"))
            .as(e.name())
            .isPresent();
      }
    }
  }
}
