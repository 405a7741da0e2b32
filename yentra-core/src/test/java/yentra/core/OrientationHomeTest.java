package yentra.core;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/**
 * What is a wall, a roof or a floor by its tilt is decided in one place, with the project's rules.
 */
class OrientationHomeTest {
  private static final Path HOME = Path.of("envelope", "SurfaceTypes.java");

  /** Sixties that are minutes, pixels, characters and the like: nothing to do with tilts. */
  private static final Set<String> OTHER_SIXTIES =
      Set.of(
          "IfcModelWriter.java",
          "BcfWriter.java",
          "EnvelopeDifference.java",
          "EpwReader.java",
          "EpwWriter.java",
          "ScheduleProfile.java",
          "GroundFloor.java",
          "Cursor.java",
          "IfcSite.java",
          "IfcBodies.java",
          "GlazeWalls.java",
          "PlaceByDefault.java",
          "HotWater.java",
          "HourlyYear.java",
          "SettingsReader.java",
          "Quantity.java");

  /** A tilt held against a number; upright and level within some degree are other questions. */
  private static final Pattern COMPARED =
      Pattern.compile("(?i)tilt(\\(\\))?\\s*(<=?|>=?|===?)\\s*(?!0\\b|90\\b)(\\d+)");

  private static final Pattern SIXTY = Pattern.compile("(?<![\\w.\"'{])(60|120)(\\.0)?(?![\\w.])");

  private static List<String> offending(Path root, String ending, boolean sixties)
      throws IOException {
    List<String> out = new ArrayList<>();
    List<Path> files;
    try (Stream<Path> all = Files.walk(root)) {
      files = all.filter(p -> p.toString().endsWith(ending)).sorted().toList();
    }
    assertThat(files).isNotEmpty();
    for (Path p : files) {
      String name = String.valueOf(p.getFileName());
      if (root.relativize(p).equals(HOME)) {
        continue;
      }
      for (String line : Files.readAllLines(p)) {
        boolean comment = line.strip().startsWith("*") || line.strip().startsWith("/");
        boolean sixty = sixties && !OTHER_SIXTIES.contains(name) && SIXTY.matcher(line).find();
        if (!comment && (sixty || COMPARED.matcher(line).find())) {
          out.add(name + ": " + line.strip());
        }
      }
    }
    return out;
  }

  @Test
  void noTiltIsHeldAgainstANumberElsewhereInTheCore() throws Exception {
    assertThat(offending(Path.of("src/main/java/yentra/core"), ".java", true)).isEmpty();
  }

  @Test
  void noTiltIsHeldAgainstANumberInServerOrPage() throws Exception {
    assertThat(offending(Path.of("../yentra-server/src/main/java"), ".java", false)).isEmpty();
    assertThat(offending(Path.of("../ui/src"), ".ts", false)).isEmpty();
    assertThat(offending(Path.of("../ui/src"), ".tsx", false)).isEmpty();
  }
}
