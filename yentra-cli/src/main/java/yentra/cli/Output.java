package yentra.cli;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Locale;
import java.util.stream.Collectors;
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
   * Refuses to write over the file that was delivered.
   *
   * @throws IOException when the two are one
   */
  static void isNot(Path out, Path in) throws IOException {
    if (in.toAbsolutePath().normalize().equals(out.toAbsolutePath().normalize())) {
      throw new IOException("OUT is the file that was delivered: give it another name.");
    }
  }

  /**
   * Writes a handover and says what is in it and what reading it back gave.
   *
   * @return the exit code: 0 when it was read back equal, or is of a format that is not read, and
   *     its standard takes it; else 1
   */
  static int handover(Path out, Handover handover) throws IOException {
    write(
        out,
        stream -> {
          stream.write(handover.bytes());
          return null;
        });
    handover.notes().forEach(n -> System.out.println("note: " + n));
    handover.faults().forEach(f -> System.out.println("against the standard: " + f));
    handover.differences().forEach(d -> System.out.println("differs: " + d));
    int n = handover.differences().size();
    String holds =
        handover.counts().entrySet().stream()
            .map(e -> e.getValue() + " " + e.getKey().toLowerCase(Locale.ROOT))
            .collect(Collectors.joining(", "));
    String back =
        !handover.format().isReadBack()
            ? ""
            : n == 0 ? "; read back equal" : "; read back with " + n + " differences";
    System.out.println(
        out
            + ": "
            + handover.format().label()
            + ", "
            + handover.bytes().length
            + " bytes: "
            + holds
            + back);
    // what its standard refuses comes from the delivery, and whoever asked for it allowed it
    return handover.differences().isEmpty() ? 0 : 1;
  }
}
