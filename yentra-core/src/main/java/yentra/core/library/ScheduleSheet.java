package yentra.core.library;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import yentra.core.envelope.ScheduleProfile;
import yentra.core.table.TableException;
import yentra.core.table.TableRows;

/** Schedules as a table: a row for each kind of day in each part of the year, a column an hour. */
final class ScheduleSheet {
  static final String SCHEDULE = "Schedule";
  private static final String TYPE = "Type";
  private static final String FROM = "From";
  private static final String TO = "To";
  private static final String DAYS = "Days";
  private static final String SOURCE = "Source";
  private static final int HOURS = 24;
  static final List<String> COLUMNS = columns();

  private ScheduleSheet() {}

  private static String hour(int h) {
    return String.format(Locale.ROOT, "%02d-%02d", h, h + 1);
  }

  private static List<String> columns() {
    List<String> out = new ArrayList<>(List.of(SCHEDULE, TYPE, FROM, TO, DAYS));
    for (int h = 0; h < HOURS; h++) {
      out.add(hour(h));
    }
    out.add(SOURCE);
    return List.copyOf(out);
  }

  static List<List<String>> write(List<LibrarySchedule> schedules) {
    List<List<String>> rows = new ArrayList<>(List.of(COLUMNS));
    for (LibrarySchedule s : schedules) {
      for (ScheduleProfile.Period p : s.profile().periods()) {
        for (ScheduleProfile.Day d : p.days()) {
          List<String> row =
              new ArrayList<>(List.of(s.name(), s.profile().type(), p.from(), p.to(), d.days()));
          d.values().forEach(v -> row.add(LibraryFile.text(v)));
          row.add(s.source());
          rows.add(row);
        }
      }
    }
    return rows;
  }

  /** All schedules whose rows make a year; what is wrong goes to the faults. */
  static Map<String, LibrarySchedule> all(
      String sheet, List<List<String>> rows, LibraryFile.Faults faults) throws TableException {
    Map<String, List<TableRows.Line>> by = new LinkedHashMap<>();
    for (TableRows.Line l :
        TableRows.of(sheet, rows, COLUMNS, List.of(SCHEDULE, DAYS, hour(0), hour(HOURS - 1)))) {
      try {
        by.computeIfAbsent(Library.plain(l.required(SCHEDULE)), k -> new ArrayList<>()).add(l);
      } catch (TableException e) {
        faults.add(e);
      }
    }
    Map<String, LibrarySchedule> out = new LinkedHashMap<>();
    for (Map.Entry<String, List<TableRows.Line>> s : by.entrySet()) {
      try {
        out.put(s.getKey(), schedule(s.getValue()));
      } catch (TableException e) {
        faults.add(e);
      }
    }
    return out;
  }

  /** Rows of one part of the year need not follow on each other. */
  private static LibrarySchedule schedule(List<TableRows.Line> lines) throws TableException {
    TableRows.Line first = lines.get(0);
    Map<List<String>, List<ScheduleProfile.Day>> parts = new LinkedHashMap<>();
    for (TableRows.Line l : lines) {
      String from = l.has(FROM) ? l.get(FROM) : "01-01";
      String to = l.has(TO) ? l.get(TO) : "12-31";
      List<Double> values = new ArrayList<>();
      for (int h = 0; h < HOURS; h++) {
        l.required(hour(h));
        values.add(l.number(hour(h), -1e9, 1e9));
      }
      parts
          .computeIfAbsent(List.of(from, to), k -> new ArrayList<>())
          .add(new ScheduleProfile.Day(l.required(DAYS), values));
    }
    List<ScheduleProfile.Period> periods = new ArrayList<>();
    parts.forEach((p, days) -> periods.add(new ScheduleProfile.Period(p.get(0), p.get(1), days)));
    ScheduleProfile profile =
        new ScheduleProfile(
            first.get(SCHEDULE),
            first.has(TYPE) ? first.get(TYPE) : ScheduleProfile.FRACTION,
            periods);
    String wrong = profile.problem();
    if (wrong != null) {
      throw first.fault(SCHEDULE, profile.name() + ": " + wrong);
    }
    return new LibrarySchedule(profile, first.get(SOURCE));
  }
}
