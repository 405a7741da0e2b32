package yentra.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yentra.demo.MarramClimate;
import yentra.demo.WatchHut;

/**
 * Two nodes share a sweep of two hundred runs, and one of them is killed: none is lost or doubled.
 */
class SweepNodesIT {
  private static final String SWEEP =
      """
      {"grid":true,"assumeMissing":true,"axes":[
        {"change":{"kind":"WindowShades","facing":[],"overhang":0,"fin":0},"member":"overhang","from":0.1,"to":1.0,"step":0.1},
        {"change":{"kind":"Turned","degrees":0},"member":"degrees","from":0,"to":342,"step":18}]}
      """;

  private final JsonMapper json = JsonMapper.builder().build();
  private final HttpClient http = HttpClient.newHttpClient();

  @Test
  void noRunIsLostOrDoubled() throws Exception {
    try (RunningYentra yentra = new RunningYentra();
        RunningYentra.Node second = yentra.second()) {
      String project = post(yentra, "/api/projects", "{\"name\":\"Hut\"}").get("id").asString();
      String job =
          upload(yentra, "/api/projects/" + project + "/deliveries?name=hut.json", WatchHut.plan())
              .get("id")
              .asString();
      JsonNode read = get(yentra.url("/api/jobs/" + job));
      for (int i = 0; i < 300 && !read.get("state").asString().equals("done"); i++) {
        Thread.sleep(100);
        read = get(yentra.url("/api/jobs/" + job));
      }
      String delivery = read.get("deliveryId").asString();
      upload(yentra, "/api/projects/" + project + "/weather?name=coast.epw", MarramClimate.epw());
      String id =
          post(yentra, "/api/deliveries/" + delivery + "/sweeps", SWEEP).get("id").asString();
      waitFor(yentra, id, 40);
      second.kill();
      JsonNode all = waitFor(yentra, id, 200);
      assertThat(all.get("state").asString()).isEqualTo("done");
      List<Double> heating = new ArrayList<>();
      Set<String> states = new HashSet<>();
      for (JsonNode p : all.get("points")) {
        states.add(p.get("state").asString());
        heating.add(p.get("figures").get(0).asDouble());
      }
      assertThat(heating).hasSize(200);
      assertThat(states).containsExactly("done");
      assertThat(heating).allMatch(h -> h > 0);
      // asked for again it is there at once: every state has been worked out, and is known
      String again =
          post(yentra, "/api/deliveries/" + delivery + "/sweeps", SWEEP).get("id").asString();
      JsonNode same = get(yentra.url("/api/sweeps/" + again));
      assertThat(same.get("done").asInt()).isEqualTo(200);
      // each was worked out once, by whichever node
      assertThat(yentra.count("select count(*) from variant_result where figures is not null"))
          .isEqualTo(201);
      assertThat(
              yentra.count(
                  "select count(*) from variant_run where state <> 'done' or content is null"))
          .isZero();
    }
  }

  private JsonNode waitFor(RunningYentra yentra, String sweep, int done) throws Exception {
    JsonNode now = get(yentra.url("/api/sweeps/" + sweep));
    for (int i = 0; i < 1500 && now.get("done").asInt() < done; i++) {
      Thread.sleep(100);
      now = get(yentra.url("/api/sweeps/" + sweep));
    }
    assertThat(now.get("done").asInt()).isGreaterThanOrEqualTo(done);
    return now;
  }

  private JsonNode get(String url) throws IOException, InterruptedException {
    return json.readTree(
        http.send(
                HttpRequest.newBuilder(URI.create(url)).build(),
                HttpResponse.BodyHandlers.ofString())
            .body());
  }

  private JsonNode post(RunningYentra yentra, String path, String body) throws Exception {
    return send(yentra, path, "application/json", HttpRequest.BodyPublishers.ofString(body));
  }

  private JsonNode upload(RunningYentra yentra, String path, byte[] body) throws Exception {
    return send(
        yentra, path, "application/octet-stream", HttpRequest.BodyPublishers.ofByteArray(body));
  }

  private JsonNode send(
      RunningYentra yentra, String path, String type, HttpRequest.BodyPublisher body)
      throws Exception {
    HttpResponse<String> a =
        http.send(
            HttpRequest.newBuilder(URI.create(yentra.url(path)))
                .header("Content-Type", type)
                .header("X-Yentra-Person", "Test%20person")
                .POST(body)
                .build(),
            HttpResponse.BodyHandlers.ofString());
    assertThat(a.statusCode()).as(a.body()).isBetween(200, 299);
    return json.readTree(a.body());
  }
}
