package yentra.core.ifc;

import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.operation.buffer.BufferOp;
import org.locationtech.jts.operation.buffer.BufferParameters;
import yentra.core.geometry.Plane;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;
import yentra.core.step.StepInstance;

/**
 * Profiles as regions in their own plane, z = 0, in metres. Fillets and sloping flanges of rolled
 * sections are left out, and noted as simplified.
 */
final class IfcProfiles {
  private static final int DEEPEST = 20;
  private final IfcPlacements placements;
  private final IfcSchema schema;
  private final IfcCurves curves;
  private final Facetting facetting;

  IfcProfiles(IfcPlacements placements, IfcSchema schema, IfcCurves curves, Facetting facetting) {
    this.placements = placements;
    this.schema = schema;
    this.curves = curves;
    this.facetting = facetting;
  }

  /** The regions of a profile: one, or several for a composite profile. */
  List<Polygon> of(int id) throws IfcGeometryException {
    return of(id, 0);
  }

  private List<Polygon> of(int id, int depth) throws IfcGeometryException {
    if (depth > DEEPEST) {
      throw new IfcGeometryException("The profile #" + id + " is nested too deeply");
    }
    StepInstance p = placements.need(id, "A swept solid");
    return switch (p.type()) {
      case "IFCARBITRARYCLOSEDPROFILEDEF" -> List.of(Polygon.of(curves.closed(p.ref(2))));
      case "IFCARBITRARYPROFILEDEFWITHVOIDS" -> List.of(withVoids(p));
      case "IFCCENTERLINEPROFILEDEF" -> centreLine(p);
      case "IFCCOMPOSITEPROFILEDEF" -> {
        List<Polygon> all = new ArrayList<>();
        for (int part : p.refs(2)) {
          all.addAll(of(part, depth + 1));
        }
        yield all;
      }
      case "IFCDERIVEDPROFILEDEF" -> moved(of(p.ref(2), depth + 1), placements.operator(p.ref(3)));
      case "IFCMIRROREDPROFILEDEF" ->
          moved(
              of(p.ref(2), depth + 1), new Transform(Vec3.X.negated(), Vec3.Y, Vec3.Z, Vec3.ZERO));
      default -> {
        Transform t = placements.axes(p.ref(2));
        yield List.of(parametric(p).transformed(t));
      }
    };
  }

  private static List<Polygon> moved(List<Polygon> regions, Transform t) {
    return regions.stream().map(r -> r.transformed(t)).toList();
  }

  private Polygon withVoids(StepInstance p) throws IfcGeometryException {
    List<List<Vec3>> inner = new ArrayList<>();
    for (int c : p.refs(3)) {
      inner.add(curves.closed(c));
    }
    return new Polygon(curves.closed(p.ref(2)), inner);
  }

  /** IfcCenterLineProfileDef: a line with a thickness. */
  private List<Polygon> centreLine(StepInstance p) throws IfcGeometryException {
    List<Vec3> line = curves.open(p.ref(2));
    double half = placements.positive(p, 3, "thickness") / 2;
    Coordinate[] c =
        line.stream().map(v -> new Coordinate(v.x(), v.y())).toArray(Coordinate[]::new);
    if (c.length < 2) {
      throw new IfcGeometryException("The centre line of #" + p.id() + " is a point");
    }
    BufferParameters ends =
        new BufferParameters(4, BufferParameters.CAP_FLAT, BufferParameters.JOIN_MITRE, 5.0);
    return PlaneFrame.of(new Plane(Vec3.ZERO, Vec3.Z))
        .lift(BufferOp.bufferOp(new GeometryFactory().createLineString(c), half, ends));
  }

  private double length(StepInstance p, String attribute) throws IfcGeometryException {
    return placements.positive(p, schema.index(p.type(), attribute), attribute);
  }

  /** A length that may be left out or zero. */
  private double optional(StepInstance p, String attribute) throws IfcGeometryException {
    int i = schema.index(p.type(), attribute);
    return p.number(i).orElse(0.0) > 0 ? placements.positive(p, i, attribute) : 0;
  }

  private Polygon parametric(StepInstance p) throws IfcGeometryException {
    if (optional(p, "FilletRadius") > 0 || optional(p, "EdgeRadius") > 0) {
      facetting.simplified("fillets were left out");
    }
    return switch (p.type()) {
      case "IFCRECTANGLEPROFILEDEF" ->
          Polygon.of(rectangle(length(p, "XDim") / 2, length(p, "YDim") / 2));
      case "IFCROUNDEDRECTANGLEPROFILEDEF" ->
          Polygon.of(
              rounded(length(p, "XDim") / 2, length(p, "YDim") / 2, length(p, "RoundingRadius")));
      case "IFCRECTANGLEHOLLOWPROFILEDEF" -> {
        double x = length(p, "XDim") / 2;
        double y = length(p, "YDim") / 2;
        double t = length(p, "WallThickness");
        yield new Polygon(
            rounded(x, y, optional(p, "OuterFilletRadius")),
            x > t && y > t
                ? List.of(rounded(x - t, y - t, optional(p, "InnerFilletRadius")))
                : List.of());
      }
      case "IFCCIRCLEPROFILEDEF" -> Polygon.of(ellipse(length(p, "Radius"), length(p, "Radius")));
      case "IFCCIRCLEHOLLOWPROFILEDEF" -> {
        double r = length(p, "Radius");
        double inner = r - length(p, "WallThickness");
        yield new Polygon(ellipse(r, r), inner > 0 ? List.of(ellipse(inner, inner)) : List.of());
      }
      case "IFCELLIPSEPROFILEDEF" ->
          Polygon.of(ellipse(length(p, "SemiAxis1"), length(p, "SemiAxis2")));
      case "IFCTRAPEZIUMPROFILEDEF" -> trapezium(p);
      case "IFCISHAPEPROFILEDEF", "IFCASYMMETRICISHAPEPROFILEDEF" -> iShape(p);
      case "IFCLSHAPEPROFILEDEF" -> lShape(p);
      case "IFCUSHAPEPROFILEDEF" -> uShape(p);
      case "IFCTSHAPEPROFILEDEF" -> tShape(p);
      case "IFCZSHAPEPROFILEDEF" -> zShape(p);
      case "IFCCSHAPEPROFILEDEF" -> cShape(p);
      default ->
          throw new IfcGeometryException(
              "Profiles of the kind " + placements.proper(p) + " (#" + p.id() + ") cannot be read");
    };
  }

  private static List<Vec3> ring(double... xy) {
    List<Vec3> out = new ArrayList<>();
    for (int i = 0; i < xy.length; i += 2) {
      out.add(new Vec3(xy[i], xy[i + 1], 0));
    }
    return out;
  }

  private static List<Vec3> rectangle(double x, double y) {
    return ring(-x, -y, x, -y, x, y, -x, y);
  }

  private List<Vec3> rounded(double x, double y, double radius) {
    double r = Math.min(radius, Math.min(x, y));
    if (r <= 0) {
      return rectangle(x, y);
    }
    int n = facetting.pieces(r, Math.PI / 2);
    List<Vec3> out = new ArrayList<>();
    double[][] centres = {{x - r, y - r}, {-x + r, y - r}, {-x + r, -y + r}, {x - r, -y + r}};
    for (int corner = 0; corner < 4; corner++) {
      for (int k = 0; k <= n; k++) {
        double a = Math.PI / 2 * (corner + (double) k / n);
        out.add(
            new Vec3(
                centres[corner][0] + r * Math.cos(a), centres[corner][1] + r * Math.sin(a), 0));
      }
    }
    return out;
  }

  private List<Vec3> ellipse(double a, double b) {
    int n = facetting.pieces(Math.max(a, b), 2 * Math.PI);
    List<Vec3> out = new ArrayList<>();
    for (int k = 0; k < n; k++) {
      double t = 2 * Math.PI * k / n;
      out.add(new Vec3(a * Math.cos(t), b * Math.sin(t), 0));
    }
    return out;
  }

  private Polygon trapezium(StepInstance p) throws IfcGeometryException {
    double bottom = length(p, "BottomXDim");
    double top = length(p, "TopXDim");
    double y = length(p, "YDim") / 2;
    double offset =
        placements
            .scaled(
                new Vec3(p.number(schema.index(p.type(), "TopXOffset")).orElse(0.0), 0, 0),
                "#" + p.id())
            .x();
    double left = -bottom / 2;
    return Polygon.of(ring(left, -y, left + bottom, -y, left + offset + top, y, left + offset, y));
  }

  private Polygon iShape(StepInstance p) throws IfcGeometryException {
    // IFC4 names the lower flange of the asymmetric shape, IFC2X3 takes it from the plain one
    boolean lower = schema.index(p.type(), "BottomFlangeWidth") >= 0;
    double w = length(p, lower ? "BottomFlangeWidth" : "OverallWidth") / 2;
    double d = length(p, "OverallDepth") / 2;
    double web = length(p, "WebThickness") / 2;
    double f = length(p, lower ? "BottomFlangeThickness" : "FlangeThickness");
    double wTop = optional(p, "TopFlangeWidth") > 0 ? optional(p, "TopFlangeWidth") / 2 : w;
    double fTop = optional(p, "TopFlangeThickness") > 0 ? optional(p, "TopFlangeThickness") : f;
    return Polygon.of(
        ring(
            -w, -d, w, -d, w, -d + f, web, -d + f, web, d - fTop, wTop, d - fTop, wTop, d, -wTop, d,
            -wTop, d - fTop, -web, d - fTop, -web, -d + f, -w, -d + f));
  }

  private Polygon lShape(StepInstance p) throws IfcGeometryException {
    double d = length(p, "Depth") / 2;
    double w = optional(p, "Width") > 0 ? optional(p, "Width") / 2 : d;
    double t = length(p, "Thickness");
    return Polygon.of(ring(-w, -d, w, -d, w, -d + t, -w + t, -d + t, -w + t, d, -w, d));
  }

  private Polygon uShape(StepInstance p) throws IfcGeometryException {
    double d = length(p, "Depth") / 2;
    double w = length(p, "FlangeWidth") / 2;
    double web = length(p, "WebThickness");
    double f = length(p, "FlangeThickness");
    return Polygon.of(
        ring(-w, -d, w, -d, w, -d + f, -w + web, -d + f, -w + web, d - f, w, d - f, w, d, -w, d));
  }

  private Polygon tShape(StepInstance p) throws IfcGeometryException {
    double d = length(p, "Depth") / 2;
    double w = length(p, "FlangeWidth") / 2;
    double web = length(p, "WebThickness") / 2;
    double f = length(p, "FlangeThickness");
    return Polygon.of(
        ring(-web, -d, web, -d, web, d - f, w, d - f, w, d, -w, d, -w, d - f, -web, d - f));
  }

  private Polygon zShape(StepInstance p) throws IfcGeometryException {
    double d = length(p, "Depth") / 2;
    double w = length(p, "FlangeWidth");
    double web = length(p, "WebThickness") / 2;
    double f = length(p, "FlangeThickness");
    return Polygon.of(
        ring(
            -web, -d, w - web, -d, w - web, -d + f, web, -d + f, web, d, -w + web, d, -w + web,
            d - f, -web, d - f));
  }

  private Polygon cShape(StepInstance p) throws IfcGeometryException {
    double d = length(p, "Depth") / 2;
    double w = length(p, "Width") / 2;
    double t = length(p, "WallThickness");
    double g = length(p, "Girth");
    return Polygon.of(
        ring(
            -w, -d, w, -d, w, -d + g, w - t, -d + g, w - t, -d + t, -w + t, -d + t, -w + t, d - t,
            w - t, d - t, w - t, d - g, w, d - g, w, d, -w, d));
  }
}
