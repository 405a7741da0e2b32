package yentra.core.scope;

import java.util.ArrayList;
import java.util.List;
import yentra.core.scope.Condition.Subject;
import yentra.core.scope.Requirement.Need;
import yentra.core.scope.ScopeSheet.Gravity;
import yentra.core.units.Quantity;

/** The scope sheets that come with the product. Common practice, no source. */
public final class ShippedSheets {
  private ShippedSheets() {}

  public static List<ScopeSheet> all() {
    return List.of(geometry(), thermal(), programme());
  }

  /** Spaces and what bounds them, nothing else. */
  public static ScopeSheet geometry() {
    return new ScopeSheet(
        "Energy geometry",
        "Spaces and what separates them from each other and from outside: the geometry of an energy model.",
        false,
        false,
        bounding(),
        numbered(kept()));
  }

  /** The same, with the values that thermal properties are made from. */
  public static ScopeSheet thermal() {
    List<Requirement> asked = new ArrayList<>(kept());
    asked.add(
        property(
            "External or not", "IfcWall", "Pset_WallCommon", "IsExternal", ValueTest.PRESENT, ""));
    asked.add(material("Layers of walls", "IfcWall"));
    asked.add(material("Layers of slabs", "IfcSlab"));
    asked.add(material("Layers of roofs", "IfcRoof"));
    asked.add(
        property(
            "U-value of windows",
            "IfcWindow",
            "Pset_WindowCommon",
            "ThermalTransmittance",
            range(0.3, 7),
            Quantity.U_VALUE.si().symbol()));
    asked.add(
        property(
            "U-value of doors",
            "IfcDoor",
            "Pset_DoorCommon",
            "ThermalTransmittance",
            range(0.3, 7),
            Quantity.U_VALUE.si().symbol()));
    asked.add(attribute("Name of spaces", "IfcSpace", "Name"));
    return new ScopeSheet(
        "Energy geometry with thermal data",
        "Spaces and what bounds them, with layers, U-values and the names that uses are assigned by.",
        false,
        false,
        bounding(),
        numbered(asked));
  }

  /** Spaces with their names and areas, without what bounds them. */
  public static ScopeSheet programme() {
    List<ScopeRule> rules = new ArrayList<>();
    rules.add(
        in("IfcSpatialElement; IfcSpatialStructureElement", "site, building, storeys and spaces"));
    rules.add(in("IfcZone", "zones"));
    rules.addAll(gross());
    List<Requirement> asked = new ArrayList<>();
    asked.add(attribute("Number or name", "IfcSpace", "Name"));
    asked.add(attribute("Long name", "IfcSpace", "LongName"));
    asked.add(
        new Requirement(
            0,
            "Floor area",
            Selection.of("IfcSpace"),
            new Condition(
                Subject.PROPERTY,
                null,
                ValueTestText.read("NetFloorArea; GrossFloorArea"),
                new ValueTest.Range(0.0, false, null, false),
                "",
                "m²"),
            Need.REQUIRED,
            Gravity.WARNING,
            "the room schedule's area",
            ""));
    return new ScopeSheet(
        "Space programme",
        "Only the spaces, their names and areas: to compare with a room schedule.",
        false,
        false,
        number(rules),
        numbered(asked));
  }

  private static List<ScopeRule> bounding() {
    List<ScopeRule> rules = new ArrayList<>();
    rules.add(
        in("IfcSpatialElement; IfcSpatialStructureElement", "site, building, storeys and spaces"));
    rules.add(in("IfcZone", "zones"));
    rules.add(in("IfcWall; IfcCurtainWall", "walls"));
    rules.add(in("IfcSlab; IfcRoof", "floors and roofs"));
    rules.add(in("IfcWindow; IfcDoor", "glazing and doors"));
    rules.add(in("IfcOpeningElement", "the holes they stand in"));
    rules.add(in("IfcVirtualElement", "separators without construction"));
    rules.add(in("IfcShadingDevice", "shading"));
    rules.add(
        new ScopeRule(
            0,
            true,
            Selection.of(
                "IfcCovering",
                Condition.of(Subject.PREDEFINED_TYPE, ValueTestText.read("CEILING; ROOFING"))),
            "coverings that close a ceiling or a roof"));
    rules.add(
        partOf(
            true,
            "IfcPlate; IfcMember; IfcBuildingElementPart",
            "IfcCurtainWall; IfcRoof; IfcSlab; IfcWall",
            "parts of what bounds"));
    rules.add(partOf(false, "IfcSlab", "IfcStair; IfcRamp", "landings bound no space"));
    rules.addAll(gross());
    return number(rules);
  }

  private static List<ScopeRule> gross() {
    return List.of(
        new ScopeRule(
            0,
            false,
            Selection.of(
                "IfcSpace",
                Condition.of(Subject.PREDEFINED_TYPE, ValueTestText.read("GFA; EXTERNAL"))),
            "gross areas and outdoor spaces are no rooms"),
        new ScopeRule(
            0,
            false,
            Selection.of(
                "IfcSpace", Condition.of(Subject.NAME, ValueTestText.read("contains gross area"))),
            "gross areas wrap rooms"));
  }

  private static ScopeRule in(String classes, String note) {
    return new ScopeRule(0, true, Selection.of(classes), note);
  }

  private static ScopeRule partOf(boolean in, String classes, String whole, String note) {
    return new ScopeRule(
        0,
        in,
        Selection.of(classes, Condition.of(Subject.PART_OF, ValueTestText.read(whole))),
        note);
  }

  /** Properties that stay when others are dropped. */
  private static List<Requirement> kept() {
    List<Requirement> out = new ArrayList<>();
    String[][] table = {
      {"IfcWall", "Pset_WallCommon", "IsExternal; ThermalTransmittance; LoadBearing; FireRating"},
      {"IfcSlab", "Pset_SlabCommon", "IsExternal; ThermalTransmittance"},
      {"IfcRoof", "Pset_RoofCommon", "IsExternal; ThermalTransmittance"},
      {"IfcCurtainWall", "Pset_CurtainWallCommon", "IsExternal; ThermalTransmittance"},
      {"IfcWindow", "Pset_WindowCommon", "IsExternal; ThermalTransmittance; GlazingAreaFraction"},
      {"IfcDoor", "Pset_DoorCommon", "IsExternal; ThermalTransmittance; GlazingAreaFraction"},
      {"IfcSpace", "Pset_SpaceCommon", "IsExternal; Reference; PubliclyAccessible"},
      {"IfcSpace", "Pset_SpaceOccupancyRequirements", "OccupancyType; OccupancyNumber"},
      {"IfcSpace", "Pset_SpaceThermalRequirements", "any"}
    };
    for (String[] t : table) {
      out.add(
          new Requirement(
              0,
              "",
              Selection.of(t[0]),
              new Condition(
                  Subject.PROPERTY,
                  ValueTest.exactly(t[1]),
                  ValueTestText.read(t[2]),
                  ValueTest.PRESENT,
                  "",
                  ""),
              Need.KEPT,
              Gravity.NOTE,
              "",
              ""));
    }
    out.add(
        new Requirement(
            0,
            "Quantities of spaces",
            Selection.of("IfcSpace"),
            new Condition(
                Subject.PROPERTY,
                null,
                ValueTestText.read(
                    "NetFloorArea; GrossFloorArea; NetVolume; GrossVolume; Height; FinishCeilingHeight"),
                ValueTest.PRESENT,
                "",
                ""),
            Need.KEPT,
            Gravity.NOTE,
            "stated areas and volumes, held against the computed ones",
            ""));
    return out;
  }

  private static ValueTest range(double least, double most) {
    return new ValueTest.Range(least, true, most, true);
  }

  private static Requirement property(
      String title, String classes, String set, String name, ValueTest test, String unit) {
    return new Requirement(
        0,
        title,
        Selection.of(classes),
        new Condition(
            Subject.PROPERTY, ValueTest.exactly(set), ValueTest.exactly(name), test, "", unit),
        Need.REQUIRED,
        Gravity.WARNING,
        "",
        "");
  }

  private static Requirement material(String title, String classes) {
    return new Requirement(
        0,
        title,
        Selection.of(classes),
        Condition.of(Subject.MATERIAL, ValueTest.PRESENT),
        Need.REQUIRED,
        Gravity.WARNING,
        "",
        "");
  }

  private static Requirement attribute(String title, String classes, String name) {
    return new Requirement(
        0,
        title,
        Selection.of(classes),
        new Condition(Subject.ATTRIBUTE, null, ValueTest.exactly(name), ValueTest.PRESENT, "", ""),
        Need.REQUIRED,
        Gravity.WARNING,
        "",
        "");
  }

  /** Row 1 is the heading. */
  private static List<ScopeRule> number(List<ScopeRule> rules) {
    List<ScopeRule> out = new ArrayList<>();
    for (ScopeRule r : rules) {
      out.add(new ScopeRule(out.size() + 2, r.in(), r.selection(), r.note()));
    }
    return out;
  }

  private static List<Requirement> numbered(List<Requirement> asked) {
    List<Requirement> out = new ArrayList<>();
    for (Requirement r : asked) {
      out.add(
          new Requirement(
              out.size() + 2,
              r.title(),
              r.selection(),
              r.what(),
              r.need(),
              r.gravity(),
              r.note(),
              r.schemas()));
    }
    return out;
  }
}
