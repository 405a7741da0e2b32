package yentra.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import java.util.stream.StreamSupport;
import org.jooq.DSLContext;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import yentra.demo.DemoFiles;
import yentra.server.envelope.Attempts;

/** How boundaries are made, and spaces found, over HTTP. */
@ExtendWith(RunningServer.class)
class BoundaryTest {
  private RunningServer.Yentra yentra;
  private String project;
  private String delivery;

  @BeforeEach
  void deliver(RunningServer.Yentra running) {
    yentra = running;
    project = yentra.project();
  }

  private void intake(String name, byte[] bytes) {
    delivery = yentra.intake(project, name, bytes).get("deliveryId").asString();
  }

  private String at(String what) {
    return "/api/deliveries/" + delivery + "/" + what;
  }

  private String attempt(UUID run) {
    return at("boundaries/try/" + run);
  }

  private static String named(UUID run) {
    return "/api/attempts/" + run;
  }

  private RunningServer.Yentra.Answer step(String what, Map<String, Object> body) {
    Map<String, Object> m = new HashMap<>(body);
    m.put("basedOn", yentra.model(delivery).get("delivery").get("version").asLong());
    return yentra.post(at(what), m);
  }

  private static List<JsonNode> list(JsonNode array) {
    return StreamSupport.stream(array.spliterator(), false).toList();
  }

  private static List<String> origins(JsonNode sums) {
    return list(sums.get("rows")).stream()
        .map(r -> r.get("balance").get("origin").asString())
        .distinct()
        .toList();
  }

  @Test
  void otherChoicesAreTriedWithoutAChange() {
    intake("marram-point.ifc", DemoFiles.ifc());
    JsonNode now = yentra.get(at("boundaries")).json();
    assertThat(origins(now)).containsExactly("DELIVERED");
    JsonNode tried = yentra.post(attempt(UUID.randomUUID()), Map.of("mode", "DERIVE")).json();
    assertThat(origins(tried)).containsExactly("DERIVED");
    // the same building, so nearly the same figures
    assertThat(tried.get("openings")).isEqualTo(now.get("openings"));
    assertThat(tried.get("pairs")).isEqualTo(now.get("pairs"));
    for (int i = 0; i < list(now.get("rows")).size(); i++) {
      double a = list(now.get("rows")).get(i).get("balance").get("sum").asDouble();
      double b = list(tried.get("rows")).get(i).get("balance").get("sum").asDouble();
      assertThat(b).isCloseTo(a, within(0.01));
    }
    assertThat(yentra.get(at("boundaries")).json()).isEqualTo(now);
    RunningServer.Yentra.Answer bad =
        yentra.post(attempt(UUID.randomUUID()), Map.of("gapLimit", 40.0));
    assertThat(bad.status()).isEqualTo(400);
    assertThat(bad.body()).contains("must lie between 0.05 and 3 m");
  }

  @Test
  void aTryThatIsGivenUpStops() {
    intake("marram-point.ifc", DemoFiles.ifc());
    UUID run = UUID.randomUUID();
    assertThat(yentra.delete(named(run)).status()).isEqualTo(204);
    RunningServer.Yentra.Answer given = yentra.post(attempt(run), Map.of("mode", "DERIVE"));
    assertThat(given.status()).isEqualTo(422);
    assertThat(given.body()).contains("cancelled");
    UUID whole = UUID.randomUUID();
    assertThat(yentra.get(named(whole)).json().get("share").asDouble()).isZero();
    assertThat(yentra.post(attempt(whole), Map.of("mode", "DERIVE")).status()).isEqualTo(200);
    assertThat(yentra.get(named(whole)).json().get("share").asDouble()).isEqualTo(1);
  }

  /** Two nodes share nothing but the database. */
  @Test
  void aTryIsFollowedAndGivenUpFromAnotherNode() {
    DSLContext db = yentra.context.getBean(DSLContext.class);
    Attempts here = new Attempts(db, Clock.systemUTC());
    Attempts there = new Attempts(db, Clock.systemUTC());
    UUID run = UUID.randomUUID();
    assertThatThrownBy(
            () ->
                here.run(
                    run,
                    watch -> {
                      double seen = 0;
                      for (int i = 1; i <= 100; i++) {
                        watch.at(0.4);
                        pause();
                        seen = Math.max(seen, there.share(run));
                        if (seen > 0) {
                          there.cancel(run);
                        }
                      }
                      return seen;
                    }))
        .isInstanceOf(CancellationException.class);
    assertThat(there.share(run)).isEqualTo(0.4);
  }

  private static void pause() {
    try {
      Thread.sleep(30);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  @Test
  void oneSpaceIsDerivedAndLeftToTheProjectAgain() {
    intake("marram-point.ifc", DemoFiles.ifc());
    JsonNode first = list(yentra.get(at("boundaries")).json().get("rows")).get(0);
    String key = first.get("balance").get("space").asString();
    JsonNode m =
        step("boundaries/choice", Map.of("spaces", List.of(key), "source", "DERIVED")).json();
    assertThat(list(m.get("log")).get(0).get("summary").asString())
        .startsWith("Derives the boundaries of ");
    List<JsonNode> rows = list(yentra.get(at("boundaries")).json().get("rows"));
    assertThat(rows.get(0).get("balance").get("origin").asString()).isEqualTo("DERIVED");
    assertThat(rows.get(0).get("chosen").asString()).isEqualTo("DERIVED");
    assertThat(rows.stream().map(r -> r.get("balance").get("origin").asString()))
        .contains("DELIVERED");
    step("boundaries/choice", Map.of("spaces", List.of(key), "source", "PROJECT"));
    assertThat(origins(yentra.get(at("boundaries")).json())).containsExactly("DELIVERED");
    assertThat(
            step("boundaries/choice", Map.of("spaces", List.of("none"), "source", "DERIVED"))
                .status())
        .isEqualTo(404);
  }

  @Test
  void spacesThatAreTakenOutAreFoundAgain() {
    intake("marram-point.ifc", DemoFiles.ifc());
    JsonNode whole = yentra.model(delivery);
    JsonNode kitchen =
        list(whole.get("spaces")).stream()
            .filter(s -> s.get("name").asString().contains("Kitchen"))
            .findFirst()
            .orElseThrow();
    step(
        "scope/place",
        Map.of(
            "keys",
            List.of(kitchen.get("source").get("id").asString()),
            "in",
            false,
            "reason",
            ""));
    JsonNode found = yentra.get(at("enclosed")).json();
    assertThat(list(found.get("volumes"))).hasSize(1);
    JsonNode v = list(found.get("volumes")).get(0);
    JsonNode after =
        step("enclosed", Map.of("volumes", List.of(Map.of("name", "Galley", "inside", inside(v)))))
            .json();
    JsonNode galley =
        list(after.get("spaces")).stream()
            .filter(s -> s.get("name").asString().equals("Galley"))
            .findFirst()
            .orElseThrow();
    assertThat(galley.get("enclosed").asBoolean()).isTrue();
    assertThat(galley.get("volume").asDouble()).isCloseTo(v.get("volume").asDouble(), within(1e-3));
    assertThat(list(yentra.get(at("enclosed")).json().get("volumes"))).isEmpty();
    assertThat(step("enclosed", Map.of("volumes", List.of(Map.of("name", " ")))).status())
        .isEqualTo(400);
  }

  private static List<Double> inside(JsonNode volume) {
    return list(volume.get("inside")).stream().map(JsonNode::asDouble).toList();
  }

  @Test
  void looseSurfacesOfGbxmlBecomeSpaces() {
    String sound = new String(DemoFiles.soundGbxml(), StandardCharsets.UTF_8);
    String loose =
        sound
            .replaceAll("(?s)<Space .*?</Space>\\s*", "")
            .replaceAll("<AdjacentSpaceId [^>]*/>\\s*", "");
    intake("loose.xml", loose.getBytes(StandardCharsets.UTF_8));
    assertThat(list(yentra.model(delivery).get("spaces"))).isEmpty();
    List<JsonNode> volumes = list(yentra.get(at("enclosed")).json().get("volumes"));
    assertThat(volumes).hasSize(8);
    List<Map<String, Object>> all =
        volumes.stream()
            .map(v -> Map.<String, Object>of("name", v.get("name").asString(), "inside", inside(v)))
            .toList();
    JsonNode m = step("enclosed", Map.of("volumes", all)).json();
    assertThat(list(m.get("spaces"))).hasSize(8).allMatch(s -> s.get("enclosed").asBoolean());
    intake("sound.xml", sound.getBytes(StandardCharsets.UTF_8));
    JsonNode before = yentra.model(delivery);
    assertThat(volume(m)).isCloseTo(volume(before), within(0.01 * volume(before)));
  }

  private static double volume(JsonNode model) {
    return list(model.get("spaces")).stream().mapToDouble(s -> s.get("volume").asDouble()).sum();
  }
}
