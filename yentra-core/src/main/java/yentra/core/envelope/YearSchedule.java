package yentra.core.envelope;

import java.time.LocalDate;
import java.util.List;

/**
 * Which week schedule holds in which part of a year.
 *
 * @param type gbXML's scheduleType, or empty
 */
public record YearSchedule(
    String key, String name, String type, List<Period> periods, SourceRef source, Extras extras) {
  public YearSchedule {
    periods = List.copyOf(periods);
  }

  /**
   * @param key as the delivery names the period, or empty
   * @param begin first day
   * @param end last day
   * @param week key of a week schedule as the delivery states it, or null
   */
  public record Period(String key, LocalDate begin, LocalDate end, String week, Extras extras) {}

  /** Its name, or its key where it has none. */
  public String label() {
    return name.isBlank() ? key : name;
  }
}
