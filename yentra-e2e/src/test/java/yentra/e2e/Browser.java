package yentra.e2e;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.function.BooleanSupplier;
import java.util.logging.Level;
import java.util.stream.Stream;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.OutputType;
import org.openqa.selenium.StaleElementReferenceException;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.chrome.ChromeDriverService;
import org.openqa.selenium.chrome.ChromeOptions;
import org.openqa.selenium.interactions.Actions;
import org.openqa.selenium.logging.LogType;
import org.openqa.selenium.logging.LoggingPreferences;
import org.openqa.selenium.support.ui.ExpectedConditions;
import org.openqa.selenium.support.ui.WebDriverWait;

/**
 * Headless Chromium with a viewport of 1280 x 800, kept from every address but loopback, drawing
 * WebGL in software.
 */
final class Browser implements AutoCloseable {
  private static final Duration PATIENCE = Duration.ofSeconds(30);
  private static final Duration POLL = Duration.ofMillis(50);

  /** The demo's lifeboat station in the list of projects, once its file has been read. */
  static final By DEMO = By.xpath("//*[@data-testid='project'][contains(., 'marram-point.xml')]");

  private final Path home;
  final Path downloads;
  final ChromeDriver driver;
  private final double pixels;

  /**
   * One that draws a quarter of the pixels: what is tested is the same, and drawing in software is
   * half of what these tests cost.
   */
  Browser() throws IOException {
    this(0.5);
  }

  /** One whose pictures are worth looking at. */
  static Browser sharp() throws IOException {
    return new Browser(1);
  }

  private Browser(double pixels) throws IOException {
    home = Files.createTempDirectory("yentra-browser");
    downloads = Files.createDirectory(home.resolve("downloads"));
    ChromeOptions options = new ChromeOptions();
    options.setBinary("/usr/lib/chromium/chromium");
    options.addArguments(
        "--headless=new",
        "--no-sandbox",
        "--disable-quic",
        "--no-first-run",
        "--no-default-browser-check",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
        "--disable-default-apps",
        "--disable-extensions",
        "--disable-breakpad",
        "--metrics-recording-only",
        "--no-pings",
        "--disable-dev-shm-usage",
        "--password-store=basic",
        "--disable-features=OptimizationHints,MediaRouter,Translate",
        "--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE 127.0.0.1, EXCLUDE localhost",
        "--no-proxy-server",
        "--lang=en-GB",
        "--force-device-scale-factor=" + pixels,
        "--hide-scrollbars",
        "--window-size=1280,800",
        "--use-angle=swiftshader",
        "--enable-unsafe-swiftshader",
        "--user-data-dir=" + home.resolve("profile"));
    options.setExperimentalOption(
        "prefs", Map.of("download.default_directory", downloads.toString()));
    LoggingPreferences logs = new LoggingPreferences();
    logs.enable(LogType.BROWSER, Level.ALL);
    options.setCapability("goog:loggingPrefs", logs);
    ChromeDriverService service =
        new ChromeDriverService.Builder()
            .usingDriverExecutable(Path.of("/usr/bin/chromedriver").toFile())
            .usingAnyFreePort()
            .withEnvironment(
                Map.of(
                    "HOME",
                    home.toString(),
                    "XDG_CONFIG_HOME",
                    home + "/config",
                    "XDG_CACHE_HOME",
                    home + "/cache"))
            .build();
    driver = new ChromeDriver(service, options);
    this.pixels = pixels;
    sized(1280, 800);
    driver.executeCdpCommand("Emulation.setTimezoneOverride", Map.of("timezoneId", "UTC"));
  }

  /** Gives the page so much room, in its own pixels. */
  void sized(int width, int height) {
    driver.executeCdpCommand(
        "Emulation.setDeviceMetricsOverride",
        Map.of("width", width, "height", height, "deviceScaleFactor", pixels, "mobile", false));
  }

  static By id(String testId) {
    return By.cssSelector("[data-testid='" + testId + "']");
  }

  WebDriverWait patient() {
    return new WebDriverWait(driver, PATIENCE, POLL);
  }

  WebElement see(By what) {
    return patient().until(ExpectedConditions.visibilityOfElementLocated(what));
  }

  WebElement see(String testId) {
    return see(id(testId));
  }

  void click(String testId) {
    patient().until(ExpectedConditions.elementToBeClickable(id(testId))).click();
  }

  void click(By what) {
    patient().until(ExpectedConditions.elementToBeClickable(what)).click();
  }

  /** Clicks a button or link by its words. */
  void press(String words) {
    click(
        By.xpath(
            "//*[self::button or self::a or @role='menuitem' or @role='tab'][contains(normalize-space(.), \""
                + words
                + "\")]"));
  }

  void keys(CharSequence... keys) {
    Actions a = new Actions(driver);
    for (CharSequence k : keys) {
      a.sendKeys(k);
    }
    a.perform();
  }

  void chord(Keys modifier, String key) {
    new Actions(driver).keyDown(modifier).sendKeys(key).keyUp(modifier).perform();
  }

  /** What something says now; nothing where it is not there. */
  String text(String testId) {
    return driver.findElements(id(testId)).stream().findFirst().map(WebElement::getText).orElse("");
  }

  /**
   * Waits until it is known what can be done about the finding that is shown; whether a repair can.
   */
  boolean hasRemedy() {
    waitFor(
        "what can be done", () -> has("remedy-0") || has("answered-elsewhere") || has("no-remedy"));
    return has("remedy-0");
  }

  /** Goes to another address within the page, as a link does. */
  void goTo(String address) {
    driver.executeScript(
        "history.pushState({}, '', arguments[0]); dispatchEvent(new PopStateEvent('popstate'))",
        address);
  }

  boolean has(By what) {
    return !driver.findElements(what).isEmpty();
  }

  boolean has(String testId) {
    return has(id(testId));
  }

  /** Waits until something holds; rows that are drawn anew meanwhile do not matter. */
  void waitFor(String what, BooleanSupplier condition) {
    patient()
        .ignoring(StaleElementReferenceException.class)
        .withMessage(what)
        .until(d -> condition.getAsBoolean());
  }

  /** A finished download by the end of its name. */
  Path downloaded(String ending) {
    Path[] file = {null};
    waitFor(
        "the download of " + ending,
        () -> {
          try (Stream<Path> s = Files.list(downloads)) {
            file[0] = s.filter(p -> p.toString().endsWith(ending)).findFirst().orElse(null);
          } catch (IOException e) {
            return false;
          }
          return file[0] != null;
        });
    return file[0];
  }

  /** No blocker and no error is open, as the path says. */
  boolean faultless() {
    return !path("Findings").matches("(?s).*\\d+ (blocker|error).*");
  }

  /** The mark of a workspace on the path: "clear", "open points" or "nothing yet". */
  String mark(String workspace) {
    return see(By.xpath("//nav//a[contains(., '" + workspace + "')]//*[@aria-label]"))
        .getAttribute("aria-label");
  }

  /** What the path says of a workspace. */
  String path(String workspace) {
    return see(By.xpath("//nav//a[contains(., '" + workspace + "')]")).getText();
  }

  /** How many objects the stage shows. */
  long shown() {
    return ((Number) driver.executeScript("return window.yentraStage().shown.length")).longValue();
  }

  /** Waits until fonts are there and the stage has drawn. */
  void settle() {
    driver.executeAsyncScript(
        "const done = arguments[0]; document.fonts.ready.then(() => setTimeout(() => requestAnimationFrame(() => requestAnimationFrame(done)), 350))");
  }

  byte[] picture() {
    settle();
    return driver.getScreenshotAs(OutputType.BYTES);
  }

  /** What the page wrote to its console that is worse than information. */
  List<String> complaints() {
    return driver.manage().logs().get(LogType.BROWSER).getAll().stream()
        .filter(e -> e.getLevel().intValue() >= Level.WARNING.intValue())
        .map(e -> e.getMessage())
        .filter(m -> !m.contains("GPU stall") && !m.contains("GL Driver Message"))
        // a browser complains of a stream whose server was stopped; it listens again by itself
        .filter(m -> !m.contains("/events - Failed to load resource: net::"))
        .toList();
  }

  @Override
  public void close() {
    driver.quit();
    try (Stream<Path> files = Files.walk(home)) {
      files.sorted(Comparator.reverseOrder()).forEach(p -> p.toFile().delete());
    } catch (IOException | java.io.UncheckedIOException e) {
      // the browser may still be writing; the directory is a temporary one
      home.toFile().deleteOnExit();
    }
  }
}
