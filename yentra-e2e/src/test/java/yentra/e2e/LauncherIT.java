package yentra.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** {@code ./yentra start} with data of its own: after a kill, and with the database down. */
class LauncherIT {
  private final Path root =
      Path.of(System.getProperty("yentra.root", "..")).toAbsolutePath().normalize();
  private Path var;
  private int port;

  @BeforeEach
  void unpack() throws Exception {
    var = Files.createTempDirectory(Path.of("/tmp"), "yentra-launcher");
    var.toFile().setExecutable(true, false);
    try (ServerSocket s = new ServerSocket(0)) {
      port = s.getLocalPort();
    }
    run(
        List.of(
            Path.of(System.getProperty("java.home"), "bin", "java").toString(),
            "-Djarmode=tools",
            "-jar",
            root.resolve("yentra-server/target/yentra-server-boot.jar").toString(),
            "extract",
            "--destination",
            var.resolve("app").toString()));
    // what is built already is not built again
    Files.createDirectories(var.resolve("build"));
    Files.createFile(var.resolve("build/server"));
  }

  @AfterEach
  void stop() throws Exception {
    yentra("stop");
    run(
        List.of(
            "bash",
            root.resolve("bin/cluster.sh").toString(),
            "wipe",
            var.resolve("pg").toString(),
            Files.readString(var.resolve("pg.port")).strip()));
  }

  private record Said(int code, String text) {}

  private Said yentra(String... args) throws Exception {
    List<String> command = new ArrayList<>(List.of("bash", root.resolve("yentra").toString()));
    command.addAll(List.of(args));
    return run(command);
  }

  private Said run(List<String> command) throws Exception {
    // not a pipe: what is started keeps it open
    Path out = Files.createTempFile("yentra-launcher", ".out");
    ProcessBuilder b = new ProcessBuilder(command);
    b.environment().put("YENTRA_VAR", var.toString());
    b.environment().put("YENTRA_DEMO", "false");
    b.redirectErrorStream(true).redirectOutput(out.toFile());
    int code = b.start().waitFor();
    String text = Files.readString(out);
    Files.delete(out);
    return new Said(code, text);
  }

  private int projects() throws IOException, InterruptedException {
    HttpRequest r =
        HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + "/api/projects")).build();
    return HttpClient.newHttpClient().send(r, HttpResponse.BodyHandlers.discarding()).statusCode();
  }

  private String post(String path, String type, String body)
      throws IOException, InterruptedException {
    HttpRequest r =
        HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path))
            .header("Content-Type", type)
            .header("X-Yentra-Person", "Test")
            .POST(HttpRequest.BodyPublishers.ofString(body))
            .build();
    HttpResponse<String> a =
        HttpClient.newHttpClient().send(r, HttpResponse.BodyHandlers.ofString());
    assertThat(a.statusCode()).as(a.body()).isBetween(200, 299);
    return a.body();
  }

  /** The process that draws it is started from what the launcher runs. */
  private void aPageOfAPdfIsDrawn() throws IOException, InterruptedException {
    String project = post("/api/projects", "application/json", "{\"name\": \"Paper\"}");
    String id = project.replaceFirst("(?s).*?\"id\":\"([^\"]+)\".*", "$1");
    String pdf =
        """
        %PDF-1.4
        1 0 obj <</Type/Catalog/Pages 2 0 R>> endobj
        2 0 obj <</Type/Pages/Kids[3 0 R]/Count 1>> endobj
        3 0 obj <</Type/Page/Parent 2 0 R/MediaBox[0 0 144 72]/Contents 4 0 R>> endobj
        4 0 obj <</Length 15>> stream
        10 10 20 20 re f
        endstream endobj
        trailer <</Root 1 0 R>>
        %%EOF
        """;
    assertThat(
            post(
                "/api/projects/" + id + "/underlays?name=paper.pdf",
                "application/octet-stream",
                pdf))
        .contains("paper page 1.png", "\"width\":300", "\"height\":150");
  }

  @Test
  void startBringsBackWhatIsDown() throws Exception {
    String number = String.valueOf(port);
    Said first = yentra("start", "--port", number);
    assertThat(first.code()).as(first.text()).isZero();
    assertThat(projects()).isEqualTo(200);
    assertThat(yentra("start").text()).contains("running already");
    aPageOfAPdfIsDrawn();

    // the database alone is down
    run(
        List.of(
            "bash",
            root.resolve("bin/cluster.sh").toString(),
            "stop",
            var.resolve("pg").toString(),
            Files.readString(var.resolve("pg.port")).strip()));
    assertThat(projects()).isEqualTo(503);
    assertThat(yentra("status").code()).isEqualTo(3);
    Said again = yentra("start");
    assertThat(again.code()).as(again.text()).isZero();
    assertThat(again.text()).contains("running again");
    int status = 503;
    for (int i = 0; status != 200 && i < 100; i++) {
      Thread.sleep(100);
      status = projects();
    }
    assertThat(status).isEqualTo(200);

    // right after a kill its port may still be taken for a moment
    run(List.of("kill", "-9", Files.readString(var.resolve("app.pid")).strip()));
    Said after = yentra("start", "--port", number);
    assertThat(after.code()).as(after.text()).isZero();
    assertThat(projects()).isEqualTo(200);

    for (String closed : List.of("app", "log", "uploads", "pg")) {
      assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(var.resolve(closed))))
          .as(closed)
          .isEqualTo("rwx------");
    }
    assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(var)))
        .as("others pass through at most, they read nothing")
        .startsWith("rwx--")
        .doesNotContain("r--")
        .doesNotEndWith("r-x");
  }
}
