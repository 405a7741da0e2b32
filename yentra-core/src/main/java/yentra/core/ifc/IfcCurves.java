package yentra.core.ifc;

import java.util.ArrayList;
import java.util.List;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;
import yentra.core.step.StepInstance;
import yentra.core.step.StepValue;

/**
 * Curves as polylines in metres. Arcs become chords no farther than {@link Facetting#CHORD_ERROR}
 * from them, as far as {@link Facetting} allows.
 */
final class IfcCurves {
  private static final int DEEPEST = 20;
  private final IfcPlacements placements;
  private final IfcUnits units;
  private final Facetting facetting;

  IfcCurves(IfcPlacements placements, IfcUnits units, Facetting facetting) {
    this.placements = placements;
    this.units = units;
    this.facetting = facetting;
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
      case "IFCCIRCLE", "IFCELLIPSE" -> conic(c, 0, 2 * Math.PI);
      case "IFCTRIMMEDCURVE" -> trimmed(c, depth);
      case "IFCBSPLINECURVEWITHKNOTS", "IFCRATIONALBSPLINECURVEWITHKNOTS" -> spline(c);
      default ->
          throw new IfcGeometryException(
              "Curves of the kind " + placements.proper(c) + " (#" + id + ") cannot be read");
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

  private List<Vec3> arc(Vec3 a, Vec3 b, Vec3 c) {
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
    int k = facetting.pieces(radius, sweep);
    List<Vec3> out = new ArrayList<>();
    for (int i = 0; i <= k; i++) {
      double t = sweep * i / k;
      out.add(centre.plus(u.times(radius * Math.cos(t))).plus(v.times(radius * Math.sin(t))));
    }
    return out;
  }

  /** A circle or ellipse, or a part of one, from one parameter to another. */
  private List<Vec3> conic(StepInstance c, double from, double to) throws IfcGeometryException {
    Transform t = placements.axes(c.ref(0));
    double a = placements.positive(c, 1, "radius");
    double b = c.is("IFCELLIPSE") ? placements.positive(c, 2, "radius") : a;
    int k = facetting.pieces(Math.max(a, b), to - from);
    List<Vec3> out = new ArrayList<>(k + 1);
    for (int i = 0; i <= k; i++) {
      double at = from + (to - from) * i / k;
      out.add(t.apply(new Vec3(a * Math.cos(at), b * Math.sin(at), 0)));
    }
    return out;
  }

  /**
   * IfcTrimmedCurve of a line, circle or ellipse: BasisCurve, Trim1, Trim2, SenseAgreement,
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
    if (basis.is("IFCCIRCLE", "IFCELLIPSE")) {
      double from = onConic(c, 1, basis);
      double to = onConic(c, 2, basis);
      double sweep = (forward ? to - from : from - to) % (2 * Math.PI);
      sweep = sweep <= 1e-9 ? sweep + 2 * Math.PI : sweep;
      return conic(basis, from, forward ? from + sweep : from - sweep);
    }
    throw new IfcGeometryException(
        "Trimmed curves on " + placements.proper(basis) + " (#" + c.id() + ") cannot be read");
  }

  /**
   * IfcBSplineCurveWithKnots: Degree, ControlPointsList, CurveForm, ClosedCurve, SelfIntersect,
   * KnotMultiplicities, Knots, KnotSpec, and WeightsData where it is rational. Evaluated by de
   * Boor's algorithm (C. de Boor, "On calculating with B-splines", 1972) at an even number of
   * parameters between knots.
   */
  private List<Vec3> spline(StepInstance c) throws IfcGeometryException {
    int degree = c.number(0).orElse(0.0).intValue();
    List<Vec3> control = points(c.refs(1));
    List<Double> knots = new ArrayList<>();
    List<StepValue> multiplicities = c.list(5);
    for (int i = 0; i < Math.min(multiplicities.size(), c.list(6).size()); i++) {
      int times = StepInstance.number(multiplicities.get(i)).orElse(1.0).intValue();
      for (int k = 0; k < Math.min(times, degree + 1); k++) {
        knots.add(StepInstance.number(c.list(6).get(i)).orElse(0.0));
      }
    }
    int n = control.size();
    if (degree < 1 || degree > 20 || n <= degree || knots.size() != n + degree + 1) {
      throw new IfcGeometryException(
          "The knots of the curve #" + c.id() + " do not fit its points");
    }
    double[] weights = new double[n];
    for (int i = 0; i < n; i++) {
      List<StepValue> given = c.list(8);
      weights[i] = i < given.size() ? StepInstance.number(given.get(i)).orElse(1.0) : 1;
    }
    facetting.simplified("a free-form curve became chords");
    List<Vec3> out = new ArrayList<>();
    for (int span = degree; span < n; span++) {
      double from = knots.get(span);
      double to = knots.get(span + 1);
      if (to > from) {
        for (int k = out.isEmpty() ? 0 : 1; k <= 8; k++) {
          out.add(deBoor(degree, span, from + (to - from) * k / 8, control, weights, knots));
        }
      }
    }
    return out;
  }

  private static Vec3 deBoor(
      int degree, int span, double t, List<Vec3> control, double[] weights, List<Double> knots) {
    Vec3[] d = new Vec3[degree + 1];
    double[] w = new double[degree + 1];
    for (int j = 0; j <= degree; j++) {
      int at = j + span - degree;
      w[j] = weights[at];
      d[j] = control.get(at).times(w[j]);
    }
    for (int r = 1; r <= degree; r++) {
      for (int j = degree; j >= r; j--) {
        double low = knots.get(j + span - degree);
        double high = knots.get(j + 1 + span - r);
        double a = high > low ? (t - low) / (high - low) : 0;
        d[j] = d[j - 1].times(1 - a).plus(d[j].times(a));
        w[j] = w[j - 1] * (1 - a) + w[j] * a;
      }
    }
    return d[degree].times(1 / w[degree]);
  }

  /**
   * The part of a curve between two points on it, both included; the whole of it when they are one.
   *
   * @param forward whether the part runs with the curve
   */
  List<Vec3> between(StepInstance curve, Vec3 from, Vec3 to, boolean forward)
      throws IfcGeometryException {
    if (curve.is("IFCCIRCLE", "IFCELLIPSE")) {
      double a = angleOn(curve, from);
      double b = angleOn(curve, to);
      double sweep = (forward ? b - a : a - b) % (2 * Math.PI);
      sweep = sweep <= 1e-9 ? sweep + 2 * Math.PI : sweep;
      return conic(curve, a, forward ? a + sweep : a - sweep);
    }
    List<Vec3> all = new ArrayList<>(open(curve.id()));
    if (!forward) {
      java.util.Collections.reverse(all);
    }
    int first = nearest(all, from);
    int last = nearest(all, to);
    List<Vec3> out = new ArrayList<>(List.of(from));
    for (int i = first + 1; i < (last > first ? last : all.size()); i++) {
      out.add(all.get(i));
    }
    out.add(to);
    return out;
  }

  private static int nearest(List<Vec3> points, Vec3 p) {
    int best = 0;
    for (int i = 1; i < points.size(); i++) {
      best = points.get(i).distance(p) < points.get(best).distance(p) ? i : best;
    }
    return best;
  }

  private Vec3 onLine(StepInstance c, int i, Vec3 start, Vec3 step) throws IfcGeometryException {
    if (prefersPoint(c, i)) {
      return placements.point(StepInstance.refs(c.list(i)).get(0));
    }
    return start.plus(step.times(parameter(c, i)));
  }

  private double onConic(StepInstance c, int i, StepInstance conic) throws IfcGeometryException {
    return prefersPoint(c, i)
        ? angleOn(conic, placements.point(StepInstance.refs(c.list(i)).get(0)))
        : parameter(c, i) * units.angle();
  }

  private double angleOn(StepInstance conic, Vec3 p) throws IfcGeometryException {
    Transform t = placements.axes(conic.ref(0));
    Vec3 d = p.minus(t.origin());
    double a = conic.number(1).orElse(1.0);
    double b = conic.is("IFCELLIPSE") ? conic.number(2).orElse(1.0) : a;
    return Math.atan2(d.dot(t.y()) / b, d.dot(t.x()) / a);
  }

  /** Where both are given, MasterRepresentation says which counts. */
  private static boolean prefersPoint(StepInstance c, int i) {
    boolean point = !StepInstance.refs(c.list(i)).isEmpty();
    boolean number = c.list(i).stream().anyMatch(v -> StepInstance.number(v).isPresent());
    return point && !(number && c.enumeration(4).equals("PARAMETER"));
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
