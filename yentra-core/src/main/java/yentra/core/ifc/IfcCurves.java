package yentra.core.ifc;

import java.util.ArrayList;
import java.util.List;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;
import yentra.core.step.StepInstance;
import yentra.core.step.StepValue;

/**
 * Curves as polylines in metres. Circles become chords no farther than {@link #CHORD_ERROR} from
 * the arc.
 */
final class IfcCurves {
  /** Largest distance of a chord from its arc, in metres. */
  static final double CHORD_ERROR = 0.005;

  private static final int DEEPEST = 20;
  private final IfcPlacements placements;
  private final IfcUnits units;

  IfcCurves(IfcPlacements placements, IfcUnits units) {
    this.placements = placements;
    this.units = units;
  }

  /** The vertices of a closed curve; the first is not repeated at the end. */
  List<Vec3> closed(int id) throws IfcGeometryException {
    List<Vec3> p = new ArrayList<>(open(id, 0));
    dropRepeats(p);
    while (p.size() > 1
        && p.get(0).distance(p.get(p.size() - 1)) < 1e-9 + 1e-7 * p.get(0).length()) {
      p.remove(p.size() - 1);
    }
    if (p.size() < 3) {
      throw new IfcGeometryException("The closed curve #" + id + " has fewer than three points");
    }
    return p;
  }

  private static void dropRepeats(List<Vec3> p) {
    for (int i = p.size() - 1; i > 0; i--) {
      if (p.get(i).distance(p.get(i - 1)) < 1e-9) {
        p.remove(i);
      }
    }
  }

  List<Vec3> open(int id) throws IfcGeometryException {
    return open(id, 0);
  }

  private List<Vec3> open(int id, int depth) throws IfcGeometryException {
    if (depth > DEEPEST) {
      throw new IfcGeometryException("The curve #" + id + " is nested too deeply");
    }
    StepInstance c = placements.need(id, "A curve");
    return switch (c.type()) {
      case "IFCPOLYLINE" -> points(c.refs(0));
      case "IFCCOMPOSITECURVE", "IFC2DCOMPOSITECURVE" -> composite(c, depth);
      case "IFCINDEXEDPOLYCURVE" -> indexed(c);
      case "IFCCIRCLE" -> circle(c, 0, 2 * Math.PI);
      case "IFCTRIMMEDCURVE" -> trimmed(c, depth);
      default ->
          throw new IfcGeometryException(
              "Curves of the kind " + IfcNames.proper(c.type()) + " (#" + id + ") cannot be read");
    };
  }

  private List<Vec3> points(List<Integer> refs) throws IfcGeometryException {
    List<Vec3> out = new ArrayList<>(refs.size());
    for (int r : refs) {
      out.add(placements.point(r));
    }
    return out;
  }

  private List<Vec3> composite(StepInstance c, int depth) throws IfcGeometryException {
    List<Vec3> out = new ArrayList<>();
    for (int s : c.refs(0)) {
      StepInstance segment = placements.need(s, "A composite curve");
      List<Vec3> part = new ArrayList<>(open(segment.ref(2), depth + 1));
      if (segment.enumeration(1).equals("F")) {
        java.util.Collections.reverse(part);
      }
      out.addAll(part);
    }
    dropRepeats(out);
    return out;
  }

  private List<Vec3> indexed(StepInstance c) throws IfcGeometryException {
    StepInstance list = placements.need(c.ref(0), "An indexed curve");
    List<Vec3> all = new ArrayList<>();
    for (StepValue v : list.list(0)) {
      if (!(v instanceof StepValue.ListOf l)) {
        throw new IfcGeometryException(
            "The point list #" + list.id() + " holds something that is no point");
      }
      all.add(
          placements.scaled(placements.coordinates(l.items(), "#" + list.id()), "#" + list.id()));
    }
    if (c.list(1).isEmpty()) {
      return all;
    }
    List<Vec3> out = new ArrayList<>();
    for (StepValue v : c.list(1)) {
      if (!(v instanceof StepValue.Typed t && t.value() instanceof StepValue.ListOf l)) {
        throw new IfcGeometryException("The curve #" + c.id() + " has a segment that is no list");
      }
      List<Vec3> p = new ArrayList<>();
      for (StepValue index : l.items()) {
        int i = StepInstance.number(index).orElse(0.0).intValue();
        if (i < 1 || i > all.size()) {
          throw new IfcGeometryException(
              "The curve #" + c.id() + " refers to point " + i + " of " + all.size());
        }
        p.add(all.get(i - 1));
      }
      out.addAll(
          t.type().equals("IFCARCINDEX") && p.size() == 3 ? arc(p.get(0), p.get(1), p.get(2)) : p);
    }
    dropRepeats(out);
    return out;
  }

  private static List<Vec3> arc(Vec3 a, Vec3 b, Vec3 c) {
    Vec3 n = b.minus(a).cross(c.minus(a));
    if (n.length() < 1e-12) {
      return List.of(a, c);
    }
    Vec3 ab = b.minus(a);
    Vec3 ac = c.minus(a);
    // circumcentre of three points
    Vec3 centre =
        a.plus(
            n.cross(ab)
                .times(ac.dot(ac))
                .plus(ac.cross(n).times(ab.dot(ab)))
                .times(1 / (2 * n.dot(n))));
    Vec3 x = a.minus(centre);
    double radius = x.length();
    Vec3 u = x.unit();
    Vec3 v = n.unit().cross(u);
    Vec3 e = c.minus(centre);
    double end = Math.atan2(e.dot(v), e.dot(u));
    double sweep = end <= 0 ? end + 2 * Math.PI : end;
    int k = pieces(radius, sweep);
    List<Vec3> out = new ArrayList<>();
    for (int i = 0; i <= k; i++) {
      double t = sweep * i / k;
      out.add(centre.plus(u.times(radius * Math.cos(t))).plus(v.times(radius * Math.sin(t))));
    }
    return out;
  }

  /** Number of chords for an arc, so that none is farther from it than {@link #CHORD_ERROR}. */
  static int pieces(double radius, double sweep) {
    double ratio = Math.max(-1, 1 - CHORD_ERROR / Math.max(radius, CHORD_ERROR));
    return (int)
        Math.min(
            360,
            Math.max(
                Math.ceil(Math.abs(sweep) / (Math.PI / 6)),
                Math.ceil(Math.abs(sweep) / (2 * Math.acos(ratio)))));
  }

  private List<Vec3> circle(StepInstance c, double from, double to) throws IfcGeometryException {
    Transform t = placements.axes(c.ref(0));
    double radius = placements.positive(c, 1, "radius");
    int k = pieces(radius, to - from);
    List<Vec3> out = new ArrayList<>(k + 1);
    for (int i = 0; i <= k; i++) {
      double a = from + (to - from) * i / k;
      out.add(t.apply(new Vec3(radius * Math.cos(a), radius * Math.sin(a), 0)));
    }
    return out;
  }

  /**
   * IfcTrimmedCurve of a line or circle: BasisCurve, Trim1, Trim2, SenseAgreement,
   * MasterRepresentation.
   */
  private List<Vec3> trimmed(StepInstance c, int depth) throws IfcGeometryException {
    StepInstance basis = placements.need(c.ref(0), "A trimmed curve");
    boolean forward = !c.enumeration(3).equals("F");
    if (basis.is("IFCLINE")) {
      Vec3 start = placements.point(basis.ref(0));
      StepInstance vector = placements.need(basis.ref(1), "A line");
      Vec3 step =
          placements
              .direction(vector.ref(0), Vec3.X)
              .times(vector.number(1).orElse(1.0) * units.length());
      return List.of(onLine(c, 1, start, step), onLine(c, 2, start, step));
    }
    if (basis.is("IFCCIRCLE")) {
      double from = onCircle(c, 1, basis);
      double to = onCircle(c, 2, basis);
      double sweep = forward ? to - from : from - to;
      sweep = sweep <= 1e-12 ? sweep + 2 * Math.PI : sweep;
      return circle(basis, from, forward ? from + sweep : from - sweep);
    }
    throw new IfcGeometryException(
        "Trimmed curves on " + IfcNames.proper(basis.type()) + " (#" + c.id() + ") cannot be read");
  }

  private Vec3 onLine(StepInstance c, int i, Vec3 start, Vec3 step) throws IfcGeometryException {
    for (int r : StepInstance.refs(c.list(i))) {
      return placements.point(r);
    }
    return start.plus(step.times(parameter(c, i)));
  }

  private double onCircle(StepInstance c, int i, StepInstance circle) throws IfcGeometryException {
    for (int r : StepInstance.refs(c.list(i))) {
      Transform t = placements.axes(circle.ref(0));
      Vec3 d = placements.point(r).minus(t.origin());
      return Math.atan2(d.dot(t.y()), d.dot(t.x()));
    }
    return parameter(c, i) * units.angle();
  }

  private static double parameter(StepInstance c, int i) throws IfcGeometryException {
    for (StepValue v : c.list(i)) {
      if (StepInstance.number(v).isPresent()) {
        return StepInstance.number(v).get();
      }
    }
    throw new IfcGeometryException(
        "The trimmed curve #" + c.id() + " says not where it is trimmed");
  }
}
