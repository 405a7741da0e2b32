package yentra.core;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** What grows beyond this has a class in it that has no name yet. */
class SizesTest {
  private static final Path SOURCES = Path.of("src/main/java");
  private static final int LINES_OF_A_FILE = 400;
  private static final int LINES_OF_A_METHOD = 60;

  private static final Pattern MEMBER = Pattern.compile("\\s*[A-Za-z<].*");
  private static final Pattern TYPE =
      Pattern.compile(
          "\\s*(public |private |static |final |sealed |protected )*"
              + "(class|record|interface|enum)\\b.*");

  @Test
  void noFileIsLongerThanFourHundredLines() throws IOException {
    List<String> over = new ArrayList<>();
    for (Path p : sources()) {
      int lines = Files.readAllLines(p).size();
      if (lines > LINES_OF_A_FILE) {
        over.add(p.getFileName() + " has " + lines);
      }
    }
    assertThat(over).isEmpty();
  }

  /** The sources are formatted: members of a class are set in by two, those of a nested by four. */
  @Test
  void noMethodIsLongerThanSixtyLines() throws IOException {
    List<String> over = new ArrayList<>();
    for (Path p : sources()) {
      List<String> lines = Files.readAllLines(p);
      for (int indent = 2; indent <= 4; indent += 2) {
        int start = -1;
        for (int n = 0; n < lines.size(); n++) {
          String l = lines.get(n);
          if (l.length() - l.stripLeading().length() == indent && MEMBER.matcher(l).matches()) {
            start = n;
          }
          if (l.equals(" ".repeat(indent) + "}")
              && start >= 0
              && n - start + 1 > LINES_OF_A_METHOD
              && !TYPE.matcher(lines.get(start)).matches()) {
            over.add(p.getFileName() + " line " + (start + 1) + " has " + (n - start + 1));
          }
        }
      }
    }
    assertThat(over).isEmpty();
  }

  private static List<Path> sources() throws IOException {
    try (Stream<Path> s = Files.walk(SOURCES)) {
      List<Path> all = s.filter(p -> p.toString().endsWith(".java")).sorted().toList();
      assertThat(all).hasSizeGreaterThan(400);
      return all;
    }
  }
}
