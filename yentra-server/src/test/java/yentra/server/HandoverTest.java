package yentra.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.security.MessageDigest;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadLimits;
import yentra.core.gbxml.GbxmlReader;
import yentra.core.geometry.Tolerance;
import yentra.core.ifc.IfcReader;
import yentra.demo.DemoFiles;

/** Handing over on the running server: parts, packages, records, and machines that fetch. */
@ExtendWith(RunningServer.class)
class HandoverTest {
  private final RunningServer.Yentra yentra;
  private String project;
  private String delivery;

  HandoverTest(RunningServer.Yentra yentra) {
    this.yentra = yentra;
  }

  @BeforeEach
  void deliver() throws Exception {
    project = yentra.post("/api/projects", Map.of("name", "Handover")).json().get("id").asString();
    delivery =
        yentra.intake(project, "demo.ifc", DemoFiles.architectsIfc()).get("deliveryId").asString();
  }

  private JsonNode model() {
    return yentra.get("/api/deliveries/" + delivery + "/model").json();
  }

  private Map<String, Object> ask(Object... more) {
    Map<String, Object> out = new HashMap<>();
    out.put("basedOn", model().get("delivery").get("version").asLong());
    out.put("allowBlockers", true);
    for (int i = 0; i < more.length; i += 2) {
      out.put((String) more[i], more[i + 1]);
    }
    return out;
  }

  private JsonNode handOver(Object... more) {
    RunningServer.Yentra.Answer a =
        yentra.post("/api/deliveries/" + delivery + "/handovers", ask(more));
    assertThat(a.status()).as(a.body()).isEqualTo(201);
    return a.json();
  }

  private static List<JsonNode> list(JsonNode n) {
    List<JsonNode> out = new ArrayList<>();
    n.forEach(out::add);
    return out;
  }

  private static Map<String, byte[]> opened(byte[] zip) throws Exception {
    Map<String, byte[]> out = new LinkedHashMap<>();
    try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
      for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
        out.put(e.getName(), in.readAllBytes());
      }
    }
    return out;
  }

  @Test
  void aPackageHoldsAllFilesAndTheRecordThatMakesThemAgain() throws Exception {
    JsonNode h =
        handOver(
            "formats",
            List.of("gbxml-7.03", "ifc4", "glb", "dxf", "xlsx"),
            "report",
            true,
            "topics",
            true);
    String id = h.get("id").asString();
    byte[] zip = yentra.get("/api/handovers/" + id + "/package").bytes();
    assertThat(yentra.get("/api/handovers/" + id + "/package").bytes()).isEqualTo(zip);
    Map<String, byte[]> files = opened(zip);
    assertThat(files.keySet())
        .containsExactly(
            "demo-handover-v1-gbxml-7.03.xml",
            "demo-handover-v1-ifc4.ifc",
            "demo-handover-v1.glb",
            "demo-handover-v1.dxf",
            "demo-handover-v1.xlsx",
            "demo-handover-v1-report.html",
            "demo-handover-v1-findings.bcf",
            "demo-handover-v1-record.json");
    JsonNode record =
        JsonMapper.builder().build().readTree(files.get("demo-handover-v1-record.json"));
    for (JsonNode f : record.get("files")) {
      byte[] bytes = files.get(f.get("fileName").asString());
      assertThat(f.get("sha256").asString())
          .isEqualTo(HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes)));
    }
    assertThat(record.at("/from/fileName").asString()).isEqualTo("demo.ifc");
    assertThat(record.at("/made/by").asString()).isEqualTo("Test person");
    Envelope ifc =
        IfcReader.read(
            files.get("demo-handover-v1-ifc4.ifc"), ReadLimits.standard(), Tolerance.standard());
    assertThat(ifc.spaces()).hasSize(model().get("spaces").size());
    // what comes after does not change what was handed over
    JsonNode wall = list(model().get("surfaces")).get(0);
    RunningServer.Yentra.Answer repaired =
        yentra.post(
            "/api/deliveries/" + delivery + "/repairs",
            Map.of(
                "basedOn",
                model().get("delivery").get("version").asLong(),
                "repair",
                Map.of("kind", "DeleteSurface", "surface", wall.get("key").asString())));
    assertThat(repaired.status()).isEqualTo(200);
    JsonNode again = yentra.post("/api/handovers/" + id + "/again", Map.of()).json();
    assertThat(again.get("same").asBoolean()).as(again.toString()).isTrue();
    assertThat(again.get("files")).hasSize(7);
  }

  @Test
  void repairsUndoneAndOvertakenSinceAreStillInTheRecord() {
    String wall = list(model().get("surfaces")).get(3).get("key").asString();
    Map<String, Object> repair = Map.of("kind", "DeleteSurface", "surface", wall);
    String path = "/api/deliveries/" + delivery;
    yentra.post(
        path + "/repairs",
        Map.of("basedOn", model().get("delivery").get("version").asLong(), "repair", repair));
    String id = handOver().get("id").asString();
    yentra.post(path + "/undo", Map.of("basedOn", model().get("delivery").get("version").asLong()));
    String other = list(model().get("surfaces")).get(7).get("key").asString();
    yentra.post(
        path + "/repairs",
        Map.of(
            "basedOn",
            model().get("delivery").get("version").asLong(),
            "repair",
            Map.of("kind", "DeleteSurface", "surface", other)));
    yentra.put(
        "/api/projects/" + project + "/settings",
        Map.of("basedOn", 1, "settings", Map.of("elevation", 250)));
    JsonNode again = yentra.post("/api/handovers/" + id + "/again", Map.of()).json();
    assertThat(again.get("same").asBoolean()).as(again.toString()).isTrue();
  }

  @Test
  void aStoreyGoesOutAlone() throws Exception {
    JsonNode storey = list(model().get("storeys")).get(0);
    Map<String, Object> part = Map.of("by", "STOREYS", "of", List.of(storey.get("key").asString()));
    JsonNode look =
        yentra.post("/api/deliveries/" + delivery + "/handovers/look", ask("part", part)).json();
    assertThat(look.get("spaces").asInt())
        .isEqualTo(storey.get("spaces").asInt())
        .isLessThan(look.get("all").asInt());
    assertThat(list(look.get("notes"))).isNotEmpty();
    JsonNode h = handOver("part", part);
    assertThat(h.get("part").asString()).contains(storey.get("name").asString());
    byte[] file = yentra.get("/api/handovers/" + h.get("id").asString() + "/file").bytes();
    Envelope back = GbxmlReader.read(new ByteArrayInputStream(file), ReadLimits.standard());
    assertThat(back.spaces()).hasSize(storey.get("spaces").asInt());
  }

  @Test
  void theBalanceSheetHasWhatWasReadBackOnceItIsHandedOver() {
    String path = "/api/deliveries/" + delivery + "/balance";
    JsonNode before = yentra.get(path).json();
    assertThat(before.get("handover").isNull()).isTrue();
    assertThat(list(before.get("lines")).get(0).get("source").asInt()).isPositive();
    JsonNode h = handOver();
    JsonNode after = yentra.get(path).json();
    assertThat(after.get("handover").asString()).isEqualTo(h.get("id").asString());
    for (JsonNode l : after.get("lines")) {
      if (l.get("what").asString().equals("Floor area")) {
        assertThat(l.get("readBack").asDouble()).isEqualTo(l.get("now").asDouble());
      }
    }
  }

  private HttpResponse<byte[]> fetch(String query, String token, String... headers)
      throws Exception {
    HttpRequest.Builder b =
        HttpRequest.newBuilder(URI.create(yentra.base() + "/api/handovers/newest" + query));
    if (token != null) {
      b.header("Authorization", "Bearer " + token);
    }
    if (headers.length > 0) {
      b.headers(headers);
    }
    return HttpClient.newHttpClient().send(b.build(), HttpResponse.BodyHandlers.ofByteArray());
  }

  @Test
  void aMachineFetchesTheNewestWithAToken() throws Exception {
    String tokens = "/api/projects/" + project + "/tokens";
    JsonNode made = yentra.post(tokens, Map.of("label", "Nightly build")).json();
    String token = made.get("token").asString();
    assertThat(fetch("", token).statusCode()).isEqualTo(404);
    handOver();
    HttpResponse<byte[]> first = fetch("?format=gbxml-6.01", token);
    assertThat(first.statusCode()).isEqualTo(200);
    String tag = first.headers().firstValue("ETag").orElseThrow();
    String modified = first.headers().firstValue("Last-Modified").orElseThrow();
    assertThat(tag)
        .isEqualTo(
            "\""
                + HexFormat.of()
                    .formatHex(MessageDigest.getInstance("SHA-256").digest(first.body()))
                + "\"");
    assertThat(fetch("?format=gbxml-6.01", token, "If-None-Match", tag).statusCode())
        .isEqualTo(304);
    assertThat(fetch("?format=gbxml-6.01", token, "If-Modified-Since", modified).statusCode())
        .isEqualTo(304);
    assertThat(fetch("?format=ifc2x3", token).statusCode()).isEqualTo(404);
    assertThat(opened(fetch("", token).body())).hasSize(2);
    assertThat(fetch("", null).statusCode()).isEqualTo(401);
    assertThat(fetch("", "yt_wrong").statusCode()).isEqualTo(401);
    JsonNode listed = list(yentra.get(tokens).json()).get(0);
    assertThat(listed.get("token").isNull()).isTrue();
    assertThat(listed.get("usedAt").isNull()).isFalse();
    assertThat(yentra.delete(tokens + "/" + made.get("id").asString()).status()).isEqualTo(204);
    assertThat(fetch("", token).statusCode()).isEqualTo(401);
    assertThat(yentra.post(tokens, Map.of("label", " ")).status()).isEqualTo(400);
  }
}
