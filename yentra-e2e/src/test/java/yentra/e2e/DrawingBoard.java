package yentra.e2e;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import javax.imageio.ImageIO;
import org.openqa.selenium.By;
import org.openqa.selenium.JavascriptExecutor;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.interactions.Actions;
import org.openqa.selenium.support.ui.Select;

/** The page's board, by the drawing's metres. */
final class DrawingBoard {
  private final Browser b;

  DrawingBoard(Browser b) {
    this.b = b;
  }

  /** Where a point of the drawing is in the window. */
  private int[] at(double x, double y) {
    List<?> p =
        (List<?>)
            ((JavascriptExecutor) b.driver)
                .executeScript(
                    """
                    const s = document.querySelector('[data-testid=board] svg[role=img]');
                    const m = s.querySelector(':scope > g[transform^=translate]').getScreenCTM();
                    return [m.a * arguments[0] + m.e, m.d * arguments[1] + m.f];
                    """,
                    x,
                    y);
    return new int[] {
      (int) Math.round(((Number) p.get(0)).doubleValue()),
      (int) Math.round(((Number) p.get(1)).doubleValue())
    };
  }

  void hover(double x, double y) {
    int[] p = at(x, y);
    new Actions(b.driver).moveToLocation(p[0], p[1]).perform();
  }

  void click(double x, double y) {
    int[] p = at(x, y);
    new Actions(b.driver).moveToLocation(p[0], p[1]).click().perform();
  }

  void drag(double x, double y, double toX, double toY) {
    int[] from = at(x, y);
    int[] to = at(toX, toY);
    new Actions(b.driver)
        .moveToLocation(from[0], from[1])
        .clickAndHold()
        .moveToLocation((from[0] + to[0]) / 2, (from[1] + to[1]) / 2)
        .moveToLocation(to[0], to[1])
        .release()
        .perform();
  }

  /** A length that is typed while something is drawn. */
  void type(String length) {
    b.keys(length, Keys.ENTER);
  }

  /** Why the next point would lie where it does. */
  String snap() {
    return b.text("snap");
  }

  /** Waits until the log says it. */
  void told(String said) {
    b.waitFor(said, () -> b.text("message").contains(said));
  }

  void storey(String name) {
    b.click(By.cssSelector("[data-storey='" + name + "']"));
  }

  WebElement field(String label) {
    return b.see(
        By.xpath(
            "//*[@data-testid='drawing-side']//label[span[normalize-space()='"
                + label
                + "']]//*[self::input or self::select]"));
  }

  void set(String label, String value) {
    field(label).sendKeys(Keys.chord(Keys.CONTROL, "a"), value, Keys.ENTER);
  }

  void choose(String label, String value) {
    new Select(field(label)).selectByValue(value);
  }

  void name(double x, double y, String name, String use) {
    click(x, y);
    WebElement form = b.see("room-form");
    form.findElement(By.tagName("input")).sendKeys(name);
    if (use != null) {
      Select s = new Select(form.findElement(By.tagName("select")));
      b.waitFor("uses", () -> s.getOptions().size() > 1);
      s.selectByValue(use);
    }
    form.findElement(By.cssSelector("button[type=submit]")).click();
    told("Names " + name);
  }

  /** A plan as it would be scanned: an annexe of 16 by 12 m, 50 pixels a metre, at x = 18. */
  static Path picture(Path folder) throws IOException {
    BufferedImage i = new BufferedImage(1900, 800, BufferedImage.TYPE_BYTE_GRAY);
    Graphics2D g = i.createGraphics();
    g.setColor(Color.WHITE);
    g.fillRect(0, 0, i.getWidth(), i.getHeight());
    g.setColor(Color.BLACK);
    g.setStroke(new BasicStroke(6));
    g.drawRect(900, 100, 800, 600);
    g.drawLine(900, 400, 1700, 400);
    g.setStroke(new BasicStroke(2));
    g.drawLine(900, 750, 1700, 750);
    g.drawString("16.00", 1290, 745);
    g.dispose();
    Path file = folder.resolve("annexe.png");
    ImageIO.write(i, "png", file.toFile());
    return file;
  }
}
