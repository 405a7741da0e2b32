package yentra.core.ifc;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.IntPredicate;
import yentra.core.geometry.Box;
import yentra.core.geometry.Plane;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Shell;
import yentra.core.geometry.SolidOverlay;
import yentra.core.geometry.Sweep;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;
import yentra.core.model.Body;
import yentra.core.step.StepFile;
import yentra.core.step.StepInstance;

/**
 * Bodies of products as planar faces in metres. Faces of solids point outwards; those of delivered
 * shells run as delivered. One reader reads one body at a time; what readers of a file share (maps,
 * placements) may be used by several threads.
 */
final class IfcBodies {
  private static final int DEEPEST = 60;
  private static final int MOST_FACES = 400_000;
  private static final int MOST_ITEMS = 20_000;

  /** Set operations on more faces than this would take too long. */
  private static final int MOST_CUT = 20_000;

  private final StepFile file;
  private final IfcPlacements placements;
  private final Tolerance tolerance;
  private final Shared shared;
  private final Facetting facetting = new Facetting();
  private final IfcCurves curves;
  private final IfcSolids solids;
  private final IfcShells shells;
  private final IfcSchema schema;
  private final IfcUnits units;
  private int items;

  /** Representations that several products map, read once. */
  static final class Shared {
    private final Map<Integer, Mapped> mapped = new ConcurrentHashMap<>();
  }

  private record Mapped(List<Polygon> faces, double chordError, List<String> simplified) {}

  IfcBodies(
      StepFile file,
      IfcSchema schema,
      IfcPlacements placements,
      IfcUnits units,
      Tolerance tolerance,
      Shared shared) {
    this.file = file;
    this.schema = schema;
    this.units = units;
    this.placements = placements;
    this.tolerance = tolerance;
    this.shared = shared;
    this.curves = new IfcCurves(placements, units, facetting);
    IfcProfiles profiles = new IfcProfiles(placements, schema, curves, facetting);
    this.solids = new IfcSolids(placements, units, curves, profiles, facetting);
    this.shells = new IfcShells(placements, curves);
  }

  IfcCurves curves() {
    return curves;
  }

  IfcShells shells() {
    return shells;
  }

  /**
   * The body of a product in model coordinates: the representation called Body, or else the first
   * that holds solids or surfaces; the bounding box where nothing else can be read.
   */
  Body of(StepInstance product, int placement, int representation) {
    StepInstance shape = file.get(representation);
    if (shape == null) {
      return Body.NONE;
    }
    Transform world;
    try {
      world = placements.local(placement);
    } catch (IfcGeometryException e) {
      return Body.failed(e.getMessage());
    }
    StepInstance box = null;
    for (int r : shape.refs(2)) {
      StepInstance rep = file.get(r);
      box = rep != null && rep.text(1).equals("Box") ? rep : box;
    }
    StepInstance chosen = chosen(shape);
    String problem = null;
    if (chosen != null) {
      try {
        List<Polygon> faces = new ArrayList<>();
        for (int item : chosen.refs(3)) {
          faces.addAll(IfcSolids.place(item(item, 0), world));
          limit(faces.size());
        }
        if (!faces.isEmpty() || box == null) {
          return new Body(faces, facetting.chordError(), List.copyOf(facetting.simplified()), null);
        }
      } catch (IfcGeometryException e) {
        problem = e.getMessage();
      }
    }
    return box == null
        ? (problem == null ? Body.NONE : Body.failed(problem))
        : boxed(box, world, problem);
  }

  /** The representation called Body, else the first that holds solids or surfaces; or null. */
  private StepInstance chosen(StepInstance shape) {
    StepInstance chosen = null;
    for (int r : shape.refs(2)) {
      StepInstance rep = file.get(r);
      if (rep == null) {
        continue;
      }
      String identifier = rep.text(1);
      if (identifier.equals("Body")) {
        chosen = chosen != null && chosen.text(1).equals("Body") ? chosen : rep;
      } else if (chosen == null
          && !identifier.matches(
              "Box|Axis|FootPrint|Annotation|Profile|Plan|Reference|Clearance")) {
        chosen = rep;
      }
    }
    return chosen;
  }

  /**
   * Faces of those items of a product's body that are wanted, in model coordinates; items of
   * representations that are mapped are asked one by one.
   */
  List<Polygon> faces(int placement, int representation, IntPredicate wanted)
      throws IfcGeometryException {
    List<Polygon> out = new ArrayList<>();
    StepInstance shape = file.get(representation);
    StepInstance rep = shape == null ? null : chosen(shape);
    if (rep != null) {
      collect(rep, placements.local(placement), wanted, 0, out);
    }
    return out;
  }

  private void collect(
      StepInstance rep, Transform place, IntPredicate wanted, int depth, List<Polygon> out)
      throws IfcGeometryException {
    for (int id : rep.refs(3)) {
      StepInstance i = placements.need(id, "A body");
      if (wanted.test(id)) {
        out.addAll(IfcSolids.place(item(id, depth), place));
        limit(out.size());
      } else if (i.is("IFCMAPPEDITEM") && depth < DEEPEST) {
        StepInstance map = placements.need(i.ref(0), "A mapped item");
        Transform t = placements.operator(i.ref(1)).after(placements.axes(map.ref(0)));
        collect(
            placements.need(map.ref(1), "A representation map"),
            place.after(t),
            wanted,
            depth + 1,
            out);
      }
    }
  }

  private Body boxed(StepInstance rep, Transform world, String problem) {
    try {
      List<Polygon> faces = new ArrayList<>();
      for (int item : rep.refs(3)) {
        faces.addAll(IfcSolids.place(item(item, 0), world));
      }
      String why = problem == null ? "" : " (" + problem + ")";
      return new Body(faces, 0, List.of("its bounding box is taken" + why), null);
    } catch (IfcGeometryException e) {
      return Body.failed(problem == null ? e.getMessage() : problem);
    }
  }

  private static void limit(int faces) throws IfcGeometryException {
    if (faces > MOST_FACES) {
      throw new IfcGeometryException("The body has more than " + MOST_FACES + " faces");
    }
  }

  private List<Polygon> item(int id, int depth) throws IfcGeometryException {
    if (depth > DEEPEST) {
      throw new IfcGeometryException(
          "The body #" + id + " is nested deeper than " + DEEPEST + " or contains itself");
    }
    if (++items > MOST_ITEMS) {
      throw new IfcGeometryException("The body has more than " + MOST_ITEMS + " parts");
    }
    StepInstance i = placements.need(id, "A body");
    return switch (i.type()) {
      case "IFCEXTRUDEDAREASOLID" -> solids.extrusion(i);
      case "IFCEXTRUDEDAREASOLIDTAPERED" -> solids.tapered(i);
      case "IFCREVOLVEDAREASOLID" -> solids.revolution(i);
      case "IFCSWEPTDISKSOLID", "IFCSWEPTDISKSOLIDPOLYGONAL" -> solids.sweptDisk(i);
      case "IFCBLOCK",
          "IFCRECTANGULARPYRAMID",
          "IFCRIGHTCIRCULARCYLINDER",
          "IFCRIGHTCIRCULARCONE",
          "IFCSPHERE" ->
          solids.primitive(i);
      case "IFCCSGSOLID" -> item(i.ref(0), depth + 1);
      case "IFCFACETEDBREP",
          "IFCFACETEDBREPWITHVOIDS",
          "IFCADVANCEDBREP",
          "IFCADVANCEDBREPWITHVOIDS" ->
          shells.brep(i);
      case "IFCSHELLBASEDSURFACEMODEL", "IFCFACEBASEDSURFACEMODEL" -> shells.surfaceModel(i);
      case "IFCOPENSHELL", "IFCCLOSEDSHELL", "IFCCONNECTEDFACESET" -> shells.shell(id);
      case "IFCPOLYGONALFACESET" -> shells.polygonalFaceSet(i);
      case "IFCTRIANGULATEDFACESET" -> shells.triangulatedFaceSet(i);
      case "IFCBOOLEANCLIPPINGRESULT", "IFCBOOLEANRESULT" -> bool(i, depth);
      case "IFCMAPPEDITEM" -> mappedItem(i, depth);
      case "IFCBOUNDINGBOX" -> boundingBox(i);
      default ->
          throw new IfcGeometryException(
              "Bodies of the kind " + placements.proper(i) + " (#" + id + ") cannot be read");
    };
  }

  /** IfcBoundingBox: Corner, XDim, YDim, ZDim. */
  private List<Polygon> boundingBox(StepInstance i) throws IfcGeometryException {
    Vec3 c = placements.point(i.ref(0));
    Vec3 x = Vec3.X.times(placements.positive(i, 1, "size"));
    Vec3 y = Vec3.Y.times(placements.positive(i, 2, "size"));
    return Sweep.prism(
        Polygon.of(c, c.plus(x), c.plus(x).plus(y), c.plus(y)),
        Vec3.Z.times(placements.positive(i, 3, "size")));
  }

  /** IfcBooleanResult: Operator, FirstOperand, SecondOperand. */
  private List<Polygon> bool(StepInstance i, int depth) throws IfcGeometryException {
    String operator = i.enumeration(0);
    List<Polygon> first = outward(item(i.ref(1), depth + 1));
    List<Polygon> second = outward(operand(i.ref(2), Shell.of(first).box(), depth));
    if (first.size() + second.size() > MOST_CUT) {
      throw new IfcGeometryException(
          "The boolean result #" + i.id() + " has more than " + MOST_CUT + " faces");
    }
    return switch (operator) {
      case "DIFFERENCE" -> SolidOverlay.difference(first, second, tolerance);
      case "INTERSECTION" -> SolidOverlay.intersection(first, second, tolerance);
      case "UNION" -> SolidOverlay.union(first, second, tolerance);
      default ->
          throw new IfcGeometryException(
              "Boolean results with " + operator + " (#" + i.id() + ") cannot be read");
    };
  }

  private List<Polygon> outward(List<Polygon> faces) {
    return Shell.of(faces).signedVolume() < 0
        ? faces.stream().map(Polygon::reversed).toList()
        : faces;
  }

  /** A half-space is taken as a box or prism large enough to cover the first operand. */
  private List<Polygon> operand(int id, Box around, int depth) throws IfcGeometryException {
    StepInstance h = placements.need(id, "A boolean result");
    if (!h.is("IFCHALFSPACESOLID", "IFCPOLYGONALBOUNDEDHALFSPACE", "IFCBOXEDHALFSPACE")) {
      return item(id, depth + 1);
    }
    StepInstance plane = placements.need(h.ref(0), "A half-space");
    if (!plane.is("IFCPLANE")) {
      throw new IfcGeometryException(
          "Half-spaces on " + placements.proper(plane) + " (#" + id + ") cannot be read");
    }
    Transform axes = placements.axes(plane.ref(0));
    Vec3 toMaterial = h.enumeration(1).equals("F") ? axes.z() : axes.z().negated();
    double reach = around.diagonal() * 2 + axes.origin().distance(around.centre()) + 1;
    List<Polygon> half = slab(new Plane(axes.origin(), toMaterial), axes, reach);
    if (!h.is("IFCPOLYGONALBOUNDEDHALFSPACE")) {
      return half;
    }
    Transform position = placements.axes(h.ref(2));
    List<Vec3> boundary = curves.closed(h.ref(3));
    double far = reach + position.origin().distance(around.centre());
    List<Vec3> low = boundary.stream().map(p -> new Vec3(p.x(), p.y(), -far)).toList();
    List<Polygon> prism =
        IfcSolids.place(Sweep.prism(Polygon.of(low), new Vec3(0, 0, 2 * far)), position);
    return SolidOverlay.intersection(prism, half, tolerance);
  }

  private static List<Polygon> slab(Plane plane, Transform axes, double reach) {
    Vec3 u = axes.x().times(reach);
    Vec3 v = axes.y().times(reach);
    Vec3 o = plane.point();
    List<Vec3> base =
        List.of(o.minus(u).minus(v), o.plus(u).minus(v), o.plus(u).plus(v), o.minus(u).plus(v));
    return Sweep.prism(Polygon.of(base), plane.normal().times(reach));
  }

  /** IfcMappedItem: MappingSource (MappingOrigin, MappedRepresentation), MappingTarget. */
  private List<Polygon> mappedItem(StepInstance i, int depth) throws IfcGeometryException {
    StepInstance map = placements.need(i.ref(0), "A mapped item");
    Transform t = placements.operator(i.ref(1)).after(placements.axes(map.ref(0)));
    Mapped m = shared.mapped.get(map.ref(1));
    if (m == null) {
      m = read(map.ref(1), depth);
      shared.mapped.put(map.ref(1), m);
    }
    facetting.note(
        m.chordError * Math.max(t.x().length(), Math.max(t.y().length(), t.z().length())));
    m.simplified.forEach(facetting::simplified);
    return IfcSolids.place(m.faces, t);
  }

  private Mapped read(int representation, int depth) throws IfcGeometryException {
    StepInstance rep = placements.need(representation, "A representation map");
    IfcBodies own = new IfcBodies(file, schema, placements, units, tolerance, shared);
    List<Polygon> out = new ArrayList<>();
    for (int item : rep.refs(3)) {
      out.addAll(own.item(item, depth + 1));
      limit(out.size());
    }
    return new Mapped(
        List.copyOf(out), own.facetting.chordError(), List.copyOf(own.facetting.simplified()));
  }
}
