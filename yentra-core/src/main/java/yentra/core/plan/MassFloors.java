package yentra.core.plan;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.locationtech.jts.algorithm.RayCrossingCounter;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.LinearRing;
import org.locationtech.jts.geom.Location;
import org.locationtech.jts.operation.polygonize.Polygonizer;
import org.locationtech.jts.simplify.TopologyPreservingSimplifier;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.RobustOverlay;
import yentra.core.geometry.Vec3;
import yentra.core.plan.PlanDocument.FloorPlan;
import yentra.core.plan.PlanDocument.Origin;
import yentra.core.plan.PlanDocument.Outline;
import yentra.core.plan.PlanDocument.Place;
import yentra.core.plan.PlanDocument.StoreyPlan;

/**
 * Floors of a building that is delivered as closed bodies without rooms: each storey is what the
 * bodies fill at half of its height. Metres, in the coordinates of the bodies.
 */
public final class MassFloors {
  private static final GeometryFactory FACTORY = new GeometryFactory();

  /** What is smaller is no floor, m². */
  private static final double SMALL = 1;

  /** Floors that differ by less have the same plan, m² for each m² of them. */
  private static final double SAME = 1e-4;

  /** The least that is left above the last full storey for it to be one more, in storeys. */
  private static final double REST = 0.5;

  private final List<List<Polygon>> bodies;
  private final double tolerance;

  private MassFloors(List<List<Polygon>> bodies, double tolerance) {
    this.bodies = bodies;
    this.tolerance = tolerance;
  }

  /**
   * A storey that bodies are cut into.
   *
   * @param level of its floor, m
   * @param height to the next, m
   */
  public record Level(String name, double level, double height) {}

  /**
   * Storeys of equal height from the lowest point of bodies to their highest; what is left above is
   * one more, where it is at least half as high, else the last one is higher.
   *
   * @param height m
   */
  public static List<Level> levels(List<List<Polygon>> bodies, double height) {
    double low = edge(bodies, false);
    double high = edge(bodies, true);
    int n = (int) Math.max(1, Math.floor((high - low) / height + REST));
    List<Level> out = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      double level = low + i * height;
      double top = i == n - 1 ? high : level + height;
      out.add(new Level(i == 0 ? "Ground" : "Storey " + (i + 1), level, top - level));
    }
    return out;
  }

  /**
   * Storeys at levels that a delivery states; the last reaches to the highest point.
   *
   * @param stated names and levels; those outside the bodies are left out
   */
  public static List<Level> levels(List<List<Polygon>> bodies, Map<String, Double> stated) {
    double low = edge(bodies, false);
    double high = edge(bodies, true);
    List<Map.Entry<String, Double>> in =
        stated.entrySet().stream()
            .filter(e -> e.getValue() < high - SMALL && e.getValue() > low - SMALL)
            .sorted(Map.Entry.comparingByValue())
            .toList();
    List<Level> out = new ArrayList<>();
    for (int i = 0; i < in.size(); i++) {
      double level = in.get(i).getValue();
      double top = i == in.size() - 1 ? high : in.get(i + 1).getValue();
      if (top - level > SMALL / 2) {
        out.add(new Level(in.get(i).getKey(), level, top - level));
      }
    }
    return out;
  }

  private static double edge(List<List<Polygon>> bodies, boolean highest) {
    return bodies.stream()
        .flatMap(Collection::stream)
        .flatMap(f -> f.outer().stream())
        .mapToDouble(Vec3::z)
        .reduce(highest ? Math::max : Math::min)
        .orElse(0);
  }

  /**
   * The plan document of bodies: storeys that nothing lies in are left out.
   *
   * @param bodies faces of each, which enclose it
   * @param tolerance corners nearer to a straight line are on it, m
   */
  public static PlanDocument of(
      String name, Place place, List<List<Polygon>> bodies, List<Level> levels, double tolerance) {
    MassFloors m = new MassFloors(bodies, tolerance);
    List<StoreyPlan> storeys = new ArrayList<>();
    List<FloorPlan> floors = new ArrayList<>();
    Map<Integer, Geometry> plans = new TreeMap<>();
    List<Level> sorted = levels.stream().sorted(Comparator.comparingDouble(Level::level)).toList();
    for (Level l : sorted) {
      Geometry plan = m.slice(l.level + l.height / 2);
      if (plan.getArea() < SMALL) {
        continue;
      }
      String id = "storey-" + (storeys.size() + 1);
      storeys.add(new StoreyPlan(new Origin(id, id, 0, 0), l.name, l.level, l.height));
      int last = floors.size() - 1;
      if (last >= 0 && same(plans.get(last), plan)) {
        FloorPlan f = floors.get(last);
        List<String> copies = new ArrayList<>(f.copies());
        copies.add(l.name);
        floors.set(
            last,
            new FloorPlan(
                f.origin(), f.storey(), f.outlines(), f.lines(), null, f.labels(), copies));
      } else {
        plans.put(floors.size(), plan);
        floors.add(floor(l.name, plan, floors.size() + 1));
      }
    }
    return new PlanDocument(
        name,
        place,
        sorted.isEmpty() ? null : (Double) sorted.get(0).level,
        PlanDocument.TOLERANCE,
        storeys,
        floors,
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of());
  }

  private static boolean same(Geometry a, Geometry b) {
    double different =
        RobustOverlay.difference(a, b).getArea() + RobustOverlay.difference(b, a).getArea();
    return different < SAME * a.getArea();
  }

  private static FloorPlan floor(String storey, Geometry plan, int number) {
    List<Outline> outlines = new ArrayList<>();
    for (int i = 0; i < plan.getNumGeometries(); i++) {
      if (plan.getGeometryN(i) instanceof org.locationtech.jts.geom.Polygon p
          && p.getArea() >= SMALL) {
        List<List<PlanPoint>> holes = new ArrayList<>();
        for (int h = 0; h < p.getNumInteriorRing(); h++) {
          holes.add(points(p.getInteriorRingN(h)));
        }
        String id = String.format(Locale.ROOT, "outline-%d-%d", number, outlines.size() + 1);
        outlines.add(new Outline(new Origin(id, id, 0, 0), points(p.getExteriorRing()), holes));
      }
    }
    String id = "floor-" + number;
    return new FloorPlan(
        new Origin(id, id, 0, 0), storey, outlines, List.of(), null, List.of(), List.of());
  }

  private static List<PlanPoint> points(LinearRing ring) {
    List<PlanPoint> out = new ArrayList<>();
    for (int i = 0; i + 1 < ring.getNumPoints(); i++) {
      out.add(PlanPoint.of(ring.getCoordinateN(i)));
    }
    return out;
  }

  /** What the bodies fill at a height. */
  private Geometry slice(double z) {
    List<Geometry> parts = new ArrayList<>();
    for (List<Polygon> faces : bodies) {
      parts.addAll(slice(faces, z));
    }
    if (parts.isEmpty()) {
      return FACTORY.createPolygon();
    }
    Geometry all = RobustOverlay.union(parts, Areas.GRID);
    return TopologyPreservingSimplifier.simplify(all, tolerance);
  }

  private static List<Geometry> slice(List<Polygon> faces, double z) {
    List<LineString> cuts = new ArrayList<>();
    faces.forEach(f -> cuts.addAll(cut(f, z)));
    if (cuts.isEmpty()) {
      return List.of();
    }
    Polygonizer p = new Polygonizer();
    p.add(RobustOverlay.union(cuts, Areas.GRID));
    List<Geometry> out = new ArrayList<>();
    for (Object o : p.getPolygons()) {
      Geometry g = (Geometry) o;
      if (isInside(Arrangement.inside(g), cuts)) {
        out.add(g);
      }
    }
    return out;
  }

  /** Where a face meets a level plane: pairs of crossings along the line of the two planes. */
  private static List<LineString> cut(Polygon f, double z) {
    List<Coordinate> crossings = new ArrayList<>();
    crossings(f.outer(), z, crossings);
    f.holes().forEach(h -> crossings(h, z, crossings));
    crossings.sort(
        Comparator.comparingDouble((Coordinate c) -> along(f, c))
            .thenComparingDouble(c -> c.x)
            .thenComparingDouble(c -> c.y));
    List<LineString> out = new ArrayList<>();
    for (int i = 0; i + 1 < crossings.size(); i += 2) {
      if (!crossings.get(i).equals2D(crossings.get(i + 1))) {
        out.add(
            FACTORY.createLineString(new Coordinate[] {crossings.get(i), crossings.get(i + 1)}));
      }
    }
    return out;
  }

  /** How far a point is along the level line in a face. */
  private static double along(Polygon f, Coordinate c) {
    Vec3 way = Vec3.Z.cross(f.normal());
    return way.x() * c.x + way.y() * c.y;
  }

  /** Edges from below to above or at the height, and back: so that a corner on it counts once. */
  private static void crossings(List<Vec3> ring, double z, List<Coordinate> out) {
    for (int i = 0; i < ring.size(); i++) {
      Vec3 a = ring.get(i);
      Vec3 b = ring.get((i + 1) % ring.size());
      if (a.z() < z != b.z() < z) {
        double t = (z - a.z()) / (b.z() - a.z());
        Coordinate c = new Coordinate(a.x() + t * (b.x() - a.x()), a.y() + t * (b.y() - a.y()));
        Areas.GRID.makePrecise(c);
        out.add(c);
      }
    }
  }

  private static boolean isInside(Coordinate c, List<LineString> cuts) {
    RayCrossingCounter ray = new RayCrossingCounter(c);
    for (LineString s : cuts) {
      ray.countSegment(s.getCoordinateN(0), s.getCoordinateN(1));
    }
    return ray.getLocation() != Location.EXTERIOR;
  }
}
