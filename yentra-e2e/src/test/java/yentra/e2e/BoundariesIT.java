package yentra.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.support.ui.Select;

/** Where boundaries come from is seen, chosen otherwise, and chosen back. */
class BoundariesIT {
  @Test
  void boundariesAreDerivedAndDrawnElsewhere() throws Exception {
    try (RunningYentra yentra = new RunningYentra();
        Browser b = new Browser()) {
      b.driver.get(yentra.url("/"));
      b.waitFor(
          "the architect's model has been read",
          () -> b.driver.getPageSource().contains("marram-point-architecture.ifc"));
      b.click(By.xpath("//*[@data-testid='project'][contains(., 'architect')]"));
      b.see("stage");
      b.keys("3");
      b.press("Boundaries");
      b.waitFor("delivered", () -> b.see("sheet-boundaries").getText().contains("as delivered"));
      assertThat(b.see("boundaries").getText())
          .contains("Crew department", "taken for their group");

      choose(b, "boundary-mode", "all derived");
      b.waitFor(
          "derived",
          () ->
              b.see("sheet-boundaries").getText().contains("derived")
                  && !b.see("sheet-boundaries").getText().contains("as delivered"));
      assertThat(b.path("Envelope")).doesNotContain("not enclosed");

      choose(b, "boundary-convention", "middle of construction");
      b.waitFor(
          "moved", () -> b.see("boundaries").getText().contains("the middle of construction: vol"));

      choose(b, "boundary-convention", "inner faces");
      choose(b, "boundary-mode", "delivered if sound");
      b.waitFor("back", () -> b.see("sheet-boundaries").getText().contains("as delivered"));

      leaveItAsItIs(b);
      oneSpaceOnly(b);
      findAgain(b);
      theDeliveryStaysOpen(b);
      assertThat(b.complaints()).isEmpty();
    }
  }

  private static void leaveItAsItIs(Browser b) {
    new Select(b.see("boundary-mode")).selectByVisibleText("all derived");
    b.waitFor("the effect", () -> b.see("boundary-effect").getText().contains("Between two"));
    b.press("Leave it as it is");
    b.waitFor("left", () -> !b.has("boundary-effect"));
    assertThat(b.see("sheet-boundaries").getText()).contains("as delivered");
  }

  private static void oneSpaceOnly(Browser b) {
    b.click(By.xpath("//*[@data-testid='boundaries']//*[@role='row'][contains(., 'Kitchen')]"));
    b.waitFor("its choice", () -> b.see("boundary-of-spaces").getText().contains("Kitchen"));
    b.press("Derive");
    b.waitFor(
        "one derived",
        () ->
            b.see("sheet-boundaries").getText().contains("derived •")
                && b.see("sheet-boundaries").getText().contains("as delivered"));
    b.press("Undo");
    b.waitFor("none derived", () -> !b.see("sheet-boundaries").getText().contains("derived"));
  }

  /** A space put out of scope is found as a room without one, and taken in again. */
  private static void findAgain(Browser b) {
    b.press("Find rooms without a space");
    b.waitFor("all covered", () -> b.see("enclosed").getText().contains("0 rooms without"));
    b.click(By.xpath("//*[@data-testid='boundaries']//*[@role='row'][contains(., 'Kitchen')]"));
    b.keys("2");
    b.waitFor("the element", () -> b.has("sheet-elements"));
    String before = b.path("Scope");
    b.press("Put out");
    b.waitFor("out", () -> !b.path("Scope").equals(before));
    b.keys("3");
    b.press("Boundaries");
    b.press("Find rooms without a space");
    b.waitFor("one found", () -> b.see("enclosed").getText().contains("1 room without"));
    b.press("Take");
    b.waitFor("taken", () -> b.see("enclosed").getText().contains("0 rooms without"));
    assertThat(b.see("sheet-boundaries").getText()).contains("Ground floor 01");
  }

  /** Looks at another choice, sees what it changes, and takes it. */
  private static void choose(Browser b, String which, String what) {
    new Select(b.see(which)).selectByVisibleText(what);
    b.waitFor("the effect", () -> b.see("boundary-effect").getText().contains("Between two"));
    b.click(By.cssSelector("[data-testid='boundary-make']"));
    b.waitFor("made", () -> !b.has("boundary-effect"));
    b.settle();
  }

  /** One that is named in the address stays open from workspace to workspace. */
  private static void theDeliveryStaysOpen(Browser b) {
    String id =
        (String)
            b.driver.executeScript(
                "const x = new XMLHttpRequest();"
                    + "x.open('GET', '/api/projects/' + location.pathname.split('/')[2], false);"
                    + "x.send(); return JSON.parse(x.responseText).deliveries[0].id");
    b.driver.get(b.driver.getCurrentUrl().split("\\?")[0] + "?delivery=" + id);
    b.see("stage");
    b.keys("4");
    b.waitFor("findings", () -> b.driver.getCurrentUrl().contains("/findings?delivery=" + id));
    b.click(By.xpath("//nav//a[contains(., 'Envelope')]"));
    b.waitFor("envelope", () -> b.driver.getCurrentUrl().contains("/envelope?delivery=" + id));
  }
}
