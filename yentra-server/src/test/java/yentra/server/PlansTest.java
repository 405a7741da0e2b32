package yentra.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import yentra.demo.DemoFiles;

/** Drawn buildings over HTTP: brought in, drawn anew, undone, refused. */
@ExtendWith(RunningServer.class)
class PlansTest {
  private static final String STORE =
      """
      {"yentraPlan": 1, "name": "Net store", "place": {"latitude": 54.1, "longitude": -3.3, "north_deg": 0}, "ground_m": 0,
       "storeys": [{"name": "Ground", "level_m": 0, "height_m": 3}],
       "floors": [{"storey": "Ground", "outlines": [{"corners": [[0,0],[9,0],[9,6],[0,6]]}], "lines": [[[5,0],[5,6]]],
                   "spaces": [{"id": "nets", "at": [1,1], "name": "Nets"}, {"id": "ropes", "at": [7,1], "name": "Ropes"}]}],
       "glazing": [{"where": {"facing_deg": [135, 225]}, "ratio": 0.25}]}
      """;

  private RunningServer.Yentra yentra;
  private String project;
  private String delivery;

  @BeforeEach
  void deliver(RunningServer.Yentra running) {
    yentra = running;
    project = yentra.project();
    delivery =
        yentra
            .intake(project, "store.json", STORE.getBytes(StandardCharsets.UTF_8))
            .get("deliveryId")
            .asString();
  }

  private RunningServer.Yentra.Answer draw(String document, String says) {
    long version = yentra.model(delivery).get("delivery").get("version").asLong();
    return yentra.put(
        "/api/deliveries/" + delivery + "/plan",
        Map.of("basedOn", version, "document", document, "says", says));
  }

  private static List<JsonNode> list(JsonNode array) {
    return StreamSupport.stream(array.spliterator(), false).toList();
  }

  private static JsonNode space(JsonNode model, String name) {
    return list(model.get("spaces")).stream()
        .filter(s -> s.get("name").asString().equals(name))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void aPlanIsADeliveryLikeAnyOther() {
    JsonNode m = yentra.model(delivery);
    assertThat(m.get("delivery").get("format").asString()).isEqualTo("plan");
    assertThat(space(m, "Nets").get("volume").asDouble()).isEqualTo(90);
    JsonNode plan = yentra.get("/api/deliveries/" + delivery + "/plan").json();
    assertThat(plan.get("document").asString()).contains("\"yentraPlan\":1", "Net store");
  }

  @Test
  void drawnAnewRepairsAndUsesStayAndItIsUndone() {
    JsonNode before = yentra.model(delivery);
    String nets = space(before, "Nets").get("key").asString();
    long version = before.get("delivery").get("version").asLong();
    RunningServer.Yentra.Answer used =
        yentra.post(
            "/api/deliveries/" + delivery + "/repairs",
            Map.of(
                "basedOn",
                version,
                "repair",
                Map.of("kind", "NameSpaces", "rule", "Net loft", "spaces", List.of(nets))));
    assertThat(used.status()).as(used.body()).isEqualTo(200);

    RunningServer.Yentra.Answer drawn =
        draw(STORE.replace("[5,0],[5,6]", "[6,0],[6,6]"), "Moves the wall between the rooms.");
    assertThat(drawn.status()).as(drawn.body()).isEqualTo(200);
    JsonNode after = yentra.model(delivery);
    assertThat(space(after, "Net loft").get("key").asString()).isEqualTo(nets);
    assertThat(space(after, "Net loft").get("volume").asDouble()).isEqualTo(108);
    assertThat(list(after.get("log")).stream().map(e -> e.get("summary").asString()).toList())
        .contains("Moves the wall between the rooms.");

    JsonNode undone =
        yentra
            .post(
                "/api/deliveries/" + delivery + "/undo",
                Map.of("basedOn", after.get("delivery").get("version").asLong()))
            .json();
    assertThat(undone).isNotNull();
    assertThat(space(yentra.model(delivery), "Net loft").get("volume").asDouble()).isEqualTo(90);
  }

  /** Rooms that nobody named are known by where they are. */
  @Test
  void roomsKeepTheirKeysWhenLinesMoveAndNamesCome() {
    String bare = STORE.replaceAll("\"spaces\": \\[.*?\\]\\}\\]\\}", "\"spaces\": []}");
    assertThat(draw(bare, "Takes the names away.").status()).isEqualTo(200);
    JsonNode before = sheet();
    assertThat(draw(bare.replace("[5,0],[5,6]", "[6,0],[6,6]"), "Moves the wall.").status())
        .isEqualTo(200);
    assertThat(draw(STORE.replace("[5,0],[5,6]", "[6,0],[6,6]"), "Names.").status()).isEqualTo(200);
    JsonNode after = sheet();
    assertThat(keys(after)).isEqualTo(keys(before));
    assertThat(list(after.get("rooms")).get(0).get("named").asBoolean()).isTrue();
    assertThat(after.get("openings")).hasSize(2);
  }

  private JsonNode sheet() {
    return yentra.get("/api/deliveries/" + delivery + "/plan").json().get("sheet");
  }

  private static List<String> keys(JsonNode sheet) {
    return list(sheet.get("rooms")).stream().map(r -> r.get("key").asString()).sorted().toList();
  }

  @Test
  void picturesLieUnderDrawings() throws IOException {
    ByteArrayOutputStream png = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(40, 30, BufferedImage.TYPE_INT_RGB), "png", png);
    String path = "/api/projects/" + project + "/underlays";
    JsonNode kept = yentra.upload(path + "?name=plan.png", png.toByteArray()).json();
    assertThat(kept.get("name").asString()).isEqualTo("plan.png");
    assertThat(kept.get("width").asInt()).isEqualTo(40);
    // the same again is the same; another of that name gets its own
    assertThat(yentra.upload(path + "?name=plan.png", png.toByteArray()).json()).isEqualTo(kept);
    ByteArrayOutputStream other = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(41, 30, BufferedImage.TYPE_INT_RGB), "png", other);
    assertThat(
            yentra
                .upload(path + "?name=plan.png", other.toByteArray())
                .json()
                .get("name")
                .asString())
        .isEqualTo("plan 2.png");
    assertThat(yentra.get(path).json()).hasSize(2);
    assertThat(yentra.get(path + "/plan%202.png").status()).isEqualTo(200);
    assertThat(yentra.get(path + "/none.png").status()).isEqualTo(404);
    RunningServer.Yentra.Answer broken =
        yentra.upload(path + "?name=plan.png", "GIF89a".getBytes(StandardCharsets.US_ASCII));
    assertThat(broken.status()).isEqualTo(422);
    assertThat(broken.json().get("detail").asString()).contains("PNG, JPEG or PDF");
  }

  @Test
  void whatCannotBeDrawnIsRefusedAndNothingChanges() {
    RunningServer.Yentra.Answer a = draw(STORE.replace("[9,6]", "[9,\"six\"]"), "Draws.");
    assertThat(a.status()).isEqualTo(422);
    assertThat(a.json().get("detail").asString())
        .contains("floors[0].outlines[0].corners[2][1]: a number is expected");
    assertThat(a.json().get("line").asInt()).isEqualTo(3);
    assertThat(
            draw(STORE.replace("[9,6],[0,6]", "[0,6],[9,6]"), "Draws.")
                .json()
                .get("detail")
                .asString())
        .contains("Draw it so that no side crosses another");
    assertThat(draw(STORE, " ").status()).isEqualTo(400);
    JsonNode m = yentra.model(delivery);
    assertThat(list(m.get("log"))).isEmpty();
    RunningServer.Yentra.Answer stale =
        yentra.put(
            "/api/deliveries/" + delivery + "/plan",
            Map.of("basedOn", 999, "document", STORE, "says", "Draws."));
    assertThat(stale.status()).isEqualTo(409);
  }

  @Test
  void anotherDeliveryIsNoDrawing() {
    String other =
        yentra
            .intake(yentra.project(), "sound.xml", DemoFiles.soundGbxml())
            .get("deliveryId")
            .asString();
    assertThat(yentra.get("/api/deliveries/" + other + "/plan").status()).isEqualTo(422);
    long version = yentra.model(other).get("delivery").get("version").asLong();
    assertThat(
            yentra
                .put(
                    "/api/deliveries/" + other + "/plan",
                    Map.of("basedOn", version, "document", STORE, "says", "Draws."))
                .status())
        .isEqualTo(422);
  }

  @Test
  void aDocumentIsTriedWithoutBeingKept() {
    JsonNode tried = yentra.post("/api/plans/try", Map.of("document", STORE)).json();
    assertThat(tried.get("figures").get("spaces").asInt()).isEqualTo(2);
    assertThat(tried.get("figures").get("floorArea").asDouble()).isEqualTo(54);
    assertThat(tried.get("figures").get("volume").asDouble()).isEqualTo(162);
    JsonNode south = tried.get("figures").get("facades").get(2);
    assertThat(south.get("facing").asString()).isEqualTo("south");
    assertThat(south.get("glazed").asDouble())
        .isEqualTo(0.25, org.assertj.core.api.Assertions.within(1e-9));
    assertThat(yentra.post("/api/plans/try", Map.of("document", "{}")).status()).isEqualTo(422);
  }

  /** The next delivery is not drawn on: what it says itself counts. */
  @Test
  void whatWasDrawnStaysWithItsDelivery() {
    draw(STORE.replace("\"height_m\": 3", "\"height_m\": 4"), "Makes it higher.");
    String next =
        yentra
            .intake(
                project,
                "store.json",
                STORE.replace("Nets", "Nets and floats").getBytes(StandardCharsets.UTF_8))
            .get("deliveryId")
            .asString();
    assertThat(space(yentra.model(next), "Nets and floats").get("volume").asDouble()).isEqualTo(90);
  }

  @Test
  void whatWasSaidOfADrawingIsOfferedToTheModelThatComesLater() {
    String used =
        STORE.replace("\"name\": \"Nets\"", "\"name\": \"Nets\", \"use\": \"InactiveStorage\"");
    assertThat(draw(used, "Says what the room is for.").status()).isEqualTo(200);
    JsonNode none = yentra.get("/api/deliveries/" + delivery + "/take-over").json();
    assertThat(none.has("drawing")).isFalse();
    String model =
        yentra.intake(project, "station.ifc", DemoFiles.ifc()).get("deliveryId").asString();
    JsonNode t = yentra.get("/api/deliveries/" + model + "/take-over").json();
    assertThat(t.get("drawing").asString()).isEqualTo("store.json");
    assertThat(t.get("pairs").size() + t.get("come").size())
        .isEqualTo(yentra.model(model).get("spaces").size());
    // the drawn store lies in the boat hall
    assertThat(t.get("pairs").get(0).get("name").asString()).isEqualTo("Boat hall");
    JsonNode take = t.get("uses").get(0);
    assertThat(take.get("rooms").get(0).get("use").asString()).isEqualTo("InactiveStorage");
    long version = yentra.model(model).get("delivery").get("version").asLong();
    assertThat(
            yentra
                .post(
                    "/api/deliveries/" + model + "/repairs",
                    Map.of("basedOn", version, "repair", take))
                .status())
        .isEqualTo(200);
    assertThat(space(yentra.model(model), "Boat hall").get("use").asString())
        .isEqualTo("InactiveStorage");
    assertThat(yentra.get("/api/deliveries/" + model + "/take-over").json().get("uses")).isEmpty();
  }

  /** A body of 20 by 10 m and 7 m high, with storeys at 0 and 3.5 m, and no rooms. */
  private static final String MASS =
      """
      ISO-10303-21;
      HEADER;FILE_DESCRIPTION((''),'2;1');FILE_NAME('','',(''),(''),'','','');FILE_SCHEMA(('IFC4'));ENDSEC;
      DATA;
      #1=IFCPROJECT('0YvctVUKr0kugbFTf53O9L',$,'P',$,$,$,$,(#2),#3);
      #2=IFCGEOMETRICREPRESENTATIONCONTEXT($,'Model',3,1.E-5,#4,$);
      #3=IFCUNITASSIGNMENT((#5));
      #4=IFCAXIS2PLACEMENT3D(#6,$,$);
      #5=IFCSIUNIT(*,.LENGTHUNIT.,$,.METRE.);
      #6=IFCCARTESIANPOINT((0.,0.,0.));
      #7=IFCLOCALPLACEMENT($,#4);
      #8=IFCCARTESIANPOINT((0.,0.,3.5));
      #9=IFCAXIS2PLACEMENT3D(#8,$,$);
      #15=IFCLOCALPLACEMENT(#7,#9);
      #10=IFCBUILDING('1YvctVUKr0kugbFTf53O9L',$,'B',$,$,#7,$,$,.ELEMENT.,$,$,$);
      #11=IFCBUILDINGSTOREY('2YvctVUKr0kugbFTf53O9L',$,'Ground',$,$,#7,$,$,.ELEMENT.,0.);
      #12=IFCBUILDINGSTOREY('3YvctVUKr0kugbFTf53O9L',$,'First',$,$,#15,$,$,.ELEMENT.,3.5);
      #13=IFCRELAGGREGATES('0ZvctVUKr0kugbFTf53O9L',$,$,$,#1,(#10));
      #14=IFCRELAGGREGATES('1ZvctVUKr0kugbFTf53O9L',$,$,$,#10,(#11,#12));
      #20=IFCRECTANGLEPROFILEDEF(.AREA.,$,$,20.,10.);
      #21=IFCDIRECTION((0.,0.,1.));
      #22=IFCEXTRUDEDAREASOLID(#20,#4,#21,7.);
      #23=IFCSHAPEREPRESENTATION(#2,'Body','SweptSolid',(#22));
      #24=IFCPRODUCTDEFINITIONSHAPE($,$,(#23));
      #25=IFCBUILDINGELEMENTPROXY('2ZvctVUKr0kugbFTf53O9L',$,'Mass',$,$,#7,#24,$,$);
      #26=IFCRELCONTAINEDINSPATIALSTRUCTURE('3ZvctVUKr0kugbFTf53O9L',$,$,$,(#25),#11);
      ENDSEC;
      END-ISO-10303-21;
      """;

  @Test
  void aMassIsCutIntoFloorsThatAreDrawnOn() {
    String model =
        yentra
            .intake(project, "mass.ifc", MASS.getBytes(StandardCharsets.UTF_8))
            .get("deliveryId")
            .asString();
    // a tick says that nothing is open, and there is nothing yet
    for (JsonNode mark : yentra.model(model).get("path")) {
      if (List.of("envelope", "handover").contains(mark.get("workspace").asString())) {
        assertThat(mark.get("text").asString()).isEqualTo("No spaces");
        assertThat(mark.get("mark").asString()).isEqualTo("open");
      }
    }
    JsonNode m = yentra.get("/api/deliveries/" + model + "/mass").json();
    assertThat(list(m.get("storeys")).stream().map(JsonNode::asString).toList())
        .containsExactly("Ground", "First");
    assertThat(m.get("floorArea").asDouble()).isEqualTo(400);
    assertThat(m.get("volume").asDouble()).isEqualTo(1400);
    assertThat(m.get("bodyVolume").asDouble()).isEqualTo(1400);
    assertThat(list(m.get("notes")).stream().map(JsonNode::asString).toList())
        .containsExactly("The ground is taken to be at the lowest floor, 0.00 m.");
    String plan =
        yentra
            .intake(
                project,
                "floors.json",
                m.get("document").asString().getBytes(StandardCharsets.UTF_8))
            .get("deliveryId")
            .asString();
    assertThat(space(yentra.model(plan), "First room").get("volume").asDouble()).isEqualTo(700);
    JsonNode thin = yentra.get("/api/deliveries/" + model + "/mass?height=2.4").json();
    assertThat(thin.get("storeys")).hasSize(3);
    assertThat(yentra.get("/api/deliveries/" + model + "/mass?height=0.1").status()).isEqualTo(400);
    assertThat(yentra.get("/api/deliveries/" + delivery + "/mass").json().has("document"))
        .isFalse();
  }
}
