package yentra.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadLimits;
import yentra.core.gbxml.GbxmlReader;
import yentra.demo.DemoFiles;

/** What is decided for the project: it goes before what the deliveries state. */
@ExtendWith(RunningServer.class)
class ProjectSettingsTest {
  private RunningServer.Yentra yentra;
  private String project;

  @BeforeEach
  void begin(RunningServer.Yentra running) {
    yentra = running;
    project = yentra.project();
  }

  private RunningServer.Yentra.Answer put(String settings) {
    return put(version(), settings);
  }

  private RunningServer.Yentra.Answer put(long basedOn, String settings) {
    return send("{\"basedOn\":" + basedOn + ",\"settings\":" + settings + "}");
  }

  private RunningServer.Yentra.Answer send(String body) {
    return yentra.send(
        HttpRequest.newBuilder(yentra.uri("/api/projects/" + project + "/settings"))
            .header("Content-Type", "application/json")
            .header("X-Yentra-Person", "Test%20person")
            .PUT(HttpRequest.BodyPublishers.ofString(body))
            .build());
  }

  private long version() {
    return yentra.get("/api/projects/" + project).json().get("version").asLong();
  }

  @Test
  void unknownMembersAndMissingSettingsAreRefusedAndNothingIsCleared() {
    assertThat(put("{\"use\":\"Office\"}").status()).isEqualTo(200);
    long now = version();
    RunningServer.Yentra.Answer nonsense = put("{\"nonsense\":1}");
    assertThat(nonsense.status()).isEqualTo(400);
    assertThat(nonsense.json().get("detail").asString()).contains("nonsense");
    assertThat(send("{\"nonsense\":1}").status()).isEqualTo(400);
    assertThat(send("{}").status()).isEqualTo(400);
    assertThat(send("not json").json().get("detail").asString()).contains("line 1");
    JsonNode p = yentra.get("/api/projects/" + project).json();
    assertThat(p.get("settings").get("use").asString()).isEqualTo("Office");
    assertThat(p.get("version").asLong()).isEqualTo(now);
    assertThat(p.get("createdBy").asString()).isEqualTo("Test person");
  }

  @Test
  void whoChangesSettingsFirstIsNotWrittenOver() {
    long seen = version();
    assertThat(put(seen, "{\"elevation\":6}").status()).isEqualTo(200);
    RunningServer.Yentra.Answer late = put(seen, "{\"elevation\":7}");
    assertThat(late.status()).isEqualTo(409);
    assertThat(late.json().get("detail").asString())
        .contains("Test person: Sets the elevation to 6 m.");
    assertThat(
            yentra.get("/api/projects/" + project).json().get("settings").get("elevation").asInt())
        .isEqualTo(6);
  }

  /**
   * A repair, a ground level, units, another repair: undone in the order in which they were made.
   */
  @Test
  void undoTakesBackWhatWasDoneLastWhicheverItWas() throws Exception {
    String delivery =
        yentra.intake(project, "sound.xml", DemoFiles.soundGbxml()).get("deliveryId").asString();
    String space = yentra.model(delivery).get("spaces").get(0).get("key").asString();
    assertThat(rename(delivery, space, "First").status()).isEqualTo(200);
    assertThat(put("{\"groundLevel\":-0.5}").status()).isEqualTo(200);
    assertThat(put("{\"groundLevel\":-0.5,\"units\":\"IP\"}").status()).isEqualTo(200);
    JsonNode m = yentra.model(delivery);
    assertThat(m.get("delivery").get("undoes").asString())
        .isEqualTo("Sets the ground level to -0.5 m.");
    assertThat(m.get("settingsLog").get(0).get("madeBy").asString()).isEqualTo("Test person");
    assertThat(rename(delivery, space, "Second").status()).isEqualTo(200);

    assertThat(move(delivery, "undo").get("delivery").get("undoes").asString())
        .isEqualTo("Sets the ground level to -0.5 m.");
    m = move(delivery, "undo");
    assertThat(m.get("delivery").get("undoes").asString()).contains("First");
    assertThat(m.get("settingsLog").get(0).get("inForce").asBoolean()).isFalse();
    assertThat(m.get("settingsLog").get(0).get("undoneBy").asString()).isEqualTo("Test person");
    JsonNode settings = yentra.get("/api/projects/" + project).json().get("settings");
    assertThat(settings.has("groundLevel")).isFalse();
    assertThat(settings.get("units").asString()).as("how figures are shown stays").isEqualTo("IP");
    m = move(delivery, "undo");
    assertThat(m.get("delivery").get("canUndo").asBoolean()).isFalse();
    assertThat(m.get("log").get(0).get("undoneBy").asString()).isEqualTo("Test person");

    assertThat(move(delivery, "redo").get("delivery").get("redoes").asString())
        .isEqualTo("Sets the ground level to -0.5 m.");
    assertThat(move(delivery, "redo").get("delivery").get("redoes").asString()).contains("Second");
    m = move(delivery, "redo");
    assertThat(m.get("delivery").get("canRedo").asBoolean()).isFalse();
    assertThat(m.get("spaces").get(0).get("name").asString()).isEqualTo("Second");
    assertThat(
            yentra
                .get("/api/projects/" + project)
                .json()
                .get("settings")
                .get("groundLevel")
                .asDouble())
        .isEqualTo(-0.5);
  }

  private RunningServer.Yentra.Answer rename(String delivery, String space, String name) {
    return yentra.post(
        "/api/deliveries/" + delivery + "/repairs",
        java.util.Map.of(
            "basedOn",
            yentra.model(delivery).get("delivery").get("version").asLong(),
            "repair",
            java.util.Map.of("kind", "NameSpaces", "rule", name, "spaces", List.of(space))));
  }

  private JsonNode move(String delivery, String way) {
    RunningServer.Yentra.Answer a =
        yentra.post(
            "/api/deliveries/" + delivery + "/" + way,
            java.util.Map.of(
                "basedOn", yentra.model(delivery).get("delivery").get("version").asLong()));
    assertThat(a.status()).as(a.body()).isEqualTo(200);
    return a.json();
  }

  private static List<String> codes(JsonNode model) {
    return StreamSupport.stream(model.get("findings").spliterator(), false)
        .map(f -> f.get("code").asString())
        .toList();
  }

  @Test
  void placeAndNorthReachTheEnvelopeAndTheHandover() throws Exception {
    String homeless =
        new String(DemoFiles.soundGbxml(), StandardCharsets.UTF_8)
            .replaceAll("(?s)<Location.*?</Location>", "");
    String delivery =
        yentra
            .intake(project, "homeless.xml", homeless.getBytes(StandardCharsets.UTF_8))
            .get("deliveryId")
            .asString();
    assertThat(codes(yentra.model(delivery))).contains("LOC-801", "LOC-802");
    assertThat(
            put("{\"latitude\":54.12,\"longitude\":-3.31,\"elevation\":6,\"north\":12,\"use\":\"FireStation\"}")
                .status())
        .isEqualTo(200);
    JsonNode m = yentra.model(delivery);
    assertThat(codes(m)).doesNotContain("LOC-801", "LOC-802");
    assertThat(m.get("northAzimuth").asDouble()).isEqualTo(12);
    assertThat(m.get("delivered").has("latitude")).isFalse();
    JsonNode h =
        yentra
            .post(
                "/api/deliveries/" + delivery + "/handovers",
                java.util.Map.of(
                    "basedOn", m.get("delivery").get("version").asLong(), "allowBlockers", false))
            .json();
    byte[] file = yentra.get("/api/handovers/" + h.get("id").asString() + "/file").bytes();
    Envelope e = GbxmlReader.read(new java.io.ByteArrayInputStream(file), ReadLimits.standard());
    assertThat(e.site().latitude()).isEqualTo(54.12);
    assertThat(e.site().northAzimuth()).isEqualTo(12);
    assertThat(e.buildings().get(0).use()).isEqualTo("FireStation");
    // blank again: as delivered
    put("{}");
    assertThat(codes(yentra.model(delivery))).contains("LOC-801", "LOC-802");
  }

  @Test
  void whatCannotBeIsRefusedWithTheReason() {
    assertThat(put("{\"latitude\":95,\"longitude\":0}").json().get("detail").asString())
        .isEqualTo("The latitude must lie between -90 and 90°.");
    assertThat(put("{\"latitude\":50}").json().get("detail").asString()).contains("go together");
    assertThat(put("{\"station\":\"Atlantis\"}").status()).isEqualTo(422);
    assertThat(put("{\"units\":\"furlongs\"}").status()).isEqualTo(422);
    assertThat(yentra.get("/api/projects/" + project).json().get("settings")).isEmpty();
  }

  @Test
  void stationsAreListedByDistance() {
    JsonNode list = yentra.get("/api/stations?latitude=54.12&longitude=-3.31").json();
    assertThat(list.get(0).get("name").asString()).isEqualTo("Marram Point");
    assertThat(list.get(0).get("distance").asDouble()).isLessThan(5);
    double before = 0;
    for (JsonNode s : list) {
      assertThat(s.get("distance").asDouble()).isGreaterThanOrEqualTo(before);
      before = s.get("distance").asDouble();
    }
  }

  /** Another page of the project is told what has changed, without asking. */
  @Test
  void pagesOfTheProjectAreToldOfEachChange() throws Exception {
    HttpRequest request =
        HttpRequest.newBuilder(yentra.uri("/api/projects/" + project + "/events")).GET().build();
    try (java.util.stream.Stream<String> lines =
        java.net.http.HttpClient.newHttpClient()
            .send(request, java.net.http.HttpResponse.BodyHandlers.ofLines())
            .body()) {
      java.util.Iterator<String> told =
          lines.filter(l -> l.startsWith("data:")).map(l -> l.substring(5)).iterator();
      long before = version();
      assertThat(told.next()).contains("\"version\":" + before);
      assertThat(put("{\"use\":\"Office\"}").status()).isEqualTo(200);
      assertThat(told.next()).contains("\"version\":" + (before + 1));
    }
  }

  @Test
  void aProjectThatIsNotThereTellsNothing() {
    assertThat(yentra.get("/api/projects/" + java.util.UUID.randomUUID() + "/events").status())
        .isEqualTo(404);
  }
}
