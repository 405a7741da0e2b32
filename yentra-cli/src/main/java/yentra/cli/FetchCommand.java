package yentra.cli;

import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.FileTime;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Duration;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.HexFormat;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Fetches the newest handover of a project from a server, unless it is there already. */
@Command(
    name = "fetch",
    description = "Fetches the newest handover of a project from a server.",
    mixinStandardHelpOptions = true)
final class FetchCommand implements Callable<Integer> {
  private static final Duration PATIENCE = Duration.ofMinutes(5);

  @Parameters(
      paramLabel = "ADDRESS",
      description = "of the server, such as http://127.0.0.1:8080/api/handovers/newest")
  private URI address;

  @Option(
      names = "--token",
      description = "a token of the project; without it, that of the environment YENTRA_TOKEN")
  private String token;

  @Option(
      names = "--format",
      description = "one file, such as gbxml-6.01 or ifc4; without it all of them as one archive")
  private String format;

  @Option(names = "-o", required = true, paramLabel = "OUT", description = "the file to write")
  private Path out;

  @Override
  public Integer call() throws IOException, InterruptedException {
    String said = token != null ? token : System.getenv("YENTRA_TOKEN");
    if (said == null || said.isBlank()) {
      throw new IOException("Say the project's token with --token, or in YENTRA_TOKEN.");
    }
    HttpRequest.Builder ask =
        HttpRequest.newBuilder(address())
            .timeout(PATIENCE)
            .header("Authorization", "Bearer " + said);
    if (Files.exists(out)) {
      // a file is known by its hash, so nothing needs to be kept beside it
      ask.header("If-None-Match", "\"" + hash(out) + "\"");
    }
    HttpClient client = HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(20)).build();
    HttpResponse<InputStream> answer;
    try {
      answer = client.send(ask.build(), HttpResponse.BodyHandlers.ofInputStream());
    } catch (IOException e) {
      throw new IOException(address + " does not answer: " + e.getClass().getSimpleName(), e);
    }
    try (InputStream body = answer.body()) {
      return switch (answer.statusCode()) {
        case 304 -> {
          System.out.println(out + ": is the newest already");
          yield 0;
        }
        case 200 -> {
          write(body, answer.headers().firstValue("Last-Modified"));
          System.out.println(out + ": " + Files.size(out) + " bytes, new");
          yield 0;
        }
        default ->
            throw new IOException(
                address
                    + " answers "
                    + answer.statusCode()
                    + ": "
                    + detail(new String(body.readNBytes(2000), StandardCharsets.UTF_8)));
      };
    }
  }

  private URI address() throws IOException {
    boolean http = "http".equals(address.getScheme()) || "https".equals(address.getScheme());
    if (!http || address.getHost() == null) {
      throw new IOException(address + " is no address of a server: it must begin with http.");
    }
    if (format == null) {
      return address;
    }
    String joint = address.getQuery() == null ? "?" : "&";
    return URI.create(
        address + joint + "format=" + URLEncoder.encode(format, StandardCharsets.UTF_8));
  }

  /** In one step: who reads OUT meanwhile has the old file or the new one. */
  private void write(InputStream body, Optional<String> modified) throws IOException {
    Path folder = out.toAbsolutePath().getParent();
    Path part = Files.createTempFile(folder, ".fetch", null);
    try {
      Files.copy(body, part, StandardCopyOption.REPLACE_EXISTING);
      if (modified.isPresent()) {
        ZonedDateTime at =
            ZonedDateTime.parse(modified.get(), DateTimeFormatter.RFC_1123_DATE_TIME);
        Files.setLastModifiedTime(part, FileTime.from(at.toInstant()));
      }
      Files.move(part, out, StandardCopyOption.REPLACE_EXISTING);
    } finally {
      Files.deleteIfExists(part);
    }
  }

  private static String hash(Path file) throws IOException {
    try {
      MessageDigest d = MessageDigest.getInstance("SHA-256");
      return HexFormat.of().formatHex(d.digest(Files.readAllBytes(file)));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every Java has SHA-256", e);
    }
  }

  /** The sentence of a problem, where the answer is one. */
  private static String detail(String body) {
    int at = body.indexOf("\"detail\":\"");
    int end = at < 0 ? -1 : body.indexOf('"', at + 10);
    return end < 0 ? body.strip() : body.substring(at + 10, end);
  }
}
