package yentra.core.thermal;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.operation.buffer.BufferOp;
import org.locationtech.jts.operation.buffer.BufferParameters;
import org.locationtech.jts.operation.overlayng.OverlayNGRobust;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Vec3;

/**
 * The floors of an envelope that lie on or over the ground, by their level, as ISO 13370:2017 asks
 * for them: area and perimeter of their common outline, the depth below the ground, the thickness
 * of the outer walls, their own resistance. The whole outline counts as exposed.
 */
public final class GroundContact {
  /** Floors within this of each other lie on one level, metres. */
  private static final double LEVEL = 0.25;

  /** A floor less deep than this is a slab on the ground, metres. */
  private static final double SHALLOW = 0.3;

  private static final double WALL = 0.3;

  /** Half the thickest wall between rooms, metres. */
  private static final double GAP = 0.15;

  private static final BufferParameters CORNERS =
      new BufferParameters(1, BufferParameters.CAP_FLAT, BufferParameters.JOIN_MITRE, 5);
  private static final GeometryFactory FACTORY = new GeometryFactory();

  /**
   * Floors of one level.
   *
   * @param depth below the ground, m
   * @param resistance mean of the floors, by area, m²K/W; empty where one is not known
   */
  public record Floor(double level, double depth, GroundFloor shape, OptionalDouble resistance) {
    /** Whether it lies at the level of the ground rather than in a basement. */
    public boolean isSlab() {
      return depth < SHALLOW;
    }
  }

  private final UValueBreakdown.Table table;
  private final HeatLossOptions options;
  private final List<Floor> floors = new ArrayList<>();
  private final List<Floor> raised = new ArrayList<>();
  private final List<String> assumptions = new ArrayList<>();
  private double ground = Double.NaN;

  private GroundContact(UValueBreakdown.Table table, HeatLossOptions options) {
    this.table = table;
    this.options = options;
  }

  /** Those that lie on the ground. */
  public List<Floor> floors() {
    return List.copyOf(floors);
  }

  public List<String> assumptions() {
    return List.copyOf(assumptions);
  }

  public static GroundContact of(Envelope e, UValueBreakdown.Table table, HeatLossOptions options) {
    GroundContact g = new GroundContact(table, options);
    Map<Double, List<Surface>> levels = new LinkedHashMap<>();
    Map<Double, List<Surface>> above = new LinkedHashMap<>();
    for (Surface s : e.surfaces()) {
      if (s.polygon().outer().size() < 3) {
        continue;
      }
      if (s.type().isGround()) {
        double top = s.polygon().box().max().z();
        g.ground = Double.isNaN(g.ground) ? top : Math.max(g.ground, top);
      }
      if (isFloor(s)) {
        byLevel(levels, s);
      } else if (options.suspended() != null && s.type() == SurfaceType.RAISED_FLOOR) {
        byLevel(above, s);
      }
    }
    if (levels.isEmpty() && above.isEmpty()) {
      return g;
    }
    double wall = wall(e, table, g.assumptions);
    levels.forEach((z, list) -> g.add(g.floors, z, Math.max(0, g.ground - z), list, wall));
    above.forEach((z, list) -> g.add(g.raised, z, 0, list, wall));
    g.assumptions.add("The whole outline of the floors on the ground counts as exposed.");
    return g;
  }

  private static boolean isFloor(Surface s) {
    return s.type() == SurfaceType.SLAB_ON_GRADE || s.type() == SurfaceType.UNDERGROUND_SLAB;
  }

  private static void byLevel(Map<Double, List<Surface>> levels, Surface s) {
    double z = s.polygon().mean().z();
    Double level =
        levels.keySet().stream().filter(l -> Math.abs(l - z) <= LEVEL).findFirst().orElse(z);
    levels.computeIfAbsent(level, k -> new ArrayList<>()).add(s);
  }

  private void add(List<Floor> to, double level, double depth, List<Surface> list, double wall) {
    Geometry outline = outline(list);
    if (outline.getArea() > 0) {
      GroundFloor shape =
          new GroundFloor(
              outline.getArea(), outline.getLength(), options.ground().conductivity(), wall);
      to.add(new Floor(level, depth, shape, mean(list)));
    }
  }

  /** Resistance of the mean conductance with air at the faces, so that bare floors count too. */
  private OptionalDouble mean(List<Surface> list) {
    double air = SurfaceResistances.ground(180).sum();
    double area = 0;
    double sum = 0;
    for (Surface s : list) {
      OptionalDouble r = resistance(s);
      if (r.isEmpty()) {
        return r;
      }
      area += s.netArea();
      sum += s.netArea() / (r.getAsDouble() + air);
    }
    return sum > 0 ? OptionalDouble.of(area / sum - air) : OptionalDouble.empty();
  }

  /** Of the component alone, m²K/W; by the same rule as everywhere: stated, else its layers. */
  public OptionalDouble resistance(Surface s) {
    double tilt = tilt(s);
    OptionalDouble u =
        table.uValue(s.construction(), new UValueBreakdown.Position(Exposure.GROUND, tilt));
    return u.isEmpty()
        ? u
        : OptionalDouble.of(
            Math.max(0, 1 / u.getAsDouble() - SurfaceResistances.ground(tilt).sum()));
  }

  /** By the type, whichever way the polygon is drawn. */
  private static double tilt(Surface s) {
    return switch (s.type()) {
      case UNDERGROUND_WALL -> 90;
      case UNDERGROUND_CEILING -> 0;
      default -> 180;
    };
  }

  private static Geometry outline(List<Surface> floors) {
    List<Geometry> parts = new ArrayList<>();
    for (Surface s : floors) {
      List<Coordinate> ring = new ArrayList<>();
      for (Vec3 v : s.polygon().outer()) {
        ring.add(new Coordinate(v.x(), v.y()));
      }
      ring.add(ring.get(0));
      Geometry p = FACTORY.createPolygon(ring.toArray(Coordinate[]::new));
      parts.add(p.isValid() ? p : p.buffer(0));
    }
    // walls between rooms leave gaps, which are no outer edges
    Geometry all = OverlayNGRobust.union(parts).norm();
    return BufferOp.bufferOp(BufferOp.bufferOp(all, GAP, CORNERS), -GAP, CORNERS);
  }

  /** Mean thickness of the walls to outdoor air, by area. */
  private static double wall(Envelope e, UValueBreakdown.Table table, List<String> assumptions) {
    double area = 0;
    double sum = 0;
    for (Surface s : e.surfaces()) {
      BuildUp b = s.type() == SurfaceType.EXTERIOR_WALL ? table.buildUp(s.construction()) : null;
      OptionalDouble t = b == null ? OptionalDouble.empty() : b.thickness();
      if (t.isPresent() && t.getAsDouble() > 0) {
        area += s.netArea();
        sum += s.netArea() * t.getAsDouble();
      }
    }
    if (area <= 0) {
      assumptions.add("The thickness of the outer walls is not known: 0.3 m is taken.");
      return WALL;
    }
    return sum / area;
  }

  /**
   * U with the ground of a surface, W/(m²K); empty when its resistance is not known. A stated
   * U-value of a construction counts as that of the construction alone.
   */
  public OptionalDouble uValue(Surface s) {
    OptionalDouble own = resistance(s);
    if (own.isEmpty()) {
      return own;
    }
    double r = own.getAsDouble();
    double conductivity = options.ground().conductivity();
    double bottom = s.polygon().box().min().z();
    if (s.type() == SurfaceType.UNDERGROUND_CEILING) {
      assume(
          "Earth on ceilings counts as a layer of the ground (heat flows straight up; not a case of ISO 13370).");
      double cover = Math.max(0, ground - s.polygon().mean().z()) / conductivity;
      return OptionalDouble.of(1 / (r + cover + SurfaceResistances.outdoor(0).sum()));
    }
    Floor f = floorOf(s, bottom);
    if (s.type() == SurfaceType.UNDERGROUND_WALL) {
      return OptionalDouble.of(wall(s, r, f));
    }
    if (f == null) {
      return OptionalDouble.empty();
    }
    if (!f.isSlab()) {
      return OptionalDouble.of(f.shape.basementFloor(r, f.depth));
    }
    return OptionalDouble.of(
        options.edge() == null
            ? f.shape.slab(r)
            : f.shape.slab(r, f.shape.edge(r, options.edge())));
  }

  private double wall(Surface s, double r, Floor f) {
    double own = s.polygon().box().max().z() - s.polygon().box().min().z();
    double depth = f == null || f.isSlab() ? own : f.depth;
    if (depth < SHALLOW) {
      return 1 / (r + SurfaceResistances.outdoor(90).sum());
    }
    if (f == null || f.resistance.isEmpty()) {
      assume(
          "Of walls in the ground whose floor has no known resistance, the floor is taken to resist as well as the walls.");
      return GroundFloor.wallAlone(options.ground().conductivity(), r, depth);
    }
    return f.shape.basementWall(f.resistance.getAsDouble(), r, depth);
  }

  private void assume(String what) {
    if (!assumptions.contains(what)) {
      assumptions.add(what);
    }
  }

  /**
   * How the loss of a surface follows the year outdoors.
   *
   * @param share of the steady U-value by which the loss follows the swing of the months
   * @param lag months by which it comes later
   */
  public record Swing(double share, double lag) {}

  /**
   * How far a surface's loss follows the months (ISO 13370:2017, annex on periodic transfer, slabs
   * and basements; from memory). Where nothing is known of its floor it follows the year's mean.
   */
  public Swing swing(Surface s) {
    OptionalDouble own = resistance(s);
    OptionalDouble u = uValue(s);
    Floor f = floorOf(s, s.polygon().box().min().z());
    boolean known = own.isPresent() && u.isPresent() && u.getAsDouble() > 0;
    if (!known || f == null || f.resistance.isEmpty()) {
      return new Swing(0, 0);
    }
    double depth = f.shape.penetration(options.ground().heatCapacity());
    double r = f.resistance.getAsDouble();
    double coefficient =
        s.type() == SurfaceType.UNDERGROUND_WALL
            ? f.shape.swingOfWalls(own.getAsDouble(), depth, f.depth) / Math.max(SHALLOW, f.depth)
            : f.shape.swingOutdoors(r, depth) * Math.exp(-f.depth / depth) / f.shape.area();
    return new Swing(Math.min(1, coefficient / u.getAsDouble()), f.shape.lag(r, depth));
  }

  /** The highest floor that is not above the surface's lower edge, else the nearest one. */
  private Floor floorOf(Surface s, double bottom) {
    Floor best = null;
    for (Floor f : floors) {
      boolean under = f.level <= bottom + LEVEL;
      boolean bestUnder = best != null && best.level <= bottom + LEVEL;
      boolean nearer = best == null || Math.abs(f.level - bottom) < Math.abs(best.level - bottom);
      if (under == bestUnder ? nearer : under) {
        best = f;
      }
    }
    return best;
  }

  /**
   * U of a raised floor with the ventilated space under it, W/(m²K); empty where there is none or
   * its own is not known.
   */
  OptionalDouble suspended(Surface s) {
    if (s.type() != SurfaceType.RAISED_FLOOR || raised.isEmpty()) {
      return OptionalDouble.empty();
    }
    OptionalDouble u =
        table.uValue(s.construction(), new UValueBreakdown.Position(Exposure.SPACE, 180));
    double z = s.polygon().mean().z();
    Floor best = raised.get(0);
    for (Floor f : raised) {
      best = Math.abs(f.level - z) < Math.abs(best.level - z) ? f : best;
    }
    GroundFloor shape = best.shape;
    return u.isEmpty()
        ? u
        : OptionalDouble.of(shape.suspended(u.getAsDouble(), options.suspended()));
  }
}
