package yentra.core.plan;

import java.util.Map;

/** What is in a plan document, counted without making an envelope. */
public final class PlanInventory {
  private PlanInventory() {}

  /** Told of each kind of thing. */
  public interface Sink {
    /**
     * @param bytes what the things take of the file; of a plan document this is not measured, and 0
     */
    void count(String name, long objects, long bytes);
  }

  /**
   * Counts.
   *
   * @param facts receives version, name and what the plan says of its place
   */
  public static void of(PlanDocument d, Map<String, String> facts, Sink sink) {
    facts.put("schema", "yentraPlan 1");
    if (!d.name().isEmpty()) {
      facts.put("name", d.name());
    }
    facts.put("units", "m, degrees");
    facts.put("ground", d.ground() == null ? "not stated" : d.ground() + " m");
    long outlines = 0;
    long lines = 0;
    long labels = 0;
    for (PlanDocument.FloorPlan f : d.floors()) {
      outlines += f.outlines().size();
      lines += f.lines().size();
      labels += f.labels().size();
    }
    sink.count("storeys", d.storeys().size(), 0);
    sink.count("floors", d.floors().size(), 0);
    sink.count("outlines", outlines, 0);
    sink.count("lines", lines, 0);
    sink.count("spaces named", labels, 0);
    sink.count("roofs", d.roofs().size(), 0);
    sink.count("glazing rules", d.glazing().size(), 0);
    sink.count("openings by hand", d.openings().size(), 0);
    sink.count("shading rules", d.shading().size(), 0);
    sink.count("blocks", d.blocks().size(), 0);
  }
}
