package yentra.e2e;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/**
 * The application as unpacked, once for all tests of a build. The first server that is started
 * leaves an archive of its classes when it ends, as the launcher has it do: the later ones start in
 * half the time, those of other processes too.
 */
final class Unpacked {
  private final Path folder;

  Unpacked(Path root) throws IOException, InterruptedException {
    Path jar = root.resolve("yentra-server/target/yentra-server-boot.jar");
    Path target = Files.createDirectories(root.resolve("yentra-e2e/target"));
    folder = target.resolve("application-" + hash(jar));
    try (FileChannel turn =
            FileChannel.open(
                target.resolve("application.lock"),
                StandardOpenOption.CREATE,
                StandardOpenOption.WRITE);
        FileLock held = turn.lock()) {
      if (held.isValid() && !Files.exists(server())) {
        unpack(jar);
      }
    }
  }

  /** Its content: builds that can be repeated give every file the same time. */
  private static String hash(Path jar) throws IOException {
    try {
      byte[] sum = MessageDigest.getInstance("SHA-256").digest(Files.readAllBytes(jar));
      return HexFormat.of().formatHex(sum, 0, 8);
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }

  private void unpack(Path jar) throws IOException, InterruptedException {
    Path said = Files.createTempFile("yentra-unpacking", ".log");
    Process p =
        new ProcessBuilder(
                RunningYentra.JAVA,
                "-Djarmode=tools",
                "-jar",
                jar.toString(),
                "extract",
                "--force",
                "--destination",
                folder.toString())
            .redirectErrorStream(true)
            .redirectOutput(said.toFile())
            .start();
    if (p.waitFor() != 0) {
      throw new IOException("not unpacked: " + Files.readString(said));
    }
  }

  Path server() {
    return folder.resolve("yentra-server-boot.jar");
  }

  private Path archive() {
    return folder.resolve("server.jsa");
  }

  /** There while a server runs that is to leave the archive. */
  private Path mark() {
    return folder.resolve("archive-is-made");
  }

  private Path unfinished() {
    return folder.resolve("server.jsa.new");
  }

  /** What a server is started with: the archive, or the task to leave one. */
  String classes() throws IOException {
    if (Files.exists(archive())) {
      return "-XX:SharedArchiveFile=" + archive();
    }
    try {
      Files.createFile(mark());
      return "-XX:ArchiveClassesAtExit=" + unfinished();
    } catch (FileAlreadyExistsException e) {
      return "-Xshare:auto";
    }
  }

  /** Whether what a server was started with has it leave an archive. */
  boolean isUnfinished(String classes) {
    return classes.endsWith(unfinished().toString());
  }

  /** After a server that was to leave an archive has not ended in peace. */
  void gaveUp() throws IOException {
    Files.deleteIfExists(mark());
  }

  /** After a server has ended in peace. */
  void ended() throws IOException {
    if (Files.exists(unfinished())) {
      Files.move(unfinished(), archive(), StandardCopyOption.ATOMIC_MOVE);
    }
  }
}
