package yentra.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.support.ui.Select;
import yentra.demo.DemoFiles;

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
      DrawingBoard board = new DrawingBoard(b);
      b.see("board");
      board.set("Height", "4.4");
      board.told("Makes Ground 4.400 m high.");
      b.keys("4");
      b.see("sheet-findings");
      // what is drawn lacks constructions, uses and a place, and nothing of its geometry is wrong
      assertThat(b.see("sheet-findings").getText()).doesNotContain("enclosed", "overlap", "sliver");
      b.chord(Keys.CONTROL, "z");
      b.keys("1");
      b.waitFor("as before", () -> board.field("Height").getAttribute("value").equals("3.400 m"));
      assertThat(b.complaints()).isEmpty();
    }
  }

  /**
   * From a scanned plan to a handover by mouse and keys; then the architect's model comes, and
   * takes over what was said of the drawing.
   */
  @Test
  void aPlanIsTracedAndItsUsesGoOverToTheModel() throws Exception {
    Path folder = Files.createTempDirectory("yentra-plan");
    try (Browser b = new Browser()) {
      b.driver.get(yentra.url("/"));
      b.see(By.cssSelector("[placeholder='Name of a new project']"))
          .sendKeys("Traced annexe", Keys.ENTER);
      b.click("draw-plan");
      DrawingBoard board = new DrawingBoard(b);
      b.see("board");
      // the picture is 30 m wide until its true length is told: 16 m between two points
      b.driver
          .findElement(Browser.id("underlay-file"))
          .sendKeys(DrawingBoard.picture(folder).toString());
      b.see("underlay");
      double wide = 30.0 / 1900;
      board.click(900 * wide, 50 * wide);
      board.click(1700 * wide, 50 * wide);
      board.type("16");
      b.waitFor("scaled", () -> !b.has(By.cssSelector("[data-typed]")));
      // the dimension line stayed where it was, and the wall is a metre above it; then it is laid
      // where the station's own grid has it
      b.press("Move");
      board.click(900 * wide, 50 * wide + 1);
      board.click(18, 0);
      b.waitFor("moved", () -> b.text("board").contains("Click what is drawn"));
      b.keys("f");
      double x = 18;
      double y = 0;
      b.keys("o");
      board.click(x, y);
      board.hover(x + 10, y);
      b.waitFor("snapped", () -> board.snap().equals("level"));
      board.type("16");
      board.hover(x + 16, y + 5);
      board.type("39 ft 4 7/16 in");
      board.hover(x + 3, y + 12);
      b.waitFor("snapped", () -> board.snap().contains("level"));
      board.click(x, y + 12);
      board.click(x, y);
      b.waitFor("a delivery", () -> b.driver.getCurrentUrl().contains("delivery="));
      b.see(By.cssSelector("[data-room]"));

      // walls: one along the middle, three across; each ends where it meets another
      b.keys("l");
      board.click(x, y + 6);
      board.hover(x + 9, y + 6);
      b.waitFor("snapped", () -> board.snap().startsWith("level"));
      board.click(x + 16, y + 6);
      board.told("Draws a wall on Ground.");
      board.click(x + 8, y + 6);
      board.click(x + 8, y);
      b.waitFor("three rooms", () -> rooms(b) == 3);
      board.click(x + 12, y);
      board.click(x + 12, y + 6);
      b.waitFor("four rooms", () -> rooms(b) == 4);
      board.click(x + 6, y + 6);
      board.click(x + 6, y + 12);
      b.waitFor("five rooms", () -> rooms(b) == 5);
      b.keys("t");
      board.name(x + 3, y + 2, "Workshop", "WorkshopWorkshop");
      board.name(x + 10, y + 2, "Kitchen", null);
      board.name(x + 14, y + 2, "Plant room", null);
      board.name(x + 3, y + 9, "Crew room", "DiningArea");
      board.name(x + 10, y + 9, "Changing room", null);
      b.keys("w");
      board.click(x + 3, y + 12);
      board.told("Fits a window on Ground.");

      // storeys, a band on one of them, roof, windows and overhangs
      board.choose("Form", "gable");
      board.told("Draws anew: roof.");
      b.see(By.cssSelector("[aria-label='How many times']"))
          .sendKeys(Keys.chord(Keys.CONTROL, "a"), "2", Keys.ENTER);
      board.told("Copies Ground up 2 times.");
      board.storey("Storey 3");
      b.press("Let it differ");
      board.told("Lets Storey 3 differ from Ground.");
      board.set("Perimeter band", "3");
      board.told("Cuts a band of 3.000 m along the outer walls of Storey 3.");
      board.set("Facing south", "40");
      board.told("Draws anew: windows facing south.");
      board.set("Overhang at the head", "0.8");
      board.told("Draws anew: overhangs.");
      board.storey("Ground");
      assertThat(rooms(b)).isEqualTo(5);

      // a wall is moved: the rooms keep what they are used for
      b.keys("s");
      board.drag(x + 8, y + 2, x + 9, y + 2);
      board.told("Moves the wall on Ground by");
      b.keys("3");
      b.waitFor("uses", () -> b.text("sheet-spaces").contains("Workshop"));
      assertThat(b.text("sheet-spaces")).contains("Crew room, Storey 2", "Dining area");

      // constructions by type, and a handover that is read back equal
      b.keys("5");
      b.click(
          By.xpath(
              "//*[@data-testid='sheet-constructions']//*[@role='row'][contains(., 'No construction')]"));
      b.click("give-defaults");
      b.see("pending-summary");
      b.click("apply");
      b.waitFor("constructions", () -> !b.has("pending"));
      b.keys("7");
      b.click("write");
      b.see("handover-row");
      assertThat(b.see("handover").getText()).contains("Reads back equal");

      // the architect's model of the same building takes the uses over
      b.keys("1");
      b.press("Intake report");
      Path ifc = folder.resolve("annexe.ifc");
      Files.write(ifc, DemoFiles.ifc());
      b.driver.findElement(Browser.id("file")).sendKeys(ifc.toString());
      b.waitFor("the model", () -> b.text("take-over").contains("recognised"));
      b.press("Show what it does");
      b.see("pending-summary");
      b.click("apply");
      b.waitFor("taken", () -> !b.has("pending"));
      assertThat(b.text("take-over")).doesNotContain("Uses and gains");
      assertThat(b.complaints()).isEmpty();
    }
  }

  private static int rooms(Browser b) {
    return b.driver.findElements(By.cssSelector("[data-room]")).size();
  }

  private static WebElement field(Browser b, String label) {
    return b.see(
        By.xpath(
            "//*[@data-testid='plan-fields']//label[span[normalize-space()='"
                + label
                + "']]//input"));
  }

  /** A body of 20 by 10 m and 7 m high, storeys at 0 and 3.5 m, without rooms. */
  private static final String MASS =
      """
      ISO-10303-21;
      HEADER;FILE_DESCRIPTION((''),'2;1');FILE_NAME('','',(''),(''),'','','');FILE_SCHEMA(('IFC4'));ENDSEC;
      DATA;
      #1=IFCPROJECT('0YvctVUKr0kugbFTf53O9L',$,'P',$,$,$,$,(#2),#3);
      #2=IFCGEOMETRICREPRESENTATIONCONTEXT($,'Model',3,1.E-5,#4,$);
      #3=IFCUNITASSIGNMENT((#5));
      #4=IFCAXIS2PLACEMENT3D(#6,$,$);
      #5=IFCSIUNIT(*,.LENGTHUNIT.,$,.METRE.);
      #6=IFCCARTESIANPOINT((0.,0.,0.));
      #7=IFCLOCALPLACEMENT($,#4);
      #8=IFCCARTESIANPOINT((0.,0.,3.5));
      #9=IFCAXIS2PLACEMENT3D(#8,$,$);
      #15=IFCLOCALPLACEMENT(#7,#9);
      #10=IFCBUILDING('1YvctVUKr0kugbFTf53O9L',$,'B',$,$,#7,$,$,.ELEMENT.,$,$,$);
      #11=IFCBUILDINGSTOREY('2YvctVUKr0kugbFTf53O9L',$,'Ground',$,$,#7,$,$,.ELEMENT.,0.);
      #12=IFCBUILDINGSTOREY('3YvctVUKr0kugbFTf53O9L',$,'First',$,$,#15,$,$,.ELEMENT.,3.5);
      #13=IFCRELAGGREGATES('0ZvctVUKr0kugbFTf53O9L',$,$,$,#1,(#10));
      #14=IFCRELAGGREGATES('1ZvctVUKr0kugbFTf53O9L',$,$,$,#10,(#11,#12));
      #20=IFCRECTANGLEPROFILEDEF(.AREA.,$,$,20.,10.);
      #21=IFCDIRECTION((0.,0.,1.));
      #22=IFCEXTRUDEDAREASOLID(#20,#4,#21,7.);
      #23=IFCSHAPEREPRESENTATION(#2,'Body','SweptSolid',(#22));
      #24=IFCPRODUCTDEFINITIONSHAPE($,$,(#23));
      #25=IFCBUILDINGELEMENTPROXY('2ZvctVUKr0kugbFTf53O9L',$,'Mass',$,$,#7,#24,$,$);
      #26=IFCRELCONTAINEDINSPATIALSTRUCTURE('3ZvctVUKr0kugbFTf53O9L',$,$,$,(#25),#11);
      ENDSEC;
      END-ISO-10303-21;
      """;

  @Test
  void aBodyWithoutRoomsIsCutIntoFloorsAndDrawnOn() throws Exception {
    Path folder = Files.createTempDirectory("yentra-mass");
    try (Browser b = new Browser()) {
      b.driver.get(yentra.url("/"));
      b.see(By.cssSelector("[placeholder='Name of a new project']"))
          .sendKeys("Mass study", Keys.ENTER);
      b.waitFor("the intake", () -> b.has("file"));
      Path file = Files.writeString(folder.resolve("mass.ifc"), MASS);
      b.driver.findElement(Browser.id("file")).sendKeys(file.toString());
      assertThat(b.see("mass").getText()).contains("Ground, First");
      // a tick says that nothing is open: there is nothing yet
      String path = b.see(By.tagName("nav")).getText();
      assertThat(path).contains("No spaces").doesNotContain("All enclosed", "Ready");
      b.press("Draw on its floors");
      b.see("board");
      b.see(By.cssSelector("[data-room]"));
      b.see(By.cssSelector("[data-storey=First]"));
      DrawingBoard board = new DrawingBoard(b);
      b.keys("l");
      board.click(0, -5);
      board.click(0, 5);
      b.waitFor("two rooms", () -> rooms(b) == 2);
      assertThat(b.complaints()).isEmpty();
    }
  }
}
