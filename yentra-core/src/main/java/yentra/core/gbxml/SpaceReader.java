package yentra.core.gbxml;

import static yentra.core.units.Quantity.AIR_FLOW;
import static yentra.core.units.Quantity.AREA_PER_PERSON;
import static yentra.core.units.Quantity.HEAT_PER_PERSON;
import static yentra.core.units.Quantity.POWER_DENSITY;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import yentra.core.envelope.Extras;
import yentra.core.envelope.InternalGains;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.Side;
import yentra.core.envelope.Space;
import yentra.core.envelope.UnreadableException;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Seam;
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
  private static final Set<String> ONCE =
      Set.of(
          "Name",
          "Area",
          "Volume",
          "ShellGeometry",
          "LightPowerPerArea",
          "EquipPowerPerArea",
          "InfiltrationFlow",
          "AirChangesPerHour");
  private static final Set<String> ONE_FACE = Set.of("PlanarGeometry");
  private static final Set<String> UNIT = Set.of("unit");

  private final Cursor cursor;
  private final Values values;
  private final References references;
  private final PolygonReader polygons;
  final List<Space> spaces = new ArrayList<>();

  /** Space boundaries by surface id, then by space key. */
  final Map<String, Map<String, Side>> sides = new HashMap<>();

  SpaceReader(Cursor cursor, Values values, References references, PolygonReader polygons) {
    this.cursor = cursor;
    this.values = values;
    this.references = references;
    this.polygons = polygons;
  }

  void space(Header h, String building) throws UnreadableException {
    Kept kept = Kept.except(cursor.attributes(), UNDERSTOOD);
    Space stated = attributes(h, building, kept);
    InternalGains.GainSchedules times = stated.gains().schedules();
    String name = "";
    Double area = null, volume = null;
    List<Polygon> shell = List.of();
    Gains gains = new Gains();
    Space.AirExchange air = Space.AirExchange.NONE;
    Set<String> seen = new HashSet<>();
    for (String c = cursor.child(kept, ONCE, seen); c != null; c = cursor.child(kept, ONCE, seen)) {
      switch (c) {
        case "Name" -> name = Values.text(cursor.leaf(kept), kept);
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
        case "SpaceBoundary" -> boundary(h.key(), kept);
        case "PeopleNumber" -> gains.people(cursor.leaf(kept), h, kept);
        case "PeopleHeatGain" -> gains.heat(cursor.leaf(kept), h, kept);
        case "LightPowerPerArea" ->
            gains.light =
                values.thermal(cursor.leaf(kept), h.key(), POWER_DENSITY, kept).orElse(null);
        case "EquipPowerPerArea" ->
            gains.equipment =
                values.thermal(cursor.leaf(kept), h.key(), POWER_DENSITY, kept).orElse(null);
        case "InfiltrationFlow" ->
            air =
                air.withFlow(
                    values.thermal(cursor.leaf(kept), h.key(), AIR_FLOW, kept).orElse(null));
        case "AirChangesPerHour" ->
            air = air.withChanges(values.number(cursor.leaf(kept), h.key(), kept).orElse(null));
        default -> {
          values.kept(c);
          kept.fragment(cursor.fragment());
        }
      }
    }
    spaces.add(
        stated
            .with()
            .name(name)
            .gains(gains.made().withSchedules(times))
            .air(air)
            .statedFloorArea(area)
            .statedVolume(volume)
            .shell(shell)
            .source(h.source(name))
            .extras(kept.extras())
            .build());
  }

  private Space attributes(Header h, String building, Kept kept) {
    String use = cursor.attribute("spaceType");
    return Space.of(h.key())
        .with()
        .storey(cursor.attribute("buildingStoreyIdRef"))
        .zone(cursor.attribute("zoneIdRef"))
        .building(building)
        .use(use == null ? "" : use)
        .condition(condition(h, kept))
        .gains(
            InternalGains.NONE.withSchedules(
                new InternalGains.GainSchedules(
                    cursor.attribute("peopleScheduleIdRef"),
                    cursor.attribute("lightScheduleIdRef"),
                    cursor.attribute("equipmentScheduleIdRef"))))
        .build();
  }

  /** People, light and equipment while they are read. */
  private final class Gains {
    private Double people;
    private Double area;
    private Double sensible;
    private Double latent;
    private Double light;
    private Double equipment;

    /** A number without a unit is one of people. The first of each kind counts. */
    void people(Leaf leaf, Header h, Kept kept) {
      String unit = leaf.attribute("unit");
      boolean number = unit == null || unit.equals("NumberOfPeople");
      if (number ? people != null : area != null) {
        again(leaf, h, kept);
      } else if (number) {
        people = values.number(leaf, h.key(), kept, Set.of("unit")).orElse(null);
        if (unit == null && people != null) {
          values.note(
              ReadNote.Kind.UNIT_ASSUMED,
              h.key(),
              leaf.name(),
              "NumberOfPeople",
              "PeopleNumber has no unit: a number of people assumed.",
              leaf.line(),
              leaf.column());
        }
      } else {
        area = values.thermal(leaf, h.key(), AREA_PER_PERSON, kept).orElse(null);
      }
    }

    /** The total and other kinds are kept as they stand. */
    void heat(Leaf leaf, Header h, Kept kept) {
      Set<String> understood = Set.of("unit", "heatGainType");
      String type = String.valueOf(leaf.attribute("heatGainType"));
      if (type.equals("Sensible") && sensible == null) {
        sensible = values.thermal(leaf, h.key(), HEAT_PER_PERSON, kept, understood).orElse(null);
      } else if (type.equals("Latent") && latent == null) {
        latent = values.thermal(leaf, h.key(), HEAT_PER_PERSON, kept, understood).orElse(null);
      } else if (type.equals("Sensible") || type.equals("Latent")) {
        again(leaf, h, kept);
      } else {
        kept.fragment(leaf.xml());
      }
    }

    private void again(Leaf leaf, Header h, Kept kept) {
      kept.fragment(leaf.xml());
      references.repeated(h.key(), leaf.name(), leaf.line(), leaf.column());
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
        ReadNote.Kind.BAD_VALUE,
        h.key(),
        "conditionType",
        condition,
        "conditionType \"" + Values.clip(condition) + "\" is not one of the standard's.",
        h.line(),
        h.column());
    return "";
  }

  private List<Polygon> shell(Kept kept) throws UnreadableException {
    LengthUnit unit = polygons.unit(values.length);
    kept.child("ShellGeometry", cursor.attributes(), UNIT);
    List<Polygon> faces = new ArrayList<>();
    Kept dropped = new Kept();
    int shells = 0;
    for (String c = cursor.child(dropped); c != null; c = cursor.child(dropped)) {
      if (c.equals("ClosedShell")) {
        shells++;
        closedShell(unit, faces, kept);
      } else {
        lost(c, "ShellGeometry");
        cursor.fragment();
      }
    }
    if (shells > 1) {
      lost("The division of the shell into several", "ShellGeometry");
    }
    if (!dropped.isEmpty()) {
      lost("A comment or text", "ShellGeometry");
    }
    return faces;
  }

  private void lost(String what, String where) {
    values.lost(
        cursor.owner(),
        where,
        what,
        what + " in " + where + " is not written back.",
        cursor.line(),
        cursor.column());
  }

  private void closedShell(LengthUnit unit, List<Polygon> faces, Kept kept)
      throws UnreadableException {
    LengthUnit own = polygons.unit(unit);
    kept.child("ClosedShell", cursor.attributes(), UNIT);
    Kept dropped = new Kept();
    for (String c = cursor.child(dropped); c != null; c = cursor.child(dropped)) {
      switch (c) {
        case "PolyLoop" -> faces.add(Seam.open(polygons.loop(own)));
        case "PlanarGeometry" -> {
          Polygon p = polygons.planarGeometry(own, kept, face(faces.size()));
          if (p != null) {
            faces.add(p);
          }
        }
        default -> {
          lost(c, "ClosedShell");
          cursor.fragment();
        }
      }
    }
    if (!dropped.isEmpty()) {
      lost("A comment or text", "ClosedShell");
    }
  }

  /** Under which the attributes of a shell's face are kept. */
  static String face(int i) {
    return "PlanarGeometry of the shell " + i;
  }

  private void boundary(String space, Kept spaceKept) throws UnreadableException {
    String surface = cursor.attribute("surfaceIdRef");
    int line = cursor.line();
    int column = cursor.column();
    Kept kept = Kept.except(cursor.attributes(), Set.of("surfaceIdRef"));
    Polygon face = null;
    Set<String> seen = new HashSet<>();
    for (String c = cursor.child(kept, ONE_FACE, seen);
        c != null;
        c = cursor.child(kept, ONE_FACE, seen)) {
      if (c.equals("PlanarGeometry")) {
        face = polygons.planarGeometry(values.length, kept, "PlanarGeometry");
      } else {
        kept.fragment(cursor.fragment());
      }
    }
    if (surface == null || face == null) {
      // says nothing of geometry; written back as it stands
      spaceKept.fragment(bare(surface, kept.extras()));
      return;
    }
    Map<String, Side> ofSurface = sides.computeIfAbsent(surface, k -> new HashMap<>(2));
    Side before = ofSurface.putIfAbsent(space, new Side(space, face, kept.extras(), Extras.NONE));
    if (before != null) {
      values.lost(
          space,
          "SpaceBoundary",
          surface,
          "A second SpaceBoundary of "
              + space
              + " names the surface "
              + surface
              + ": it is not written back.",
          line,
          column);
    }
  }

  /** A SpaceBoundary without geometry as XML. */
  private static String bare(String surface, Extras extras) {
    StringBuilder b = new StringBuilder("<SpaceBoundary");
    if (surface != null) {
      b.append(" surfaceIdRef=\"").append(XmlText.escapeAttribute(surface)).append('"');
    }
    extras.attributes().forEach(a -> XmlText.attribute(b, a));
    b.append('>');
    extras.fragments().forEach(b::append);
    return b.append("</SpaceBoundary>").toString();
  }
}
