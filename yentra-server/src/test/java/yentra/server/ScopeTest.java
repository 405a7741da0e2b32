package yentra.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import yentra.core.envelope.ReadLimits;
import yentra.core.geometry.Tolerance;
import yentra.core.ifc.IfcModel;
import yentra.core.model.Element;
import yentra.core.scope.SheetWorkbook;
import yentra.core.scope.ShippedSheets;
import yentra.demo.DemoFiles;

/** Scope, values and sheets over HTTP, on the architect's model of the demo. */
@ExtendWith(RunningServer.class)
class ScopeTest {
  private RunningServer.Yentra yentra;
  private String project;
  private String delivery;

  @BeforeEach
  void deliver(RunningServer.Yentra running) {
    yentra = running;
    project = yentra.project();
    delivery = intake(DemoFiles.ARCHITECTS_NAME, DemoFiles.architectsIfc());
  }

  private String intake(String name, byte[] bytes) {
    return yentra.intake(project, name, bytes).get("deliveryId").asString();
  }

  private JsonNode scope() {
    return yentra.get("/api/deliveries/" + delivery + "/scope").json();
  }

  private RunningServer.Yentra.Answer step(String what, Map<String, Object> body) {
    Map<String, Object> m = new HashMap<>(body);
    m.put("basedOn", yentra.model(delivery).get("delivery").get("version").asLong());
    return yentra.post("/api/deliveries/" + delivery + "/scope/" + what, m);
  }

  private JsonNode done(String what, Map<String, Object> body) {
    RunningServer.Yentra.Answer a = step(what, body);
    assertThat(a.status()).as(a.body()).isEqualTo(200);
    return a.json();
  }

  private static List<JsonNode> list(JsonNode array) {
    return StreamSupport.stream(array.spliterator(), false).toList();
  }

  private static List<String> keys(JsonNode scope, String name) {
    List<JsonNode> names = list(scope.get("names"));
    List<JsonNode> keys = list(scope.get("keys"));
    return java.util.stream.IntStream.range(0, names.size())
        .filter(i -> names.get(i).asString().contains(name))
        .mapToObj(i -> keys.get(i).asString())
        .toList();
  }

  private IfcModel trimmed() throws Exception {
    byte[] file = yentra.get("/api/deliveries/" + delivery + "/scope/file").bytes();
    return IfcModel.of(file, ReadLimits.standard(), Tolerance.standard());
  }

  @Test
  void aSheetIsTriedAppliedAndUndone() {
    JsonNode tried =
        yentra
            .post("/api/deliveries/" + delivery + "/scope/try", Map.of("sheet", "thermal"))
            .json();
    assertThat(tried.get("tried").asString()).isEqualTo("Energy geometry with thermal data");
    assertThat(yentra.model(delivery).get("scope").get("in").asInt()).isEqualTo(238);

    JsonNode m = done("sheet", Map.of("sheet", "thermal"));
    assertThat(m.get("scope").get("in").asInt()).isEqualTo(128);
    assertThat(m.get("scope").get("faults").asInt()).isEqualTo(9);
    assertThat(list(m.get("log")).get(0).get("area").asString()).isEqualTo("scope");
    JsonNode s = scope();
    assertThat(s.get("in")).isEqualTo(tried.get("in"));
    assertThat(s.get("unmet")).isEqualTo(tried.get("unmet"));
    assertThat(list(s.get("reasons").get("words")))
        .extracting(JsonNode::asString)
        .anyMatch(r -> r.contains("glazing and doors"))
        .anyMatch(r -> r.contains("no rule of the sheet names it"));

    m =
        yentra
            .post(
                "/api/deliveries/" + delivery + "/undo",
                Map.of("basedOn", m.get("delivery").get("version").asLong()))
            .json();
    assertThat(m.get("scope").get("in").asInt()).isEqualTo(238);
  }

  @Test
  void theEnvelopeIsMadeOfWhatIsInScope() {
    JsonNode before = yentra.model(delivery);
    assertThat(before.get("spaces")).hasSize(10);
    assertThat(list(before.get("findings")))
        .extracting(f -> f.get("code").asString())
        .contains("SPC-411", "SRC-101");
    JsonNode s = scope();
    done("place", Map.of("keys", keys(s, "department"), "in", false, "reason", "wraps rooms"));
    JsonNode m =
        done("place", Map.of("keys", List.of(keys(s, "Wall").get(0)), "in", false, "reason", ""));
    assertThat(m.get("spaces")).hasSize(8);
    assertThat(list(m.get("findings")))
        .extracting(f -> f.get("code").asString())
        .doesNotContain("SPC-411", "SRC-101");
    assertThat(m.get("scope").get("byHand").asInt()).isEqualTo(3);
    m = done("release", Map.of("keys", keys(s, "department")));
    assertThat(m.get("spaces")).hasSize(10);
    assertThat(step("release", Map.of("keys", keys(s, "department"))).status()).isEqualTo(422);
  }

  @Test
  void valuesAreSetConvertedRefusedAndWritten() throws Exception {
    done("sheet", Map.of("sheet", "thermal"));
    List<String> windows =
        List.of(keys(scope(), "Window op-8").get(0), keys(scope(), "Window op-12").get(0));
    Map<String, Object> change = new HashMap<>();
    change.put("keys", windows);
    change.put("set", "Pset_WindowCommon");
    change.put("property", "ThermalTransmittance");
    change.put("how", "set");
    change.put("text", "a lot");
    RunningServer.Yentra.Answer refused = step("values", change);
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.json().get("detail").asString()).contains("no number");

    change.put("text", "0.2 Btu/(h ft² F)");
    JsonNode m = done("values", change);
    assertThat(m.get("scope").get("faults").asInt()).isEqualTo(7);
    JsonNode table =
        yentra.get("/api/deliveries/" + delivery + "/scope/values?entity=IfcWindow").json();
    assertThat(table.get("columns").get(0).get("faults").asInt()).isEqualTo(1);

    IfcModel written = trimmed();
    for (String w : windows) {
      Element e = written.element(w).orElseThrow();
      assertThat(
              Double.parseDouble(
                  written
                      .property(e, "Pset_WindowCommon", "ThermalTransmittance")
                      .orElseThrow()
                      .value()
                      .text()))
          .isCloseTo(0.2 * 5.678263, org.assertj.core.api.Assertions.within(1e-6));
    }
    assertThat(written.elements()).noneMatch(e -> e.entity().equals("IfcFurniture"));
    JsonNode size = yentra.get("/api/deliveries/" + delivery + "/scope/size").json();
    assertThat(size.get("bytes").asLong())
        .isEqualTo(yentra.get("/api/deliveries/" + delivery + "/scope/file").bytes().length)
        .isLessThan(size.get("bytesBefore").asLong());
  }

  @Test
  void decisionsAndValuesAreThereOnTheNextDelivery() {
    done("sheet", Map.of("sheet", "thermal"));
    done(
        "place", Map.of("keys", keys(scope(), "department"), "in", false, "reason", "wraps rooms"));
    String next =
        new String(DemoFiles.architectsIfc(), java.nio.charset.StandardCharsets.US_ASCII)
            .replace("Lifeboat", "New lifeboat");
    delivery = intake("revision-b.ifc", next.getBytes(java.nio.charset.StandardCharsets.US_ASCII));
    JsonNode m = yentra.model(delivery);
    assertThat(m.get("delivery").get("revision").asInt()).isEqualTo(2);
    assertThat(m.get("scope").get("in").asInt()).isEqualTo(126);
    assertThat(m.get("scope").get("gone").asInt()).isZero();
    assertThat(m.get("spaces")).hasSize(8);
    assertThat(m.get("log")).hasSize(2);
  }

  @Test
  void aDeliveryThatStandsElsewhereIsMovedBack() {
    String next =
        new String(DemoFiles.ifc(), java.nio.charset.StandardCharsets.US_ASCII)
            .replace("IFCLOCALPLACEMENT($,#2)", "IFCLOCALPLACEMENT($,#900000)")
            .replace(
                "ENDSEC;\nEND-ISO",
                "#900001=IFCCARTESIANPOINT((12.,-3.,0.));\n#900000=IFCAXIS2PLACEMENT3D(#900001,$,$);\nENDSEC;\nEND-ISO");
    delivery = intake("moved.ifc", next.getBytes(java.nio.charset.StandardCharsets.US_ASCII));
    JsonNode m = yentra.model(delivery);
    JsonNode finding =
        list(m.get("findings")).stream()
            .filter(f -> f.get("code").asString().equals("UNI-204"))
            .findFirst()
            .orElseThrow();
    assertThat(finding.get("measured").asDouble())
        .isCloseTo(Math.hypot(12, 3), org.assertj.core.api.Assertions.within(1e-6));
    m =
        yentra
            .post(
                "/api/deliveries/" + delivery + "/repairs",
                Map.of(
                    "basedOn",
                    m.get("delivery").get("version").asLong(),
                    "repair",
                    yentra.firstRemedy(delivery, finding)))
            .json();
    assertThat(list(m.get("findings")))
        .extracting(f -> f.get("code").asString())
        .doesNotContain("UNI-204");
    assertThat(list(m.get("log")).get(0).get("summary").asString())
        .isEqualTo("Moves the delivery by x -12.000 m, y 3.000 m, z 0.000 m.");
  }

  @Test
  void elementsArePickedByWhatTheySay() {
    RunningServer.Yentra.Answer a =
        yentra.post(
            "/api/deliveries/" + delivery + "/scope/pick",
            Map.of(
                "subject",
                "PROPERTY",
                "set",
                "",
                "property",
                "FireRating",
                "test",
                "pattern REI \\d+"));
    long rated =
        new String(DemoFiles.architectsIfc(), java.nio.charset.StandardCharsets.US_ASCII)
            .lines()
            .filter(l -> l.contains("'REI 30'"))
            .count();
    assertThat(rated).isPositive();
    assertThat(a.json()).hasSize((int) rated);
    assertThat(
            yentra
                .post(
                    "/api/deliveries/" + delivery + "/scope/pick",
                    Map.of(
                        "subject", "CLASS", "set", "", "property", "", "test", "IfcSpatialElement"))
                .json())
        .hasSize(15);
  }

  @Test
  void wallsWindowsAndDoorsAreCountedByStoreyAgainstTheQuantitiesInTheFile() {
    JsonNode rows = yentra.get("/api/deliveries/" + delivery + "/scope/storeys").json();
    double off = 0;
    int windows = 0;
    for (JsonNode r : rows) {
      double stated = r.get("statedArea").asDouble();
      double measured = r.get("measuredArea").asDouble();
      if (r.get("kind").asString().equals("WINDOW")) {
        windows += r.get("count").asInt();
        off += measured - stated;
      } else {
        assertThat(measured)
            .as(r.toString())
            .isCloseTo(stated, org.assertj.core.api.Assertions.within(0.01));
      }
    }
    assertThat(windows).isEqualTo(21);
    // a fifth of the window of 3.6 x 1.2 m that was made larger later
    assertThat(off).isCloseTo(0.2 * 3.6 * 1.2, org.assertj.core.api.Assertions.within(0.01));
  }

  @Test
  void theMeshHoldsEveryElementThatHasABody() {
    ByteBuffer b =
        ByteBuffer.wrap(yentra.get("/api/deliveries/" + delivery + "/scope/mesh").bytes())
            .order(ByteOrder.LITTLE_ENDIAN);
    int items = b.getInt();
    int vertices = b.getInt();
    int triangles = b.getInt();
    int edges = b.getInt();
    // all but site, building, three storeys, four zones and the thirty holes
    assertThat(items).isEqualTo(238 - 1 - 1 - 3 - 4 - 30);
    assertThat(b.capacity()).isEqualTo(40 + 16 * items + 12 * vertices + 4 * triangles + 4 * edges);
    b.position(40 + 16 * items + 12 * vertices);
    for (int i = 0; i < triangles + edges; i++) {
      assertThat(b.getInt()).isBetween(0, vertices - 1);
    }
  }

  @Test
  void spacesSurfacesAndOpeningsOfGbxmlArePutOutToo() {
    delivery = intake("sound.xml", DemoFiles.soundGbxml());
    JsonNode s = scope();
    JsonNode m = yentra.model(delivery);
    assertThat(s.get("writable").asBoolean()).isFalse();
    assertThat(s.get("keys")).hasSize(8 + m.get("surfaces").size() + 30);
    m = done("place", Map.of("keys", List.of("sp-store"), "in", false, "reason", "unheated"));
    assertThat(m.get("spaces")).hasSize(7);
    // its floor and walls go; what parts it from the rooms above stays with those
    assertThat(list(m.get("surfaces")))
        .noneMatch(
            x -> list(x.get("spaces")).stream().anyMatch(k -> k.asString().equals("sp-store")));
    assertThat(list(m.get("surfaces")))
        .extracting(x -> x.get("type").asString())
        .contains("InteriorFloor");
    assertThat(list(m.get("spaces"))).allMatch(x -> x.get("enclosed").asBoolean());
    assertThat(
            step(
                    "values",
                    Map.of(
                        "keys",
                        List.of("sp-hall"),
                        "set",
                        "A",
                        "property",
                        "b",
                        "how",
                        "set",
                        "text",
                        "c"))
                .status())
        .isEqualTo(422);
    assertThat(yentra.get("/api/deliveries/" + delivery + "/scope/file").status()).isEqualTo(422);
    byte[] mesh = yentra.get("/api/deliveries/" + delivery + "/scope/mesh").bytes();
    assertThat(ByteBuffer.wrap(mesh).order(ByteOrder.LITTLE_ENDIAN).getInt()).isGreaterThan(80);
  }

  private RunningServer.Yentra.Answer bring(byte[] file) {
    return yentra.send(
        java.net.http.HttpRequest.newBuilder(yentra.uri("/api/projects/" + project + "/sheets"))
            .header("Content-Type", "application/octet-stream")
            .header("X-Yentra-Person", "Test%20person")
            .POST(java.net.http.HttpRequest.BodyPublishers.ofByteArray(file))
            .build());
  }

  @Test
  void aSheetRoundTripsThroughTheApplication() throws Exception {
    for (yentra.core.scope.ScopeSheet s : ShippedSheets.all()) {
      byte[] xlsx = SheetWorkbook.write(s);
      JsonNode brought = bring(xlsx).json();
      byte[] back = yentra.get("/api/sheets/" + brought.get("id").asString() + "/file").bytes();
      assertThat(back).isEqualTo(xlsx);
      // cells written in the application say the same
      Map<String, Object> cells = new HashMap<>();
      for (String part : List.of("about", "scope", "properties")) {
        cells.put(part, brought.get("cells").get(part));
      }
      JsonNode copied = yentra.post("/api/projects/" + project + "/sheets", cells).json();
      assertThat(copied.get("cells")).isEqualTo(brought.get("cells"));
    }
    assertThat(yentra.get("/api/projects/" + project + "/sheets").json()).hasSize(9);
  }

  @Test
  void aMalformedSheetSaysWhere() {
    RunningServer.Yentra.Answer a =
        bring("no sheet at all".getBytes(java.nio.charset.StandardCharsets.UTF_8));
    assertThat(a.status()).isEqualTo(422);
    JsonNode geometry = yentra.get("/api/sheets/geometry").json().get("cells");
    List<List<String>> scope = new java.util.ArrayList<>();
    list(geometry.get("scope"))
        .forEach(
            r ->
                scope.add(
                    new java.util.ArrayList<>(list(r).stream().map(JsonNode::asString).toList())));
    scope.get(3).set(0, "perhaps");
    a =
        yentra.post(
            "/api/projects/" + project + "/sheets",
            Map.of(
                "about",
                geometry.get("about"),
                "scope",
                scope,
                "properties",
                geometry.get("properties")));
    assertThat(a.status()).isEqualTo(422);
    assertThat(a.json().get("sheet").asString()).isEqualTo("Scope");
    assertThat(a.json().get("row").asInt()).isEqualTo(4);
    assertThat(a.json().get("column").asString()).isEqualTo("In or out");
    assertThat(yentra.get("/api/projects/" + project + "/sheets").json()).hasSize(3);
  }

  @Test
  void anElementTellsWhatTheFileSaysOfIt() {
    done("sheet", Map.of("sheet", "thermal"));
    String key = keys(scope(), "Door op-9").get(0);
    JsonNode e =
        yentra
            .get(
                "/api/deliveries/"
                    + delivery
                    + "/element?key="
                    + java.net.URLEncoder.encode(key, java.nio.charset.StandardCharsets.UTF_8))
            .json();
    assertThat(e.get("entity").asString()).isEqualTo("IfcDoor");
    assertThat(e.get("unmet").get(0).get("reason").asString()).contains("75 W/m²K");
    assertThat(list(e.get("materials")))
        .extracting(JsonNode::asString)
        .containsExactly("Steel-faced panel");
    assertThat(yentra.get("/api/deliveries/" + delivery + "/element?key=none").status())
        .isEqualTo(404);
  }
}
