package yentra.core.envelope;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Objects;

/**
 * A group of spaces with the same conditions.
 *
 * @param heatingSetPoint °C, or null
 * @param coolingSetPoint °C, or null
 * @param air fresh air and humidity
 * @param schedules of its set-points and fresh air
 */
@RecordBuilder
public record Zone(
    String key,
    String name,
    Double heatingSetPoint,
    Double coolingSetPoint,
    ZoneAir air,
    ZoneSchedules schedules,
    SourceRef source,
    Extras extras)
    implements ZoneBuilder.With {

  /** Of which nothing is known but its key. */
  public static Zone of(String key) {
    return new Zone(
        key, "", null, null, ZoneAir.NONE, ZoneSchedules.NONE, SourceRef.REPAIR, Extras.NONE);
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
    return with().heatingSetPoint(heating).coolingSetPoint(cooling).build();
  }
}
