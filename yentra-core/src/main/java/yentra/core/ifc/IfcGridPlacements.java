package yentra.core.ifc;

import java.util.List;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;
import yentra.core.step.StepFile;
import yentra.core.step.StepInstance;
import yentra.core.step.StepValue;

/**
 * Placements at the crossing of two axes of a grid: IfcGridPlacement with
 * IfcVirtualGridIntersection. Axes are taken as straight lines through their first and last point.
 */
final class IfcGridPlacements {
  private final StepFile file;
  private final IfcSchema schema;
  private final IfcPlacements placements;

  IfcGridPlacements(StepFile file, IfcSchema schema, IfcPlacements placements) {
    this.file = file;
    this.schema = schema;
    this.placements = placements;
  }

  Transform of(StepInstance p) throws IfcGeometryException {
    StepInstance location =
        placements.need(p.ref(schema.index(p.type(), "PlacementLocation")), "A grid placement");
    List<Integer> axes = location.refs(0);
    if (axes.size() != 2) {
      throw new IfcGeometryException("#" + location.id() + " needs two grid axes");
    }
    Vec3[] a = line(axes.get(0));
    Vec3[] b = line(axes.get(1));
    double[] offset = new double[3];
    List<StepValue> given = location.list(1);
    for (int i = 0; i < Math.min(3, given.size()); i++) {
      offset[i] = StepInstance.number(given.get(i)).orElse(0.0);
    }
    // each axis moved sideways by its offset, to its left
    Vec3 at = crossing(shifted(a, offset[0]), shifted(b, offset[1]), location.id());
    int reference = p.ref(schema.index(p.type(), "PlacementRefDirection"));
    StepInstance towards = file.get(reference);
    Vec3 x = a[1].minus(a[0]).unit();
    if (towards != null && towards.is("IFCDIRECTION")) {
      x = placements.direction(reference, x);
    }
    Transform local =
        new Transform(
            x,
            new Vec3(-x.y(), x.x(), 0),
            Vec3.Z,
            at.plus(placements.scaled(new Vec3(0, 0, offset[2]), "#" + location.id())));
    return gridOf(axes.get(0)).after(local);
  }

  private Vec3[] line(int axis) throws IfcGeometryException {
    StepInstance a = placements.need(axis, "A grid intersection");
    StepInstance curve = placements.need(a.ref(1), "A grid axis");
    List<Vec3> points = new java.util.ArrayList<>();
    if (curve.is("IFCPOLYLINE")) {
      for (int r : List.of(curve.refs(0).get(0), curve.refs(0).get(curve.refs(0).size() - 1))) {
        points.add(placements.point(r));
      }
    } else if (curve.is("IFCLINE")) {
      Vec3 start = placements.point(curve.ref(0));
      StepInstance vector = placements.need(curve.ref(1), "A line");
      points.add(start);
      points.add(start.plus(placements.direction(vector.ref(0), Vec3.X)));
    }
    if (points.size() != 2 || points.get(0).distance(points.get(1)) < 1e-9) {
      throw new IfcGeometryException("The grid axis #" + axis + " is no straight line");
    }
    return new Vec3[] {points.get(0), points.get(1)};
  }

  private Vec3[] shifted(Vec3[] line, double offset) throws IfcGeometryException {
    Vec3 d = line[1].minus(line[0]).unit();
    Vec3 side = placements.scaled(new Vec3(-d.y() * offset, d.x() * offset, 0), "A grid offset");
    return new Vec3[] {line[0].plus(side), line[1].plus(side)};
  }

  private static Vec3 crossing(Vec3[] a, Vec3[] b, int id) throws IfcGeometryException {
    Vec3 d = a[1].minus(a[0]);
    Vec3 e = b[1].minus(b[0]);
    double det = d.x() * e.y() - d.y() * e.x();
    if (Math.abs(det) < 1e-12 * d.length() * e.length()) {
      throw new IfcGeometryException("The axes of the grid intersection #" + id + " are parallel");
    }
    Vec3 w = b[0].minus(a[0]);
    return a[0].plus(d.times((w.x() * e.y() - w.y() * e.x()) / det));
  }

  /** The placement of the grid that an axis belongs to, in model coordinates. */
  private Transform gridOf(int axis) throws IfcGeometryException {
    for (int g : file.ofType("IFCGRID")) {
      StepInstance grid = file.get(g);
      if (grid != null
          && (grid.refs(7).contains(axis)
              || grid.refs(8).contains(axis)
              || grid.refs(9).contains(axis))) {
        return placements.local(plainly(grid.ref(5)));
      }
    }
    throw new IfcGeometryException("The grid axis #" + axis + " belongs to no grid");
  }

  /** A grid that stands on a grid might stand on itself: only local placements are followed. */
  private int plainly(int placement) throws IfcGeometryException {
    int at = placement;
    for (int i = 0; i < 200 && at != 0; i++) {
      StepInstance p = placements.need(at, "A placement");
      if (!p.is("IFCLOCALPLACEMENT")) {
        throw new IfcGeometryException("A grid placed by a " + placements.proper(p));
      }
      at = p.ref(0);
    }
    return placement;
  }
}
