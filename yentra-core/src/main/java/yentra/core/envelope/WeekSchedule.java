package yentra.core.envelope;

import java.util.List;

/**
 * Which day schedule holds on which days of a week.
 *
 * @param type gbXML's scheduleType, or empty
 */
public record WeekSchedule(
    String key, String name, String type, List<Day> days, SourceRef source, Extras extras) {
  public WeekSchedule {
    days = List.copyOf(days);
  }

  /**
   * @param days gbXML's dayType, as Weekday, Sat, Holiday or All
   * @param schedule key of a day schedule as the delivery states it; it may name one that does not
   *     exist
   */
  public record Day(String days, String schedule) {}
}
