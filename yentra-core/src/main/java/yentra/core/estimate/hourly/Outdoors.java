package yentra.core.estimate.hourly;

import java.time.LocalDate;
import yentra.core.climate.DesignDays;
import yentra.core.climate.WeatherQuantity;
import yentra.core.climate.WeatherYear;
import yentra.core.solar.SkySplit;
import yentra.core.solar.SunPosition;
import yentra.core.solar.Transposition;

/**
 * What is outdoors in each of some hours.
 *
 * @param dryBulb °C
 * @param sky temperature of the sky, °C
 * @param sun where it stands and what comes down; null at night
 * @param month 1 to 12
 * @param shade number of the sunlit share that holds: 24 · (month − 1) + hour of the day
 */
record Outdoors(
    double[] dryBulb, double[] sky, Transposition.Hour[] sun, int[] month, int[] shade) {
  private static final int DAY = 24;

  /** The sun shines in an hour whose middle has it up. */
  private static final double MIDDLE = 0.5;

  /** So many sunlit shares. */
  static final int SHADES = 12 * DAY;

  /** Days of the months that stand for them (Klein 1977, as in Duffie and Beckman; from memory). */
  private static final int[] MEAN_DAYS = {17, 16, 16, 15, 15, 11, 17, 16, 15, 15, 14, 10};

  int hours() {
    return dryBulb.length;
  }

  /** A whole year. */
  static Outdoors of(WeatherYear w, Network.Options o) {
    int n = w.hours();
    Outdoors out = blank(n);
    boolean known = o.sun() && w.has(WeatherQuantity.DIFFUSE_HORIZONTAL);
    for (int h = 0; h < n; h++) {
      out.dryBulb[h] = w.dryBulb(h);
      double sky = w.sky(h);
      out.sky[h] = Double.isNaN(sky) ? w.dryBulb(h) - Network.SKY : sky;
      out.month[h] = w.month(h);
      out.shade[h] = DAY * (w.month(h) - 1) + h % DAY;
      double direct = known ? w.get(WeatherQuantity.DIRECT_NORMAL, h) : 0;
      double diffuse = known ? w.get(WeatherQuantity.DIFFUSE_HORIZONTAL, h) : 0;
      if (direct > 0 || diffuse > 0) {
        out.sun[h] = sun(w, h, direct, diffuse, o);
      }
    }
    return out;
  }

  /** A day to design for. */
  static Outdoors of(WeatherYear w, DesignDays.Day d, Network.Options o) {
    Outdoors out = blank(DAY);
    for (int i = 0; i < DAY; i++) {
      out.dryBulb[i] = d.dryBulb()[i];
      out.sky[i] = Double.isNaN(d.sky()[i]) ? d.dryBulb()[i] - Network.SKY : d.sky()[i];
      out.month[i] = w.month(d.hour());
      out.shade[i] = DAY * (out.month[i] - 1) + i;
      if (o.sun() && (d.direct()[i] > 0 || d.diffuse()[i] > 0)) {
        out.sun[i] = sun(w, d.hour() + i, d.direct()[i], d.diffuse()[i], o);
      }
    }
    return out;
  }

  private static Outdoors blank(int n) {
    return new Outdoors(
        new double[n], new double[n], new Transposition.Hour[n], new int[n], new int[n]);
  }

  private static Transposition.Hour sun(
      WeatherYear w, int hour, double direct, double diffuse, Network.Options o) {
    return new Transposition.Hour(
        w.sun(hour),
        direct,
        diffuse,
        SkySplit.extraterrestrial(WeatherYear.day(hour) + 1),
        o.reflectance());
  }

  private static SunPosition position(WeatherYear w, LocalDate day, int hour) {
    WeatherYear.Station s = w.station();
    return SunPosition.of(day, hour + MIDDLE, s.timeZone(), s.latitude(), s.longitude());
  }

  /** The sun of the sunlit shares. */
  static SunPosition[] shades(WeatherYear w) {
    SunPosition[] out = new SunPosition[SHADES];
    for (int i = 0; i < SHADES; i++) {
      LocalDate day = LocalDate.of(w.date(0).getYear(), i / DAY + 1, MEAN_DAYS[i / DAY]);
      out[i] = position(w, day, i % DAY);
    }
    return out;
  }
}
