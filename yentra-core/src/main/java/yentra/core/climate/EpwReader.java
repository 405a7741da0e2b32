package yentra.core.climate;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yentra.core.envelope.UnreadableException;

/**
 * Reads EPW weather files: eight lines of header, then rows of an hour or less each. Lines may end
 * in any way; fields at the end of a row may be left out; the year may begin in any month and is
 * put in order. Missing values are filled and counted ({@link Gaps}). What is no weather of a whole
 * year is refused with its line.
 */
public final class EpwReader {
  /** Largest file, bytes: a year of minutes fits. */
  public static final long MOST_BYTES = 150_000_000;

  private static final int LONGEST_LINE = 20_000;
  private static final int HEADERS = 8;
  private static final int MOST_NOTES = 20;

  private final BufferedReader in;
  private final List<String> notes = new ArrayList<>();
  private int line;
  private WeatherYear.Station station;
  private List<WeatherYear.Ground> ground = List.of();
  private int weekday;
  private int perHour;

  private EpwReader(BufferedReader in) {
    this.in = in;
  }

  /**
   * Reads a file.
   *
   * @throws UnreadableException when it is no EPW file of a whole year, with line, column and what
   *     to do
   * @throws IOException when the stream fails
   */
  public static WeatherYear read(InputStream bytes) throws UnreadableException, IOException {
    BufferedReader in =
        new BufferedReader(
            new InputStreamReader(new Limited(bytes, MOST_BYTES), StandardCharsets.UTF_8), 1 << 16);
    EpwReader r = new EpwReader(in);
    try {
      return r.year();
    } catch (Limited.TooLargeException e) {
      throw new UnreadableException(
          "The weather file has more than "
              + MOST_BYTES / 1_000_000
              + " MB. A year of hours has about 1.5 MB.",
          r.line,
          1);
    }
  }

  private WeatherYear year() throws UnreadableException, IOException {
    header();
    EpwRows rows = new EpwRows(perHour, notes);
    List<String> fields = next();
    while (fields != null) {
      if (!(fields.size() == 1 && fields.get(0).isBlank())) {
        rows.add(fields, line);
      }
      fields = next();
    }
    rows.finish(line);
    List<String> all = new ArrayList<>(notes.subList(0, Math.min(MOST_NOTES, notes.size())));
    Gaps gaps = Gaps.fill(rows, station, all);
    return new WeatherYear(
        station, gaps.values(), gaps.missing(), ground, rows.newYear(weekday), all);
  }

  private void header() throws UnreadableException, IOException {
    boolean location = false;
    boolean periods = false;
    for (int i = 0; i < HEADERS && !periods; i++) {
      List<String> f = next();
      if (f == null) {
        throw at(0, "The file ends within its header; an EPW file has eight lines of it.");
      }
      String name = f.get(0).strip().toUpperCase(Locale.ROOT);
      if (i == 0 && !name.equals("LOCATION")) {
        throw at(1, "This is no EPW weather file: its first line must begin with LOCATION.");
      }
      switch (name) {
        case "LOCATION" -> {
          station = location(f);
          location = true;
        }
        case "GROUND TEMPERATURES" -> ground = ground(f);
        case "DATA PERIODS" -> {
          periods(f);
          periods = true;
        }
        case "DESIGN CONDITIONS",
            "TYPICAL/EXTREME PERIODS",
            "HOLIDAYS/DAYLIGHT SAVINGS",
            "HOLIDAYS/DAYLIGHT SAVING",
            "COMMENTS 1",
            "COMMENTS 2" -> {
          // nothing of these is used
        }
        default -> throw at(1, "A line of the header is expected here, not \"" + cut(name) + "\".");
      }
    }
    if (!location || !periods) {
      throw at(1, "The header does not end with a line DATA PERIODS.");
    }
  }

  private WeatherYear.Station location(List<String> f) throws UnreadableException {
    if (f.size() < 10) {
      throw at(
          f.size(),
          "LOCATION needs ten fields: LOCATION, city, region, country, source, station, latitude, longitude, time zone, elevation.");
    }
    return new WeatherYear.Station(
        f.get(1).strip(),
        f.get(2).strip(),
        f.get(3).strip(),
        f.get(4).strip(),
        number(f, 6, "latitude", -90, 90),
        number(f, 7, "longitude", -180, 180),
        number(f, 9, "elevation", -1000, 9999.9),
        number(f, 8, "time zone", -12, 14));
  }

  private List<WeatherYear.Ground> ground(List<String> f) throws UnreadableException {
    int n = f.size() < 2 || f.get(1).isBlank() ? 0 : (int) number(f, 1, "number of depths", 0, 50);
    List<WeatherYear.Ground> out = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      int from = 2 + i * 16;
      if (f.size() < from + 16) {
        notes.add(
            "The header says "
                + n
                + " depths of ground temperatures and has "
                + i
                + "; those that are there count.");
        break;
      }
      List<Double> months = new ArrayList<>();
      for (int m = 0; m < 12; m++) {
        months.add(number(f, from + 4 + m, "ground temperature", -70, 70));
      }
      out.add(new WeatherYear.Ground(number(f, from, "depth", 0, 100), months));
    }
    return out;
  }

  private void periods(List<String> f) throws UnreadableException {
    double n = number(f, 1, "number of data periods", 1, 100);
    if (n != 1) {
      throw at(2, "The file holds " + (int) n + " periods of data; one of a whole year is needed.");
    }
    perHour = (int) number(f, 2, "number of rows an hour", 1, 60);
    if (60 % perHour != 0) {
      throw at(3, perHour + " rows do not divide an hour into whole minutes.");
    }
    String day = f.size() > 4 ? f.get(4).strip().toLowerCase(Locale.ROOT) : "";
    List<String> days =
        List.of("monday", "tuesday", "wednesday", "thursday", "friday", "saturday", "sunday");
    weekday = days.indexOf(day) + 1;
    if (weekday == 0) {
      notes.add("The header names no weekday for the first day: it is taken for a Monday.");
      weekday = 1;
    }
  }

  private List<String> next() throws UnreadableException, IOException {
    String s = in.readLine();
    if (s == null) {
      return null;
    }
    line++;
    if (line == 1 && s.startsWith("\uFEFF")) {
      s = s.substring(1);
    }
    if (s.length() > LONGEST_LINE || s.indexOf('\0') >= 0) {
      throw at(1, "This is no EPW weather file: the line is no text of a sensible length.");
    }
    List<String> out = new ArrayList<>(36);
    int from = 0;
    for (int i = s.indexOf(','); i >= 0; i = s.indexOf(',', from)) {
      out.add(s.substring(from, i));
      from = i + 1;
    }
    out.add(s.substring(from));
    return out;
  }

  private double number(List<String> f, int i, String what, double least, double most)
      throws UnreadableException {
    String text = i < f.size() ? f.get(i).strip() : "";
    Double v = EpwRows.parse(text);
    if (v == null) {
      throw at(
          i + 1, "The " + what + " is no number" + (text.isEmpty() ? "." : ": " + cut(text) + "."));
    }
    if (!(v >= least && v <= most)) {
      throw at(
          i + 1,
          String.format(
              Locale.ROOT,
              "The %s is %s; it must lie between %s and %s.",
              what,
              cut(text),
              EpwRows.plain(least),
              EpwRows.plain(most)));
    }
    return v;
  }

  private static String cut(String s) {
    return s.length() > 40 ? s.substring(0, 40) + "…" : s;
  }

  /**
   * @param column the number of the field in its row, from 1
   */
  private UnreadableException at(int column, String message) {
    return new UnreadableException(message, line, column);
  }
}
