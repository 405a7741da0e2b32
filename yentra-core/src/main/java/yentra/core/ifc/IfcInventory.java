package yentra.core.ifc;

import java.util.Map;
import yentra.core.envelope.UnreadableException;
import yentra.core.step.StepFile;
import yentra.core.step.StepInstance;

/** Counts the instances of an IFC file by class. */
public final class IfcInventory {
  private IfcInventory() {}

  /** Receives one class with its number of instances and their share of the file in bytes. */
  public interface Receiver {
    void count(String name, long objects, long bytes);
  }

  /**
   * Scans the file.
   *
   * @throws UnreadableException when it is no Part 21 file or is cut off
   */
  public static void of(byte[] bytes, Map<String, String> facts, Receiver receiver)
      throws UnreadableException {
    StepFile file = StepFile.of(bytes);
    facts.put("schema", IfcModel.schema(file));
    for (StepInstance h : file.header()) {
      if (h.is("FILE_NAME")) {
        facts.put("written", h.text(1));
      }
    }
    IfcSchema schema = IfcSchema.of(IfcModel.schema(file));
    IfcUnits units = IfcUnits.of(file, schema);
    facts.put(
        "length unit",
        units.assumed().stream().anyMatch(a -> a.startsWith("length"))
            ? "not declared"
            : units.length() + " m");
    facts.put("instances", String.valueOf(file.size()));
    file.sizes().forEach((type, size) -> receiver.count(schema.proper(type), size[0], size[1]));
  }
}
