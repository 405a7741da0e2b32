package yentra.core.ifc;

import java.util.ArrayList;
import java.util.List;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;
import yentra.core.step.StepInstance;
import yentra.core.step.StepValue;

/**
 * Boundary representations, surface models and face sets as planar faces, running as delivered, in
 * metres.
 */
final class IfcShells {
  private final IfcPlacements placements;
  private final IfcCurves curves;

  IfcShells(IfcPlacements placements, IfcCurves curves) {
    this.placements = placements;
    this.curves = curves;
  }

  List<Polygon> brep(StepInstance i) throws IfcGeometryException {
    List<Polygon> out = new ArrayList<>(shell(i.ref(0)));
    for (int v : i.refs(1)) {
      out.addAll(shell(v));
    }
    return out;
  }

  List<Polygon> surfaceModel(StepInstance i) throws IfcGeometryException {
    List<Polygon> out = new ArrayList<>();
    for (int s : i.refs(0)) {
      out.addAll(shell(s));
    }
    return out;
  }

  List<Polygon> shell(int id) throws IfcGeometryException {
    StepInstance shell = placements.need(id, "A shell");
    List<Polygon> out = new ArrayList<>();
    for (int f : shell.refs(0)) {
      out.addAll(faces(f));
    }
    return out;
  }

  /**
   * One face of IfcFace, IfcFaceSurface or IfcAdvancedFace on a plane: the outer bound and inner
   * bounds as holes.
   */
  Polygon face(int id) throws IfcGeometryException {
    StepInstance f = placements.need(id, "A face");
    List<Vec3> outer = null;
    List<List<Vec3>> holes = new ArrayList<>();
    for (int b : f.refs(0)) {
      StepInstance bound = placements.need(b, "A face");
      List<Vec3> ring = ring(bound);
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
              .max(java.util.Comparator.comparingDouble(r -> Polygon.areaVector(r).length()))
              .orElseThrow();
      holes.remove(outer);
    }
    return new Polygon(outer, holes);
  }

  /** The flat faces of one delivered face: itself, or the strips that stand for a curved one. */
  private List<Polygon> faces(int id) throws IfcGeometryException {
    StepInstance f = placements.need(id, "A face");
    StepInstance surface = f.is("IFCADVANCEDFACE") ? placements.need(f.ref(1), "A face") : null;
    if (surface == null || surface.is("IFCPLANE")) {
      return List.of(face(id));
    }
    if (surface.is("IFCCYLINDRICALSURFACE")) {
      List<List<Vec3>> rings = new ArrayList<>();
      for (int b : f.refs(0)) {
        rings.add(ring(placements.need(b, "A face")));
      }
      double radius = placements.positive(surface, 1, "radius");
      boolean outwards = !f.enumeration(2).equals("F");
      return new CylinderStrips(placements.axes(surface.ref(0)), radius, outwards).of(rings, id);
    }
    throw new IfcGeometryException(
        "Faces on " + placements.proper(surface) + " (#" + id + ") cannot be read");
  }

  private List<Vec3> ring(StepInstance bound) throws IfcGeometryException {
    List<Vec3> ring = loop(bound.ref(0));
    return bound.enumeration(1).equals("F") ? Polygon.of(ring).reversed().outer() : ring;
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
        edge(placements.need(e, "An edge loop"), out);
      }
    } else if (l.is("IFCVERTEXLOOP")) {
      out.add(vertex(l.ref(0)));
    } else {
      throw new IfcGeometryException(
          "Loops of the kind " + placements.proper(l) + " (#" + id + ") cannot be read");
    }
    int last = out.size() - 1;
    if (last > 2 && out.get(0).equals(out.get(last))) {
      out.remove(last);
    }
    return out;
  }

  private Vec3 vertex(int id) throws IfcGeometryException {
    return placements.point(placements.need(id, "An edge").ref(0));
  }

  /** Appends the points of an edge from its start up to, and without, its end. */
  private void edge(StepInstance oriented, List<Vec3> out) throws IfcGeometryException {
    StepInstance edge = placements.need(oriented.ref(2), "An oriented edge");
    boolean forward = !oriented.enumeration(3).equals("F");
    Vec3 from = vertex(edge.ref(forward ? 0 : 1));
    Vec3 to = vertex(edge.ref(forward ? 1 : 0));
    StepInstance curve = edge.is("IFCEDGECURVE") ? placements.need(edge.ref(2), "An edge") : null;
    out.add(from);
    if (curve == null || curve.is("IFCLINE")) {
      return;
    }
    boolean same = !edge.enumeration(3).equals("F");
    List<Vec3> along = curves.between(curve, forward ? from : to, forward ? to : from, same);
    List<Vec3> inner = new ArrayList<>(along.subList(1, Math.max(1, along.size() - 1)));
    if (!forward) {
      java.util.Collections.reverse(inner);
    }
    out.addAll(inner);
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

  /** PnIndex: the points that the faces count, where they count not all of them. */
  private static List<Vec3> chosen(List<Vec3> points, List<StepValue> indices, int id)
      throws IfcGeometryException {
    return indices.isEmpty() ? points : indexed(indices, points, id);
  }

  /** IfcPolygonalFaceSet: Coordinates, Closed, Faces, PnIndex. */
  List<Polygon> polygonalFaceSet(StepInstance i) throws IfcGeometryException {
    List<Vec3> points = chosen(pointList(i.ref(0)), i.list(3), i.id());
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
  List<Polygon> triangulatedFaceSet(StepInstance i) throws IfcGeometryException {
    List<Vec3> points = chosen(pointList(i.ref(0)), i.list(4), i.id());
    List<Polygon> out = new ArrayList<>();
    for (StepValue v : i.list(3)) {
      if (v instanceof StepValue.ListOf l) {
        out.add(Polygon.of(indexed(l.items(), points, i.id())));
      }
    }
    return out;
  }
}
