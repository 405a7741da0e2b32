package yentra.core.ifc;

import java.util.ArrayList;
import java.util.List;
import yentra.core.geometry.Box;
import yentra.core.geometry.Plane;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Shell;
import yentra.core.geometry.SolidDifference;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;
import yentra.core.step.StepFile;
import yentra.core.step.StepInstance;
import yentra.core.step.StepValue;

/**
 * Bodies as planar faces in metres: extruded area solids, faceted boundary representations, face
 * sets, boolean results with solids and half-spaces, and mapped items. Faces of solids point
 * outwards; those of delivered shells run as delivered.
 */
final class IfcBodies {
  private static final int DEEPEST = 60;
  private final StepFile file;
  private final IfcPlacements placements;
  private final IfcCurves curves;
  private final IfcUnits units;
  private final Tolerance tolerance;

  IfcBodies(
      StepFile file,
      IfcPlacements placements,
      IfcCurves curves,
      IfcUnits units,
      Tolerance tolerance) {
    this.file = file;
    this.placements = placements;
    this.curves = curves;
    this.units = units;
    this.tolerance = tolerance;
  }

  /**
   * The body of a product in world coordinates: the representation called Body, or else the first
   * that holds solids.
   *
   * @return the faces; empty when the product has no such representation
   */
  List<Polygon> of(StepInstance product) throws IfcGeometryException {
    StepInstance shape = file.get(product.ref(6));
    if (shape == null) {
      return List.of();
    }
    StepInstance chosen = null;
    for (int r : shape.refs(2)) {
      StepInstance rep = file.get(r);
      if (rep != null && rep.text(1).equals("Body")) {
        chosen = rep;
        break;
      }
      if (rep != null
          && chosen == null
          && !rep.text(1).matches("Axis|FootPrint|Box|Annotation|Profile|Plan")) {
        chosen = rep;
      }
    }
    if (chosen == null) {
      return List.of();
    }
    Transform world = placements.local(product.ref(5));
    List<Polygon> faces = new ArrayList<>();
    for (int item : chosen.refs(3)) {
      for (Polygon p : item(item, 0)) {
        faces.add(mapped(p, world));
      }
    }
    return faces;
  }

  private static Polygon mapped(Polygon p, Transform t) {
    Polygon m = p.transformed(t);
    return t.mirrors() ? m.reversed() : m;
  }

  private List<Polygon> item(int id, int depth) throws IfcGeometryException {
    if (depth > DEEPEST) {
      throw new IfcGeometryException(
          "The body #" + id + " is nested deeper than " + DEEPEST + " or contains itself");
    }
    StepInstance i = placements.need(id, "A body");
    return switch (i.type()) {
      case "IFCEXTRUDEDAREASOLID" -> extrusion(i);
      case "IFCFACETEDBREP", "IFCFACETEDBREPWITHVOIDS", "IFCADVANCEDBREP" -> brep(i);
      case "IFCSHELLBASEDSURFACEMODEL", "IFCFACEBASEDSURFACEMODEL" -> surfaceModel(i);
      case "IFCPOLYGONALFACESET" -> polygonalFaceSet(i);
      case "IFCTRIANGULATEDFACESET" -> triangulatedFaceSet(i);
      case "IFCBOOLEANCLIPPINGRESULT", "IFCBOOLEANRESULT" -> bool(i, depth);
      case "IFCMAPPEDITEM" -> mappedItem(i, depth);
      default ->
          throw new IfcGeometryException(
              "Bodies of the kind " + IfcNames.proper(i.type()) + " (#" + id + ") cannot be read");
    };
  }

  /** IfcExtrudedAreaSolid: SweptArea, Position, ExtrudedDirection, Depth. */
  private List<Polygon> extrusion(StepInstance i) throws IfcGeometryException {
    Profile profile = profile(i.ref(0));
    Transform position = placements.axes(i.ref(1));
    double depth = placements.positive(i, 3, "depth");
    Vec3 up = placements.direction(i.ref(2), Vec3.Z).times(depth);
    return prism(profile, up).stream().map(p -> mapped(p, position)).toList();
  }

  /** Outer and inner rings of a profile in its own plane, z = 0. */
  private record Profile(List<Vec3> outer, List<List<Vec3>> inner) {}

  /** Faces of the profile swept along {@code up}, pointing outwards. */
  private static List<Polygon> prism(Profile profile, Vec3 up) {
    Polygon base = new Polygon(profile.outer, profile.inner);
    boolean rising = base.areaVector().dot(up) > 0;
    Polygon bottom = rising ? base.reversed() : base;
    Polygon top = (rising ? base : base.reversed()).transformed(Transform.translation(up));
    List<Polygon> faces = new ArrayList<>(List.of(bottom, top));
    Vec3 outward = Polygon.areaVector(profile.outer);
    for (List<Vec3> ring : base.rings()) {
      boolean hole = ring != base.outer();
      boolean sameTurn = Polygon.areaVector(ring).dot(outward) > 0;
      boolean flip = rising == (hole ? sameTurn : !sameTurn);
      for (int k = 0; k < ring.size(); k++) {
        Vec3 a = ring.get(k);
        Vec3 b = ring.get((k + 1) % ring.size());
        Polygon side = Polygon.of(a, b, b.plus(up), a.plus(up));
        faces.add(flip ? side.reversed() : side);
      }
    }
    return faces;
  }

  private Profile profile(int id) throws IfcGeometryException {
    StepInstance p = placements.need(id, "An extrusion");
    switch (p.type()) {
      case "IFCARBITRARYCLOSEDPROFILEDEF":
        return new Profile(curves.closed(p.ref(2)), List.of());
      case "IFCARBITRARYPROFILEDEFWITHVOIDS":
        {
          List<List<Vec3>> inner = new ArrayList<>();
          for (int c : p.refs(3)) {
            inner.add(curves.closed(c));
          }
          return new Profile(curves.closed(p.ref(2)), inner);
        }
      case "IFCRECTANGLEPROFILEDEF":
        {
          Transform t = placements.axes(p.ref(2));
          double x = placements.positive(p, 3, "width") / 2;
          double y = placements.positive(p, 4, "height") / 2;
          return new Profile(
              List.of(
                  t.apply(new Vec3(-x, -y, 0)),
                  t.apply(new Vec3(x, -y, 0)),
                  t.apply(new Vec3(x, y, 0)),
                  t.apply(new Vec3(-x, y, 0))),
              List.of());
        }
      case "IFCCIRCLEPROFILEDEF":
        {
          Transform t = placements.axes(p.ref(2));
          double r = placements.positive(p, 3, "radius");
          int n = IfcCurves.pieces(r, 2 * Math.PI);
          List<Vec3> ring = new ArrayList<>();
          for (int k = 0; k < n; k++) {
            double a = 2 * Math.PI * k / n;
            ring.add(t.apply(new Vec3(r * Math.cos(a), r * Math.sin(a), 0)));
          }
          return new Profile(ring, List.of());
        }
      default:
        throw new IfcGeometryException(
            "Profiles of the kind " + IfcNames.proper(p.type()) + " (#" + id + ") cannot be read");
    }
  }

  private List<Polygon> brep(StepInstance i) throws IfcGeometryException {
    List<Polygon> out = new ArrayList<>(shell(i.ref(0)));
    for (int v : i.refs(1)) {
      out.addAll(shell(v));
    }
    return out;
  }

  private List<Polygon> surfaceModel(StepInstance i) throws IfcGeometryException {
    List<Polygon> out = new ArrayList<>();
    for (int s : i.refs(0)) {
      out.addAll(shell(s));
    }
    return out;
  }

  private List<Polygon> shell(int id) throws IfcGeometryException {
    StepInstance shell = placements.need(id, "A shell");
    List<Polygon> out = new ArrayList<>();
    for (int f : shell.refs(0)) {
      out.add(face(f));
    }
    return out;
  }

  /**
   * IfcFace, IfcFaceSurface or IfcAdvancedFace with straight edges: the outer bound and inner
   * bounds as holes.
   */
  Polygon face(int id) throws IfcGeometryException {
    StepInstance f = placements.need(id, "A face");
    List<Vec3> outer = null;
    List<List<Vec3>> holes = new ArrayList<>();
    for (int b : f.refs(0)) {
      StepInstance bound = placements.need(b, "A face");
      List<Vec3> ring = loop(bound.ref(0));
      if (bound.enumeration(1).equals("F")) {
        ring = Polygon.of(ring).reversed().outer();
      }
      if (outer == null && (bound.is("IFCFACEOUTERBOUND") || f.refs(0).size() == 1)) {
        outer = ring;
      } else {
        holes.add(ring);
      }
    }
    if (outer == null) {
      if (holes.isEmpty()) {
        throw new IfcGeometryException("The face #" + id + " has no bounds");
      }
      outer =
          holes.stream()
              .max(java.util.Comparator.comparingDouble(r -> Polygon.of(r).area()))
              .orElseThrow();
      holes.remove(outer);
    }
    return new Polygon(outer, holes);
  }

  private List<Vec3> loop(int id) throws IfcGeometryException {
    StepInstance l = placements.need(id, "A face bound");
    List<Vec3> out = new ArrayList<>();
    if (l.is("IFCPOLYLOOP")) {
      for (int p : l.refs(0)) {
        out.add(placements.point(p));
      }
    } else if (l.is("IFCEDGELOOP")) {
      for (int e : l.refs(0)) {
        StepInstance oriented = placements.need(e, "An edge loop");
        StepInstance edge = placements.need(oriented.ref(2), "An oriented edge");
        boolean forward = !oriented.enumeration(3).equals("F");
        StepInstance vertex = placements.need(edge.ref(forward ? 0 : 1), "An edge");
        out.add(placements.point(vertex.ref(0)));
      }
    } else {
      throw new IfcGeometryException(
          "Loops of the kind " + IfcNames.proper(l.type()) + " (#" + id + ") cannot be read");
    }
    int last = out.size() - 1;
    if (last > 2 && out.get(0).equals(out.get(last))) {
      out.remove(last);
    }
    return out;
  }

  private List<Vec3> pointList(int id) throws IfcGeometryException {
    StepInstance l = placements.need(id, "A face set");
    List<Vec3> out = new ArrayList<>();
    for (StepValue v : l.list(0)) {
      if (!(v instanceof StepValue.ListOf p)) {
        throw new IfcGeometryException(
            "The point list #" + id + " holds something that is no point");
      }
      out.add(placements.scaled(placements.coordinates(p.items(), "#" + id), "#" + id));
    }
    return out;
  }

  private static List<Vec3> indexed(List<StepValue> indices, List<Vec3> points, int id)
      throws IfcGeometryException {
    List<Vec3> out = new ArrayList<>();
    for (StepValue v : indices) {
      int k = StepInstance.number(v).orElse(0.0).intValue();
      if (k < 1 || k > points.size()) {
        throw new IfcGeometryException(
            "The face set #" + id + " refers to point " + k + " of " + points.size());
      }
      out.add(points.get(k - 1));
    }
    return out;
  }

  /** IfcPolygonalFaceSet: Coordinates, Closed, Faces, PnIndex. */
  private List<Polygon> polygonalFaceSet(StepInstance i) throws IfcGeometryException {
    List<Vec3> points = pointList(i.ref(0));
    List<Polygon> out = new ArrayList<>();
    for (int f : i.refs(2)) {
      StepInstance face = placements.need(f, "A face set");
      List<List<Vec3>> holes = new ArrayList<>();
      for (StepValue v : face.list(1)) {
        if (v instanceof StepValue.ListOf l) {
          holes.add(indexed(l.items(), points, i.id()));
        }
      }
      out.add(new Polygon(indexed(face.list(0), points, i.id()), holes));
    }
    return out;
  }

  /** IfcTriangulatedFaceSet: Coordinates, Normals, Closed, CoordIndex, PnIndex. */
  private List<Polygon> triangulatedFaceSet(StepInstance i) throws IfcGeometryException {
    List<Vec3> points = pointList(i.ref(0));
    List<Polygon> out = new ArrayList<>();
    for (StepValue v : i.list(3)) {
      if (v instanceof StepValue.ListOf l) {
        out.add(Polygon.of(indexed(l.items(), points, i.id())));
      }
    }
    return out;
  }

  /** IfcBooleanResult: Operator, FirstOperand, SecondOperand; differences are read. */
  private List<Polygon> bool(StepInstance i, int depth) throws IfcGeometryException {
    String operator = i.enumeration(0);
    List<Polygon> first = outward(item(i.ref(1), depth + 1));
    List<Polygon> second = outward(operand(i.ref(2), Shell.of(first).box(), depth));
    return switch (operator) {
      case "DIFFERENCE" -> SolidDifference.difference(first, second, tolerance);
      case "INTERSECTION" -> SolidDifference.intersection(first, second, tolerance);
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
          "Half-spaces on " + IfcNames.proper(plane.type()) + " (#" + id + ") cannot be read");
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
        prism(new Profile(low, List.of()), new Vec3(0, 0, 2 * far)).stream()
            .map(p -> mapped(p, position))
            .toList();
    return SolidDifference.intersection(prism, half, tolerance);
  }

  private static List<Polygon> slab(Plane plane, Transform axes, double reach) {
    Vec3 u = axes.x().times(reach);
    Vec3 v = axes.y().times(reach);
    Vec3 o = plane.point();
    List<Vec3> base =
        List.of(o.minus(u).minus(v), o.plus(u).minus(v), o.plus(u).plus(v), o.minus(u).plus(v));
    return prism(new Profile(base, List.of()), plane.normal().times(reach));
  }

  /** IfcMappedItem: MappingSource (MappingOrigin, MappedRepresentation), MappingTarget. */
  private List<Polygon> mappedItem(StepInstance i, int depth) throws IfcGeometryException {
    StepInstance map = placements.need(i.ref(0), "A mapped item");
    StepInstance rep = placements.need(map.ref(1), "A representation map");
    Transform t = placements.operator(i.ref(1)).after(placements.axes(map.ref(0)));
    List<Polygon> out = new ArrayList<>();
    for (int item : rep.refs(3)) {
      for (Polygon p : item(item, depth + 1)) {
        out.add(mapped(p, t));
      }
    }
    return out;
  }
}
