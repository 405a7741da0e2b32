package yentra.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yentra.demo.DemoFiles;
import yentra.demo.MarramClimate;

/** Weather, and runs as jobs on the database. */
@ExtendWith(RunningServer.class)
class EstimateTest {
  private RunningServer.Yentra yentra;
  private String project;
  private String delivery;

  @BeforeEach
  void deliver(RunningServer.Yentra running) {
    yentra = running;
    project = yentra.project();
    delivery =
        yentra.intake(project, "marram.xml", DemoFiles.soundGbxml()).get("deliveryId").asString();
  }

  private void weather() {
    RunningServer.Yentra.Answer a =
        yentra.upload("/api/projects/" + project + "/weather?name=coast.epw", MarramClimate.epw());
    assertThat(a.status()).as(a.body()).isEqualTo(201);
  }

  private JsonNode ask(boolean assume) {
    Map<String, Object> asked = new HashMap<>();
    asked.put("name", null);
    asked.put("assumeMissing", assume);
    RunningServer.Yentra.Answer a =
        yentra.post("/api/deliveries/" + delivery + "/estimates", asked);
    assertThat(a.status()).as(a.body()).isEqualTo(202);
    return a.json();
  }

  private JsonNode ended(JsonNode run) {
    JsonNode now = run;
    for (int i = 0; i < 600; i++) {
      now = yentra.get("/api/estimates/" + run.get("id").asString()).json();
      if (!List.of("waiting", "running").contains(now.get("state").asString())) {
        return now;
      }
      try {
        Thread.sleep(100);
      } catch (InterruptedException e) {
        throw new IllegalStateException(e);
      }
    }
    throw new IllegalStateException("the run does not end: " + now);
  }

  @SuppressWarnings("unchecked")
  private Map<String, Object> settings() {
    return JsonMapper.builder()
        .build()
        .readValue(yentra.get("/api/projects/" + project + "/estimate-settings").body(), Map.class);
  }

  private RunningServer.Yentra.Answer put(Map<String, Object> settings) {
    return yentra.put("/api/projects/" + project + "/estimate-settings", settings);
  }

  @Test
  void weatherIsKeptOnceForAllProjects() {
    assertThat(yentra.get("/api/deliveries/" + delivery + "/climate").status()).isEqualTo(204);
    weather();
    int files = yentra.get("/api/weather").json().size();
    JsonNode climate = yentra.get("/api/deliveries/" + delivery + "/climate").json();
    assertThat(climate.get("distance").asDouble()).isBetween(1.0, 5.0);
    assertThat(climate.get("higher").asDouble()).isEqualTo(2);
    assertThat(climate.get("dryBulb")).hasSize(12);
    assertThat(climate.get("wind")).hasSize(16);
    String other = yentra.project();
    String id = climate.get("weather").asString();
    assertThat(yentra.put("/api/projects/" + other + "/weather", Map.of("weather", id)).status())
        .isEqualTo(204);
    weather();
    assertThat(yentra.get("/api/weather").json()).as("the same file again").hasSize(files);
    RunningServer.Yentra.Answer bad =
        yentra.upload(
            "/api/projects/" + project + "/weather?name=x.epw",
            "LOCATION,a,b,c,d,e,95,0,0,0\n".getBytes(StandardCharsets.UTF_8));
    assertThat(bad.status()).isEqualTo(422);
    assertThat(bad.json().get("detail").asString()).contains("latitude is 95");
    assertThat(bad.json().get("line").asInt()).isEqualTo(1);
    assertThat(bad.json().get("column").asInt()).isEqualTo(7);
  }

  @Test
  void aRunIsKeptWithTheStateItBelongsTo() {
    Map<String, Object> none = Map.of("assumeMissing", false);
    assertThat(yentra.post("/api/deliveries/" + delivery + "/estimates", none).status())
        .as("without weather")
        .isEqualTo(422);
    weather();
    JsonNode run = ended(ask(false));
    assertThat(run.get("state").asString()).as(run.toString()).isEqualTo("done");
    assertThat(run.get("stale").asBoolean()).isFalse();
    String id = run.get("id").asString();
    JsonNode result = yentra.get("/api/estimates/" + id + "/result").json();
    assertThat(result.get("spaces")).hasSize(8);
    assertThat(result.get("balanceError").asDouble()).isLessThan(1e-8);
    assertThat(result.get("opinions")).hasSize(2);
    double sum = 0;
    for (JsonNode s : result.get("spaces")) {
      sum += s.get("heating").asDouble();
    }
    assertThat(run.get("heating").asDouble()).isCloseTo(sum, within(1e-6));
    String space = result.get("spaces").get(0).get("key").asString();
    JsonNode week =
        yentra.get("/api/estimates/" + id + "/hours?space=" + space + "&from=336").json();
    assertThat(week.get("air")).hasSize(168);
    assertThat(yentra.get("/api/estimates/" + id + "/hours?space=nobody").status()).isEqualTo(404);
    assertThat(yentra.get("/api/estimates/" + id + "/hours?space=" + space + "&from=9000").status())
        .isEqualTo(400);
    // a repair, and back
    long version = yentra.model(delivery).get("delivery").get("version").asLong();
    Map<String, Object> repair =
        Map.of(
            "basedOn",
            version,
            "repair",
            Map.of("kind", "NameSpaces", "rule", "Another {name}", "spaces", List.of(space)));
    RunningServer.Yentra.Answer made =
        yentra.post("/api/deliveries/" + delivery + "/repairs", repair);
    assertThat(made.status()).as(made.body()).isEqualTo(200);
    assertThat(yentra.get("/api/estimates/" + id).json().get("stale").asBoolean()).isTrue();
    RunningServer.Yentra.Answer undone =
        yentra.post(
            "/api/deliveries/" + delivery + "/undo",
            Map.of("basedOn", yentra.model(delivery).get("delivery").get("version").asLong()));
    assertThat(undone.status()).as(undone.body()).isEqualTo(200);
    assertThat(yentra.get("/api/estimates/" + id).json().get("stale").asBoolean())
        .as("the envelope is again what it was")
        .isFalse();
    assertThat(yentra.delete("/api/estimates/" + id).status()).isEqualTo(204);
    assertThat(yentra.get("/api/estimates/" + id).status()).isEqualTo(404);
  }

  @Test
  void whatIsMissingIsNamedAndCanBeAssumed() {
    delivery =
        yentra.intake(project, "faulty.xml", DemoFiles.faultyGbxml()).get("deliveryId").asString();
    weather();
    JsonNode run = ended(ask(false));
    assertThat(run.get("state").asString()).isEqualTo("failed");
    assertThat(run.get("lacks")).hasSize(2);
    assertThat(run.get("lacks").get(0).get("label").asString()).contains("wall");
    JsonNode assumed = ended(ask(true));
    assertThat(assumed.get("state").asString()).isEqualTo("done");
    JsonNode result =
        yentra.get("/api/estimates/" + assumed.get("id").asString() + "/result").json();
    assertThat(result.get("assumptions").toString()).contains("library");
  }

  @Test
  void runsBesideEachOtherAndOneIsCancelled() {
    weather();
    List<JsonNode> runs = new ArrayList<>();
    for (int i = 0; i < 8; i++) {
      runs.add(ask(false));
    }
    String last = runs.get(7).get("id").asString();
    assertThat(yentra.delete("/api/estimates/" + last).status()).isEqualTo(204);
    assertThat(ended(runs.get(7)).get("state").asString()).isEqualTo("cancelled");
    double first = ended(runs.get(0)).get("heating").asDouble();
    for (JsonNode r : runs.subList(1, 7)) {
      assertThat(ended(r).get("heating").asDouble()).as("always the same").isEqualTo(first);
    }
    assertThat(yentra.get("/api/estimates/" + last + "/result").status()).isEqualTo(422);
  }

  @Test
  void settingsAreCheckedAndUsed() {
    weather();
    Map<String, Object> s = settings();
    double before = ended(ask(false)).get("heating").asDouble();
    s.put("heating", 27);
    s.put("cooling", 26);
    RunningServer.Yentra.Answer crossed = put(s);
    assertThat(crossed.status()).isEqualTo(400);
    assertThat(crossed.json().get("detail").asString()).contains("must not be above");
    s.put("heating", 16);
    s.put("airChange", 900);
    assertThat(put(s).json().get("detail").asString()).contains("Air change");
    s.put("airChange", 0.1);
    assertThat(put(s).status()).isEqualTo(200);
    assertThat(ended(ask(false)).get("heating").asDouble()).isLessThan(0.8 * before);
  }

  /** ψ of a type counts for the listed bridges and for the runs. */
  @Test
  void psiCanBeReplaced() {
    weather();
    Map<String, Object> s = settings();
    double before = ended(ask(false)).get("heating").asDouble();
    s.put("psi", Map.of("GF", 0.0, "W", 0.0));
    assertThat(put(s).status()).isEqualTo(200);
    for (JsonNode j :
        yentra.get("/api/deliveries/" + delivery + "/junctions").json().get("junctions")) {
      boolean replaced = List.of("GF", "W").contains(j.get("type").asString());
      assertThat(j.get("stated").asBoolean()).isEqualTo(replaced);
    }
    assertThat(ended(ask(false)).get("heating").asDouble()).isLessThan(0.95 * before);
    s.put("psi", Map.of("X", 0.0));
    assertThat(put(s).json().get("detail").asString()).contains("type X");
  }

  @Test
  void bridgesAndSun() {
    JsonNode j = yentra.get("/api/deliveries/" + delivery + "/junctions").json();
    assertThat(j.get("totals").size()).isGreaterThan(3);
    assertThat(j.get("junctions").get(0).get("lines").size() % 6).isZero();
    JsonNode noon = yentra.get("/api/deliveries/" + delivery + "/sunlight?month=6&hour=12").json();
    assertThat(noon.get("altitude").asDouble()).isBetween(55.0, 62.0);
    JsonNode night = yentra.get("/api/deliveries/" + delivery + "/sunlight?month=12&hour=2").json();
    for (JsonNode o : night.get("openings")) {
      assertThat(o.get("share").asDouble()).isZero();
      assertThat(o.get("hours").asDouble()).isBetween(0.0, 9.0);
    }
    assertThat(yentra.get("/api/deliveries/" + delivery + "/sunlight?month=13").status())
        .isEqualTo(400);
  }
}
