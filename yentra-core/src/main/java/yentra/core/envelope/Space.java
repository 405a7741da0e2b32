package yentra.core.envelope;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import yentra.core.geometry.Polygon;

/**
 * A room: a volume of air.
 *
 * @param storey key of its storey as the delivery states it, or null; it may name one that does not
 *     exist
 * @param zone key of its zone as the delivery states it, or null
 * @param building key of its building
 * @param use gbXML's spaceType or the IFC object type, or empty
 * @param condition gbXML's conditionType, or empty
 * @param gains people, light and equipment
 * @param air exchange with outdoors that nobody controls
 * @param statedFloorArea m², or null
 * @param statedVolume m³, or null
 * @param shell the faces of its volume as delivered, in any direction; empty when the delivery has
 *     none
 */
@RecordBuilder
public record Space(
    String key,
    String name,
    String storey,
    String zone,
    String building,
    String use,
    String condition,
    InternalGains gains,
    AirExchange air,
    Double statedFloorArea,
    Double statedVolume,
    List<Polygon> shell,
    SourceRef source,
    Extras extras)
    implements SpaceBuilder.With {
  public Space {
    shell = List.copyOf(shell);
  }

  /**
   * Outdoor air that comes in by itself. Values are null when not stated.
   *
   * @param flow l/s
   * @param changes 1/h
   */
  public record AirExchange(Double flow, Double changes) {
    public static final AirExchange NONE = new AirExchange(null, null);

    public AirExchange withFlow(Double f) {
      return new AirExchange(f, changes);
    }

    public AirExchange withChanges(Double c) {
      return new AirExchange(flow, c);
    }

    /** Air changes of a volume in m³, 1/h; null when neither is stated. */
    public Double changes(double volume) {
      return changes != null
          ? changes
          : flow == null || volume <= 0 ? null : (Double) (flow * 3.6 / volume);
    }
  }

  /** Of which nothing is known but its key. */
  public static Space of(String key) {
    return new Space(
        key,
        "",
        null,
        null,
        null,
        "",
        "",
        InternalGains.NONE,
        AirExchange.NONE,
        null,
        null,
        List.of(),
        SourceRef.REPAIR,
        Extras.NONE);
  }

  /** The name, or the key when there is none. */
  public String label() {
    return name.isBlank() ? key : name;
  }

  /** With another use and conditionType. */
  public Space withUse(String u, String c) {
    return with().use(u).condition(c).build();
  }

  /** With other stated figures, null for none. */
  public Space withStated(Double floorArea, Double volume) {
    return with().statedFloorArea(floorArea).statedVolume(volume).build();
  }

  /** Without the area and volume that the delivery states. */
  public Space withoutStated() {
    return withStated(null, null);
  }
}
