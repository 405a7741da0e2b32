package yentra.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import yentra.demo.DemoFiles;
import yentra.demo.MarramClimate;
import yentra.server.intake.Intake;

/** Many at once, slowly, and without a database: nothing freezes, and every refusal is in words. */
@ExtendWith(RunningServer.class)
class StormTest {
  /** More than the pool has connections. */
  private static final int AT_ONCE = 13;

  private static <T> List<T> atOnce(List<Callable<T>> work) throws Exception {
    ExecutorService pool = Executors.newFixedThreadPool(work.size());
    try {
      List<T> out = new ArrayList<>();
      for (Future<T> f : pool.invokeAll(work)) {
        out.add(f.get());
      }
      return out;
    } finally {
      pool.shutdownNow();
    }
  }

  /** A run of an estimate that is done. */
  private static String run(RunningServer.Yentra yentra, String project, String delivery) {
    yentra.upload("/api/projects/" + project + "/weather?name=a.epw", MarramClimate.epw());
    String run =
        yentra
            .post("/api/deliveries/" + delivery + "/estimates", Map.of("assumeMissing", true))
            .json()
            .get("id")
            .asString();
    String state = "";
    for (int i = 0; !state.equals("done") && i < 600; i++) {
      state = yentra.get("/api/estimates/" + run).json().get("state").asString();
    }
    assertThat(state).isEqualTo("done");
    return run;
  }

  /** Every address of the API that is read, with what it needs filled in. */
  private static final Map<String, Object> SHADES =
      Map.of("kind", "WindowShades", "facing", List.of(), "overhang", 0.5, "fin", 0);

  private static String variant(RunningServer.Yentra yentra, String project) {
    return yentra
        .post(
            "/api/projects/" + project + "/variants",
            Map.of(
                "name",
                "Shaded",
                "group",
                "",
                "parts",
                List.of(),
                "changes",
                List.of(Map.of("change", SHADES))))
        .json()
        .get("id")
        .asString();
  }

  private static String sweep(RunningServer.Yentra yentra, String delivery) {
    return yentra
        .post(
            "/api/deliveries/" + delivery + "/sweeps",
            Map.of(
                "grid", true,
                "assumeMissing", true,
                "axes", List.of(Map.of("change", SHADES, "values", List.of(0.5)))))
        .json()
        .get("id")
        .asString();
  }

  private static String picture(RunningServer.Yentra yentra, String delivery) {
    return yentra
        .upload("/api/deliveries/" + delivery + "/pictures?look=%7B%7D", png())
        .json()
        .get("id")
        .asString();
  }

  private static byte[] png() {
    ByteArrayOutputStream png = new ByteArrayOutputStream();
    try {
      ImageIO.write(new BufferedImage(40, 30, BufferedImage.TYPE_INT_RGB), "png", png);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return png.toByteArray();
  }

  private static List<String> reads(RunningServer.Yentra yentra, String project, JsonNode model) {
    String delivery = model.get("delivery").get("id").asString();
    long version = model.get("delivery").get("version").asLong();
    JsonNode handover =
        yentra
            .post(
                "/api/deliveries/" + delivery + "/handovers",
                Map.of("basedOn", version, "allowBlockers", true))
            .json();
    String sheet =
        yentra.get("/api/projects/" + project + "/sheets").json().get(0).get("id").asString();
    Map<String, String> values = new HashMap<>();
    values.put("run", run(yentra, project, delivery));
    values.put("space", model.get("spaces").get(0).get("key").asString());
    values.put("key", model.get("surfaces").get(0).get("key").asString());
    values.put("object", model.get("surfaces").get(0).get("key").asString());
    values.put("entity", "IfcWall");
    values.put("with", sheet);
    values.put("variant", variant(yentra, project));
    values.put("sweep", sweep(yentra, delivery));
    String picture = picture(yentra, delivery);
    List<String> out = new ArrayList<>();
    JsonNode paths = yentra.get("/v3/api-docs").json().get("paths");
    for (Map.Entry<String, JsonNode> p : paths.properties()) {
      JsonNode get = p.getValue().get("get");
      // a stream of events never ends
      if (get == null || p.getKey().contains("/jobs/") || p.getKey().endsWith("/events")) {
        continue;
      }
      String id =
          p.getKey().startsWith("/api/projects/")
              ? project
              : p.getKey().startsWith("/api/sheets/")
                  ? sheet
                  : p.getKey().startsWith("/api/pictures/")
                      ? picture
                      : p.getKey().startsWith("/api/handovers/")
                          ? handover.get("id").asString()
                          : delivery;
      StringBuilder path = new StringBuilder(p.getKey().replace("{id}", id));
      char next = '?';
      if (get.has("parameters")) {
        for (JsonNode q : get.get("parameters")) {
          String name = q.get("name").asString();
          if (q.get("in").asString().equals("query") && q.get("required").asBoolean()) {
            path.append(next).append(name).append('=').append(values.get(name));
            next = '&';
          }
        }
      }
      String filled = path.toString().replace("{name}", "plan.png");
      for (String name : List.of("run", "variant", "sweep")) {
        filled = filled.replace("{" + name + "}", values.get(name));
      }
      out.add(filled);
    }
    return out;
  }

  @Test
  void noReadNeedsAnotherConnectionWhileItHoldsOne(RunningServer.Yentra yentra) throws Exception {
    for (int i = 0; i < 5; i++) {
      yentra.project();
    }
    String project = yentra.project();
    String delivery =
        yentra.intake(project, "marram.xml", DemoFiles.faultyGbxml()).get("deliveryId").asString();
    yentra.upload("/api/projects/" + project + "/underlays?name=plan.png", png());
    List<String> reads = reads(yentra, project, yentra.model(delivery));
    assertThat(reads).hasSizeGreaterThan(25);
    for (String path : reads) {
      int alone = yentra.get(path).status();
      // what is fetched by machines asks for a token, which is looked for all the same
      assertThat(alone).as(path).isIn(200, 422, path.endsWith("/newest") ? 401 : 200);
      List<Callable<Integer>> many = new ArrayList<>();
      for (int i = 0; i < AT_ONCE; i++) {
        many.add(() -> yentra.get(path).status());
      }
      assertThat(atOnce(many)).as(path).containsOnly(alone);
    }
  }

  @Test
  void theListComesInPages(RunningServer.Yentra yentra) {
    Set<String> made = new HashSet<>();
    for (int i = 0; i < 7; i++) {
      made.add(yentra.project());
    }
    int all = yentra.get("/api/projects?most=1").json().get("all").asInt();
    Set<String> seen = new HashSet<>();
    for (int from = 0; from < all; from += 3) {
      JsonNode page = yentra.get("/api/projects?most=3&from=" + from).json();
      assertThat(page.get("projects").size()).isLessThanOrEqualTo(3);
      page.get("projects").forEach(p -> seen.add(p.get("id").asString()));
    }
    assertThat(seen).hasSize(all).containsAll(made);
    assertThat(yentra.get("/api/projects?most=100000").status()).isEqualTo(400);
  }

  @Test
  void filesThatComeAtOnceAreNumberedAsTheyCame(RunningServer.Yentra yentra) throws Exception {
    String project = yentra.project();
    byte[] file = DemoFiles.soundGbxml();
    List<Callable<RunningServer.Yentra.Answer>> many = new ArrayList<>();
    for (int i = 0; i < 20; i++) {
      String name = "f" + i + ".xml";
      many.add(() -> uploadedWhenThereIsRoom(yentra, project, name, file));
    }
    for (RunningServer.Yentra.Answer a : atOnce(many)) {
      assertThat(a.status()).as(a.body()).isEqualTo(202);
      assertThat(yentra.await(a.json().get("id").asString()).get("state").asString())
          .isEqualTo("done");
    }
    JsonNode deliveries = yentra.get("/api/projects/" + project).json().get("deliveries");
    List<Integer> numbers = new ArrayList<>();
    deliveries.forEach(d -> numbers.add(d.get("revision").asInt()));
    List<Integer> expected = new ArrayList<>();
    for (int i = 20; i > 0; i--) {
      expected.add(i);
    }
    assertThat(numbers).as("the newest first").isEqualTo(expected);
    // one after the other: the file that was first acknowledged is revision 21
    List<String> jobs = new ArrayList<>();
    for (int i = 0; i < 4; i++) {
      jobs.add(yentra.upload(project, "g" + i + ".xml", file).json().get("id").asString());
    }
    jobs.forEach(yentra::await);
    JsonNode after = yentra.get("/api/projects/" + project).json().get("deliveries");
    for (int i = 0; i < 4; i++) {
      assertThat(after.get(3 - i).get("fileName").asString()).isEqualTo("g" + i + ".xml");
      assertThat(after.get(3 - i).get("revision").asInt()).isEqualTo(21 + i);
    }
  }

  @Test
  void slowUploadsKeepNobodyWaiting(RunningServer.Yentra yentra) throws Exception {
    String project = yentra.project();
    List<Socket> slow = new ArrayList<>();
    URI uri = yentra.uri("/api/projects/" + project + "/deliveries?name=slow.xml");
    try {
      for (int i = 0; i < 220; i++) {
        Socket s = new Socket(uri.getHost(), uri.getPort());
        slow.add(s);
        String head =
            "POST "
                + uri.getRawPath()
                + "?"
                + uri.getRawQuery()
                + " HTTP/1.1\r\nHost: 127.0.0.1\r\nX-Yentra-Person: Slow\r\n"
                + "Content-Type: application/octet-stream\r\nContent-Length: 100000000\r\n\r\n<";
        s.getOutputStream().write(head.getBytes(StandardCharsets.US_ASCII));
        s.getOutputStream().flush();
      }
      assertThat(yentra.get("/api/projects?most=1").status()).isEqualTo(200);
      assertThat(yentra.post("/api/projects", Map.of("name", "Beside them")).status())
          .isEqualTo(201);
      // so many are listened to; one more is told so
      RunningServer.Yentra.Answer more = yentra.upload(project, "a.xml", DemoFiles.soundGbxml());
      assertThat(more.status()).isEqualTo(503);
      assertThat(more.json().get("detail").asString()).contains("Try again");
      slow.get(0).setSoTimeout(60_000);
    } finally {
      for (Socket s : slow) {
        s.close();
      }
    }
    // when they have gone there is room again, and nothing of them is left
    RunningServer.Yentra.Answer a =
        uploadedWhenThereIsRoom(yentra, project, "a.xml", DemoFiles.soundGbxml());
    assertThat(a.status()).as(a.body()).isEqualTo(202);
    assertThat(yentra.await(a.json().get("id").asString()).get("state").asString())
        .isEqualTo("done");
    assertThat(uploads(yentra)).isEmpty();
  }

  /** An upload that does as the server says when as many come in as it takes at once. */
  private static RunningServer.Yentra.Answer uploadedWhenThereIsRoom(
      RunningServer.Yentra yentra, String project, String name, byte[] file)
      throws InterruptedException {
    RunningServer.Yentra.Answer answer = yentra.upload(project, name, file);
    for (int i = 0; answer.status() == 503 && i < 200; i++) {
      Thread.sleep(100);
      answer = yentra.upload(project, name, file);
    }
    return answer;
  }

  private static List<Path> uploads(RunningServer.Yentra yentra) throws IOException {
    Path dir = yentra.context.getBean(YentraSettings.class).uploads();
    try (var list = Files.list(dir)) {
      return list.toList();
    }
  }

  @Test
  void whatACrashCutOffIsClearedAtTheNextStart(RunningServer.Yentra yentra) throws Exception {
    Path dir = yentra.context.getBean(YentraSettings.class).uploads();
    Files.createDirectories(dir);
    Files.writeString(dir.resolve("upload123.part"), "<gbXML");
    Path other = Files.writeString(dir.resolve("notes.txt"), "not ours");
    yentra.context.getBean(Intake.class).clearUploads();
    assertThat(uploads(yentra)).containsExactly(other);
    Files.delete(other);
  }

  @Test
  void withoutADatabaseEveryRequestIsToldSo(RunningServer.Yentra yentra) throws Exception {
    String project = yentra.project();
    yentra.database("stop");
    try {
      for (String path : List.of("/api/projects", "/api/projects/" + project)) {
        RunningServer.Yentra.Answer a = yentra.get(path);
        assertThat(a.status()).as(a.body()).isEqualTo(503);
        assertThat(a.json().get("detail").asString()).contains("database", "try again");
      }
      assertThat(yentra.post("/api/projects", Map.of("name", "x")).status()).isEqualTo(503);
    } finally {
      yentra.database("start");
    }
    int status = 503;
    for (int i = 0; status == 503 && i < 100; i++) {
      Thread.sleep(100);
      status = yentra.get("/api/projects/" + project).status();
    }
    assertThat(status).as("it is back by itself").isEqualTo(200);
  }

  @Test
  void textThatNoDatabaseKeepsAndRequestsThatAreNoneAreRefusedInWords(RunningServer.Yentra yentra)
      throws Exception {
    assertThat(yentra.post("/api/projects", Map.of("name", "a\0b")).status()).isEqualTo(400);
    assertThat(yentra.post("/api/projects", Map.of("name", "a\nb")).status()).isEqualTo(400);
    String project = yentra.project();
    assertThat(yentra.get("/api/projects/" + project + "/library/file?name=%00").status())
        .isEqualTo(400);
    for (Object sheet :
        List.of(Map.of(), Map.of("about", List.of(), "scope", List.of()), Map.of("nonsense", 1))) {
      RunningServer.Yentra.Answer a = yentra.post("/api/projects/" + project + "/sheets", sheet);
      assertThat(a.status()).as(a.body()).isEqualTo(400);
    }
    for (String ask :
        List.of(
            "GET /api/projects?a=%zz HTTP/1.1", "GET /a[b HTTP/1.1", "NONSENSE", "GET / HTTP/9")) {
      String said = raw(yentra, ask + "\r\nHost: 127.0.0.1\r\nConnection: close\r\n\r\n");
      assertThat(said).as(ask).doesNotContainIgnoringCase("<html").containsPattern(" [45]\\d\\d");
    }
  }

  private static String raw(RunningServer.Yentra yentra, String request) throws IOException {
    URI uri = yentra.uri("/");
    try (Socket s = new Socket(uri.getHost(), uri.getPort())) {
      OutputStream out = s.getOutputStream();
      out.write(request.getBytes(StandardCharsets.US_ASCII));
      out.flush();
      s.setSoTimeout(20_000);
      return new String(s.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    }
  }
}
