package yentra.server.handover;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.text.Normalizer;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import yentra.core.exchange.HandoverFormat;
import yentra.server.YentraSettings;
import yentra.server.web.Problem;

/**
 * A folder that the newest handover of each project is put into, where the server has one: {@code
 * project/file.format.ending} and the record beside them, each replaced in one step.
 */
@Component
class HandoverFolder {
  private static final Logger LOG = LoggerFactory.getLogger(HandoverFolder.class);

  private final Path folder;

  HandoverFolder(YentraSettings settings) {
    Path set = settings.handovers();
    this.folder = set == null || set.toString().isBlank() ? null : set;
  }

  /**
   * Puts the files of a handover into the folder, if there is one.
   *
   * @throws Problem when they cannot be written; the handover itself is kept
   */
  void put(String project, String base, List<HandoverStore.FileRow> files, byte[] record) {
    if (folder == null) {
      return;
    }
    Path to = folder.resolve(plain(project));
    try {
      Files.createDirectories(to);
      for (HandoverStore.FileRow f : files) {
        String ending = HandoverFormat.named(f.format()).map(HandoverFormat::ending).orElse("");
        String other = f.fileName().substring(f.fileName().lastIndexOf('.'));
        replace(
            to.resolve(plain(base) + "." + f.format() + (ending.isEmpty() ? other : ending)),
            f.bytes());
      }
      replace(to.resolve(plain(base) + ".record.json"), record);
    } catch (IOException e) {
      LOG.warn("A handover could not be put into {}", to, e);
      throw Problem.notApplicable(
          "The handover is made and kept, but it could not be put into the folder "
              + to
              + ": "
              + e.getMessage());
    }
  }

  private static void replace(Path file, byte[] bytes) throws IOException {
    Path part = Files.createTempFile(file.getParent(), ".part", null);
    try {
      Files.write(part, bytes);
      Files.move(part, file, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
    } finally {
      Files.deleteIfExists(part);
    }
  }

  /** A name that no file system takes for a path. */
  private static String plain(String name) {
    String ascii =
        Normalizer.normalize(name, Normalizer.Form.NFD)
            .replaceAll("\\p{M}+", "")
            .replaceAll("[^A-Za-z0-9_-]+", "-")
            .replaceAll("^-+|-+$", "");
    return ascii.isEmpty() ? "handover" : ascii.substring(0, Math.min(80, ascii.length()));
  }
}
