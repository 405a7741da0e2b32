package yentra.server;

import static org.assertj.core.api.Assertions.assertThat;
import static yentra.server.db.Tables.CONTENT;
import static yentra.server.db.Tables.DELIVERY;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.Map;
import org.jooq.DSLContext;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import tools.jackson.databind.JsonNode;
import yentra.demo.DemoFiles;

/** Bringing files in: what is kept, what is refused, and that a refusal leaves nothing behind. */
@ExtendWith(RunningServer.class)
class IntakeTest {
  @Test
  void aDeliveryIsKeptWithItsHashAndReported(RunningServer.Yentra yentra) {
    String project = yentra.project();
    JsonNode job = yentra.intake(project, "marram.xml", DemoFiles.faultyGbxml());
    assertThat(job.get("state").asString()).isEqualTo("done");
    JsonNode model = yentra.model(job.get("deliveryId").asString());
    assertThat(model.get("delivery").get("sha256").asString()).hasSize(64);
    assertThat(model.get("delivery").get("receivedBy").asString()).isEqualTo("Test person");
    assertThat(model.get("spaces")).hasSize(8);
    assertThat(model.get("report").get("read").get(1).toString())
        .isEqualTo("{\"what\":\"spaces\",\"count\":8}");
    assertThat(model.get("severities").get("blocker").asInt()).isEqualTo(6);
  }

  @Test
  void theSameFileTwiceIsTwoRevisionsOfOneContent(RunningServer.Yentra yentra) {
    String project = yentra.project();
    byte[] file = DemoFiles.soundGbxml();
    yentra.intake(project, "a.xml", file);
    yentra.intake(project, "a.xml", file);
    JsonNode p = yentra.get("/api/projects/" + project).json();
    assertThat(p.get("deliveries")).hasSize(2);
    assertThat(p.get("deliveries").get(0).get("revision").asInt()).isEqualTo(2);
  }

  private static JsonNode delivery(RunningServer.Yentra yentra, JsonNode job) {
    return yentra.model(job.get("deliveryId").asString()).get("delivery");
  }

  @Test
  void aFileWithOtherIdsIsAPartOfItsOwn(RunningServer.Yentra yentra) {
    String project = yentra.project();
    byte[] file = DemoFiles.soundGbxml();
    byte[] wing =
        new String(file, StandardCharsets.UTF_8)
            .replaceAll("(id|IdRef)=\"", "$1=\"wing-")
            .getBytes(StandardCharsets.UTF_8);
    JsonNode first = delivery(yentra, yentra.intake(project, "a.xml", file));
    JsonNode other = delivery(yentra, yentra.intake(project, "wing.xml", wing));
    JsonNode again = delivery(yentra, yentra.intake(project, "wing-b.xml", wing));
    assertThat(first.get("placed").asString()).isEqualTo("the first delivery of the project");
    assertThat(other.get("part").asInt()).isEqualTo(2);
    assertThat(other.get("revision").asInt()).isEqualTo(1);
    assertThat(other.get("placed").asString()).contains("hardly any ids");
    assertThat(again.get("part").asInt()).isEqualTo(2);
    assertThat(again.get("revision").asInt()).isEqualTo(2);
    assertThat(again.get("placed").asString()).startsWith("about 100 % of the ids");
  }

  @Test
  void thePartCanBeChangedUntilTheDeliveryIsWorkedOn(RunningServer.Yentra yentra) {
    String project = yentra.project();
    yentra.intake(project, "a.xml", DemoFiles.soundGbxml());
    JsonNode job = yentra.intake(project, "b.xml", DemoFiles.soundGbxml());
    String id = job.get("deliveryId").asString();
    String path = "/api/deliveries/" + id + "/part";
    long version = delivery(yentra, job).get("version").asLong();
    JsonNode own = yentra.put(path, Map.of("basedOn", version)).json().get("delivery");
    assertThat(own.get("part").asInt()).isEqualTo(2);
    assertThat(own.get("placed").asString()).isEqualTo("Test person said so");

    RunningServer.Yentra.Answer unknown =
        yentra.put(path, Map.of("basedOn", own.get("version").asLong(), "part", 7));
    assertThat(unknown.status()).isEqualTo(422);
    assertThat(unknown.json().toString()).contains("There is no part 7");

    JsonNode back =
        yentra
            .put(path, Map.of("basedOn", own.get("version").asLong(), "part", 1))
            .json()
            .get("delivery");
    assertThat(back.get("part").asInt()).isEqualTo(1);
    assertThat(back.get("revision").asInt()).isEqualTo(2);
  }

  /** Files that cannot be read, each with words that the message must hold. */
  enum Broken {
    EMPTY("empty", new byte[0]),
    HTML(
        "HTML",
        "<!DOCTYPE html><html><body>Please sign in</body></html>".getBytes(StandardCharsets.UTF_8)),
    ZIP("zip", new byte[] {'P', 'K', 3, 4, 0, 0, 0, 0}),
    CUT_OFF("cut off", Arrays.copyOf(DemoFiles.soundGbxml(), 20_000)),
    CUT_OFF_IFC(
        "cut off",
        "ISO-10303-21;\nHEADER;\nENDSEC;\nDATA;\n#1=IFCPROJECT('x',$"
            .getBytes(StandardCharsets.UTF_8)),
    ENTITY(
        "document type",
        "<?xml version='1.0'?><!DOCTYPE gbXML [<!ENTITY x SYSTEM 'file:///etc/passwd'>]><gbXML>&x;</gbXML>"
            .getBytes(StandardCharsets.UTF_8)),
    ENTITY_BOMB(
        "document type",
        "<?xml version='1.0'?><!DOCTYPE g [<!ENTITY a 'aaaaaaaaaa'><!ENTITY b '&a;&a;&a;&a;'>]><gbXML>&b;</gbXML>"
            .getBytes(StandardCharsets.UTF_8)),
    WRONG_ENCODING(
        "encoding",
        "<?xml version='1.0' encoding='UTF-8'?><gbXML><Campus id='M\u00fcller'/></gbXML>"
            .getBytes(StandardCharsets.ISO_8859_1)),
    BLANKS("blank", blanks()),
    OTHER(
        "This is no IFC", "Dear colleague, please find attached".getBytes(StandardCharsets.UTF_8)),
    OTHER_XML("<kml>", "<kml><Document/></kml>".getBytes(StandardCharsets.UTF_8));

    final String says;
    final byte[] bytes;

    Broken(String says, byte[] bytes) {
      this.says = says;
      this.bytes = bytes;
    }

    private static byte[] blanks() {
      byte[] b = new byte[200_000_000];
      Arrays.fill(b, (byte) ' ');
      return b;
    }
  }

  @ParameterizedTest
  @EnumSource
  void aFileThatCannotBeReadIsRefusedWithAReasonAndLeavesNothing(
      Broken broken, RunningServer.Yentra yentra) {
    DSLContext db = yentra.context.getBean(DSLContext.class);
    String project = yentra.project();
    int contents = db.fetchCount(CONTENT);
    int deliveries = db.fetchCount(DELIVERY);
    Instant start = Instant.now();
    RunningServer.Yentra.Answer a = yentra.upload(project, "broken.ifc", broken.bytes);
    String message;
    int line;
    if (a.status() == 202) {
      JsonNode job = yentra.await(a.json().get("id").asString());
      assertThat(job.get("state").asString()).isEqualTo("failed");
      message = job.get("message").asString();
      line = job.get("line").asInt();
    } else {
      assertThat(a.status()).isEqualTo(422);
      message = a.json().get("detail").asString();
      line = a.json().get("line").asInt();
    }
    assertThat(message).contains(broken.says).doesNotContain("Exception").doesNotContain("root:");
    assertThat(line).isPositive();
    assertThat(Duration.between(start, Instant.now())).isLessThan(Duration.ofSeconds(60));
    for (int i = 0; i < 100 && db.fetchCount(CONTENT) > contents; i++) {
      sleep();
    }
    assertThat(db.fetchCount(CONTENT)).isEqualTo(contents);
    assertThat(db.fetchCount(DELIVERY)).isEqualTo(deliveries);
    assertThat(yentra.get("/api/projects/" + project).json().get("deliveries")).isEmpty();
  }

  private static void sleep() {
    try {
      Thread.sleep(50);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  @Test
  void twoUploadsOfOneBrokenFileDoNotTakeEachOthersBytes(RunningServer.Yentra yentra) {
    String project = yentra.project();
    for (int i = 0; i < 4; i++) {
      String first =
          yentra.upload(project, "a.xml", Broken.CUT_OFF.bytes).json().get("id").asString();
      String second =
          yentra.upload(project, "b.xml", Broken.CUT_OFF.bytes).json().get("id").asString();
      assertThat(yentra.await(first).get("message").asString()).contains("cut off");
      assertThat(yentra.await(second).get("message").asString()).contains("cut off");
    }
  }

  @Test
  void progressIsToldAsServerSentEvents(RunningServer.Yentra yentra) {
    String project = yentra.project();
    String job =
        yentra.upload(project, "x.xml", DemoFiles.soundGbxml()).json().get("id").asString();
    String events = yentra.get("/api/jobs/" + job + "/events").body();
    assertThat(events).contains("event:job").contains("\"state\":\"done\"");
  }

  @Test
  void errorsAreProblemsWithoutStackTraces(RunningServer.Yentra yentra) {
    RunningServer.Yentra.Answer missing =
        yentra.get("/api/projects/00000000-0000-0000-0000-000000000000");
    assertThat(missing.status()).isEqualTo(404);
    assertThat(missing.json().get("detail").asString()).isEqualTo("The project is not there.");
    assertThat(yentra.get("/api/projects/nonsense").status()).isEqualTo(400);
    assertThat(yentra.post("/api/projects", java.util.Map.of("name", "  ")).status())
        .isEqualTo(400);
    assertThat(yentra.get("/api/projects/nonsense").body()).doesNotContain("\tat ");
  }
}
