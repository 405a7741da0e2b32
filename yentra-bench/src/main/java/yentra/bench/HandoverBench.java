package yentra.bench;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.exchange.Handover;
import yentra.core.exchange.HandoverFormat;
import yentra.core.exchange.HandoverMaker;
import yentra.core.exchange.shape.DxfWriter;
import yentra.core.exchange.shape.GltfWriter;
import yentra.core.finding.Limits;
import yentra.core.gbxml.GbxmlReader;
import yentra.core.gbxml.GbxmlVersion;
import yentra.core.gbxml.GbxmlWriter;
import yentra.core.geometry.Tolerance;
import yentra.core.ifc.write.DeliveredFileWriter;
import yentra.core.ifc.write.IfcDialect;
import yentra.core.ifc.write.IfcModelWriter;
import yentra.core.model.EnvelopeModel;

/**
 * Writing of files that are handed over, against reading the same building as gbXML in the same
 * run, and how much memory a writing holds at its peak; then whole handovers with their proof.
 */
final class HandoverBench {
  private static final Tolerance T = Tolerance.standard();
  private static final int ROUNDS = 3;

  private HandoverBench() {}

  private interface Writer {
    void write(OutputStream out) throws Exception;
  }

  private record Task(String name, Writer writer) {}

  static void run() throws Exception {
    System.out.println("\n## Handing over\n");
    System.out.println(
        "Writing to nowhere, divided by reading the same building as gbXML; MB: the file, and what the writing holds at its peak beside the building.\n");
    System.out.println(
        "| spaces | read ms | gbXML 6.01 | IFC4 | IFC2X3 | glTF | DXF |\n|---|---|---|---|---|---|---|");
    for (int rooms : new int[] {100, 1000, 10_000}) {
      writing(rooms);
    }
    System.out.println(
        "\nWhole handovers (written, read back, compared, held against the standard), seconds:\n");
    System.out.println(
        "| spaces | gbXML 6.01 | IFC4 | glTF | DXF | XLSX |\n|---|---|---|---|---|---|");
    for (int rooms : new int[] {1000, 10_000}) {
      whole(rooms);
    }
  }

  private static Envelope building(int rooms) throws Exception {
    ByteArrayOutputStream out = new ByteArrayOutputStream(1 << 16);
    GbxmlWriter.write(OfficeModel.of(rooms), SurfaceTypes.STANDARD, GbxmlVersion.V6_01, out);
    return GbxmlReader.read(new ByteArrayInputStream(out.toByteArray()), ReadLimits.standard());
  }

  private static void writing(int rooms) throws Exception {
    Envelope e = building(rooms);
    CheckContext c = new CheckContext(e, Limits.STANDARD, T);
    ByteArrayOutputStream file = new ByteArrayOutputStream(1 << 16);
    GbxmlWriter.write(e, c.types(), GbxmlVersion.V6_01, file);
    byte[] bytes = file.toByteArray();
    double read =
        best(() -> GbxmlReader.read(new ByteArrayInputStream(bytes), ReadLimits.standard()));
    List<Task> tasks =
        List.of(
            new Task("gbXML", o -> GbxmlWriter.write(e, c.types(), GbxmlVersion.V6_01, o)),
            new Task("IFC4", o -> IfcModelWriter.write(e, c.types(), IfcDialect.IFC4, Set.of(), o)),
            new Task(
                "IFC2X3", o -> IfcModelWriter.write(e, c.types(), IfcDialect.IFC2X3, Set.of(), o)),
            new Task("glTF", o -> GltfWriter.write(c, o)),
            new Task("DXF", o -> DxfWriter.write(c, o)));
    StringBuilder row = new StringBuilder();
    row.append(String.format(Locale.ROOT, "| %,d | %.0f ", e.spaces().size(), read));
    for (Task t : tasks) {
      Counted counted = new Counted();
      t.writer.write(counted);
      double time =
          best(
              () -> {
                t.writer.write(new Counted());
                return null;
              });
      row.append(
          String.format(
              Locale.ROOT,
              "| %.2f× (%.1f MB, holds %d) ",
              time / read,
              counted.bytes / 1e6,
              peak(t.writer)));
    }
    System.out.println(row.append('|'));
  }

  private interface Step {
    Object run() throws Exception;
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

  /** Counts bytes and lets them go. */
  private static final class Counted extends OutputStream {
    private long bytes;

    @Override
    public void write(int b) {
      bytes++;
    }

    @Override
    public void write(byte[] b, int from, int length) {
      bytes += length;
    }
  }

  private static long used() {
    Runtime r = Runtime.getRuntime();
    System.gc();
    return r.totalMemory() - r.freeMemory();
  }

  /** What is alive at the peak of a writing beside what was there before, MB. */
  private static long peak(Writer writer) throws Exception {
    long before = used();
    List<Exception> failed = new ArrayList<>();
    Thread t =
        new Thread(
            () -> {
              try {
                writer.write(new Counted());
              } catch (Exception x) {
                failed.add(x);
              }
            });
    t.start();
    long most = before;
    while (t.isAlive()) {
      most = Math.max(most, used());
      t.join(20);
    }
    if (!failed.isEmpty()) {
      throw failed.get(0);
    }
    return Math.round((most - before) / 1e6);
  }

  private static void whole(int rooms) throws Exception {
    Envelope e = building(rooms);
    CheckContext c = new CheckContext(e, Limits.STANDARD, T);
    HandoverMaker maker =
        new HandoverMaker(
            new HandoverMaker.Subject(
                new EnvelopeModel(e), DeliveredFileWriter.FileScope.WHOLE, c, c),
            HandoverMaker.Options.STANDARD,
            ReadLimits.standard());
    StringBuilder row = new StringBuilder(String.format(Locale.ROOT, "| %,d ", e.spaces().size()));
    for (HandoverFormat f :
        List.of(
            HandoverFormat.GBXML_6_01,
            HandoverFormat.IFC4,
            HandoverFormat.GLB,
            HandoverFormat.DXF,
            HandoverFormat.XLSX)) {
      long start = System.nanoTime();
      Handover h = maker.make(f, null);
      if (!h.isProven()) {
        throw new IllegalStateException(
            f.code() + " of a sound building is not proven: " + h.differences() + h.faults());
      }
      row.append(String.format(Locale.ROOT, "| %.1f ", (System.nanoTime() - start) / 1e9));
    }
    System.out.println(row.append('|'));
  }

  /** The part of the bench alone. */
  public static void main(String[] args) throws Exception {
    run();
  }
}
