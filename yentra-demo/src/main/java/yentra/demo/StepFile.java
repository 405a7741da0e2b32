package yentra.demo;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;
import yentra.core.ifc.MadeGlobalId;
import yentra.core.step.StepWriter;

/** The data section of a STEP file (ISO 10303-21) while it grows: instances, points, bodies. */
final class StepFile {
  private final StringBuilder out = new StringBuilder(1 << 18);
  private final Map<String, Integer> points = new HashMap<>();
  private int next = 1;

  /** All instances so far, a line each. */
  String data() {
    return out.toString();
  }

  /** Adds an instance; gives its number. */
  int add(String text) {
    out.append('#').append(next).append('=').append(text).append(";\n");
    return next++;
  }

  static String number(double d) {
    String s = String.format(Locale.ROOT, "%.6f", d).replaceAll("0+$", "");
    return s.equals("-0.") ? "0." : s;
  }

  static String text(String s) {
    return StepWriter.text(s);
  }

  /** A GlobalId that depends on the name alone: 128 bits of a name-based UUID, in IFC's base 64. */
  static String guid(String name) {
    return "'" + MadeGlobalId.of("marram-point/" + name) + "'";
  }

  static String refs(List<Integer> ids) {
    return StepWriter.refs(ids);
  }

  int point(Vec3 p) {
    String s =
        "IFCCARTESIANPOINT((" + number(p.x()) + "," + number(p.y()) + "," + number(p.z()) + "))";
    return points.computeIfAbsent(s, this::add);
  }

  int direction(Vec3 d) {
    return add("IFCDIRECTION((" + number(d.x()) + "," + number(d.y()) + "," + number(d.z()) + "))");
  }

  private int loop(List<Vec3> ring) {
    return add("IFCPOLYLOOP(" + refs(ring.stream().map(this::point).toList()) + ")");
  }

  /** A closed body as the shape of a product, in a representation context. */
  int brep(int context, List<Polygon> faces) {
    List<Integer> ids = new ArrayList<>();
    for (Polygon f : faces) {
      ids.add(add("IFCFACE((#" + add("IFCFACEOUTERBOUND(#" + loop(f.outer()) + ",.T.)") + "))"));
    }
    int solid = add("IFCFACETEDBREP(#" + add("IFCCLOSEDSHELL(" + refs(ids) + ")") + ")");
    int rep = add("IFCSHAPEREPRESENTATION(#" + context + ",'Body','Brep',(#" + solid + "))");
    return add("IFCPRODUCTDEFINITIONSHAPE($,$,(#" + rep + "))");
  }
}
