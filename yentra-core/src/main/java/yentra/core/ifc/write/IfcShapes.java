package yentra.core.ifc.write;

import static yentra.core.step.StepWriter.real;
import static yentra.core.step.StepWriter.reals;
import static yentra.core.step.StepWriter.ref;
import static yentra.core.step.StepWriter.refs;

import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;
import yentra.core.step.StepWriter;

/** Shapes of what is written: bodies of faces, plates, and faces on a plane. */
final class IfcShapes {
  /** Corners nearer to the plane of their face than this lie on it, m. */
  private static final double FLAT = 1e-6;

  private final StepWriter step;
  private final int context;
  private final double unit;

  /** Shapes in metres. */
  IfcShapes(StepWriter step, int context) {
    this(step, context, 1);
  }

  /**
   * @param unit metres in a unit of length of the file
   */
  IfcShapes(StepWriter step, int context, double unit) {
    this.step = step;
    this.context = context;
    this.unit = unit;
  }

  int point(Vec3 p) {
    return step.shared("IFCCARTESIANPOINT", reals(p.x() / unit, p.y() / unit, p.z() / unit));
  }

  private int direction(Vec3 d) {
    return step.shared("IFCDIRECTION", reals(d.x(), d.y(), d.z()));
  }

  /** Axes at a point: z and x. */
  int axes(Vec3 origin, Vec3 z, Vec3 x) {
    return step.add(
        "IFCAXIS2PLACEMENT3D", ref(point(origin)), ref(direction(z)), ref(direction(x)));
  }

  /** A closed body of faces as the shape of a product. */
  int body(List<Polygon> faces) {
    List<Integer> ids = new ArrayList<>();
    faces.forEach(f -> ids.add(face(f)));
    int shell = step.add("IFCCLOSEDSHELL", refs(ids));
    return shape("Brep", step.add("IFCFACETEDBREP", ref(shell)));
  }

  private int face(Polygon f) {
    List<Integer> bounds = new ArrayList<>();
    for (List<Vec3> ring : f.rings()) {
      int loop = step.add("IFCPOLYLOOP", refs(ring.stream().map(this::point).toList()));
      String bound = bounds.isEmpty() ? "IFCFACEOUTERBOUND" : "IFCFACEBOUND";
      bounds.add(step.add(bound, ref(loop), ".T."));
    }
    return step.add("IFCFACE", refs(bounds));
  }

  private int shape(String kind, int item) {
    int rep =
        step.add(
            "IFCSHAPEREPRESENTATION",
            ref(context),
            "'Body'",
            "'" + kind + "'",
            refs(List.of(item)));
    return step.add("IFCPRODUCTDEFINITIONSHAPE", "$", "$", refs(List.of(rep)));
  }

  /**
   * A plate on an outline as the shape of a product, in a placement whose axes are given.
   *
   * @param f frame of the outline's plane, in model coordinates
   * @param upright whether the product's y axis is the plate's normal (walls), else its z axis
   * @param from where it begins along the normal, m from the outline
   * @param thickness m
   */
  int plate(Polygon outline, PlaneFrame f, boolean upright, double from, double thickness) {
    List<Integer> curves = new ArrayList<>();
    // seen from behind in an upright product: its x and z axes span the outline
    for (List<Vec3> ring : outline.rings()) {
      curves.add(curve(ring, f));
    }
    int profile =
        curves.size() == 1
            ? step.add("IFCARBITRARYCLOSEDPROFILEDEF", ".AREA.", "$", ref(curves.get(0)))
            : step.add(
                "IFCARBITRARYPROFILEDEFWITHVOIDS",
                ".AREA.",
                "$",
                ref(curves.get(0)),
                refs(curves.subList(1, curves.size())));
    int position =
        upright
            ? turned(from)
            : step.add("IFCAXIS2PLACEMENT3D", ref(point(new Vec3(0, 0, from))), "$", "$");
    int solid =
        step.add(
            "IFCEXTRUDEDAREASOLID",
            ref(profile),
            ref(position),
            ref(direction(Vec3.Z)),
            real(thickness / unit));
    return shape("SweptSolid", solid);
  }

  /** Axes whose z is the y axis of an upright product turned about: x keeps, y is its z axis. */
  private int turned(double from) {
    return axes(new Vec3(0, -from, 0), new Vec3(0, -1, 0), Vec3.X);
  }

  private int curve(List<Vec3> ring, PlaneFrame f) {
    List<Integer> ids = new ArrayList<>();
    for (Vec3 p : ring) {
      Coordinate c = f.to2d(p);
      ids.add(step.shared("IFCCARTESIANPOINT", reals(c.x / unit, c.y / unit)));
    }
    ids.add(ids.get(0));
    return step.add("IFCPOLYLINE", refs(ids));
  }

  /**
   * The connection geometry of a boundary: a face on its plane, with its holes; one that is not
   * flat, as a face through its corners.
   */
  int connection(Polygon face) {
    if (face.rings().stream()
        .flatMap(List::stream)
        .anyMatch(p -> Math.abs(face.plane().distance(p)) > FLAT)) {
      int faces = step.add("IFCCONNECTEDFACESET", refs(List.of(face(face))));
      int model = step.add("IFCFACEBASEDSURFACEMODEL", refs(List.of(faces)));
      return step.add("IFCCONNECTIONSURFACEGEOMETRY", ref(model), "$");
    }
    PlaneFrame f = PlaneFrame.of(face.plane());
    int plane = step.add("IFCPLANE", ref(axes(f.origin(), f.n(), f.u())));
    List<Integer> inner = face.holes().stream().map(h -> curve(h, f)).toList();
    int bounded =
        step.add("IFCCURVEBOUNDEDPLANE", ref(plane), ref(curve(face.outer(), f)), refs(inner));
    return step.add("IFCCONNECTIONSURFACEGEOMETRY", ref(bounded), "$");
  }
}
