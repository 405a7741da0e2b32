package yentra.server;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Starts the real application once for all tests of a run, over HTTP on a free port, with a
 * throw-away PostgreSQL cluster.
 */
final class RunningServer implements BeforeAllCallback, ParameterResolver {
  private static final ExtensionContext.Namespace SPACE =
      ExtensionContext.Namespace.create(RunningServer.class);

  /** The started application, and a small client to talk to it. */
  static final class Yentra implements AutoCloseable {
    private final Path dir;
    private final int port;
    final ConfigurableApplicationContext context;
    private final HttpClient http = HttpClient.newHttpClient();
    private final JsonMapper json = JsonMapper.builder().build();
    private final String base;

    Yentra() throws IOException {
      dir = Files.createTempDirectory(Path.of("/tmp"), "yentra-test-pg");
      try (ServerSocket s = new ServerSocket(0)) {
        port = s.getLocalPort();
      }
      cluster("start");
      String password = cluster("password");
      SpringApplication application = new SpringApplication(YentraServer.class);
      context =
          application.run(
              "--server.port=0",
              "--yentra.demo=false",
              "--spring.datasource.hikari.connection-timeout=1500",
              "--yentra.uploads=" + dir.resolve("uploads"),
              "--yentra.max-upload-bytes=300000000",
              "--spring.datasource.url=jdbc:postgresql://127.0.0.1:" + port + "/yentra",
              "--spring.datasource.password=" + password);
      base = "http://127.0.0.1:" + ((WebServerApplicationContext) context).getWebServer().getPort();
    }

    /** Stops or starts the database under the running application. */
    void database(String action) throws IOException {
      cluster(action);
    }

    private String cluster(String action) throws IOException {
      Path script = Path.of("..", "bin", "cluster.sh").toAbsolutePath().normalize();
      ProcessBuilder b =
          new ProcessBuilder(
              "bash",
              script.toString(),
              action,
              dir.resolve("pg").toString(),
              String.valueOf(port));
      b.environment()
          .put(
              "YENTRA_PG_OPTIONS",
              "-c fsync=off -c full_page_writes=off -c synchronous_commit=off");
      // the server the script starts keeps these open, so they must not be pipes that somebody
      // waits on
      Path out = Files.createTempFile("yentra-cluster", ".out");
      b.redirectErrorStream(true).redirectOutput(out.toFile());
      if (Files.exists(Path.of("/tmp")) && System.getProperty("user.name").equals("root")) {
        // the server runs as another user, who must be able to enter
        dir.toFile().setExecutable(true, false);
        dir.toFile().setReadable(true, false);
      }
      try {
        int code = b.start().waitFor();
        String said = Files.readString(out).strip();
        if (code != 0) {
          throw new IOException("cluster.sh " + action + ": " + said);
        }
        return said;
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
        throw new IOException(e);
      } finally {
        Files.deleteIfExists(out);
      }
    }

    /** An answer: status and body. */
    record Answer(int status, String body, byte[] bytes) {
      JsonNode json() {
        return JsonMapper.builder().build().readTree(body);
      }
    }

    String base() {
      return base;
    }

    Answer get(String path) {
      return send(HttpRequest.newBuilder(URI.create(base + path)).build());
    }

    Answer post(String path, Object body) {
      return send("POST", path, body);
    }

    Answer delete(String path) {
      return send(
          HttpRequest.newBuilder(URI.create(base + path))
              .header("X-Yentra-Person", "Test%20person")
              .DELETE()
              .build());
    }

    Answer put(String path, Object body) {
      return send("PUT", path, body);
    }

    private Answer send(String method, String path, Object body) {
      return send(
          HttpRequest.newBuilder(URI.create(base + path))
              .header("Content-Type", "application/json")
              .header("X-Yentra-Person", "Test%20person")
              .method(method, HttpRequest.BodyPublishers.ofString(json.writeValueAsString(body)))
              .build());
    }

    Answer upload(String project, String name, byte[] bytes) {
      return upload("/api/projects/" + project + "/deliveries?name=" + name, bytes);
    }

    Answer upload(String path, byte[] bytes) {
      return send(
          HttpRequest.newBuilder(URI.create(base + path))
              .header("Content-Type", "application/octet-stream")
              .header("X-Yentra-Person", "Test%20person")
              .POST(HttpRequest.BodyPublishers.ofByteArray(bytes))
              .build());
    }

    Answer send(HttpRequest request) {
      try {
        HttpResponse<byte[]> r = http.send(request, HttpResponse.BodyHandlers.ofByteArray());
        return new Answer(
            r.statusCode(),
            new String(r.body(), java.nio.charset.StandardCharsets.UTF_8),
            r.body());
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
        throw new IllegalStateException(e);
      }
    }

    URI uri(String path) {
      return URI.create(base + path);
    }

    String project() {
      return post("/api/projects", Map.of("name", "Test project")).json().get("id").asString();
    }

    /** Uploads a file and waits until its job has ended. */
    JsonNode intake(String project, String name, byte[] bytes) {
      Answer a = upload(project, name, bytes);
      if (a.status() != 202) {
        throw new IllegalStateException(a.status() + " " + a.body());
      }
      return await(a.json().get("id").asString());
    }

    /** Waits until a job has ended. */
    JsonNode await(String job) {
      for (int i = 0; i < 600; i++) {
        JsonNode now = get("/api/jobs/" + job).json();
        if (!List.of("waiting", "reading").contains(now.get("state").asString())) {
          return now;
        }
        try {
          Thread.sleep(50);
        } catch (InterruptedException e) {
          Thread.currentThread().interrupt();
          throw new IllegalStateException(e);
        }
      }
      throw new IllegalStateException("the intake " + job + " did not end");
    }

    JsonNode model(String delivery) {
      return get("/api/deliveries/" + delivery + "/model").json();
    }

    /** The remedies of a finding, as they are asked for when it is looked at. */
    JsonNode remedies(String delivery, JsonNode finding) {
      return post(
              "/api/deliveries/" + delivery + "/remedies",
              Map.of("findings", List.of(finding.get("id").asString())))
          .json()
          .get(0)
          .get("remedies");
    }

    /** The repair of its first remedy. */
    JsonNode firstRemedy(String delivery, JsonNode finding) {
      return remedies(delivery, finding).get(0).get("repair");
    }

    @Override
    public void close() throws IOException {
      context.close();
      cluster("wipe");
    }
  }

  @Override
  public void beforeAll(ExtensionContext context) {
    context
        .getRoot()
        .getStore(SPACE)
        .getOrComputeIfAbsent(
            Yentra.class,
            k -> {
              try {
                return new Yentra();
              } catch (IOException e) {
                throw new UncheckedIOException(e);
              }
            });
  }

  @Override
  public boolean supportsParameter(ParameterContext p, ExtensionContext c) {
    return p.getParameter().getType() == Yentra.class;
  }

  @Override
  public Object resolveParameter(ParameterContext p, ExtensionContext c) {
    return c.getRoot().getStore(SPACE).get(Yentra.class);
  }
}
