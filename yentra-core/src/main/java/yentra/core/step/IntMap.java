package yentra.core.step;

/**
 * A map from instance numbers to instance numbers, both above zero, in two arrays (open addressing,
 * linear probing). Reading is safe for several threads once it is filled.
 */
public final class IntMap {
  private int[] keys = new int[64];
  private int[] values = new int[64];
  private int size;

  /** The value, or 0. */
  public int get(int key) {
    int at = slot(keys, key);
    return key != 0 && keys[at] == key ? values[at] : 0;
  }

  public boolean has(int key) {
    return key != 0 && keys[slot(keys, key)] == key;
  }

  public void put(int key, int value) {
    if (key <= 0) {
      return;
    }
    if (size * 2 >= keys.length) {
      grow();
    }
    int at = slot(keys, key);
    if (keys[at] != key) {
      keys[at] = key;
      size++;
    }
    values[at] = value;
  }

  public void putIfAbsent(int key, int value) {
    if (!has(key)) {
      put(key, value);
    }
  }

  public int size() {
    return size;
  }

  private static int slot(int[] keys, int key) {
    int mask = keys.length - 1;
    int at = key * 0x9E3779B9 >>> 7 & mask;
    while (keys[at] != 0 && keys[at] != key) {
      at = at + 1 & mask;
    }
    return at;
  }

  private void grow() {
    int[] oldKeys = keys;
    int[] oldValues = values;
    keys = new int[oldKeys.length * 2];
    values = new int[keys.length];
    for (int i = 0; i < oldKeys.length; i++) {
      if (oldKeys[i] != 0) {
        int at = slot(keys, oldKeys[i]);
        keys[at] = oldKeys[i];
        values[at] = oldValues[i];
      }
    }
  }
}
