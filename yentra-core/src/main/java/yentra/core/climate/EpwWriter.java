package yentra.core.climate;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;

/** Writes a year of weather as an EPW file; what it does not hold is written as missing. */
public final class EpwWriter {
  private static final int DAY = 24;
  private static final List<String> WEEK =
      List.of("Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday");

  private EpwWriter() {}

  /**
   * @param comment a line that says where the values come from
   */
  public static byte[] write(WeatherYear w, String comment) {
    StringBuilder out = new StringBuilder();
    WeatherYear.Station s = w.station();
    line(
        out,
        "LOCATION,%s,%s,%s,%s,,%s,%s,%s,%s",
        text(s.name()),
        text(s.region()),
        text(s.country()),
        text(s.source()),
        EpwRows.plain(s.latitude()),
        EpwRows.plain(s.longitude()),
        EpwRows.plain(s.timeZone()),
        EpwRows.plain(s.elevation()));
    line(out, "DESIGN CONDITIONS,0");
    line(out, "TYPICAL/EXTREME PERIODS,0");
    out.append("GROUND TEMPERATURES,").append(w.ground().size());
    for (WeatherYear.Ground g : w.ground()) {
      out.append(',').append(EpwRows.plain(g.depth())).append(",,,");
      g.months().forEach(v -> out.append(',').append(String.format(Locale.ROOT, "%.2f", v)));
    }
    out.append('\n');
    line(out, "HOLIDAYS/DAYLIGHT SAVINGS,%s,0,0,0", w.isLeap() ? "Yes" : "No");
    line(out, "COMMENTS 1,%s", text(comment));
    line(out, "COMMENTS 2,");
    line(
        out,
        "DATA PERIODS,1,1,Data,%s,1/1,12/31",
        WEEK.get(w.date(0).getDayOfWeek().getValue() - 1));
    for (int h = 0; h < w.hours(); h++) {
      row(out, w, h);
    }
    return out.toString().getBytes(StandardCharsets.UTF_8);
  }

  private static void line(StringBuilder out, String format, Object... values) {
    out.append(String.format(Locale.ROOT, format, values)).append('\n');
  }

  /** The format has no way to write a comma within a field. */
  private static String text(String s) {
    return s.replace(',', ';').replaceAll("\\R", " ");
  }

  private static void row(StringBuilder out, WeatherYear w, int h) {
    line(
        out,
        "%d,%d,%d,%d,60,?9,%s,%s,%s,%s,9999,9999,%s,%s,%s,%s,999999,999999,999999,9999,%s,%s,%s,%s,9999,99999,9,999999999,999,999,999,99,999,999,99",
        w.date(h).getYear(),
        w.month(h),
        w.date(h).getDayOfMonth(),
        h % DAY + 1,
        value(w, h, WeatherQuantity.DRY_BULB, "%.2f", "99.9"),
        value(w, h, WeatherQuantity.DEW_POINT, "%.2f", "99.9"),
        value(w, h, WeatherQuantity.RELATIVE_HUMIDITY, "%.1f", "999"),
        value(w, h, WeatherQuantity.PRESSURE, "%.0f", "999999"),
        value(w, h, WeatherQuantity.HORIZONTAL_INFRARED, "%.2f", "9999"),
        value(w, h, WeatherQuantity.GLOBAL_HORIZONTAL, "%.2f", "9999"),
        value(w, h, WeatherQuantity.DIRECT_NORMAL, "%.2f", "9999"),
        value(w, h, WeatherQuantity.DIFFUSE_HORIZONTAL, "%.2f", "9999"),
        value(w, h, WeatherQuantity.WIND_DIRECTION, "%.0f", "999"),
        value(w, h, WeatherQuantity.WIND_SPEED, "%.2f", "999"),
        value(w, h, WeatherQuantity.SKY_COVER, "%.1f", "99"),
        value(w, h, WeatherQuantity.OPAQUE_SKY_COVER, "%.1f", "99"));
  }

  private static String value(
      WeatherYear w, int h, WeatherQuantity q, String format, String missing) {
    return w.has(q) ? String.format(Locale.ROOT, format, w.get(q, h)) : missing;
  }
}
