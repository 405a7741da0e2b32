package yentra.core.boundary;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Side;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Shell;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/**
 * The volumes of all spaces of an envelope, and which way its surfaces face. Measured in parallel,
 * in the envelope's order.
 */
public final class SpaceVolumes {
  private final Map<String, SpaceVolume> volumes = new LinkedHashMap<>();
  private final Map<String, List<Surface>> surfaces = new HashMap<>();
  private final Tolerance tolerance;

  private SpaceVolumes(Tolerance tolerance) {
    this.tolerance = tolerance;
  }

  public static SpaceVolumes of(Envelope envelope, Tolerance tolerance) {
    SpaceVolumes all = new SpaceVolumes(tolerance);
    for (Surface s : envelope.surfaces()) {
      s.sides().stream()
          .limit(2)
          .map(Side::space)
          .distinct()
          .forEach(space -> all.surfaces.computeIfAbsent(space, k -> new ArrayList<>()).add(s));
    }
    envelope.spaces().parallelStream()
        .map(space -> SpaceVolume.measure(space, all.bounding(space), tolerance))
        .toList()
        .forEach(v -> all.volumes.put(v.space().key(), v));
    return all;
  }

  private List<Surface> bounding(Space space) {
    return surfacesOf(space.key()).stream()
        .filter(s -> !s.isWithinOneSpace() && !s.type().isShading())
        .toList();
  }

  /** All surfaces that name the space as a neighbour, in the envelope's order. */
  public List<Surface> surfacesOf(String space) {
    return surfaces.getOrDefault(space, List.of());
  }

  /** The volume of a space, or null when the envelope has no such space. */
  public SpaceVolume of(String space) {
    return volumes.get(space);
  }

  public Iterable<SpaceVolume> all() {
    return volumes.values();
  }

  /**
   * Which way a surface's polygon points, seen from its first space: +1 out of it, −1 into it, 0
   * when that cannot be told (no first space, no area, or not near that space's boundary). The
   * polygon may lie in the middle of a wall, so places up to 0.3 m before and behind are looked at.
   */
  public int direction(Surface s) {
    if (s.sides().isEmpty() || s.isWithinOneSpace() || s.polygon().normal().equals(Vec3.ZERO)) {
      return 0;
    }
    SpaceVolume v = volumes.get(s.sides().get(0).space());
    if (v == null || v.faces().faces().isEmpty()) {
      return 0;
    }
    Shell shell = v.faces();
    for (double step : new double[] {tolerance.gap(), 0.1, 0.3}) {
      int d = shell.direction(s.polygon(), step);
      if (d != 0) {
        return d;
      }
    }
    return 0;
  }
}
