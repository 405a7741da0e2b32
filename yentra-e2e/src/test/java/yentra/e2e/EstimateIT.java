package yentra.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.support.ui.Select;

/**
 * From no climate to loads and a year: weather chosen, a run that cannot start led to its object
 * and mended, runs side by side, one of them cancelled, a week looked at, the result stale after a
 * repair.
 */
class EstimateIT {
  private static final By ROW = By.cssSelector("[data-testid='run-row']");
  private Browser b;

  @Test
  void theDemoFromNoClimateToAYear() throws Exception {
    Path bad =
        Files.writeString(
            Files.createTempDirectory("yentra-weather").resolve("bad.epw"),
            "LOCATION,Sandling,,,,,154.1,-3.3,0,6\n");
    try (RunningYentra yentra = new RunningYentra();
        Browser browser = new Browser()) {
      b = browser;
      b.driver.get(yentra.url("/"));
      b.click(Browser.DEMO);
      b.see("stage");
      b.keys("6");
      b.see("climate");
      assertThat(b.path("Estimate")).contains("Nothing run");
      b.driver.findElement(Browser.id("weather-file")).sendKeys(bad.toString());
      b.waitFor("why not", () -> b.text("climate").contains("bad.epw: The latitude is 154.1"));
      assertThat(b.text("climate")).contains("(line 1, field 7)");
      tab("Runs");
      assertThat(b.see("run").isEnabled()).as("there is no weather yet").isFalse();
      tab("Climate");
      new Select(b.see("weather")).selectByIndex(1);
      b.waitFor("the climate", () -> charts() >= 5);
      assertThat(b.text("climate")).contains("km from the site", "Heating degree days");
      aRunThatCannotStart();
      runsSideBySide();
      results();
      stale();
      // the browser itself notes that the bad file was refused
      assertThat(b.complaints()).allMatch(c -> c.contains("name=bad.epw"));
    }
  }

  private void aRunThatCannotStart() {
    tab("Runs");
    b.click("run");
    b.waitFor("it says what is missing", () -> states().equals(List.of("failed")));
    assertThat(b.text("runs")).contains("2 surfaces or openings have no U-value");
    b.waitFor("in the path too", () -> b.path("Estimate").contains("2 without a U-value"));
    b.click("lack");
    b.see(By.xpath("//h2[.='North wall of Changing room']"));
    assertThat(b.driver.getCurrentUrl()).contains("/thermal");
    b.click(By.xpath("//*[@role='row'][contains(., 'No construction')]"));
    b.click("give-defaults");
    b.click("apply");
    b.waitFor("made", () -> !b.has("pending"));
    b.keys("6");
  }

  private void runsSideBySide() {
    tab("Runs");
    for (int i = 2; i <= 6; i++) {
      int n = i;
      b.click("run");
      b.waitFor("run " + i, () -> states().size() == n);
    }
    // the last one waits for the others
    b.click(By.cssSelector("[title='Cancel Run 6']"));
    b.waitFor("cancelled", () -> states().get(0).equals("cancelled"));
    b.waitFor(
        "the others done", () -> states().stream().filter(s -> s.equals("done")).count() == 4);
    b.waitFor("its figure in the path", () -> b.path("Estimate").contains("kWh/m²"));
  }

  private void results() {
    tab("The year");
    b.waitFor("its charts", () -> charts() == 3);
    double perArea = Double.parseDouble(b.text("per-area"));
    assertThat(perArea).isBetween(10.0, 200.0);
    assertThat(b.text("year")).contains("monthly method", "Assumed");
    b.click(By.xpath("//button[contains(., 'Numbers of Heating and cooling by month')]"));
    b.waitFor("the numbers", () -> b.text("year").contains("Heating, kWh"));
    tab("Spaces");
    b.click(By.xpath("//*[@data-testid='loads']//*[normalize-space()='Visitor gallery']"));
    b.waitFor("every term", () -> b.has("terms"));
    assertThat(b.text("terms")).contains("thermal bridges", "Cooling, month");
    tab("A week");
    b.waitFor("a week's charts", () -> charts() == 2);
    assertThat(b.text("hours")).contains("Temperatures of the week", "Jan 15 to Jan 21");
    tab("Thermal bridges");
    b.waitFor("bridges", () -> b.text("junctions").contains("W/K"));
    tab("Sun");
    b.waitFor("sun", () -> b.text("sun").contains("The sun stands"));
  }

  private void stale() {
    b.keys("4");
    b.click("undo");
    b.waitFor("undone", () -> b.path("Estimate").contains("Envelope has changed"));
    b.keys("6");
    tab("Runs");
    b.waitFor("marked", () -> b.has("stale"));
    b.click("redo");
    b.waitFor("as it was when it was run", () -> b.path("Estimate").contains("kWh/m²"));
    assertThat(b.has("stale")).isFalse();
  }

  private void tab(String name) {
    b.click(By.xpath("//*[@role='tab'][starts-with(normalize-space(), '" + name + "')]"));
  }

  private int charts() {
    return b.driver.findElements(By.cssSelector("[data-testid='chart'] svg path")).isEmpty()
        ? 0
        : b.driver.findElements(Browser.id("chart")).size();
  }

  private List<String> states() {
    return b.driver.findElements(ROW).stream().map(EstimateIT::state).toList();
  }

  private static String state(WebElement row) {
    return String.valueOf(row.getAttribute("data-state"));
  }
}
