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
    return yentra.send(
        HttpRequest.newBuilder(yentra.uri("/api/projects/" + project + "/settings"))
            .header("Content-Type", "application/json")
            .header("X-Yentra-Person", "Test%20person")
            .PUT(HttpRequest.BodyPublishers.ofString(settings))
            .build());
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
}
