package yentra.e2e;

import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.concurrent.TimeUnit;

/**
 * The built application as a process of its own, with a throw-away PostgreSQL cluster; it can be
 * restarted in the middle.
 */
final class RunningYentra implements AutoCloseable {
  private final Path root =
      Path.of(System.getProperty("yentra.root", "..")).toAbsolutePath().normalize();
  static final String JAVA = Path.of(System.getProperty("java.home"), "bin", "java").toString();
  private final Path dir;
  private final int databasePort = freePort();
  private final int port = freePort();
  private static Unpacked unpacked;
  private boolean archiving;
  private Process server;

  RunningYentra() throws IOException, InterruptedException {
    dir = Files.createTempDirectory(Path.of("/tmp"), "yentra-e2e");
    dir.toFile().setExecutable(true, false);
    dir.toFile().setReadable(true, false);
    cluster("start");
    start();
  }

  private static int freePort() {
    try (ServerSocket s = new ServerSocket(0)) {
      return s.getLocalPort();
    } catch (IOException e) {
      throw new java.io.UncheckedIOException(e);
    }
  }

  private String cluster(String action) throws IOException, InterruptedException {
    ProcessBuilder b =
        new ProcessBuilder(
            "bash",
            root.resolve("bin/cluster.sh").toString(),
            action,
            dir.resolve("pg").toString(),
            String.valueOf(databasePort));
    b.environment().put("YENTRA_PG_OPTIONS", "-c fsync=off -c full_page_writes=off");
    Path out = dir.resolve("cluster.out");
    b.redirectErrorStream(true).redirectOutput(out.toFile());
    int code = b.start().waitFor();
    String said = Files.readString(out).strip();
    if (code != 0) {
      throw new IOException("cluster.sh " + action + ": " + said);
    }
    return said;
  }

  private void start() throws IOException, InterruptedException {
    if (unpacked == null) {
      unpacked = new Unpacked(root);
    }
    String classes = unpacked.classes();
    archiving = unpacked.isUnfinished(classes);
    server = process(port, classes);
    untilAnswers(server, port);
  }

  private Process process(int at, String classes) throws IOException, InterruptedException {
    ProcessBuilder b =
        new ProcessBuilder(
            JAVA,
            "-XX:TieredStopAtLevel=1",
            "-Xlog:cds=off",
            "-Xlog:cds+dynamic=off",
            classes,
            "-jar",
            unpacked.server().toString());
    b.environment().put("YENTRA_UPLOADS", dir.resolve("uploads").toString());
    // a node that has died is noticed sooner than by the real server, so that a test need not wait
    b.environment().put("DBSCHEDULER_HEARTBEATINTERVAL", "1s");
    b.environment().put("YENTRA_PORT", String.valueOf(at));
    b.environment().put("YENTRA_DB_PORT", String.valueOf(databasePort));
    b.environment().put("YENTRA_DB_PASSWORD", cluster("password"));
    b.redirectErrorStream(true)
        .redirectOutput(ProcessBuilder.Redirect.appendTo(dir.resolve("server.log").toFile()));
    return b.start();
  }

  private void untilAnswers(Process process, int at) throws IOException, InterruptedException {
    for (int i = 0; i < 900; i++) {
      if (answers(at)) {
        return;
      }
      if (!process.isAlive()) {
        throw new IOException("the server ended: " + Files.readString(dir.resolve("server.log")));
      }
      TimeUnit.MILLISECONDS.sleep(100);
    }
    throw new IOException(
        "the server did not answer: " + Files.readString(dir.resolve("server.log")));
  }

  private static boolean answers(int at) throws InterruptedException {
    try {
      HttpRequest r =
          HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + at + "/api/projects")).build();
      return HttpClient.newHttpClient().send(r, HttpResponse.BodyHandlers.discarding()).statusCode()
          == 200;
    } catch (IOException e) {
      return false;
    }
  }

  /** Kills the server without warning and starts it again on the same database. */
  void crashAndRestart() throws IOException, InterruptedException {
    server.destroyForcibly().waitFor();
    if (archiving) {
      unpacked.gaveUp();
    }
    start();
  }

  /** A second node on the same database. */
  final class Node implements AutoCloseable {
    private final Process process;

    private Node() throws IOException, InterruptedException {
      int at = freePort();
      process = process(at, "-Xshare:auto");
      untilAnswers(process, at);
    }

    /** Ends it without warning. */
    void kill() throws InterruptedException {
      process.destroyForcibly().waitFor();
    }

    @Override
    public void close() {
      process.destroyForcibly();
    }
  }

  Node second() throws IOException, InterruptedException {
    return new Node();
  }

  /** A number that the database says. */
  long count(String sql) throws IOException, InterruptedException, SQLException {
    try (Connection c =
            DriverManager.getConnection(
                "jdbc:postgresql://127.0.0.1:" + databasePort + "/yentra",
                "yentra",
                cluster("password"));
        Statement s = c.createStatement();
        ResultSet r = s.executeQuery(sql)) {
      r.next();
      return r.getLong(1);
    }
  }

  String url(String path) {
    return "http://127.0.0.1:" + port + path;
  }

  @Override
  public void close() throws IOException {
    try {
      server.destroy();
      // the archive takes its time
      if (!server.waitFor(archiving ? 120 : 20, TimeUnit.SECONDS)) {
        server.destroyForcibly().waitFor();
      } else if (archiving) {
        unpacked.ended();
      }
      cluster("wipe");
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}
