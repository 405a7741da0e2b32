package yentra.core.gbxml;

import java.io.InputStream;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Map;
import java.util.TreeMap;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.UnreadableException;

/**
 * Counts the elements of a gbXML document and the characters that they, without their children,
 * take.
 */
public final class GbxmlInventory {
  private GbxmlInventory() {}

  /** Receives one class with its number of objects and their share of the file in bytes. */
  public interface Receiver {
    void count(String name, long objects, long bytes);
  }

  /**
   * Scans the document.
   *
   * @throws UnreadableException when it is not well-formed or not gbXML
   */
  public static void of(
      InputStream in, ReadLimits limits, Map<String, String> facts, Receiver receiver)
      throws UnreadableException {
    Map<String, long[]> counts = new TreeMap<>();
    try (Cursor cursor = new Cursor(in, limits, new References())) {
      cursor.root();
      for (String fact :
          new String[] {"version", "lengthUnit", "areaUnit", "volumeUnit", "temperatureUnit"}) {
        String value = cursor.attribute(fact);
        facts.put(fact, value == null ? "not declared" : Values.clip(value));
      }
      Deque<String> open = new ArrayDeque<>();
      long last = cursor.offset();
      open.push("gbXML");
      counts.put("gbXML", new long[] {1, 0});
      Kept dropped = new Kept();
      while (!open.isEmpty()) {
        String child = cursor.child(dropped);
        long at = cursor.offset();
        counts.get(open.peek())[1] += at - last;
        last = at;
        if (child == null) {
          open.pop();
        } else {
          open.push(child);
          counts.computeIfAbsent(child, k -> new long[2])[0]++;
        }
        dropped = new Kept();
      }
    }
    counts.forEach((name, c) -> receiver.count(name, c[0], c[1]));
  }
}
