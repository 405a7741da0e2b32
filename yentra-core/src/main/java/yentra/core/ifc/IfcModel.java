package yentra.core.ifc;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.UnreadableException;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;
import yentra.core.model.ArchitecturalModel;
import yentra.core.model.Body;
import yentra.core.model.Classification;
import yentra.core.model.Element;
import yentra.core.model.PropertySet;
import yentra.core.model.PropertyValue;
import yentra.core.step.StepFile;
import yentra.core.step.StepInstance;
import yentra.core.step.StepValue;

/**
 * The architectural model of an IFC file (IFC2X3, IFC4, IFC4X3; ISO 16739): all products and groups
 * with names, types, places in the structure, properties, materials and bodies.
 *
 * <p>Coordinates are metres near a {@link #localOrigin}: a model that stands farther than {@link
 * #FAR} from the origin of its file is read relative to a whole-metre point near it, so that no
 * digits are lost.
 */
public final class IfcModel implements ArchitecturalModel {
  /** Farther from the origin than this, in metres, a model is moved near it. */
  static final double FAR = 1000;

  private final StepFile file;
  private final String stated;
  private final IfcSchema schema;
  private final IfcUnits units;
  private final IfcRelations relations;
  private final IfcPlacements placements;
  private final Tolerance tolerance;
  private final Vec3 localOrigin;
  private final IfcBodies.Shared shared = new IfcBodies.Shared();
  private final IfcProperties properties;
  private final List<Element> elements;
  private final List<Element> definitions;
  private final Map<String, Element> byKey = new HashMap<>();
  private final Map<Integer, Element> byNumber = new HashMap<>();
  private final Map<Integer, Body> bodies = new ConcurrentHashMap<>();
  private IfcVoids voids;
  private Set<Integer> clear;

  private IfcModel(StepFile file, String stated, Tolerance tolerance) {
    this.file = file;
    this.stated = stated;
    this.tolerance = tolerance;
    this.schema = IfcSchema.of(stated);
    this.units = IfcUnits.of(file, schema);
    this.relations = new IfcRelations(file);
    this.localOrigin = LocalOrigin.of(file, schema, units);
    this.placements = new IfcPlacements(file, schema, units, localOrigin);
    this.properties = new IfcProperties(file, schema, units, relations);
    IfcElements reader = new IfcElements(file, schema, relations);
    this.elements = reader.read("IfcProduct", "IfcGroup");
    this.definitions = reader.read("IfcProject", "IfcTypeObject");
    elements.forEach(this::index);
    definitions.forEach(this::index);
  }

  /**
   * Reads a file.
   *
   * @throws UnreadableException when it is no Part 21 file, is cut off, or holds no IFC project
   */
  public static IfcModel of(byte[] bytes, ReadLimits limits, Tolerance tolerance)
      throws UnreadableException {
    StepFile file = StepFile.of(bytes);
    String stated = schema(file);
    if (!stated.startsWith("IFC") && file.ofType("IFCPROJECT").length == 0) {
      throw new UnreadableException(
          "This is a STEP file of the schema "
              + (stated.isEmpty() ? "(none stated)" : stated)
              + ", not IFC.",
          1,
          1);
    }
    if (file.ofType("IFCSPACE").length > limits.objects() / 8) {
      throw new UnreadableException(
          "The file holds "
              + file.ofType("IFCSPACE").length
              + " spaces, more than Yentra reads. Split the model.",
          1,
          1);
    }
    return new IfcModel(file, stated, tolerance);
  }

  private void index(Element e) {
    byKey.put(e.key(), e);
    byNumber.put(e.number(), e);
  }

  static String schema(StepFile file) {
    for (StepInstance h : file.header()) {
      if (h.is("FILE_SCHEMA") && !h.list(0).isEmpty()) {
        return h.list(0).get(0) instanceof StepValue.Text t ? t.value() : "";
      }
    }
    return "";
  }

  public StepFile file() {
    return file;
  }

  @Override
  public String schema() {
    return stated;
  }

  /** The tables of the schema that the file is read by. */
  public IfcSchema entities() {
    return schema;
  }

  IfcUnits units() {
    return units;
  }

  IfcRelations relations() {
    return relations;
  }

  IfcPlacements placements() {
    return placements;
  }

  /** The point in the file's world coordinates, in metres, that is the origin of the model. */
  public Vec3 localOrigin() {
    return localOrigin;
  }

  /** Metres in a unit of length of the file. */
  public double lengthUnit() {
    return units.length();
  }

  /** The placement of an element in the model, in metres; empty when it cannot be read. */
  public Optional<Transform> placement(Element element) {
    StepInstance i = file.get(element.number());
    int at = i == null ? -1 : schema.index(i.type(), "ObjectPlacement");
    try {
      return at < 0 ? Optional.empty() : Optional.of(placements.local(i.ref(at)));
    } catch (IfcGeometryException e) {
      // whoever asks has another way to say where the element is
      return Optional.empty();
    }
  }

  /** What a window or door is cut into, or an opening; empty where the file does not say. */
  public Optional<Element> hostOf(Element element) {
    return element(relations.hostOf(element.number()));
  }

  IfcBodies bodyReader() {
    return new IfcBodies(file, schema, placements, units, tolerance, shared);
  }

  @Override
  public List<Element> elements() {
    return elements;
  }

  @Override
  public List<Element> definitions() {
    return definitions;
  }

  /** Attributes that are lengths, and so are converted. */
  private static final Set<String> LENGTHS =
      Set.of(
          "OverallHeight",
          "OverallWidth",
          "Elevation",
          "RefElevation",
          "ElevationOfRefHeight",
          "ElevationOfTerrain",
          "ElevationWithFlooring",
          "RiserHeight",
          "TreadLength");

  @Override
  public Optional<PropertyValue> attribute(Element element, String name) {
    StepInstance i = file.get(element.number());
    int at = i == null ? -1 : schema.index(i.type(), name);
    PropertyValue v = at < 0 ? null : properties.value(i.get(at), 0);
    if (v instanceof PropertyValue.Number n && LENGTHS.contains(name)) {
      v = new PropertyValue.Number(n.value() * units.length(), "m", "IfcLengthMeasure");
    }
    return Optional.ofNullable(v);
  }

  @Override
  public Optional<Element> element(String key) {
    return Optional.ofNullable(byKey.get(key));
  }

  /** The element of an instance number, if it is one. */
  public Optional<Element> element(int number) {
    return Optional.ofNullable(byNumber.get(number));
  }

  @Override
  public List<PropertySet> properties(Element element) {
    return properties.of(element.number());
  }

  @Override
  public Element.Materials materials(Element element) {
    return properties.materials(element.number());
  }

  @Override
  public List<Classification> classifications(Element element) {
    return properties.classifications(element.number());
  }

  @Override
  public List<Whole> wholes(Element element) {
    List<Whole> out = new ArrayList<>();
    Set<Integer> seen = new HashSet<>(Set.of(element.number()));
    Deque<Integer> open = new ArrayDeque<>(seen);
    while (!open.isEmpty()) {
      int at = open.poll();
      whole(
          relations.nest.has(at) ? "IfcRelNests" : "IfcRelAggregates",
          relations.whole.get(at),
          seen,
          open,
          out);
      whole("IfcRelContainedInSpatialStructure", relations.container.get(at), seen, open, out);
      whole("IfcRelFillsElement", relations.filled.get(at), seen, open, out);
      whole("IfcRelVoidsElement", relations.host.get(at), seen, open, out);
      for (int g : relations.groups.get(at)) {
        whole("IfcRelAssignsToGroup", g, seen, open, out);
      }
    }
    return out;
  }

  private void whole(
      String relation, int number, Set<Integer> seen, Deque<Integer> open, List<Whole> out) {
    if (number != 0 && seen.add(number)) {
      open.add(number);
      Element e = byNumber.get(number);
      if (e != null) {
        out.add(new Whole(relation, e));
      }
    }
  }

  @Override
  public boolean isKind(String entity, String of) {
    return schema.is(entity, of);
  }

  @Override
  public Body body(Element element) {
    return bodies.computeIfAbsent(element.number(), this::read);
  }

  @Override
  public Body netBody(Element element) {
    return voids().net(element);
  }

  private synchronized IfcVoids voids() {
    if (voids == null) {
      voids = new IfcVoids(this, tolerance);
    }
    return voids;
  }

  /** The body without keeping it; for whoever looks at each element once. */
  public Body readBody(Element element) {
    Body kept = bodies.get(element.number());
    return kept != null ? kept : read(element.number());
  }

  private Body read(int number) {
    StepInstance i = file.get(number);
    return i == null
        ? Body.failed("the instance is malformed")
        : bodyReader()
            .of(
                i,
                i.ref(schema.index(i.type(), "ObjectPlacement")),
                i.ref(schema.index(i.type(), "Representation")));
  }

  @Override
  public List<Polygon> seeThrough(Element element) {
    StepInstance i = file.get(element.number());
    Set<Integer> clear = clearItems();
    if (i == null || clear.isEmpty()) {
      return List.of();
    }
    try {
      return bodyReader()
          .faces(
              i.ref(schema.index(i.type(), "ObjectPlacement")),
              i.ref(schema.index(i.type(), "Representation")),
              clear::contains);
    } catch (IfcGeometryException e) {
      // how a body is drawn is no reason to fail: the body itself says what cannot be read
      return List.of();
    }
  }

  private synchronized Set<Integer> clearItems() {
    if (clear == null) {
      clear = IfcStyles.seeThrough(file);
    }
    return clear;
  }

  SourceRef source(StepInstance i) {
    return IfcElements.source(file, schema, i);
  }
}
