package yentra.core.boundary;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Box;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;

/**
 * Terrain that stands above the ground at the building, as upright shading surfaces: of each of 16
 * directions, seen from the middle of the building at ground level, the point of the terrain that
 * stands highest above the horizon, as a screen over the width of that direction. The skyline in
 * sectors is how ISO 52016-1:2017, annex F describes distant objects (from memory); a screen has a
 * distance as well, so that the sun passes over it as it does over the hill.
 *
 * <p>Metres, model coordinates.
 */
public final class TerrainSkyline {
  private static final int SECTORS = 16;

  /** Terrain lower above the horizon is no obstacle, in degrees: common practice, no source. */
  private static final double LOWEST_ANGLE = 3;

  private static final double LOWEST_HEIGHT = 1;

  /** Edges of the terrain are looked at in steps of this length, in metres, but not more often. */
  private static final double STEP = 5;

  private static final int MOST_STEPS = 100;

  private TerrainSkyline() {}

  /**
   * @param terrain faces of the terrain
   * @param building box of all spaces; terrain within its circumscribed circle is left out
   * @param source of the terrain
   */
  public static List<Surface> of(List<Polygon> terrain, Box building, SourceRef source) {
    if (terrain.isEmpty() || building.isEmpty()) {
      return List.of();
    }
    Vec3 c = building.centre();
    double radius =
        Math.hypot(building.max().x() - building.min().x(), building.max().y() - building.min().y())
            / 2;
    double base = Ground.terrain(terrain, building.min().z()).at(c);
    Vec3[] top = new Vec3[SECTORS];
    double[] steepest = new double[SECTORS];
    for (Polygon p : terrain) {
      List<Vec3> ring = p.outer();
      for (int i = 0; i < ring.size(); i++) {
        Vec3 a = ring.get(i);
        Vec3 b = ring.get((i + 1) % ring.size());
        int n = (int) Math.min(MOST_STEPS, Math.ceil(a.distance(b) / STEP));
        for (int k = 0; k < n; k++) {
          Vec3 v = a.plus(b.minus(a).times((double) k / n));
          double d = Math.hypot(v.x() - c.x(), v.y() - c.y());
          double slope = (v.z() - base) / d;
          int s = sector(v, c);
          if (d > radius && slope > steepest[s]) {
            steepest[s] = slope;
            top[s] = v;
          }
        }
      }
    }
    List<Surface> out = new ArrayList<>();
    for (int s = 0; s < SECTORS; s++) {
      boolean high =
          top[s] != null
              && steepest[s] > Math.tan(Math.toRadians(LOWEST_ANGLE))
              && top[s].z() - base > LOWEST_HEIGHT;
      if (high) {
        out.add(
            Surface.of(
                    String.format(Locale.ROOT, "sh_terrain_%02d", s + 1),
                    SurfaceType.SHADE,
                    screen(
                        c, s, Math.hypot(top[s].x() - c.x(), top[s].y() - c.y()), base, top[s].z()),
                    BoundaryKind.DERIVED_2A)
                .with()
                .name("Terrain")
                .source(source)
                .element(source)
                .build());
      }
    }
    return out;
  }

  /** Sector 0 lies around +y, the others follow clockwise. */
  private static int sector(Vec3 v, Vec3 c) {
    double turn = Math.atan2(v.x() - c.x(), v.y() - c.y()) / (2 * Math.PI) * SECTORS;
    return Math.floorMod((int) Math.round(turn), SECTORS);
  }

  /** Faces the building. */
  private static Polygon screen(Vec3 c, int sector, double distance, double from, double to) {
    double turn = 2 * Math.PI * sector / SECTORS;
    double half = distance * Math.tan(Math.PI / SECTORS);
    double x = c.x() + distance * Math.sin(turn);
    double y = c.y() + distance * Math.cos(turn);
    double dx = half * Math.cos(turn);
    double dy = -half * Math.sin(turn);
    return Polygon.of(
        new Vec3(x - dx, y - dy, from),
        new Vec3(x + dx, y + dy, from),
        new Vec3(x + dx, y + dy, to),
        new Vec3(x - dx, y - dy, to));
  }
}
