package yentra.core.gbxml;

import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.math.BigDecimal;
import java.math.MathContext;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Building;
import yentra.core.envelope.Construction;
import yentra.core.envelope.DaySchedule;
import yentra.core.envelope.Delivered;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.InternalGains;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.envelope.Opening;
import yentra.core.envelope.ScheduleProfile;
import yentra.core.envelope.Side;
import yentra.core.envelope.Site;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Space;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.envelope.WeekSchedule;
import yentra.core.envelope.YearSchedule;
import yentra.core.envelope.Zone;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Seam;
import yentra.core.geometry.Vec3;
import yentra.core.units.LengthUnit;
import yentra.core.units.ThermalUnit;
import yentra.core.units.ThermalUnit.Quantity;

/**
 * Writes an {@link Envelope} as gbXML 6.01, children in the schema's conventional order.
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
  public static final String VERSION = "6.01";
  private static final String NAMESPACE = "http://www.gbxml.org/schema";
  private final Writer out;
  private final Envelope envelope;
  private final SurfaceTypes types;
  private final Delivered frame;
  private final StringBuilder b = new StringBuilder(1 << 16);
  private final Deque<Extras> within = new ArrayDeque<>();
  private int depth;

  private GbxmlWriter(Envelope envelope, SurfaceTypes types, OutputStream out) {
    this.types = types;
    this.envelope = envelope;
    this.frame = envelope.delivered();
    this.out = new OutputStreamWriter(out, StandardCharsets.UTF_8);
  }

  /**
   * Writes the document in UTF-8; the caller closes the stream.
   *
   * @throws IOException when the stream does
   */
  public static void write(Envelope envelope, SurfaceTypes types, OutputStream out)
      throws IOException {
    new GbxmlWriter(envelope, types, out).document();
  }

  /** Whether a name can be written: XML has no place for control characters. */
  public static boolean canHold(String name) {
    return XmlText.holds(name);
  }

  private void document() throws IOException {
    b.append("<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n");
    frame.prologue().forEach(p -> b.append(p).append('\n'));
    b.append("<gbXML xmlns=\"").append(NAMESPACE).append('"');
    attribute("temperatureUnit", frame.temperature());
    attribute("lengthUnit", frame.length().gbxml());
    attribute("areaUnit", "Square" + frame.area().gbxml());
    attribute("volumeUnit", "Cubic" + frame.volume().gbxml());
    if (frame.root().attributes().stream()
        .noneMatch(a -> a.name().equals("useSIUnitsForResults"))) {
      attribute("useSIUnitsForResults", "true");
    }
    attributes(frame.root());
    attribute("version", VERSION);
    b.append(">\n");
    depth = 1;
    campus();
    for (Construction c : envelope.constructions()) {
      construction(c);
    }
    envelope.layers().forEach(this::layer);
    envelope.materials().forEach(this::material);
    envelope.glazings().forEach(this::glazing);
    envelope.schedules().years().forEach(this::yearSchedule);
    envelope.schedules().weeks().forEach(this::weekSchedule);
    envelope.schedules().days().forEach(this::daySchedule);
    envelope.zones().forEach(this::zone);
    fragments(frame.root());
    b.append("</gbXML>\n");
    flush();
    out.flush();
  }

  private void flush() throws IOException {
    out.append(b);
    b.setLength(0);
  }

  private void campus() throws IOException {
    open("Campus", frame.campus(), Map.of(), frame.campusExtras());
    location();
    for (Building building : buildings()) {
      building(building);
    }
    for (Surface s : envelope.surfaces()) {
      surface(s);
      flush();
    }
    for (Opening o : envelope.orphans()) {
      opening(o, o.polygon());
    }
    close("Campus", frame.campusExtras());
  }

  /** Spaces without a building get one: the standard has no other place for them. */
  private List<Building> buildings() {
    if (!envelope.buildings().isEmpty()) {
      return envelope.buildings();
    }
    return List.of(new Building("building-1", "", "", null, SourceRef.REPAIR, Extras.NONE));
  }

  private void location() {
    Site s = envelope.site();
    if (s.equals(Site.UNKNOWN)) {
      return;
    }
    line("<Location>");
    within.push(s.extras());
    depth++;
    if (s.longitude() != null) {
      text("Longitude", number(s.longitude()));
    }
    if (s.latitude() != null) {
      text("Latitude", number(s.latitude()));
    }
    if (s.elevation() != null) {
      text("Elevation", length(s.elevation()));
    }
    if (s.northAzimuth() != null) {
      text("CADModelAzimuth", number(s.northAzimuth()));
    }
    name(s.name());
    fragments(s.extras());
    depth--;
    within.pop();
    line("</Location>");
  }

  private void building(Building x) throws IOException {
    Map<String, String> a = new LinkedHashMap<>();
    put(
        a,
        "buildingType",
        x.use().isEmpty() && x.source() == SourceRef.REPAIR ? "Unknown" : x.use());
    open("Building", x.key(), a, x.extras());
    name(x.name());
    if (x.statedArea() != null) {
      text("Area", Decimal.of(x.statedArea(), frame.area().squareMetres()));
    }
    boolean only = buildings().size() == 1;
    for (Storey s : envelope.storeys()) {
      if (only || x.key().equals(s.building())) {
        storey(s);
      }
    }
    for (Space s : envelope.spaces()) {
      if (only || x.key().equals(s.building())) {
        space(s);
        flush();
      }
    }
    close("Building", x.extras());
  }

  private void storey(Storey s) {
    open("BuildingStorey", s.key(), Map.of(), s.extras());
    name(s.name());
    if (s.level() != null) {
      text("Level", length(s.level()));
    }
    close("BuildingStorey", s.extras());
  }

  private void space(Space s) {
    Map<String, String> a = new LinkedHashMap<>();
    put(a, "buildingStoreyIdRef", s.storey());
    put(a, "conditionType", s.condition());
    put(a, "spaceType", s.use());
    put(a, "zoneIdRef", s.zone());
    put(a, "lightScheduleIdRef", s.gains().schedules().lighting());
    put(a, "equipmentScheduleIdRef", s.gains().schedules().equipment());
    put(a, "peopleScheduleIdRef", s.gains().schedules().people());
    if (frame.format().equals(Delivered.IFC)) {
      put(a, "ifcGUID", s.source().id());
    }
    open("Space", s.key(), a, s.extras());
    name(s.name());
    gains(s.gains());
    quantity("InfiltrationFlow", s.air().flow(), Quantity.FLOW.si());
    if (s.statedFloorArea() != null) {
      text("Area", Decimal.of(s.statedFloorArea(), frame.area().squareMetres()));
    }
    if (s.statedVolume() != null) {
      text("Volume", Decimal.of(s.statedVolume(), frame.volume().cubicMetres()));
    }
    if (s.air().changes() != null) {
      text("AirChangesPerHour", number(s.air().changes()));
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
      line(
          "<ShellGeometry id=\""
              + XmlText.escapeAttribute(own)
              + "\" unit=\""
              + frame.length().gbxml()
              + '"'
              + rest
              + '>');
      line(" <ClosedShell" + kept("ClosedShell") + '>');
      depth += 2;
      for (int i = 0; i < s.shell().size(); i++) {
        shellFace(s.shell().get(i), SpaceReader.face(i));
      }
      depth -= 2;
      line(" </ClosedShell>");
      line("</ShellGeometry>");
    }
    for (Surface surface : bySpace().getOrDefault(s.key(), List.of())) {
      surface.sides().stream()
          .filter(x -> x.space().equals(s.key()) && x.face() != null)
          .findFirst()
          .ifPresent(side -> boundary(surface, side));
    }
    close("Space", s.extras());
  }

  private void gains(InternalGains g) {
    quantity("PeopleNumber", g.people(), "NumberOfPeople");
    quantity("PeopleNumber", g.areaPerPerson(), Quantity.AREA_PER_PERSON.si());
    heat("Sensible", g.sensiblePerPerson());
    heat("Latent", g.latentPerPerson());
    quantity("LightPowerPerArea", g.lighting(), Quantity.POWER_DENSITY.si());
    quantity("EquipPowerPerArea", g.equipment(), Quantity.POWER_DENSITY.si());
  }

  private void heat(String type, Double value) {
    if (value != null) {
      line(
          "<PeopleHeatGain unit=\"WattPerPerson\" heatGainType=\""
              + type
              + '"'
              + kept("PeopleHeatGain")
              + '>'
              + number(value)
              + "</PeopleHeatGain>");
    }
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

  /** A face is a PolyLoop, or a PlanarGeometry where the delivery says something of it. */
  private void shellFace(Polygon face, String name) {
    if (kept(name).isEmpty()) {
      loop(Seam.close(face));
    } else {
      planar(face, name);
    }
  }

  private void boundary(Surface surface, Side side) {
    Map<String, String> a = new LinkedHashMap<>();
    a.put("surfaceIdRef", surface.key());
    if (side.boundary().attributes().stream()
        .noneMatch(x -> x.name().equals("isSecondLevelBoundary"))) {
      a.put("isSecondLevelBoundary", "true");
    }
    open("SpaceBoundary", null, a, side.boundary());
    planar(side.face(), "PlanarGeometry");
    close("SpaceBoundary", side.boundary());
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
    put(a, "surfaceType", type.gbxml());
    put(a, "constructionIdRef", s.construction());
    if (s.extras().attributes().stream().noneMatch(x -> x.name().equals("exposedToSun"))
        && (type.isExterior() || adiabatic)) {
      a.put("exposedToSun", type.isExterior() && !type.isGround() ? "true" : "false");
    }
    open("Surface", s.key(), a, s.extras());
    name(s.name());
    if (adiabatic) {
      text("Description", SurfaceReader.ADIABATIC);
    }
    if (unresolved) {
      text("Description", SurfaceReader.NOT_RESOLVED);
    }
    for (Side side : s.sides()) {
      Map<String, String> ref = Map.of("spaceIdRef", side.space());
      if (side.adjacency().isEmpty()) {
        line("<AdjacentSpaceId spaceIdRef=\"" + XmlText.escapeAttribute(side.space()) + "\"/>");
      } else {
        open("AdjacentSpaceId", null, ref, side.adjacency());
        close("AdjacentSpaceId", side.adjacency());
      }
    }
    rectangular(s.polygon(), null);
    planar(s.polygon(), "PlanarGeometry");
    s.openings().forEach(o -> opening(o, s.polygon()));
    cadObject(s.element(), s.extras());
    close("Surface", s.extras());
  }

  private void cadObject(SourceRef element, Extras extras) {
    if (element != null
        && extras.fragments().stream().noneMatch(f -> f.startsWith("<CADObjectId"))) {
      text("CADObjectId", XmlText.escape(element.id()));
    }
  }

  private void opening(Opening o, Polygon parent) {
    Map<String, String> a = new LinkedHashMap<>();
    put(a, "openingType", o.type().gbxml());
    put(a, "constructionIdRef", o.construction());
    put(a, "windowTypeIdRef", o.glazing());
    open("Opening", o.key(), a, o.extras());
    name(o.name());
    rectangular(o.polygon(), parent);
    planar(o.polygon(), "PlanarGeometry");
    cadObject(o.element(), o.extras());
    close("Opening", o.extras());
  }

  /** An opening's corner is measured from that of its parent. */
  private void rectangular(Polygon p, Polygon parent) {
    Rectangle r = Rectangle.of(p);
    if (r == null) {
      return;
    }
    line("<RectangularGeometry" + kept("RectangularGeometry") + '>');
    depth++;
    text("Azimuth", derived(envelope.site().fromTrueNorth(p.azimuth())));
    Rectangle base = parent == null ? null : Rectangle.of(parent);
    point(
        rounded(
            base != null
                ? base.local(r.corner())
                : r.corner().plus(envelope.delivered().origin())));
    text("Tilt", derived(p.tilt()));
    text("Height", derived(r.height() / frame.length().metres()));
    text("Width", derived(r.width() / frame.length().metres()));
    depth--;
    line("</RectangularGeometry>");
  }

  /** A figure that follows from the polygon, without the digits that are but rounding. */
  private static String derived(double d) {
    return Decimal.of(new BigDecimal(d).round(DERIVED).doubleValue());
  }

  private static final MathContext DERIVED = new MathContext(10);

  /** To a thousandth of a millimetre. */
  private static Vec3 rounded(Vec3 p) {
    return new Vec3(
        Math.round(p.x() * 1e6) / 1e6,
        Math.round(p.y() * 1e6) / 1e6,
        Math.round(p.z() * 1e6) / 1e6);
  }

  private void planar(Polygon p, String name) {
    if (p.outer().isEmpty()) {
      return;
    }
    line("<PlanarGeometry" + kept(name) + '>');
    depth++;
    loop(Seam.close(p));
    depth--;
    line("</PlanarGeometry>");
  }

  private void loop(List<Vec3> ring) {
    line("<PolyLoop>");
    depth++;
    // points go out in the delivery's own coordinates
    ring.forEach(p -> point(p.plus(envelope.delivered().origin())));
    depth--;
    line("</PolyLoop>");
  }

  private void point(Vec3 p) {
    indent();
    b.append("<CartesianPoint><Coordinate>")
        .append(length(p.x()))
        .append("</Coordinate><Coordinate>")
        .append(length(p.y()))
        .append("</Coordinate><Coordinate>")
        .append(length(p.z()))
        .append("</Coordinate></CartesianPoint>\n");
  }

  private void construction(Construction c) {
    open("Construction", c.key(), Map.of(), c.extras());
    if (c.uValue() != null) {
      quantity("U-value", c.uValue(), Quantity.U_VALUE.si());
    }
    for (int i = 0; i < c.layers().size(); i++) {
      String layer = XmlText.escapeAttribute(c.layers().get(i));
      line("<LayerId layerIdRef=\"" + layer + '"' + kept("LayerId " + i) + "/>");
    }
    name(c.name());
    close("Construction", c.extras());
  }

  private void layer(Layer l) {
    open("Layer", l.key(), Map.of(), l.extras());
    name(l.name());
    for (int i = 0; i < l.materials().size(); i++) {
      String share = l.shares().isEmpty() ? "" : "\" percentOfLayer=\"" + number(l.share(i));
      line(
          "<MaterialId materialIdRef=\""
              + XmlText.escapeAttribute(l.materials().get(i))
              + share
              + '"'
              + kept("MaterialId " + i)
              + "/>");
    }
    close("Layer", l.extras());
  }

  private void material(Material m) {
    open("Material", m.key(), Map.of(), m.extras());
    name(m.name());
    quantity("R-value", m.resistance(), Quantity.R_VALUE.si());
    quantity("Thickness", m.thickness(), LengthUnit.METRE.gbxml());
    quantity("Conductivity", m.conductivity(), Quantity.CONDUCTIVITY.si());
    quantity("Density", m.density(), Quantity.DENSITY.si());
    quantity("SpecificHeat", m.specificHeat(), Quantity.SPECIFIC_HEAT.si());
    close("Material", m.extras());
  }

  private void glazing(Glazing g) {
    open("WindowType", g.key(), Map.of(), g.extras());
    name(g.name());
    quantity("U-value", g.uValue(), Quantity.U_VALUE.si());
    share("SolarHeatGainCoeff", "solarIncidentAngle", "0", g.solarHeatGain(), g);
    share("Transmittance", "type", "Visible", g.visibleTransmittance(), g);
    close("WindowType", g.extras());
  }

  /** A share of the sun, unless the delivery's own element of this name is written. */
  private void share(String element, String attribute, String value, Double share, Glazing g) {
    boolean kept = g.extras().fragments().stream().anyMatch(f -> f.startsWith("<" + element));
    if (share != null && !kept) {
      line(
          "<"
              + element
              + " unit=\"Fraction\" "
              + attribute
              + "=\""
              + value
              + "\">"
              + number(share)
              + "</"
              + element
              + ">");
    }
  }

  private void zone(Zone z) {
    Map<String, String> a = new LinkedHashMap<>();
    put(a, "heatSchedIdRef", z.schedules().heating());
    put(a, "coolSchedIdRef", z.schedules().cooling());
    put(a, "outsideAirSchedIdRef", z.schedules().air());
    open("Zone", z.key(), a, z.extras());
    name(z.name());
    Zone.ZoneAir air = z.air();
    if (air.changes() != null) {
      text("AirChangesPerHour", number(air.changes()));
    }
    quantity("OAFlowPerArea", air.perArea(), Quantity.FLOW_PER_AREA.si());
    quantity("OAFlowPerPerson", air.perPerson(), Quantity.FLOW.si());
    quantity("OAFlowPerZone", air.total(), Quantity.FLOW.si());
    quantity("DesignHeatT", z.heatingSetPoint(), "C");
    quantity("DesignHeatRH", air.leastHumidity(), "Percent");
    quantity("DesignCoolT", z.coolingSetPoint(), "C");
    quantity("DesignCoolRH", air.mostHumidity(), "Percent");
    close("Zone", z.extras());
  }

  private void yearSchedule(YearSchedule y) {
    open("Schedule", y.key(), typed(y.type()), y.extras());
    name(y.name());
    for (YearSchedule.Period p : y.periods()) {
      open("YearSchedule", p.key().isEmpty() ? null : p.key(), Map.of(), p.extras());
      text("BeginDate", p.begin().toString());
      text("EndDate", p.end().toString());
      if (p.week() != null) {
        line(
            "<WeekScheduleId weekScheduleIdRef=\""
                + XmlText.escapeAttribute(p.week())
                + '"'
                + kept("WeekScheduleId")
                + "/>");
      }
      close("YearSchedule", p.extras());
    }
    close("Schedule", y.extras());
  }

  private static Map<String, String> typed(String type) {
    Map<String, String> a = new LinkedHashMap<>();
    put(a, "type", type);
    return a;
  }

  private void weekSchedule(WeekSchedule w) {
    open("WeekSchedule", w.key(), typed(w.type()), w.extras());
    name(w.name());
    for (int i = 0; i < w.days().size(); i++) {
      WeekSchedule.Day d = w.days().get(i);
      line(
          "<Day dayType=\""
              + XmlText.escapeAttribute(d.days())
              + "\" dayScheduleIdRef=\""
              + XmlText.escapeAttribute(d.schedule())
              + '"'
              + kept("Day " + i)
              + "/>");
    }
    close("WeekSchedule", w.extras());
  }

  private void daySchedule(DaySchedule d) {
    open("DaySchedule", d.key(), typed(d.type()), d.extras());
    name(d.name());
    boolean degrees = d.type().equals(ScheduleProfile.TEMPERATURE);
    for (int i = 0; i < d.values().size(); i++) {
      double v = d.values().get(i);
      // schedule values state no unit: temperatures are in that of the document
      String text = degrees ? temperature(v) : number(v);
      line("<ScheduleValue" + kept("ScheduleValue " + i) + '>' + text + "</ScheduleValue>");
    }
    close("DaySchedule", d.extras());
  }

  /** Degrees Celsius in the document's unit, as short as reads back the same. */
  private String temperature(double celsius) {
    double t = ThermalUnit.fromCelsius(celsius, frame.temperature());
    for (int digits = 6; digits < 17; digits++) {
      double rounded = new BigDecimal(t).round(new MathContext(digits)).doubleValue();
      if (ThermalUnit.celsius(rounded, frame.temperature()).orElse(Double.NaN) == celsius) {
        return number(rounded);
      }
    }
    return number(t);
  }

  private void quantity(String element, Double value, String unit) {
    if (value != null) {
      line(
          "<"
              + element
              + " unit=\""
              + unit
              + '"'
              + kept(element)
              + '>'
              + number(value)
              + "</"
              + element
              + '>');
    }
  }

  private void open(String element, String id, Map<String, String> attributes, Extras extras) {
    indent();
    b.append('<').append(element);
    if (id != null) {
      attribute("id", id);
    }
    attributes.forEach(this::attribute);
    attributes(extras);
    b.append(">\n");
    within.push(extras);
    depth++;
  }

  private void close(String element, Extras extras) {
    fragments(extras);
    within.pop();
    depth--;
    line("</" + element + ">");
  }

  private void attributes(Extras extras) {
    extras.attributes().forEach(a -> XmlText.attribute(b, a));
  }

  private void fragments(Extras extras) {
    extras.fragments().forEach(this::line);
  }

  private void attribute(String name, String value) {
    b.append(' ').append(name).append("=\"").append(XmlText.escapeAttribute(value)).append('"');
  }

  private static void put(Map<String, String> map, String name, String value) {
    if (value != null && !value.isEmpty()) {
      map.put(name, value);
    }
  }

  private void name(String name) {
    if (!name.isEmpty()) {
      text("Name", XmlText.escape(name));
    }
  }

  private void text(String element, String content) {
    line("<" + element + kept(element) + ">" + content + "</" + element + ">");
  }

  /** The delivery's own attributes of a child of the element that is being written. */
  private String kept(String child) {
    Extras x = within.peek();
    if (x == null || x.children().isEmpty()) {
      return "";
    }
    StringBuilder out = new StringBuilder();
    x.of(child).forEach(a -> XmlText.attribute(out, a));
    return out.toString();
  }

  private void line(String s) {
    indent();
    b.append(s).append('\n');
  }

  private void indent() {
    for (int i = 0; i < depth; i++) {
      b.append(' ');
    }
  }

  private String length(double metres) {
    return Decimal.of(metres, frame.length().metres());
  }

  private static String number(double d) {
    return Decimal.of(d);
  }
}
