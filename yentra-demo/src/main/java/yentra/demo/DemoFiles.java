package yentra.demo;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** The files of the demo scenario. */
public final class DemoFiles {
  public static final String ARCHITECTS_NAME = "marram-point-architecture.ifc";
  public static final String FAULTY_NAME = "marram-point.xml";
  public static final String REVISION_B_NAME = "marram-point-b.xml";

  private DemoFiles() {}

  /** gbXML of the sound building. */
  public static byte[] soundGbxml() {
    return Faults.write(MarramPoint.sound());
  }

  /** gbXML of the building with the faults that a translation leaves. */
  public static byte[] faultyGbxml() {
    return Faults.gbxml(MarramPoint.sound());
  }

  /** The next revision, with a training wing: some faults are mended, others still there. */
  public static byte[] revisionB() {
    return Faults.revisionB(MarramPoint.withWing());
  }

  /** IFC4 of the sound building, with second-level space boundaries. */
  public static byte[] ifc() {
    return IfcWriter.write(MarramPoint.sound(), false);
  }

  /**
   * IFC4 of the building as an architect delivers it: furniture, services and structure, gross
   * areas that wrap rooms, a wall twice in one place, values that are missing or cannot be true.
   */
  public static byte[] architectsIfc() {
    return IfcWriter.write(MarramPoint.sound(), true);
  }

  /** Writes all files into the directory that is the only argument. */
  public static void main(String[] args) throws IOException {
    Path dir = Files.createDirectories(Path.of(args[0]));
    Files.write(dir.resolve(FAULTY_NAME), faultyGbxml());
    Files.write(dir.resolve(REVISION_B_NAME), revisionB());
    Files.write(dir.resolve("marram-point-sound.xml"), soundGbxml());
    Files.write(dir.resolve("marram-point.ifc"), ifc());
    Files.write(dir.resolve(ARCHITECTS_NAME), architectsIfc());
  }
}
