package yentra.e2e;

import com.deque.html.axecore.results.Rule;
import com.deque.html.axecore.selenium.AxeBuilder;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;

/**
 * Goes through every view of an opened project and collects what axe-core finds, of whatever
 * impact.
 */
final class Axe {
  /** By far the dearest rule; the tables of a workspace share the colours of its first view. */
  private static final List<String> CONTRAST = List.of("color-contrast");

  /** Room to hit: 24 pixels each way; not among the rules that are on by themselves. */
  private static final List<String> TARGETS = List.of("target-size");

  /** Every table of every workspace too, which takes a minute more. */
  private static final boolean EVERY_TABLE = Boolean.getBoolean("yentra.axe.tables");

  private final Browser b;
  private final List<String> found = new ArrayList<>();
  private final Set<String> seen = new HashSet<>();

  Axe(Browser b) {
    this.b = b;
  }

  /** What was found so far: view, rule and place. */
  List<String> found() {
    return found;
  }

  void goThrough() {
    for (int i = 1; i <= 7; i++) {
      b.keys(String.valueOf(i));
      b.settle();
      int tabs = b.driver.findElements(By.cssSelector("[role=tab]")).size();
      look("workspace " + i);
      for (int t = 1; t < tabs; t++) {
        WebElement tab = b.driver.findElements(By.cssSelector("[role=tab]")).get(t);
        String name = tab.getText().replaceFirst(" [0-9]+$", "");
        // some tables stand in two workspaces
        if (EVERY_TABLE && seen.add(name)) {
          tab.click();
          b.settle();
          note(name, new AxeBuilder().disableRules(CONTRAST));
        }
      }
    }
    b.keys("4");
    b.keys("n");
    b.see("finding-message");
    b.keys("e");
    b.see("pending-summary");
    look("a repair before it is made");
    b.keys(Keys.ESCAPE);
    b.chord(Keys.CONTROL, "k");
    b.see("palette");
    look("the palette");
  }

  /** All rules on paper; in slate what depends on colours. */
  void look(String view) {
    note(view, new AxeBuilder());
    note(view, new AxeBuilder().withOnlyRules(TARGETS));
    wear("slate");
    note(view + " in slate", new AxeBuilder().withOnlyRules(CONTRAST));
    wear("paper");
  }

  private void wear(String theme) {
    b.driver.executeScript("document.documentElement.dataset.theme = arguments[0]", theme);
  }

  /** View, rule and place of each finding. */
  private void note(String view, AxeBuilder axe) {
    for (Rule rule : axe.analyze(b.driver).getViolations()) {
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
