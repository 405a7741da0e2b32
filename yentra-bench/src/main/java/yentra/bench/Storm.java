package yentra.bench;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.net.ServerSocket;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.gbxml.GbxmlVersion;
import yentra.core.gbxml.GbxmlWriter;

/**
 * A bounded storm on a server of its own: readers and editors of one large project, files that come
 * in beside them, slow senders, and kills in the middle. Prints Markdown: how long answers took,
 * what was refused, and whether an acknowledged edit was lost.
 */
public final class Storm {
  private static final int READERS = 20;
  private static final int EDITORS = 4;
  private static final int SLOW = 40;
  private static final int SPACES = 1000;
  private static final int KILLS = 3;

  /** Seconds before the first answer is timed. */
  private static final int WARM = 10;

  private static final Duration PATIENCE = Duration.ofSeconds(60);

  private final HttpClient http = HttpClient.newBuilder().connectTimeout(PATIENCE).build();
  private final JsonMapper json = JsonMapper.builder().build();
  private final Path root;
  private final Path var;
  private final int port;
  private final Map<String, ConcurrentLinkedQueue<Double>> took = new ConcurrentHashMap<>();
  private final Map<String, AtomicInteger> statuses = new ConcurrentHashMap<>();
  private volatile boolean killing;
  private final Set<String> acknowledged = ConcurrentHashMap.newKeySet();

  private Storm(Path root, Path var) throws IOException {
    this.root = root;
    this.var = var;
    try (ServerSocket s = new ServerSocket(0)) {
      port = s.getLocalPort();
    }
  }

  /**
   * @param args the checkout, a folder for the server's data, and how long it blows in seconds
   */
  public static void main(String[] args) throws Exception {
    Storm s = new Storm(Path.of(args[0]), Path.of(args[1]));
    s.launcher("start", "--port", String.valueOf(s.port));
    try {
      s.run(Integer.parseInt(args[2]), System.out);
    } finally {
      s.launcher("stop");
    }
  }

  private void launcher(String... args) throws IOException, InterruptedException {
    List<String> command = new ArrayList<>(List.of("bash", root.resolve("yentra").toString()));
    command.addAll(List.of(args));
    ProcessBuilder b = new ProcessBuilder(command);
    b.environment().put("YENTRA_VAR", var.toString());
    b.environment().put("YENTRA_DEMO", "false");
    b.redirectOutput(ProcessBuilder.Redirect.DISCARD)
        .redirectError(ProcessBuilder.Redirect.INHERIT);
    int code = b.start().waitFor();
    if (code != 0) {
      throw new IOException("yentra " + String.join(" ", args) + " ended with " + code);
    }
  }

  private HttpRequest.Builder request(String path) {
    return HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path))
        .timeout(PATIENCE)
        .header("X-Yentra-Person", "Storm");
  }

  private HttpResponse<byte[]> send(String kind, HttpRequest r)
      throws IOException, InterruptedException {
    long start = System.nanoTime();
    HttpResponse<byte[]> a = http.send(r, HttpResponse.BodyHandlers.ofByteArray());
    took.computeIfAbsent(kind + (killing ? ", with kills" : ""), k -> new ConcurrentLinkedQueue<>())
        .add((System.nanoTime() - start) / 1e9);
    statuses
        .computeIfAbsent(kind + " " + a.statusCode(), k -> new AtomicInteger())
        .incrementAndGet();
    return a;
  }

  private JsonNode get(String kind, String path) throws IOException, InterruptedException {
    return json.readTree(send(kind, request(path).GET().build()).body());
  }

  private HttpResponse<byte[]> post(String kind, String path, String type, byte[] body)
      throws IOException, InterruptedException {
    return send(
        kind,
        request(path)
            .header("Content-Type", type)
            .POST(HttpRequest.BodyPublishers.ofByteArray(body))
            .build());
  }

  private String project(String name) throws IOException, InterruptedException {
    byte[] body = json.writeValueAsBytes(Map.of("name", name));
    return json.readTree(post("create", "/api/projects", "application/json", body).body())
        .get("id")
        .asString();
  }

  private String upload(String project, String name, byte[] file)
      throws IOException, InterruptedException {
    HttpResponse<byte[]> a =
        post(
            "upload",
            "/api/projects/" + project + "/deliveries?name=" + name,
            "application/octet-stream",
            file);
    return a.statusCode() == 202 ? json.readTree(a.body()).get("id").asString() : null;
  }

  private String delivered(String job) throws IOException, InterruptedException {
    for (int i = 0; i < 1200; i++) {
      JsonNode j = get("job", "/api/jobs/" + job);
      if (j.hasNonNull("deliveryId")) {
        return j.get("deliveryId").asString();
      }
      TimeUnit.MILLISECONDS.sleep(100);
    }
    throw new IOException("the job " + job + " did not end");
  }

  private static byte[] model(int spaces) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    GbxmlWriter.write(OfficeModel.of(spaces), SurfaceTypes.STANDARD, GbxmlVersion.V6_01, out);
    return out.toByteArray();
  }

  private interface Loop {
    void once(Random random) throws IOException, InterruptedException;
  }

  /** Until the end is called; what a kill cuts off is tried again. */
  private Thread loop(int seed, AtomicBoolean end, AtomicInteger cut, Loop work) {
    Thread t =
        new Thread(
            () -> {
              Random random = new Random(seed);
              while (!end.get()) {
                try {
                  work.once(random);
                } catch (IOException e) {
                  // the server was killed under it
                  cut.incrementAndGet();
                  pause(200);
                } catch (InterruptedException e) {
                  Thread.currentThread().interrupt();
                  return;
                }
              }
            });
    t.start();
    return t;
  }

  private static void pause(long millis) {
    try {
      TimeUnit.MILLISECONDS.sleep(millis);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private void run(int seconds, PrintStream out) throws Exception {
    String big = project("Storm");
    String delivery = delivered(upload(big, "office.xml", model(SPACES)));
    String small = project("Files that come in");
    byte[] file = model(20);
    List<String> spaces = new ArrayList<>();
    get("model", "/api/deliveries/" + delivery + "/model")
        .get("spaces")
        .forEach(s -> spaces.add(s.get("key").asString()));
    took.clear();
    statuses.clear();

    AtomicBoolean end = new AtomicBoolean();
    AtomicInteger cut = new AtomicInteger();
    List<Thread> threads = new ArrayList<>();
    List<String> reads =
        List.of(
            "/api/projects",
            "/api/projects/" + big,
            "/api/deliveries/" + delivery + "/model",
            "/api/deliveries/" + delivery + "/thermal",
            "/api/deliveries/" + delivery + "/limits",
            "/api/deliveries/" + delivery + "/handovers");
    for (int i = 0; i < READERS; i++) {
      threads.add(
          loop(
              i,
              end,
              cut,
              random -> {
                String path = reads.get(random.nextInt(reads.size()));
                send("read", request(path).header("Accept-Encoding", "gzip").GET().build());
                pause(300 + random.nextInt(1000));
              }));
    }
    for (int i = 0; i < EDITORS; i++) {
      int editor = i;
      AtomicInteger number = new AtomicInteger();
      threads.add(
          loop(100 + i, end, cut, random -> edit(delivery, editor, number, spaces, random)));
    }
    threads.add(
        loop(
            200,
            end,
            cut,
            random -> {
              upload(small, "part.xml", file);
              pause(1500);
            }));
    List<Socket> slow = new ArrayList<>();
    long heap = 0;
    int kills = 0;
    for (int s = 0; s < seconds; s++) {
      if (s == WARM) {
        // what the compiler of the virtual machine still does is no part of the storm
        took.clear();
        statuses.clear();
      }
      if (s == WARM + 2) {
        slow.addAll(slowSenders(small));
      }
      pause(1000);
      heap = Math.max(heap, resident());
      // calm for two thirds of the time, then kills one after the other
      killing = s >= 2 * seconds / 3;
      if (killing && kills < KILLS && (s - 2 * seconds / 3) % Math.max(1, seconds / 12) == 0) {
        kill();
        kills++;
        launcher("start", "--port", String.valueOf(port));
      }
    }
    end.set(true);
    for (Thread t : threads) {
      t.join();
    }
    for (Socket s : slow) {
      s.close();
    }
    report(out, seconds, delivery, small, cut.get(), kills, heap);
  }

  private void edit(
      String delivery, int editor, AtomicInteger number, List<String> spaces, Random random)
      throws IOException, InterruptedException {
    long version =
        get("version", "/api/deliveries/" + delivery + "/version").get("version").asLong();
    String name = "E" + editor + "-" + number.incrementAndGet();
    Map<String, Object> body = new LinkedHashMap<>();
    body.put("basedOn", version);
    body.put(
        "repair",
        Map.of(
            "kind",
            "NameSpaces",
            "rule",
            name,
            "spaces",
            List.of(spaces.get(random.nextInt(spaces.size())))));
    HttpResponse<byte[]> a =
        post(
            "edit",
            "/api/deliveries/" + delivery + "/repairs?changes=true",
            "application/json",
            json.writeValueAsBytes(body));
    if (a.statusCode() == 200) {
      acknowledged.add(name);
      pause(1000 + random.nextInt(2000));
    }
  }

  /** Sends the head of a file, and then nothing. */
  private List<Socket> slowSenders(String project) throws IOException {
    List<Socket> out = new ArrayList<>();
    for (int i = 0; i < SLOW; i++) {
      Socket s = new Socket("127.0.0.1", port);
      String head =
          "POST /api/projects/"
              + project
              + "/deliveries?name=slow.xml HTTP/1.1\r\nHost: 127.0.0.1\r\nX-Yentra-Person: Slow\r\n"
              + "Content-Type: application/octet-stream\r\nContent-Length: 1000000\r\n\r\n<";
      s.getOutputStream().write(head.getBytes(StandardCharsets.US_ASCII));
      s.getOutputStream().flush();
      out.add(s);
    }
    return out;
  }

  private String pid() throws IOException {
    return Files.readString(var.resolve("app.pid")).strip();
  }

  private void kill() throws IOException, InterruptedException {
    new ProcessBuilder("kill", "-9", pid()).start().waitFor();
  }

  /** Memory of the server, MB. */
  private long resident() throws IOException {
    Path status = Path.of("/proc", pid(), "status");
    if (!Files.exists(status)) {
      return 0;
    }
    return Files.readAllLines(status).stream()
        .filter(l -> l.startsWith("VmRSS"))
        .map(l -> Long.parseLong(l.replaceAll("\\D", "")) / 1024)
        .findFirst()
        .orElse(0L);
  }

  private void report(
      PrintStream out,
      int seconds,
      String delivery,
      String small,
      int cut,
      int kills,
      long megabytes)
      throws IOException, InterruptedException {
    JsonNode model = get("check", "/api/deliveries/" + delivery + "/model");
    Set<String> kept = new HashSet<>();
    model.get("log").forEach(e -> kept.add(e.get("summary").asString()));
    List<String> lost =
        acknowledged.stream()
            .filter(n -> kept.stream().noneMatch(s -> s.contains(n)))
            .sorted()
            .toList();
    Set<Integer> numbers = new HashSet<>();
    JsonNode deliveries = get("check", "/api/projects/" + small).get("deliveries");
    deliveries.forEach(d -> numbers.add(d.get("revision").asInt()));
    out.println("| asked for | answers | p50, s | p95, s | longest, s |");
    out.println("|---|---|---|---|---|");
    new TreeMap<>(took)
        .forEach(
            (kind, list) -> {
              List<Double> sorted = list.stream().sorted().toList();
              if (!kind.startsWith("check")) {
                out.printf(
                    Locale.ROOT,
                    "| %s | %d | %.2f | %.2f | %.2f |%n",
                    kind,
                    sorted.size(),
                    sorted.get(sorted.size() / 2),
                    sorted.get((int) (sorted.size() * 0.95)),
                    sorted.get(sorted.size() - 1));
              }
            });
    out.println();
    StringBuilder said = new StringBuilder();
    new TreeMap<>(statuses)
        .forEach(
            (k, n) -> said.append(said.isEmpty() ? "" : ", ").append(k).append(": ").append(n));
    out.println("Answers by status: " + said + ".");
    out.println();
    out.printf(
        Locale.ROOT,
        "%d s, the first ten to warm up; %d kills with requests cut off %d times; %d edits acknowledged, %d of them lost; %d"
            + " files taken in, numbered 1 to %d without a gap: %s; the server held at most %d MB.%n",
        seconds,
        kills,
        cut,
        acknowledged.size(),
        lost.size(),
        deliveries.size(),
        deliveries.size(),
        numbers.size() == deliveries.size() ? "yes" : "no",
        megabytes);
    boolean broken = statuses.keySet().stream().anyMatch(k -> k.endsWith(" 500"));
    if (!lost.isEmpty() || broken || numbers.size() != deliveries.size()) {
      throw new IOException("the storm broke something: see the report");
    }
  }
}
