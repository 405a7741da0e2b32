package yentra.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadLimits;
import yentra.core.gbxml.GbxmlReader;
import yentra.demo.DemoFiles;

/** Repairs, their log, undo and redo, and handing over, on the demo with faults. */
@ExtendWith(RunningServer.class)
class RepairLogTest {
  private RunningServer.Yentra yentra;
  private String delivery;

  @BeforeEach
  void deliver(RunningServer.Yentra running) {
    yentra = running;
    delivery =
        yentra
            .intake(yentra.project(), "marram.xml", DemoFiles.faultyGbxml())
            .get("deliveryId")
            .asString();
  }

  private JsonNode model() {
    return yentra.model(delivery);
  }

  private RunningServer.Yentra.Answer post(String what, Map<String, Object> body) {
    return yentra.post("/api/deliveries/" + delivery + "/" + what, body);
  }

  private static List<JsonNode> list(JsonNode array) {
    return StreamSupport.stream(array.spliterator(), false).toList();
  }

  private JsonNode remedy(JsonNode model, String code) {
    return yentra.firstRemedy(
        delivery,
        list(model.get("findings")).stream()
            .filter(f -> f.get("code").asString().equals(code))
            .findFirst()
            .orElseThrow());
  }

  private Map<String, Object> edit(JsonNode model, JsonNode repair) {
    Map<String, Object> m = new HashMap<>();
    m.put("basedOn", model.get("delivery").get("version").asLong());
    m.put("repair", repair);
    return m;
  }

  @Test
  void aPreviewSaysWhatWillChangeAndChangesNothing() {
    JsonNode before = model();
    JsonNode p = post("preview", Map.of("repair", remedy(before, "SPC-401"))).json();
    assertThat(p.get("summary").asString())
        .isEqualTo("Closes 1 hole, adds 20.40 m² of exterior wall to Plant room.");
    assertThat(list(p.get("resolved")))
        .extracting(f -> f.get("id").asString())
        .containsExactly("SPC-401:sp-plant");
    assertThat(p.get("added")).isEmpty();
    assertThat(model()).isEqualTo(before);
  }

  @Test
  void remediesAloneLeadToNoBlockersAndNoErrors() {
    JsonNode m = model();
    int steps = 0;
    while (m.get("severities").get("blocker").asInt() + m.get("severities").get("error").asInt()
        > 0) {
      assertThat(++steps).as("repairs needed").isLessThan(40);
      JsonNode f = m.get("findings").get(0);
      assertThat(yentra.remedies(delivery, f)).as(f.get("message").asString()).isNotEmpty();
      RunningServer.Yentra.Answer a = post("repairs", edit(m, yentra.firstRemedy(delivery, f)));
      assertThat(a.status()).as(a.body()).isEqualTo(200);
      m = a.json();
    }
    assertThat(m.get("log")).hasSize(steps);
    assertThat(list(m.get("spaces")))
        .allSatisfy(s -> assertThat(s.get("enclosed").asBoolean()).isTrue());
    JsonNode repaired = m;

    for (int i = steps; i > 0; i--) {
      m = post("undo", Map.of("basedOn", m.get("delivery").get("version").asLong())).json();
    }
    assertThat(m.get("severities").get("blocker").asInt()).isEqualTo(6);
    for (int i = 0; i < steps; i++) {
      m = post("redo", Map.of("basedOn", m.get("delivery").get("version").asLong())).json();
    }
    assertThat(m.get("surfaces")).isEqualTo(repaired.get("surfaces"));
    assertThat(m.get("findings")).isEqualTo(repaired.get("findings"));
  }

  @Test
  void anEditBasedOnAnOldStateIsRefused() {
    JsonNode old = model();
    assertThat(post("repairs", edit(old, remedy(old, "ADJ-506"))).status()).isEqualTo(200);
    RunningServer.Yentra.Answer late = post("repairs", edit(old, remedy(old, "ADJ-502")));
    assertThat(late.status()).isEqualTo(409);
    assertThat(late.json().get("type").asString()).isEqualTo("urn:yentra:stale");
    assertThat(model().get("log")).hasSize(1);
  }

  @Test
  void ofManyEditsOfOneStateAtOnceOnlyOneIsMade() {
    JsonNode old = model();
    Map<String, Object> edit = edit(old, remedy(old, "ADJ-506"));
    List<Integer> answers =
        IntStream.range(0, 8).parallel().mapToObj(i -> post("repairs", edit).status()).toList();
    assertThat(answers).containsOnly(200, 409).containsOnlyOnce(200);
    assertThat(model().get("log")).hasSize(1);
  }

  @Test
  void aNewRepairAfterAnUndoDiscardsWhatWasUndone() {
    JsonNode m = model();
    m = post("repairs", edit(m, remedy(m, "ADJ-506"))).json();
    m = post("undo", Map.of("basedOn", m.get("delivery").get("version").asLong())).json();
    assertThat(m.get("delivery").get("canRedo").asBoolean()).isTrue();
    m = post("repairs", edit(m, remedy(m, "ADJ-502"))).json();
    assertThat(m.get("delivery").get("canRedo").asBoolean()).isFalse();
    assertThat(m.get("log")).hasSize(1);
  }

  @Test
  void aRepairThatMakesNoSenseIsRefusedWithAReason() {
    JsonNode m = model();
    RunningServer.Yentra.Answer a =
        yentra.post(
            "/api/deliveries/" + delivery + "/repairs",
            Map.of(
                "basedOn",
                m.get("delivery").get("version").asLong(),
                "repair",
                Map.of("kind", "MatchSurfaces", "first", "su-1", "second", "su-2")));
    assertThat(a.status()).isEqualTo(422);
    assertThat(a.json().get("detail").asString()).contains("same space");
    assertThat(post("repairs", Map.of("basedOn", 1, "repair", Map.of("kind", "Nonsense"))).status())
        .isEqualTo(400);
  }

  @Test
  void aHandoverWithOpenBlockersNeedsADecisionAndReadsBackEqual() throws Exception {
    JsonNode m = model();
    Map<String, Object> ask =
        new HashMap<>(
            Map.of("basedOn", m.get("delivery").get("version").asLong(), "allowBlockers", false));
    RunningServer.Yentra.Answer refused = post("handovers", ask);
    assertThat(refused.status()).isEqualTo(409);
    assertThat(refused.json().get("blockers").asInt()).isEqualTo(6);
    ask.put("allowBlockers", true);
    JsonNode h = post("handovers", ask).json();
    assertThat(h.get("files").get(0).get("differences")).isEmpty();
    assertThat(h.get("blockers").asInt()).isEqualTo(6);
    byte[] file = yentra.get("/api/handovers/" + h.get("id").asString() + "/file").bytes();
    Envelope back = GbxmlReader.read(new ByteArrayInputStream(file), ReadLimits.standard());
    assertThat(back.spaces()).hasSize(8);
    assertThat(yentra.get("/api/deliveries/" + delivery + "/handovers").json()).hasSize(1);
  }

  @Test
  void whatDiffersPutIntoTheModelBeforeIsTheWholeModel() {
    JsonNode m = model();
    int told = 0;
    for (int i = 0; i < 40; i++) {
      JsonNode f =
          list(m.get("findings")).stream()
              .filter(x -> !yentra.remedies(delivery, x).isEmpty())
              .findFirst()
              .orElse(null);
      if (f == null) {
        break;
      }
      JsonNode before = m;
      JsonNode part = post("repairs?changes=true", edit(m, yentra.firstRemedy(delivery, f))).json();
      m = model();
      if (part.hasNonNull("since")) {
        told++;
        assertWhole(before, part, m);
      } else {
        // what all objects may refer to has changed: materials, zones
        for (String what : List.of("spaces", "surfaces", "constructions", "findings")) {
          assertThat(part.get(what)).as(what).isEqualTo(m.get(what));
        }
      }
    }
    assertThat(told).isGreaterThan(10);
    m = edited(m);
    JsonNode part =
        post("undo?changes=true", Map.of("basedOn", m.get("delivery").get("version").asLong()))
            .json();
    assertWhole(m, part, model());
  }

  /** The model after a change of a single surface. */
  private JsonNode edited(JsonNode m) {
    JsonNode repair =
        tools.jackson.databind.json.JsonMapper.builder()
            .build()
            .readTree("{\"kind\":\"DeleteSurface\",\"surface\":\"su-3\"}");
    post("repairs?changes=true", edit(m, repair));
    return model();
  }

  private static void assertWhole(JsonNode before, JsonNode part, JsonNode whole) {
    JsonNode since = part.get("since");
    assertThat(since).as("only what differs is told").isNotNull();
    for (String what : List.of("spaces", "surfaces")) {
      Map<String, JsonNode> merged = new HashMap<>();
      list(before.get(what)).forEach(x -> merged.put(x.get("key").asString(), x));
      list(since.get(what.equals("spaces") ? "goneSpaces" : "goneSurfaces"))
          .forEach(k -> merged.remove(k.asString()));
      list(part.get(what)).forEach(x -> merged.put(x.get("key").asString(), bare(x)));
      assertThat(merged.values())
          .as(what)
          .containsExactlyInAnyOrderElementsOf(list(whole.get(what)));
    }
    Map<String, JsonNode> findings = new HashMap<>();
    list(before.get("findings")).forEach(x -> findings.put(x.get("id").asString(), x));
    list(part.get("findings")).forEach(x -> findings.put(x.get("id").asString(), x));
    List<JsonNode> order =
        list(since.get("findings")).stream().map(id -> findings.get(id.asString())).toList();
    assertThat(order).isEqualTo(list(whole.get("findings")));
    assertThat(list(part.get("orphans")).stream().map(RepairLogTest::bare).toList())
        .isEqualTo(list(whole.get("orphans")));
    for (String what : List.of("constructions", "groups", "severities", "glazing")) {
      assertThat(part.get(what)).as(what).isEqualTo(whole.get(what));
    }
  }

  /** An object without its outline and faces, which a whole model leaves to its shapes. */
  private static JsonNode bare(JsonNode x) {
    if (x instanceof ObjectNode o && o.has("rings")) {
      assertThat(o.remove("rings")).isNotEmpty();
      assertThat(o.remove("triangles")).isNotNull();
      o.path("openings").forEach(RepairLogTest::bare);
    }
    return x;
  }
}
