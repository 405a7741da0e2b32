package yentra.server.plans;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.stereotype.Component;
import yentra.server.YentraSettings;
import yentra.server.web.Problem;

/**
 * Draws pages of PDFs in a process of their own ({@link PdfPage}): a file that is made to fill the
 * memory or to take for ever ends that process, not the server.
 */
@Component
class PdfPages {
  /** Memory of the process. */
  private static final String HEAP = "-Xmx512m";

  /** Starts what lies in an archive with its libraries inside, which the server may be. */
  private static final String LAUNCHER =
      "org.springframework.boot.loader.launch.PropertiesLauncher";

  /** How long it may take, s. */
  private static final int LONGEST = 40;

  /** How many are drawn at once. */
  private final Semaphore room = new Semaphore(2);

  private final Path folder;
  private final String heap;

  @Autowired
  PdfPages(YentraSettings settings) {
    this(settings.uploads(), HEAP);
  }

  /**
   * @param folder for files while they are drawn
   * @param heap memory of the process, as the option that says it
   */
  PdfPages(Path folder, String heap) {
    this.folder = folder;
    this.heap = heap;
  }

  /**
   * A page as PNG.
   *
   * @param page from 1
   * @throws Problem when the file cannot be read or drawn, with what to do
   */
  byte[] page(byte[] pdf, int page) {
    try {
      if (!room.tryAcquire(LONGEST, TimeUnit.SECONDS)) {
        throw Problem.notApplicable("Other PDFs are being drawn just now. Try again in a moment.");
      }
      try {
        return drawn(pdf, page);
      } finally {
        room.release();
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw Problem.notApplicable("Drawing the page was broken off. Try again.");
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private byte[] drawn(byte[] pdf, int page) throws IOException, InterruptedException {
    Files.createDirectories(folder);
    Path in = Files.createTempFile(folder, "underlay", ".pdf");
    Path out = Files.createTempFile(folder, "underlay", ".png");
    try {
      Files.write(in, pdf);
      Process p =
          new ProcessBuilder(command(in, page, out))
              .redirectErrorStream(true)
              .redirectOutput(ProcessBuilder.Redirect.DISCARD)
              .start();
      boolean ended;
      try {
        ended = p.waitFor(LONGEST, TimeUnit.SECONDS);
      } finally {
        p.destroyForcibly().waitFor();
      }
      if (!ended) {
        throw Problem.unreadable(
            "Drawing the page takes too long. Save the page as a picture (PNG).", 0, 0);
      }
      PdfPage.Outcome outcome = PdfPage.Outcome.of(p.exitValue());
      if (outcome != PdfPage.Outcome.DRAWN) {
        throw Problem.unreadable(outcome.said(page), 0, 0);
      }
      return Files.readAllBytes(out);
    } finally {
      Files.deleteIfExists(in);
      Files.deleteIfExists(out);
    }
  }

  private List<String> command(Path in, int page, Path out) {
    List<String> c = new ArrayList<>();
    c.add(Path.of(System.getProperty("java.home"), "bin", "java").toString());
    c.addAll(
        List.of(heap, "-XX:+UseSerialGC", "-XX:TieredStopAtLevel=1", "-Djava.awt.headless=true"));
    c.addAll(List.of("-cp", System.getProperty("java.class.path")));
    if (ClassLoader.getSystemResource(LAUNCHER.replace('.', '/') + ".class") == null) {
      c.add(PdfPage.class.getName());
    } else {
      c.add("-Dloader.main=" + PdfPage.class.getName());
      c.add(LAUNCHER);
    }
    c.addAll(List.of(in.toString(), String.valueOf(page), out.toString()));
    return c;
  }
}
