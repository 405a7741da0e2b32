package yentra.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.http.HttpRequest;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;
import yentra.demo.DemoFiles;
import yentra.server.envelope.Deliveries;
import yentra.server.envelope.EnvelopeViews;

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
        repair(yentra, delivery, yentra.firstRemedy(delivery, f));
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
    String head = yentra.get("/api/deliveries/" + delivery + "/rows").body().split("\n")[0];
    String tag = JsonMapper.builder().build().readTree(head).get("tag").asString();
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

  /** Rows are the model again, and the outlines of all surfaces have their areas. */
  @Test
  void rowsAndShapesAreTheWholeModel(RunningServer.Yentra yentra) {
    String delivery =
        yentra
            .intake(yentra.project(), "marram.xml", DemoFiles.faultyGbxml())
            .get("deliveryId")
            .asString();
    JsonNode model = yentra.model(delivery);
    String[] lines = yentra.get("/api/deliveries/" + delivery + "/rows").body().split("\n");
    JsonMapper json = JsonMapper.builder().build();
    JsonNode head = json.readTree(lines[0]);
    List<JsonNode> surfaces = new ArrayList<>();
    List<JsonNode> findings = new ArrayList<>();
    for (int i = 1; i < lines.length; i++) {
      JsonNode line = json.readTree(lines[i]);
      if (line.has("surfaces")) {
        line.get("surfaces").forEach(surfaces::add);
      } else if (line.has("findings")) {
        line.get("findings").forEach(findings::add);
      }
    }
    assertThat(findings).containsExactlyElementsOf(model.get("findings"));
    assertThat(head.get("model").get("severities")).isEqualTo(model.get("severities"));
    assertThat(surfaces).hasSize(model.get("surfaces").size());
    List<String> members = new ArrayList<>();
    head.get("members").get("surface").forEach(m -> members.add(m.asString()));
    int at = 0;
    List<Double> areas = areas(yentra.get("/api/deliveries/" + delivery + "/shapes").bytes());
    for (int i = 0; i < surfaces.size(); i++) {
      JsonNode s = model.get("surfaces").get(i);
      assertThat(surfaces.get(i).get(members.indexOf("key"))).isEqualTo(s.get("key"));
      assertThat(surfaces.get(i).get(members.indexOf("openings")).size())
          .isEqualTo(s.get("openings").size());
      assertThat(areas.get(at++)).isCloseTo(s.get("grossArea").asDouble(), within(0.01));
      for (JsonNode o : s.get("openings")) {
        assertThat(areas.get(at++)).isCloseTo(o.get("area").asDouble(), within(0.01));
      }
    }
    assertThat(areas).hasSize(at + model.get("orphans").size());
  }

  /** The areas within the outer rings of a block of shapes. */
  private static List<Double> areas(byte[] block) {
    ByteBuffer b = ByteBuffer.wrap(block).order(ByteOrder.LITTLE_ENDIAN);
    int n = b.getInt(0);
    int rings = b.getInt(4);
    int corners = b.getInt(12);
    int words = 4 + 3 * n + rings + corners;
    int point = 4 * (words + words % 2);
    int ring = 16 + 12 * n;
    List<Double> out = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      List<Vec3> outer = new ArrayList<>();
      for (int k = 0; k < b.getInt(ring); k++) {
        int at = point + 24 * k;
        outer.add(new Vec3(b.getDouble(at), b.getDouble(at + 8), b.getDouble(at + 16)));
      }
      out.add(Polygon.of(outer).area());
      ring += 4 * b.getInt(16 + 12 * i);
      point += 24 * b.getInt(20 + 12 * i);
    }
    return out;
  }
}
