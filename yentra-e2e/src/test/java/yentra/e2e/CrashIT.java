package yentra.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yentra.demo.DemoFiles;
import yentra.demo.MarramClimate;

/**
 * The server is killed (SIGKILL) at random moments while a hundred repairs are made: every repair
 * that was acknowledged is there afterwards, and none is half done.
 */
class CrashIT {
  private static final int REPAIRS = 100;
  private static final int CRASHES = 3;
  private final JsonMapper json = JsonMapper.builder().build();
  private final HttpClient http =
      HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(5)).build();

  @Test
  void everyAcknowledgedRepairSurvives() throws Exception {
    Random random = new Random(41);
    try (RunningYentra yentra = new RunningYentra()) {
      String delivery = delivery(yentra);
      AtomicInteger acknowledged = new AtomicInteger();
      List<String> summaries = new ArrayList<>();
      int crashes = 0;
      while (acknowledged.get() < REPAIRS) {
        boolean last = crashes == CRASHES;
        Thread worker = new Thread(() -> work(yentra, delivery, acknowledged, summaries));
        worker.start();
        if (!last) {
          Thread.sleep(200 + random.nextInt(1500));
          yentra.crashAndRestart();
          crashes++;
        }
        worker.join();
        JsonNode m = model(yentra, delivery);
        int logged = m.get("log").size();
        assertThat(logged)
            .as("acknowledged before crash %d; one more may have been made unheard", crashes)
            .isBetween(acknowledged.get(), acknowledged.get() + 1);
        for (int i = 0; i < summaries.size(); i++) {
          assertThat(m.get("log").get(i).get("summary").asString()).isEqualTo(summaries.get(i));
        }
        assertThat(m.get("delivery").get("logPosition").asInt()).isEqualTo(logged);
        // what was made unheard counts from now on
        for (int i = summaries.size(); i < logged; i++) {
          summaries.add(m.get("log").get(i).get("summary").asString());
        }
        acknowledged.set(logged);
      }
      assertThat(crashes).isEqualTo(CRASHES);
    }
  }

  /** Ten files come in, years are run, and the server is killed while it is at some of them. */
  @Test
  void jobsThatWereBeingReadGoOn() throws Exception {
    try (RunningYentra yentra = new RunningYentra()) {
      String first = delivery(yentra);
      String project = model(yentra, first).get("delivery").get("projectId").asString();
      byte[] file = DemoFiles.soundGbxml();
      List<String> runs = runs(yentra, project, first);
      List<String> jobs = new ArrayList<>();
      for (int i = 0; i < 10; i++) {
        HttpResponse<String> a =
            http.send(
                request(yentra, "/api/projects/" + project + "/deliveries?name=f" + i + ".xml")
                    .header("Content-Type", "application/octet-stream")
                    .header("X-Yentra-Person", "Test%20person")
                    .POST(HttpRequest.BodyPublishers.ofByteArray(file))
                    .build(),
                HttpResponse.BodyHandlers.ofString());
        assertThat(a.statusCode()).as(a.body()).isEqualTo(202);
        jobs.add(json.readTree(a.body()).get("id").asString());
      }
      yentra.crashAndRestart();
      for (String job : jobs) {
        String state = "";
        for (int i = 0; !state.equals("done") && i < 1800; i++) {
          state = get(yentra, "/api/jobs/" + job).get("state").asString();
          Thread.sleep(100);
        }
        assertThat(state).isEqualTo("done");
      }
      for (String run : runs) {
        String state = "";
        for (int i = 0; !state.equals("done") && i < 1200; i++) {
          state = get(yentra, "/api/estimates/" + run).get("state").asString();
          Thread.sleep(100);
        }
        assertThat(state).as("a run that was going on").isEqualTo("done");
      }
      List<String> names = new ArrayList<>();
      get(yentra, "/api/projects/" + project)
          .get("deliveries")
          .forEach(d -> names.add(d.get("fileName").asString()));
      assertThat(names.subList(0, 10))
          .as("in the order in which they came, the newest first")
          .containsExactly(
              "f9.xml", "f8.xml", "f7.xml", "f6.xml", "f5.xml", "f4.xml", "f3.xml", "f2.xml",
              "f1.xml", "f0.xml");
    }
  }

  /** Years of a delivery, asked for and not waited for. */
  private List<String> runs(RunningYentra yentra, String project, String delivery)
      throws Exception {
    post(
        yentra,
        "/api/projects/" + project + "/weather?name=coast.epw",
        "application/octet-stream",
        MarramClimate.epw());
    List<String> runs = new ArrayList<>();
    for (int i = 0; i < 4; i++) {
      String answer =
          post(
              yentra,
              "/api/deliveries/" + delivery + "/estimates",
              "application/json",
              "{\"assumeMissing\":true}".getBytes(StandardCharsets.UTF_8));
      runs.add(json.readTree(answer).get("id").asString());
    }
    return runs;
  }

  private String post(RunningYentra yentra, String path, String type, byte[] body)
      throws Exception {
    HttpResponse<String> a =
        http.send(
            request(yentra, path)
                .header("Content-Type", type)
                .header("X-Yentra-Person", "Test%20person")
                .POST(HttpRequest.BodyPublishers.ofByteArray(body))
                .build(),
            HttpResponse.BodyHandlers.ofString());
    assertThat(a.statusCode()).as(a.body()).isBetween(200, 299);
    return a.body();
  }

  /** Makes repairs one after the other until there are enough, or the server is gone. */
  private void work(
      RunningYentra yentra, String delivery, AtomicInteger acknowledged, List<String> summaries) {
    try {
      JsonNode m = model(yentra, delivery);
      while (acknowledged.get() < REPAIRS) {
        String type = acknowledged.get() % 2 == 0 ? "UNDERGROUND_WALL" : "EXTERIOR_WALL";
        String body =
            "{\"basedOn\":"
                + m.get("delivery").get("version").asLong()
                + ",\"repair\":{\"kind\":\"RetypeSurface\",\"surface\":\"su-3\",\"type\":\""
                + type
                + "\"}}";
        HttpResponse<String> a =
            http.send(
                request(yentra, "/api/deliveries/" + delivery + "/repairs")
                    .header("Content-Type", "application/json")
                    .header("X-Yentra-Person", "Test%20person")
                    .POST(HttpRequest.BodyPublishers.ofString(body))
                    .build(),
                HttpResponse.BodyHandlers.ofString());
        if (a.statusCode() != 200) {
          return;
        }
        m = json.readTree(a.body());
        summaries.add(m.get("log").get(m.get("log").size() - 1).get("summary").asString());
        acknowledged.incrementAndGet();
        Thread.sleep(20);
      }
    } catch (IOException e) {
      // the server was killed; what it has not acknowledged does not count
      return;
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private static HttpRequest.Builder request(RunningYentra yentra, String path) {
    return HttpRequest.newBuilder(URI.create(yentra.url(path))).timeout(Duration.ofSeconds(30));
  }

  private JsonNode get(RunningYentra yentra, String path) throws IOException, InterruptedException {
    return json.readTree(
        http.send(request(yentra, path).build(), HttpResponse.BodyHandlers.ofString()).body());
  }

  private JsonNode model(RunningYentra yentra, String delivery)
      throws IOException, InterruptedException {
    return get(yentra, "/api/deliveries/" + delivery + "/model");
  }

  private String delivery(RunningYentra yentra) throws IOException, InterruptedException {
    for (int i = 0; i < 1800; i++) {
      // whichever of the demo's projects was read last comes first
      for (JsonNode p : get(yentra, "/api/projects").get("projects")) {
        for (JsonNode d : p.get("deliveries")) {
          if (d.get("fileName").asString().equals("marram-point.xml")) {
            return d.get("id").asString();
          }
        }
      }
      Thread.sleep(100);
    }
    throw new AssertionError("the demo has not been read: " + get(yentra, "/api/projects"));
  }
}
