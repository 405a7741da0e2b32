package yentra.core.step;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Type names by their bytes, without making a string for every instance. */
final class StepTypes {
  private final byte[] b;
  private final List<String> types = new ArrayList<>();
  private int[] typeCounts = new int[64];
  private long[] typeBytes = new long[64];
  private int[] slots = new int[4096];
  private int[] hashes = new int[4096];
  private final Map<String, Integer> known = new HashMap<>();

  StepTypes(byte[] bytes) {
    b = bytes;
  }

  List<String> names() {
    return types;
  }

  /** Instances of a type, by its number. */
  int count(int type) {
    return typeCounts[type];
  }

  long bytes(int type) {
    return typeBytes[type];
  }

  void add(int type, int bytes) {
    typeCounts[type]++;
    typeBytes[type] += bytes;
  }

  /** One instance of a type is not counted after all. */
  void less(int type) {
    typeCounts[type]--;
  }

  int find(int from, int to, int hash) {
    int mask = slots.length - 1;
    int at = (hash ^ hash >>> 15) & mask;
    while (slots[at] != 0) {
      if (hashes[at] == hash && matches(types.get(slots[at] - 1), from, to)) {
        return slots[at] - 1;
      }
      at = (at + 1) & mask;
    }
    return add(from, to, at, hash);
  }

  private boolean matches(String name, int from, int to) {
    if (name.length() != to - from) {
      return false;
    }
    for (int k = 0; k < name.length(); k++) {
      byte c = b[from + k];
      if ((c >= 'a' && c <= 'z' ? c - 32 : c) != name.charAt(k)) {
        return false;
      }
    }
    return true;
  }

  private int add(int from, int to, int slot, int hash) {
    String name =
        new String(b, from, to - from, StandardCharsets.ISO_8859_1).toUpperCase(Locale.ROOT);
    // a hostile file may invent names without end; beyond what an index can hold they share one
    String kept = known.size() < 2000 ? name : "(FURTHER TYPES)";
    Integer type = known.get(kept);
    if (type == null) {
      type = types.size();
      types.add(kept);
      known.put(kept, type);
      if (type == typeCounts.length) {
        typeCounts = Arrays.copyOf(typeCounts, type * 2);
        typeBytes = Arrays.copyOf(typeBytes, type * 2);
      }
    }
    if (kept.equals(name)) {
      slots[slot] = type + 1;
      hashes[slot] = hash;
    }
    return type;
  }
}
