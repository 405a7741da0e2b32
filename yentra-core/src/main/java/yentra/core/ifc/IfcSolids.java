package yentra.core.ifc;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Sweep;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;
import yentra.core.step.StepInstance;

/** Swept solids and primitives as planar faces that point outwards, in metres. */
final class IfcSolids {
  private final IfcPlacements placements;
  private final IfcUnits units;
  private final IfcCurves curves;
  private final IfcProfiles profiles;
  private final Facetting facetting;

  IfcSolids(
      IfcPlacements placements,
      IfcUnits units,
      IfcCurves curves,
      IfcProfiles profiles,
      Facetting facetting) {
    this.placements = placements;
    this.units = units;
    this.curves = curves;
    this.profiles = profiles;
    this.facetting = facetting;
  }

  /** IfcExtrudedAreaSolid: SweptArea, Position, ExtrudedDirection, Depth. */
  List<Polygon> extrusion(StepInstance i) throws IfcGeometryException {
    Transform position = placements.axes(i.ref(1));
    double depth = placements.positive(i, 3, "depth");
    Vec3 up = placements.direction(i.ref(2), Vec3.Z).times(depth);
    List<Polygon> out = new ArrayList<>();
    for (Polygon region : profiles.of(i.ref(0))) {
      out.addAll(place(Sweep.prism(region, up), position));
    }
    return out;
  }

  /** IfcExtrudedAreaSolidTapered: as an extrusion, with EndSweptArea. */
  List<Polygon> tapered(StepInstance i) throws IfcGeometryException {
    Transform position = placements.axes(i.ref(1));
    Vec3 up = placements.direction(i.ref(2), Vec3.Z).times(placements.positive(i, 3, "depth"));
    List<Polygon> from = profiles.of(i.ref(0));
    List<Polygon> to = profiles.of(i.ref(4));
    if (from.size() != to.size()) {
      throw new IfcGeometryException("The two profiles of #" + i.id() + " do not correspond");
    }
    List<Polygon> out = new ArrayList<>();
    for (int k = 0; k < from.size(); k++) {
      try {
        out.addAll(
            place(
                Sweep.loft(from.get(k), to.get(k).transformed(Transform.translation(up))),
                position));
      } catch (IllegalArgumentException e) {
        throw new IfcGeometryException(
            "The two profiles of #" + i.id() + " do not correspond: " + e.getMessage());
      }
    }
    return out;
  }

  /** IfcRevolvedAreaSolid: SweptArea, Position, Axis, Angle. */
  List<Polygon> revolution(StepInstance i) throws IfcGeometryException {
    Transform position = placements.axes(i.ref(1));
    StepInstance axis = placements.need(i.ref(2), "A revolved solid");
    Vec3 origin = placements.point(axis.ref(0));
    Vec3 direction = placements.direction(axis.ref(1), Vec3.Z);
    double angle = i.number(3).orElse(0.0) * units.angle();
    if (!(Math.abs(angle) > 1e-9)) {
      throw new IfcGeometryException("The revolved solid #" + i.id() + " turns by no angle");
    }
    boolean whole = Math.abs(angle) >= 2 * Math.PI - 1e-6;
    double sweep = whole ? Math.copySign(2 * Math.PI, angle) : angle;
    List<Polygon> out = new ArrayList<>();
    for (Polygon region : profiles.of(i.ref(0))) {
      double radius = 0;
      for (Vec3 p : region.outer()) {
        radius = Math.max(radius, p.minus(origin).cross(direction).length());
      }
      int n = facetting.pieces(radius, sweep);
      List<UnaryOperator<Vec3>> places = new ArrayList<>();
      for (int k = 0; k <= n; k++) {
        double a = whole && k == n ? 0 : sweep * k / n;
        places.add(p -> turned(p, origin, direction, a));
      }
      out.addAll(place(Sweep.through(region, places, whole), position));
    }
    return out;
  }

  /** Rodrigues' rotation about an axis. */
  private static Vec3 turned(Vec3 p, Vec3 origin, Vec3 k, double a) {
    Vec3 v = p.minus(origin);
    return origin
        .plus(v.times(Math.cos(a)))
        .plus(k.cross(v).times(Math.sin(a)))
        .plus(k.times(k.dot(v) * (1 - Math.cos(a))));
  }

  /**
   * IfcSweptDiskSolid: Directrix, Radius, InnerRadius, StartParam, EndParam. The line is followed
   * corner by corner with mitred joints; its parameters are not looked at.
   */
  List<Polygon> sweptDisk(StepInstance i) throws IfcGeometryException {
    List<Vec3> line = curves.open(i.ref(0));
    double radius = placements.positive(i, 1, "radius");
    if (line.size() < 2) {
      throw new IfcGeometryException("The directrix of #" + i.id() + " is a point");
    }
    boolean closed = line.get(0).distance(line.get(line.size() - 1)) < 1e-6;
    int n = Math.max(6, facetting.pieces(radius, 2 * Math.PI));
    List<Vec3> ring = new ArrayList<>();
    Vec3 first = line.get(1).minus(line.get(0)).unit();
    Vec3 u = first.cross(Math.abs(first.z()) < 0.9 ? Vec3.Z : Vec3.X).unit();
    Vec3 v = first.cross(u);
    for (int k = 0; k < n; k++) {
      double a = 2 * Math.PI * k / n;
      ring.add(line.get(0).plus(u.times(radius * Math.cos(a))).plus(v.times(radius * Math.sin(a))));
    }
    List<List<Vec3>> rings = new ArrayList<>(List.of(ring));
    for (int k = 1; k < line.size(); k++) {
      Vec3 in = line.get(k).minus(line.get(k - 1)).unit();
      Vec3 next = k + 1 < line.size() ? line.get(k + 1) : closed ? line.get(1) : null;
      Vec3 out = next == null ? in : next.minus(line.get(k)).unit();
      Vec3 normal = in.plus(out).length() < 1e-6 ? in : in.plus(out).unit();
      rings.add(onto(rings.get(k - 1), in, line.get(k), normal));
    }
    List<UnaryOperator<Vec3>> places = new ArrayList<>();
    for (List<Vec3> r : rings) {
      places.add(p -> r.get(ring.indexOf(p)));
    }
    if (closed) {
      places.set(places.size() - 1, places.get(0));
    }
    return Sweep.through(Polygon.of(ring), places, closed);
  }

  /** A ring moved along a direction until it lies in a plane. */
  private static List<Vec3> onto(List<Vec3> ring, Vec3 along, Vec3 point, Vec3 normal) {
    double slope = along.dot(normal);
    return ring.stream().map(p -> p.plus(along.times(point.minus(p).dot(normal) / slope))).toList();
  }

  /**
   * IfcBlock, IfcRectangularPyramid, IfcRightCircularCylinder, IfcRightCircularCone, IfcSphere:
   * Position first, then their lengths.
   */
  List<Polygon> primitive(StepInstance i) throws IfcGeometryException {
    Transform position = placements.axes(i.ref(0));
    double a = placements.positive(i, 1, "size");
    List<Polygon> faces =
        switch (i.type()) {
          case "IFCBLOCK" -> {
            double y = placements.positive(i, 2, "size");
            yield Sweep.prism(corner(a, y), Vec3.Z.times(placements.positive(i, 3, "size")));
          }
          case "IFCRECTANGULARPYRAMID" -> {
            double y = placements.positive(i, 2, "size");
            double h = placements.positive(i, 3, "size");
            yield cone(corner(a, y), new Vec3(a / 2, y / 2, h));
          }
          case "IFCRIGHTCIRCULARCYLINDER" ->
              Sweep.prism(circle(placements.positive(i, 2, "radius")), Vec3.Z.times(a));
          case "IFCRIGHTCIRCULARCONE" ->
              cone(circle(placements.positive(i, 2, "radius")), Vec3.Z.times(a));
          case "IFCSPHERE" -> sphere(a);
          default ->
              throw new IfcGeometryException(
                  "Bodies of the kind "
                      + placements.proper(i)
                      + " (#"
                      + i.id()
                      + ") cannot be read");
        };
    return place(faces, position);
  }

  private static Polygon corner(double x, double y) {
    return Polygon.of(Vec3.ZERO, new Vec3(x, 0, 0), new Vec3(x, y, 0), new Vec3(0, y, 0));
  }

  private Polygon circle(double radius) {
    int n = facetting.pieces(radius, 2 * Math.PI);
    List<Vec3> ring = new ArrayList<>();
    for (int k = 0; k < n; k++) {
      double t = 2 * Math.PI * k / n;
      ring.add(new Vec3(radius * Math.cos(t), radius * Math.sin(t), 0));
    }
    return Polygon.of(ring);
  }

  private static List<Polygon> cone(Polygon base, Vec3 apex) {
    List<Polygon> out = new ArrayList<>(List.of(base.reversed()));
    List<Vec3> ring = base.outer();
    for (int k = 0; k < ring.size(); k++) {
      out.add(Polygon.of(ring.get(k), ring.get((k + 1) % ring.size()), apex));
    }
    return out;
  }

  private List<Polygon> sphere(double radius) {
    int n = facetting.pieces(radius, Math.PI);
    int m = 2 * n;
    List<Polygon> out = new ArrayList<>();
    for (int j = 0; j < n; j++) {
      for (int k = 0; k < m; k++) {
        Vec3 a = onSphere(radius, j, n, k, m);
        Vec3 b = onSphere(radius, j, n, k + 1, m);
        Vec3 c = onSphere(radius, j + 1, n, k + 1, m);
        Vec3 d = onSphere(radius, j + 1, n, k, m);
        if (j > 0) {
          out.add(Polygon.of(b, a, d));
        }
        if (j < n - 1) {
          out.add(Polygon.of(d, c, b));
        }
      }
    }
    return out;
  }

  private static Vec3 onSphere(double r, int j, int n, int k, int m) {
    double polar = Math.PI * j / n;
    double turn = 2 * Math.PI * (k % m) / m;
    double flat = j == 0 || j == n ? 0 : r * Math.sin(polar);
    return new Vec3(flat * Math.cos(turn), flat * Math.sin(turn), r * Math.cos(polar));
  }

  static List<Polygon> place(List<Polygon> faces, Transform t) {
    return faces.stream().map(p -> place(p, t)).toList();
  }

  static Polygon place(Polygon p, Transform t) {
    Polygon m = p.transformed(t);
    return t.mirrors() ? m.reversed() : m;
  }
}
