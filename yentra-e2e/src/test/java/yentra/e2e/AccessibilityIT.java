package yentra.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.results.Rule;
import com.deque.html.axecore.selenium.AxeBuilder;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;

/**
 * Every view without a finding of axe-core, of whatever impact; in slate as readable as on paper.
 */
class AccessibilityIT {
  private final List<String> found = new ArrayList<>();
  private final Set<String> seen = new HashSet<>();

  @Test
  void noViewHasAFinding() throws Exception {
    try (RunningYentra yentra = new RunningYentra();
        Browser b = new Browser()) {
      b.driver.get(yentra.url("/"));
      b.waitFor(
          "the demo has been read", () -> b.see("project").getText().contains("marram-point.xml"));
      look(b, "projects");
      b.click("project");
      b.see("stage");
      for (int i = 1; i <= 7; i++) {
        b.keys(String.valueOf(i));
        b.settle();
        int tabs = b.driver.findElements(By.cssSelector("[role=tab]")).size();
        look(b, "workspace " + i);
        for (int t = 1; t < tabs; t++) {
          WebElement tab = b.driver.findElements(By.cssSelector("[role=tab]")).get(t);
          String name = tab.getText().replaceFirst(" [0-9]+$", "");
          // some tables stand in two workspaces
          if (seen.add(name)) {
            tab.click();
            b.settle();
            paper(b, name);
          }
        }
      }
      b.keys("4");
      b.keys("n");
      b.see("finding-message");
      b.keys("e");
      b.see("pending-summary");
      look(b, "a repair before it is made");
      b.chord(Keys.CONTROL, "k");
      b.see("palette");
      look(b, "the palette");
      assertThat(found).isEmpty();
    }
  }

  /** All rules on paper; in slate what depends on colours. */
  private void look(Browser b, String view) {
    paper(b, view);
    wear(b, "slate");
    note(
        view + " in slate",
        new AxeBuilder()
            .withOnlyRules(List.of("color-contrast"))
            .analyze(b.driver)
            .getViolations());
    wear(b, "paper");
  }

  private void paper(Browser b, String view) {
    note(view, new AxeBuilder().analyze(b.driver).getViolations());
  }

  private static void wear(Browser b, String theme) {
    b.driver.executeScript("document.documentElement.dataset.theme = arguments[0]", theme);
  }

  /** View, rule and place of each finding. */
  private void note(String view, List<Rule> violations) {
    for (Rule rule : violations) {
      found.add(
          view
              + ": "
              + rule.getId()
              + " ("
              + rule.getImpact()
              + ") "
              + rule.getNodes().stream().limit(3).map(n -> n.getHtml()).toList());
    }
  }
}
