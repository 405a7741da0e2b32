package yentra.core.envelope;

import java.util.Objects;

/**
 * A group of spaces with the same conditions.
 *
 * @param heatingSetPoint °C, or null
 * @param coolingSetPoint °C, or null
 * @param air fresh air and humidity
 * @param schedules of its set-points and fresh air
 */
public record Zone(
    String key,
    String name,
    Double heatingSetPoint,
    Double coolingSetPoint,
    ZoneAir air,
    ZoneSchedules schedules,
    SourceRef source,
    Extras extras) {

  /** Of which only the set-points are stated. */
  public Zone(
      String key,
      String name,
      Double heatingSetPoint,
      Double coolingSetPoint,
      SourceRef source,
      Extras extras) {
    this(
        key,
        name,
        heatingSetPoint,
        coolingSetPoint,
        ZoneAir.NONE,
        ZoneSchedules.NONE,
        source,
        extras);
  }

  /**
   * Outdoor air that is supplied, and the humidity that is kept. Values are null when not stated;
   * flows of several kinds add up.
   *
   * @param perPerson l/s
   * @param perArea l/(s·m²) of floor
   * @param total l/s for the whole zone
   * @param leastHumidity relative, %
   * @param mostHumidity relative, %
   * @param changes air changes with outdoors, 1/h
   */
  public record ZoneAir(
      Double perPerson,
      Double perArea,
      Double total,
      Double leastHumidity,
      Double mostHumidity,
      Double changes) {
    public static final ZoneAir NONE = new ZoneAir(null, null, null, null, null);

    /** Of which no air changes are stated. */
    public ZoneAir(
        Double perPerson, Double perArea, Double total, Double leastHumidity, Double mostHumidity) {
      this(perPerson, perArea, total, leastHumidity, mostHumidity, null);
    }

    /** These where they are stated, else the others. */
    public ZoneAir over(ZoneAir other) {
      return new ZoneAir(
          first(perPerson, other.perPerson),
          first(perArea, other.perArea),
          first(total, other.total),
          first(leastHumidity, other.leastHumidity),
          first(mostHumidity, other.mostHumidity),
          first(changes, other.changes));
    }

    /** Only those values of these that the others do not say as well; null when there are none. */
    public ZoneAir without(ZoneAir other) {
      ZoneAir left =
          new ZoneAir(
              unless(perPerson, other.perPerson),
              unless(perArea, other.perArea),
              unless(total, other.total),
              unless(leastHumidity, other.leastHumidity),
              unless(mostHumidity, other.mostHumidity),
              unless(changes, other.changes));
      return left.equals(NONE) ? null : left;
    }

    private static <T> T unless(T a, T b) {
      return Objects.equals(a, b) ? null : a;
    }

    /** Flow of a zone, l/s; what is not stated counts as none. */
    public double flow(double people, double area) {
      return people * zero(perPerson) + area * zero(perArea) + zero(total);
    }

    private static double zero(Double v) {
      return v == null ? 0 : v;
    }

    private static <T> T first(T a, T b) {
      return a == null ? b : a;
    }
  }

  /** Keys of schedules as the delivery states them, or null; they may name what does not exist. */
  public record ZoneSchedules(String heating, String cooling, String air) {
    public static final ZoneSchedules NONE = new ZoneSchedules(null, null, null);
  }

  /** Its name, or its key where it has none. */
  public String label() {
    return name.isBlank() ? key : name;
  }

  public Zone withSetPoints(Double heating, Double cooling) {
    return new Zone(key, name, heating, cooling, air, schedules, source, extras);
  }

  public Zone withName(String n) {
    return new Zone(key, n, heatingSetPoint, coolingSetPoint, air, schedules, source, extras);
  }

  public Zone withAir(ZoneAir a) {
    return new Zone(key, name, heatingSetPoint, coolingSetPoint, a, schedules, source, extras);
  }

  public Zone withSchedules(ZoneSchedules t) {
    return new Zone(key, name, heatingSetPoint, coolingSetPoint, air, t, source, extras);
  }
}
