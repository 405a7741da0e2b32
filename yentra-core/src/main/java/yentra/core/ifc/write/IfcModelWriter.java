package yentra.core.ifc.write;

import static yentra.core.step.StepWriter.real;
import static yentra.core.step.StepWriter.reals;
import static yentra.core.step.StepWriter.ref;
import static yentra.core.step.StepWriter.refs;
import static yentra.core.step.StepWriter.text;

import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import yentra.core.envelope.Building;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.GroundLevel;
import yentra.core.envelope.Site;
import yentra.core.envelope.Space;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.geometry.Vec3;
import yentra.core.ifc.MadeGlobalId;
import yentra.core.step.StepWriter;

/**
 * Writes an envelope as a complete model of IFC4 (ISO 16739-1, ADD2 TC1) or IFC2X3 (TC1) with
 * second-level space boundaries: storeys, spaces with their bodies, an element for each surface
 * with a body as thick as its construction, openings with what fills them, layers with thermal
 * values, zones, uses. Names of property sets are those of the standard, from memory.
 *
 * <p>Lengths in metres, angles in radians, temperatures in °C. The model's axes are those of the
 * envelope; its origin is the placement of the site. There is no clock in the file: the same
 * envelope gives the same bytes.
 */
public final class IfcModelWriter {
  /** Millionths. */
  private static final long MICRO = 1_000_000;

  private final Envelope envelope;
  private final IfcFrame frame;
  private final StepWriter step;
  private final Map<String, Integer> storeys = new LinkedHashMap<>();

  /**
   * What was written.
   *
   * @param notes sentences on what IFC has no place for, and what was assumed
   * @param globalIds the GlobalId of a space, storey or zone by its key; of surfaces and openings
   *     that of the boundary of their first space
   */
  public record Written(List<String> notes, UnaryOperator<String> globalIds) {}

  private IfcModelWriter(Envelope envelope, IfcDialect dialect, StepWriter step) {
    this.envelope = envelope;
    this.step = step;
    this.frame = IfcFrame.write(step, dialect, envelope);
  }

  /**
   * Writes the file.
   *
   * @param types what a surface without a type is by its tilt
   * @param typed keys of surfaces whose type is said in words, since nothing else would give it
   * @throws IOException when it cannot be written
   */
  public static Written write(
      Envelope envelope,
      SurfaceTypes types,
      IfcDialect dialect,
      Set<String> typed,
      OutputStream out)
      throws IOException {
    Writer text = new OutputStreamWriter(out, StandardCharsets.US_ASCII);
    try {
      text.append(dialect.header());
      IfcModelWriter writer = new IfcModelWriter(envelope, dialect, new StepWriter(text));
      List<String> notes = writer.data(types, new BoundaryWords(dialect, typed));
      text.append("ENDSEC;\nEND-ISO-10303-21;\n");
      text.flush();
      return new Written(notes, key -> GlobalIds.of(key, writer.frame.seed()));
    } catch (UncheckedIOException e) {
      throw e.getCause();
    }
  }

  private List<String> data(SurfaceTypes types, BoundaryWords words) {
    int site = site();
    int building = building();
    storeys();
    frame.aggregate("site", frame.project(), List.of(site));
    frame.aggregate("building", site, List.of(building));
    SpaceWriter spaces = new SpaceWriter(envelope, frame);
    envelope.spaces().forEach(spaces::write);
    inStoreys(building, spaces);
    spaces.zones();
    LayerSets sets = new LayerSets(envelope, frame.dialect(), step);
    ElementWriter elements = new ElementWriter(envelope, frame, spaces, sets, words, types);
    for (Surface s : envelope.surfaces()) {
      elements.write(s);
    }
    elements.relate(storeys, building);
    List<String> notes = new ArrayList<>(sets.notes());
    notes.addAll(spaces.notes());
    notes.addAll(elements.notes());
    return notes;
  }

  private int site() {
    Site s = envelope.site();
    return step.add(
        "IFCSITE",
        frame.id("site"),
        frame.owner(),
        text(s.name()),
        "$",
        "$",
        ref(frame.placement()),
        "$",
        "$",
        ".ELEMENT.",
        angle(s.latitude()),
        angle(s.longitude()),
        real(s.elevation()),
        "$",
        "$");
  }

  /** IfcCompoundPlaneAngleMeasure: all parts have the sign of the whole. */
  private static String angle(Double degrees) {
    if (degrees == null) {
      return "$";
    }
    // degrees, minutes, seconds, millionths of a second
    long[] per = {MICRO * 3600, MICRO * 60, MICRO};
    StringBuilder b = new StringBuilder("(");
    long left = Math.round(degrees * per[0]);
    for (long p : per) {
      b.append(left / p).append(',');
      left %= p;
    }
    return b.append(left).append(')').toString();
  }

  /** Its terrain is stated above the model's zero, where its reference height is. */
  private int building() {
    Building b = envelope.buildings().isEmpty() ? null : envelope.buildings().get(0);
    return step.add(
        "IFCBUILDING",
        frame.id("building"),
        frame.owner(),
        text(b == null ? "Building" : b.name()),
        "$",
        "$",
        ref(frame.placement()),
        "$",
        "$",
        ".ELEMENT.",
        real(0.0),
        real(GroundLevel.of(envelope)),
        "$");
  }

  private void storeys() {
    for (Storey s : envelope.storeys()) {
      double level = s.level() == null ? 0 : s.level();
      int axes =
          step.add(
              "IFCAXIS2PLACEMENT3D", ref(frame.shapes().point(new Vec3(0, 0, level))), "$", "$");
      int placement = step.add("IFCLOCALPLACEMENT", ref(frame.placement()), ref(axes));
      storeys.put(
          s.key(),
          step.add(
              "IFCBUILDINGSTOREY",
              frame.id(s.key()),
              frame.owner(),
              text(s.name()),
              "$",
              "$",
              ref(placement),
              "$",
              "$",
              ".ELEMENT.",
              real(s.level())));
    }
  }

  private void inStoreys(int building, SpaceWriter spaces) {
    Map<Integer, List<Integer>> in = new LinkedHashMap<>();
    in.put(building, new ArrayList<>(storeys.values()));
    for (Space s : envelope.spaces()) {
      int whole = s.storey() == null ? building : storeys.getOrDefault(s.storey(), building);
      in.computeIfAbsent(whole, k -> new ArrayList<>()).add(spaces.number(s.key()));
    }
    in.forEach((whole, parts) -> frame.aggregate("of" + whole, whole, parts));
  }

  /** What all parts of the file share: numbers of the frame, GlobalIds, shapes. */
  record IfcFrame(
      StepWriter step,
      IfcDialect dialect,
      IfcShapes shapes,
      String seed,
      String owner,
      int project,
      int placement) {
    static IfcFrame write(StepWriter step, IfcDialect dialect, Envelope envelope) {
      String owner = dialect.isOld() ? ref(owner(step)) : "$";
      String seed = envelope.site().name() + "/" + envelope.delivered().schema() + "/";
      Vec3 o = envelope.delivered().origin();
      Double azimuth = envelope.site().northAzimuth();
      double north = azimuth == null ? 0 : -Math.toRadians(azimuth);
      int zero = step.shared("IFCCARTESIANPOINT", reals(0, 0, 0));
      int origin = step.add("IFCAXIS2PLACEMENT3D", ref(zero), "$", "$");
      int context =
          step.add(
              "IFCGEOMETRICREPRESENTATIONCONTEXT",
              "$",
              "'Model'",
              "3",
              real(1e-6),
              ref(origin),
              azimuth == null
                  ? "$"
                  : ref(step.add("IFCDIRECTION", reals(Math.sin(north), Math.cos(north)))));
      List<Integer> units = new ArrayList<>();
      units.add(step.add("IFCSIUNIT", "*", ".LENGTHUNIT.", "$", ".METRE."));
      units.add(step.add("IFCSIUNIT", "*", ".AREAUNIT.", "$", ".SQUARE_METRE."));
      units.add(step.add("IFCSIUNIT", "*", ".VOLUMEUNIT.", "$", ".CUBIC_METRE."));
      units.add(step.add("IFCSIUNIT", "*", ".PLANEANGLEUNIT.", "$", ".RADIAN."));
      units.add(
          step.add("IFCSIUNIT", "*", ".THERMODYNAMICTEMPERATUREUNIT.", "$", ".DEGREE_CELSIUS."));
      units.add(step.add("IFCSIUNIT", "*", ".POWERUNIT.", "$", ".WATT."));
      int assigned = step.add("IFCUNITASSIGNMENT", refs(units));
      int project =
          step.add(
              "IFCPROJECT",
              "'" + MadeGlobalId.of(seed + "project") + "'",
              owner,
              text(envelope.site().name()),
              "$",
              "$",
              "$",
              "$",
              refs(List.of(context)),
              ref(assigned));
      int at =
          o.equals(Vec3.ZERO)
              ? origin
              : step.add(
                  "IFCAXIS2PLACEMENT3D",
                  ref(step.shared("IFCCARTESIANPOINT", reals(o.x(), o.y(), o.z()))),
                  "$",
                  "$");
      int placement = step.add("IFCLOCALPLACEMENT", "$", ref(at));
      return new IfcFrame(
          step, dialect, new IfcShapes(step, context), seed, owner, project, placement);
    }

    /** IFC2X3 asks who made each object; there is no clock in the file. */
    private static int owner(StepWriter step) {
      int person = step.add("IFCPERSON", "$", "''", "$", "$", "$", "$", "$", "$");
      int organisation = step.add("IFCORGANIZATION", "$", "'Yentra'", "$", "$", "$");
      int both = step.add("IFCPERSONANDORGANIZATION", ref(person), ref(organisation), "$");
      int product = step.add("IFCAPPLICATION", ref(organisation), "'1.0'", "'Yentra'", "'Yentra'");
      return step.add(
          "IFCOWNERHISTORY",
          ref(both),
          ref(product),
          "$",
          ".NOCHANGE.",
          "$",
          "$",
          "$",
          Integer.toString(EPOCH));
    }

    /** The first second of 2000, as in the header. */
    private static final int EPOCH = 946_684_800;

    boolean isOld() {
      return dialect.isOld();
    }

    /** Parameters that only IFC4 has, behind the others. */
    String[] and(String[] parameters, String... later) {
      if (isOld()) {
        return parameters;
      }
      List<String> all = new ArrayList<>(List.of(parameters));
      all.addAll(List.of(later));
      return all.toArray(String[]::new);
    }

    /** The GlobalId of an object by its key, as it stands in the file. */
    String id(String key) {
      return "'" + GlobalIds.of(key, seed) + "'";
    }

    void aggregate(String name, int whole, List<Integer> parts) {
      if (!parts.isEmpty()) {
        step.add("IFCRELAGGREGATES", id("parts-" + name), owner, "$", "$", ref(whole), refs(parts));
      }
    }

    /** A property set of an object. */
    void properties(String set, String of, int object, List<Integer> properties) {
      if (properties.isEmpty()) {
        return;
      }
      int made =
          step.add("IFCPROPERTYSET", id(set + "-" + of), owner, text(set), "$", refs(properties));
      defines(set, of, object, made);
    }

    /** Says that a set of properties or quantities is an object's. */
    void defines(String set, String of, int object, int made) {
      step.add(
          "IFCRELDEFINESBYPROPERTIES",
          id("has-" + set + "-" + of),
          owner,
          "$",
          "$",
          refs(List.of(object)),
          ref(made));
    }

    /** A property with one value. */
    int property(String name, String measure, String value) {
      return step.shared(
          "IFCPROPERTYSINGLEVALUE", text(name), "$", measure + "(" + value + ")", "$");
    }
  }
}
