package yentra.cli;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import yentra.core.exchange.Handover;

/**
 * Writes a file beside its place first, so that what was there stays until the new one is whole.
 */
final class Output {
  private Output() {}

  /** What fills the file. */
  interface Content<T> {
    T writeTo(OutputStream out) throws IOException;
  }

  static <T> T write(Path out, Content<T> content) throws IOException {
    Path target = out.toAbsolutePath();
    Path part = target.resolveSibling("." + target.getFileName() + ".part");
    try {
      T result;
      try (OutputStream stream = new BufferedOutputStream(Files.newOutputStream(part), 1 << 16)) {
        result = content.writeTo(stream);
      }
      Files.move(part, target, StandardCopyOption.REPLACE_EXISTING);
      return result;
    } finally {
      Files.deleteIfExists(part);
    }
  }

  /**
   * Writes a handover and says what reading it back gave.
   *
   * @param holds what is in it, in a few words
   * @return the exit code: 0 when it was read back equal, else 1
   */
  static int handover(Path out, Handover handover, String holds) throws IOException {
    write(
        out,
        stream -> {
          stream.write(handover.bytes());
          return null;
        });
    int n = handover.differences().size();
    handover.differences().forEach(d -> System.out.println("differs: " + d));
    System.out.println(
        out + ": " + holds + "; read back " + (n == 0 ? "equal" : "with " + n + " differences"));
    return n == 0 ? 0 : 1;
  }
}
