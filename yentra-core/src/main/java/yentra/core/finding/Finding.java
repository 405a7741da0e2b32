package yentra.core.finding;

import java.util.List;

/**
 * One fault with its evidence.
 *
 * @param objects keys of the objects it is about, the main one first
 * @param measured the value that broke the limit, or null when no figure applies
 * @param stated what the delivery says of the same quantity, or null where nothing is compared
 * @param limit the limit, or null
 * @param unit of what was measured and stated
 * @param limitUnit of the limit, which may be that of a share of the measured
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
    Double stated,
    Double limit,
    String unit,
    String limitUnit,
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
  public FindingId id() {
    return new FindingId(code, objects, subject);
  }
}
