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
      assertThat(b.path("Envelope")).contains("All enclosed");

      choose(b, "boundary-convention", "middle of construction");
      b.waitFor(
          "moved", () -> b.see("boundaries").getText().contains("the middle of construction: vol"));

      choose(b, "boundary-convention", "inner faces");
      choose(b, "boundary-mode", "delivered if sound");
      b.waitFor("back", () -> b.see("sheet-boundaries").getText().contains("as delivered"));
      assertThat(b.complaints()).isEmpty();
    }
  }

  private static void choose(Browser b, String which, String what) {
    new Select(b.see(which)).selectByVisibleText(what);
    b.settle();
  }
}
