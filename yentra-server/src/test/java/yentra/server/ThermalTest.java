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

  @Test
  void draftsAreTriedWithoutBeingKept() {
    Map<String, Object> draft =
        Map.of(
            "constructions",
            List.of(
                Map.of(
                    "name", "Own wall",
                    "use", "Exterior wall",
                    "layers", List.of(Map.of("material", "Mineral wool", "thickness", 0.2)),
                    "source", "by hand")));
    String path = "/api/projects/" + project + "/library";
    JsonNode tried = yentra.post(path + "/try", draft).json();
    assertThat(tried.get("problem").isNull()).isTrue();
    // 0.2 m of 0.036 W/(mK) and the air at both faces of an outer wall (ISO 6946)
    assertThat(tried.get("breakdowns").get("Own wall").get("uValue").asDouble())
        .isCloseTo(1 / (0.04 + 0.2 / 0.036 + 0.13), within(1e-9));
    assertThat(yentra.get(path).json().toString()).doesNotContain("Own wall");
    JsonNode wrong =
        yentra
            .post(
                path + "/try",
                Map.of(
                    "constructions",
                    List.of(
                        Map.of(
                            "name", "Own wall",
                            "use", "",
                            "layers", List.of(Map.of("material", "Moon dust", "thickness", 0.2)),
                            "source", ""))))
            .json();
    assertThat(wrong.get("problem").asString()).contains("Moon dust");
  }

  private static Map<String, Object> window(double frame) {
    return Map.of(
        "width", 1.23,
        "height", 1.48,
        "frame", frame,
        "mullion", 0.1,
        "lights", 1,
        "frameUValue", 1.4,
        "psi", 0.08,
        "glass",
            Map.of(
                "uValue", 1.1,
                "panes", 2,
                "thickness", 0.004,
                "gap", 0.016,
                "filled", 0.9,
                "emissivity", 0.03,
                "solarHeatGain", 0.6,
                "visibleTransmittance", 0.8));
  }

  @Test
  void aWindowIsWorkedOutOrRefusedWithTheReason() {
    assertThat(yentra.post("/api/windows", window(0.11)).json().get("uValue").asDouble())
        .isCloseTo(1.3897934520, within(5e-10));
    RunningServer.Yentra.Answer a = yentra.post("/api/windows", window(0.7));
    assertThat(a.status()).isEqualTo(422);
    assertThat(a.json().get("detail").asString()).contains("no room for glass");
  }

  private JsonNode repaired(Map<String, Object> repair) {
    long version =
        yentra
            .get("/api/deliveries/" + delivery + "/model")
            .json()
            .get("delivery")
            .get("version")
            .asLong();
    return yentra
        .post(
            "/api/deliveries/" + delivery + "/repairs",
            Map.of("basedOn", version, "repair", repair))
        .json();
  }

  @Test
  void usesBringSchedulesAndTheBalanceSaysWhatChanged() {
    String path = "/api/deliveries/" + delivery + "/conditions";
    JsonNode before = yentra.get(path).json();
    JsonNode typical = before.get("typical").get("OfficeEnclosed");
    String space = before.get("byName").propertyNames().iterator().next();
    repaired(
        Map.of(
            "kind", "GiveUse",
            "spaces", List.of(space),
            "use", "OfficeEnclosed",
            "gains", typical.get("gains"),
            "times", typical.get("times")));
    JsonNode after = yentra.get(path).json();
    JsonNode people =
        list(after.get("schedules")).stream()
            .filter(s -> s.get("profile").get("name").asString().equals("Office, people"))
            .findFirst()
            .orElseThrow();
    assertThat(people.get("hours").asDouble()).isCloseTo(1566, within(1e-9));
    assertThat(people.get("users").get("PEOPLE").get(0).asString()).isEqualTo(space);
    assertThat(after.get("missing").has(space)).isFalse();
    String zone = after.get("zones").get(0).get("key").asString();
    repaired(Map.of("kind", "AmendZone", "zone", zone, "air", Map.of("perArea", 0.5, "total", 10)));
    JsonNode z = yentra.get(path).json().get("zones").get(0);
    assertThat(z.get("air").get("perArea").asDouble()).isEqualTo(0.5);
    assertThat(z.get("airFlow").asDouble()).isGreaterThan(10);

    JsonNode balance = yentra.get("/api/deliveries/" + delivery + "/balance").json();
    JsonNode same = line(balance, "UA in all");
    assertThat(same.get("before").asDouble()).isEqualTo(same.get("now").asDouble());
    String wall =
        yentra
            .get("/api/deliveries/" + delivery + "/thermal")
            .json()
            .get("without")
            .get(0)
            .asString();
    JsonNode thermal = yentra.get("/api/deliveries/" + delivery + "/thermal").json();
    repaired(
        Map.of(
            "kind",
            "GiveConstruction",
            "objects",
            List.of(wall),
            "construction",
            thermal.get("defaults").get(0).get("construction")));
    JsonNode unknown =
        line(
            yentra.get("/api/deliveries/" + delivery + "/balance").json(),
            "Area without a U-value");
    assertThat(unknown.get("now").asDouble()).isLessThan(unknown.get("before").asDouble());
  }

  private static JsonNode line(JsonNode balance, String what) {
    return list(balance.get("lines")).stream()
        .filter(l -> l.get("what").asString().equals(what))
        .findFirst()
        .orElseThrow();
  }

  /** What is chosen for a type is the project's: the next delivery is proposed it too. */
  @Test
  void constructionsForTypesAreRemembered() {
    JsonNode first =
        yentra.get("/api/deliveries/" + delivery + "/thermal").json().get("defaults").get(0);
    assertThat(first.get("origin").asString()).isEqualTo("USUAL");
    String type = first.get("gbxml").asString();
    String name = Library.shipped().constructions().get(2).name();
    JsonNode settings =
        yentra
            .put(
                "/api/projects/" + project + "/settings",
                Map.of("basedOn", 1, "settings", Map.of("constructions", Map.of(type, name))))
            .json()
            .get("settings");
    assertThat(settings.get("constructions").get(type).asString()).isEqualTo(name);
    String next =
        yentra
            .intake(project, "marram-b.xml", DemoFiles.faultyGbxml())
            .get("deliveryId")
            .asString();
    for (String d : List.of(delivery, next)) {
      JsonNode now = yentra.get("/api/deliveries/" + d + "/thermal").json().get("defaults").get(0);
      assertThat(now.get("origin").asString()).isEqualTo("PROJECT");
      assertThat(now.get("name").asString()).isEqualTo(name);
    }
    assertThat(
            yentra
                .put(
                    "/api/projects/" + project + "/settings",
                    Map.of("basedOn", 2, "settings", Map.of("constructions", Map.of("Moon", name))))
                .status())
        .isEqualTo(422);
  }
}
