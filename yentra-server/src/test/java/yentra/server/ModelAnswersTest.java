package yentra.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yentra.demo.DemoFiles;
import yentra.server.envelope.Deliveries;
import yentra.server.envelope.EnvelopeViews;
import yentra.server.envelope.ModelAnswers;

/** What is kept for many readers is what one reader would get from scratch. */
@ExtendWith(RunningServer.class)
class ModelAnswersTest {
  private static JsonNode fresh(RunningServer.Yentra yentra, String delivery) {
    JsonMapper json = yentra.context.getBean(JsonMapper.class);
    EnvelopeViews.ModelView v =
        yentra.context.getBean(Deliveries.class).model(UUID.fromString(delivery));
    return json.readTree(json.writeValueAsString(v));
  }

  private static void same(RunningServer.Yentra yentra, String delivery, String after) {
    JsonNode kept = yentra.model(delivery);
    JsonNode fresh = fresh(yentra, delivery);
    for (Map.Entry<String, JsonNode> member : fresh.properties()) {
      assertThat(kept.get(member.getKey()))
          .as("%s after %s", member.getKey(), after)
          .isEqualTo(member.getValue());
    }
    assertThat(kept).hasSize(fresh.size());
  }

  private static long version(RunningServer.Yentra yentra, String delivery) {
    return yentra.get("/api/deliveries/" + delivery + "/version").json().get("version").asLong();
  }

  private static void repair(RunningServer.Yentra yentra, String delivery, Object repair) {
    RunningServer.Yentra.Answer a =
        yentra.post(
            "/api/deliveries/" + delivery + "/repairs",
            Map.of("basedOn", version(yentra, delivery), "repair", repair));
    assertThat(a.status()).as(a.body()).isEqualTo(200);
  }

  @Test
  void afterEveryKindOfChangeItIsTheWholeModel(RunningServer.Yentra yentra) {
    String project = yentra.project();
    String delivery =
        yentra.intake(project, "marram.xml", DemoFiles.faultyGbxml()).get("deliveryId").asString();
    JsonNode first = yentra.model(delivery);
    same(yentra, delivery, "the intake");
    String space = first.get("spaces").get(0).get("key").asString();
    repair(
        yentra,
        delivery,
        Map.of("kind", "NameSpaces", "rule", "Renamed", "spaces", List.of(space)));
    same(yentra, delivery, "a name");
    List<JsonNode> findings = new ArrayList<>();
    first.get("findings").forEach(findings::add);
    for (JsonNode f : findings) {
      if (f.get("code").asString().equals("SPC-401")) {
        repair(yentra, delivery, f.get("remedies").get(0).get("repair"));
        same(yentra, delivery, "a remedy");
      }
    }
    yentra.post(
        "/api/deliveries/" + delivery + "/findings/accept",
        Map.of(
            "findings",
            List.of(yentra.model(delivery).get("findings").get(0).get("id").asString()),
            "reason",
            "as built"));
    same(yentra, delivery, "a decision");
    yentra.put(
        "/api/projects/" + project + "/settings",
        Map.of("basedOn", 1, "settings", Map.of("north", 30, "groundLevel", -0.2)));
    same(yentra, delivery, "settings");
    for (String way : List.of("undo", "undo", "redo")) {
      yentra.post(
          "/api/deliveries/" + delivery + "/" + way, Map.of("basedOn", version(yentra, delivery)));
      same(yentra, delivery, way);
    }
  }

  @Test
  void whoHasItAlreadyIsToldSo(RunningServer.Yentra yentra) {
    String delivery =
        yentra
            .intake(yentra.project(), "sound.xml", DemoFiles.soundGbxml())
            .get("deliveryId")
            .asString();
    String path = "/api/deliveries/" + delivery + "/model";
    String tag = yentra.context.getBean(ModelAnswers.class).of(UUID.fromString(delivery)).tag();
    HttpRequest.Builder again =
        HttpRequest.newBuilder(yentra.uri(path)).header("If-None-Match", tag);
    assertThat(yentra.send(again.build()).status()).isEqualTo(304);
    String space = yentra.model(delivery).get("spaces").get(0).get("key").asString();
    repair(
        yentra, delivery, Map.of("kind", "NameSpaces", "rule", "Other", "spaces", List.of(space)));
    RunningServer.Yentra.Answer changed = yentra.send(again.build());
    assertThat(changed.status()).isEqualTo(200);
    assertThat(changed.body()).contains("\"Other\"");
    RunningServer.Yentra.Answer packed =
        yentra.send(
            HttpRequest.newBuilder(yentra.uri(path)).header("Accept-Encoding", "gzip").build());
    assertThat(packed.bytes().length).isLessThan(changed.bytes().length / 3);
  }
}
