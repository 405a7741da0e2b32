package yentra.core.exchange;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Stream;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.strtree.STRtree;
import yentra.core.envelope.Orientation;
import yentra.core.envelope.Site;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.geometry.Box;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Shell;
import yentra.core.geometry.SolidProbe;
import yentra.core.geometry.Triangulation;
import yentra.core.geometry.Vec3;
import yentra.core.model.ArchitecturalModel;
import yentra.core.model.Element;
import yentra.core.model.Property;
import yentra.core.model.PropertySet;
import yentra.core.model.PropertyValue;

/**
 * What the architect's model comes to by itself, without an envelope: floor area and volume of its
 * spaces (stated quantities, else bodies), the outer faces of its walls and its windows by
 * orientation, and its slabs, from bodies and quantity sets.
 *
 * <p>A part of a wall's face is outer when no space lies before it and one lies behind the wall;
 * which side of a window is outdoors is found in the same way.
 */
final class SourceTakeoff {
  /** How far before a face outdoor air is looked for, m; more than a lining, less than a room. */
  private static final double BEFORE = 0.3;

  /** How far behind a face the room is looked for, m: thicker walls are not told. */
  private static final double[] BEHIND = {0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.8, 1.0};

  /** Faces within this of upright or level count, degrees. */
  private static final double UPRIGHT = 30;

  /** How large a piece of a face is looked at by itself, m². */
  private static final double PIECE = 4;

  /** In how many pieces a face is looked at: models in a wrong unit have faces without end. */
  private static final int PIECES = 250;

  private final ArchitecturalModel model;
  private final Site site;
  private final SurfaceTypes types;
  private final STRtree rooms = new STRtree();
  private int spaces;
  private final Set<String> grouping;
  private double floorArea;
  private double groupedArea;
  private double groupedVolume;
  private double volume;
  private double slabs;
  private final double[] walls = new double[8];
  private final double[] windows = new double[8];

  private SourceTakeoff(
      ArchitecturalModel model, Site site, SurfaceTypes types, Set<String> grouping) {
    this.model = model;
    this.grouping = grouping;
    this.site = site;
    this.types = types;
  }

  /**
   * Measures a model.
   *
   * @param site whose north azimuths are from
   * @param types which tilts are floors and roofs
   * @param grouping keys of the spaces that only group others
   */
  static SourceTakeoff of(
      ArchitecturalModel model, Site site, SurfaceTypes types, Set<String> grouping) {
    SourceTakeoff t = new SourceTakeoff(model, site, types, grouping);
    t.elements("IfcSpace").forEach(t::space);
    t.rooms.build();
    t.elements("IfcWall").forEach(t::wall);
    t.elements("IfcWindow").forEach(t::window);
    Stream.concat(t.elements("IfcSlab"), t.elements("IfcRoof")).forEach(t::slab);
    return t;
  }

  private Stream<Element> elements(String kind) {
    return model.elements().stream().filter(e -> model.isKind(e.entity(), kind));
  }

  int spaces() {
    return spaces;
  }

  double floorArea() {
    return floorArea;
  }

  double volume() {
    return volume;
  }

  /** Of the floor area, what is of spaces that only group others, m². */
  double groupedArea() {
    return groupedArea;
  }

  /** Of the volume, what is of spaces that only group others, m³. */
  double groupedVolume() {
    return groupedVolume;
  }

  /** Upper faces of slabs and roofs, m². */
  double slabs() {
    return slabs;
  }

  /** Outer faces of walls by eighths, clockwise from true north, m². */
  double[] walls() {
    return walls.clone();
  }

  double[] windows() {
    return windows.clone();
  }

  /** The first of the named quantities that is stated, in SI units. */
  private OptionalDouble quantity(Element e, String... names) {
    List<PropertySet> sets = model.properties(e);
    for (String n : names) {
      for (PropertySet s : sets) {
        OptionalDouble v = positive(s.property(n).map(Property::value).orElse(null));
        if (v.isPresent()) {
          return v;
        }
      }
    }
    return OptionalDouble.empty();
  }

  private static OptionalDouble positive(PropertyValue v) {
    return v instanceof PropertyValue.Number n && n.value() > 0
        ? OptionalDouble.of(n.value())
        : OptionalDouble.empty();
  }

  private void space(Element e) {
    List<Polygon> faces = model.body(e).faces();
    spaces++;
    Shell shell = faces.isEmpty() ? null : Shell.of(faces);
    if (shell != null) {
      SolidProbe probe = new SolidProbe(faces);
      Box b = probe.box();
      rooms.insert(new Envelope(b.min().x(), b.max().x(), b.min().y(), b.max().y()), probe);
    }
    OptionalDouble area = quantity(e, "NetFloorArea", "GrossFloorArea");
    OptionalDouble held = quantity(e, "NetVolume", "GrossVolume");
    double floor = area.isPresent() ? area.getAsDouble() : shell == null ? 0 : floor(faces);
    double within =
        held.isPresent() ? held.getAsDouble() : shell == null ? 0 : Math.abs(shell.signedVolume());
    floorArea += floor;
    volume += within;
    if (grouping.contains(e.key())) {
      groupedArea += floor;
      groupedVolume += within;
    }
  }

  private double floor(List<Polygon> faces) {
    return faces.stream().filter(p -> types.isFloor(p.tilt())).mapToDouble(Polygon::area).sum();
  }

  private boolean inside(Vec3 p) {
    for (Object o : rooms.query(new Envelope(p.x(), p.x(), p.y(), p.y()))) {
      if (((SolidProbe) o).contains(p)) {
        return true;
      }
    }
    return false;
  }

  private boolean isOuter(Vec3 at, Vec3 out) {
    if (inside(at.plus(out.times(BEFORE)))) {
      return false;
    }
    for (double d : BEHIND) {
      if (inside(at.minus(out.times(d)))) {
        return true;
      }
    }
    return false;
  }

  private int octant(Vec3 out) {
    double azimuth = site.fromTrueNorth(Math.toDegrees(Math.atan2(out.x(), out.y())));
    return (int) Math.floor((azimuth + 22.5) / 45) % 8;
  }

  private void wall(Element e) {
    for (Polygon p : model.body(e).faces()) {
      Vec3 n = p.normal();
      if (n.equals(Vec3.ZERO) || Math.abs(p.tilt() - 90) > UPRIGHT) {
        continue;
      }
      for (Vec3[] t : pieces(Triangulation.of(p), Math.max(PIECE, p.area() / PIECES))) {
        Vec3 middle = t[0].plus(t[1]).plus(t[2]).times(1 / 3.0);
        if (isOuter(middle, n)) {
          walls[octant(n)] += area(t);
        }
      }
    }
  }

  private static double area(Vec3[] t) {
    return t[1].minus(t[0]).cross(t[2].minus(t[0])).length() / 2;
  }

  /** Triangles cut in four until none is larger: one face may be outdoors in part. */
  private static List<Vec3[]> pieces(List<Vec3[]> triangles, double largest) {
    List<Vec3[]> out = new ArrayList<>();
    for (Vec3[] t : triangles) {
      if (area(t) <= largest) {
        out.add(t);
        continue;
      }
      Vec3 a = t[0].lerp(t[1], 0.5);
      Vec3 b = t[1].lerp(t[2], 0.5);
      Vec3 c = t[2].lerp(t[0], 0.5);
      out.addAll(
          pieces(
              List.of(
                  new Vec3[] {t[0], a, c},
                  new Vec3[] {a, t[1], b},
                  new Vec3[] {c, b, t[2]},
                  new Vec3[] {a, b, c}),
              largest));
    }
    return out;
  }

  private void window(Element e) {
    List<Polygon> faces = model.body(e).faces();
    OptionalDouble stated = quantity(e, "Area");
    if (stated.isEmpty()) {
      stated = product(e);
    }
    Vec3 across = faces.isEmpty() ? null : thin(faces);
    double area =
        stated.isPresent() ? stated.getAsDouble() : across == null ? 0 : outline(faces, across);
    Vec3 out = across == null ? null : outdoors(Shell.of(faces).box(), across);
    // those in roofs or between rooms look no way
    if (out != null) {
      windows[octant(out)] += area;
    }
  }

  private OptionalDouble product(Element e) {
    OptionalDouble h = number(e, "OverallHeight");
    OptionalDouble w = number(e, "OverallWidth");
    return h.isPresent() && w.isPresent()
        ? OptionalDouble.of(h.getAsDouble() * w.getAsDouble())
        : OptionalDouble.empty();
  }

  private OptionalDouble number(Element e, String attribute) {
    return positive(model.attribute(e, attribute).orElse(null));
  }

  /** The level direction in which most of a body's faces look: across a window. */
  private static Vec3 thin(List<Polygon> faces) {
    Vec3 best = null;
    double most = 0;
    for (Polygon p : faces) {
      if (Math.abs(p.tilt() - 90) <= UPRIGHT && p.area() > 0) {
        double sum = 0;
        for (Polygon q : faces) {
          sum += Math.abs(q.areaVector().dot(p.normal()));
        }
        if (sum > most) {
          most = sum;
          best = p.normal();
        }
      }
    }
    return best;
  }

  /** The extent of a body seen along a direction, m². */
  private static double outline(List<Polygon> faces, Vec3 across) {
    Vec3 side = Vec3.Z.cross(across);
    if (side.length() < 0.1) {
      return 0;
    }
    Vec3 u = side.unit();
    double[] r = {Double.MAX_VALUE, -Double.MAX_VALUE, Double.MAX_VALUE, -Double.MAX_VALUE};
    for (Polygon p : faces) {
      for (Vec3 v : p.outer()) {
        r[0] = Math.min(r[0], v.dot(u));
        r[1] = Math.max(r[1], v.dot(u));
        r[2] = Math.min(r[2], v.z());
        r[3] = Math.max(r[3], v.z());
      }
    }
    return (r[1] - r[0]) * (r[3] - r[2]);
  }

  /** The direction in which a window in an outer wall looks; null in all other cases. */
  private Vec3 outdoors(Box box, Vec3 across) {
    Vec3 middle = box.min().plus(box.max()).times(0.5);
    boolean before = near(middle, across);
    boolean behind = near(middle, across.negated());
    return before == behind ? null : before ? across.negated() : across;
  }

  private boolean near(Vec3 from, Vec3 direction) {
    for (double d : BEHIND) {
      if (inside(from.plus(direction.times(d)))) {
        return true;
      }
    }
    return false;
  }

  private void slab(Element e) {
    for (Polygon p : model.body(e).faces()) {
      if (p.area() > 0 && types.orientation(p.tilt()) == Orientation.UP) {
        slabs += p.area();
      }
    }
  }
}
