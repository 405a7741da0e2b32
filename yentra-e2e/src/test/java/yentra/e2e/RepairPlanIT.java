package yentra.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.support.ui.Select;
import yentra.demo.DemoFiles;

/** The demo's 27 findings put right by the plan, and the next revision by the same. */
class RepairPlanIT {
  private Browser b;

  @Test
  void thePlanIsChosenFromTakenUndoneAndReplayedOnTheNextRevision() throws Exception {
    Path next =
        Files.write(
            Files.createTempDirectory("yentra-plan-b").resolve("b.xml"), DemoFiles.revisionB());
    try (RunningYentra yentra = new RunningYentra();
        Browser browser = new Browser()) {
      b = browser;
      b.driver.get(yentra.url("/"));
      b.click(Browser.DEMO);
      b.see("stage");
      b.keys("4");
      assertThat(findings()).isEqualTo(27);
      choose();
      look();
      b.click("apply");
      b.waitFor("made", () -> !b.has("pending"));
      int after = findings();
      assertThat(after).isLessThan(27 - 11);
      b.click("undo");
      b.waitFor("undone", () -> findings() == 27);
      // what was chosen of this state is chosen still
      b.waitFor("the plan", () -> sum().contains("12 of 13 steps taken, 1 question answered"));
      b.click("redo");
      b.waitFor("made again", () -> findings() == after);
      b.press("Repair log 1");
      assertThat(b.see("sheet-log").getText()).contains("Repair plan: 13 steps");
      // nothing but what was left out is offered now
      b.press("Repair plan");
      b.waitFor("what was left", () -> sum().contains("1 of 1 step taken"));

      b.keys("1");
      b.waitFor("the intake", () -> b.has("file"));
      b.driver.findElement(Browser.id("file")).sendKeys(next.toString());
      b.waitFor("revision 2", () -> b.path("Intake").contains("Revision 2"));
      b.keys("4");
      b.click(By.xpath("//*[@role='tab'][contains(., 'Since revision 1')]"));
      b.click("replay");
      b.waitFor("replayed", () -> !b.has("replay"));
      b.press("Repair log 1");
      assertThat(b.see("sheet-log").getText()).contains("carried over", "Repair plan");
      assertThat(b.complaints()).isEmpty();
    }
  }

  /** A step is left out, a question answered; the figures follow. */
  private void choose() {
    b.press("Repair plan");
    b.waitFor("the plan", () -> b.has("plan-sum"));
    assertThat(sum()).contains("13 of 13 steps taken");
    b.waitFor("figures", () -> figures().contains("Blockers 6 → 2"));
    // the roof without area is left as it is
    b.click(By.cssSelector("[aria-label='Take step 2']"));
    b.waitFor("one less", () -> sum().contains("12 of 13 steps taken"));
    b.waitFor("figures without it", () -> figures().contains("Blockers 6 → 3"));
    b.click(By.xpath("//button[starts-with(., 'For you to decide')]"));
    WebElement question = b.see(By.cssSelector("[data-testid='plan-questions'] li select"));
    new Select(question).selectByIndex(1);
    b.waitFor("answered", () -> sum().contains("1 question answered"));
  }

  /** As it is, as it would be, and between the two. */
  private void look() {
    b.waitFor("worked out", () -> b.see("plan-look").isEnabled());
    b.click("plan-look");
    assertThat(b.see("pending-summary").getText()).contains("Repair plan: 13 steps");
    long now = b.shown();
    b.press("As it would be");
    b.waitFor("other surfaces", () -> b.shown() != now);
    b.press("As it is");
    b.waitFor("the building as it is", () -> b.shown() == now);
    WebElement handle = b.see(By.cssSelector("[aria-label='As it is, or as it would be']"));
    handle.sendKeys(Keys.END);
    b.waitFor("by key", () -> b.shown() != now);
  }

  private String sum() {
    return b.text("plan-sum");
  }

  private String figures() {
    return b.text("plan-figures").replaceAll("\\s+", " ");
  }

  /** How many are open, as the tab says. */
  private int findings() {
    String tab =
        b.see(By.xpath("//*[@role='tab'][starts-with(normalize-space(), 'Findings')]")).getText();
    return Integer.parseInt(tab.replaceAll("\\D", ""));
  }
}
