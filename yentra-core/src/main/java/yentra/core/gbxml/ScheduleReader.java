package yentra.core.gbxml;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import yentra.core.envelope.DaySchedule;
import yentra.core.envelope.Extras;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.ScheduleProfile;
import yentra.core.envelope.Schedules;
import yentra.core.envelope.UnreadableException;
import yentra.core.envelope.WeekSchedule;
import yentra.core.envelope.YearSchedule;
import yentra.core.units.Quantity;

/** Reads schedules of days, weeks and years. */
final class ScheduleReader {
  private static final Set<String> TYPED = Set.of("id", "type");
  private static final Set<String> ID = Set.of("id");

  private static final Set<String> NAME = Set.of("Name");
  private static final Set<String> PERIOD = Set.of("BeginDate", "EndDate", "WeekScheduleId");
  private static final Set<String> DAY = Set.of("dayType", "dayScheduleIdRef");

  /** A value a minute; more would mean nothing. */
  private static final int MOST_VALUES = 1440;

  private final Cursor cursor;
  private final Values values;
  private final References references;
  private final List<YearSchedule> years = new ArrayList<>();
  private final List<WeekSchedule> weeks = new ArrayList<>();
  private final List<DaySchedule> days = new ArrayList<>();

  ScheduleReader(Cursor cursor, Values values, References references) {
    this.cursor = cursor;
    this.values = values;
    this.references = references;
  }

  Schedules made() {
    return years.isEmpty() && weeks.isEmpty() && days.isEmpty()
        ? Schedules.NONE
        : new Schedules(years, weeks, days);
  }

  int size() {
    return years.size() + weeks.size() + days.size();
  }

  private String type() {
    String type = cursor.attribute("type");
    return type == null ? "" : type;
  }

  void year(Header h) throws UnreadableException {
    Kept kept = Kept.except(cursor.attributes(), TYPED);
    String type = type();
    String name = "";
    List<YearSchedule.Period> periods = new ArrayList<>();
    Set<String> seen = new HashSet<>();
    for (String c = cursor.child(kept, NAME, seen); c != null; c = cursor.child(kept, NAME, seen)) {
      switch (c) {
        case "Name" -> name = Values.text(cursor.leaf(kept), kept);
        case "YearSchedule" -> period(h.key(), kept).ifPresent(periods::add);
        default -> kept.fragment(cursor.fragment());
      }
    }
    years.add(new YearSchedule(h.key(), name, type, periods, h.source(name), kept.extras()));
  }

  /** A period whose dates cannot be read is left out and said. */
  private Optional<YearSchedule.Period> period(String owner, Kept outer)
      throws UnreadableException {
    int line = cursor.line();
    int column = cursor.column();
    String id = cursor.attribute("id");
    List<Extras.Attribute> attributes = cursor.attributes();
    Kept kept = Kept.except(attributes, ID);
    LocalDate begin = null, end = null;
    String week = null;
    List<String> bad = new ArrayList<>();
    Set<String> seen = new HashSet<>();
    for (String c = cursor.child(kept, PERIOD, seen);
        c != null;
        c = cursor.child(kept, PERIOD, seen)) {
      switch (c) {
        case "BeginDate" -> begin = date(cursor.leaf(kept), kept, bad);
        case "EndDate" -> end = date(cursor.leaf(kept), kept, bad);
        case "WeekScheduleId" -> {
          week = cursor.attribute("weekScheduleIdRef");
          kept.child(c, cursor.attributes(), Set.of("weekScheduleIdRef"));
          cursor.leaf(kept);
        }
        default -> kept.fragment(cursor.fragment());
      }
    }
    if (begin == null || end == null || end.isBefore(begin)) {
      values.note(
          ReadNote.Kind.BAD_VALUE,
          owner,
          "YearSchedule",
          String.join(", ", bad),
          "A part of the year "
              + (bad.isEmpty() ? "has no begin or no end" : "has the date " + bad.get(0))
              + "; it is left out. Write dates as 2026-01-31, the begin before the end.",
          line,
          column);
      return Optional.empty();
    }
    String key = id == null || id.isBlank() ? "" : references.key(id);
    return Optional.of(new YearSchedule.Period(key, begin, end, week, kept.extras()));
  }

  private static LocalDate date(Leaf leaf, Kept kept, List<String> bad) {
    kept.child(leaf.name(), leaf.attributes(), Set.of());
    // a time zone behind the date is allowed and means nothing here
    String text = leaf.text().replaceFirst("(Z|[+-]\\d\\d:\\d\\d)$", "");
    try {
      return LocalDate.parse(text);
    } catch (DateTimeException e) {
      bad.add(Values.clip(leaf.text()));
      return null;
    }
  }

  void week(Header h) throws UnreadableException {
    Kept kept = Kept.except(cursor.attributes(), TYPED);
    String type = type();
    String name = "";
    List<WeekSchedule.Day> list = new ArrayList<>();
    Set<String> seen = new HashSet<>();
    for (String c = cursor.child(kept, NAME, seen); c != null; c = cursor.child(kept, NAME, seen)) {
      switch (c) {
        case "Name" -> name = Values.text(cursor.leaf(kept), kept);
        case "Day" -> {
          String day = cursor.attribute("dayType");
          String schedule = cursor.attribute("dayScheduleIdRef");
          if (day == null || schedule == null) {
            kept.fragment(cursor.fragment());
          } else {
            kept.child("Day " + list.size(), cursor.attributes(), DAY);
            list.add(new WeekSchedule.Day(day, schedule));
            cursor.leaf(kept);
          }
        }
        default -> kept.fragment(cursor.fragment());
      }
    }
    weeks.add(new WeekSchedule(h.key(), name, type, list, h.source(name), kept.extras()));
  }

  /** Temperatures are in the unit that the root element declares. */
  void day(Header h) throws UnreadableException {
    Kept kept = Kept.except(cursor.attributes(), TYPED);
    String type = type();
    String name = "";
    List<Double> list = new ArrayList<>();
    List<String> raw = new ArrayList<>();
    boolean sound = true;
    Set<String> seen = new HashSet<>();
    for (String c = cursor.child(kept, NAME, seen); c != null; c = cursor.child(kept, NAME, seen)) {
      switch (c) {
        case "Name" -> name = Values.text(cursor.leaf(kept), kept);
        case "ScheduleValue" -> {
          Kept aside = new Kept();
          Leaf leaf = cursor.leaf(aside);
          raw.add(leaf.xml());
          Optional<Double> v = values.number(leaf, h.key(), aside).flatMap(d -> value(d, type));
          v.ifPresent(list::add);
          sound &= v.isPresent() && list.size() <= MOST_VALUES;
          kept.child("ScheduleValue " + (raw.size() - 1), leaf.attributes(), Set.of());
        }
        default -> kept.fragment(cursor.fragment());
      }
    }
    if (!sound) {
      raw.forEach(kept::fragment);
      list = List.of();
    }
    days.add(new DaySchedule(h.key(), name, type, list, h.source(name), kept.extras()));
  }

  private Optional<Double> value(double v, String type) {
    return type.equals(ScheduleProfile.TEMPERATURE)
        ? GbxmlUnits.unit(Quantity.TEMPERATURE, values.temperature).map(u -> u.toSi(v))
        : Optional.of(v);
  }
}
