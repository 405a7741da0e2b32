package yentra.core.gbxml;

import java.io.InputStream;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import yentra.core.envelope.Building;
import yentra.core.envelope.Delivered;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.Site;
import yentra.core.envelope.Storey;
import yentra.core.envelope.UnreadableException;
import yentra.core.units.LengthUnit;

/**
 * Reads a gbXML document of any version into an {@link Envelope}.
 *
 * <p>One pass over the file; children may come in any order (older schemas leave it open). Lengths,
 * areas and volumes are converted from the units that the root element declares, thermal values
 * from their own. What has no place in the envelope is kept in {@link Extras} and written back by
 * {@link GbxmlWriter}. What was assumed, could not be read or contradicts the schema is in the
 * envelope's notes, with line and column.
 *
 * <p>Source: the gbXML schema (open standard), versions 0.37 to 7.03.
 */
public final class GbxmlReader {
  /** Versions of the schema that were published; others are read with a warning. */
  private static final Pattern KNOWN_VERSION =
      Pattern.compile("0\\.3[4-7]|5\\.0?[0-9]|5\\.1[0-2]|6\\.0?[01]|7\\.0?[0-3]");

  private static final Set<String> ROOT =
      Set.of("temperatureUnit", "lengthUnit", "areaUnit", "volumeUnit", "version");
  private static final Set<String> LOCATION =
      Set.of("Name", "Latitude", "Longitude", "Elevation", "CADModelAzimuth");
  private static final Set<String> NAME_AREA = Set.of("Name", "Area");
  private static final Set<String> NAME_LEVEL = Set.of("Name", "Level");

  private final Cursor cursor;
  private final Values values = new Values();
  private final References references;
  private final ReadLimits limits;
  private final PolygonReader polygons;
  private final SpaceReader spaces;
  private final SurfaceReader surfaces;
  private final ConstructionReader constructions;
  private final ScheduleReader schedules;
  private final List<Building> buildings = new ArrayList<>();
  private final List<Storey> storeys = new ArrayList<>();
  private Site site = Site.UNKNOWN;
  private String campus = "campus-1";
  private Extras campusExtras = Extras.NONE;

  private GbxmlReader(InputStream in, ReadLimits limits) throws UnreadableException {
    this.references = new References();
    this.limits = limits;
    this.cursor = new Cursor(in, limits, references);
    this.polygons = new PolygonReader(cursor, values);
    this.spaces = new SpaceReader(cursor, values, references, polygons);
    this.surfaces = new SurfaceReader(cursor, values, references, polygons);
    this.constructions = new ConstructionReader(cursor, values, references);
    this.schedules = new ScheduleReader(cursor, values, references);
  }

  /**
   * Reads the document.
   *
   * @param in the bytes; the caller closes it
   * @throws UnreadableException when the text is not well-formed XML, is not gbXML, or breaks a
   *     limit; with line and column
   */
  public static Envelope read(InputStream in, ReadLimits limits) throws UnreadableException {
    GbxmlReader reader = new GbxmlReader(in, limits);
    try (Cursor open = reader.cursor) {
      return reader.document(open.root());
    }
  }

  private Envelope document(List<String> prologue) throws UnreadableException {
    String version = root();
    Kept kept = Kept.except(cursor.attributes(), ROOT);
    for (String c = cursor.child(kept); c != null; c = cursor.child(kept)) {
      limit();
      switch (c) {
        case "Campus" -> campus();
        case "Construction" -> constructions.construction(constructions.header(c));
        case "Layer" -> constructions.layer(constructions.header(c));
        case "Material" -> constructions.material(constructions.header(c));
        case "WindowType" -> constructions.windowType(constructions.header(c));
        case "Zone" -> constructions.zone(constructions.header(c));
        case "Schedule" -> schedules.year(constructions.header(c));
        case "WeekSchedule" -> schedules.week(constructions.header(c));
        case "DaySchedule" -> schedules.day(constructions.header(c));
        default -> {
          values.kept(c);
          kept.fragment(cursor.fragment());
        }
      }
    }
    return envelope(delivered(version, prologue, kept));
  }

  private Delivered delivered(String version, List<String> prologue, Kept kept) {
    return new Delivered(
        Delivered.GBXML,
        version,
        values.length,
        values.area,
        values.volume,
        values.temperature,
        campus,
        kept.extras(),
        campusExtras,
        prologue,
        yentra.core.geometry.Vec3.ZERO);
  }

  private Envelope envelope(Delivered delivered) {
    List<yentra.core.envelope.Surface> finished =
        surfaces.finished(spaces.sides, site.northAzimuth() == null ? 0 : site.northAzimuth());
    List<ReadNote> notes = new ArrayList<>(values.notes());
    notes.addAll(references.notes());
    if (!spaces.spaces.isEmpty()) {
      notes.add(
          ReadNote.of(
              ReadNote.Kind.GROUND_ASSUMED,
              "ground level not stated: the top of the surfaces with ground contact counts"));
    }
    return Envelope.of(
        Envelope.Parts.of(delivered, site)
            .with()
            .buildings(buildings)
            .storeys(storeys)
            .zones(constructions.zones)
            .spaces(spaces.spaces)
            .surfaces(finished)
            .orphans(surfaces.orphans)
            .constructions(constructions.constructions)
            .layers(constructions.layers)
            .materials(constructions.materials)
            .glazings(constructions.glazings)
            .notes(notes)
            .schedules(schedules.made())
            .build());
  }

  private String root() {
    String version = cursor.attribute("version");
    if (version == null || !KNOWN_VERSION.matcher(version).matches()) {
      values.note(
          ReadNote.Kind.UNKNOWN_SCHEMA,
          "",
          "version",
          version == null ? "" : version,
          version == null
              ? "The root element states no schema version; the file is read as the standard's common structure."
              : "Schema version "
                  + Values.clip(version)
                  + " is not known; the file is read as the standard's common structure.",
          cursor.line(),
          cursor.column());
    }
    values.length = rootUnit("lengthUnit", cursor.attribute("lengthUnit"), "Meters", "metres");
    values.area =
        rootUnit("areaUnit", cursor.attribute("areaUnit"), "SquareMeters", "square metres");
    values.volume =
        rootUnit("volumeUnit", cursor.attribute("volumeUnit"), "CubicMeters", "cubic metres");
    String temperature = cursor.attribute("temperatureUnit");
    if (temperature == null || !Set.of("C", "F", "K", "R").contains(temperature)) {
      unitAssumed("temperatureUnit", temperature, "degrees Celsius", "degrees Celsius");
    } else {
      values.temperature = temperature;
    }
    return version == null ? "" : version;
  }

  private LengthUnit rootUnit(String attribute, String stated, String fallback, String said) {
    LengthUnit unit =
        stated == null
            ? null
            : switch (attribute) {
              case "areaUnit" -> GbxmlUnits.area(stated).orElse(null);
              case "volumeUnit" -> GbxmlUnits.volume(stated).orElse(null);
              default -> GbxmlUnits.length(stated).orElse(null);
            };
    if (unit == null) {
      unitAssumed(attribute, stated, fallback, said);
      return LengthUnit.METRE;
    }
    return unit;
  }

  private void unitAssumed(String attribute, String stated, String fallback, String said) {
    values.note(
        ReadNote.Kind.UNIT_ASSUMED,
        "",
        attribute,
        fallback,
        (stated == null
                ? attribute + " is not declared: "
                : attribute + " \"" + Values.clip(stated) + "\" is not known: ")
            + said
            + " assumed.",
        cursor.line(),
        cursor.column());
  }

  private void campus() throws UnreadableException {
    String id = cursor.attribute("id");
    campus = id == null || id.isBlank() ? campus : id;
    Kept kept = Kept.except(cursor.attributes(), Set.of("id"));
    for (String c = cursor.child(kept); c != null; c = cursor.child(kept)) {
      limit();
      switch (c) {
        case "Location" -> location();
        case "Building" -> building(Header.of(c, cursor, values, references));
        case "Surface" -> surfaces.surface(Header.of(c, cursor, values, references));
        case "Opening" ->
            surfaces.orphans.add(surfaces.opening(Header.of(c, cursor, values, references)));
        default -> kept.fragment(cursor.fragment());
      }
    }
    campusExtras = kept.extras();
  }

  private void limit() throws UnreadableException {
    int most = Math.max(surfaces.surfaces.size(), constructions.materials.size());
    most = Math.max(most, schedules.size());
    if (most > limits.objects() || spaces.spaces.size() > limits.objects() / 8) {
      throw new UnreadableException(
          "The file holds more than "
              + (most > limits.objects() ? limits.objects() : limits.objects() / 8)
              + " objects of one kind, which is more than Yentra reads. Split the model.",
          cursor.line(),
          cursor.column());
    }
  }

  private void location() throws UnreadableException {
    Kept kept = Kept.except(cursor.attributes(), Set.of());
    String name = "";
    Double latitude = null, longitude = null, elevation = null, north = null;
    Set<String> seen = new HashSet<>();
    for (String c = cursor.child(kept, LOCATION, seen);
        c != null;
        c = cursor.child(kept, LOCATION, seen)) {
      switch (c) {
        case "Name" -> name = Values.text(cursor.leaf(kept), kept);
        case "Latitude" -> latitude = values.number(cursor.leaf(kept), campus, kept).orElse(null);
        case "Longitude" -> longitude = values.number(cursor.leaf(kept), campus, kept).orElse(null);
        case "Elevation" ->
            elevation =
                values
                    .number(cursor.leaf(kept), campus, kept)
                    .map(d -> d * values.length.metres())
                    .orElse(null);
        case "CADModelAzimuth" ->
            north = values.number(cursor.leaf(kept), campus, kept).orElse(null);
        default -> kept.fragment(cursor.fragment());
      }
    }
    site = new Site(name, latitude, longitude, elevation, north, kept.extras());
  }

  private void building(Header h) throws UnreadableException {
    String use = cursor.attribute("buildingType");
    Kept kept = Kept.except(cursor.attributes(), Set.of("id", "buildingType"));
    String name = "";
    Double area = null;
    Set<String> seen = new HashSet<>();
    for (String c = cursor.child(kept, NAME_AREA, seen);
        c != null;
        c = cursor.child(kept, NAME_AREA, seen)) {
      limit();
      switch (c) {
        case "Name" -> name = Values.text(cursor.leaf(kept), kept);
        case "Area" ->
            area =
                values
                    .number(cursor.leaf(kept), h.key(), kept)
                    .map(d -> d * values.area.squareMetres())
                    .orElse(null);
        case "BuildingStorey" -> storey(Header.of(c, cursor, values, references), h.key());
        case "Space" -> spaces.space(Header.of(c, cursor, values, references), h.key());
        default -> kept.fragment(cursor.fragment());
      }
    }
    buildings.add(
        new Building(h.key(), name, use == null ? "" : use, area, h.source(name), kept.extras()));
  }

  private void storey(Header h, String building) throws UnreadableException {
    Kept kept = Kept.except(cursor.attributes(), Set.of("id"));
    String name = "";
    Double level = null;
    Set<String> seen = new HashSet<>();
    for (String c = cursor.child(kept, NAME_LEVEL, seen);
        c != null;
        c = cursor.child(kept, NAME_LEVEL, seen)) {
      switch (c) {
        case "Name" -> name = Values.text(cursor.leaf(kept), kept);
        case "Level" ->
            level =
                values
                    .number(cursor.leaf(kept), h.key(), kept)
                    .map(d -> d * values.length.metres())
                    .orElse(null);
        default -> kept.fragment(cursor.fragment());
      }
    }
    storeys.add(new Storey(h.key(), name, level, building, h.source(name), kept.extras()));
  }
}
