package yentra.core.climate;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import yentra.core.envelope.UnreadableException;

/**
 * The rows of an EPW file, put in the order of a year from January on. Values of an hour that has
 * several rows are gathered; NaN stands for missing.
 */
final class EpwRows {
  private static final int[] DAYS = {31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31};
  private static final int HOURS = 8760;
  private static final int LEAP_HOURS = 8784;
  private static final int DAY = 24;

  /** Fewer fields than this hold no weather: up to the wind speed all are needed. */
  private static final int LEAST_FIELDS = 22;

  private static final int LEAP_DAY = 59;

  private final int perHour;
  private final List<String> notes;
  private final Map<WeatherQuantity, double[]> sums = new EnumMap<>(WeatherQuantity.class);
  private final Map<WeatherQuantity, int[]> counts = new EnumMap<>(WeatherQuantity.class);
  private final int[] rows = new int[LEAP_HOURS];
  private final int[] firstLine = new int[LEAP_HOURS];
  private final double[] windX = new double[LEAP_HOURS];
  private final double[] windY = new double[LEAP_HOURS];
  private int all;
  private boolean fromZero;
  private int firstDay;
  private int unlawful;

  EpwRows(int perHour, List<String> notes) {
    this.perHour = perHour;
    this.notes = notes;
    for (WeatherQuantity q : WeatherQuantity.values()) {
      sums.put(q, new double[LEAP_HOURS]);
      counts.put(q, new int[LEAP_HOURS]);
    }
  }

  int perHour() {
    return perHour;
  }

  void add(List<String> f, int line) throws UnreadableException {
    if (f.size() < LEAST_FIELDS) {
      throw new UnreadableException(
          "The row has "
              + f.size()
              + " fields; 35 are expected, and without the first "
              + LEAST_FIELDS
              + " it is no weather.",
          line,
          f.size());
    }
    int month = whole(f, 1, "month", 1, 12, line);
    int day = whole(f, 2, "day", 1, month == 2 ? 29 : DAYS[month - 1], line);
    int hour = hour(whole(f, 3, "hour", 0, DAY, line), line);
    int at = (dayOfLeapYear(month, day)) * DAY + hour;
    if (rows[at] == perHour) {
      throw new UnreadableException(
          String.format(
              Locale.ROOT,
              "There is more than one row for %02d-%02d, hour %d; the first is in line %d. Take one of them out.",
              month,
              day,
              hour + 1,
              firstLine[at]),
          line,
          4);
    }
    if (rows[at] == 0) {
      firstLine[at] = line;
    }
    firstDay = all == 0 ? at / DAY : firstDay;
    rows[at]++;
    all++;
    for (WeatherQuantity q : WeatherQuantity.values()) {
      double v = value(f, q, line);
      if (!Double.isNaN(v)) {
        sums.get(q)[at] += v;
        counts.get(q)[at]++;
        if (q == WeatherQuantity.WIND_DIRECTION) {
          windX[at] += Math.sin(Math.toRadians(v));
          windY[at] += Math.cos(Math.toRadians(v));
        }
      }
    }
  }

  private static int dayOfLeapYear(int month, int day) {
    int d = day - 1;
    for (int m = 1; m < month; m++) {
      d += m == 2 ? 29 : DAYS[m - 1];
    }
    return d;
  }

  /** Hours are numbered from 1 by their end; some files number them from 0 by their beginning. */
  private int hour(int said, int line) throws UnreadableException {
    if (all == 0) {
      fromZero = said == 0;
      if (fromZero) {
        notes.add("Hours are numbered from 0 to 23 in this file: 0 is taken for the first.");
      }
    }
    int h = fromZero ? said : said - 1;
    if (h < 0 || h >= DAY) {
      throw new UnreadableException(
          "The hour is "
              + said
              + "; the file numbers its hours from "
              + (fromZero ? "0 to 23." : "1 to 24."),
          line,
          4);
    }
    return h;
  }

  private double value(List<String> f, WeatherQuantity q, int line) throws UnreadableException {
    String text = q.field() < f.size() ? f.get(q.field()).strip() : "";
    if (text.isEmpty()) {
      return Double.NaN;
    }
    Double v = parse(text);
    if (v == null) {
      throw new UnreadableException(
          "The "
              + q.label()
              + " is no number: "
              + text.substring(0, Math.min(40, text.length()))
              + ".",
          line,
          q.field() + 1);
    }
    if (q.isMissing(v)) {
      return Double.NaN;
    }
    if (!q.isLawful(v)) {
      unlawful++;
      if (unlawful <= 5) {
        notes.add(
            String.format(
                Locale.ROOT,
                "Line %d: the %s is %s, outside %s; it counts as missing.",
                line,
                q.label(),
                plain(v),
                q.range()));
      }
      return Double.NaN;
    }
    return v;
  }

  private static int whole(List<String> f, int i, String what, int least, int most, int line)
      throws UnreadableException {
    Double v = parse(f.get(i).strip());
    if (v == null || v != Math.rint(v) || v < least || v > most) {
      throw new UnreadableException(
          "The " + what + " must be a whole number from " + least + " to " + most + ".",
          line,
          i + 1);
    }
    return v.intValue();
  }

  /** Checks that the year is whole. */
  void finish(int line) throws UnreadableException {
    if (unlawful > 5) {
      notes.add(unlawful + " values lie outside what is lawful; they count as missing.");
    }
    boolean leap = Arrays.stream(rows, LEAP_DAY * DAY, (LEAP_DAY + 1) * DAY).anyMatch(n -> n > 0);
    int expected = (leap ? LEAP_HOURS : HOURS) * perHour;
    if (all == expected) {
      return;
    }
    String first = firstGap(leap);
    throw new UnreadableException(
        String.format(
            Locale.ROOT,
            "The file ends after %,d rows; a %syear has %,d%s.%s Get a file of a whole year.",
            all,
            leap ? "leap " : "",
            expected,
            perHour == 1 ? "" : " with " + perHour + " rows an hour",
            first),
        line,
        1);
  }

  private String firstGap(boolean leap) {
    for (int at = 0; at < LEAP_HOURS; at++) {
      boolean leapDay = at / DAY == LEAP_DAY;
      if (rows[at] < perHour && (leap || !leapDay)) {
        int d = at / DAY;
        int m = 1;
        while (d >= (m == 2 ? 29 : DAYS[m - 1])) {
          d -= m == 2 ? 29 : DAYS[m - 1];
          m++;
        }
        return String.format(
            Locale.ROOT,
            " The first that is missing is %02d-%02d, hour %d.",
            m,
            d + 1,
            at % DAY + 1);
      }
    }
    return "";
  }

  /**
   * The weekday of the first of January, 1 for Monday.
   *
   * @param first that of the first row
   */
  int newYear(int first) {
    boolean leap = rows[LEAP_DAY * DAY] > 0;
    int before = firstDay - (!leap && firstDay > LEAP_DAY ? 1 : 0);
    return Math.floorMod(first - 1 - before, 7) + 1;
  }

  /** Values of the hours of the year; NaN where missing; sums of rows for radiation. */
  double[] hours(WeatherQuantity q) {
    boolean leap = rows[LEAP_DAY * DAY] > 0;
    double[] out = new double[leap ? LEAP_HOURS : HOURS];
    int to = 0;
    for (int at = 0; at < LEAP_HOURS; at++) {
      if (leap || at / DAY != LEAP_DAY) {
        out[to++] = hour(q, at);
      }
    }
    return out;
  }

  private double hour(WeatherQuantity q, int at) {
    int n = counts.get(q)[at];
    if (n == 0) {
      return Double.NaN;
    }
    if (q == WeatherQuantity.WIND_DIRECTION && n > 1) {
      double a = Math.toDegrees(Math.atan2(windX[at], windY[at]));
      return a < 0 ? a + 360 : a;
    }
    return sums.get(q)[at] / n;
  }

  /** A number as people and programs write it; null for none. */
  static Double parse(String text) {
    if (text.isEmpty() || text.length() > 40) {
      return null;
    }
    char c = text.charAt(text.length() - 1);
    if (!(c >= '0' && c <= '9' || c == '.')) {
      return null;
    }
    try {
      double v = Double.parseDouble(text);
      return Double.isFinite(v) ? v : null;
    } catch (NumberFormatException e) {
      return null;
    }
  }

  static String plain(double v) {
    return v == Math.rint(v) && Math.abs(v) < 1e15 ? Long.toString((long) v) : Double.toString(v);
  }
}
