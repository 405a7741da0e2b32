package yentra.core.ifc;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import yentra.core.boundary.DeliveredBoundary;
import yentra.core.boundary.DeliveredBoundary.OtherSide;
import yentra.core.boundary.DeliveredBoundary.Role;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Shell;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;
import yentra.core.step.StepFile;
import yentra.core.step.StepInstance;

/**
 * Reads second-level space boundaries with their connection geometry.
 *
 * <p>IFC4 tells the level by the class; IFC2X3 by Name {@code 2ndLevel} (space boundary add-on view
 * of the coordination view). Geometry is given in the space's own placement. Its direction is not
 * trusted: each face is turned to point out of the space's body.
 */
final class IfcBoundaries {
  private final IfcModel model;
  private final StepFile file;
  private final IfcPlacements placements;
  private final IfcCurves curves;
  private final IfcShells shells;
  private final Tolerance tolerance;
  private final List<Problem> problems = new ArrayList<>();
  private int firstLevel;

  IfcBoundaries(IfcModel model, Tolerance tolerance) {
    this.model = model;
    this.file = model.file();
    this.placements = model.placements();
    IfcBodies bodies = model.bodyReader();
    this.curves = bodies.curves();
    this.shells = bodies.shells();
    this.tolerance = tolerance;
  }

  /** A space that boundaries can belong to: its instance, key and body. */
  record BoundedSpace(StepInstance instance, String key, Shell body) {}

  /** A boundary that could not be read. */
  record Problem(String space, SourceRef source, String why) {}

  List<Problem> problems() {
    return problems;
  }

  /** How many boundaries are of the first level, and so were not taken. */
  int firstLevel() {
    return firstLevel;
  }

  /** All second-level boundaries in the order of the file; one with several faces gives several. */
  List<DeliveredBoundary> read(Map<Integer, BoundedSpace> rooms) {
    List<DeliveredBoundary> out = new ArrayList<>();
    for (int id :
        file.ofType(
            "IFCRELSPACEBOUNDARY", "IFCRELSPACEBOUNDARY1STLEVEL", "IFCRELSPACEBOUNDARY2NDLEVEL")) {
      StepInstance b = file.get(id);
      if (b == null) {
        continue;
      }
      boolean second =
          b.is("IFCRELSPACEBOUNDARY2NDLEVEL")
              || b.text(2).toLowerCase(java.util.Locale.ROOT).startsWith("2nd");
      BoundedSpace room = rooms.get(b.ref(4));
      if (!second) {
        firstLevel++;
      } else if (room != null) {
        try {
          add(b, room, out);
        } catch (IfcGeometryException e) {
          problems.add(new Problem(room.key, model.source(b), e.getMessage()));
        }
      }
    }
    return out;
  }

  private void add(StepInstance b, BoundedSpace room, List<DeliveredBoundary> out)
      throws IfcGeometryException {
    StepInstance connection = file.get(b.ref(6));
    if (connection == null || connection.ref(0) == 0) {
      throw new IfcGeometryException("it has no connection geometry");
    }
    Transform world = placements.local(room.instance.ref(5));
    List<Polygon> faces = surface(connection.ref(0));
    StepInstance element = file.get(b.ref(5));
    StepInstance filled = element == null ? null : filling(element);
    Role role = role(element, filled);
    boolean virtual =
        role == Role.SURFACE
            && (b.enumeration(7).equals("VIRTUAL")
                || element != null && element.is("IFCVIRTUALELEMENT"));
    SourceRef elementRef =
        filled != null ? model.source(filled) : element == null ? null : model.source(element);
    StepInstance corresponding = file.get(b.ref(10));
    // 2a or 2b; behind it the type where what is said otherwise gives another
    String[] kind = b.text(3).strip().split("\\s+");
    for (int i = 0; i < faces.size(); i++) {
      Polygon face = outward(faces.get(i).transformed(world), room);
      String prefix = role == Role.SURFACE ? "su_" : "op_";
      String key = prefix + IfcNames.xmlId(b.text(0)) + (i == 0 ? "" : "-" + (i + 1));
      out.add(
          new DeliveredBoundary(
              key,
              room.key,
              face,
              elementRef,
              elementRef == null ? "" : elementRef.id(),
              host(element, filled),
              role,
              virtual,
              kind[0].equalsIgnoreCase("2b") ? OtherSide.CONSTRUCTION : side(b.enumeration(8)),
              corresponding == null
                  ? ""
                  : prefix + IfcNames.xmlId(corresponding.text(0)) + (i == 0 ? "" : "-" + (i + 1)),
              kind.length > 1 ? SurfaceType.fromGbxml(kind[1]).orElse(null) : null,
              model.source(b)));
    }
  }

  /** The window or door that fills an opening element, or null. */
  private StepInstance filling(StepInstance opening) {
    int[] all = model.relations().fillings.get(opening.id());
    return all.length == 0 ? null : file.get(all[0]);
  }

  /**
   * GlobalId of the element that an opening, or what fills it, was cut into; empty when the file
   * does not say.
   */
  private String host(StepInstance element, StepInstance filling) {
    StepInstance e = filling != null ? filling : element;
    StepInstance host = e == null ? null : file.get(model.relations().hostOf(e.id()));
    return host == null ? "" : host.text(0);
  }

  private Polygon outward(Polygon face, BoundedSpace room) {
    return room.body.direction(face, tolerance.gap()) < 0 ? face.reversed() : face;
  }

  private Role role(StepInstance element, StepInstance filled) {
    StepInstance e = filled != null ? filled : element;
    if (e == null) {
      return Role.SURFACE;
    }
    return switch (e.type()) {
      case "IFCWINDOW", "IFCWINDOWSTANDARDCASE", "IFCDOOR", "IFCDOORSTANDARDCASE" ->
          model
              .element(e.id())
              .map(x -> IfcFilling.role(model, x))
              .orElse(e.type().startsWith("IFCDOOR") ? Role.DOOR : Role.WINDOW);
      case "IFCOPENINGELEMENT", "IFCOPENINGSTANDARDCASE" -> Role.HOLE;
      default -> Role.SURFACE;
    };
  }

  private static OtherSide side(String literal) {
    return switch (literal) {
      case "INTERNAL" -> OtherSide.INTERNAL;
      case "EXTERNAL" -> OtherSide.EXTERNAL;
      case "EXTERNAL_EARTH" -> OtherSide.EARTH;
      default -> OtherSide.NOT_SAID;
    };
  }

  /** The faces of a connection surface in the space's own placement. */
  private List<Polygon> surface(int id) throws IfcGeometryException {
    StepInstance s = placements.need(id, "A connection geometry");
    return switch (s.type()) {
      case "IFCCURVEBOUNDEDPLANE" -> List.of(curveBounded(s));
      case "IFCFACESURFACE", "IFCFACE", "IFCADVANCEDFACE" -> List.of(shells.face(id));
      case "IFCFACEBASEDSURFACEMODEL" -> faceBased(s);
      case "IFCSURFACEOFLINEAREXTRUSION" -> extruded(s);
      default ->
          throw new IfcGeometryException(
              "connection geometry of the kind " + placements.proper(s) + " cannot be read");
    };
  }

  /**
   * IfcCurveBoundedPlane: BasisSurface, OuterBoundary, InnerBoundaries; the curves lie in the
   * plane's own coordinates.
   */
  private Polygon curveBounded(StepInstance s) throws IfcGeometryException {
    StepInstance plane = placements.need(s.ref(0), "A curve-bounded plane");
    Transform t = placements.axes(plane.ref(0));
    List<List<Vec3>> holes = new ArrayList<>();
    for (int inner : s.refs(2)) {
      holes.add(curves.closed(inner));
    }
    return new Polygon(curves.closed(s.ref(1)), holes).transformed(t);
  }

  private List<Polygon> faceBased(StepInstance s) throws IfcGeometryException {
    List<Polygon> out = new ArrayList<>();
    for (int set : s.refs(0)) {
      for (int f : placements.need(set, "A surface model").refs(0)) {
        out.add(shells.face(f));
      }
    }
    return out;
  }

  /**
   * IfcSurfaceOfLinearExtrusion: SweptCurve (a profile with a curve), Position, ExtrudedDirection,
   * Depth.
   */
  private List<Polygon> extruded(StepInstance s) throws IfcGeometryException {
    StepInstance profile = placements.need(s.ref(0), "An extruded surface");
    List<Vec3> line =
        profile.type().startsWith("IFCARBITRARY")
            ? curves.open(profile.ref(2))
            : curves.open(profile.id());
    Transform t = placements.axes(s.ref(1));
    Vec3 up = placements.direction(s.ref(2), Vec3.Z).times(placements.positive(s, 3, "depth"));
    List<Polygon> out = new ArrayList<>();
    for (int i = 0; i + 1 < line.size(); i++) {
      Vec3 a = line.get(i);
      Vec3 b = line.get(i + 1);
      out.add(Polygon.of(a, b, b.plus(up), a.plus(up)).transformed(t));
    }
    return out;
  }
}
