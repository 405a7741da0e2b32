package yentra.bench;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.UnreadableException;
import yentra.core.geometry.FaceMesh;
import yentra.core.geometry.Tolerance;
import yentra.core.ifc.IfcModel;
import yentra.core.ifc.IfcTrimmer;
import yentra.core.scope.ScopeResult;
import yentra.core.scope.ScopeRun;
import yentra.core.scope.ScopeSheet;
import yentra.core.scope.ShippedSheets;

/**
 * Reading IFC files with all bodies, holes cut out, as triangles, against the general-purpose npm
 * package web-ifc that opens the same file and streams its meshes; and scope on 100,000 elements.
 * Both sides are warmed up; figures are medians of five.
 */
final class IfcBench {
  private static final Tolerance T = Tolerance.standard();
  private static final int ROUNDS = 5;
  private final Path ui;

  IfcBench(Path ui) {
    this.ui = ui;
  }

  void reading(List<Path> files) throws Exception {
    System.out.println(
        "\n## Reading IFC\n\nIndex, elements, all bodies with their holes cut out, triangles; web-ifc: open the file and stream all meshes (without spaces). Both warmed up, medians of five, in ms. Heap is what stays after reading, first of the model before any body, then with all of them; the bytes of the file are part of it.\n");
    System.out.println(
        "| file | MB | elements | ours | of it index | triangles | web-ifc | triangles | ours ÷ web-ifc | heap, bytes a byte of file | with bodies |\n|---|---|---|---|---|---|---|---|---|---|---|");
    for (Path f : files) {
      row(f);
    }
    for (long mb : new long[] {10, 100, 300}) {
      Path f = Files.createTempFile("yentra-block-" + mb + "-", ".ifc");
      try {
        try (OutputStream out = Files.newOutputStream(f)) {
          IfcBlock.write(out, mb * 1_000_000, 0);
        }
        row(f);
      } finally {
        Files.deleteIfExists(f);
      }
    }
  }

  private void row(Path file) throws Exception {
    byte[] bytes = Files.readAllBytes(file);
    for (int i = 0, warm = bytes.length < 50_000_000 ? 30 : 1; i < warm; i++) {
      mesh(IfcModel.of(bytes, ReadLimits.standard(), T));
    }
    double[] all = new double[ROUNDS];
    double[] index = new double[ROUNDS];
    long triangles = 0;
    int elements = 0;
    for (int i = 0; i < ROUNDS; i++) {
      long t0 = System.nanoTime();
      IfcModel m = IfcModel.of(bytes, ReadLimits.standard(), T);
      long t1 = System.nanoTime();
      triangles = mesh(m);
      long t2 = System.nanoTime();
      index[i] = (t1 - t0) / 1e6;
      all[i] = (t2 - t0) / 1e6;
      elements = m.elements().size();
    }
    long before = heap();
    IfcModel m = IfcModel.of(bytes, ReadLimits.standard(), T);
    long read = heap() - before + bytes.length;
    mesh(m);
    long bodies = heap() - before + bytes.length;
    if (m.elements().isEmpty()) {
      throw new IllegalStateException("nothing was read");
    }
    JsonNode other = webIfc(file);
    double theirs = median(times(other));
    System.out.printf(
        Locale.ROOT,
        "| %s | %.1f | %,d | %.0f | %.0f | %,d | %.0f | %,d | %.2f | %.1f | %.1f |%n",
        file.getFileName().toString().replaceFirst("yentra-(block-\\d+)-.*", "$1"),
        bytes.length / 1e6,
        elements,
        median(all),
        median(index),
        triangles,
        theirs,
        other.get("triangles").asLong(),
        median(all) / theirs,
        read / (double) bytes.length,
        bodies / (double) bytes.length);
  }

  private static long mesh(IfcModel m) {
    return m.elements().parallelStream()
        .filter(e -> !m.isKind(e.entity(), "IfcFeatureElementSubtraction"))
        .mapToLong(e -> FaceMesh.of(m.netBody(e).faces(), 20).triangles().length / 3)
        .sum();
  }

  private static long heap() throws InterruptedException {
    for (int i = 0; i < 3; i++) {
      System.gc();
      Thread.sleep(50);
    }
    Runtime r = Runtime.getRuntime();
    return r.totalMemory() - r.freeMemory();
  }

  private JsonNode webIfc(Path file) throws IOException, InterruptedException {
    return JsonMapper.builder()
        .build()
        .readTree(
            node(
                "tools/open-ifc.mjs",
                String.valueOf(ROUNDS + 1),
                file.toAbsolutePath().toString()));
  }

  private String node(String... command) throws IOException, InterruptedException {
    List<String> all = new ArrayList<>(List.of("node", "--max-old-space-size=4096"));
    all.addAll(Arrays.asList(command));
    Process p =
        new ProcessBuilder(all)
            .directory(ui.toFile())
            .redirectError(ProcessBuilder.Redirect.DISCARD)
            .start();
    String said =
        new String(p.getInputStream().readAllBytes(), java.nio.charset.StandardCharsets.UTF_8);
    if (p.waitFor() != 0 || said.isBlank()) {
      throw new IOException(String.join(" ", command) + " failed");
    }
    return said;
  }

  /** All rounds but the first, which warms up. */
  private static double[] times(JsonNode answer) {
    double[] out = new double[answer.get("times").size() - 1];
    for (int i = 0; i < out.length; i++) {
      out[i] = answer.get("times").get(i + 1).asDouble();
    }
    return out;
  }

  private static double median(double[] list) {
    double[] sorted = list.clone();
    Arrays.sort(sorted);
    return sorted[sorted.length / 2];
  }

  private interface Step {
    Object run() throws IOException, UnreadableException;
  }

  private static double timed(Step step) throws Exception {
    double[] all = new double[ROUNDS];
    step.run();
    for (int i = 0; i < ROUNDS; i++) {
      long t = System.nanoTime();
      step.run();
      all[i] = (System.nanoTime() - t) / 1e6;
    }
    return median(all);
  }

  /**
   * Applying a sheet to 100,000 elements, writing what is in, and the tables and the stage of the
   * interface, the latter in Chromium drawing in software.
   */
  void scope() throws Exception {
    Path f = Files.createTempFile("yentra-block-100000-", ".ifc");
    try {
      IfcBlock.Written w;
      try (OutputStream out = Files.newOutputStream(f)) {
        w = IfcBlock.write(out, Long.MAX_VALUE, 100_000);
      }
      byte[] bytes = Files.readAllBytes(f);
      IfcModel m = IfcModel.of(bytes, ReadLimits.standard(), T);
      ScopeSheet sheet = ShippedSheets.thermal();
      double apply = timed(() -> ScopeRun.of(sheet, m, Map.of()));
      ScopeResult r = ScopeRun.of(sheet, m, Map.of());
      java.util.Set<String> in = new java.util.HashSet<>();
      r.decisions().stream()
          .filter(ScopeResult.Decision::in)
          .forEach(d -> in.add(d.element().key()));
      double write =
          timed(
              () ->
                  IfcTrimmer.write(
                      m,
                      e -> in.contains(e.key()),
                      (set, p) -> ScopeRun.keeps(sheet, set, p),
                      Map.of(),
                      OutputStream.nullOutputStream()));
      System.out.printf(
          Locale.ROOT,
          "%n## Scope of %,d elements (%.0f MB, %,d instances)%n%n| step | ms |%n|---|---|%n| apply the sheet with thermal data: %,d in, %,d requirements not met | %.0f |%n| write the trimmed file | %.0f |%n",
          m.elements().size(),
          bytes.length / 1e6,
          w.instances(),
          in.size(),
          r.faults().size(),
          apply,
          write);
      for (String tool : List.of("time-tables", "time-stage")) {
        JsonNode answer =
            JsonMapper.builder()
                .build()
                .readTree(node("tools/" + tool + ".mjs", String.valueOf(m.elements().size())));
        for (Map.Entry<String, JsonNode> e : answer.properties()) {
          System.out.printf(
              Locale.ROOT, "| interface: %s | %.0f |%n", e.getKey(), e.getValue().asDouble());
        }
      }
    } finally {
      Files.deleteIfExists(f);
    }
  }
}
