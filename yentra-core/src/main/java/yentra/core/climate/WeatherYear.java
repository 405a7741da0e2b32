package yentra.core.climate;

import java.time.LocalDate;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import yentra.core.solar.SunPosition;

/**
 * The weather of a year, hour by hour, without gaps. Hour 0 ends at 1 o'clock local standard time
 * on the first of January; radiation is the mean of the hour in W/m², everything else counts for
 * the whole hour.
 */
public final class WeatherYear {
  private static final int DAY = 24;
  private static final int LEAP = 366 * DAY;

  /**
   * Where the weather was observed.
   *
   * @param latitude degrees north
   * @param longitude degrees east
   * @param elevation m above sea level
   * @param timeZone hours ahead of UTC, without summer time
   */
  public record Station(
      String name,
      String region,
      String country,
      String source,
      double latitude,
      double longitude,
      double elevation,
      double timeZone) {
    /** Its name with region and country. */
    public String label() {
      StringBuilder out = new StringBuilder(name);
      for (String s : List.of(region, country)) {
        if (!s.isBlank() && !s.equals("-")) {
          out.append(out.isEmpty() ? "" : ", ").append(s);
        }
      }
      return out.toString();
    }
  }

  /**
   * Monthly temperatures of undisturbed ground.
   *
   * @param depth m
   * @param months °C, January first
   */
  public record Ground(double depth, List<Double> months) {
    public Ground {
      months = List.copyOf(months);
    }
  }

  private final Station station;
  private final Map<WeatherQuantity, double[]> values;
  private final Map<WeatherQuantity, Integer> missing;

  /** Worked out when first asked for: an estimate needs all of them, and every run the same. */
  private volatile SunPosition[] suns;

  private final List<Ground> ground;
  private final List<String> notes;
  private final int hours;
  private final LocalDate first;
  private final int[] months;

  /**
   * @param values of every quantity for each hour; those that the file has nothing of are left out
   * @param missing hours of each that were filled
   * @param firstWeekday of the first of January, 1 for Monday
   * @param notes what was assumed, as sentences
   */
  public WeatherYear(
      Station station,
      Map<WeatherQuantity, double[]> values,
      Map<WeatherQuantity, Integer> missing,
      List<Ground> ground,
      int firstWeekday,
      List<String> notes) {
    this.station = station;
    this.values = new EnumMap<>(values);
    this.missing = Map.copyOf(missing);
    this.ground = List.copyOf(ground);
    this.notes = List.copyOf(notes);
    this.hours = values.get(WeatherQuantity.DRY_BULB).length;
    this.first = first(firstWeekday, hours == LEAP);
    this.months = new int[hours / DAY];
    for (int d = 0; d < months.length; d++) {
      months[d] = first.plusDays(d).getMonthValue();
    }
  }

  public Station station() {
    return station;
  }

  /** 8,760, or 8,784 with a 29th of February. */
  public int hours() {
    return hours;
  }

  public boolean has(WeatherQuantity q) {
    return values.containsKey(q);
  }

  /**
   * A value of an hour.
   *
   * @throws NullPointerException when the file has nothing of it; ask {@link #has} first
   */
  public double get(WeatherQuantity q, int hour) {
    return values.get(q)[hour];
  }

  /** °C. */
  public double dryBulb(int hour) {
    return get(WeatherQuantity.DRY_BULB, hour);
  }

  /** All values of a quantity, a copy. */
  public double[] all(WeatherQuantity q) {
    return values.get(q).clone();
  }

  /** Hours of which a quantity was missing and has been filled. */
  public int missing(WeatherQuantity q) {
    return missing.getOrDefault(q, 0);
  }

  public List<Ground> ground() {
    return ground;
  }

  public List<String> notes() {
    return notes;
  }

  public boolean isLeap() {
    return hours == LEAP;
  }

  /** The day of the year of an hour, from 0. */
  public static int day(int hour) {
    return hour / DAY;
  }

  /** The month of an hour, 1 to 12. */
  public int month(int hour) {
    return months[day(hour)];
  }

  /**
   * The date of an hour in a year whose weekdays are those that the file says: of the calendar's
   * recent years the one that begins on that day.
   */
  public LocalDate date(int hour) {
    return first.plusDays(day(hour));
  }

  private static LocalDate first(int weekday, boolean leap) {
    LocalDate d = LocalDate.of(leap ? 2024 : 2018, 1, 1);
    // among 28 years in a row each weekday begins a common and a leap year
    while (d.getDayOfWeek().getValue() != weekday || d.isLeapYear() != leap) {
      d = d.plusYears(1);
    }
    return d;
  }

  /** Mean over the year. */
  public double mean(WeatherQuantity q) {
    double sum = 0;
    for (double v : values.get(q)) {
      sum += v;
    }
    return sum / hours;
  }

  /** Means of the months, January first. */
  public double[] monthly(WeatherQuantity q) {
    double[] sum = new double[12];
    int[] n = new int[12];
    double[] v = values.get(q);
    for (int day = 0; day < hours / DAY; day++) {
      int m = months[day] - 1;
      for (int h = day * DAY; h < (day + 1) * DAY; h++) {
        sum[m] += v[h];
        n[m]++;
      }
    }
    for (int m = 0; m < 12; m++) {
      sum[m] /= n[m];
    }
    return sum;
  }

  /** Temperature of the sky in an hour, °C, by its long-wave radiation; NaN without it. */
  public double sky(int hour) {
    return has(WeatherQuantity.HORIZONTAL_INFRARED)
        ? LongWaveSky.temperature(get(WeatherQuantity.HORIZONTAL_INFRARED, hour))
        : Double.NaN;
  }

  /** Where the sun stands in the middle of an hour, from 0. */
  public SunPosition sun(int hour) {
    SunPosition[] known = suns;
    if (known == null) {
      known = new SunPosition[hours()];
      for (int h = 0; h < known.length; h++) {
        known[h] =
            SunPosition.of(
                date(h),
                h % DAY + 0.5,
                station.timeZone(),
                station.latitude(),
                station.longitude());
      }
      suns = known;
    }
    return known[hour];
  }
}
