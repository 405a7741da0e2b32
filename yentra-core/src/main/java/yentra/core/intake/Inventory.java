package yentra.core.intake;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.UnreadableException;
import yentra.core.gbxml.GbxmlInventory;
import yentra.core.geometry.Tolerance;
import yentra.core.plan.PlanInventory;
import yentra.core.plan.PlanReader;

/**
 * What is in a file, counted without making an envelope.
 *
 * @param facts schema, units and the like, in order
 * @param classes elements or entities by name
 */
public record Inventory(
    DeliveryFormat format, long bytes, Map<String, String> facts, Map<String, Count> classes) {
  /** How many objects of a class there are, and how many bytes of the file they take. */
  public record Count(long objects, long bytes) {}

  public static Inventory of(DeliveryReader.Source source) throws IOException, UnreadableException {
    ReadLimits limits = ReadLimits.standard();
    long length = source.length();
    DeliveryFormat format = new DeliveryReader(limits, Tolerance.standard()).recognise(source);
    Map<String, String> facts = new LinkedHashMap<>();
    Map<String, Count> classes = new LinkedHashMap<>();
    try (InputStream in = new BufferedInputStream(source.open(), 1 << 16)) {
      if (format == DeliveryFormat.GBXML) {
        GbxmlInventory.of(in, limits, facts, (name, n, b) -> classes.put(name, new Count(n, b)));
      } else if (format == DeliveryFormat.PLAN) {
        PlanInventory.of(
            PlanReader.read(in.readNBytes(PlanReader.MOST_BYTES + 1)),
            facts,
            (name, n, b) -> classes.put(name, new Count(n, b)));
      } else {
        byte[] bytes = in.readAllBytes();
        yentra.core.ifc.IfcInventory.of(
            format == DeliveryFormat.IFCZIP ? IfcArchive.unpack(bytes, limits) : bytes,
            facts,
            (name, n, b) -> classes.put(name, new Count(n, b)));
      }
    }
    return new Inventory(format, length, facts, classes);
  }

  /** For people: facts, then classes by their share of the file. */
  public String text() {
    StringBuilder b = new StringBuilder();
    b.append(String.format(Locale.ROOT, "format  %s, %,d bytes%n", format, bytes));
    facts.forEach((k, v) -> b.append(k).append("  ").append(v).append('\n'));
    List<Map.Entry<String, Count>> sorted =
        classes.entrySet().stream()
            .sorted(
                Comparator.comparing((Map.Entry<String, Count> e) -> -e.getValue().bytes())
                    .thenComparing(Map.Entry::getKey))
            .toList();
    for (Map.Entry<String, Count> e : sorted) {
      b.append(
          String.format(
              Locale.ROOT,
              "%8d  %5.1f %%  %s%n",
              e.getValue().objects(),
              100.0 * e.getValue().bytes() / Math.max(1, bytes),
              e.getKey()));
    }
    return b.toString();
  }
}
