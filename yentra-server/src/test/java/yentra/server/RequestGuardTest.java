package yentra.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import yentra.demo.DemoFiles;
import yentra.server.web.RequestGuard;

/** Who is answered, and what a page of somebody else's cannot do. */
@ExtendWith(RunningServer.class)
class RequestGuardTest {
  private static HttpRequest.Builder json(URI uri, String body) {
    return HttpRequest.newBuilder(uri)
        .header("Content-Type", "application/json")
        .POST(HttpRequest.BodyPublishers.ofString(body));
  }

  @Test
  void aChangeWithoutANameIsRefused(RunningServer.Yentra yentra) {
    HttpRequest bare = json(yentra.uri("/api/projects"), "{\"name\":\"x\"}").build();
    assertThat(yentra.send(bare).status()).isEqualTo(403);
    assertThat(yentra.get("/api/projects").body()).doesNotContain("\"x\"");
  }

  @Test
  void aNameThatIsNotEncodedIsABadRequest(RunningServer.Yentra yentra) {
    String project = yentra.project();
    HttpRequest r =
        HttpRequest.newBuilder(yentra.uri("/api/projects/" + project + "/deliveries?name=a.xml"))
            .header("Content-Type", "application/octet-stream")
            .header(RequestGuard.PERSON, "100%")
            .POST(HttpRequest.BodyPublishers.ofByteArray(DemoFiles.soundGbxml()))
            .build();
    RunningServer.Yentra.Answer a = yentra.send(r);
    assertThat(a.status()).isEqualTo(400);
    assertThat(a.json().get("detail").asString()).contains("URL-encoded");
    assertThat(yentra.get("/api/projects/" + project).json().get("deliveries")).isEmpty();
  }

  /** A name that somebody pointed at this machine must not open it to their page. */
  @Test
  void onlyLoopbackNamesAreAnswered(RunningServer.Yentra yentra) throws IOException {
    assertThat(statusFor(yentra, "localhost")).contains(" 200");
    assertThat(statusFor(yentra, "127.0.0.1")).contains(" 200");
    assertThat(statusFor(yentra, "yentra.example")).contains(" 403");
  }

  private static String statusFor(RunningServer.Yentra yentra, String host) throws IOException {
    URI uri = yentra.uri("/api/projects");
    try (Socket s = new Socket(uri.getHost(), uri.getPort())) {
      String ask = "GET /api/projects HTTP/1.1\r\nHost: " + host + "\r\nConnection: close\r\n\r\n";
      s.getOutputStream().write(ask.getBytes(StandardCharsets.US_ASCII));
      String said = new String(s.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
      return said.lines().findFirst().orElse("");
    }
  }

  @Test
  void namesAreTrimmedAndLimited() {
    assertThat(RequestGuard.person("Mari%20L%C3%B8v")).isEqualTo("Mari Løv");
    assertThat(RequestGuard.person("%20")).isEqualTo("someone");
    assertThat(RequestGuard.person("x".repeat(200))).hasSize(80);
  }

  @Test
  void aFileNameCannotLeaveItsPlace(RunningServer.Yentra yentra) {
    String project = yentra.project();
    yentra.intake(project, "..%2F..%2Fetc%2Fpass%0Awd.xml", DemoFiles.soundGbxml());
    String name =
        yentra
            .get("/api/projects/" + project)
            .json()
            .get("deliveries")
            .get(0)
            .get("fileName")
            .asString();
    assertThat(name).isEqualTo(".._.._etc_pass_wd.xml");
  }
}
