package yentra.bench;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * Writes the IFC4 file of a block of flats as large as asked for: rooms side by side on storeys,
 * each with its walls, slab, window, door, furniture as triangulated faces of its own and as mapped
 * faceted bodies, ducts of round profile, and three property sets for each element. The same size
 * gives the same bytes.
 */
final class IfcBlock {
  private static final double WIDTH = 4;
  private static final double DEPTH = 5;
  private static final double HEIGHT = 3;
  private static final int ROOMS_A_STOREY = 40;

  private final OutputStream out;
  private final List<Integer> storeys = new ArrayList<>();
  private int next = 1;
  private int ids;
  private long bytes;
  private int elements;
  private int context;
  private int axes;
  private int up;
  private int placement;
  private int chair;
  private int layers;

  /** What was written. */
  record Written(long bytes, int instances, int elements) {}

  private IfcBlock(OutputStream out) {
    this.out = out;
  }

  /**
   * Writes rooms until the file has so many bytes, or so many elements.
   *
   * @param most elements, 0 for no limit
   */
  static Written write(OutputStream to, long size, int most) throws IOException {
    try (BufferedOutputStream buffered = new BufferedOutputStream(to, 1 << 16)) {
      return new IfcBlock(buffered).write(size, most);
    }
  }

  private Written write(long size, int most) throws IOException {
    raw(
        "ISO-10303-21;\nHEADER;\nFILE_DESCRIPTION((''),'2;1');\nFILE_NAME('block.ifc','2026-01-01T00:00:00',(''),(''),'','','');\nFILE_SCHEMA(('IFC4'));\nENDSEC;\nDATA;\n");
    frame();
    int building = next - 1;
    for (int storey = 0; bytes < size && (most == 0 || elements < most); storey++) {
      storey(storey, size, most);
    }
    rel("IFCRELAGGREGATES", building, storeys);
    raw("ENDSEC;\nEND-ISO-10303-21;\n");
    return new Written(bytes, next - 1, elements);
  }

  private void raw(String s) throws IOException {
    byte[] b = s.getBytes(StandardCharsets.US_ASCII);
    out.write(b);
    bytes += b.length;
  }

  private int add(String text) throws IOException {
    raw("#" + next + "=" + text + ";\n");
    return next++;
  }

  private String guid() {
    String digits = "0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz_$";
    StringBuilder b = new StringBuilder("'0000000000000000");
    int n = ids++;
    for (int i = 5; i >= 0; i--) {
      b.append(digits.charAt(n >>> 6 * i & (i == 5 ? 3 : 63)));
    }
    return b.append('\'').toString();
  }

  private static String n(double d) {
    return String.format(Locale.ROOT, "%.4f", d);
  }

  private static String refs(List<Integer> ids) {
    StringBuilder b = new StringBuilder("(");
    ids.forEach(i -> b.append(b.length() > 1 ? "," : "").append('#').append(i));
    return b.append(')').toString();
  }

  private void rel(String type, int one, List<Integer> many) throws IOException {
    add(type + "(" + guid() + ",$,$,$,#" + one + "," + refs(many) + ")");
  }

  private void frame() throws IOException {
    int origin = add("IFCCARTESIANPOINT((0.,0.,0.))");
    up = add("IFCDIRECTION((0.,0.,1.))");
    axes = add("IFCAXIS2PLACEMENT3D(#" + origin + ",$,$)");
    int north = add("IFCDIRECTION((0.,1.))");
    context =
        add("IFCGEOMETRICREPRESENTATIONCONTEXT($,'Model',3,1.E-5,#" + axes + ",#" + north + ")");
    int metre = add("IFCSIUNIT(*,.LENGTHUNIT.,$,.METRE.)");
    int square = add("IFCSIUNIT(*,.AREAUNIT.,$,.SQUARE_METRE.)");
    int radian = add("IFCSIUNIT(*,.PLANEANGLEUNIT.,$,.RADIAN.)");
    int units = add("IFCUNITASSIGNMENT(" + refs(List.of(metre, square, radian)) + ")");
    int project =
        add("IFCPROJECT(" + guid() + ",$,'Block',$,$,$,$,(#" + context + "),#" + units + ")");
    placement = add("IFCLOCALPLACEMENT($,#" + axes + ")");
    chair = chair();
    int brick = add("IFCMATERIAL('Brick',$,$)");
    int layer = add("IFCMATERIALLAYER(#" + brick + ",0.2,$,$,$,$,$)");
    layers = add("IFCMATERIALLAYERSET((#" + layer + "),'Wall',$)");
    int site =
        add(
            "IFCSITE("
                + guid()
                + ",$,'Site',$,$,#"
                + placement
                + ",$,$,.ELEMENT.,(51,30,0),(7,0,0),50.,$,$)");
    rel("IFCRELAGGREGATES", project, List.of(site));
    int building = next + 1;
    rel("IFCRELAGGREGATES", site, List.of(building));
    add("IFCBUILDING(" + guid() + ",$,'Block',$,$,#" + placement + ",$,$,.ELEMENT.,0.,0.,$)");
  }

  /** A chair of four legs, a seat and a back, to be mapped. */
  private int chair() throws IOException {
    List<Integer> solids = new ArrayList<>();
    double[][] parts = {
      {0, 0, 0, 0.05, 0.05, 0.45},
      {0.4, 0, 0, 0.05, 0.05, 0.45},
      {0, 0.4, 0, 0.05, 0.05, 0.45},
      {0.4, 0.4, 0, 0.05, 0.05, 0.45},
      {0, 0, 0.45, 0.45, 0.45, 0.05},
      {0, 0.4, 0.5, 0.45, 0.05, 0.4}
    };
    for (double[] p : parts) {
      solids.add(box(p[0], p[1], p[2], p[3], p[4], p[5]));
    }
    int shape = add("IFCSHAPEREPRESENTATION(#" + context + ",'Body','Brep'," + refs(solids) + ")");
    return add("IFCREPRESENTATIONMAP(#" + axes + ",#" + shape + ")");
  }

  private int box(double x, double y, double z, double dx, double dy, double dz)
      throws IOException {
    int[] p = new int[8];
    for (int i = 0; i < 8; i++) {
      p[i] =
          add(
              "IFCCARTESIANPOINT(("
                  + n(x + ((i + 1) / 2 % 2) * dx)
                  + ","
                  + n(y + (i / 2 % 2) * dy)
                  + ","
                  + n(z + (i / 4) * dz)
                  + "))");
    }
    int[][] faces = {
      {3, 2, 1, 0}, {4, 5, 6, 7}, {0, 1, 5, 4}, {1, 2, 6, 5}, {2, 3, 7, 6}, {3, 0, 4, 7}
    };
    List<Integer> ids = new ArrayList<>();
    for (int[] f : faces) {
      int loop =
          add("IFCPOLYLOOP((#" + p[f[0]] + ",#" + p[f[1]] + ",#" + p[f[2]] + ",#" + p[f[3]] + "))");
      ids.add(add("IFCFACE((#" + add("IFCFACEOUTERBOUND(#" + loop + ",.T.)") + "))"));
    }
    return add("IFCFACETEDBREP(#" + add("IFCCLOSEDSHELL(" + refs(ids) + ")") + ")");
  }

  private int at(double x, double y, double z) throws IOException {
    int p = add("IFCCARTESIANPOINT((" + n(x) + "," + n(y) + "," + n(z) + "))");
    return add(
        "IFCLOCALPLACEMENT(#"
            + placement
            + ",#"
            + add("IFCAXIS2PLACEMENT3D(#" + p + ",$,$)")
            + ")");
  }

  private int shape(String kind, int item) throws IOException {
    int rep = add("IFCSHAPEREPRESENTATION(#" + context + ",'Body','" + kind + "',(#" + item + "))");
    return add("IFCPRODUCTDEFINITIONSHAPE($,$,(#" + rep + "))");
  }

  /** An upright block with a corner at the origin of its placement. */
  private int block(double dx, double dy, double dz) throws IOException {
    int middle = add("IFCCARTESIANPOINT((" + n(dx / 2) + "," + n(dy / 2) + "))");
    int place = add("IFCAXIS2PLACEMENT2D(#" + middle + ",$)");
    int profile =
        add("IFCRECTANGLEPROFILEDEF(.AREA.,$,#" + place + "," + n(dx) + "," + n(dy) + ")");
    return add("IFCEXTRUDEDAREASOLID(#" + profile + ",#" + axes + ",#" + up + "," + n(dz) + ")");
  }

  private void storey(int s, long size, int most) throws IOException {
    int storey =
        add(
            "IFCBUILDINGSTOREY("
                + guid()
                + ",$,'Storey "
                + (s + 1)
                + "',$,$,#"
                + placement
                + ",$,$,.ELEMENT.,"
                + n(s * HEIGHT)
                + ")");
    storeys.add(storey);
    List<Integer> spaces = new ArrayList<>();
    List<Integer> parts = new ArrayList<>();
    List<Integer> walls = new ArrayList<>();
    for (int r = 0; r < ROOMS_A_STOREY && bytes < size && (most == 0 || elements < most); r++) {
      room(s, r, spaces, parts, walls);
    }
    rel("IFCRELAGGREGATES", storey, spaces);
    add(
        "IFCRELCONTAINEDINSPATIALSTRUCTURE("
            + guid()
            + ",$,$,$,"
            + refs(parts)
            + ",#"
            + storey
            + ")");
    add("IFCRELASSOCIATESMATERIAL(" + guid() + ",$,$,$," + refs(walls) + ",#" + layers + ")");
  }

  private int element(String entity, String name, int place, int shape, String tail)
      throws IOException {
    elements++;
    int id =
        add(
            entity + "(" + guid() + ",$,'" + name + "',$,$,#" + place + ",#" + shape + ",'"
                + elements + "'" + tail + ")");
    return id;
  }

  private void properties(int element, String common) throws IOException {
    set(element, common, "IsExternal", "IFCBOOLEAN(.T.)", "FireRating", "IFCLABEL('REI 60')");
    set(
        element,
        "Office_Schedule",
        "Phase",
        "IFCLABEL('2')",
        "Trade",
        "IFCLABEL('General contractor')",
        "Article",
        "IFCIDENTIFIER('A-" + element + "')",
        "Cost group",
        "IFCINTEGER(334)");
    set(
        element,
        "Office_Finish",
        "Colour",
        "IFCLABEL('White, matt')",
        "Length",
        "IFCLENGTHMEASURE(" + n(element % 97 * 0.1) + ")",
        "Checked",
        "IFCBOOLEAN(.F.)");
  }

  private void set(int element, String name, String... values) throws IOException {
    List<Integer> ids = new ArrayList<>();
    for (int i = 0; i < values.length; i += 2) {
      ids.add(add("IFCPROPERTYSINGLEVALUE('" + values[i] + "',$," + values[i + 1] + ",$)"));
    }
    int set = add("IFCPROPERTYSET(" + guid() + ",$,'" + name + "',$," + refs(ids) + ")");
    add("IFCRELDEFINESBYPROPERTIES(" + guid() + ",$,$,$,(#" + element + "),#" + set + ")");
  }

  private void room(int s, int r, List<Integer> spaces, List<Integer> parts, List<Integer> walls)
      throws IOException {
    double x = r * (WIDTH + 0.2);
    double z = s * HEIGHT;
    int space =
        add(
            "IFCSPACE("
                + guid()
                + ",$,'"
                + (s + 1)
                + "."
                + (r + 1)
                + "',$,$,#"
                + at(x, 0, z)
                + ",#"
                + shape("SweptSolid", block(WIDTH, DEPTH, HEIGHT - 0.3))
                + ",'Room',.ELEMENT.,.SPACE.,$)");
    elements++;
    spaces.add(space);
    properties(space, "Pset_SpaceCommon");
    int south = wall("South wall", x, -0.2, z, WIDTH, 0.2);
    int north = wall("North wall", x, DEPTH, z, WIDTH, 0.2);
    int party = wall("Party wall", x + WIDTH, 0, z, 0.2, DEPTH);
    walls.addAll(List.of(south, north, party));
    parts.addAll(walls.subList(walls.size() - 3, walls.size()));
    parts.add(filled(south, "IFCWINDOW", "Window", x + 1, -0.2, z + 0.9, 2, 1.4, ",1.4,2.,$,$,$"));
    parts.add(filled(north, "IFCDOOR", "Door", x + 1.5, DEPTH, z, 1, 2.1, ",2.1,1.,$,$,$"));
    int slab =
        element(
            "IFCSLAB",
            "Slab",
            at(x, 0, z + HEIGHT - 0.3),
            shape("SweptSolid", block(WIDTH + 0.2, DEPTH, 0.3)),
            ",.FLOOR.");
    properties(slab, "Pset_SlabCommon");
    parts.add(slab);
    for (int i = 0; i < 4; i++) {
      parts.add(mapped(x + 0.5 + 0.8 * i, 1, z));
    }
    parts.add(lamp(x + 2, 2.5, z + 2.4));
    parts.add(pipe(x, 4.5, z + 2.5));
  }

  private int wall(String name, double x, double y, double z, double dx, double dy)
      throws IOException {
    int w =
        element(
            "IFCWALL",
            name,
            at(x, y, z),
            shape("SweptSolid", block(dx, dy, HEIGHT - 0.3)),
            ",.STANDARD.");
    properties(w, "Pset_WallCommon");
    return w;
  }

  private int filled(
      int wall,
      String entity,
      String name,
      double x,
      double y,
      double z,
      double dx,
      double dz,
      String tail)
      throws IOException {
    int hole =
        element(
            "IFCOPENINGELEMENT",
            "Hole",
            at(x, y - 0.05, z),
            shape("SweptSolid", block(dx, 0.3, dz)),
            ",.OPENING.");
    add("IFCRELVOIDSELEMENT(" + guid() + ",$,$,$,#" + wall + ",#" + hole + ")");
    int f =
        element(entity, name, at(x, y + 0.07, z), shape("SweptSolid", block(dx, 0.06, dz)), tail);
    add("IFCRELFILLSELEMENT(" + guid() + ",$,$,$,#" + hole + ",#" + f + ")");
    properties(f, entity.equals("IFCDOOR") ? "Pset_DoorCommon" : "Pset_WindowCommon");
    return f;
  }

  private int mapped(double x, double y, double z) throws IOException {
    int p = add("IFCCARTESIANPOINT((0.,0.,0.))");
    int operator = add("IFCCARTESIANTRANSFORMATIONOPERATOR3D($,$,#" + p + ",$,$)");
    int item = add("IFCMAPPEDITEM(#" + chair + ",#" + operator + ")");
    int f =
        element(
            "IFCFURNITURE", "Chair", at(x, y, z), shape("MappedRepresentation", item), ",.CHAIR.");
    properties(f, "Pset_FurnitureTypeCommon");
    return f;
  }

  /** A round shade of triangles. */
  private int lamp(double x, double y, double z) throws IOException {
    int around = 48;
    StringBuilder points = new StringBuilder("IFCCARTESIANPOINTLIST3D((");
    StringBuilder triangles = new StringBuilder();
    for (int i = 0; i < around; i++) {
      double a = 2 * Math.PI * i / around;
      points
          .append(i > 0 ? "," : "")
          .append("(" + n(0.3 * Math.cos(a)) + "," + n(0.3 * Math.sin(a)) + ",0.)")
          .append(",(" + n(0.15 * Math.cos(a)) + "," + n(0.15 * Math.sin(a)) + ",0.3)");
      int p = 2 * i + 1;
      int q = 2 * ((i + 1) % around) + 1;
      triangles
          .append(i > 0 ? "," : "")
          .append(
              "(" + p + "," + q + "," + (q + 1) + "),(" + p + "," + (q + 1) + "," + (p + 1) + ")");
    }
    int list = add(points.append("))").toString());
    int faces = add("IFCTRIANGULATEDFACESET(#" + list + ",$,.F.,(" + triangles + "),$)");
    int l =
        element(
            "IFCLIGHTFIXTURE", "Lamp", at(x, y, z), shape("Tessellation", faces), ",.POINTSOURCE.");
    properties(l, "Pset_LightFixtureTypeCommon");
    return l;
  }

  private int pipe(double x, double y, double z) throws IOException {
    int middle = add("IFCCARTESIANPOINT((0.,0.))");
    int place = add("IFCAXIS2PLACEMENT2D(#" + middle + ",$)");
    int profile = add("IFCCIRCLEHOLLOWPROFILEDEF(.AREA.,$,#" + place + ",0.08,0.004)");
    int east = add("IFCDIRECTION((1.,0.,0.))");
    int p = add("IFCCARTESIANPOINT((0.,0.,0.))");
    int frame = add("IFCAXIS2PLACEMENT3D(#" + p + ",#" + east + ",$)");
    int solid =
        add("IFCEXTRUDEDAREASOLID(#" + profile + ",#" + frame + ",#" + up + "," + n(WIDTH) + ")");
    int f =
        element(
            "IFCPIPESEGMENT", "Pipe", at(x, y, z), shape("SweptSolid", solid), ",.RIGIDSEGMENT.");
    properties(f, "Pset_PipeSegmentTypeCommon");
    return f;
  }
}
