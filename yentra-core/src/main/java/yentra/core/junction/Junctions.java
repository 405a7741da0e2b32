package yentra.core.junction;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Side;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;
import yentra.core.thermal.BuildUp;

/**
 * Finds the linear thermal bridges of an envelope: where two outer surfaces of a space share an
 * edge at an angle, where a surface between two spaces runs into an outer one, and around openings.
 * Balconies and pillars cannot be told from an envelope; walls in the ground count as part of it
 * (ISO 13370).
 */
public final class Junctions {
  /** Faces that turn less than this from each other are one, cos 10°. */
  private static final double FLAT = Math.cos(Math.toRadians(10));

  private final Envelope envelope;
  private final Function<Surface, Polygon> outward;
  private final PsiValues values;
  private final Tolerance tolerance;
  private final Map<String, BuildUp> buildUps;
  private final Map<String, List<Surface>> outer = new HashMap<>();
  private final List<Junction> found = new ArrayList<>();

  private Junctions(
      Envelope envelope,
      Function<Surface, Polygon> outward,
      PsiValues values,
      Tolerance tolerance) {
    this.envelope = envelope;
    this.outward = outward;
    this.values = values;
    this.tolerance = tolerance;
    this.buildUps = BuildUp.all(envelope);
    for (Surface s : envelope.surfaces()) {
      boolean out = s.exposure() == Exposure.OUTDOOR || s.type() == SurfaceType.SLAB_ON_GRADE;
      if (out && !s.sides().isEmpty() && s.polygon().area() > 0) {
        outer.computeIfAbsent(s.sides().get(0).space(), k -> new ArrayList<>()).add(s);
      }
    }
  }

  /**
   * Finds them, in the order of the envelope's surfaces.
   *
   * @param outward a surface's face turned out of its first space
   */
  public static List<Junction> of(
      Envelope envelope,
      Function<Surface, Polygon> outward,
      PsiValues values,
      Tolerance tolerance) {
    Junctions j = new Junctions(envelope, outward, values, tolerance);
    envelope.spaces().forEach(s -> j.corners(s.key()));
    for (Surface s : envelope.surfaces()) {
      if (s.exposure() == Exposure.SPACE && !s.isWithinOneSpace()) {
        j.between(s);
      }
      if (s.exposure() == Exposure.OUTDOOR && !s.sides().isEmpty()) {
        s.openings().forEach(o -> j.edges(s, o));
      }
    }
    return List.copyOf(j.found);
  }

  /** Sums by type, in the order of the types. */
  public record Total(double length, double heatLoss) {}

  public static Map<JunctionType, Total> totals(List<Junction> list) {
    Map<JunctionType, Total> out = new LinkedHashMap<>();
    for (JunctionType t : JunctionType.values()) {
      double length = 0;
      double loss = 0;
      boolean any = false;
      for (Junction j : list) {
        if (j.type() == t) {
          length += j.length();
          loss += j.heatLoss();
          any = true;
        }
      }
      if (any) {
        out.put(t, new Total(length, loss));
      }
    }
    return out;
  }

  private PsiValues.Insulation insulation(Surface s) {
    return PsiValues.insulation(s.construction() == null ? null : buildUps.get(s.construction()));
  }

  private static boolean isWall(Surface s) {
    return s.type() == SurfaceType.EXTERIOR_WALL;
  }

  private static boolean isFloorOutdoors(Surface s) {
    return s.type() == SurfaceType.EXPOSED_FLOOR || s.type() == SurfaceType.RAISED_FLOOR;
  }

  private void corners(String space) {
    List<Surface> own = outer.getOrDefault(space, List.of());
    for (int i = 0; i < own.size(); i++) {
      for (int k = i + 1; k < own.size(); k++) {
        Surface a = isWall(own.get(i)) ? own.get(i) : own.get(k);
        Surface b = a == own.get(i) ? own.get(k) : own.get(i);
        JunctionType type = isWall(a) ? corner(a, b) : null;
        if (type != null) {
          add(
              type,
              a,
              b.key(),
              List.of(space),
              EdgeRuns.of(outward.apply(a), outward.apply(b), tolerance));
        }
      }
    }
  }

  private JunctionType corner(Surface wall, Surface other) {
    Polygon p = outward.apply(wall);
    Polygon q = outward.apply(other);
    if (p.normal().dot(q.normal()) > FLAT) {
      return null;
    }
    if (other.type() == SurfaceType.SLAB_ON_GRADE) {
      return JunctionType.GF;
    }
    if (other.type() == SurfaceType.ROOF || isFloorOutdoors(other)) {
      return JunctionType.R;
    }
    if (!isWall(other)) {
      return null;
    }
    return isConvex(p, q) ? JunctionType.C : JunctionType.IC;
  }

  /** Whether the building fills less than half of the space around the edge of two faces. */
  private static boolean isConvex(Polygon a, Polygon b) {
    Vec3 to = b.mean().minus(a.mean());
    return a.normal().dot(to) < 0;
  }

  /** A surface between two spaces that runs into outer ones of theirs; each stretch counts once. */
  private void between(Surface s) {
    boolean floor = s.type() == SurfaceType.INTERIOR_FLOOR || s.type() == SurfaceType.CEILING;
    JunctionType type = floor ? JunctionType.IF : JunctionType.IW;
    Map<Integer, List<Vec3>> runs = new HashMap<>();
    Map<Integer, Surface> into = new HashMap<>();
    for (int i = 0; i < Math.min(2, s.sides().size()); i++) {
      List<Vec3> lines = new ArrayList<>();
      for (Surface o : outer.getOrDefault(s.sides().get(i).space(), List.of())) {
        boolean meets = isWall(o) || !floor && o.type() == SurfaceType.ROOF;
        List<Vec3> run = meets ? EdgeRuns.of(s.face(i), outward.apply(o), tolerance) : List.of();
        if (!run.isEmpty()) {
          lines.addAll(run);
          into.putIfAbsent(i, o);
        }
      }
      runs.put(i, lines);
    }
    double first = EdgeRuns.length(runs.getOrDefault(0, List.of()));
    double second = EdgeRuns.length(runs.getOrDefault(1, List.of()));
    if (first <= 0 && second <= 0) {
      return;
    }
    int longer = first >= second ? 0 : 1;
    List<String> spaces = new ArrayList<>();
    for (int i = 0; i < 2 && i < s.sides().size(); i++) {
      Side side = s.sides().get(i);
      if (into.containsKey(i)) {
        spaces.add(side.space());
      }
    }
    add(type, into.get(longer), s.key(), spaces, runs.get(longer));
  }

  private void edges(Surface s, Opening o) {
    List<Vec3> ring = o.polygon().outer();
    List<Vec3> lines = new ArrayList<>();
    for (int i = 0; i < ring.size(); i++) {
      lines.add(ring.get(i));
      lines.add(ring.get((i + 1) % ring.size()));
    }
    add(JunctionType.W, s, o.key(), List.of(s.sides().get(0).space()), lines);
  }

  private void add(
      JunctionType type, Surface wall, String other, List<String> spaces, List<Vec3> lines) {
    double length = EdgeRuns.length(lines);
    if (length <= tolerance.gap()) {
      return;
    }
    found.add(
        new Junction(
            type,
            length,
            values.psi(type, insulation(wall)),
            values.isStated(type),
            List.of(wall.key(), other),
            spaces,
            lines));
  }

  /**
   * How an envelope is measured, where nobody says it: rooms that touch in the middle of what lies
   * between them are drawn overall, those that do not by their inner faces.
   */
  public static PsiValues.Dimensions dimensions(Envelope e) {
    for (Surface s : e.surfaces()) {
      boolean two = s.exposure() == Exposure.SPACE && s.sides().size() == 2;
      if (two && s.sides().get(1).face() != null) {
        return PsiValues.Dimensions.INTERNAL;
      }
    }
    return PsiValues.Dimensions.OVERALL_INTERNAL;
  }
}
