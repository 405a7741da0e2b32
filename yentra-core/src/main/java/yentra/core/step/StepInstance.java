package yentra.core.step;

import java.util.List;
import java.util.Optional;

/**
 * One instance of the data section with its parameters. Accessors never fail: a parameter of
 * another kind is empty.
 */
public record StepInstance(int id, String type, List<StepValue> parameters) {
  public StepValue get(int i) {
    return i >= 0 && i < parameters.size() ? parameters.get(i) : StepValue.UNSET;
  }

  public boolean is(String... types) {
    for (String t : types) {
      if (type.equals(t)) {
        return true;
      }
    }
    return false;
  }

  /** The reference at {@code i}, or 0. */
  public int ref(int i) {
    return get(i) instanceof StepValue.Ref r ? r.id() : 0;
  }

  /** The text at {@code i}, unwrapped from a typed value, or an empty string. */
  public String text(int i) {
    StepValue v = get(i) instanceof StepValue.Typed t ? t.value() : get(i);
    return v instanceof StepValue.Text t ? t.value() : "";
  }

  /** The enumeration literal at {@code i}, or an empty string. */
  public String enumeration(int i) {
    return get(i) instanceof StepValue.Enumeration e ? e.name() : "";
  }

  public Optional<Double> number(int i) {
    return number(get(i));
  }

  public static Optional<Double> number(StepValue v) {
    StepValue plain = v instanceof StepValue.Typed t ? t.value() : v;
    return plain instanceof StepValue.Number n ? Optional.of(n.value()) : Optional.empty();
  }

  /** The items of the list at {@code i}; empty when it is none. */
  public List<StepValue> list(int i) {
    return get(i) instanceof StepValue.ListOf l ? l.items() : List.of();
  }

  /** The references in the list at {@code i}, other items left out. */
  public List<Integer> refs(int i) {
    return refs(list(i));
  }

  public static List<Integer> refs(List<StepValue> items) {
    return items.stream()
        .filter(StepValue.Ref.class::isInstance)
        .map(v -> ((StepValue.Ref) v).id())
        .toList();
  }
}
