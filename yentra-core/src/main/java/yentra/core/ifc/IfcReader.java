package yentra.core.ifc;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import yentra.core.boundary.BoundaryOptions;
import yentra.core.boundary.ConventionShift;
import yentra.core.boundary.DeliveredBoundary;
import yentra.core.boundary.DeliveredJudgement;
import yentra.core.boundary.EnclosedVolumes;
import yentra.core.boundary.Ground;
import yentra.core.boundary.Watch;
import yentra.core.envelope.Building;
import yentra.core.envelope.Delivered;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Space;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Surface;
import yentra.core.envelope.UnreadableException;
import yentra.core.envelope.Zone;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Shell;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;
import yentra.core.model.ArchitecturalModel;
import yentra.core.model.Body;
import yentra.core.model.Element;
import yentra.core.model.PropertySet;
import yentra.core.model.PropertyValue;
import yentra.core.step.StepFile;
import yentra.core.step.StepInstance;

/**
 * Makes an {@link Envelope} of an IFC model: site, storeys, spaces with their bodies, zones,
 * materials, and second-level space boundaries as delivered. A space without such boundaries gets
 * its body's faces as surfaces that are not resolved. What could not be read or was assumed is in
 * the envelope's notes.
 *
 * <p>Source: ISO 16739 and its predecessor IFC2X3 TC1 (attribute order); ISO 10303-21.
 */
public final class IfcReader {
  private final IfcModel model;
  private final ArchitecturalModel values;
  private final StepFile file;
  private final IfcUnits units;
  private final IfcRelations relations;
  private final IfcConstructions constructions;
  private final Predicate<Element> inScope;
  private final Tolerance tolerance;
  private final List<ReadNote> notes = new ArrayList<>();
  private final Map<Integer, String> storeyKeys = new LinkedHashMap<>();
  private final Map<Integer, String> zoneOf = new HashMap<>();
  private final IfcSpaceData spaceData = new IfcSpaceData();

  /** Of spaces that ask for conditions and are in none: only zones have conditions. */
  private final List<Zone> ownZones = new ArrayList<>();

  private BoundaryOptions options = BoundaryOptions.STANDARD;
  private Double groundLevel;
  private Watch watch = Watch.NONE;

  private IfcReader(
      IfcModel model, ArchitecturalModel values, Predicate<Element> inScope, Tolerance tolerance) {
    this.model = model;
    this.values = values;
    this.inScope = inScope;
    this.file = model.file();
    this.units = model.units();
    this.relations = model.relations();
    this.tolerance = tolerance;
    this.constructions = new IfcConstructions(model, values);
  }

  /**
   * Reads the file and makes the envelope in one go.
   *
   * @throws UnreadableException when it is no Part 21 file, is cut off, or holds no IFC project
   */
  public static Envelope read(byte[] bytes, ReadLimits limits, Tolerance tolerance)
      throws UnreadableException {
    return read(bytes, limits, BoundaryOptions.STANDARD, tolerance);
  }

  /** The same, with a choice of where the boundaries come from. */
  public static Envelope read(
      byte[] bytes, ReadLimits limits, BoundaryOptions options, Tolerance tolerance)
      throws UnreadableException {
    IfcModel model = IfcModel.of(bytes, limits, tolerance);
    return envelope(model, model, null, options, tolerance);
  }

  /** The envelope that the model's spaces and their delivered boundaries give. */
  public static Envelope envelope(IfcModel model, Tolerance tolerance) {
    return envelope(model, model, null, tolerance);
  }

  /**
   * The envelope that the spaces in scope give. A boundary whose element is out of scope stays,
   * since the space ends there all the same, and is noted.
   *
   * @param scoped the model with what is in scope and the values that were set
   */
  public static Envelope envelope(IfcModel model, ArchitecturalModel scoped, Tolerance tolerance) {
    return envelope(model, scoped, null, tolerance);
  }

  /**
   * The same, with the ground where the project says it is.
   *
   * @param groundLevel in model coordinates, metres; null for what the file says
   */
  public static Envelope envelope(
      IfcModel model, ArchitecturalModel scoped, Double groundLevel, Tolerance tolerance) {
    return envelope(model, scoped, groundLevel, BoundaryOptions.STANDARD, tolerance);
  }

  /**
   * The same, with a choice of where the boundaries come from.
   *
   * @param groundLevel in model coordinates, metres; null for what the file says
   */
  public static Envelope envelope(
      IfcModel model,
      ArchitecturalModel scoped,
      Double groundLevel,
      BoundaryOptions options,
      Tolerance tolerance) {
    return envelope(model, scoped, groundLevel, options, Watch.NONE, tolerance);
  }

  /**
   * The same, watched.
   *
   * @throws java.util.concurrent.CancellationException when the watch gives up
   */
  public static Envelope envelope(
      IfcModel model,
      ArchitecturalModel scoped,
      Double groundLevel,
      BoundaryOptions options,
      Watch watch,
      Tolerance tolerance) {
    IfcReader reader =
        new IfcReader(
            model,
            scoped,
            scoped == model ? e -> true : e -> scoped.element(e.key()).isPresent(),
            tolerance);
    reader.groundLevel = groundLevel;
    reader.options = options;
    reader.watch = watch;
    return reader.envelope();
  }

  /**
   * Volumes that construction in scope encloses and no space covers.
   *
   * @param now the envelope that the same scope gives, with the spaces and storeys that there are
   */
  public static EnclosedVolumes enclosed(
      IfcModel model, ArchitecturalModel scoped, Envelope now, Rules rules) {
    return IfcFoundSpaces.volumes(
        model,
        scoped == model ? e -> true : e -> scoped.element(e.key()).isPresent(),
        now.spaces(),
        now.storeys(),
        rules);
  }

  private Rules rules() {
    return new Rules(tolerance, options.derivation().types());
  }

  private Envelope envelope() {
    fileNotes();
    Building building = building();
    List<Storey> storeys = storeys(building.key());
    List<Zone> zones = zones();
    Map<Integer, IfcBoundaries.Room> rooms = new LinkedHashMap<>();
    List<Space> spaces = spaces(building.key(), rooms);
    if (options.findSpaces() || !options.seeds().isEmpty()) {
      IfcFoundSpaces found =
          IfcFoundSpaces.of(
              IfcFoundSpaces.volumes(model, inScope, spaces, storeys, rules()),
              building.key(),
              options);
      found.notes().forEach(n -> note(ReadNote.Kind.ASSUMED, "", n, 0));
      spaces.addAll(found.spaces());
      if (spaces.isEmpty()) {
        note(
            ReadNote.Kind.NO_SPACES,
            "",
            found.notes().isEmpty()
                ? "The delivery has no spaces, and its construction encloses none"
                : "The delivery has no spaces, and none were found: "
                    + String.join("; ", found.notes()),
            0);
      }
    }
    Ground ground = ground();
    IfcBoundaries reader = new IfcBoundaries(model, tolerance);
    List<DeliveredBoundary> boundaries = unique(reader.read(rooms));
    outOfScope(boundaries);
    IfcSpaceSurfaces bounded =
        new IfcSpaceSurfaces(model, inScope, constructions, options, ground, watch, tolerance);
    bounded.make(spaces, boundaries, reader.firstLevel());
    bounded.notes().forEach(n -> note(ReadNote.Kind.ASSUMED, "", n, 0));
    bounded
        .grouping()
        .forEach(
            (key, parts) ->
                notes.add(
                    new ReadNote(
                        ReadNote.Kind.GROUPING,
                        key,
                        "",
                        "",
                        parts.size(),
                        "the space holds "
                            + parts.size()
                            + " others and is taken for their group: no boundaries are derived for it",
                        0,
                        0,
                        parts)));
    boundaryNotes(reader, boundaries, bounded.astray());
    if (!spaceData.understood().isEmpty()) {
      note(
          ReadNote.Kind.ASSUMED,
          "",
          "uses of spaces are told by their OccupancyType: "
              + String.join(", ", spaceData.understood()),
          0);
    }
    if (!spaceData.unknown().isEmpty()) {
      note(
          ReadNote.Kind.ASSUMED,
          "",
          "no use is known by the OccupancyType "
              + String.join(", ", spaceData.unknown())
              + "; these spaces are left without one",
          0);
    }
    zones.addAll(ownZones);
    List<Zone> filled = zones.stream().map(spaceData::filled).toList();
    spaceData.disagreements().forEach(d -> note(ReadNote.Kind.ASSUMED, "", d, 0));
    if (!ownZones.isEmpty()) {
      note(
          ReadNote.Kind.ASSUMED,
          "",
          ownZones.size()
              + (ownZones.size() == 1
                  ? " space asks for conditions and is in no zone: it is a zone of its own"
                  : " spaces ask for conditions and are in no zone: each is a zone of its own"),
          0);
    }
    if (spaceData.peopleWithoutNumber() > 0) {
      note(
          ReadNote.Kind.LEFT_OUT,
          "",
          "the heat of people of "
              + spaceData.peopleWithoutNumber()
              + " spaces is left out: they do not say how many people there are",
          0);
    }
    for (String set : constructions.beside()) {
      note(
          ReadNote.Kind.ASSUMED,
          "",
          "fractions of the constituents of " + set + " are taken for shares of the area",
          0);
    }
    if (spaceData.assumedKelvin()) {
      note(
          ReadNote.Kind.ASSUMED,
          "",
          "temperatures of spaces above 150 are taken as kelvin: the file states no unit for them",
          0);
    }
    if (constructions.framed() > 0) {
      note(
          ReadNote.Kind.ASSUMED,
          "",
          "solar gain and light of "
              + constructions.framed()
              + (constructions.framed() == 1 ? " window" : " windows")
              + " are those of the glass times its stated share; the frame lets nothing through",
          0);
    }
    if (constructions.unoriented() > 0) {
      note(
          ReadNote.Kind.ASSUMED,
          "",
          "layers of "
              + constructions.unoriented()
              + (constructions.unoriented() == 1 ? " construction" : " constructions")
              + " are taken in the order in which the file lists them: it does not say in which direction they lie",
          0);
    }
    notes.addAll(new IfcConformance(model).notes());
    List<Surface> surfaces =
        new ArrayList<>(TowardsUnread.of(bounded.surfaces(), spaces, model, besideUnread(spaces)));
    surfaces.addAll(IfcTerrain.skyline(model, inScope, spaces));
    Envelope inner =
        Envelope.of(
            new Envelope.Parts(
                Delivered.si(Delivered.IFC, model.schema(), model.localOrigin()),
                IfcSite.of(model),
                List.of(building),
                storeys,
                filled,
                spaces,
                surfaces,
                bounded.orphans(),
                constructions.constructions(),
                constructions.layers(),
                constructions.materials(),
                constructions.glazings(),
                notes,
                bounded.uncovered()));
    IfcThickness.Result solid = IfcThickness.of(inner);
    if (solid.count() > 0) {
      note(
          ReadNote.Kind.ASSUMED,
          "",
          solid.count()
              + (solid.count() == 1 ? " construction" : " constructions")
              + " of one material without layers are as thick as their elements",
          0);
    }
    ConventionShift.Result moved =
        ConventionShift.apply(solid.envelope(), options.convention(), rules());
    moved.notes().forEach(n -> note(ReadNote.Kind.ASSUMED, "", n, 0));
    return moved.envelope().withNotes(notes);
  }

  private void note(ReadNote.Kind kind, String object, String message, int instance) {
    int[] place = instance == 0 ? new int[] {0, 0} : file.place(instance);
    notes.add(new ReadNote(kind, object, "", "", 1, message, place[0], place[1]));
  }

  private void boundaryNotes(
      IfcBoundaries reader,
      List<DeliveredBoundary> boundaries,
      List<DeliveredJudgement.Astray> astray) {
    for (IfcBoundaries.Problem p : reader.problems()) {
      notes.add(
          new ReadNote(
              ReadNote.Kind.SPACE_BOUNDARY,
              p.space(),
              "",
              "",
              1,
              "The space boundary is left out: " + p.why() + ".",
              p.source().line(),
              p.source().column(),
              List.of(p.source().id())));
    }
    for (DeliveredJudgement.Astray a : astray) {
      notes.add(
          new ReadNote(
              ReadNote.Kind.SPACE_BOUNDARY,
              a.boundary().space(),
              "",
              String.format(java.util.Locale.ROOT, "%.6f", a.by()),
              1,
              String.format(
                  java.util.Locale.ROOT,
                  a.off()
                      ? "The space boundary lies %.3f m off the face of its space"
                      : "The space boundary reaches %.3f m over the edge of its space's face",
                  a.by()),
              a.boundary().source().line(),
              a.boundary().source().column(),
              List.of(a.boundary().source().id())));
    }
    if (reader.firstLevel() > 0 && boundaries.isEmpty() && reader.problems().isEmpty()) {
      notes.add(
          new ReadNote(
              ReadNote.Kind.FIRST_LEVEL_ONLY,
              "",
              "",
              "",
              reader.firstLevel(),
              "All "
                  + reader.firstLevel()
                  + " space boundaries of the delivery are of the first level, and do not say what lies on the other side",
              0,
              0));
    }
  }

  /** GlobalIds of elements that internal boundaries of spaces without a body name. */
  private Set<String> besideUnread(List<Space> spaces) {
    Set<String> without = new HashSet<>();
    spaces.stream().filter(s -> s.shell().isEmpty()).forEach(s -> without.add(s.source().id()));
    Set<String> out = new HashSet<>();
    for (int b :
        file.ofType(
            "IFCRELSPACEBOUNDARY", "IFCRELSPACEBOUNDARY1STLEVEL", "IFCRELSPACEBOUNDARY2NDLEVEL")) {
      StepInstance r = file.get(b);
      StepInstance space = r == null ? null : file.get(r.ref(4));
      StepInstance element = r == null ? null : file.get(r.ref(5));
      boolean beside = space != null && element != null && without.contains(space.text(0));
      if (beside && r.enumeration(8).equals("INTERNAL")) {
        out.add(element.text(0));
      }
    }
    return out;
  }

  /** Says which elements bound spaces although they are out of scope. */
  private void outOfScope(List<DeliveredBoundary> boundaries) {
    Map<String, Integer> byClass = new java.util.TreeMap<>();
    Set<String> seen = new HashSet<>();
    for (DeliveredBoundary b : boundaries) {
      if (b.element() != null && seen.add(b.elementKey())) {
        model
            .element(b.elementKey())
            .filter(inScope.negate())
            .ifPresent(e -> byClass.merge(e.entity(), 1, Integer::sum));
      }
    }
    byClass.forEach(
        (entity, n) ->
            note(
                ReadNote.Kind.ASSUMED,
                "",
                n + " " + entity + " out of scope bound spaces: their boundaries stay",
                0));
  }

  private void fileNotes() {
    String schema = model.schema();
    if (!IfcSchema.isKnown(schema)) {
      notes.add(
          new ReadNote(
              ReadNote.Kind.UNKNOWN_SCHEMA,
              "",
              "FILE_SCHEMA",
              schema,
              1,
              (schema.isEmpty()
                      ? "The header states no schema"
                      : "The schema " + schema + " is not known")
                  + "; the file is read as IFC4.",
              1,
              1,
              schema.isEmpty() ? List.of() : List.of(schema)));
    }
    for (String a : units.assumed()) {
      notes.add(new ReadNote(ReadNote.Kind.UNIT_ASSUMED, "", a.split(" not")[0], "", 1, a, 0, 0));
    }
    Vec3 o = model.localOrigin();
    if (!o.equals(Vec3.ZERO)) {
      note(
          ReadNote.Kind.ASSUMED,
          "",
          String.format(
              java.util.Locale.ROOT,
              "the model stands far from its origin: it is worked on relative to (%.0f, %.0f, %.0f) m, which is added again on export",
              o.x(),
              o.y(),
              o.z()),
          0);
    }
    FarPlacement.of(model).ifPresent(notes::add);
    norths();
  }

  /** Says what states north otherwise than what counts. */
  private void norths() {
    List<IfcSite.North> all = IfcSite.norths(file);
    for (int i = 1; i < all.size(); i++) {
      IfcSite.North first = all.get(0);
      IfcSite.North other = all.get(i);
      double apart = IfcSite.apart(first, other);
      if (apart > 1e-6) {
        notes.add(
            new ReadNote(
                ReadNote.Kind.NORTH_TWICE,
                "",
                "north",
                Double.toString(apart),
                1,
                String.format(
                    java.util.Locale.ROOT,
                    "The y axis is stated %.2f° from true north by %s, and %.2f° by %s, %.2f° apart; the first counts",
                    first.azimuth(),
                    first.by(),
                    other.azimuth(),
                    other.by(),
                    apart),
                file.place(other.instance())[0],
                file.place(other.instance())[1],
                List.of("#" + first.instance(), "#" + other.instance())));
      }
    }
  }

  private Building building() {
    int[] ids = file.ofType("IFCBUILDING");
    StepInstance b = ids.length == 0 ? null : file.get(ids[0]);
    if (b == null) {
      return new Building(
          "building-1", "", "", null, yentra.core.envelope.SourceRef.REPAIR, Extras.NONE);
    }
    if (ids.length > 1) {
      note(
          ReadNote.Kind.ASSUMED,
          "",
          "the file has " + ids.length + " buildings; all spaces are taken as one",
          ids[1]);
    }
    return new Building(
        "bldg_" + IfcNames.xmlId(b.text(0)),
        b.text(2),
        "Unknown",
        null,
        model.source(b),
        Extras.NONE);
  }

  private List<Storey> storeys(String building) {
    List<Storey> out = new ArrayList<>();
    Set<String> taken = new HashSet<>();
    file.each(
        "IFCBUILDINGSTOREY",
        s -> {
          String key = "st_" + IfcNames.xmlId(s.text(0));
          if (!taken.add(key)) {
            return;
          }
          storeyKeys.put(s.id(), key);
          Double level = s.number(9).map(d -> d * units.length()).orElse(null);
          try {
            level = model.placements().local(s.ref(5)).origin().z();
          } catch (IfcGeometryException e) {
            note(
                ReadNote.Kind.LEFT_OUT,
                key,
                "The placement of storey " + s.text(2) + " cannot be read: " + e.getMessage() + ".",
                s.id());
          }
          out.add(new Storey(key, s.text(2), level, building, model.source(s), Extras.NONE));
        });
    return out;
  }

  /**
   * IfcSpatialZone of IFC4 (GlobalId, OwnerHistory, Name … PredefinedType): of spaces that are in
   * no IfcZone, those for heat and those whose purpose is not said. Spaces are referenced in them,
   * or are their parts.
   */
  private void spatialZones(List<Zone> out) {
    Map<Integer, Zone> made = new LinkedHashMap<>();
    file.each(
        "IFCSPATIALZONE",
        z -> {
          String purpose = z.enumeration(8);
          if (purpose.isEmpty()
              || Set.of("THERMAL", "NOTDEFINED", "USERDEFINED").contains(purpose)) {
            String key = "zn_" + IfcNames.xmlId(z.text(0));
            made.put(z.id(), new Zone(key, z.text(2), null, null, model.source(z), Extras.NONE));
          }
        });
    if (made.isEmpty()) {
      return;
    }
    Set<Integer> used = new HashSet<>();
    file.each("IFCRELREFERENCEDINSPATIALSTRUCTURE", r -> members(r.ref(5), r.refs(4), made, used));
    file.each("IFCRELAGGREGATES", r -> members(r.ref(4), r.refs(5), made, used));
    file.each("IFCRELASSIGNSTOGROUP", r -> members(r.ref(6), r.refs(4), made, used));
    made.forEach(
        (id, z) -> {
          if (used.contains(id) && out.stream().noneMatch(x -> x.key().equals(z.key()))) {
            out.add(z);
          }
        });
  }

  private void members(int zone, List<Integer> parts, Map<Integer, Zone> made, Set<Integer> used) {
    Zone z = made.get(zone);
    for (int part : z == null ? List.<Integer>of() : parts) {
      StepInstance s = file.get(part);
      if (s != null && s.is("IFCSPACE")) {
        used.add(zone);
        zoneOf.putIfAbsent(part, z.key());
      }
    }
  }

  private List<Zone> zones() {
    Map<Integer, String> keys = new LinkedHashMap<>();
    List<Zone> out = new ArrayList<>();
    file.each(
        "IFCZONE",
        z -> {
          String key = "zn_" + IfcNames.xmlId(z.text(0));
          if (!keys.containsValue(key)) {
            keys.put(z.id(), key);
            out.add(new Zone(key, z.text(2), null, null, model.source(z), Extras.NONE));
          }
        });
    for (Element e : model.elements()) {
      for (int g : relations.groups.get(e.number())) {
        if (keys.containsKey(g)) {
          zoneOf.putIfAbsent(e.number(), keys.get(g));
        }
      }
    }
    spatialZones(out);
    return out;
  }

  /**
   * A quantity of the space by name, the first that is there; names of the base quantities of
   * IfcSpace.
   */
  private static Double stated(List<PropertySet> sets, String... names) {
    for (String name : names) {
      for (PropertySet s : sets) {
        if (s.quantities()
            && s.property(name).map(yentra.core.model.Property::value).orElse(null)
                instanceof PropertyValue.Number n) {
          return n.value();
        }
      }
    }
    return null;
  }

  private List<Space> spaces(String building, Map<Integer, IfcBoundaries.Room> rooms) {
    List<Space> out = new ArrayList<>();
    Set<String> taken = new HashSet<>();
    List<Element> all =
        model.elements().stream()
            .filter(e -> e.entity().equals("IfcSpace"))
            .filter(inScope)
            .toList();
    all.parallelStream().forEach(model::body);
    for (Element e : all) {
      int id = e.number();
      StepInstance s = file.get(id);
      String key = "sp_" + IfcNames.xmlId(s.text(0));
      if (s.text(0).isEmpty() || !taken.add(key)) {
        key = "sp_" + id;
      }
      Body body = model.body(e);
      bodyNotes(e, key, body);
      rooms.put(id, new IfcBoundaries.Room(s, key, Shell.of(body.faces())));
      List<PropertySet> sets = values.properties(e);
      Double area = stated(sets, "NetFloorArea", "GrossFloorArea");
      String zone = zoneOf.get(id);
      if (zone == null && spaceData.asks(sets)) {
        zone = "zn_of_" + key;
        ownZones.add(new Zone(zone, label(e), null, null, model.source(s), Extras.NONE));
      }
      if (zone != null) {
        spaceData.of(zone, sets);
      }
      out.add(
          new Space(
              key,
              label(e),
              storeyOf(id),
              zone,
              building,
              spaceData.use(sets),
              "",
              spaceData.gains(sets, area),
              spaceData.air(sets),
              area,
              stated(sets, "NetVolume", "GrossVolume"),
              body.faces(),
              model.source(s),
              Extras.NONE));
    }
    return out;
  }

  private void bodyNotes(Element e, String key, Body body) {
    if (body.problem() != null) {
      note(
          ReadNote.Kind.APPROXIMATED,
          key,
          "The body of the space " + e.label() + " cannot be read: " + body.problem() + ".",
          e.number());
    } else if (body.chordError() > 0 || !body.approximations().isEmpty()) {
      note(
          ReadNote.Kind.APPROXIMATED,
          key,
          "The body of the space "
              + e.label()
              + " was simplified: "
              + IfcNames.simplified(body)
              + ".",
          e.number());
    }
  }

  /** "4 Bedroom" from Name 4 and LongName Bedroom; empty when it has neither. */
  private static String label(Element e) {
    return e.name().isBlank() && e.longName().isBlank() ? "" : e.label();
  }

  private String storeyOf(int space) {
    int at = space;
    for (int i = 0; i < 20 && at != 0; i++) {
      String key = storeyKeys.get(at);
      if (key != null) {
        return key;
      }
      at = relations.whole.get(at) != 0 ? relations.whole.get(at) : relations.container.get(at);
    }
    return null;
  }

  /** Where the project says it is, else the terrain of the file and the level it states. */
  private Ground ground() {
    if (groundLevel != null) {
      return Ground.level(groundLevel);
    }
    List<Polygon> terrain = IfcTerrain.of(model, inScope);
    if (terrain.isEmpty()) {
      return Ground.level(groundLevel());
    }
    note(
        ReadNote.Kind.ASSUMED,
        "",
        "the ground lies where the terrain of the file has its surface ("
            + terrain.size()
            + (terrain.size() == 1 ? " face)" : " faces)"),
        0);
    return Ground.terrain(terrain, groundLevel());
  }

  /**
   * ElevationOfTerrain less ElevationOfRefHeight above the building's own placement where stated,
   * else 0.
   */
  private double groundLevel() {
    for (int id : file.ofType("IFCBUILDING")) {
      StepInstance b = file.get(id);
      if (b != null && b.number(10).isPresent()) {
        return base(b) + (b.number(10).get() - b.number(9).orElse(0.0)) * units.length();
      }
    }
    note(ReadNote.Kind.GROUND_ASSUMED, "", "ground level not stated: 0.00 m assumed", 0);
    return 0;
  }

  /** Height of the building's reference level. */
  private double base(StepInstance building) {
    try {
      return building.ref(5) == 0 ? 0 : model.placements().local(building.ref(5)).origin().z();
    } catch (IfcGeometryException e) {
      note(
          ReadNote.Kind.LEFT_OUT,
          "",
          "The placement of the building cannot be read: " + e.getMessage() + ".",
          building.id());
      return 0;
    }
  }

  private static List<DeliveredBoundary> unique(List<DeliveredBoundary> boundaries) {
    Set<String> taken = new HashSet<>();
    List<DeliveredBoundary> out = new ArrayList<>();
    for (DeliveredBoundary b : boundaries) {
      String key = b.key();
      for (int i = 2; !taken.add(key); i++) {
        key = b.key() + "-" + i;
      }
      out.add(b.withKey(key));
    }
    return out;
  }
}
