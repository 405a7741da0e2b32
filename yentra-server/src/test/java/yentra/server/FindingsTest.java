package yentra.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import yentra.demo.DemoFiles;

/** Findings decided about, answered together, handed out and traced, and the log as a whole. */
@ExtendWith(RunningServer.class)
class FindingsTest {
  private RunningServer.Yentra yentra;
  private String project;
  private String delivery;

  @BeforeEach
  void deliver(RunningServer.Yentra running) {
    yentra = running;
    project = yentra.project();
    delivery = intake("marram.xml", DemoFiles.faultyGbxml());
  }

  private String intake(String name, byte[] bytes) {
    return yentra.intake(project, name, bytes).get("deliveryId").asString();
  }

  private RunningServer.Yentra.Answer post(String what, Map<String, Object> body) {
    return yentra.post("/api/deliveries/" + delivery + "/" + what, body);
  }

  private JsonNode model() {
    return yentra.model(delivery);
  }

  private static List<JsonNode> list(JsonNode array) {
    return StreamSupport.stream(array.spliterator(), false).toList();
  }

  private static JsonNode finding(JsonNode model, String code) {
    return list(model.get("findings")).stream()
        .filter(f -> f.get("code").asString().equals(code))
        .findFirst()
        .orElseThrow(() -> new AssertionError(code));
  }

  private static String id(JsonNode f) {
    return f.get("id").asString();
  }

  private JsonNode edit(String what, Map<String, Object> body) {
    Map<String, Object> m = new HashMap<>(body);
    m.put("basedOn", model().get("delivery").get("version").asLong());
    RunningServer.Yentra.Answer a = post(what, m);
    assertThat(a.status()).as(a.body()).isEqualTo(200);
    return a.json();
  }

  private JsonNode repair(String json) {
    return edit(
        "repairs",
        Map.of("repair", tools.jackson.databind.json.JsonMapper.builder().build().readTree(json)));
  }

  @Test
  void anAcceptedFindingIsNoLongerOpenUntilItsObjectChanges() {
    JsonNode before = model();
    JsonNode f = finding(before, "SPC-403");
    assertThat(post("findings/accept", Map.of("findings", List.of(id(f)), "reason", " ")).status())
        .isEqualTo(400);
    JsonNode m =
        post("findings/accept", Map.of("findings", List.of(id(f)), "reason", "Known, see minutes"))
            .json();
    assertThat(m.get("severities").get("warning").asInt())
        .isEqualTo(before.get("severities").get("warning").asInt() - 1);
    JsonNode accepted = finding(m, "SPC-403").get("accepted");
    assertThat(accepted.get("reason").asString()).isEqualTo("Known, see minutes");
    assertThat(accepted.get("holds").asBoolean()).isTrue();
    m = repair("{\"kind\":\"NameSpaces\",\"rule\":\"Workshop 1\",\"spaces\":[\"sp-workshop\"]}");
    assertThat(finding(m, "SPC-403").get("accepted").get("holds").asBoolean()).isFalse();
    m = edit("undo", Map.of());
    assertThat(finding(m, "SPC-403").get("accepted").get("holds").asBoolean()).isTrue();
    m = post("findings/withdraw", Map.of("findings", List.of(id(f)))).json();
    assertThat(finding(m, "SPC-403").has("accepted")).isFalse();
  }

  @Test
  void oneRemedyAnswersManyAndSaysWhatItLeaves() {
    JsonNode m = model();
    List<String> ids =
        list(m.get("findings")).stream()
            .filter(
                f ->
                    f.get("code").asString().equals("ADJ-506")
                        || f.get("code").asString().equals("SPC-401"))
            .map(FindingsTest::id)
            .toList();
    JsonNode like = yentra.firstRemedy(delivery, finding(m, "ADJ-506"));
    JsonNode s = post("findings/sweep", Map.of("findings", ids, "like", like)).json();
    assertThat(s.get("repair").get("kind").asString()).isEqualTo("Several");
    assertThat(list(s.get("left")))
        .allSatisfy(l -> assertThat(l.get("reason").asString()).contains("no remedy of this kind"))
        .hasSize(2);
    assertThat(list(s.get("preview").get("resolved"))).hasSize(2);
    JsonNode after = edit("repairs", Map.of("repair", s.get("repair")));
    assertThat(list(after.get("findings")))
        .noneMatch(f -> f.get("code").asString().equals("ADJ-506"));
    assertThat(after.get("log").get(0).get("figures").get("findingsGone").asInt()).isEqualTo(2);
  }

  @Test
  void limitsAreTriedBeforeTheyAreSet() {
    List<JsonNode> limits = list(yentra.get("/api/deliveries/" + delivery + "/limits").json());
    assertThat(limits)
        .anySatisfy(
            l -> {
              assertThat(l.get("code").asString()).isEqualTo("SPC-403");
              assertThat(l.get("standard").asDouble()).isEqualTo(2);
              assertThat(l.has("set")).isFalse();
            });
    Map<String, Object> wide = Map.of("limits", Map.of("SPC-403.difference", 20.0));
    JsonNode effect = post("limits/try", wide).json();
    assertThat(list(effect))
        .anySatisfy(
            e -> {
              assertThat(e.get("code").asString()).isEqualTo("SPC-403");
              assertThat(e.get("now").asInt()).isEqualTo(1);
              assertThat(e.get("then").asInt()).isZero();
            });
    assertThat(model().get("findings").toString()).contains("SPC-403");
    Map<String, Object> set = new java.util.HashMap<>(wide);
    set.put("basedOn", 99);
    assertThat(yentra.put("/api/deliveries/" + delivery + "/limits", set).status()).isEqualTo(409);
    String project = model().get("delivery").get("projectId").asString();
    set.put("basedOn", yentra.get("/api/projects/" + project).json().get("version").asLong());
    assertThat(yentra.put("/api/deliveries/" + delivery + "/limits", set).status()).isEqualTo(200);
    assertThat(model().get("settingsLog").toString())
        .contains("Sets the limit SPC-403.difference to 20.", "Test person");
    assertThat(model().get("findings").toString()).doesNotContain("SPC-403");
    RunningServer.Yentra.Answer bad =
        post("limits/try", Map.of("limits", Map.of("SPC-403.difference", 5000.0)));
    assertThat(bad.status()).isEqualTo(422);
    assertThat(bad.body()).contains("must lie between");
  }

  @Test
  void aMessageLeadsToItsObjectsAlsoThroughTheLastHandover() {
    JsonNode hits =
        post(
                "trace",
                Map.of(
                    "text",
                    "error, SP-PLANT: surface SU_13 has layer 2 of CON-OUTER too thin\nunrelated"))
            .json()
            .get("hits");
    assertThat(list(hits)).extracting(h -> h.get("kind").asString()).contains("space", "surface");
    assertThat(list(hits).get(0).get("title").asString()).isEqualTo("Plant room");
    assertThat(list(list(hits).get(0).get("findings"))).isNotEmpty();
    assertThat(post("trace", Map.of("text", " ")).status()).isEqualTo(400);
    edit("handovers", Map.of("allowBlockers", true), 201);
    repair("{\"kind\":\"DeleteSurface\",\"surface\":\"su-fragment\"}");
    JsonNode gone = post("trace", Map.of("text", "su-fragment?")).json().get("hits");
    assertThat(list(gone).get(0).get("facts").toString()).contains("handed over last");
  }

  private void edit(String what, Map<String, Object> body, int status) {
    Map<String, Object> m = new HashMap<>(body);
    m.put("basedOn", model().get("delivery").get("version").asLong());
    RunningServer.Yentra.Answer a = post(what, m);
    assertThat(a.status()).as(a.body()).isEqualTo(status);
  }

  @Test
  void topicsGoOutAndTheirAnswersComeBack() throws Exception {
    JsonNode f = finding(model(), "SPC-401");
    for (String version : List.of("2.1", "3.0")) {
      RunningServer.Yentra.Answer a =
          post("bcf", Map.of("version", version, "findings", List.of(id(f))));
      assertThat(a.status()).isEqualTo(200);
      Map<String, byte[]> zip = unzip(a.bytes());
      assertThat(zip.keySet())
          .contains("bcf.version")
          .anyMatch(n -> n.endsWith("/markup.bcf"))
          .anyMatch(n -> n.endsWith("/viewpoint.bcfv"))
          .anyMatch(n -> n.endsWith("/snapshot.png"));
      byte[] answered = answered(zip, version);
      JsonNode r = answers("answers.bcf", answered).json();
      assertThat(r.get("known").asInt()).isEqualTo(1);
      assertThat(r.get("comments").asInt()).isEqualTo(1);
    }
    JsonNode said = finding(model(), "SPC-401").get("answers");
    assertThat(list(said)).hasSize(1);
    assertThat(said.get(0).get("text").asString()).isEqualTo("Wall added in the model");
    assertThat(said.get(0).get("status").asString()).isEqualTo("Closed");
    assertThat(answers("x.bcf", "nothing".getBytes(StandardCharsets.UTF_8)).status())
        .isEqualTo(422);
    assertThat(post("bcf", Map.of("version", "1.0")).status()).isEqualTo(400);
  }

  private RunningServer.Yentra.Answer answers(String name, byte[] bytes) {
    return yentra.send(
        HttpRequest.newBuilder(
                URI.create(
                    yentra.base() + "/api/deliveries/" + delivery + "/bcf/answers?name=" + name))
            .header("Content-Type", "application/octet-stream")
            .header("X-Yentra-Person", "Test%20person")
            .POST(HttpRequest.BodyPublishers.ofByteArray(bytes))
            .build());
  }

  private static Map<String, byte[]> unzip(byte[] bytes) throws IOException {
    Map<String, byte[]> out = new HashMap<>();
    try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(bytes))) {
      for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
        out.put(e.getName(), in.readAllBytes());
      }
    }
    return out;
  }

  /** The same archive as somebody who has dealt with the topic sends it back. */
  private static byte[] answered(Map<String, byte[]> zip, String version) throws IOException {
    String comment =
        "<Comment Guid=\"1\"><Date>2026-05-01T08:00:00Z</Date><Author>Architect</Author><Comment>Wall added in the model</Comment></Comment>";
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (ZipOutputStream z = new ZipOutputStream(out)) {
      for (Map.Entry<String, byte[]> e : zip.entrySet()) {
        z.putNextEntry(new ZipEntry(e.getKey()));
        String text = new String(e.getValue(), StandardCharsets.UTF_8);
        z.write(
            e.getKey().endsWith("markup.bcf")
                ? text.replace("TopicStatus=\"Open\"", "TopicStatus=\"Closed\"")
                    .replace(
                        version.equals("3.0") ? "</Description>" : "</Topic>",
                        version.equals("3.0")
                            ? "</Description><Comments>" + comment + "</Comments>"
                            : "</Topic>" + comment)
                    .getBytes(StandardCharsets.UTF_8)
                : e.getValue());
      }
    }
    return out.toByteArray();
  }

  @Test
  void theLogGoesToAnyPointAndEntriesAreTakenOutWithWhatDependsOnThem() {
    JsonNode hole = yentra.firstRemedy(delivery, finding(model(), "SPC-401"));
    String closing = "closing-" + hole.get("space").asString() + "-1";
    edit("repairs", Map.of("repair", hole));
    repair(
        "{\"kind\":\"RetypeSurface\",\"surface\":\""
            + closing
            + "\",\"type\":\"UNDERGROUND_WALL\"}");
    repair("{\"kind\":\"DeleteSurface\",\"surface\":\"su-fragment\"}");
    JsonNode m = edit("log/position", Map.of("position", 1));
    assertThat(m.get("delivery").get("logPosition").asInt()).isEqualTo(1);
    m = edit("log/position", Map.of("position", 3));
    JsonNode dependents = post("log/dependents", Map.of("entries", List.of(0))).json();
    assertThat(list(dependents)).extracting(x -> x.get("index").asInt()).containsExactly(1);
    assertThat(dependents.get(0).get("reason").asString()).contains("no longer there");
    m = edit("log/without", Map.of("entries", List.of(0)));
    assertThat(list(m.get("log")))
        .singleElement()
        .satisfies(e -> assertThat(e.get("summary").asString()).contains("Deletes"));
    assertThat(list(m.get("surfaces"))).noneMatch(s -> s.get("key").asString().equals(closing));
    assertThat(post("log/dependents", Map.of("entries", List.of(7))).status()).isEqualTo(400);
  }

  @Test
  void whoComesLateIsToldWhatTheOtherDid() {
    JsonNode old = model();
    repair("{\"kind\":\"DeleteSurface\",\"surface\":\"su-fragment\"}");
    RunningServer.Yentra.Answer late =
        post(
            "repairs",
            Map.of(
                "basedOn",
                old.get("delivery").get("version").asLong(),
                "repair",
                yentra.firstRemedy(delivery, finding(old, "ADJ-502"))));
    assertThat(late.status()).isEqualTo(409);
    assertThat(late.body()).contains("Test person: Deletes");
  }

  @Test
  void theNextRevisionIsComparedAndTheRepairsMadeAgain() {
    // all that remedies can do, and one window by hand that the next revision has no more
    JsonNode m = model();
    List<String> done = new ArrayList<>();
    for (int i = 0; i < 40; i++) {
      JsonNode f =
          list(m.get("findings")).stream()
              .filter(x -> !x.get("severity").asString().equals("note") && !done.contains(id(x)))
              .filter(x -> !yentra.remedies(delivery, x).isEmpty())
              .findFirst()
              .orElse(null);
      if (f == null) {
        break;
      }
      done.add(id(f));
      m = edit("repairs", Map.of("repair", yentra.firstRemedy(delivery, f), "finding", id(f)));
    }
    String window =
        list(m.get("surfaces")).stream()
            .flatMap(s -> list(s.get("openings")).stream())
            .filter(
                o -> o.get("label").asString().equals("Window in the north wall of Changing room"))
            .map(o -> o.get("key").asString())
            .findFirst()
            .orElseThrow();
    m =
        repair(
            "{\"kind\":\"RetypeOpening\",\"opening\":\""
                + window
                + "\",\"type\":\"OPERABLE_WINDOW\"}");
    String zone =
        list(m.get("findings")).stream()
            .filter(f -> f.get("message").asString().startsWith("The zone Visitors"))
            .map(FindingsTest::id)
            .findFirst()
            .orElseThrow();
    post("findings/accept", Map.of("findings", List.of(zone), "reason", "As designed"));
    int entries = m.get("log").size();

    delivery = intake("marram-b.xml", DemoFiles.revisionB());
    JsonNode r = yentra.get("/api/deliveries/" + delivery + "/revision").json();
    assertThat(r.get("before").get("fileName").asString()).isEqualTo("marram.xml");
    assertThat(list(r.get("changes")))
        .anySatisfy(c -> assertThat(c.get("name").asString()).isEqualTo("Training room"));
    assertThat(r.get("replayed").asBoolean()).isFalse();
    List<JsonNode> steps = list(r.get("steps"));
    assertThat(steps).hasSize(entries);
    assertThat(steps)
        .extracting(s -> s.get("outcome").asString())
        .contains("applied", "not needed");
    List<JsonNode> impossible =
        steps.stream().filter(s -> s.get("outcome").asString().equals("not possible")).toList();
    assertThat(impossible)
        .as("the hole elsewhere, the window that is gone")
        .hasSize(2)
        .allSatisfy(s -> assertThat(s.get("reason").asString()).isNotEmpty());

    JsonNode b = edit("replay", Map.of());
    long applied =
        steps.stream().filter(s -> s.get("outcome").asString().equals("applied")).count();
    assertThat(list(b.get("log")))
        .hasSize((int) applied)
        .allSatisfy(e -> assertThat(e.get("carried").asBoolean()).isTrue());
    JsonNode again = yentra.get("/api/deliveries/" + delivery + "/revision").json();
    assertThat(again.get("replayed").asBoolean()).isTrue();
    assertThat(list(again.get("steps"))).hasSize(entries);
    assertThat(list(b.get("findings")))
        .as("accepted where nothing changed")
        .anySatisfy(
            f -> {
              assertThat(f.has("accepted")).isTrue();
              assertThat(f.get("accepted").get("holds").asBoolean()).isTrue();
            });
    Map<String, Object> twice = Map.of("basedOn", b.get("delivery").get("version").asLong());
    assertThat(post("replay", twice).status()).isEqualTo(422);
  }
}
