package yentra.core.finding;

import java.util.List;
import java.util.function.UnaryOperator;

/**
 * What makes a finding the same one in every run, whatever else changes.
 *
 * @param code of the check
 * @param objects keys of what it is about, the main one first
 * @param subject what of the objects it is about, where one object can have several such faults;
 *     else empty
 */
public record FindingId(String code, List<String> objects, String subject) {
  /** Between the parts, of which only the last may hold it. */
  private static final String PARTS = ":";

  private static final String OBJECTS = ",";

  public FindingId {
    objects = List.copyOf(objects);
  }

  /** Reads {@link #toString}; text that is no id is that of a code without objects. */
  public static FindingId parse(String text) {
    String[] parts = text.split(PARTS, 3);
    List<String> objects =
        parts.length < 2 || parts[1].isEmpty() ? List.of() : List.of(parts[1].split(OBJECTS, -1));
    return new FindingId(parts[0], objects, parts.length < 3 ? "" : parts[2]);
  }

  /**
   * The same fault of objects that are called something else.
   *
   * @param keys the other key of each
   */
  public FindingId renamed(UnaryOperator<String> keys) {
    return new FindingId(code, objects.stream().map(keys).toList(), subject);
  }

  /** Code, objects and subject in one line, as logs and addresses have it. */
  @Override
  public String toString() {
    return code
        + PARTS
        + String.join(OBJECTS, objects)
        + (subject.isEmpty() ? "" : PARTS + subject);
  }
}
