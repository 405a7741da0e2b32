package yentra.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.interactions.Actions;

/**
 * Work on the demo project: remedies and a repair by hand, a crash of the server in the middle,
 * everything undone and made again. The way to a handover: {@link HintsIT}.
 */
class DemoWalkthroughIT {
  private Browser b;

  @Test
  void whatWasDoneSurvivesACrashAndIsUndoneAndMadeAgain() throws Exception {
    try (RunningYentra yentra = new RunningYentra();
        Browser browser = new Browser()) {
      b = browser;
      b.driver.get(yentra.url("/"));
      b.see(Browser.DEMO);
      b.see(By.cssSelector("input[aria-label='Your name']")).sendKeys("Test person");
      b.click(Browser.DEMO);
      b.see("stage");
      assertThat(b.path("Findings")).contains("6 blockers");
      assertThat(b.path("Envelope")).contains("2 not enclosed");

      handRepair();
      int byHand = logged();
      for (int i = 0; i < 6; i++) {
        answerFirstFinding();
      }
      int beforeCrash = logged();
      assertThat(beforeCrash).isEqualTo(byHand + 6);

      yentra.crashAndRestart();
      b.driver.navigate().refresh();
      b.see("stage");
      assertThat(logged()).isEqualTo(beforeCrash);

      answerFirstFinding();
      int all = logged();
      String left = b.path("Findings");
      assertThat(left).doesNotContain("6 blockers");

      undoEverything(all);
      assertThat(b.path("Findings")).contains("6 blockers");
      redoEverything(all);
      assertThat(b.path("Findings")).isEqualTo(left);
      b.driver.navigate().refresh();
      b.see("stage");
      assertThat(logged()).isEqualTo(all);
      assertThat(b.complaints()).isEmpty();
    }
  }

  /** Selects the kitchen's south wall in the sheet and retypes it from the dossier. */
  private void handRepair() {
    b.press("Surfaces");
    b.see(By.cssSelector("[aria-label='Filter by surface']")).sendKeys("south wall of kitchen");
    b.click(
        By.xpath(
            "//*[@role='row'][contains(., 'South wall of Kitchen')][contains(., 'Interior wall')]"));
    assertThat(b.see("dossier").getText())
        .contains("South wall of Kitchen", "InteriorWall", "line ");
    b.click("retype");
    b.press("exterior wall ExteriorWall");
    b.waitFor(
        "the preview",
        () ->
            b.see("pending-summary")
                .getText()
                .contains("exterior wall (ExteriorWall) instead of interior wall (InteriorWall)"));
    b.click("apply");
    b.waitFor("the repair is logged", () -> !b.has("pending"));
    assertThat(b.see("message").getText()).contains("ExteriorWall");
    b.keys(Keys.ESCAPE);
  }

  /** N to the first finding, E to see its first remedy, E again to make it. */
  private void answerFirstFinding() {
    int before = logged();
    b.keys(Keys.ESCAPE);
    b.keys("n");
    b.see("finding-message");
    b.keys("e");
    b.see("pending-summary");
    b.keys("e");
    b.waitFor("the repair is made", () -> !b.has("pending") && logged() == before + 1);
  }

  /** Entries in force, as the overview of the dossier counts them. */
  private int logged() {
    if (b.has("finding-message")) {
      b.keys(Keys.ESCAPE);
    }
    WebElement title =
        b.see(
            By.xpath(
                "//*[@data-testid='dossier']//h2[starts-with(normalize-space(.), 'Repair log')]"));
    return Integer.parseInt(title.getText().replaceAll("\\D+", ""));
  }

  private void undoEverything(int all) {
    for (int i = 0; i < all; i++) {
      int left = all - i - 1;
      b.chord(Keys.CONTROL, "z");
      b.waitFor("undone", () -> logged() == left);
    }
    assertThat(b.driver.findElement(Browser.id("undo")).isEnabled()).isFalse();
  }

  private void redoEverything(int all) {
    for (int i = 0; i < all; i++) {
      int made = i + 1;
      b.click("redo");
      b.waitFor("made again", () -> logged() == made);
    }
    assertThat(b.driver.findElement(Browser.id("redo")).isEnabled()).isFalse();
  }

  @Test
  void theStageAndTheSheetAreLinkedBothWays() throws Exception {
    try (RunningYentra yentra = new RunningYentra();
        Browser browser = new Browser()) {
      b = browser;
      b.driver.get(yentra.url("/"));
      b.see(Browser.DEMO);
      b.click(Browser.DEMO);
      b.see("stage");
      b.keys("3");
      b.press("Surfaces");
      b.settle();
      Object shown = b.driver.executeScript("return window.yentraStage().shown.length");
      assertThat(((Number) shown).intValue()).isGreaterThan(80);

      // a click in the picture selects the row
      Number x = (Number) b.driver.executeScript("return window.yentraStage().screen('su-41').x");
      Number y = (Number) b.driver.executeScript("return window.yentraStage().screen('su-41').y");
      WebElement stage = b.see("stage");
      int left = stage.getRect().getX() + (int) Math.round(x.doubleValue());
      int top = stage.getRect().getY() + (int) Math.round(y.doubleValue());
      new Actions(b.driver).moveToLocation(left, top).perform();
      b.waitFor("hover facts", () -> b.see("hover").getText().contains("m²"));
      new Actions(b.driver).moveToLocation(left, top).click().perform();
      b.waitFor("a selected row", () -> b.has(By.cssSelector("[role=row][aria-selected=true]")));
      String label =
          b.driver
              .findElement(By.cssSelector("[role=row][aria-selected=true]"))
              .getText()
              .lines()
              .findFirst()
              .orElse("");
      assertThat(b.see("dossier").getText()).contains(label);

      // isolate, hide, show all
      b.keys("i");
      b.waitFor("isolated", () -> b.shown() <= 6);
      b.keys("a");
      b.waitFor("all", () -> b.shown() > 80);
      b.keys("h");
      b.waitFor(
          "hidden",
          () ->
              !(Boolean)
                  b.driver.executeScript("return window.yentraStage().shown.includes('su-41')"));
      b.keys("a");

      // a level in and out again
      b.press("Spaces");
      b.click(By.xpath("//*[@role='row'][contains(., 'Boat hall')]"));
      b.keys(Keys.ENTER);
      b.waitFor(
          "the hall's surfaces", () -> b.see("dossier").getText().contains("objects selected"));
      b.keys(Keys.BACK_SPACE);
      b.waitFor("spaces", () -> b.see("dossier").getText().contains("Boat hall"));
      b.keys(Keys.ESCAPE);

      // the legend is a filter
      long before = b.shown();
      b.click(By.xpath("//*[@data-testid='legend']//button[contains(., 'Shading')]"));
      b.waitFor("shading is off", () -> b.shown() < before);

      // one storey
      b.click(By.xpath("//*[@data-testid='ladder']//button[contains(., 'Ground floor')]"));
      assertThat(
              b.see(By.cssSelector("[aria-label='Upper cut']")).getDomAttribute("aria-valuetext"))
          .isEqualTo("3.35 m");
      b.keys("a");

      // measuring snaps to corners
      b.keys("m");
      b.see("measure");
      new Actions(b.driver)
          .moveToLocation(left, top)
          .click()
          .moveByOffset(60, -8)
          .click()
          .perform();
      b.waitFor(
          "a distance",
          () -> b.see("measure").getText().matches("(?s).*\\d+\\.\\d{3} m, level .*"));
      b.keys(Keys.ESCAPE);

      // find by name
      b.chord(Keys.CONTROL, "k");
      b.see("palette").findElement(By.tagName("input")).sendKeys("plant room", Keys.ENTER);
      b.waitFor("the plant room", () -> b.see("dossier").getText().contains("Plant room"));
      assertThat(b.complaints()).isEmpty();
    }
  }
}
