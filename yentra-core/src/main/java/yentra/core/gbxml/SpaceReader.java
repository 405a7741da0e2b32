package yentra.core.gbxml;

import static yentra.core.units.ThermalUnit.Quantity.AREA_PER_PERSON;
import static yentra.core.units.ThermalUnit.Quantity.HEAT_PER_PERSON;
import static yentra.core.units.ThermalUnit.Quantity.POWER_DENSITY;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import yentra.core.envelope.Extras;
import yentra.core.envelope.InternalGains;
import yentra.core.envelope.Side;
import yentra.core.envelope.Space;
import yentra.core.envelope.UnreadableException;
import yentra.core.geometry.Polygon;
import yentra.core.units.LengthUnit;

/** Reads spaces with their shells and space boundaries. */
final class SpaceReader {
  private static final Set<String> UNDERSTOOD =
      Set.of(
          "id",
          "zoneIdRef",
          "buildingStoreyIdRef",
          "spaceType",
          "conditionType",
          "peopleScheduleIdRef",
          "lightScheduleIdRef",
          "equipmentScheduleIdRef");
  private static final Set<String> CONDITIONS =
      Set.of(
          "Heated", "Cooled", "HeatedAndCooled", "Unconditioned", "Vented", "NaturallyVentedOnly");
  private final Cursor cursor;
  private final Values values;
  private final PolygonReader polygons;
  final List<Space> spaces = new ArrayList<>();

  /** Space boundaries by surface id, then by space key. */
  final Map<String, Map<String, Side>> sides = new HashMap<>();

  SpaceReader(Cursor cursor, Values values, PolygonReader polygons) {
    this.cursor = cursor;
    this.values = values;
    this.polygons = polygons;
  }

  void space(Header h, String building) throws UnreadableException {
    Kept kept = Kept.except(cursor.attributes(), UNDERSTOOD);
    String zone = cursor.attribute("zoneIdRef");
    String storey = cursor.attribute("buildingStoreyIdRef");
    String use = cursor.attribute("spaceType");
    String condition = condition(h, kept);
    InternalGains.GainSchedules times =
        new InternalGains.GainSchedules(
            cursor.attribute("peopleScheduleIdRef"),
            cursor.attribute("lightScheduleIdRef"),
            cursor.attribute("equipmentScheduleIdRef"));
    String name = "";
    Double area = null, volume = null;
    List<Polygon> shell = List.of();
    Gains gains = new Gains();
    for (String c = cursor.child(kept); c != null; c = cursor.child(kept)) {
      switch (c) {
        case "Name" -> name = cursor.leaf(kept).text();
        case "Area" ->
            area =
                values
                    .number(cursor.leaf(kept), h.key(), kept)
                    .map(d -> d * values.area.squareMetres())
                    .orElse(null);
        case "Volume" ->
            volume =
                values
                    .number(cursor.leaf(kept), h.key(), kept)
                    .map(d -> d * values.volume.cubicMetres())
                    .orElse(null);
        case "ShellGeometry" -> shell = shell(kept);
        case "SpaceBoundary" -> boundary(h.key());
        case "PeopleNumber" -> gains.people(cursor.leaf(kept), h.key(), kept);
        case "PeopleHeatGain" -> gains.heat(cursor.leaf(kept), h.key(), kept);
        case "LightPowerPerArea" ->
            gains.light =
                values.thermal(cursor.leaf(kept), h.key(), POWER_DENSITY, kept).orElse(null);
        case "EquipPowerPerArea" ->
            gains.equipment =
                values.thermal(cursor.leaf(kept), h.key(), POWER_DENSITY, kept).orElse(null);
        default -> kept.fragment(cursor.fragment());
      }
    }
    spaces.add(
        new Space(
            h.key(),
            name,
            storey,
            zone,
            building,
            use == null ? "" : use,
            condition,
            gains.made().withSchedules(times),
            area,
            volume,
            shell,
            h.source(name),
            kept.extras()));
  }

  /** People, light and equipment while they are read. */
  private final class Gains {
    private Double people;
    private Double area;
    private Double sensible;
    private Double latent;
    private Double light;
    private Double equipment;

    void people(Leaf leaf, String space, Kept kept) {
      if ("NumberOfPeople".equals(leaf.attribute("unit"))) {
        people = values.number(leaf, space, kept).orElse(null);
      } else {
        area = values.thermal(leaf, space, AREA_PER_PERSON, kept).orElse(null);
      }
    }

    /** The total and other kinds are kept as they stand. */
    void heat(Leaf leaf, String space, Kept kept) {
      switch (String.valueOf(leaf.attribute("heatGainType"))) {
        case "Sensible" ->
            sensible = values.thermal(leaf, space, HEAT_PER_PERSON, kept).orElse(null);
        case "Latent" -> latent = values.thermal(leaf, space, HEAT_PER_PERSON, kept).orElse(null);
        default -> kept.fragment(leaf.xml());
      }
    }

    InternalGains made() {
      return new InternalGains(people, area, sensible, latent, light, equipment);
    }
  }

  private String condition(Header h, Kept kept) {
    String condition = cursor.attribute("conditionType");
    if (condition == null || CONDITIONS.contains(condition)) {
      return condition == null ? "" : condition;
    }
    kept.attribute("conditionType", condition);
    values.note(
        yentra.core.envelope.ReadNote.Kind.BAD_VALUE,
        h.key(),
        "conditionType",
        condition,
        "conditionType \"" + Values.clip(condition) + "\" is not one of the standard's.",
        h.line(),
        h.column());
    return "";
  }

  private List<Polygon> shell(Kept spaceKept) throws UnreadableException {
    LengthUnit unit = polygons.unit(values.length);
    List<Polygon> faces = new ArrayList<>();
    for (String c = cursor.child(spaceKept); c != null; c = cursor.child(spaceKept)) {
      if (c.equals("ClosedShell")) {
        closedShell(unit, faces, spaceKept);
      } else {
        cursor.fragment();
      }
    }
    return faces;
  }

  private void closedShell(LengthUnit unit, List<Polygon> faces, Kept kept)
      throws UnreadableException {
    LengthUnit own = polygons.unit(unit);
    for (String c = cursor.child(kept); c != null; c = cursor.child(kept)) {
      switch (c) {
        case "PolyLoop" -> faces.add(Polygon.of(polygons.loop(own)));
        case "PlanarGeometry" -> {
          Polygon p = polygons.planarGeometry(own);
          if (p != null) {
            faces.add(p);
          }
        }
        default -> cursor.fragment();
      }
    }
  }

  private void boundary(String space) throws UnreadableException {
    String surface = cursor.attribute("surfaceIdRef");
    List<Extras.Attribute> attributes = cursor.attributes();
    Kept kept = Kept.except(attributes, Set.of("surfaceIdRef"));
    Polygon face = null;
    for (String c = cursor.child(kept); c != null; c = cursor.child(kept)) {
      if (c.equals("PlanarGeometry")) {
        face = polygons.planarGeometry(values.length);
      } else {
        kept.fragment(cursor.fragment());
      }
    }
    if (surface != null && face != null) {
      sides
          .computeIfAbsent(surface, k -> new HashMap<>(2))
          .put(space, new Side(space, face, kept.extras(), Extras.NONE));
    }
  }
}
