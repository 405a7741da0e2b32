package yentra.core.ifc;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import yentra.core.boundary.BoundaryMatching;
import yentra.core.boundary.DeliveredBoundary;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Building;
import yentra.core.envelope.Delivered;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.Side;
import yentra.core.envelope.Site;
import yentra.core.envelope.Space;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.UnreadableException;
import yentra.core.envelope.Zone;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Shell;
import yentra.core.geometry.Tolerance;
import yentra.core.step.StepFile;
import yentra.core.step.StepInstance;

/**
 * Reads an IFC file (IFC2X3 or IFC4, Part 21) into an {@link Envelope}: site, storeys, spaces with
 * their bodies, zones, materials, and second-level space boundaries as delivered. A space without
 * such boundaries gets its body's faces as surfaces that are not resolved. What could not be read
 * or was assumed is in the envelope's notes.
 *
 * <p>Source: ISO 16739 and its predecessors IFC2X3 TC1, IFC4 ADD2 TC1 (attribute order); ISO
 * 10303-21.
 */
public final class IfcReader {
  private final StepFile file;
  private final IfcUnits units;
  private final IfcPlacements placements;
  private final IfcCurves curves;
  private final IfcBodies bodies;
  private final IfcSources sources;
  private final IfcConstructions constructions;
  private final Tolerance tolerance;
  private final ReadLimits limits;
  private final List<ReadNote> notes = new ArrayList<>();
  private final Map<Integer, Integer> parentOf = new HashMap<>();
  private final Map<Integer, String> storeyKeys = new LinkedHashMap<>();
  private final Map<Integer, String> zoneOf = new HashMap<>();
  private final Map<Integer, double[]> quantities = new HashMap<>();

  private IfcReader(StepFile file, ReadLimits limits, Tolerance tolerance) {
    this.file = file;
    this.limits = limits;
    this.tolerance = tolerance;
    this.units = IfcUnits.of(file);
    this.placements = new IfcPlacements(file, units);
    this.curves = new IfcCurves(placements, units);
    this.bodies = new IfcBodies(file, placements, curves, units, tolerance);
    this.sources = new IfcSources(file);
    this.constructions = new IfcConstructions(file, units, sources);
  }

  /**
   * Reads the file.
   *
   * @throws UnreadableException when it is no Part 21 file, is cut off, or holds no IFC project
   */
  public static Envelope read(byte[] bytes, ReadLimits limits, Tolerance tolerance)
      throws UnreadableException {
    StepFile file = StepFile.of(bytes);
    String schema = schema(file);
    if (!schema.startsWith("IFC") && file.ofType("IFCPROJECT").length == 0) {
      throw new UnreadableException(
          "This is a STEP file of the schema "
              + (schema.isEmpty() ? "(none stated)" : schema)
              + ", not IFC.",
          1,
          1);
    }
    return new IfcReader(file, limits, tolerance).envelope(schema);
  }

  static String schema(StepFile file) {
    for (StepInstance h : file.header()) {
      if (h.is("FILE_SCHEMA") && !h.list(0).isEmpty()) {
        return h.list(0).get(0) instanceof yentra.core.step.StepValue.Text t ? t.value() : "";
      }
    }
    return "";
  }

  private Envelope envelope(String schema) throws UnreadableException {
    fileNotes(schema);
    file.each("IFCRELAGGREGATES", r -> r.refs(5).forEach(c -> parentOf.putIfAbsent(c, r.ref(4))));
    file.each("IFCRELDEFINESBYPROPERTIES", this::quantity);
    Building building = building();
    List<Storey> storeys = storeys(building.key());
    List<Zone> zones = zones();
    Map<Integer, IfcBoundaries.Room> rooms = new LinkedHashMap<>();
    List<Space> spaces = spaces(building.key(), rooms);
    double ground = groundLevel();
    IfcBoundaries reader =
        new IfcBoundaries(file, placements, curves, bodies, units, sources, tolerance);
    List<DeliveredBoundary> boundaries = unique(reader.read(rooms));
    reader.problems().forEach(p -> note(ReadNote.Kind.LEFT_OUT, "", p, 0));
    BoundaryMatching.Result matched =
        new BoundaryMatching(ground, tolerance).match(boundaries, constructions);
    List<Surface> surfaces = new ArrayList<>(matched.surfaces());
    unresolved(spaces, boundaries, surfaces, reader.firstLevel());
    if (!constructions.layers().isEmpty()) {
      note(
          ReadNote.Kind.ASSUMED,
          "",
          "layers are taken in the order in which the file lists them; which side is outside is not stated",
          0);
    }
    file.problems()
        .forEach(
            p ->
                notes.add(
                    new ReadNote(
                        ReadNote.Kind.LEFT_OUT,
                        "",
                        "#" + p.instance(),
                        "",
                        1,
                        p.message(),
                        p.line(),
                        p.column())));
    return Envelope.of(
        new Envelope.Parts(
            Delivered.si(Delivered.IFC, schema),
            site(),
            List.of(building),
            storeys,
            zones,
            spaces,
            surfaces,
            matched.orphans(),
            constructions.constructions(),
            constructions.layers(),
            constructions.materials(),
            constructions.glazings(),
            notes));
  }

  private void note(ReadNote.Kind kind, String object, String message, int instance) {
    int[] place = instance == 0 ? new int[] {0, 0} : file.place(instance);
    notes.add(new ReadNote(kind, object, "", "", 1, message, place[0], place[1]));
  }

  private void fileNotes(String schema) {
    if (!schema.matches("IFC2X3.*|IFC4(X\\d.*|_ADD\\d.*)?")) {
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
              1));
    }
    for (String a : units.assumed()) {
      notes.add(new ReadNote(ReadNote.Kind.UNIT_ASSUMED, "", a.split(" not")[0], "", 1, a, 0, 0));
    }
    for (int d : file.duplicates()) {
      int[] place = file.place(d);
      notes.add(
          new ReadNote(
              ReadNote.Kind.DUPLICATE_ID,
              "#" + d,
              "instance",
              "#" + d,
              2,
              "The instance number #" + d + " is used twice; the first is read.",
              place[0],
              place[1]));
    }
  }

  private Site site() {
    int[] sites = file.ofType("IFCSITE");
    StepInstance s = sites.length == 0 ? null : file.get(sites[0]);
    Double north = null;
    for (int c : file.ofType("IFCGEOMETRICREPRESENTATIONCONTEXT")) {
      StepInstance context = file.get(c);
      StepInstance d = context == null ? null : file.get(context.ref(5));
      if (d != null && d.list(0).size() >= 2 && context.text(1).equals("Model")) {
        double x = StepInstance.number(d.list(0).get(0)).orElse(0.0);
        double y = StepInstance.number(d.list(0).get(1)).orElse(1.0);
        // the azimuth of project +y is the bearing of true north, taken back
        double a = -Math.toDegrees(Math.atan2(x, y));
        north = a == 0 ? 0.0 : (a + 360) % 360;
        break;
      }
    }
    if (s == null) {
      return new Site("", null, null, null, north, Extras.NONE);
    }
    return new Site(
        s.text(2),
        angle(s, 9),
        angle(s, 10),
        s.number(11).map(d -> d * units.length()).orElse(null),
        north,
        Extras.NONE);
  }

  /**
   * IfcCompoundPlaneAngleMeasure: degrees, minutes, seconds, millionths of a second, all with the
   * same sign.
   */
  private static Double angle(StepInstance s, int i) {
    List<yentra.core.step.StepValue> l = s.list(i);
    if (l.size() < 3) {
      return null;
    }
    double[] scale = {1, 60, 3600, 3.6e9};
    double sum = 0;
    for (int k = 0; k < Math.min(4, l.size()); k++) {
      sum += StepInstance.number(l.get(k)).orElse(0.0) / scale[k];
    }
    return sum;
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
        "bldg_" + IfcSources.xmlId(b.text(0)),
        b.text(2),
        "Unknown",
        null,
        sources.of(b),
        Extras.NONE);
  }

  private List<Storey> storeys(String building) {
    List<Storey> out = new ArrayList<>();
    Set<String> taken = new HashSet<>();
    file.each(
        "IFCBUILDINGSTOREY",
        s -> {
          String key = "st_" + IfcSources.xmlId(s.text(0));
          if (!taken.add(key)) {
            return;
          }
          storeyKeys.put(s.id(), key);
          Double level = s.number(9).map(d -> d * units.length()).orElse(null);
          try {
            level = placements.local(s.ref(5)).origin().z();
          } catch (IfcGeometryException e) {
            note(
                ReadNote.Kind.LEFT_OUT,
                key,
                "The placement of storey " + s.text(2) + " cannot be read: " + e.getMessage() + ".",
                s.id());
          }
          out.add(new Storey(key, s.text(2), level, building, sources.of(s), Extras.NONE));
        });
    return out;
  }

  private List<Zone> zones() {
    Map<Integer, String> keys = new LinkedHashMap<>();
    List<Zone> out = new ArrayList<>();
    file.each(
        "IFCZONE",
        z -> {
          String key = "zn_" + IfcSources.xmlId(z.text(0));
          if (!keys.containsValue(key)) {
            keys.put(z.id(), key);
            out.add(new Zone(key, z.text(2), null, null, sources.of(z), Extras.NONE));
          }
        });
    file.each(
        "IFCRELASSIGNSTOGROUP",
        r -> {
          String key = keys.get(r.ref(6));
          if (key != null) {
            r.refs(4).forEach(s -> zoneOf.putIfAbsent(s, key));
          }
        });
    return out;
  }

  /** Stated floor area and volume from quantity sets; net before gross. */
  private void quantity(StepInstance rel) {
    StepInstance set = file.get(rel.ref(5));
    if (set == null || !set.is("IFCELEMENTQUANTITY")) {
      return;
    }
    double[] found = {Double.NaN, Double.NaN, Double.NaN, Double.NaN};
    for (int q : set.refs(5)) {
      StepInstance quantity = file.get(q);
      if (quantity != null) {
        int slot =
            List.of("NetFloorArea", "GrossFloorArea", "NetVolume", "GrossVolume")
                .indexOf(quantity.text(0));
        if (slot >= 0) {
          double scale = slot < 2 ? units.area() : units.volume();
          found[slot] = quantity.number(3).map(d -> d * scale).orElse(Double.NaN);
        }
      }
    }
    rel.refs(4).forEach(o -> quantities.putIfAbsent(o, found));
  }

  private static Double first(double[] q, int a, int b) {
    if (q == null) {
      return null;
    }
    return !Double.isNaN(q[a])
        ? Double.valueOf(q[a])
        : !Double.isNaN(q[b]) ? Double.valueOf(q[b]) : null;
  }

  private List<Space> spaces(String building, Map<Integer, IfcBoundaries.Room> rooms)
      throws UnreadableException {
    List<Space> out = new ArrayList<>();
    Set<String> taken = new HashSet<>();
    int[] ids = file.ofType("IFCSPACE");
    if (ids.length > limits.objects() / 8) {
      throw new UnreadableException(
          "The file holds " + ids.length + " spaces, more than Yentra reads. Split the model.",
          1,
          1);
    }
    for (int id : ids) {
      StepInstance s = file.get(id);
      if (s == null) {
        continue;
      }
      String key = "sp_" + IfcSources.xmlId(s.text(0));
      if (s.text(0).isEmpty() || !taken.add(key)) {
        int[] place = file.place(id);
        String again = "sp_" + id;
        boolean missing = s.text(0).isEmpty();
        notes.add(
            new ReadNote(
                missing ? ReadNote.Kind.MISSING_REQUIRED : ReadNote.Kind.DUPLICATE_ID,
                missing ? again : key,
                "GlobalId",
                s.text(0),
                2,
                missing
                    ? "The space #" + id + " has no GlobalId."
                    : "The GlobalId " + s.text(0) + " is used by two spaces.",
                place[0],
                place[1]));
        key = again;
      }
      List<Polygon> body = body(s, key);
      rooms.put(id, new IfcBoundaries.Room(s, key, Shell.of(body)));
      double[] q = quantities.get(id);
      out.add(
          new Space(
              key,
              label(s),
              storeyOf(id),
              zoneOf.get(id),
              building,
              "",
              "",
              first(q, 0, 1),
              first(q, 2, 3),
              body,
              sources.of(s),
              Extras.NONE));
    }
    return out;
  }

  private List<Polygon> body(StepInstance s, String key) {
    try {
      List<Polygon> body = bodies.of(s);
      if (body.isEmpty()) {
        note(ReadNote.Kind.LEFT_OUT, key, "The space " + label(s) + " has no body.", s.id());
      }
      return body;
    } catch (IfcGeometryException e) {
      note(
          ReadNote.Kind.LEFT_OUT,
          key,
          "The body of the space " + label(s) + " cannot be read: " + e.getMessage() + ".",
          s.id());
      return List.of();
    }
  }

  /** "4 Bedroom" from Name 4 and LongName Bedroom. */
  private static String label(StepInstance s) {
    String name = s.text(2).strip();
    String longName = s.text(7).strip();
    return longName.isEmpty() || longName.equals(name)
        ? name
        : name.isEmpty() ? longName : name + " " + longName;
  }

  private String storeyOf(int space) {
    int at = space;
    for (int i = 0; i < 20 && at != 0; i++) {
      String key = storeyKeys.get(at);
      if (key != null) {
        return key;
      }
      at = parentOf.getOrDefault(at, 0);
    }
    return null;
  }

  /**
   * ElevationOfTerrain less ElevationOfRefHeight where stated, else the lowest storey that is not
   * below zero, else 0.
   */
  private double groundLevel() {
    for (int id : file.ofType("IFCBUILDING")) {
      StepInstance b = file.get(id);
      if (b != null && b.number(10).isPresent()) {
        return (b.number(10).get() - b.number(9).orElse(0.0)) * units.length();
      }
    }
    note(ReadNote.Kind.ASSUMED, "", "ground level not stated: 0.00 m assumed", 0);
    return 0;
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

  /**
   * The faces of spaces that have no second-level boundaries, as surfaces that are not resolved.
   */
  private void unresolved(
      List<Space> spaces,
      List<DeliveredBoundary> boundaries,
      List<Surface> surfaces,
      int firstLevel) {
    Set<String> bounded = new HashSet<>();
    boundaries.forEach(b -> bounded.add(b.space()));
    int n = 0;
    for (Space s : spaces) {
      if (bounded.contains(s.key()) || s.shell().isEmpty()) {
        continue;
      }
      n++;
      List<Polygon> faces = Shell.of(s.shell()).outward(tolerance.gap()).faces();
      for (int i = 0; i < faces.size(); i++) {
        surfaces.add(
            new Surface(
                "su_" + s.key().substring(3) + "_" + (i + 1),
                "",
                SurfaceType.UNRESOLVED,
                faces.get(i),
                List.of(Side.of(s.key())),
                null,
                null,
                BoundaryKind.FACE,
                s.source(),
                null,
                List.of(),
                Extras.NONE));
      }
    }
    if (n > 0) {
      note(
          ReadNote.Kind.ASSUMED,
          "",
          n
              + (n == 1 ? " space has" : " spaces have")
              + " no second-level boundaries"
              + (firstLevel > 0 ? " (" + firstLevel + " of the first level)" : "")
              + ": the faces of the body are taken as surfaces, and what lies behind them is not resolved",
          0);
    }
  }
}
