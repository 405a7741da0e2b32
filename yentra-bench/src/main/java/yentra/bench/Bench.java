package yentra.bench;

import com.ctc.wstx.stax.WstxInputFactory;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import yentra.core.boundary.Watch;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.run.CheckCatalogue;
import yentra.core.check.run.CheckRun;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.envelope.UnreadableException;
import yentra.core.finding.Limits;
import yentra.core.finding.Severity;
import yentra.core.gbxml.GbxmlReader;
import yentra.core.gbxml.GbxmlVersion;
import yentra.core.gbxml.GbxmlWriter;
import yentra.core.geometry.Tolerance;
import yentra.core.intake.DeliveryReader;
import yentra.core.pipeline.Delivery;
import yentra.core.pipeline.Stage;
import yentra.core.pipeline.StageOptions;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.surface.DeleteSurface;
import yentra.core.repair.surface.RetypeSurface;
import yentra.core.repair.surface.ReverseSurface;

/**
 * Whole-run times of reading, measuring, checking and writing models of growing size, as a Markdown
 * table. Each figure is the best of three rounds in one run; what counts are the ratios.
 */
public final class Bench {
  private static final Tolerance T = Tolerance.standard();
  private static final int ROUNDS = 3;

  private Bench() {}

  /**
   * Prints the tables; the first argument is the directory of the interface, the others are IFC or
   * gbXML files to time besides the generated models.
   */
  public static void main(String[] args) throws Exception {
    System.out.println(
        "# Performance\n\nMade by `./yentra bench`; best of three rounds in one run. Times in ms; ratios are what to look at.\n");
    System.out.printf(
        "Java %s, %d processors, at most %d MB of heap.%n%n",
        Runtime.version().feature(),
        Runtime.getRuntime().availableProcessors(),
        Runtime.getRuntime().maxMemory() >> 20);
    System.out.println("## Generated gbXML\n");
    System.out.println(
        "| spaces | surfaces | openings | MB | bare scan | read | read ÷ scan | measure | check | edit | write | heap MB |\n|---|---|---|---|---|---|---|---|---|---|---|---|");
    double[] totals = new double[3];
    int[] sizes = {100, 1000, 10_000};
    for (int i = 0; i < sizes.length; i++) {
      totals[i] = generated(sizes[i]);
    }
    System.out.printf(
        Locale.ROOT,
        "%nEdit: a surface turned, deleted or retyped and everything that may differ checked again, median.%n%nMeasure and check: ten times the spaces take %.1f and %.1f times the time.%n",
        totals[1] / totals[0],
        totals[2] / totals[1]);
    List<Path> files = Arrays.stream(args).skip(1).map(Path::of).toList();
    if (!files.isEmpty()) {
      System.out.println(
          "\n## Files\n\n| file | MB | read | measure | check | heap MB |\n|---|---|---|---|---|---|");
      for (Path file : files) {
        file(file);
      }
    }
    DerivationBench.run();
    PlanBench.run();
    RepairBench.run();
    EstimateBench.run();
    VariantBench.run();
    HandoverBench.run();
    IfcBench ifc = new IfcBench(Path.of(args[0]));
    ifc.reading(files.stream().filter(f -> f.toString().endsWith(".ifc")).toList());
    ifc.scope();
  }

  private interface Step {
    Object run() throws IOException, UnreadableException, XMLStreamException;
  }

  private static double best(Step step) throws Exception {
    double best = Double.POSITIVE_INFINITY;
    for (int i = 0; i < ROUNDS; i++) {
      long start = System.nanoTime();
      step.run();
      best = Math.min(best, (System.nanoTime() - start) / 1e6);
    }
    return best;
  }

  private static double generated(int rooms) throws Exception {
    Path file = Files.createTempFile("yentra-bench", ".xml");
    try {
      try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(file), 1 << 16)) {
        GbxmlWriter.write(OfficeModel.of(rooms), SurfaceTypes.STANDARD, GbxmlVersion.V6_01, out);
      }
      double scan = best(() -> scan(file));
      double read = best(() -> read(file));
      Envelope e = read(file);
      long heap = heap();
      double measure = best(() -> new CheckContext(e, Limits.STANDARD, T));
      CheckContext context = new CheckContext(e, Limits.STANDARD, T);
      long found =
          CheckCatalogue.run(context).stream()
              .filter(f -> f.severity().compareTo(Severity.ERROR) <= 0)
              .count();
      if (found > 0) {
        throw new IllegalStateException(
            "the generated model is sound, but has " + found + " blockers and errors");
      }
      double check =
          best(() -> CheckCatalogue.run(new CheckContext(e, Limits.STANDARD, T))) - measure;
      double edit = edits(e);
      double write = best(() -> write(e));
      System.out.printf(
          Locale.ROOT,
          "| %,d | %,d | %,d | %.1f | %.0f | %.0f | %.1f | %.0f | %.0f | %.0f | %.0f | %d |%n",
          e.spaces().size(),
          e.surfaces().size(),
          e.openingCount(),
          Files.size(file) / 1e6,
          scan,
          read,
          read / scan,
          measure,
          Math.max(0, check),
          edit,
          write,
          heap);
      return measure + Math.max(0, check);
    } finally {
      Files.deleteIfExists(file);
    }
  }

  /** The median of single edits, each made and checked again. */
  private static double edits(Envelope e) throws NotApplicableException {
    CheckRun run = CheckRun.of(new CheckContext(e, Limits.STANDARD, T));
    List<Double> times = new ArrayList<>();
    for (int i = 0; i < 24; i++) {
      List<Surface> now = run.context().envelope().surfaces();
      String key = now.get((i * 7919 + 13) % now.size()).key();
      Repair repair =
          switch (i % 3) {
            case 0 -> new ReverseSurface(key);
            case 1 -> new DeleteSurface(key);
            default -> new RetypeSurface(key, SurfaceType.UNDERGROUND_WALL);
          };
      long start = System.nanoTime();
      run = run.after(repair.apply(run.context().envelope(), Rules.standard()));
      times.add((System.nanoTime() - start) / 1e6);
    }
    // the first few are slower, since the code is not compiled yet
    return times.stream().skip(6).sorted().skip(9).findFirst().orElseThrow();
  }

  private static void file(Path path) throws Exception {
    byte[] bytes = Files.readAllBytes(path);
    DeliveryReader.Source source = DeliveryReader.Source.of(bytes);
    double read = best(() -> staged(source));
    Envelope e = staged(source).envelope();
    long heap = heap();
    double measure = best(() -> new CheckContext(e, Limits.STANDARD, T));
    double check =
        best(() -> CheckCatalogue.run(new CheckContext(e, Limits.STANDARD, T))) - measure;
    System.out.printf(
        Locale.ROOT,
        "| %s | %.1f | %.0f | %.0f | %.0f | %d |%n",
        path.getFileName(),
        bytes.length / 1e6,
        read,
        measure,
        Math.max(0, check),
        heap);
  }

  private static Stage staged(DeliveryReader.Source source)
      throws IOException, UnreadableException {
    return Delivery.read(source, ReadLimits.standard(), T, DeliveryReader.Progress.NONE)
        .stage(StageOptions.STANDARD, Watch.NONE);
  }

  private static long heap() {
    System.gc();
    Runtime r = Runtime.getRuntime();
    return (r.totalMemory() - r.freeMemory()) >> 20;
  }

  private static Object scan(Path file) throws IOException, XMLStreamException {
    int n = 0;
    try (InputStream in = Files.newInputStream(file)) {
      XMLStreamReader r = new WstxInputFactory().createXMLStreamReader(in);
      while (r.hasNext()) {
        n += r.next() == XMLStreamReader.CHARACTERS ? r.getTextLength() : 1;
      }
    }
    return n;
  }

  private static Envelope read(Path file) throws IOException, UnreadableException {
    try (InputStream in = Files.newInputStream(file)) {
      return GbxmlReader.read(in, ReadLimits.standard());
    }
  }

  private static Object write(Envelope e) throws IOException {
    GbxmlWriter.write(
        e, SurfaceTypes.STANDARD, GbxmlVersion.V6_01, OutputStream.nullOutputStream());
    return e;
  }
}
