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
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Vec3;

/**
 * The floors of an envelope that lie on the ground, by their level, as ISO 13370:2017 asks for
 * them: area and perimeter of their common outline, the depth below the ground, the thickness of
 * the outer walls. The whole outline counts as exposed.
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
   */
  public record Floor(double level, double depth, GroundFloor shape) {
    /** U with the ground, W/(m²K), of a floor of a resistance in m²K/W. */
    public double uValue(double resistance) {
      return depth < SHALLOW ? shape.slab(resistance) : shape.basementFloor(resistance, depth);
    }
  }

  private final List<Floor> floors = new ArrayList<>();
  private final List<String> assumptions = new ArrayList<>();

  private GroundContact() {}

  public List<Floor> floors() {
    return List.copyOf(floors);
  }

  public List<String> assumptions() {
    return List.copyOf(assumptions);
  }

  /**
   * @param conductivity of the ground, W/(mK)
   */
  public static GroundContact of(Envelope e, double conductivity) {
    GroundContact g = new GroundContact();
    Map<Double, List<Surface>> levels = new LinkedHashMap<>();
    double ground = Double.NaN;
    for (Surface s : e.surfaces()) {
      if (!s.type().isGround() || s.polygon().outer().size() < 3) {
        continue;
      }
      double top = s.polygon().box().max().z();
      ground = Double.isNaN(ground) ? top : Math.max(ground, top);
      if (s.type() != SurfaceType.UNDERGROUND_WALL && isFlat(s)) {
        double z = s.polygon().mean().z();
        Double level =
            levels.keySet().stream().filter(l -> Math.abs(l - z) <= LEVEL).findFirst().orElse(z);
        levels.computeIfAbsent(level, k -> new ArrayList<>()).add(s);
      }
    }
    double wall = wall(e, g.assumptions);
    for (Map.Entry<Double, List<Surface>> l : levels.entrySet()) {
      Geometry outline = outline(l.getValue());
      if (outline.getArea() > 0) {
        g.floors.add(
            new Floor(
                l.getKey(),
                Math.max(0, ground - l.getKey()),
                new GroundFloor(outline.getArea(), outline.getLength(), conductivity, wall)));
      }
    }
    if (!g.floors.isEmpty()) {
      g.assumptions.add("The whole outline of the floors on the ground counts as exposed.");
    }
    return g;
  }

  private static boolean isFlat(Surface s) {
    double tilt = s.polygon().tilt();
    return tilt < 10 || tilt > 170;
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
    Geometry all = OverlayNGRobust.union(parts);
    return BufferOp.bufferOp(BufferOp.bufferOp(all, GAP, CORNERS), -GAP, CORNERS);
  }

  /** Mean thickness of the walls to outdoor air, by area. */
  private static double wall(Envelope e, List<String> assumptions) {
    Map<String, BuildUp> buildUps = BuildUp.all(e);
    double area = 0;
    double sum = 0;
    for (Surface s : e.surfaces()) {
      BuildUp b = s.type() == SurfaceType.EXTERIOR_WALL ? buildUps.get(s.construction()) : null;
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
  public OptionalDouble uValue(Surface s, Construction c, BuildUp b) {
    OptionalDouble r = b == null ? OptionalDouble.empty() : b.resistance();
    if (r.isEmpty() && c != null && c.uValue() != null) {
      r = OptionalDouble.of(Math.max(0, 1 / c.uValue() - SurfaceResistances.ground(0).sum()));
    }
    if (r.isEmpty() || floors.isEmpty()) {
      return OptionalDouble.empty();
    }
    double z = s.polygon().box().min().z();
    Floor nearest = floors.get(0);
    for (Floor f : floors) {
      nearest = Math.abs(f.level - z) < Math.abs(nearest.level - z) ? f : nearest;
    }
    if (s.type() == SurfaceType.UNDERGROUND_WALL) {
      double depth = s.polygon().box().max().z() - z;
      return depth < SHALLOW
          ? OptionalDouble.of(1 / (r.getAsDouble() + SurfaceResistances.ground(90).sum()))
          : OptionalDouble.of(nearest.shape.basementWall(0, r.getAsDouble(), depth));
    }
    return OptionalDouble.of(nearest.uValue(r.getAsDouble()));
  }
}
