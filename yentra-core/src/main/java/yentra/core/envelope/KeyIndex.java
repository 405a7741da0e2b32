package yentra.core.envelope;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/**
 * What is found by its key in a list that may never be asked: the index is made when it first is,
 * and goes on with the list from one envelope to the next. Of two with one key the first counts.
 */
final class KeyIndex<T> {
  private final List<T> list;
  private final Function<T, String> keyOf;

  /** Made when first asked for; two threads may both do so, and find the same. */
  private volatile Map<String, T> made;

  private KeyIndex(List<T> list, Function<T, String> keyOf) {
    this.list = list;
    this.keyOf = keyOf;
  }

  /** The index before when it is of the very same list, else a new one. */
  static <T> KeyIndex<T> of(List<T> list, Function<T, String> keyOf, KeyIndex<T> before) {
    return before != null && before.list == list ? before : new KeyIndex<>(list, keyOf);
  }

  Optional<T> get(String key) {
    Map<String, T> map = made;
    if (map == null) {
      map = new HashMap<>(list.size() * 2);
      for (T t : list) {
        map.putIfAbsent(keyOf.apply(t), t);
      }
      made = map;
    }
    return Optional.ofNullable(map.get(key));
  }
}
