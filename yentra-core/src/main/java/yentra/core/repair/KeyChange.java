package yentra.core.repair;

import java.util.List;
import java.util.function.UnaryOperator;

/** What objects are called in another revision. */
public final class KeyChange {
  private final UnaryOperator<String> then;

  /**
   * @param then the key of an object in the other revision; the same when it has not changed
   */
  public KeyChange(UnaryOperator<String> then) {
    this.then = then;
  }

  /** The key of an object; null stays null. */
  public String of(String key) {
    return key == null ? null : then.apply(key);
  }

  public List<String> of(List<String> keys) {
    return keys.stream().map(then).toList();
  }
}
