package yentra.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import yentra.demo.DemoFiles;

/** The list of projects: order, search, standing, picture; put away, thrown away, copied. */
@ExtendWith(RunningServer.class)
class ProjectListTest {
  private static List<String> names(RunningServer.Yentra yentra, String query) {
    List<String> out = new ArrayList<>();
    yentra
        .get("/api/projects?most=200&" + query)
        .json()
        .get("projects")
        .forEach(p -> out.add(p.get("name").asString()));
    return out;
  }

  private static String made(RunningServer.Yentra yentra, String name) {
    return yentra.post("/api/projects", Map.of("name", name)).json().get("id").asString();
  }

  private static int put(RunningServer.Yentra yentra, String project, String shelf) {
    return yentra.put("/api/projects/" + project + "/shelf", Map.of("shelf", shelf)).status();
  }

  @Test
  void whatWasTouchedLastComesFirstAndIsFoundByNameOrFile(RunningServer.Yentra yentra) {
    String old = made(yentra, "Quay store 71");
    made(yentra, "Quay office 72");
    assertThat(names(yentra, "words=quay")).containsExactly("Quay office 72", "Quay store 71");
    yentra.intake(old, "slipway-rev-b.xml", DemoFiles.faultyGbxml());
    assertThat(names(yentra, "words=quay")).containsExactly("Quay store 71", "Quay office 72");
    assertThat(names(yentra, "words=SLIPWAY%20store")).containsExactly("Quay store 71");
    assertThat(names(yentra, "words=slipway%20office")).isEmpty();
    assertThat(names(yentra, "words=%25")).as("no pattern").isEmpty();
  }

  @Test
  void aProjectTellsHowItStands(RunningServer.Yentra yentra) throws InterruptedException {
    String id = made(yentra, "Standing 73");
    String delivery =
        yentra.intake(id, "faulty.xml", DemoFiles.faultyGbxml()).get("deliveryId").asString();
    JsonNode model = yentra.model(delivery);
    // what the page looks at is drawn for the list, beside the answer
    assertThat(yentra.get("/api/deliveries/" + delivery + "/shapes").status()).isEqualTo(200);
    JsonNode listed = listed(yentra, "Standing 73");
    for (int i = 0; i < 200 && !listed.get("picture").asBoolean(); i++) {
      Thread.sleep(50);
      listed = listed(yentra, "Standing 73");
    }
    assertThat(listed.get("standing").get("spaces").asInt()).isEqualTo(model.get("spaces").size());
    assertThat(listed.get("standing").get("open")).isEqualTo(model.get("severities"));
    assertThat(listed.get("picture").asBoolean()).isTrue();
    byte[] png = yentra.get("/api/projects/" + id + "/picture").bytes();
    assertThat(png).startsWith(0x89, 'P', 'N', 'G').hasSizeGreaterThan(1000);
    yentra.post(
        "/api/deliveries/" + delivery + "/findings/accept",
        Map.of(
            "findings",
            List.of(model.get("findings").get(0).get("id").asString()),
            "reason",
            "as built"));
    assertThat(listed(yentra, "Standing 73").get("standing").get("open"))
        .isEqualTo(yentra.model(delivery).get("severities"))
        .isNotEqualTo(model.get("severities"));
    String empty = made(yentra, "Nothing yet 73");
    assertThat(yentra.get("/api/projects/" + empty + "/picture").status()).isEqualTo(404);
  }

  private static JsonNode listed(RunningServer.Yentra yentra, String name) {
    return yentra
        .get("/api/projects?words=" + name.replace(" ", "%20"))
        .json()
        .get("projects")
        .get(0);
  }

  @Test
  void whatIsPutAwayOrThrownAwayCanBeHadBack(RunningServer.Yentra yentra) {
    String id = made(yentra, "Shelf 74");
    assertThat(put(yentra, id, "ARCHIVED")).isEqualTo(204);
    assertThat(names(yentra, "words=74")).isEmpty();
    assertThat(names(yentra, "words=74&shelf=ARCHIVED")).containsExactly("Shelf 74");
    assertThat(yentra.get("/api/projects/" + id).status()).as("it is there still").isEqualTo(200);
    assertThat(put(yentra, id, "DELETED")).isEqualTo(204);
    assertThat(names(yentra, "words=74&shelf=ARCHIVED")).isEmpty();
    assertThat(names(yentra, "words=74&shelf=DELETED")).containsExactly("Shelf 74");
    RunningServer.Yentra.Answer gone = yentra.get("/api/projects/" + id);
    assertThat(gone.status()).isEqualTo(404);
    assertThat(gone.body()).contains("can be taken back");
    assertThat(put(yentra, id, "OPEN")).isEqualTo(204);
    assertThat(names(yentra, "words=74")).containsExactly("Shelf 74");
    assertThat(put(yentra, "00000000-0000-0000-0000-000000000000", "DELETED")).isEqualTo(404);
    assertThat(put(yentra, id, "ATTIC")).isEqualTo(400);
  }

  @Test
  void aCopyHasAllThatWasMadeAndGoesItsOwnWay(RunningServer.Yentra yentra) {
    String id = made(yentra, "Original 75");
    String delivery =
        yentra.intake(id, "faulty.xml", DemoFiles.faultyGbxml()).get("deliveryId").asString();
    JsonNode model = yentra.model(delivery);
    String space = model.get("spaces").get(0).get("key").asString();
    yentra.post(
        "/api/deliveries/" + delivery + "/repairs",
        Map.of(
            "basedOn",
            1,
            "repair",
            Map.of("kind", "NameSpaces", "rule", "Renamed", "spaces", List.of(space))));
    JsonNode copy = yentra.post("/api/projects/" + id + "/copy", Map.of("name", "Copy 75")).json();
    String other = copy.get("deliveries").get(0).get("id").asString();
    assertThat(other).isNotEqualTo(delivery);
    JsonNode theirs = yentra.model(other);
    JsonNode ours = yentra.model(delivery);
    for (String part : List.of("spaces", "surfaces", "findings", "severities", "storeys")) {
      assertThat(theirs.get(part)).as(part).isEqualTo(ours.get(part));
    }
    assertThat(theirs.get("log").size()).isEqualTo(1);
    assertThat(
            yentra
                .post("/api/deliveries/" + other + "/undo", Map.of("basedOn", 2))
                .json()
                .get("spaces")
                .get(0)
                .get("name"))
        .isEqualTo(model.get("spaces").get(0).get("name"));
    assertThat(yentra.model(delivery).get("spaces").get(0).get("name").asString())
        .as("the original keeps its repair")
        .isEqualTo("Renamed");
    assertThat(put(yentra, id, "DELETED")).isEqualTo(204);
    assertThat(yentra.model(other).get("spaces")).hasSize(model.get("spaces").size());
    assertThat(yentra.put("/api/projects/" + id + "/name", Map.of("name", " ")).status())
        .isEqualTo(400);
  }
}
