package yentra.demo;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Space;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Surface;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;

/**
 * Writes an envelope as the IFC4 file of an architect who exports second-level space boundaries:
 * spaces as faceted bodies, an element of the right class for each surface, windows and doors in
 * openings, all with bodies, material layer sets with thermal properties, common property sets,
 * zones, and curve-bounded planes as connection geometry. Lengths in metres; spaces reach to the
 * middle of partitions and to the inner face of outer walls.
 */
final class IfcWriter {
  private final Envelope envelope;
  private final StringBuilder out = new StringBuilder(1 << 18);
  private final Map<String, Integer> points = new HashMap<>();
  private final Map<String, Integer> spaces = new LinkedHashMap<>();
  private final Map<String, Integer> layerSets = new HashMap<>();
  private final Map<Integer, List<Integer>> users = new LinkedHashMap<>();
  private final Map<String, List<Integer>> contained = new LinkedHashMap<>();
  private final Map<String, Integer> storeys = new LinkedHashMap<>();
  private final Map<String, Double> thickness = new HashMap<>();
  private final ArchitectsModel more;
  private int next = 1;
  private int placement;
  private int context;

  private IfcWriter(Envelope envelope, boolean whole) {
    this.envelope = envelope;
    this.more = whole ? new ArchitectsModel(this) : null;
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

  /**
   * Writes the file.
   *
   * @param whole with all that an architect's model holds besides, and its flaws
   */
  static byte[] write(Envelope envelope, boolean whole) {
    return new IfcWriter(envelope, whole).file().getBytes(StandardCharsets.US_ASCII);
  }

  int add(String text) {
    out.append('#').append(next).append('=').append(text).append(";\n");
    return next++;
  }

  static String number(double d) {
    String s = String.format(Locale.ROOT, "%.6f", d).replaceAll("0+$", "");
    return s.equals("-0.") ? "0." : s;
  }

  static String text(String s) {
    StringBuilder b = new StringBuilder("'");
    for (char c : s.toCharArray()) {
      if (c > 126) {
        b.append(String.format("\\X2\\%04X\\X0\\", (int) c));
      } else {
        b.append(c == '\'' ? "''" : c == '\\' ? "\\\\" : String.valueOf(c));
      }
    }
    return b.append('\'').toString();
  }

  /** A GlobalId that depends on the name alone: 128 bits of a name-based UUID, in IFC's base 64. */
  static String guid(String name) {
    UUID u = UUID.nameUUIDFromBytes(("marram-point/" + name).getBytes(StandardCharsets.UTF_8));
    String alphabet = "0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz_$";
    java.math.BigInteger v =
        new java.math.BigInteger(
            1,
            java.nio.ByteBuffer.allocate(16)
                .putLong(u.getMostSignificantBits())
                .putLong(u.getLeastSignificantBits())
                .array());
    char[] c = new char[22];
    for (int i = 21; i >= 0; i--) {
      c[i] = alphabet.charAt(v.and(java.math.BigInteger.valueOf(63)).intValue());
      v = v.shiftRight(6);
    }
    return "'" + new String(c) + "'";
  }

  static String refs(List<Integer> ids) {
    StringBuilder b = new StringBuilder("(");
    ids.forEach(i -> b.append(b.length() > 1 ? "," : "").append('#').append(i));
    return b.append(')').toString();
  }

  private int point(Vec3 p) {
    String s =
        "IFCCARTESIANPOINT((" + number(p.x()) + "," + number(p.y()) + "," + number(p.z()) + "))";
    return points.computeIfAbsent(s, this::add);
  }

  private int direction(Vec3 d) {
    return add("IFCDIRECTION((" + number(d.x()) + "," + number(d.y()) + "," + number(d.z()) + "))");
  }

  private String file() {
    double north =
        Math.toRadians(
            envelope.site().northAzimuth() == null ? 0 : -envelope.site().northAzimuth());
    int origin = add("IFCAXIS2PLACEMENT3D(#" + point(Vec3.ZERO) + ",$,$)");
    int toNorth =
        add("IFCDIRECTION((" + number(Math.sin(north)) + "," + number(Math.cos(north)) + "))");
    context =
        add(
            "IFCGEOMETRICREPRESENTATIONCONTEXT($,'Model',3,1.E-5,#"
                + origin
                + ",#"
                + toNorth
                + ")");
    int metre = add("IFCSIUNIT(*,.LENGTHUNIT.,$,.METRE.)");
    int square = add("IFCSIUNIT(*,.AREAUNIT.,$,.SQUARE_METRE.)");
    int cubic = add("IFCSIUNIT(*,.VOLUMEUNIT.,$,.CUBIC_METRE.)");
    int radian = add("IFCSIUNIT(*,.PLANEANGLEUNIT.,$,.RADIAN.)");
    int units = add("IFCUNITASSIGNMENT(" + refs(List.of(metre, square, cubic, radian)) + ")");
    int project =
        add(
            "IFCPROJECT("
                + guid("project")
                + ",$,"
                + text(envelope.site().name())
                + ",$,$,$,$,(#"
                + context
                + "),#"
                + units
                + ")");
    placement = add("IFCLOCALPLACEMENT($,#" + origin + ")");
    int site =
        add(
            "IFCSITE("
                + guid("site")
                + ",$,"
                + text(envelope.site().name())
                + ",$,$,#"
                + placement
                + ",$,$,.ELEMENT.,"
                + compound(envelope.site().latitude())
                + ","
                + compound(envelope.site().longitude())
                + ","
                + number(envelope.site().elevation())
                + ",$,$)");
    int building =
        add(
            "IFCBUILDING("
                + guid("building")
                + ",$,"
                + text(envelope.buildings().get(0).name())
                + ",$,$,#"
                + placement
                + ",$,$,.ELEMENT.,0.,0.,$)");
    for (Storey s : envelope.storeys()) {
      int at =
          add(
              "IFCLOCALPLACEMENT(#"
                  + placement
                  + ",#"
                  + add("IFCAXIS2PLACEMENT3D(#" + point(new Vec3(0, 0, s.level())) + ",$,$)")
                  + ")");
      storeys.put(
          s.key(),
          add(
              "IFCBUILDINGSTOREY("
                  + guid(s.key())
                  + ",$,"
                  + text(s.name())
                  + ",$,$,#"
                  + at
                  + ",$,$,.ELEMENT.,"
                  + number(s.level())
                  + ")"));
    }
    aggregate("a1", project, List.of(site));
    aggregate("a2", site, List.of(building));
    aggregate("a3", building, new ArrayList<>(storeys.values()));
    envelope.spaces().forEach(this::space);
    for (String storey : storeys.keySet()) {
      List<Integer> in = new ArrayList<>();
      envelope.spaces().stream()
          .filter(s -> storey.equals(s.storey()))
          .forEach(s -> in.add(spaces.get(s.key())));
      if (more != null) {
        in.addAll(more.grossAreas(storey));
      }
      aggregate("spaces-" + storey, storeys.get(storey), in);
    }
    envelope
        .zones()
        .forEach(
            z -> {
              int zone = add("IFCZONE(" + guid(z.key()) + ",$," + text(z.name()) + ",$,$,$)");
              List<Integer> in =
                  envelope.spaces().stream()
                      .filter(s -> z.key().equals(s.zone()))
                      .map(s -> spaces.get(s.key()))
                      .toList();
              add(
                  "IFCRELASSIGNSTOGROUP("
                      + guid("in-" + z.key())
                      + ",$,$,$,"
                      + refs(in)
                      + ",$,#"
                      + zone
                      + ")");
            });
    envelope.constructions().forEach(this::layerSet);
    envelope.surfaces().forEach(this::surface);
    if (more != null) {
      more.write();
    }
    users.forEach(
        (set, elements) ->
            add(
                "IFCRELASSOCIATESMATERIAL("
                    + guid("m" + set)
                    + ",$,$,$,"
                    + refs(elements)
                    + ",#"
                    + set
                    + ")"));
    contained.forEach(
        (storey, elements) ->
            add(
                "IFCRELCONTAINEDINSPATIALSTRUCTURE("
                    + guid("c" + storey)
                    + ",$,$,$,"
                    + refs(elements)
                    + ",#"
                    + storeys.get(storey)
                    + ")"));
    return "ISO-10303-21;\nHEADER;\nFILE_DESCRIPTION(('ViewDefinition [CoordinationView, SpaceBoundary2ndLevelAddOnView]'),'2;1');\n"
        + "FILE_NAME('marram-point.ifc','2026-01-01T00:00:00',(''),(''),'Yentra demo','Yentra demo','');\nFILE_SCHEMA(('IFC4'));\nENDSEC;\nDATA;\n"
        + out
        + "ENDSEC;\nEND-ISO-10303-21;\n";
  }

  private static String compound(double degrees) {
    long micro = Math.round(degrees * 3.6e9);
    return "("
        + micro / 3_600_000_000L
        + ","
        + micro / 60_000_000L % 60
        + ","
        + micro / 1_000_000L % 60
        + ","
        + micro % 1_000_000L
        + ")";
  }

  private void aggregate(String name, int whole, List<Integer> parts) {
    if (!parts.isEmpty()) {
      add("IFCRELAGGREGATES(" + guid(name) + ",$,$,$,#" + whole + "," + refs(parts) + ")");
    }
  }

  private int loop(List<Vec3> ring) {
    return add("IFCPOLYLOOP(" + refs(ring.stream().map(this::point).toList()) + ")");
  }

  int placement() {
    return placement;
  }

  int brep(List<Polygon> faces) {
    List<Integer> ids = new ArrayList<>();
    for (Polygon f : faces) {
      ids.add(add("IFCFACE((#" + add("IFCFACEOUTERBOUND(#" + loop(f.outer()) + ",.T.)") + "))"));
    }
    int solid = add("IFCFACETEDBREP(#" + add("IFCCLOSEDSHELL(" + refs(ids) + ")") + ")");
    int rep = add("IFCSHAPEREPRESENTATION(#" + context + ",'Body','Brep',(#" + solid + "))");
    return add("IFCPRODUCTDEFINITIONSHAPE($,$,(#" + rep + "))");
  }

  private void space(Space s) {
    int body = brep(s.shell());
    int id =
        add(
            "IFCSPACE("
                + guid(s.key())
                + ",$,"
                + text(s.key().replace("sp-", ""))
                + ",$,$,#"
                + placement
                + ",#"
                + body
                + ","
                + text(s.name())
                + ",.ELEMENT.,.SPACE.,$)");
    spaces.put(s.key(), id);
    int area = add("IFCQUANTITYAREA('NetFloorArea',$,$," + number(s.statedFloorArea()) + ",$)");
    int volume = add("IFCQUANTITYVOLUME('NetVolume',$,$," + number(s.statedVolume()) + ",$)");
    int set =
        add(
            "IFCELEMENTQUANTITY("
                + guid("q" + s.key())
                + ",$,'Qto_SpaceBaseQuantities',$,$,(#"
                + area
                + ",#"
                + volume
                + "))");
    add("IFCRELDEFINESBYPROPERTIES(" + guid("d" + s.key()) + ",$,$,$,(#" + id + "),#" + set + ")");
  }

  private void layerSet(Construction c) {
    List<Integer> ids = new ArrayList<>();
    Map<String, Material> materials = new HashMap<>();
    envelope.materials().forEach(m -> materials.put(m.key(), m));
    for (Layer l : envelope.layers()) {
      if (c.layers().contains(l.key())) {
        for (String key : l.materials()) {
          Material m = materials.get(key);
          int material = add("IFCMATERIAL(" + text(m.name()) + ",$,$)");
          int conductivity =
              add(
                  "IFCPROPERTYSINGLEVALUE('ThermalConductivity',$,IFCTHERMALCONDUCTIVITYMEASURE("
                      + number(m.conductivity())
                      + "),$)");
          int heat =
              add(
                  "IFCPROPERTYSINGLEVALUE('SpecificHeatCapacity',$,IFCSPECIFICHEATCAPACITYMEASURE("
                      + number(m.specificHeat())
                      + "),$)");
          int density =
              add(
                  "IFCPROPERTYSINGLEVALUE('MassDensity',$,IFCMASSDENSITYMEASURE("
                      + number(m.density())
                      + "),$)");
          add(
              "IFCMATERIALPROPERTIES('Pset_MaterialThermal',$,(#"
                  + conductivity
                  + ",#"
                  + heat
                  + "),#"
                  + material
                  + ")");
          add(
              "IFCMATERIALPROPERTIES('Pset_MaterialCommon',$,(#"
                  + density
                  + "),#"
                  + material
                  + ")");
          ids.add(
              add("IFCMATERIALLAYER(#" + material + "," + number(m.thickness()) + ",$,$,$,$,$)"));
        }
      }
    }
    layerSets.put(c.key(), add("IFCMATERIALLAYERSET(" + refs(ids) + "," + text(c.name()) + ",$)"));
  }

  private void surface(Surface s) {
    if (s.sides().isEmpty()) {
      return; // neighbours and canopies are not part of the architect's spaces
    }
    String name = s.type().label() + " " + s.key();
    String tail =
        ",$,"
            + text(Character.toUpperCase(name.charAt(0)) + name.substring(1))
            + ",$,$,#"
            + placement
            + ",#"
            + brep(body(s, s.polygon(), thick(s), 0))
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
    int id = add(element);
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
              spaces.get(s.sides().get(i).space()),
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
    int q = add("IFCQUANTITYAREA(" + text(name) + ",$,$," + number(area) + ",$)");
    int made =
        add("IFCELEMENTQUANTITY(" + guid(set + key) + ",$," + text(set) + ",$,$,(#" + q + "))");
    add(
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
        values.stream().map(v -> add("IFCPROPERTYSINGLEVALUE(" + v + ",$)")).toList();
    int made =
        add("IFCPROPERTYSET(" + guid(set + key) + ",$," + text(set) + ",$," + refs(ids) + ")");
    add(
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
    Integer set = construction == null ? null : layerSets.get(construction);
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
        add(
            "IFCOPENINGELEMENT("
                + guid("hole" + o.key())
                + ",$,$,$,$,#"
                + placement
                + ",#"
                + brep(body(s, o.polygon(), thick(s), 0.02))
                + ",$,.OPENING.)");
    add("IFCRELVOIDSELEMENT(" + guid("void" + o.key()) + ",$,$,$,#" + wall + ",#" + hole + ")");
    boolean window = o.type().isGlazed();
    String what = (window ? "Window " : "Door ") + o.key();
    PlaneFrame f = PlaneFrame.of(o.polygon().plane());
    var e = f.project(o.polygon()).getEnvelopeInternal();
    String head =
        guid(o.key())
            + ",$,"
            + text(what)
            + ",$,$,#"
            + placement
            + ",#"
            + brep(body(s, o.polygon(), 0.06, 0))
            + ",$,"
            + number(e.getHeight())
            + ","
            + number(e.getWidth());
    int id =
        add(
            window
                ? "IFCWINDOW(" + head + ",.WINDOW.,.SINGLE_PANEL.,$)"
                : "IFCDOOR(" + head + ",.DOOR.,.SINGLE_SWING_LEFT.,$)");
    add("IFCRELFILLSELEMENT(" + guid("fill" + o.key()) + ",$,$,$,#" + hole + ",#" + id + ")");
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
                  spaces.get(parent.getKey()),
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
        add(
            "IFCAXIS2PLACEMENT3D(#"
                + point(f.origin())
                + ",#"
                + direction(f.n())
                + ",#"
                + direction(f.u())
                + ")");
    List<Integer> ids = new ArrayList<>();
    for (Vec3 p : face.outer()) {
      var c = f.to2d(p);
      ids.add(add("IFCCARTESIANPOINT((" + number(c.x) + "," + number(c.y) + "))"));
    }
    ids.add(ids.get(0));
    int curve = add("IFCPOLYLINE(" + refs(ids) + ")");
    int plane =
        add("IFCCURVEBOUNDEDPLANE(#" + add("IFCPLANE(#" + axes + ")") + ",#" + curve + ",())");
    int connection = add("IFCCONNECTIONSURFACEGEOMETRY(#" + plane + ",$)");
    return add(
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
