package yentra.core.step;

import java.util.List;

/** A parameter of a Part 21 instance. */
public sealed interface StepValue {
  /** {@code $}: not given. */
  record Unset() implements StepValue {}

  /** {@code *}: derived. */
  record Derived() implements StepValue {}

  /** {@code #12}. */
  record Ref(int id) implements StepValue {}

  /** {@code .ELEMENT.}, without the dots. */
  record Enumeration(String name) implements StepValue {}

  /** A number, whole or real. */
  record Number(double value) implements StepValue {}

  /** A string, decoded. */
  record Text(String value) implements StepValue {}

  /** A binary literal, as hexadecimal digits. */
  record Binary(String digits) implements StepValue {}

  record ListOf(List<StepValue> items) implements StepValue {}

  /** {@code IFCBOOLEAN(.T.)}: a value with its type. */
  record Typed(String type, StepValue value) implements StepValue {}

  Unset UNSET = new Unset();
  Derived DERIVED = new Derived();
}
