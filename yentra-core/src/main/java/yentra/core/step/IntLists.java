package yentra.core.step;

import java.util.Arrays;

/** Lists of instance numbers by instance number, in the order they were added, in three arrays. */
public final class IntLists {
  private final IntMap first = new IntMap();
  private final IntMap last = new IntMap();
  private int[] value = new int[64];
  private int[] next = new int[64];
  private int n = 1;

  public void add(int key, int v) {
    if (key <= 0) {
      return;
    }
    if (n == value.length) {
      value = Arrays.copyOf(value, n * 2);
      next = Arrays.copyOf(next, n * 2);
    }
    value[n] = v;
    int before = last.get(key);
    if (before == 0) {
      first.put(key, n);
    } else {
      next[before] = n;
    }
    last.put(key, n++);
  }

  /** The list; empty when there is none. */
  public int[] get(int key) {
    int count = 0;
    for (int at = first.get(key); at != 0; at = next[at]) {
      count++;
    }
    int[] out = new int[count];
    int i = 0;
    for (int at = first.get(key); at != 0; at = next[at]) {
      out[i++] = value[at];
    }
    return out;
  }

  public boolean has(int key) {
    return first.has(key);
  }
}
