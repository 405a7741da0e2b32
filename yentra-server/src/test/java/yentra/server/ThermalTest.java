package yentra.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.URI;
import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import yentra.core.library.Library;
import yentra.core.library.LibraryFile;
import yentra.core.table.Workbooks;
import yentra.demo.DemoFiles;

/** Thermal properties over HTTP: libraries kept and taken, heat losses, room data. */
@ExtendWith(RunningServer.class)
class ThermalTest {
  private RunningServer.Yentra yentra;
  private String project;
  private String delivery;

  @BeforeEach
  void deliver(RunningServer.Yentra running) {
    yentra = running;
    project = yentra.project();
    delivery =
        yentra.intake(project, "marram.xml", DemoFiles.faultyGbxml()).get("deliveryId").asString();
  }

  private RunningServer.Yentra.Answer file(String path, byte[] bytes) {
    return yentra.send(
        HttpRequest.newBuilder(URI.create(yentra.base() + path))
            .header("Content-Type", "application/octet-stream")
            .header("X-Yentra-Person", "Test")
            .POST(HttpRequest.BodyPublishers.ofByteArray(bytes))
            .build());
  }

  private RunningServer.Yentra.Answer library(String text) {
    return file(
        "/api/projects/" + project + "/library/file?name=own.csv",
        text.getBytes(StandardCharsets.UTF_8));
  }

  private static List<JsonNode> list(JsonNode array) {
    return StreamSupport.stream(array.spliterator(), false).toList();
  }

  private JsonNode material(JsonNode view, String name) {
    return list(view.get("library").get("materials")).stream()
        .filter(m -> m.get("name").asString().equals(name))
        .findFirst()
        .orElse(null);
  }

  @Test
  void onlyWhatIsChosenIsTakenAndWhatShipsComesBackWhenItIsTakenOut() {
    JsonNode in =
        library("Material,Conductivity (W/mK)\nMineral wool,0.031\nHemp lime,0.07\nBad,none\n")
            .json();
    assertThat(list(in.get("entries")))
        .extracting(e -> e.get("status").asString())
        .containsExactly("DIFFERENT", "NEW");
    assertThat(list(in.get("faults")))
        .singleElement()
        .satisfies(f -> assertThat(f.get("row").asInt()).isEqualTo(4));
    String path = "/api/projects/" + project + "/library";
    // looking at it has changed nothing
    assertThat(material(yentra.get(path).json(), "Hemp lime")).isNull();
    JsonNode taken =
        yentra
            .put(
                path,
                Map.of(
                    "incoming",
                    in.get("incoming"),
                    "taken",
                    List.of("material:hemp lime"),
                    "shared",
                    false))
            .json();
    assertThat(material(taken, "Hemp lime").get("conductivity").asDouble()).isEqualTo(0.07);
    assertThat(material(taken, "Mineral wool").get("conductivity").asDouble()).isEqualTo(0.036);
    // another project does not see it
    String other = yentra.project();
    assertThat(material(yentra.get("/api/projects/" + other + "/library").json(), "Hemp lime"))
        .isNull();
    JsonNode all =
        yentra
            .put(
                path,
                Map.of(
                    "incoming",
                    in.get("incoming"),
                    "taken",
                    List.of("material:mineral wool"),
                    "shared",
                    true))
            .json();
    assertThat(material(all, "Mineral wool").get("conductivity").asDouble()).isEqualTo(0.031);
    assertThat(
            material(yentra.get("/api/projects/" + other + "/library").json(), "Mineral wool")
                .get("conductivity")
                .asDouble())
        .isEqualTo(0.031);
    JsonNode left = yentra.delete(path + "?entry=material:mineral%20wool").json();
    assertThat(material(left, "Mineral wool").get("conductivity").asDouble()).isEqualTo(0.036);
    assertThat(yentra.delete(path + "?entry=material:steel").status()).isEqualTo(404);
  }

  @Test
  void theLibraryGoesOutAsASpreadsheetThatCanComeIn() {
    byte[] sheet = yentra.get("/api/projects/" + project + "/library/file").bytes();
    assertThat(LibraryFile.read("library.xlsx", sheet, Library.EMPTY).faults()).isEmpty();
    JsonNode in = file("/api/projects/" + project + "/library/file?name=l.xlsx", sheet).json();
    assertThat(list(in.get("entries"))).allMatch(e -> e.get("status").asString().equals("EQUAL"));
    JsonNode own = yentra.get("/api/deliveries/" + delivery + "/library").json();
    assertThat(list(own.get("entries")))
        .extracting(e -> e.get("name").asString())
        .contains("Boarded wall on block", "Triple glazing");
    // a gbXML file is a library too
    JsonNode gbxml =
        file("/api/projects/" + project + "/library/file?name=m.xml", DemoFiles.faultyGbxml())
            .json();
    assertThat(gbxml.get("entries").size()).isEqualTo(own.get("entries").size());
    assertThat(
            list(
                file(
                        "/api/projects/" + project + "/library/file?name=m.xml",
                        "<gbXML".getBytes(StandardCharsets.UTF_8))
                    .json()
                    .get("faults")))
        .hasSize(1);
  }

  @Test
  void whatIsUnassignedAndWhatIsLost() {
    JsonNode t = yentra.get("/api/deliveries/" + delivery + "/thermal").json();
    assertThat(list(t.get("without"))).hasSize(2);
    JsonNode building = t.get("losses").get("building");
    double parts =
        list(t.get("losses").get("spaces")).stream()
            .mapToDouble(s -> s.get("loss").asDouble())
            .sum();
    assertThat(building.get("loss").asDouble()).isPositive().isCloseTo(parts, within(1e-6));
    assertThat(building.get("unknownArea").asDouble()).isPositive();
    JsonNode b =
        yentra.get("/api/deliveries/" + delivery + "/thermal/breakdown?object=su-13").json();
    assertThat(b.get("construction").asString()).isEqualTo("Boarded wall on block");
    assertThat(list(b.get("breakdown").get("steps"))).hasSize(6);
    assertThat(yentra.get("/api/deliveries/" + delivery + "/thermal/breakdown?object=no").status())
        .isEqualTo(404);
  }

  @Test
  void roomDataGoOutAndComeInUnchanged() throws Exception {
    byte[] sheet = yentra.get("/api/deliveries/" + delivery + "/rooms/file").bytes();
    assertThat(Workbooks.read(sheet).get("Rooms")).hasSize(9);
    JsonNode r = file("/api/deliveries/" + delivery + "/rooms/file", sheet).json();
    assertThat(r.get("matched").asInt()).isEqualTo(8);
    assertThat(list(r.get("changes"))).isEmpty();
    assertThat(list(r.get("faults"))).isEmpty();
    JsonNode bad = file("/api/deliveries/" + delivery + "/rooms/file", new byte[] {1, 2, 0}).json();
    assertThat(list(bad.get("faults"))).hasSize(1);
  }

  @Test
  void zonesAreProposedAsARepair() {
    RunningServer.Yentra.Answer a =
        yentra.post(
            "/api/deliveries/" + delivery + "/zones/propose",
            Map.of("by", List.of("STOREY", "FACING"), "spaces", List.of()));
    assertThat(a.status()).as(a.body()).isEqualTo(200);
    assertThat(a.json().get("repair").get("kind").asString()).isEqualTo("Several");
  }
}
