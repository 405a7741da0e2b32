package yentra.core.climate;

import java.time.LocalDate;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import yentra.core.envelope.UnreadableException;
import yentra.core.solar.SkySplit;
import yentra.core.solar.SunPosition;

/**
 * Fills what is missing of a year. States are taken on a straight line between the hours around a
 * gap; radiation follows from the other two of global, direct and diffuse, else from its split by
 * clearness, else from the same hour of the days around it. Long-wave radiation follows from dew
 * point and cloud where some of the year has it; a file without any stays without.
 */
final class Gaps {
  private static final int DAY = 24;

  /** Sum of a day's radiation over what arrives above the atmosphere that no sky lets through. */
  private static final double MORE_THAN_ANY_SKY = 1.15;

  /** cos of the zenith angle under which the split of low sun means nothing. */
  private static final double LOW_SUN = 0.065;

  private final Map<WeatherQuantity, double[]> values = new EnumMap<>(WeatherQuantity.class);
  private final Map<WeatherQuantity, Integer> missing = new EnumMap<>(WeatherQuantity.class);
  private final WeatherYear.Station station;
  private final List<String> notes;
  private final int hours;

  private Gaps(EpwRows rows, WeatherYear.Station station, List<String> notes) {
    this.station = station;
    this.notes = notes;
    for (WeatherQuantity q : WeatherQuantity.values()) {
      double[] v = rows.hours(q);
      values.put(q, v);
      int n = 0;
      for (double x : v) {
        n += Double.isNaN(x) ? 1 : 0;
      }
      missing.put(q, n);
    }
    hours = values.get(WeatherQuantity.DRY_BULB).length;
  }

  static Gaps fill(EpwRows rows, WeatherYear.Station station, List<String> notes)
      throws UnreadableException {
    Gaps g = new Gaps(rows, station, notes);
    int dry = g.missing.get(WeatherQuantity.DRY_BULB);
    if (2 * dry > g.hours) {
      throw new UnreadableException(
          String.format(
              Locale.ROOT,
              "The dry bulb temperature is missing in %,d of %,d hours: too much to be filled. Get another file.",
              dry,
              g.hours),
          9,
          WeatherQuantity.DRY_BULB.field() + 1);
    }
    double[] cosines = g.cosines();
    g.powers(rows.perHour(), cosines);
    g.states();
    g.sun(cosines);
    g.infrared();
    return g;
  }

  Map<WeatherQuantity, double[]> values() {
    return values;
  }

  Map<WeatherQuantity, Integer> missing() {
    return missing;
  }

  private double[] of(WeatherQuantity q) {
    return values.get(q);
  }

  /** cos of the sun's zenith angle in the middle of each hour. */
  private double[] cosines() {
    double[] out = new double[hours];
    LocalDate first = LocalDate.of(hours > 365 * DAY ? 2024 : 2018, 1, 1);
    for (int h = 0; h < hours; h++) {
      out[h] =
          SunPosition.of(
                  first.plusDays(h / DAY),
                  h % DAY + 0.5,
                  station.timeZone(),
                  station.latitude(),
                  station.longitude())
              .cosine();
    }
    return out;
  }

  private double above(int hour, double[] cosines) {
    return SkySplit.extraterrestrial(hour / DAY + 1) * Math.max(0, cosines[hour]);
  }

  /**
   * Radiation of rows shorter than an hour is the energy of the row by the format; some files write
   * its mean power, which shows when the sums are more than any sky lets through.
   */
  private void powers(int perHour, double[] cosines) {
    if (perHour == 1) {
      return;
    }
    double sum = 0;
    double most = 0;
    double[] global = of(WeatherQuantity.GLOBAL_HORIZONTAL);
    for (int h = 0; h < hours; h++) {
      if (!Double.isNaN(global[h])) {
        sum += global[h] * perHour;
        most += above(h, cosines);
      }
    }
    boolean energies = sum <= MORE_THAN_ANY_SKY * most;
    notes.add(
        energies
            ? "Radiation of the "
                + perHour
                + " rows of an hour is added up: each is the energy of its time."
            : "Radiation of the "
                + perHour
                + " rows of an hour is averaged: each is a mean power.");
    for (WeatherQuantity q : WeatherQuantity.values()) {
      if (q.isSun() && energies) {
        double[] v = of(q);
        for (int h = 0; h < hours; h++) {
          v[h] *= perHour;
        }
      }
    }
  }

  private void states() {
    line(WeatherQuantity.DRY_BULB);
    line(WeatherQuantity.RELATIVE_HUMIDITY);
    line(WeatherQuantity.PRESSURE);
    line(WeatherQuantity.WIND_SPEED);
    line(WeatherQuantity.SKY_COVER);
    hold(of(WeatherQuantity.WIND_DIRECTION));
    double[] dew = of(WeatherQuantity.DEW_POINT);
    double[] humidity = of(WeatherQuantity.RELATIVE_HUMIDITY);
    double[] dry = of(WeatherQuantity.DRY_BULB);
    for (int h = 0; h < hours; h++) {
      if (Double.isNaN(dew[h]) && !Double.isNaN(humidity[h])) {
        dew[h] = MoistAir.dewPoint(dry[h], humidity[h]);
      }
      if (Double.isNaN(humidity[h]) && !Double.isNaN(dew[h])) {
        humidity[h] =
            Math.min(100, 100 * MoistAir.saturation(dew[h]) / MoistAir.saturation(dry[h]));
      }
    }
    line(WeatherQuantity.DEW_POINT);
    line(WeatherQuantity.RELATIVE_HUMIDITY);
    double[] opaque = of(WeatherQuantity.OPAQUE_SKY_COVER);
    double[] cover = of(WeatherQuantity.SKY_COVER);
    for (int h = 0; h < hours; h++) {
      opaque[h] = Double.isNaN(opaque[h]) ? cover[h] : opaque[h];
    }
    line(WeatherQuantity.OPAQUE_SKY_COVER);
  }

  /** On a straight line between the hours around, the year taken as a ring. */
  private void line(WeatherQuantity q) {
    double[] v = of(q);
    int first = next(v, -1);
    if (first < 0) {
      return;
    }
    double[] old = v.clone();
    for (int h = 0; h < hours; h++) {
      if (Double.isNaN(old[h])) {
        int before = 1;
        while (Double.isNaN(old[Math.floorMod(h - before, hours)])) {
          before++;
        }
        int after = next(old, h);
        int ahead = after < 0 ? Math.floorMod(next(old, -1) - h, hours) : after - h;
        double a = old[Math.floorMod(h - before, hours)];
        double b = old[(h + ahead) % hours];
        v[h] = a + (b - a) * before / (before + ahead);
      }
    }
  }

  private static int next(double[] v, int after) {
    for (int h = after + 1; h < v.length; h++) {
      if (!Double.isNaN(v[h])) {
        return h;
      }
    }
    return -1;
  }

  private void hold(double[] v) {
    int first = next(v, -1);
    double last = first < 0 ? Double.NaN : v[first];
    for (int h = 0; h < hours; h++) {
      last = Double.isNaN(v[h]) ? last : v[h];
      v[h] = last;
    }
  }

  private void sun(double[] cosines) {
    double[] global = of(WeatherQuantity.GLOBAL_HORIZONTAL);
    double[] direct = of(WeatherQuantity.DIRECT_NORMAL);
    double[] diffuse = of(WeatherQuantity.DIFFUSE_HORIZONTAL);
    for (int h = 0; h < hours; h++) {
      double up = Math.max(0, cosines[h]);
      if (Double.isNaN(global[h]) && !Double.isNaN(direct[h]) && !Double.isNaN(diffuse[h])) {
        global[h] = diffuse[h] + direct[h] * up;
      }
    }
    sameHour(global);
    for (int h = 0; h < hours; h++) {
      double up = Math.max(0, cosines[h]);
      if (Double.isNaN(global[h])) {
        continue;
      }
      if (Double.isNaN(diffuse[h])) {
        double above = above(h, cosines);
        diffuse[h] =
            !Double.isNaN(direct[h])
                ? Math.max(0, global[h] - direct[h] * up)
                : up < LOW_SUN ? global[h] : global[h] * SkySplit.diffuseShare(global[h] / above);
      }
      if (Double.isNaN(direct[h])) {
        direct[h] = up < LOW_SUN ? 0 : Math.max(0, global[h] - diffuse[h]) / up;
      }
    }
    sameHour(direct);
    sameHour(diffuse);
  }

  /** From the nearest days on either side that have the hour. */
  private void sameHour(double[] v) {
    double[] old = v.clone();
    int days = hours / DAY;
    for (int h = 0; h < hours; h++) {
      if (Double.isNaN(old[h])) {
        double sum = 0;
        int n = 0;
        for (int d = 1; d <= days && n == 0; d++) {
          for (int way : new int[] {-d, d}) {
            double x = old[Math.floorMod(h + way * DAY, hours)];
            if (!Double.isNaN(x)) {
              sum += x;
              n++;
            }
          }
        }
        v[h] = n == 0 ? Double.NaN : sum / n;
      }
    }
  }

  private void infrared() {
    for (WeatherQuantity q : WeatherQuantity.values()) {
      if (Double.isNaN(of(q)[0]) && q != WeatherQuantity.HORIZONTAL_INFRARED) {
        values.remove(q);
        notes.add("The file has no " + q.label() + ".");
      }
    }
    if (missing.get(WeatherQuantity.HORIZONTAL_INFRARED) == hours) {
      values.remove(WeatherQuantity.HORIZONTAL_INFRARED);
      notes.add(
          "The file has no horizontal infrared radiation: the sky is taken for 11 K colder than the air.");
      return;
    }
    double[] v = of(WeatherQuantity.HORIZONTAL_INFRARED);
    boolean known =
        values.containsKey(WeatherQuantity.DEW_POINT)
            && values.containsKey(WeatherQuantity.OPAQUE_SKY_COVER);
    for (int h = 0; h < hours && known; h++) {
      if (Double.isNaN(v[h])) {
        v[h] =
            LongWaveSky.radiation(
                of(WeatherQuantity.DRY_BULB)[h],
                of(WeatherQuantity.DEW_POINT)[h],
                of(WeatherQuantity.OPAQUE_SKY_COVER)[h]);
      }
    }
    line(WeatherQuantity.HORIZONTAL_INFRARED);
  }
}
