package yentra.core.step;

import java.util.Arrays;
import java.util.HashSet;
import java.util.Set;

/** A set of instance numbers: a bit each up to 2²⁸, a hash set for those above. */
final class IdSet {
  private static final int DENSE = 1 << 28;
  private long[] words = new long[1024];
  private final Set<Integer> far = new HashSet<>();

  void add(int id) {
    if (id >= DENSE) {
      far.add(id);
      return;
    }
    int word = id >> 6;
    if (word >= words.length) {
      words = Arrays.copyOf(words, Math.max(word + 1, Math.min(DENSE >> 6, words.length * 2)));
    }
    words[word] |= 1L << id;
  }

  boolean get(int id) {
    return id >= DENSE
        ? far.contains(id)
        : id >= 0 && id >> 6 < words.length && (words[id >> 6] & 1L << id) != 0;
  }

  /** Whether it holds a number that the index does not define. */
  boolean anyOutside(StepIndex index) {
    for (int id : far) {
      if (index.ordinal(id) < 0) {
        return true;
      }
    }
    for (int w = 0; w < words.length; w++) {
      for (long bits = words[w]; bits != 0; bits &= bits - 1) {
        if (index.ordinal(w << 6 | Long.numberOfTrailingZeros(bits)) < 0) {
          return true;
        }
      }
    }
    return false;
  }
}
