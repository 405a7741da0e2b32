package yentra.core.envelope;

import java.time.LocalDate;
import java.time.MonthDay;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** All schedules of an envelope, in the order of the delivery. */
public record Schedules(
    List<YearSchedule> years, List<WeekSchedule> weeks, List<DaySchedule> days) {
  public static final Schedules NONE = new Schedules(List.of(), List.of(), List.of());

  public Schedules {
    years = List.copyOf(years);
    weeks = List.copyOf(weeks);
    days = List.copyOf(days);
  }

  public Optional<YearSchedule> year(String key) {
    return years.stream().filter(y -> y.key().equals(key)).findFirst();
  }

  /**
   * A schedule with its weeks and days in it. Parts that refer to what is not there, and days whose
   * values could not be read, are left out.
   */
  public Optional<ScheduleProfile> profile(String key) {
    return year(key).map(this::profile);
  }

  private ScheduleProfile profile(YearSchedule y) {
    List<ScheduleProfile.Period> periods = new ArrayList<>();
    for (YearSchedule.Period p : y.periods()) {
      List<ScheduleProfile.Day> out = new ArrayList<>();
      for (WeekSchedule w : weeks) {
        if (w.key().equals(p.week())) {
          for (WeekSchedule.Day d : w.days()) {
            day(d.schedule())
                .filter(s -> !s.values().isEmpty())
                .ifPresent(s -> out.add(new ScheduleProfile.Day(d.days(), s.values())));
          }
        }
      }
      periods.add(
          new ScheduleProfile.Period(
              MonthDay.from(p.begin()).toString().substring(2),
              MonthDay.from(p.end()).toString().substring(2),
              out));
    }
    return new ScheduleProfile(y.label(), y.type(), periods);
  }

  private Optional<DaySchedule> day(String key) {
    return days.stream().filter(d -> d.key().equals(key)).findFirst();
  }

  /** Key of the schedule that is like a profile in name and in all values. */
  public Optional<String> like(ScheduleProfile p) {
    return years.stream()
        .filter(y -> y.label().equals(p.name()) && profile(y).equals(p))
        .map(YearSchedule::key)
        .findFirst();
  }

  /**
   * With a new schedule.
   *
   * @param key free in the envelope
   * @param taken keys that its weeks and days must not have
   */
  public Schedules plus(String key, ScheduleProfile p, Set<String> taken) {
    return written(
        new YearSchedule(key, "", "", List.of(), SourceRef.REPAIR, Extras.NONE), p, taken);
  }

  /**
   * With another profile for a schedule. Weeks and days that other schedules have too stay theirs;
   * those that nothing has any more go.
   */
  public Schedules with(String key, ScheduleProfile p, Set<String> taken) {
    return year(key).map(y -> written(y, p, taken)).orElse(this);
  }

  private Schedules written(YearSchedule old, ScheduleProfile p, Set<String> taken) {
    Rewriting r = new Rewriting(old, p, new HashSet<>(taken));
    List<YearSchedule.Period> periods = r.periods();
    YearSchedule now =
        new YearSchedule(old.key(), p.name(), p.type(), periods, old.source(), old.extras());
    List<YearSchedule> newYears = new ArrayList<>();
    years.forEach(y -> newYears.add(y.key().equals(now.key()) ? now : y));
    if (!newYears.contains(now)) {
      newYears.add(now);
    }
    return new Schedules(newYears, r.newWeeks, r.newDays).without(old);
  }

  /** Weeks and days of a profile, those that are there already and new ones. */
  private final class Rewriting {
    private final YearSchedule old;
    private final ScheduleProfile p;
    private final Set<String> keys;
    private final List<DaySchedule> newDays = new ArrayList<>(days);
    private final List<WeekSchedule> newWeeks = new ArrayList<>(weeks);
    private final Map<List<Double>, String> made = new HashMap<>();
    private final Map<List<WeekSchedule.Day>, String> madeWeeks = new HashMap<>();

    Rewriting(YearSchedule old, ScheduleProfile p, Set<String> keys) {
      this.old = old;
      this.p = p;
      this.keys = keys;
      for (DaySchedule d : days) {
        if (d.type().equals(p.type())) {
          made.putIfAbsent(d.values(), d.key());
        }
      }
      for (WeekSchedule w : weeks) {
        if (w.type().equals(p.type())) {
          madeWeeks.putIfAbsent(w.days(), w.key());
        }
      }
    }

    List<YearSchedule.Period> periods() {
      int year =
          old.periods().isEmpty()
              ? ScheduleProfile.COMMON_YEAR
              : old.periods().get(0).begin().getYear();
      List<YearSchedule.Period> out = new ArrayList<>();
      for (int i = 0; i < p.periods().size(); i++) {
        ScheduleProfile.Period period = p.periods().get(i);
        String week = week(period);
        YearSchedule.Period before = i < old.periods().size() ? old.periods().get(i) : null;
        out.add(
            new YearSchedule.Period(
                before == null ? free(keys, old.key() + "-year") : before.key(),
                date(year, period.from()),
                date(year, period.to()),
                week,
                before == null ? Extras.NONE : before.extras()));
      }
      return out;
    }

    private String week(ScheduleProfile.Period period) {
      List<WeekSchedule.Day> week = new ArrayList<>();
      for (ScheduleProfile.Day d : period.days()) {
        week.add(new WeekSchedule.Day(d.days(), day(d)));
      }
      String known = madeWeeks.get(week);
      if (known != null) {
        return known;
      }
      String key = free(keys, old.key() + "-week");
      newWeeks.add(new WeekSchedule(key, p.name(), p.type(), week, SourceRef.REPAIR, Extras.NONE));
      madeWeeks.put(List.copyOf(week), key);
      return key;
    }

    private String day(ScheduleProfile.Day d) {
      String known = made.get(d.values());
      if (known != null) {
        return known;
      }
      String key = free(keys, old.key() + "-day");
      newDays.add(
          new DaySchedule(
              key,
              p.name() + ", " + d.days(),
              p.type(),
              d.values(),
              SourceRef.REPAIR,
              Extras.NONE));
      made.put(d.values(), key);
      return key;
    }
  }

  /** Without parts of years that refer to a week. */
  public Schedules withoutWeek(String week) {
    return new Schedules(
        years.stream()
            .map(
                y ->
                    new YearSchedule(
                        y.key(),
                        y.name(),
                        y.type(),
                        y.periods().stream().filter(p -> !week.equals(p.week())).toList(),
                        y.source(),
                        y.extras()))
            .toList(),
        weeks,
        days);
  }

  /** Without days of weeks that refer to a day schedule. */
  public Schedules withoutDay(String day) {
    return new Schedules(
        years,
        weeks.stream()
            .map(
                w ->
                    new WeekSchedule(
                        w.key(),
                        w.name(),
                        w.type(),
                        w.days().stream().filter(d -> !day.equals(d.schedule())).toList(),
                        w.source(),
                        w.extras()))
            .toList(),
        days);
  }

  private static LocalDate date(int year, String monthDay) {
    return ScheduleProfile.day(monthDay).orElseThrow().atYear(year);
  }

  private static String free(Set<String> keys, String base) {
    String key = base;
    for (int i = 2; !keys.add(key); i++) {
      key = base + "-" + i;
    }
    return key;
  }

  /** Without the weeks and days of an old state of a schedule that nothing has any more. */
  private Schedules without(YearSchedule old) {
    Set<String> usedWeeks = new HashSet<>();
    years.forEach(y -> y.periods().forEach(x -> usedWeeks.add(x.week())));
    Set<String> oldWeeks = new HashSet<>();
    old.periods().forEach(x -> oldWeeks.add(x.week()));
    Set<String> oldDays = new HashSet<>();
    Set<String> usedDays = new HashSet<>();
    List<WeekSchedule> left = new ArrayList<>();
    for (WeekSchedule w : weeks) {
      boolean goes = oldWeeks.contains(w.key()) && !usedWeeks.contains(w.key());
      w.days().forEach(d -> (goes ? oldDays : usedDays).add(d.schedule()));
      if (!goes) {
        left.add(w);
      }
    }
    return new Schedules(
        years,
        left,
        days.stream()
            .filter(d -> !oldDays.contains(d.key()) || usedDays.contains(d.key()))
            .toList());
  }
}
