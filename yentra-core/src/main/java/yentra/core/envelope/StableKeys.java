package yentra.core.envelope;

import java.util.Map;
import java.util.TreeMap;

/**
 * Keys that follow from what an object is made of, so that they are the same in every delivery: for
 * a surface its spaces and element, for a drawn space what it was drawn by.
 */
public final class StableKeys {
  private final Map<String, Integer> counts = new TreeMap<>();

  /**
   * A key; where all parts are those of an earlier one, it is told from it by a count.
   *
   * @param prefix begins with a letter, so that the key is valid as an XML id
   * @param parts what the object is known by
   */
  public String of(String prefix, String... parts) {
    String seed = String.join("|", parts);
    int n = counts.merge(seed, 1, Integer::sum);
    long h = 0xcbf29ce484222325L;
    for (char c : (seed + "|" + n).toCharArray()) {
      h = (h ^ c) * 0x100000001b3L;
    }
    return prefix + String.format(java.util.Locale.ROOT, "%016x", h);
  }
}
