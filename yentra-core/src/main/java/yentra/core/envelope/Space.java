package yentra.core.envelope;

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
 * @param statedFloorArea m², or null
 * @param statedVolume m³, or null
 * @param shell the faces of its volume as delivered, in any direction; empty when the delivery has
 *     none
 */
public record Space(
    String key,
    String name,
    String storey,
    String zone,
    String building,
    String use,
    String condition,
    InternalGains gains,
    Double statedFloorArea,
    Double statedVolume,
    List<Polygon> shell,
    SourceRef source,
    Extras extras) {
  public Space {
    shell = List.copyOf(shell);
  }

  /** Of which nothing is said about people, light and equipment. */
  public Space(
      String key,
      String name,
      String storey,
      String zone,
      String building,
      String use,
      String condition,
      Double statedFloorArea,
      Double statedVolume,
      List<Polygon> shell,
      SourceRef source,
      Extras extras) {
    this(
        key,
        name,
        storey,
        zone,
        building,
        use,
        condition,
        InternalGains.NONE,
        statedFloorArea,
        statedVolume,
        shell,
        source,
        extras);
  }

  public Space withShell(List<Polygon> faces) {
    return new Space(
        key,
        name,
        storey,
        zone,
        building,
        use,
        condition,
        gains,
        statedFloorArea,
        statedVolume,
        faces,
        source,
        extras);
  }

  /** Without the area and volume that the delivery states. */
  public Space withoutStated() {
    return new Space(
        key, name, storey, zone, building, use, condition, gains, null, null, shell, source,
        extras);
  }

  /** The name, or the key when there is none. */
  public String label() {
    return name.isBlank() ? key : name;
  }

  public Space withName(String n) {
    return new Space(
        key,
        n,
        storey,
        zone,
        building,
        use,
        condition,
        gains,
        statedFloorArea,
        statedVolume,
        shell,
        source,
        extras);
  }

  public Space withStorey(String s) {
    return new Space(
        key,
        name,
        s,
        zone,
        building,
        use,
        condition,
        gains,
        statedFloorArea,
        statedVolume,
        shell,
        source,
        extras);
  }

  public Space withZone(String z) {
    return new Space(
        key,
        name,
        storey,
        z,
        building,
        use,
        condition,
        gains,
        statedFloorArea,
        statedVolume,
        shell,
        source,
        extras);
  }

  /** With another use and conditionType. */
  public Space withUse(String u, String c) {
    return new Space(
        key,
        name,
        storey,
        zone,
        building,
        u,
        c,
        gains,
        statedFloorArea,
        statedVolume,
        shell,
        source,
        extras);
  }

  public Space withGains(InternalGains g) {
    return new Space(
        key,
        name,
        storey,
        zone,
        building,
        use,
        condition,
        g,
        statedFloorArea,
        statedVolume,
        shell,
        source,
        extras);
  }

  public Space withExtras(Extras x) {
    return new Space(
        key,
        name,
        storey,
        zone,
        building,
        use,
        condition,
        gains,
        statedFloorArea,
        statedVolume,
        shell,
        source,
        x);
  }

  /** With other stated figures, null for none. */
  public Space withStated(Double floorArea, Double volume) {
    return new Space(
        key, name, storey, zone, building, use, condition, gains, floorArea, volume, shell, source,
        extras);
  }
}
