package yentra.core.check;

import java.util.List;

/**
 * One fault with its evidence.
 *
 * @param objects keys of the objects it is about, the main one first
 * @param measured the value that broke the limit, or null when no figure applies
 * @param limit the limit, or null
 * @param unit of both
 * @param message the fault in words, with objects by name
 * @param subject what of the objects it is about, where one object can have several such faults;
 *     else empty
 * @param line line in the delivered file, 0 when there is none
 */
public record Finding(
    String code,
    Severity severity,
    List<String> objects,
    Double measured,
    Double limit,
    String unit,
    String message,
    String subject,
    Evidence evidence,
    int line,
    int column) {
  public Finding {
    objects = List.copyOf(objects);
  }

  /**
   * The same fault has the same id in every run, whatever else changes: code, objects and subject.
   */
  public String id() {
    return code + ":" + String.join(",", objects) + (subject.isEmpty() ? "" : ":" + subject);
  }
}
