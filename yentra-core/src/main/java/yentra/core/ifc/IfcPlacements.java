package yentra.core.ifc;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;
import yentra.core.step.StepFile;
import yentra.core.step.StepInstance;
import yentra.core.step.StepValue;

/** Points, directions and placements, in metres. */
final class IfcPlacements {
  private static final int DEEPEST = 200;
  private final StepFile file;
  private final double length;
  private final Map<Integer, Transform> known = new HashMap<>();

  IfcPlacements(StepFile file, IfcUnits units) {
    this.file = file;
    this.length = units.length();
  }

  /** An instance that must be there. */
  StepInstance need(int id, String what) throws IfcGeometryException {
    StepInstance i = file.get(id);
    if (i == null) {
      throw new IfcGeometryException(
          what + " refers to #" + id + ", which the file does not define");
    }
    return i;
  }

  /** An IfcCartesianPoint of two or three coordinates, scaled to metres. */
  Vec3 point(int id) throws IfcGeometryException {
    StepInstance p = need(id, "A point");
    return scaled(coordinates(p.list(0), "#" + id), "#" + id);
  }

  /** Coordinates of the file in metres. */
  Vec3 scaled(Vec3 p, String what) throws IfcGeometryException {
    Vec3 q = p.times(length);
    if (!q.withinReach()) {
      throw new IfcGeometryException(what + " lies farther from the origin than any building");
    }
    return q;
  }

  /** The positive length at parameter {@code i} of an instance, in metres. */
  double positive(StepInstance of, int i, String what) throws IfcGeometryException {
    double d = of.number(i).orElse(0.0) * length;
    if (!(d > 0 && d <= Vec3.FARTHEST)) {
      throw new IfcGeometryException(
          "The " + what + " of #" + of.id() + " is missing, not above zero, or absurdly large");
    }
    return d;
  }

  /** Two or three numbers as a vector, not scaled. */
  Vec3 coordinates(List<StepValue> list, String what) throws IfcGeometryException {
    double[] c = new double[3];
    if (list.size() < 2 || list.size() > 3) {
      throw new IfcGeometryException(
          what + " has " + list.size() + " coordinates instead of two or three");
    }
    for (int i = 0; i < list.size(); i++) {
      c[i] =
          StepInstance.number(list.get(i))
              .orElseThrow(
                  () -> new IfcGeometryException(what + " has a coordinate that is no number"));
    }
    return new Vec3(c[0], c[1], c[2]);
  }

  /** A direction of unit length, or {@code fallback} when none is given. */
  Vec3 direction(int id, Vec3 fallback) throws IfcGeometryException {
    if (id == 0) {
      return fallback;
    }
    Vec3 d = coordinates(need(id, "A direction").list(0), "#" + id).unit();
    if (d.equals(Vec3.ZERO)) {
      throw new IfcGeometryException("The direction #" + id + " has no length");
    }
    return d;
  }

  /** IfcAxis2Placement2D or 3D: Location, Axis, RefDirection. No placement (0) is the identity. */
  Transform axes(int id) throws IfcGeometryException {
    if (id == 0) {
      return Transform.IDENTITY;
    }
    StepInstance p = need(id, "A placement");
    Vec3 origin = point(p.ref(0));
    if (p.is("IFCAXIS2PLACEMENT2D")) {
      Vec3 x = direction(p.ref(1), Vec3.X);
      return new Transform(x, new Vec3(-x.y(), x.x(), 0), Vec3.Z, origin);
    }
    Vec3 z = direction(p.ref(1), Vec3.Z);
    Vec3 x = direction(p.ref(2), Math.abs(z.x()) > 0.999999 && p.ref(2) == 0 ? Vec3.Y : Vec3.X);
    x = x.minus(z.times(x.dot(z))).unit();
    if (x.equals(Vec3.ZERO)) {
      throw new IfcGeometryException(
          "The axis and reference direction of #" + id + " are parallel");
    }
    return new Transform(x, z.cross(x), z, origin);
  }

  /**
   * The world placement of an IfcLocalPlacement: the chain of those it is relative to, walked
   * without recursion.
   */
  Transform local(int id) throws IfcGeometryException {
    List<Integer> chain = new ArrayList<>();
    int at = id;
    Transform base = Transform.IDENTITY;
    while (at != 0) {
      Transform t = known.get(at);
      if (t != null) {
        base = t;
        break;
      }
      if (chain.contains(at)) {
        throw new IfcGeometryException("The placement #" + id + " is relative to itself");
      }
      if (chain.size() >= DEEPEST) {
        throw new IfcGeometryException(
            "The placement #" + id + " is nested deeper than " + DEEPEST);
      }
      chain.add(at);
      StepInstance p = need(at, "A placement");
      at = p.is("IFCLOCALPLACEMENT") ? p.ref(0) : 0;
    }
    for (int i = chain.size() - 1; i >= 0; i--) {
      StepInstance p = need(chain.get(i), "A placement");
      if (!p.is("IFCLOCALPLACEMENT")) {
        throw new IfcGeometryException(
            "Placements of the kind "
                + IfcNames.proper(p.type())
                + " (#"
                + p.id()
                + ") cannot be read");
      }
      base = base.after(axes(p.ref(1)));
      known.put(chain.get(i), base);
    }
    return base;
  }

  /**
   * IfcCartesianTransformationOperator3D (uniform or not): Axis1, Axis2, LocalOrigin, Scale, Axis3,
   * Scale2, Scale3.
   */
  Transform operator(int id) throws IfcGeometryException {
    StepInstance o = need(id, "A mapping");
    Vec3 x = direction(o.ref(0), Vec3.X);
    Vec3 y = direction(o.ref(1), Vec3.Y);
    Vec3 z = o.ref(4) == 0 ? x.cross(y).unit() : direction(o.ref(4), Vec3.Z);
    double sx = o.number(3).orElse(1.0);
    double sy = o.number(5).orElse(sx);
    double sz = o.number(6).orElse(sx);
    return new Transform(x.times(sx), y.times(sy), z.times(sz), point(o.ref(2)));
  }
}
