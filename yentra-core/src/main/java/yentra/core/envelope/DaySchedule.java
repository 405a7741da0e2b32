package yentra.core.envelope;

import java.util.List;

/**
 * How something goes over a day.
 *
 * @param type gbXML's scheduleType, as Fraction, OnOff or Temp; or empty
 * @param values for equal steps from midnight on; fractions 0 to 1, temperatures °C; empty when the
 *     delivery's could not be read
 */
public record DaySchedule(
    String key, String name, String type, List<Double> values, SourceRef source, Extras extras) {
  public DaySchedule {
    values = List.copyOf(values);
  }
}
