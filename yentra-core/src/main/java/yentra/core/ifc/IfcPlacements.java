package yentra.core.ifc;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;
import yentra.core.step.StepFile;
import yentra.core.step.StepInstance;
import yentra.core.step.StepValue;

/** Points, directions and placements, in metres. */
final class IfcPlacements {
  private static final int DEEPEST = 200;
  private final StepFile file;
  private final IfcSchema schema;
  private final double length;
  private final Vec3 localOrigin;
  private final Map<Integer, Transform> known = new ConcurrentHashMap<>();

  /**
   * Placements of a file.
   *
   * @param localOrigin the point, in the file's world coordinates in metres, that becomes the
   *     origin of the model
   */
  IfcPlacements(StepFile file, IfcSchema schema, IfcUnits units, Vec3 localOrigin) {
    this.file = file;
    this.schema = schema;
    this.length = units.length();
    this.localOrigin = localOrigin;
  }

  /** The entity's name in its proper capitals. */
  String proper(StepInstance i) {
    return schema.proper(i.type());
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
    double[] c = new double[3];
    int n = file.numbers(id, 0, c);
    if (n == 2 || n == 3) {
      return reached(new Vec3(c[0] * length, c[1] * length, c[2] * length), id);
    }
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

  private Vec3 reached(Vec3 q, int id) throws IfcGeometryException {
    if (!q.withinReach()) {
      throw new IfcGeometryException("#" + id + " lies farther from the origin than any building");
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
   * The placement of a product in model coordinates: the chain of those it is relative to, walked
   * without recursion, less the local origin.
   */
  Transform local(int id) throws IfcGeometryException {
    List<Integer> chain = new ArrayList<>();
    int at = id;
    Transform base = Transform.translation(localOrigin.negated());
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
      // a grid placement stands in the placement of its grid
      at = p.is("IFCGRIDPLACEMENT") ? 0 : p.ref(schema.index(p.type(), "PlacementRelTo"));
    }
    for (int i = chain.size() - 1; i >= 0; i--) {
      StepInstance p = need(chain.get(i), "A placement");
      base =
          p.is("IFCGRIDPLACEMENT")
              ? new IfcGridPlacements(file, schema, this).of(p)
              : base.after(relative(p));
      if (!base.origin().withinReach()) {
        throw new IfcGeometryException(
            "The placement #" + id + " lies farther from the origin than any building");
      }
      known.put(chain.get(i), base);
    }
    return base;
  }

  private Transform relative(StepInstance p) throws IfcGeometryException {
    return switch (p.type()) {
      case "IFCLOCALPLACEMENT" -> axes(p.ref(1));
      // the position computed for readers that do not follow alignments
      case "IFCLINEARPLACEMENT" -> axes(p.ref(schema.index(p.type(), "CartesianPosition")));
      default ->
          throw new IfcGeometryException(
              "Placements of the kind " + proper(p) + " (#" + p.id() + ") cannot be read");
    };
  }

  /**
   * IfcCartesianTransformationOperator2D or 3D (uniform or not): Axis1, Axis2, LocalOrigin, Scale,
   * Axis3, Scale2, Scale3.
   */
  Transform operator(int id) throws IfcGeometryException {
    StepInstance o = need(id, "A mapping");
    boolean flat = o.type().startsWith("IFCCARTESIANTRANSFORMATIONOPERATOR2D");
    Vec3 x = direction(o.ref(0), Vec3.X);
    Vec3 y = direction(o.ref(1), new Vec3(-x.y(), x.x(), 0));
    if (flat) {
      double s = o.number(3).orElse(1.0);
      double s2 = o.number(4).orElse(s);
      return new Transform(x.times(s), y.times(s2), Vec3.Z, point(o.ref(2)));
    }
    Vec3 z = o.ref(4) == 0 ? x.cross(y).unit() : direction(o.ref(4), Vec3.Z);
    double sx = o.number(3).orElse(1.0);
    double sy = o.number(5).orElse(sx);
    double sz = o.number(6).orElse(sx);
    return new Transform(x.times(sx), y.times(sy), z.times(sz), point(o.ref(2)));
  }
}
