package yentra.demo;

import java.io.ByteArrayInputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import javax.xml.parsers.DocumentBuilderFactory;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/**
 * A gbXML file as somebody else would read it, with nothing of ours: the JDK's document tree, plain
 * arithmetic, and JTS for the area of an opening that lies outside its parent. Tells what is wrong
 * with a file, as sentences; lengths in the file's unit.
 */
final class PlainGbxml {
  private static final GeometryFactory FACTORY = new GeometryFactory();
  private final Element root;
  private final List<String> faults = new ArrayList<>();

  private PlainGbxml(Element root) {
    this.root = root;
  }

  static PlainGbxml of(byte[] xml) throws Exception {
    DocumentBuilderFactory f = DocumentBuilderFactory.newInstance();
    f.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
    return new PlainGbxml(
        f.newDocumentBuilder().parse(new ByteArrayInputStream(xml)).getDocumentElement());
  }

  /**
   * Everything that is looked at.
   *
   * @param metre units in a metre
   * @param enclosed ids of spaces whose surfaces must close
   * @param loose ids of openings that are known to reach outside their parents or to be off them
   */
  List<String> faults(double metre, Set<String> enclosed, Set<String> loose) {
    references();
    oneLoop(root);
    rectangles();
    shells(metre, enclosed);
    surfaces(metre, enclosed);
    openings(metre, loose);
    return faults;
  }

  // ---- references --------------------------------------------------------------------------

  private void references() {
    Map<String, String> ids = new HashMap<>();
    List<String[]> uses = new ArrayList<>();
    walk(
        root,
        e -> {
          for (int i = 0; i < e.getAttributes().getLength(); i++) {
            Node a = e.getAttributes().item(i);
            if (a.getNodeName().equals("id") && ids.put(a.getNodeValue(), e.getTagName()) != null) {
              faults.add("The id " + a.getNodeValue() + " is used twice.");
            }
            if (a.getNodeName().endsWith("IdRef")) {
              uses.add(new String[] {a.getNodeName(), a.getNodeValue()});
            }
          }
        });
    uses.stream()
        .filter(u -> !ids.containsKey(u[1]))
        .forEach(u -> faults.add("The reference " + u[0] + " to " + u[1] + " leads nowhere."));
  }

  private interface Visit {
    void element(Element e);
  }

  private static void walk(Element e, Visit v) {
    v.element(e);
    children(e).forEach(c -> walk(c, v));
  }

  private static List<Element> children(Element e) {
    List<Element> out = new ArrayList<>();
    for (Node n = e.getFirstChild(); n != null; n = n.getNextSibling()) {
      if (n instanceof Element c) {
        out.add(c);
      }
    }
    return out;
  }

  private static List<Element> children(Element e, String name) {
    return children(e).stream().filter(c -> c.getTagName().equals(name)).toList();
  }

  private static Element child(Element e, String name) {
    List<Element> all = children(e, name);
    return all.isEmpty() ? null : all.get(0);
  }

  private static List<Element> all(Element e, String name) {
    List<Element> out = new ArrayList<>();
    walk(
        e,
        x -> {
          if (x.getTagName().equals(name)) {
            out.add(x);
          }
        });
    return out;
  }

  // ---- geometry ----------------------------------------------------------------------------

  private void oneLoop(Element e) {
    for (Element p : all(e, "PlanarGeometry")) {
      if (children(p, "PolyLoop").size() != 1) {
        faults.add("A PlanarGeometry of " + owner(p) + " has not one PolyLoop.");
      }
    }
  }

  private static String owner(Node n) {
    for (Node p = n; p != null; p = p.getParentNode()) {
      if (p instanceof Element e && e.hasAttribute("id")) {
        return e.getAttribute("id");
      }
    }
    return "the file";
  }

  private static double[][] loop(Element polyLoop) {
    return children(polyLoop, "CartesianPoint").stream()
        .map(PlainGbxml::point)
        .toArray(double[][]::new);
  }

  private static double[] point(Element p) {
    return children(p, "Coordinate").stream()
        .mapToDouble(c -> Double.parseDouble(c.getTextContent()))
        .toArray();
  }

  private static double[][] outline(Element e) {
    Element planar = child(e, "PlanarGeometry");
    return planar == null ? new double[0][] : loop(child(planar, "PolyLoop"));
  }

  private static double[] areaVector(double[][] p) {
    double[] n = new double[3];
    for (int i = 1; i + 1 < p.length; i++) {
      double[] a = minus(p[i], p[0]);
      double[] b = minus(p[i + 1], p[0]);
      n[0] += (a[1] * b[2] - a[2] * b[1]) / 2;
      n[1] += (a[2] * b[0] - a[0] * b[2]) / 2;
      n[2] += (a[0] * b[1] - a[1] * b[0]) / 2;
    }
    return n;
  }

  private static double[] minus(double[] a, double[] b) {
    return new double[] {a[0] - b[0], a[1] - b[1], a[2] - b[2]};
  }

  private static double length(double[] v) {
    return Math.sqrt(v[0] * v[0] + v[1] * v[1] + v[2] * v[2]);
  }

  private static double dot(double[] a, double[] b) {
    return a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
  }

  // ---- rectangles --------------------------------------------------------------------------

  private double number(Element e, String name) {
    return Double.parseDouble(child(e, name).getTextContent());
  }

  /** Width times height is the area; tilt and azimuth are those of the polygon. */
  private void rectangles() {
    Element location =
        children(children(root, "Campus").get(0), "Location").stream().findFirst().orElse(null);
    Element turn = location == null ? null : child(location, "CADModelAzimuth");
    double north = turn == null ? 0 : Double.parseDouble(turn.getTextContent());
    for (String kind : new String[] {"Surface", "Opening"}) {
      for (Element s : all(root, kind)) {
        Element r = child(s, "RectangularGeometry");
        double[] n = areaVector(outline(s));
        double area = length(n);
        if (r == null) {
          if (area > 1e-9) {
            faults.add(owner(s) + " has an area but no RectangularGeometry.");
          }
          continue;
        }
        double product = number(r, "Width") * number(r, "Height");
        if (Math.abs(product - area) > 1e-6 * area + 1e-9) {
          faults.add(owner(s) + ": width times height is " + product + ", the area " + area + ".");
        }
        double tilt = Math.toDegrees(Math.atan2(Math.hypot(n[0], n[1]), n[2]));
        if (Math.abs(tilt - number(r, "Tilt")) > 1e-4) {
          faults.add(owner(s) + ": tilt " + number(r, "Tilt") + " for " + tilt + ".");
        }
        double level = Math.hypot(n[0], n[1]) / area;
        double azimuth = Math.toDegrees(Math.atan2(n[0], n[1])) + north - number(r, "Azimuth");
        double off = Math.abs(Math.IEEEremainder(azimuth, 360));
        if (level > 1e-3 && off > 1e-3) {
          faults.add(owner(s) + ": azimuth " + number(r, "Azimuth") + " is " + off + " off.");
        }
        if (kind.equals("Surface") && level > 1e-3) {
          lowerLeft(s, point(child(r, "CartesianPoint")), n, area);
        }
      }
    }
  }

  /** Nothing of the outline lies left of the corner or below it, seen from outside. */
  private void lowerLeft(Element s, double[] corner, double[] n, double area) {
    double[] out = {n[0] / area, n[1] / area, n[2] / area};
    double h = Math.hypot(out[0], out[1]);
    double[] right = {-out[1] / h, out[0] / h, 0};
    double[] up = {
      out[1] * right[2] - out[2] * right[1],
      out[2] * right[0] - out[0] * right[2],
      out[0] * right[1] - out[1] * right[0]
    };
    double left = Double.POSITIVE_INFINITY;
    double low = Double.POSITIVE_INFINITY;
    for (double[] p : outline(s)) {
      double[] d = minus(p, corner);
      left = Math.min(left, dot(d, right));
      low = Math.min(low, dot(d, up));
    }
    double size = 1e-5 * (1 + Math.sqrt(area));
    if (Math.abs(left) > size || Math.abs(low) > size) {
      faults.add(owner(s) + ": its corner is " + left + ", " + low + " off the lower left.");
    }
  }

  // ---- shells and surfaces -----------------------------------------------------------------

  /** Volume by the divergence theorem about the origin given, and the sum of area vectors. */
  private static double[] volume(List<double[][]> faces, double[] origin) {
    double[] sum = new double[4];
    for (double[][] f : faces) {
      if (f.length > 2) {
        double[] n = areaVector(f);
        sum[3] += dot(minus(f[0], origin), n) / 3;
        for (int k = 0; k < 3; k++) {
          sum[k] += n[k];
        }
      }
    }
    return sum;
  }

  private void closed(String what, List<double[][]> faces, double metre) {
    double area = faces.stream().mapToDouble(f -> length(areaVector(f))).sum();
    double[] a = volume(faces, faces.get(0)[0]);
    if (length(a) > 1e-3 * area + 0.01 * metre * metre) {
      faults.add(what + " does not close: its faces add up to " + length(a) + " of " + area + ".");
    }
  }

  private void shells(double metre, Set<String> enclosed) {
    for (Element s : all(root, "Space")) {
      Element shell = child(s, "ShellGeometry");
      if (shell == null || !enclosed.contains(s.getAttribute("id"))) {
        continue;
      }
      List<double[][]> faces = all(shell, "PolyLoop").stream().map(PlainGbxml::loop).toList();
      if (!faces.isEmpty()) {
        closed("The shell of " + owner(s), faces, metre);
      }
    }
  }

  /** The surfaces of a space, seen out of it, close as well. */
  private void surfaces(double metre, Set<String> enclosed) {
    Map<String, Map<String, double[][]>> own = new HashMap<>();
    for (Element space : all(root, "Space")) {
      for (Element b : children(space, "SpaceBoundary")) {
        own.computeIfAbsent(space.getAttribute("id"), k -> new HashMap<>())
            .put(b.getAttribute("surfaceIdRef"), outline(b));
      }
    }
    // a pair may be written as two surfaces, each of which is then one side
    Set<String> pairs = new HashSet<>();
    for (Element s : all(root, "Surface")) {
      pairs.add(String.join(" ", spaces(s)));
    }
    Map<String, List<double[][]>> faces = new LinkedHashMap<>();
    for (Element s : all(root, "Surface")) {
      List<String> ids = spaces(s);
      List<Element> spaces = children(s, "AdjacentSpaceId");
      boolean twice = ids.size() == 2 && pairs.contains(ids.get(1) + " " + ids.get(0));
      Set<String> seen = twice ? new HashSet<>(ids.subList(1, 2)) : new HashSet<>();
      for (int i = 0; i < spaces.size(); i++) {
        String id = spaces.get(i).getAttribute("spaceIdRef");
        if (!seen.add(id)) {
          continue;
        }
        double[][] p = own.getOrDefault(id, Map.of()).get(s.getAttribute("id"));
        double[][] drawn = outline(s);
        faces
            .computeIfAbsent(id, k -> new ArrayList<>())
            .add(p != null ? p : i == 0 ? drawn : reversed(drawn));
      }
    }
    faces.forEach(
        (id, list) -> {
          if (enclosed.contains(id)) {
            closed("What surrounds " + id, list, metre);
          }
        });
  }

  private static List<String> spaces(Element surface) {
    return children(surface, "AdjacentSpaceId").stream()
        .map(a -> a.getAttribute("spaceIdRef"))
        .toList();
  }

  private static double[][] reversed(double[][] p) {
    double[][] out = new double[p.length][];
    for (int i = 0; i < p.length; i++) {
      out[i] = p[p.length - 1 - i];
    }
    return out;
  }

  // ---- openings ----------------------------------------------------------------------------

  private void openings(double metre, Set<String> loose) {
    for (Element s : all(root, "Surface")) {
      double[][] parent = outline(s);
      double[] n = areaVector(parent);
      double area = length(n);
      for (Element o : children(s, "Opening")) {
        double[][] p = outline(o);
        if (loose.contains(o.getAttribute("id")) || area == 0 || p.length < 3) {
          continue;
        }
        double out = flat(p, parent[0], n).difference(flat(parent, parent[0], n)).getArea();
        if (out > 0.0015 * metre * metre) {
          faults.add(owner(o) + " lies " + out + " outside its parent.");
        }
        for (double[] v : p) {
          double off = Math.abs(dot(minus(v, parent[0]), n)) / area;
          if (off > 0.0105 * metre) {
            faults.add(owner(o) + " is " + off + " off its parent's plane.");
          }
        }
      }
    }
  }

  private static Geometry flat(double[][] p, double[] origin, double[] normal) {
    double len = length(normal);
    double[] n = {normal[0] / len, normal[1] / len, normal[2] / len};
    double[] ref = Math.abs(n[2]) < 0.9 ? new double[] {0, 0, 1} : new double[] {1, 0, 0};
    double[] u = cross(ref, n);
    double l = length(u);
    u = new double[] {u[0] / l, u[1] / l, u[2] / l};
    double[] v = cross(n, u);
    Coordinate[] c = new Coordinate[p.length + 1];
    for (int i = 0; i < p.length; i++) {
      double[] d = minus(p[i], origin);
      c[i] = new Coordinate(dot(d, u), dot(d, v));
    }
    c[p.length] = c[0];
    return FACTORY.createPolygon(c).buffer(0);
  }

  private static double[] cross(double[] a, double[] b) {
    return new double[] {
      a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]
    };
  }
}
