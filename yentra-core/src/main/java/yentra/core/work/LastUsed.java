package yentra.core.work;

import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Function;
import java.util.function.ToLongFunction;
import java.util.function.UnaryOperator;

/**
 * Keeps what was used last, up to a weight. What is put in stays until others were used after it:
 * where entries are large and few, a cache that admits by frequency turns away what was just made
 * and is about to be asked for. The newest entry is kept even when it alone weighs more.
 *
 * <p>Safe for several threads; nothing is worked out while others wait, so two may work out the
 * same.
 */
public final class LastUsed<K, V> {
  private final Map<K, Entry<V>> entries = new LinkedHashMap<>(16, 0.75f, true);
  private final long most;
  private final ToLongFunction<V> weight;
  private long all;

  private record Entry<V>(V value, long weight) {}

  /**
   * @param most of all weights together
   * @param weight of a value, not below zero; asked for once, when the value is put in
   */
  public LastUsed(long most, ToLongFunction<V> weight) {
    this.most = most;
    this.weight = weight;
  }

  /** The value, or null; it is now the one that was used last. */
  public synchronized V get(K key) {
    Entry<V> e = entries.get(key);
    return e == null ? null : e.value;
  }

  /** The value, worked out when it is not there. */
  public V get(K key, Function<K, V> make) {
    V known = get(key);
    if (known == null) {
      known = make.apply(key);
      put(key, known);
    }
    return known;
  }

  public synchronized void put(K key, V value) {
    Entry<V> was = entries.remove(key);
    Entry<V> is = new Entry<>(value, weight.applyAsLong(value));
    entries.put(key, is);
    all += is.weight - (was == null ? 0 : was.weight);
    Iterator<Entry<V>> oldest = entries.values().iterator();
    while (all > most && entries.size() > 1) {
      all -= oldest.next().weight;
      oldest.remove();
    }
  }

  /** Changes the value where there is one. */
  public synchronized void change(K key, UnaryOperator<V> to) {
    V known = get(key);
    if (known != null) {
      put(key, to.apply(known));
    }
  }
}
