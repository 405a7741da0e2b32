package yentra.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.support.ui.Select;

/** What one person begins stays until it is taken or left, and is seen by others at once. */
class WorkingDayIT {
  private static RunningYentra yentra;

  @BeforeAll
  static void start() throws Exception {
    yentra = new RunningYentra();
  }

  @AfterAll
  static void stop() throws Exception {
    yentra.close();
  }

  private static void open(Browser b) {
    b.driver.get(yentra.url("/"));
    b.see(Browser.DEMO);
    b.click(Browser.DEMO);
    b.see("stage");
  }

  @Test
  void repairsThatAreConsideredWaitAndAreTakenOrLeftEach() throws Exception {
    try (Browser b = new Browser()) {
      open(b);
      b.keys("4");
      // by keyboard alone: the first remedy of a finding, then that of another
      b.keys("n");
      b.see("finding-message");
      b.keys("e");
      String first = b.see("pending-summary").getText();
      b.keys("n");
      b.keys("e");
      b.waitFor("another in front", () -> !b.see("pending-summary").getText().equals(first));
      assertThat(b.see("waiting").getText()).contains("Waiting (1)", first);
      String second = b.see("pending-summary").getText();
      b.keys("e");
      b.waitFor("the second is made", () -> !b.has("pending-summary"));
      assertThat(b.see("waiting").getText()).contains(first);
      // worked out anew on the changed model when it comes forward
      b.click(By.cssSelector("[data-testid=waiting] [title='Look at it again']"));
      b.waitFor("the first in front", () -> b.see("pending-summary").getText().equals(first));
      b.click("apply");
      b.waitFor("the first is made", () -> !b.has("pending"));
      b.press("Repair log");
      assertThat(b.see("sheet-log").getText()).contains(first, second);
      assertThat(b.complaints()).isEmpty();
    }
  }

  @Test
  void whatSomebodyElseChangesIsShownAtOnce() throws Exception {
    try (Browser one = new Browser();
        Browser other = new Browser()) {
      open(one);
      open(other);
      one.keys("4");
      one.keys("n");
      one.see("finding-message");
      one.keys("e");
      one.see("pending-summary");
      one.keys("e");
      one.waitFor("made", () -> !one.has("pending"));
      other.waitFor(
          "told",
          () ->
              other.has("message")
                  && other.see("message").getText().startsWith("Changed elsewhere by"));
      assertThat(other.path("Findings")).isEqualTo(one.path("Findings"));
      assertThat(other.complaints()).isEmpty();
    }
  }

  @Test
  void theAddressHoldsTheView() throws Exception {
    try (Browser b = new Browser()) {
      open(b);
      b.keys("3");
      b.press("Surfaces");
      b.see(By.cssSelector("[aria-label='Filter by surface']")).sendKeys("gallery");
      b.click(By.xpath("//*[@role='row'][contains(., 'South wall of Visitor gallery')]"));
      b.waitFor("the address", () -> b.driver.getCurrentUrl().contains("on="));
      b.waitFor("the filter", () -> b.driver.getCurrentUrl().contains("where="));
      b.driver.navigate().refresh();
      b.see("stage");
      b.waitFor(
          "selected again",
          () -> b.see("dossier").getText().contains("South wall of Visitor gallery"));
      assertThat(b.see(By.cssSelector("[aria-label='Filter by surface']")).getDomProperty("value"))
          .isEqualTo("gallery");
      assertThat(b.driver.getTitle()).startsWith("Envelope · ");
      // back and forward go through what was looked at
      b.keys(Keys.ESCAPE);
      b.waitFor("nothing selected", () -> !b.driver.getCurrentUrl().contains("on="));
      b.driver.navigate().back();
      b.waitFor("back", () -> b.see("dossier").getText().contains("South wall of Visitor gallery"));
      for (String workspace : new String[] {"1", "2", "4", "5", "7"}) {
        b.keys(workspace);
        b.settle();
        String before = b.driver.getCurrentUrl().replaceFirst("[?].*", "");
        b.driver.navigate().refresh();
        b.see("stage");
        assertThat(b.driver.getCurrentUrl()).startsWith(before);
      }
      assertThat(b.complaints()).isEmpty();
    }
  }

  /** Ctrl K does by name what has no key, on every page. */
  @Test
  void everyCommandIsFoundByName() throws Exception {
    try (Browser b = new Browser()) {
      b.driver.get(yentra.url("/"));
      b.see(Browser.DEMO);
      b.chord(Keys.CONTROL, "k");
      b.see("palette").findElement(By.tagName("input")).sendKeys("open marram", Keys.ENTER);
      b.see("stage");
      b.chord(Keys.CONTROL, "k");
      b.see("palette").findElement(By.tagName("input")).sendKeys("dark", Keys.ENTER);
      assertThat(b.driver.executeScript("return document.documentElement.dataset.theme"))
          .isEqualTo("slate");
      b.chord(Keys.CONTROL, "k");
      b.see("palette").findElement(By.tagName("input")).sendKeys("give a construction", Keys.ENTER);
      b.see("construction");
      assertThat(b.complaints()).isEmpty();
    }
  }

  /** A storey cut open says which spaces are closed there, and names them. */
  @Test
  void aCutIsClosedAndNamed() throws Exception {
    try (Browser b = new Browser()) {
      open(b);
      b.keys("3");
      b.see("ladder")
          .findElement(By.cssSelector("[aria-label='Ground floor: show only this storey']"))
          .click();
      b.waitFor("named", () -> b.see("space-names").getText().contains("Boat hall"));
      assertThat(b.see("space-names").getText()).contains("Workshop").doesNotContain("Store");
      b.keys("a");
      b.waitFor("from outside no floor is seen", () -> b.see("space-names").getText().isEmpty());
      assertThat(b.complaints()).isEmpty();
    }
  }

  /** As at 200 % zoom on a small screen: nothing sticks out or lies over what is pressed. */
  @Test
  void aSmallWindowHasEverythingInReach() throws Exception {
    try (Browser b = new Browser()) {
      open(b);
      b.sized(640, 400);
      for (String workspace : new String[] {"1", "2", "3", "4", "5", "7"}) {
        b.keys(workspace);
        b.settle();
        assertThat(
                b.driver.executeScript(
                    """
                    const over = [...document.querySelectorAll('header button, header input, nav a, [role=toolbar] button, [role=tab]')]
                      .filter((e) => {
                        e.scrollIntoView({ block: 'nearest', inline: 'nearest' });
                        const r = e.getBoundingClientRect();
                        const at = document.elementFromPoint(r.left + r.width / 2, r.top + r.height / 2);
                        return r.width > 0 && !(at && (e.contains(at) || at.contains(e)));
                      })
                      .map((e) => 'hidden: ' + (e.textContent || e.getAttribute('aria-label')));
                    if (document.documentElement.scrollWidth > innerWidth) over.push('the page scrolls sideways');
                    return over;
                    """))
            .as("workspace " + workspace)
            .asInstanceOf(org.assertj.core.api.InstanceOfAssertFactories.LIST)
            .isEmpty();
      }
      assertThat(b.complaints()).isEmpty();
    }
  }

  /** On paper the model is drawn on white, and a table has all its rows. */
  @Test
  void aViewGoesOnPaper() throws Exception {
    try (Browser b = new Browser()) {
      open(b);
      b.keys("3");
      b.press("Surfaces");
      int shown = b.driver.findElements(By.cssSelector("[data-key]")).size();
      b.driver.executeScript("window.dispatchEvent(new Event('beforeprint'))");
      String rows = b.see(By.cssSelector("[role=grid]")).getDomAttribute("aria-rowcount");
      assertThat(rows).isNotNull();
      int all = Integer.parseInt(rows) - 1;
      assertThat(b.driver.findElements(By.cssSelector("[data-key]"))).hasSize(all);
      assertThat(shown).isBetween(1, all - 1);
      assertThat(
              b.driver.executeScript(
                  """
                  const sheet = document.querySelectorAll('[data-testid=stage] canvas')[1];
                  const { data } = sheet.getContext('2d').getImageData(0, 0, sheet.width, sheet.height);
                  const white = (i) => data[i] + data[i + 1] + data[i + 2] === 765;
                  let other = 0;
                  for (let i = 0; i < data.length; i += 4) if (!white(i)) other++;
                  return [white(0), other > data.length / 4 / 50];
                  """))
          .isEqualTo(java.util.List.of(true, true));
      b.driver.executeScript("window.dispatchEvent(new Event('afterprint'))");
      assertThat(b.driver.findElements(By.cssSelector("[data-key]"))).hasSize(shown);
    }
  }

  @Test
  void noViewHasAFindingOfAxe() throws Exception {
    try (Browser b = new Browser()) {
      Axe axe = new Axe(b);
      open(b);
      axe.goThrough();
      b.keys(Keys.ESCAPE);
      b.driver.get(yentra.url("/"));
      b.see("project");
      axe.look("projects");
      assertThat(axe.found()).isEmpty();
    }
  }

  /**
   * From an empty project to a checked building by numbers, made higher later; then handed over.
   */
  @Test
  void aBuildingIsDrawnByNumbersAndDrawnAnew() throws Exception {
    try (Browser b = new Browser()) {
      b.driver.get(yentra.url("/"));
      b.see(By.cssSelector("[placeholder='Name of a new project']"))
          .sendKeys("Slip office", Keys.ENTER);
      b.click("draw");
      b.waitFor("figures", () -> b.text("plan-figures").contains("576.00 m²"));
      field(b, "Width, along x").sendKeys(Keys.chord(Keys.CONTROL, "a"), "30");
      b.press("Add a storey");
      new Select(b.see(By.xpath("//fieldset[legend='Roof']//select"))).selectByValue("gable");
      b.waitFor("figures", () -> b.text("plan-figures").contains("1440.00 m²"));
      assertThat(b.text("plan-figures")).contains("30.0 % glazed");
      b.press("Make this building");
      b.see("drawing");
      b.keys("3");
      b.see("stage");
      assertThat(b.see("sheet-spaces").getText()).contains("Ground south side", "Storey 3 attic");
      b.keys("1");
      b.see("drawing");
      field(b, "Ground").sendKeys(Keys.chord(Keys.CONTROL, "a"), "4.4");
      b.press("Draw anew");
      b.waitFor("drawn", () -> b.text("message").contains("Draws anew: height of Ground."));
      b.keys("4");
      b.see("sheet-findings");
      // what is drawn lacks constructions, uses and a place, and nothing of its geometry is wrong
      assertThat(b.see("sheet-findings").getText()).doesNotContain("enclosed", "overlap", "sliver");
      b.chord(Keys.CONTROL, "z");
      b.keys("1");
      b.waitFor("as before", () -> field(b, "Ground").getAttribute("value").equals("3.4"));
      assertThat(b.complaints()).isEmpty();
    }
  }

  private static WebElement field(Browser b, String label) {
    return b.see(
        By.xpath(
            "//*[@data-testid='plan-fields']//label[span[normalize-space()='"
                + label
                + "']]//input"));
  }
}
