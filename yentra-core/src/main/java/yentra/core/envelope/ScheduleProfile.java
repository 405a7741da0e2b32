package yentra.core.envelope;

import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.MonthDay;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.UnaryOperator;

/**
 * A schedule over a year with all that is in it: what people look at, change and take from
 * libraries.
 *
 * @param type gbXML's scheduleType
 */
public record ScheduleProfile(String name, String type, List<Period> periods) {
  public static final String FRACTION = "Fraction";
  public static final String ON_OFF = "OnOff";
  public static final String TEMPERATURE = "Temp";

  /** A year of 365 days that begins on a Monday. */
  public static final int COMMON_YEAR = 2018;

  private static final Set<DayOfWeek> WEEKEND = Set.of(DayOfWeek.SATURDAY, DayOfWeek.SUNDAY);

  /** gbXML's dayTypes that are days of a week, the most special first (from memory). */
  private static final Map<String, DayOfWeek> SINGLE =
      Map.of(
          "Mon", DayOfWeek.MONDAY,
          "Tue", DayOfWeek.TUESDAY,
          "Wed", DayOfWeek.WEDNESDAY,
          "Thu", DayOfWeek.THURSDAY,
          "Fri", DayOfWeek.FRIDAY,
          "Sat", DayOfWeek.SATURDAY,
          "Sun", DayOfWeek.SUNDAY);

  /** All dayTypes that the schema knows (from memory). */
  public static final List<String> DAY_TYPES =
      List.of(
          "All",
          "Weekday",
          "Weekend",
          "WeekendOrHoliday",
          "Holiday",
          "Mon",
          "Tue",
          "Wed",
          "Thu",
          "Fri",
          "Sat",
          "Sun",
          "HeatingDesignDay",
          "CoolingDesignDay");

  private static final int MOST_PERIODS = 60;
  private static final int MOST_STEPS = 1440;

  public ScheduleProfile {
    periods = periods == null ? List.of() : List.copyOf(periods);
  }

  /**
   * @param from first day as month and day, "01-01"
   * @param to last day
   */
  public record Period(String from, String to, List<Day> days) {
    public Period {
      days = days == null ? List.of() : List.copyOf(days);
    }
  }

  /**
   * @param days gbXML's dayType
   * @param values for equal steps from midnight on
   */
  public record Day(String days, List<Double> values) {
    public Day {
      values = values == null ? List.of() : List.copyOf(values);
    }
  }

  /** The same every day of the year. */
  public static ScheduleProfile always(String name, String type, List<Double> values) {
    return new ScheduleProfile(
        name, type, List.of(new Period("01-01", "12-31", List.of(new Day("All", values)))));
  }

  /** A month and day as "02-28". */
  static Optional<MonthDay> day(String text) {
    try {
      return text == null || !text.matches("\\d\\d-\\d\\d")
          ? Optional.empty()
          : Optional.of(MonthDay.parse("--" + text));
    } catch (DateTimeException e) {
      return Optional.empty();
    }
  }

  /** What is wrong with it, as a sentence; null when it can be used. */
  public String problem() {
    if (name == null || name.isBlank() || name.length() > 200) {
      return "A schedule needs a name of at most 200 characters.";
    }
    if (type == null || type.isBlank()) {
      return "Say what kind of values the schedule has.";
    }
    if (periods.isEmpty() || periods.size() > MOST_PERIODS) {
      return "A schedule has 1 to " + MOST_PERIODS + " parts of the year.";
    }
    int next = 1;
    for (Period p : periods) {
      Optional<MonthDay> from = day(p.from());
      Optional<MonthDay> to = day(p.to());
      if (from.isEmpty() || to.isEmpty()) {
        return "Write the days of " + p.from() + " to " + p.to() + " as month and day: 03-31.";
      }
      int first = from.get().atYear(COMMON_YEAR).getDayOfYear();
      int last = to.get().atYear(COMMON_YEAR).getDayOfYear();
      if (first != next) {
        return "The parts of the year must follow on each other; one begins on " + p.from() + ".";
      }
      if (last < first) {
        return "The part from " + p.from() + " ends before it begins.";
      }
      next = last + 1;
      String wrong = problem(p);
      if (wrong != null) {
        return wrong;
      }
    }
    return next == 366 ? null : "The last part of the year must end on 12-31.";
  }

  private String problem(Period p) {
    Set<String> seen = new HashSet<>();
    for (Day d : p.days()) {
      if (!DAY_TYPES.contains(d.days())) {
        return "\"" + d.days() + "\" is none of " + String.join(", ", DAY_TYPES) + ".";
      }
      if (!seen.add(d.days())) {
        return d.days() + " is there twice.";
      }
      int n = d.values().size();
      if (n == 0 || n > MOST_STEPS || MOST_STEPS % n != 0) {
        return "A day has 24 values, or another number that divides it into whole minutes.";
      }
      for (Double v : d.values()) {
        if (v == null || !within(v)) {
          return v + " is no " + allowed() + ".";
        }
      }
    }
    for (DayOfWeek w : DayOfWeek.values()) {
      if (of(p, w) == null) {
        return "Nothing is said for " + w.toString().toLowerCase(java.util.Locale.ROOT) + "s.";
      }
    }
    return null;
  }

  private boolean within(double v) {
    return switch (type) {
      case FRACTION -> v >= 0 && v <= 1;
      case ON_OFF -> v == 0 || v == 1;
      case TEMPERATURE -> v >= -50 && v <= 100;
      default -> Double.isFinite(v);
    };
  }

  private String allowed() {
    return switch (type) {
      case FRACTION -> "fraction from 0 to 1";
      case ON_OFF -> "0 or 1";
      case TEMPERATURE -> "temperature from -50 to 100 °C";
      default -> "number";
    };
  }

  /** What holds on a day of the week: the most special of what is said for it; null for nothing. */
  private static Day of(Period p, DayOfWeek w) {
    Day best = null;
    int rank = 0;
    for (Day d : p.days()) {
      int r = rank(d.days(), w);
      if (r > rank) {
        best = d;
        rank = r;
      }
    }
    return best;
  }

  private static int rank(String days, DayOfWeek w) {
    return switch (days) {
      case "All" -> 1;
      case "WeekendOrHoliday" -> WEEKEND.contains(w) ? 2 : 0;
      case "Weekday" -> WEEKEND.contains(w) ? 0 : 3;
      case "Weekend" -> WEEKEND.contains(w) ? 3 : 0;
      default -> w == SINGLE.get(days) ? 4 : 0;
    };
  }

  /** The values of a date, holidays aside; empty where nothing is said. */
  public List<Double> on(LocalDate date) {
    for (Period p : periods) {
      MonthDay d = MonthDay.from(date);
      MonthDay from = day(p.from()).orElse(null);
      MonthDay to = day(p.to()).orElse(null);
      if (from != null && to != null && !d.isBefore(from) && !d.isAfter(to)) {
        Day day = of(p, date.getDayOfWeek());
        return day == null ? List.of() : day.values();
      }
    }
    return List.of();
  }

  /**
   * Sum over a year of the values times the hours they hold: of fractions the full-load hours.
   * Empty when a day has no values.
   */
  public OptionalDouble hours(int year) {
    double sum = 0;
    for (LocalDate d = LocalDate.of(year, 1, 1); d.getYear() == year; d = d.plusDays(1)) {
      List<Double> values = on(d);
      if (values.isEmpty()) {
        return OptionalDouble.empty();
      }
      sum += daily(values);
    }
    return OptionalDouble.of(sum);
  }

  /** Sum of a day's values times the hours they hold. */
  public static double daily(List<Double> values) {
    double sum = 0;
    for (double v : values) {
      sum += v;
    }
    return values.isEmpty() ? 0 : sum * 24 / values.size();
  }

  /** The same with 24 values a day: means of shorter steps, repeated values of longer ones. */
  public ScheduleProfile hourly() {
    return each(ScheduleProfile::hourly);
  }

  private static List<Double> hourly(List<Double> values) {
    int n = values.size();
    if (n == 24) {
      return values;
    }
    List<Double> out = new ArrayList<>();
    for (int h = 0; h < 24; h++) {
      double sum = 0;
      for (int minute = 0; minute < 60; minute++) {
        sum += values.get((h * 60 + minute) * n / MOST_STEPS);
      }
      out.add(sum / 60);
    }
    return out;
  }

  private ScheduleProfile each(UnaryOperator<List<Double>> change) {
    List<Period> out = new ArrayList<>();
    for (Period p : periods) {
      out.add(
          new Period(
              p.from(),
              p.to(),
              p.days().stream().map(d -> new Day(d.days(), change.apply(d.values()))).toList()));
    }
    return new ScheduleProfile(name, type, out);
  }
}
