package yentra.demo;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.stream.Stream;

/**
 * Files that are written again: the demo in all its forms, the house in Debian's assimp-testmodels,
 * and the acceptance cases where they stand beside this checkout.
 */
final class WrittenCases {
  private static final Path HOUSE = Path.of("/usr/share/assimp/models/IFC/AC14-FZK-Haus.ifc");
  private static final Path CASES = Path.of("../../shared/cases");

  /** One file. */
  record Case(String name, byte[] bytes) {
    @Override
    public String toString() {
      return name;
    }
  }

  private WrittenCases() {}

  static Stream<Case> all() throws Exception {
    Map<String, byte[]> out = new LinkedHashMap<>();
    out.put("sound demo.xml", DemoFiles.soundGbxml());
    out.put("faulty demo.xml", DemoFiles.faultyGbxml());
    out.put("demo.ifc", DemoFiles.architectsIfc());
    if (Files.exists(HOUSE)) {
      out.put("house.ifc", Files.readAllBytes(HOUSE));
    }
    if (Files.isDirectory(CASES)) {
      try (Stream<Path> all = Files.walk(CASES, 3)) {
        for (Path p : all.filter(WrittenCases::isModel).sorted().toList()) {
          out.put(p.getParent().getFileName() + "/" + p.getFileName(), Files.readAllBytes(p));
        }
      }
    }
    return out.entrySet().stream().map(e -> new Case(e.getKey(), e.getValue()));
  }

  private static boolean isModel(Path p) {
    String name = p.getFileName().toString();
    return name.startsWith("model") && name.matches(".*\\.(xml|ifc|ifczip)");
  }
}
