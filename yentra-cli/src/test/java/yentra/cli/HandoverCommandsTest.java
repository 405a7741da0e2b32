package yentra.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yentra.demo.DemoFiles;

/** Files in every format, parts of them, and fetching from a server. */
class HandoverCommandsTest {
  @TempDir private Path dir;
  private Path sound;

  @BeforeEach
  void deliver() throws Exception {
    sound = Files.write(dir.resolve("sound.xml"), DemoFiles.soundGbxml());
  }

  @ParameterizedTest
  @CsvSource({
    "gbxml-6.01, out.xml, read back equal",
    "gbxml-7.03, out.xml, read back equal",
    "gbxml-0.37, out.xml, read back equal",
    "ifc4, out.ifc, read back equal",
    "ifc2x3, out.ifc, read back equal",
    "glb, out.glb, kinds of faces",
    "dxf, out.dxf, layers",
    "xlsx, out.xlsx, surfaces",
  })
  void everyFormatIsWrittenAndSaysHowItStands(String format, String name, String said)
      throws Exception {
    Path out = dir.resolve(name);
    CommandRun r = CommandRun.of("translate", sound, "--to", format, "-o", out);
    assertThat(r.exit()).as(r.err()).isZero();
    assertThat(r.out()).contains(said);
    assertThat(Files.size(out)).isGreaterThan(1000);
  }

  @Test
  void aPartIsMeantByIdOrName() {
    Path out = dir.resolve("part.xml");
    CommandRun r = CommandRun.of("translate", sound, "-o", out, "--spaces", "sp-crew,Boat*");
    assertThat(r.exit()).as(r.err()).isZero();
    assertThat(r.err()).contains("2 of 8 spaces are handed over.", "are adiabatic");
    CommandRun kept =
        CommandRun.of("translate", sound, "-o", out, "--spaces", "sp-crew", "--edge", "keep");
    assertThat(kept.err()).contains("spaces without faces stand for these");
    CommandRun none = CommandRun.of("translate", sound, "-o", out, "--spaces", "No such room");
    assertThat(none.exit()).isEqualTo(2);
    assertThat(none.err()).contains("No such room");
  }

  @Test
  void whatCannotBeDoneIsSaid() {
    CommandRun format = CommandRun.of("translate", sound, "-o", dir.resolve("x.obj"));
    assertThat(format.exit()).isEqualTo(2);
    assertThat(format.err()).contains("let it end in .xml");
    CommandRun other = CommandRun.of("translate", sound, "--to", "obj", "-o", dir.resolve("x"));
    assertThat(other.err()).contains("obj is not offered", "gbxml-6.01");
  }

  /** A server that has one file and asks for a token. */
  private static final class Server implements AutoCloseable {
    private final HttpServer http;
    private final List<String> asked = new ArrayList<>();
    private byte[] file = "first".getBytes(StandardCharsets.UTF_8);

    Server() throws IOException {
      http = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
      http.createContext("/newest", this::answer);
      http.start();
    }

    private void answer(HttpExchange x) throws IOException {
      asked.add(x.getRequestURI().toString());
      String tag = "\"" + hash(file) + "\"";
      x.getResponseHeaders().set("Last-Modified", "Tue, 03 Feb 2026 10:00:00 GMT");
      if (!"Bearer yt_good".equals(x.getRequestHeaders().getFirst("Authorization"))) {
        byte[] b = "{\"detail\":\"Send a token.\"}".getBytes(StandardCharsets.UTF_8);
        x.sendResponseHeaders(401, b.length);
        x.getResponseBody().write(b);
      } else if (tag.equals(x.getRequestHeaders().getFirst("If-None-Match"))) {
        x.sendResponseHeaders(304, -1);
      } else {
        x.sendResponseHeaders(200, file.length);
        x.getResponseBody().write(file);
      }
      x.close();
    }

    private static String hash(byte[] b) {
      try {
        return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(b));
      } catch (java.security.NoSuchAlgorithmException e) {
        throw new IllegalStateException(e);
      }
    }

    String address() {
      return "http://127.0.0.1:" + http.getAddress().getPort() + "/newest";
    }

    @Override
    public void close() {
      http.stop(0);
    }
  }

  @Test
  void theNewestIsFetchedOnceAndAgainWhenItIsNewer() throws Exception {
    try (Server server = new Server()) {
      Path out = dir.resolve("newest.zip");
      Object[] fetch = {
        "fetch", server.address(), "--token", "yt_good", "--format", "ifc4", "-o", out
      };
      CommandRun first = CommandRun.of(fetch);
      assertThat(first.exit()).as(first.err()).isZero();
      assertThat(first.out()).contains("5 bytes, new");
      assertThat(out).hasContent("first");
      assertThat(Files.getLastModifiedTime(out).toInstant()).hasToString("2026-02-03T10:00:00Z");
      assertThat(server.asked).containsExactly("/newest?format=ifc4");
      assertThat(CommandRun.of(fetch).out()).contains("is the newest already");
      server.file = "second".getBytes(StandardCharsets.UTF_8);
      assertThat(CommandRun.of(fetch).out()).contains("6 bytes, new");
      assertThat(out).hasContent("second");
      CommandRun refused = CommandRun.of("fetch", server.address(), "--token", "yt_bad", "-o", out);
      assertThat(refused.exit()).isEqualTo(2);
      assertThat(refused.err()).contains("401: Send a token.");
      assertThat(out).hasContent("second");
    }
  }

  @Test
  void aServerThatIsNotThereIsSaid() {
    CommandRun r =
        CommandRun.of(
            "fetch", "http://127.0.0.1:9/newest", "--token", "t", "-o", dir.resolve("x.zip"));
    assertThat(r.exit()).isEqualTo(2);
    assertThat(r.err()).contains("does not answer");
    CommandRun wrong =
        CommandRun.of("fetch", "file:///etc/passwd", "--token", "t", "-o", dir.resolve("x.zip"));
    assertThat(wrong.err()).contains("no address of a server");
  }
}
