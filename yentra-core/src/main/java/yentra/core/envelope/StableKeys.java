package yentra.core.boundary;

import java.util.Map;
import java.util.TreeMap;

/** Keys that are the same for the same space, neighbour and element in every delivery. */
final class SurfaceKeys {
  private final Map<String, Integer> counts = new TreeMap<>();

  String of(String prefix, String... parts) {
    String seed = String.join("|", parts);
    int n = counts.merge(seed, 1, Integer::sum);
    long h = 0xcbf29ce484222325L;
    for (char c : (seed + "|" + n).toCharArray()) {
      h = (h ^ c) * 0x100000001b3L;
    }
    return prefix + String.format(java.util.Locale.ROOT, "%016x", h);
  }
}
