package yentra.core.gbxml;

import java.io.IOException;
import java.io.OutputStream;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Building;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Delivered;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Side;
import yentra.core.envelope.Site;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Space;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Seam;
import yentra.core.units.Quantity;

/**
 * Writes an {@link Envelope} as gbXML, children in the order of the schema, also those that are
 * carried along.
 *
 * <p>Lengths, areas, volumes and temperatures are written in the units that the delivered document
 * declared, so that what is carried over from it unchanged keeps its meaning; thermal values are
 * written in SI with their unit. Every number reads back as the same number. RectangularGeometry is
 * computed anew from the polygons; it has their area. Polygons with holes are one loop, with a seam
 * to each hole ({@link Seam}). What only construction lies behind is a surface of an interior type
 * with one space and the Description "Adiabatic"; what nobody knows is "Not resolved". The bytes
 * depend on the envelope alone.
 */
public final class GbxmlWriter {
  /** The version that brought exposedToSun. */
  private static final String SUN_SINCE =
      GbxmlRules.STANDARD.of("Surface").attributes().get("exposedToSun").since();

  private static final String NAMESPACE = "http://www.gbxml.org/schema";
  private final GbxmlOutput out;
  private final GeometryWriter geometry;
  private final ConstructionWriter constructions;
  private final ConditionWriter conditions;
  private final Envelope envelope;
  private final SurfaceTypes types;
  private final GbxmlVersion version;

  private GbxmlWriter(
      Envelope envelope, SurfaceTypes types, GbxmlVersion version, OutputStream out) {
    this.types = types;
    this.version = version;
    this.envelope = envelope;
    this.out = new GbxmlOutput(envelope.delivered(), out);
    this.geometry = new GeometryWriter(this.out, envelope.site());
    this.constructions = new ConstructionWriter(this.out);
    this.conditions = new ConditionWriter(this.out);
  }

  /**
   * Writes the document in UTF-8; the caller closes the stream.
   *
   * @param envelope one that holds nothing which the version does not know ({@link VersionFit})
   * @throws IOException when the stream does
   */
  public static void write(
      Envelope envelope, SurfaceTypes types, GbxmlVersion version, OutputStream out)
      throws IOException {
    new GbxmlWriter(envelope, types, version, out).document();
  }

  /** Whether a name can be written: XML has no place for control characters. */
  public static boolean canHold(String name) {
    return XmlText.holds(name);
  }

  private void document() throws IOException {
    out.append("<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n");
    out.frame().prologue().forEach(p -> out.append(p).append("\n"));
    out.append("<gbXML xmlns=\"").append(NAMESPACE).append("\"");
    out.attribute("temperatureUnit", out.frame().temperature());
    out.attribute("lengthUnit", GbxmlUnits.length(out.frame().length()));
    out.attribute("areaUnit", GbxmlUnits.area(out.frame().area()));
    out.attribute("volumeUnit", GbxmlUnits.volume(out.frame().volume()));
    if (out.frame().root().attributes().stream()
        .noneMatch(a -> a.name().equals("useSIUnitsForResults"))) {
      out.attribute("useSIUnitsForResults", "true");
    }
    out.attributes(out.frame().root());
    out.attribute("version", version.code());
    out.append(">\n");
    out.deeper(1);
    campus();
    for (Construction c : envelope.constructions()) {
      constructions.construction(c);
    }
    envelope.layers().forEach(constructions::layer);
    envelope.materials().forEach(constructions::material);
    envelope.glazings().forEach(constructions::glazing);
    envelope.schedules().years().forEach(conditions::yearSchedule);
    envelope.schedules().weeks().forEach(conditions::weekSchedule);
    envelope.schedules().days().forEach(conditions::daySchedule);
    envelope.zones().forEach(conditions::zone);
    out.fragments(out.frame().root());
    out.append("</gbXML>\n");
    out.end();
  }

  private void campus() throws IOException {
    Extras extras = out.frame().campusExtras();
    out.open("Campus", out.frame().campus(), Map.of(), extras);
    Extras behind = out.leading("Campus", extras, "Location");
    location();
    for (Building building : buildings()) {
      building(building);
    }
    for (Surface s : envelope.surfaces()) {
      surface(s);
      out.flush();
    }
    for (Opening o : envelope.orphans()) {
      opening(o, o.polygon());
    }
    out.close("Campus", behind);
  }

  /** Spaces without a building get one: the standard has no other place for them. */
  private List<Building> buildings() {
    if (!envelope.buildings().isEmpty()) {
      return envelope.buildings();
    }
    return List.of(new Building("building-1", "", "", null, SourceRef.REPAIR, Extras.NONE));
  }

  /** What stands for a postal code that nobody stated: the schema asks for one. */
  static final String NO_POSTAL_CODE = "00000";

  private void location() {
    Site s = envelope.site();
    out.open("Location", null, Map.of(), s.extras());
    if (s.extras().fragments().stream().noneMatch(f -> f.startsWith("<ZipcodeOrPostalCode"))) {
      out.text("ZipcodeOrPostalCode", NO_POSTAL_CODE);
    }
    if (s.longitude() != null) {
      out.text("Longitude", GbxmlOutput.number(s.longitude()));
    }
    if (s.latitude() != null) {
      out.text("Latitude", GbxmlOutput.number(s.latitude()));
    }
    if (s.elevation() != null) {
      out.text("Elevation", out.length(s.elevation()));
    }
    if (s.northAzimuth() != null) {
      out.text("CADModelAzimuth", GbxmlOutput.number(s.northAzimuth()));
    }
    out.name(s.name());
    out.close("Location", s.extras());
  }

  private void building(Building x) throws IOException {
    Map<String, String> a = new LinkedHashMap<>();
    GbxmlOutput.put(
        a,
        "buildingType",
        x.use().isEmpty() && x.source() == SourceRef.REPAIR ? "Unknown" : x.use());
    out.open("Building", x.key(), a, x.extras());
    out.name(x.name());
    Extras behind = out.leading("Building", x.extras(), "Area");
    if (x.statedArea() != null) {
      out.text("Area", Decimal.of(x.statedArea(), out.frame().area().squareMetres()));
    }
    boolean only = buildings().size() == 1;
    for (Space s : envelope.spaces()) {
      if (only || x.key().equals(s.building())) {
        space(s);
        out.flush();
      }
    }
    for (Storey s : envelope.storeys()) {
      if (only || x.key().equals(s.building())) {
        storey(s);
      }
    }
    out.close("Building", behind);
  }

  private void storey(Storey s) {
    out.open("BuildingStorey", s.key(), Map.of(), s.extras());
    out.name(s.name());
    if (s.level() != null) {
      out.text("Level", out.length(s.level()));
    }
    out.close("BuildingStorey", s.extras());
  }

  private void space(Space s) {
    Map<String, String> a = new LinkedHashMap<>();
    GbxmlOutput.put(a, "buildingStoreyIdRef", s.storey());
    GbxmlOutput.put(a, "conditionType", s.condition());
    GbxmlOutput.put(a, "spaceType", s.use());
    GbxmlOutput.put(a, "zoneIdRef", s.zone());
    GbxmlOutput.put(a, "lightScheduleIdRef", s.gains().schedules().lighting());
    GbxmlOutput.put(a, "equipmentScheduleIdRef", s.gains().schedules().equipment());
    GbxmlOutput.put(a, "peopleScheduleIdRef", s.gains().schedules().people());
    if (out.frame().format().equals(Delivered.IFC)) {
      GbxmlOutput.put(a, "ifcGUID", s.source().id());
    }
    out.open("Space", s.key(), a, s.extras());
    out.name(s.name());
    conditions.gains(s.gains());
    out.quantity("InfiltrationFlow", s.air().flow(), GbxmlUnits.si(Quantity.AIR_FLOW));
    if (s.statedFloorArea() != null) {
      out.text("Area", Decimal.of(s.statedFloorArea(), out.frame().area().squareMetres()));
    }
    if (s.statedVolume() != null) {
      out.text("Volume", Decimal.of(s.statedVolume(), out.frame().volume().cubicMetres()));
    }
    if (s.air().changes() != null) {
      out.text("AirChangesPerHour", GbxmlOutput.number(s.air().changes()));
    }
    if (!s.shell().isEmpty()) {
      List<Extras.Attribute> kept = s.extras().of("ShellGeometry");
      String own =
          kept.stream()
              .filter(x -> x.name().equals("id"))
              .findFirst()
              .map(Extras.Attribute::value)
              .orElse("shell-" + s.key());
      StringBuilder rest = new StringBuilder();
      kept.stream().filter(x -> !x.name().equals("id")).forEach(x -> XmlText.attribute(rest, x));
      out.line(
          "<ShellGeometry id=\""
              + XmlText.escapeAttribute(own)
              + "\" unit=\""
              + GbxmlUnits.length(out.frame().length())
              + '"'
              + rest
              + '>');
      out.line(" <ClosedShell" + out.kept("ClosedShell") + '>');
      out.deeper(2);
      for (int i = 0; i < s.shell().size(); i++) {
        geometry.shellFace(s.shell().get(i), SpaceReader.face(i));
      }
      out.deeper(-2);
      out.line(" </ClosedShell>");
      out.line("</ShellGeometry>");
    }
    for (Surface surface : bySpace().getOrDefault(s.key(), List.of())) {
      surface.sides().stream()
          .filter(x -> x.space().equals(s.key()) && x.face() != null)
          .findFirst()
          .ifPresent(side -> boundary(surface, side));
    }
    out.close("Space", s.extras());
  }

  private Map<String, List<Surface>> bySpace;

  private Map<String, List<Surface>> bySpace() {
    if (bySpace == null) {
      bySpace = new java.util.HashMap<>();
      for (Surface s : envelope.surfaces()) {
        s.sides().stream()
            .map(Side::space)
            .distinct()
            .forEach(k -> bySpace.computeIfAbsent(k, x -> new java.util.ArrayList<>()).add(s));
      }
    }
    return bySpace;
  }

  private void boundary(Surface surface, Side side) {
    Map<String, String> a = new LinkedHashMap<>();
    a.put("surfaceIdRef", surface.key());
    if (side.boundary().attributes().stream()
        .noneMatch(x -> x.name().equals("isSecondLevelBoundary"))) {
      a.put("isSecondLevelBoundary", "true");
    }
    out.open("SpaceBoundary", null, a, side.boundary());
    geometry.planar(side.face(), "PlanarGeometry");
    out.close("SpaceBoundary", side.boundary());
  }

  private void surface(Surface s) {
    Map<String, String> a = new LinkedHashMap<>();
    boolean adiabatic = s.exposure() == Exposure.ADIABATIC;
    // what was delivered without a type goes out without one
    boolean unresolved =
        s.type() == SurfaceType.UNRESOLVED
            && s.kind() != BoundaryKind.READ
            && s.sides().size() == 1
            && !adiabatic;
    SurfaceType type =
        unresolved || adiabatic && !s.type().isInterior()
            ? types.betweenSpaces(s.polygon().tilt())
            : s.type();
    GbxmlOutput.put(a, "surfaceType", type.gbxml());
    GbxmlOutput.put(a, "constructionIdRef", s.construction());
    if (s.extras().attributes().stream().noneMatch(x -> x.name().equals("exposedToSun"))
        && (type.isExterior() || adiabatic)
        && version.has(SUN_SINCE)) {
      a.put("exposedToSun", type.isExterior() && !type.isGround() ? "true" : "false");
    }
    out.open("Surface", s.key(), a, s.extras());
    out.name(s.name());
    if (adiabatic) {
      out.text("Description", SurfaceReader.ADIABATIC);
    }
    if (unresolved) {
      out.text("Description", SurfaceReader.NOT_RESOLVED);
    }
    for (Side side : s.sides()) {
      Map<String, String> ref = Map.of("spaceIdRef", side.space());
      if (side.adjacency().isEmpty()) {
        out.line("<AdjacentSpaceId spaceIdRef=\"" + XmlText.escapeAttribute(side.space()) + "\"/>");
      } else {
        out.open("AdjacentSpaceId", null, ref, side.adjacency());
        out.close("AdjacentSpaceId", side.adjacency());
      }
    }
    geometry.rectangular(s.polygon(), null);
    geometry.planar(s.polygon(), "PlanarGeometry");
    s.openings().forEach(o -> opening(o, s.polygon()));
    cadObject(s.element(), s.extras());
    out.close("Surface", s.extras());
  }

  private void cadObject(SourceRef element, Extras extras) {
    if (element != null
        && extras.fragments().stream().noneMatch(f -> f.startsWith("<CADObjectId"))) {
      out.text("CADObjectId", XmlText.escape(element.id()));
    }
  }

  private void opening(Opening o, Polygon parent) {
    Map<String, String> a = new LinkedHashMap<>();
    GbxmlOutput.put(a, "openingType", o.type().gbxml());
    GbxmlOutput.put(a, "constructionIdRef", o.construction());
    GbxmlOutput.put(a, "windowTypeIdRef", o.glazing());
    out.open("Opening", o.key(), a, o.extras());
    out.name(o.name());
    geometry.rectangular(o.polygon(), parent);
    geometry.planar(o.polygon(), "PlanarGeometry");
    cadObject(o.element(), o.extras());
    out.close("Opening", o.extras());
  }
}
