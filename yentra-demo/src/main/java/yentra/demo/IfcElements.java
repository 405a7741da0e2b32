package yentra.demo;

import static yentra.demo.StepFile.guid;
import static yentra.demo.StepFile.number;
import static yentra.demo.StepFile.refs;
import static yentra.demo.StepFile.text;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;

/**
 * The building elements of an IFC file that is written: walls, slabs, windows and doors with their
 * bodies, properties, quantities and space boundaries; and which storey and layer set each has.
 */
final class IfcElements {
  private final Envelope envelope;
  private final StepFile step;
  private final IfcWriter out;
  private final ArchitectsModel more;
  private final Map<Integer, List<Integer>> users = new LinkedHashMap<>();
  private final Map<String, List<Integer>> contained = new LinkedHashMap<>();
  private final Map<String, Double> thickness = new HashMap<>();

  /**
   * @param whole with all that an architect's model holds besides, and its flaws
   */
  IfcElements(Envelope envelope, StepFile step, IfcWriter out, boolean whole) {
    this.envelope = envelope;
    this.step = step;
    this.out = out;
    this.more = whole ? new ArchitectsModel(step, out, this) : null;
    Map<String, Material> materials = new HashMap<>();
    envelope.materials().forEach(m -> materials.put(m.key(), m));
    for (Construction c : envelope.constructions()) {
      double sum = 0;
      for (Layer l : envelope.layers()) {
        if (c.layers().contains(l.key())) {
          sum += l.materials().stream().mapToDouble(m -> materials.get(m).thickness()).sum();
        }
      }
      thickness.put(c.key(), sum);
    }
  }

  /** What the model holds besides; null for a model of rooms and their bounds alone. */
  ArchitectsModel more() {
    return more;
  }

  /** Relates all elements so far to their layer sets and storeys. */
  void relate() {
    users.forEach(
        (set, elements) ->
            step.add(
                "IFCRELASSOCIATESMATERIAL("
                    + guid("m" + set)
                    + ",$,$,$,"
                    + refs(elements)
                    + ",#"
                    + set
                    + ")"));
    contained.forEach(
        (storey, elements) ->
            step.add(
                "IFCRELCONTAINEDINSPATIALSTRUCTURE("
                    + guid("c" + storey)
                    + ",$,$,$,"
                    + refs(elements)
                    + ",#"
                    + out.storey(storey)
                    + ")"));
  }

  /**
   * Writes the element of a surface with its openings and boundaries; none for neighbours and
   * canopies.
   */
  void surface(Surface s) {
    if (s.sides().isEmpty()) {
      return; // neighbours and canopies are not part of the architect's spaces
    }
    String name = s.type().label() + " " + s.key();
    String tail =
        ",$,"
            + text(Character.toUpperCase(name.charAt(0)) + name.substring(1))
            + ",$,$,#"
            + out.placement()
            + ",#"
            + out.brep(body(s, s.polygon(), thick(s), 0))
            + ",$";
    String element =
        switch (s.type()) {
          case EXTERIOR_WALL, INTERIOR_WALL, UNDERGROUND_WALL ->
              "IFCWALL(" + guid(s.key()) + tail + ",.STANDARD.)";
          case ROOF -> "IFCSLAB(" + guid(s.key()) + tail + ",.ROOF.)";
          case SLAB_ON_GRADE, UNDERGROUND_SLAB ->
              "IFCSLAB(" + guid(s.key()) + tail + ",.BASESLAB.)";
          default -> "IFCSLAB(" + guid(s.key()) + tail + ",.FLOOR.)";
        };
    int id = step.add(element);
    uses(id, s.construction());
    contain(s, id);
    common(s, id);
    Map<String, Integer> parents = new LinkedHashMap<>();
    for (int i = 0; i < s.sides().size(); i++) {
      Polygon face = s.face(i);
      String pair = i == 1 ? "#" + parents.values().iterator().next() : "$";
      parents.put(
          s.sides().get(i).space(),
          boundary(
              s.key() + "/" + i,
              out.space(s.sides().get(i).space()),
              id,
              face,
              side(s),
              "$",
              pair));
    }
    s.openings().forEach(o -> opening(s, id, o, parents));
  }

  private double thick(Surface s) {
    return thickness.getOrDefault(s.construction() == null ? "" : s.construction(), 0.1);
  }

  /**
   * A body on a surface: outside of it where it has one space, about it where it has two.
   *
   * @param beyond how far it reaches out of the construction on both sides, m
   */
  private List<Polygon> body(Surface s, Polygon p, double thick, double beyond) {
    Vec3 n = s.polygon().normal();
    double whole = thick(s);
    double from = s.sides().size() > 1 ? -whole / 2 : 0;
    double start = from + (whole - thick) / 2 - beyond;
    Polygon base = p.transformed(Transform.translation(n.times(start)));
    return Room.prism(base.outer(), n.times(thick + 2 * beyond));
  }

  private void common(Surface s, int element) {
    String set =
        switch (s.type()) {
          case EXTERIOR_WALL, INTERIOR_WALL, UNDERGROUND_WALL -> "Pset_WallCommon";
          default -> "Pset_SlabCommon";
        };
    boolean wall = set.equals("Pset_WallCommon");
    List<String> values = new ArrayList<>();
    values.add("'LoadBearing',$,IFCBOOLEAN(" + (wall ? ".F." : ".T.") + ")");
    if (more == null || !more.lacksExternal(s)) {
      values.add("'IsExternal',$,IFCBOOLEAN(" + (s.sides().size() > 1 ? ".F." : ".T.") + ")");
    }
    if (wall && s.sides().size() > 1) {
      values.add("'FireRating',$,IFCLABEL('REI 30')");
    }
    properties(set, s.key(), element, values);
    if (wall && more != null) {
      quantity("Qto_WallBaseQuantities", "NetSideArea", s.netArea(), s.key(), element);
    }
  }

  private void quantity(String set, String name, double area, String key, int element) {
    int q = step.add("IFCQUANTITYAREA(" + text(name) + ",$,$," + number(area) + ",$)");
    int made =
        step.add(
            "IFCELEMENTQUANTITY(" + guid(set + key) + ",$," + text(set) + ",$,$,(#" + q + "))");
    step.add(
        "IFCRELDEFINESBYPROPERTIES("
            + guid("has" + set + key)
            + ",$,$,$,(#"
            + element
            + "),#"
            + made
            + ")");
  }

  /** A property set of an element; values are the parameters of each but the unit. */
  void properties(String set, String key, int element, List<String> values) {
    List<Integer> ids =
        values.stream().map(v -> step.add("IFCPROPERTYSINGLEVALUE(" + v + ",$)")).toList();
    int made =
        step.add("IFCPROPERTYSET(" + guid(set + key) + ",$," + text(set) + ",$," + refs(ids) + ")");
    step.add(
        "IFCRELDEFINESBYPROPERTIES("
            + guid("has" + set + key)
            + ",$,$,$,(#"
            + element
            + "),#"
            + made
            + ")");
  }

  /** Puts an element on a storey. */
  void contain(String storey, int element) {
    contained.computeIfAbsent(storey, k -> new ArrayList<>()).add(element);
  }

  private static String side(Surface s) {
    return s.sides().size() > 1
        ? ".INTERNAL."
        : s.type().isGround() ? ".EXTERNAL_EARTH." : ".EXTERNAL.";
  }

  private void uses(int element, String construction) {
    Integer set = construction == null ? null : out.layerSet(construction);
    if (set != null) {
      users.computeIfAbsent(set, k -> new ArrayList<>()).add(element);
    }
  }

  private void contain(Surface s, int element) {
    String storey = envelope.space(s.sides().get(0).space()).map(Space::storey).orElseThrow();
    contained.computeIfAbsent(storey, k -> new ArrayList<>()).add(element);
  }

  private void opening(Surface s, int wall, Opening o, Map<String, Integer> parents) {
    int hole =
        step.add(
            "IFCOPENINGELEMENT("
                + guid("hole" + o.key())
                + ",$,$,$,$,#"
                + out.placement()
                + ",#"
                + out.brep(body(s, o.polygon(), thick(s), 0.02))
                + ",$,.OPENING.)");
    step.add(
        "IFCRELVOIDSELEMENT(" + guid("void" + o.key()) + ",$,$,$,#" + wall + ",#" + hole + ")");
    boolean window = o.type().isGlazed();
    String what = (window ? "Window " : "Door ") + o.key();
    PlaneFrame f = PlaneFrame.of(o.polygon().plane());
    var e = f.project(o.polygon()).getEnvelopeInternal();
    String head =
        guid(o.key())
            + ",$,"
            + text(what)
            + ",$,$,#"
            + out.placement()
            + ",#"
            + out.brep(body(s, o.polygon(), 0.06, 0))
            + ",$,"
            + number(e.getHeight())
            + ","
            + number(e.getWidth());
    int id =
        step.add(
            window
                ? "IFCWINDOW(" + head + ",.WINDOW.,.SINGLE_PANEL.,$)"
                : "IFCDOOR(" + head + ",.DOOR.,.SINGLE_SWING_LEFT.,$)");
    step.add("IFCRELFILLSELEMENT(" + guid("fill" + o.key()) + ",$,$,$,#" + hole + ",#" + id + ")");
    uses(id, o.construction());
    contain(s, id);
    glazed(o, id);
    if (more != null) {
      quantity(
          window ? "Qto_WindowBaseQuantities" : "Qto_DoorBaseQuantities",
          "Area",
          more.statedArea(o),
          o.key(),
          id);
    }
    int i = 0;
    String pair = "$";
    for (Map.Entry<String, Integer> parent : parents.entrySet()) {
      Polygon face = i == 0 ? o.polygon() : o.polygon().reversed();
      pair =
          "#"
              + boundary(
                  o.key() + "/" + i,
                  out.space(parent.getKey()),
                  id,
                  face,
                  side(s),
                  "#" + parent.getValue(),
                  pair);
      i++;
    }
  }

  private void glazed(Opening o, int id) {
    if (!o.type().isGlazed()) {
      if (more != null) {
        properties("Pset_DoorCommon", o.key(), id, more.door(o));
      }
      return;
    }
    Glazing glass = envelope.glazing(o.glazing()).orElseThrow();
    List<String> values = new ArrayList<>();
    values.add("'IsExternal',$,IFCBOOLEAN(.T.)");
    if (more == null || !more.lacksTransmittance(o)) {
      values.add(
          "'ThermalTransmittance',$,IFCTHERMALTRANSMITTANCEMEASURE("
              + number(glass.uValue())
              + ")");
    }
    properties("Pset_WindowCommon", o.key(), id, values);
    String share = ",$,IFCPOSITIVERATIOMEASURE(";
    properties(
        "Pset_DoorWindowGlazingType",
        o.key(),
        id,
        List.of(
            "'SolarHeatGainTransmittance'" + share + number(glass.solarHeatGain()) + ")",
            "'VisibleLightTransmittance'" + share + number(glass.visibleTransmittance()) + ")"));
  }

  private int boundary(
      String name, int space, int element, Polygon face, String side, String parent, String pair) {
    PlaneFrame f = PlaneFrame.of(face.plane());
    int axes =
        step.add(
            "IFCAXIS2PLACEMENT3D(#"
                + step.point(f.origin())
                + ",#"
                + step.direction(f.n())
                + ",#"
                + step.direction(f.u())
                + ")");
    List<Integer> ids = new ArrayList<>();
    for (Vec3 p : face.outer()) {
      var c = f.to2d(p);
      ids.add(step.add("IFCCARTESIANPOINT((" + number(c.x) + "," + number(c.y) + "))"));
    }
    ids.add(ids.get(0));
    int curve = step.add("IFCPOLYLINE(" + refs(ids) + ")");
    int plane =
        step.add(
            "IFCCURVEBOUNDEDPLANE(#" + step.add("IFCPLANE(#" + axes + ")") + ",#" + curve + ",())");
    int connection = step.add("IFCCONNECTIONSURFACEGEOMETRY(#" + plane + ",$)");
    return step.add(
        "IFCRELSPACEBOUNDARY2NDLEVEL("
            + guid("b" + name)
            + ",$,'2ndLevel','2a',#"
            + space
            + ",#"
            + element
            + ",#"
            + connection
            + ",.PHYSICAL.,"
            + side
            + ","
            + parent
            + ","
            + pair
            + ")");
  }
}
