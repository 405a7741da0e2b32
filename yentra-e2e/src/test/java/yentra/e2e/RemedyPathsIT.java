package yentra.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.support.ui.Select;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.Fixtures;
import yentra.core.repair.FaultyRooms;

/**
 * Of every code that has remedies: a delivery with that fault; and where one of its remedies is of
 * a kind not tried yet, in the browser each remedy looked at, and the first one made.
 */
class RemedyPathsIT {
  private final HttpClient http = HttpClient.newHttpClient();
  private final JsonMapper json = new JsonMapper();

  /** How many pages were opened. */
  private int opened;

  /**
   * Remedies that were looked at, by their buttons: the same one of another code is not tried
   * again.
   */
  private final Set<String> tried = new HashSet<>();

  @Test
  void everyRemedyIsReachedFromItsFinding() throws Exception {
    List<String> seen = new ArrayList<>();
    try (RunningYentra yentra = new RunningYentra();
        Browser b = new Browser()) {
      b.driver.get(yentra.url("/"));
      b.see(By.cssSelector("input[aria-label='Your name']")).sendKeys("Test person");
      for (Map.Entry<String, byte[]> f : FaultyRooms.files().entrySet()) {
        String project = project(yentra, f.getKey());
        String page = deliver(yentra, project, f.getKey(), f.getValue());
        if (!isNew(yentra, page, f.getKey())) {
          seen.add(f.getKey() + ": nothing but what was tried");
          continue;
        }
        if (opened++ == 0) {
          b.driver.get(yentra.url(page));
        } else {
          b.goTo(page);
        }
        seen.add(f.getKey() + ": " + answer(b, f.getKey()) + " remedies");
      }
      // only where two sources meet: one of them drawn elsewhere
      String project = project(yentra, "Two sources");
      deliver(yentra, project, "first", Fixtures.write(Fixtures.rooms()));
      b.driver.get(yentra.url(deliver(yentra, project, "second", FaultyRooms.elsewhere())));
      answer(b, "UNI-204");
      spoiltAddress(yentra, b);
      // a remedy that turns out not to be possible is refused with its reason
      assertThat(b.complaints()).allMatch(c -> c.contains("/preview") && c.contains("422"));
    }
    assertThat(seen).hasSameSizeAs(FaultyRooms.all().keySet());
  }

  /** Whether a finding of a code has a remedy of a kind that was not tried yet. */
  private boolean isNew(RunningYentra yentra, String page, String code) throws Exception {
    String path = "/api/deliveries/" + page.replaceFirst(".*delivery=", "");
    for (JsonNode f : read(get(yentra, path + "/model")).get("findings")) {
      if (f.get("code").asString().equals(code)) {
        String asked = "{\"findings\":[" + f.get("id") + "]}";
        boolean some = false;
        for (JsonNode r :
            post(
                    yentra,
                    path + "/remedies",
                    "application/json",
                    asked.getBytes(StandardCharsets.UTF_8))
                .get(0)
                .get("remedies")) {
          some |= tried.add(r.get("repair").get("kind").asString());
        }
        return some;
      }
    }
    throw new AssertionError("no finding " + code);
  }

  private static HttpRequest.Builder get(RunningYentra yentra, String path) {
    return HttpRequest.newBuilder(URI.create(yentra.url(path)));
  }

  /** A workspace that does not exist leads to intake; a name without a break stays in its place. */
  private void spoiltAddress(RunningYentra yentra, Browser b) throws Exception {
    String project = project(yentra, "Long name");
    String name = "a-name-without-a-break-".repeat(10);
    String page = deliver(yentra, project, name, Fixtures.write(Fixtures.rooms()));
    b.driver.get(yentra.url(page.replace("/findings", "/attic")));
    b.waitFor("intake", () -> b.driver.getCurrentUrl().contains("/p/" + project + "/intake"));
    b.see("stage");
    for (String workspace : List.of("intake", "handover")) {
      b.driver.get(yentra.url(page.replace("/findings", "/" + workspace)));
      b.waitFor(
          "the name of the file", () -> b.see(By.tagName("body")).getText().contains("a-name-"));
      assertThat(
              b.driver.executeScript(
                  "const over = [];"
                      + "for (const e of document.querySelectorAll('body *'))"
                      + " if (!e.children.length && e.textContent.includes('a-name-'))"
                      + "  for (let p = e; p.parentElement !== null; p = p.parentElement)"
                      + "   if (p.getBoundingClientRect().right >"
                      + "       p.parentElement.getBoundingClientRect().right + 1)"
                      + "    over.push(p.className);"
                      + "return over"))
          .as("what reaches out of its place in %s", workspace)
          .isEqualTo(List.of());
    }
  }

  /** Looks at each remedy of the first finding of a code and makes the first one. */
  private int answer(Browser b, String code) {
    new Select(b.see("group-by")).selectByValue("code");
    By group = By.xpath("//*[@data-testid='finding-groups']//button[contains(., '" + code + "')]");
    b.click(group);
    String message = b.see("finding-message").getText();
    assertThat(b.hasRemedy()).as("remedies of %s: %s", code, message).isTrue();
    int n = b.driver.findElements(By.cssSelector("[data-testid^='remedy-']")).size();
    for (int i = n - 1; i >= 0; i--) {
      b.click("remedy-" + i);
      b.waitFor(
          "the preview of remedy " + i + " of " + code,
          () -> !b.see("pending").getText().contains("Working out"));
      if (i > 0) {
        b.keys(Keys.ESCAPE);
        b.waitFor("left alone", () -> !b.has("pending"));
        if (!b.has("finding-message")) {
          b.click(group);
        }
      }
    }
    assertThat(b.see("pending-summary").getText()).isNotBlank();
    assertThat(b.see("pending").getText()).contains("Resolves ").doesNotContain("Resolves no");
    b.click("apply");
    b.waitFor("made", () -> !b.has("pending"));
    b.waitFor(code + " is answered: " + message, () -> !b.text("finding-message").equals(message));
    return n;
  }

  private String project(RunningYentra yentra, String name) throws Exception {
    byte[] body = ("{\"name\":\"" + name + "\"}").getBytes(StandardCharsets.UTF_8);
    return post(yentra, "/api/projects", "application/json", body).get("id").asString();
  }

  /** Returns the page of the delivery's findings. */
  private String deliver(RunningYentra yentra, String project, String name, byte[] file)
      throws Exception {
    String job =
        post(
                yentra,
                "/api/projects/" + project + "/deliveries?name=" + name + ".xml",
                "application/octet-stream",
                file)
            .get("id")
            .asString();
    for (int i = 0; i < 300; i++) {
      JsonNode j = read(get(yentra, "/api/jobs/" + job));
      String state = j.get("state").asString();
      if (state.equals("failed")) {
        throw new AssertionError(name + ": " + j.get("message").asString());
      }
      if (j.hasNonNull("deliveryId")) {
        return "/p/" + project + "/findings?delivery=" + j.get("deliveryId").asString();
      }
      Thread.sleep(50);
    }
    throw new AssertionError(name + " has not been read");
  }

  private JsonNode post(RunningYentra yentra, String path, String type, byte[] body)
      throws Exception {
    return read(
        HttpRequest.newBuilder(URI.create(yentra.url(path)))
            .header("Content-Type", type)
            .header("X-Yentra-Person", "Test%20person")
            .POST(HttpRequest.BodyPublishers.ofByteArray(body)));
  }

  private JsonNode read(HttpRequest.Builder request) throws Exception {
    HttpResponse<String> a = http.send(request.build(), HttpResponse.BodyHandlers.ofString());
    assertThat(a.statusCode()).as(a.body()).isLessThan(300);
    return json.readTree(a.body());
  }
}
