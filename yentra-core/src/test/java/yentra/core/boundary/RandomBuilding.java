package yentra.core.boundary;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import yentra.core.envelope.SourceRef;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;

/**
 * A building of boxes: storeys with different plans, walls and slabs of random thickness, a window
 * in each outer wall, a door in each partition, some partitions left out so that rooms touch.
 */
final class RandomBuilding {
  final List<Room> rooms = new ArrayList<>();
  final List<Barrier> barriers = new ArrayList<>();
  final List<Cut> cuts = new ArrayList<>();

  /** Volume within the outer faces, in m³. */
  double gross;

  /** Area of all windows and doors, in m². */
  double openings;

  private final Random random;
  private final Transform place;
  private final double scale;

  /**
   * @param place where it stands and how it is turned
   * @param scale how large, to tell that nothing depends on the unit
   */
  RandomBuilding(long seed, Transform place, double scale) {
    this.random = new Random(seed);
    this.place = place;
    this.scale = scale;
    double outer = 0.2 + random.nextInt(3) * 0.1;
    double slab = 0.2 + random.nextInt(3) * 0.07;
    double width = 8 + random.nextInt(6);
    double depth = 6 + random.nextInt(5);
    int storeys = 1 + random.nextInt(3);
    double z = 0;
    box("slab-0", -outer, -outer, z - slab, width + outer, depth + outer, z);
    for (int s = 0; s < storeys; s++) {
      double top = z + 2.4 + random.nextInt(4) * 0.2;
      storey(s, outer, width, depth, z, top);
      box("slab-" + (s + 1), -outer, -outer, top, width + outer, depth + outer, top + slab);
      z = top + slab;
    }
    gross = (width + 2 * outer) * (depth + 2 * outer) * (z + slab) * scale * scale * scale;
  }

  private void storey(int s, double outer, double w, double d, double z, double top) {
    String n = "wall-" + s + "-";
    box(n + "south", -outer, -outer, z, w + outer, 0, top);
    box(n + "north", -outer, d, z, w + outer, d + outer, top);
    box(n + "west", -outer, 0, z, 0, d, top);
    box(n + "east", w, 0, z, w + outer, d, top);
    // two rows of rooms along a wall in the middle, each cut on its own
    double middle = Math.round(d * (0.35 + 0.3 * random.nextDouble()) * 100) / 100.0;
    double t = 0.1 + random.nextInt(3) * 0.05;
    box(n + "middle", 0, middle, z, w, middle + t, top);
    row(s, "a", 0, middle, w, z, top, n + "south", -outer);
    row(s, "b", middle + t, d, w, z, top, n + "north", outer);
  }

  private void row(
      int s,
      String row,
      double y0,
      double y1,
      double w,
      double z,
      double top,
      String wall,
      double out) {
    int n = 1 + random.nextInt(3);
    double x = 0;
    for (int i = 0; i < n; i++) {
      double end = i == n - 1 ? w : x + (w - x) * (0.3 + 0.3 * random.nextDouble());
      boolean open = random.nextInt(4) == 0;
      double t = open ? 0 : 0.08 + random.nextInt(3) * 0.06;
      rooms.add(new Room("room-" + s + row + i, SourceRef.REPAIR, cuboid(x, y0, z, end, y1, top)));
      double face = out < 0 ? y0 : y1;
      double a = x + 0.4;
      cut(
          wall,
          "window-" + s + row + i,
          a,
          face + Math.min(0, out),
          a + 0.8,
          face + Math.max(0, out),
          z + 0.9,
          1.2,
          DeliveredBoundary.Role.WINDOW);
      if (i < n - 1) {
        if (!open) {
          String p = "partition-" + s + row + i;
          box(p, end, y0, z, end + t, y1, top);
          cut(
              p,
              "door-" + s + row + i,
              end,
              y0 + 0.5,
              end + t,
              y0 + 1.3,
              z,
              2,
              DeliveredBoundary.Role.DOOR);
          // seen from both rooms, but one opening
        }
        x = end + t;
      }
    }
  }

  private void cut(
      String host,
      String name,
      double x0,
      double y0,
      double x1,
      double y1,
      double z,
      double height,
      DeliveredBoundary.Role role) {
    boolean alongX = x1 - x0 > y1 - y0 || role == DeliveredBoundary.Role.WINDOW;
    openings += (alongX ? x1 - x0 : y1 - y0) * height * scale * scale;
    cuts.add(
        new Cut(
            host,
            name,
            new SourceRef("IfcOpening", name, name, 0, 0),
            role,
            alongX
                ? cuboid(x0, y0 - 0.05, z, x1, y1 + 0.05, z + height)
                : cuboid(x0 - 0.05, y0, z, x1 + 0.05, y1, z + height)));
  }

  private void box(String key, double x0, double y0, double z0, double x1, double y1, double z1) {
    barriers.add(
        new Barrier(
            key,
            new SourceRef("IfcWall", key, key, 0, 0),
            Barrier.Rank.SEPARATING,
            cuboid(x0, y0, z0, x1, y1, z1)));
  }

  private List<Polygon> cuboid(double x0, double y0, double z0, double x1, double y1, double z1) {
    Vec3[] p = new Vec3[8];
    for (int i = 0; i < 8; i++) {
      p[i] =
          place.apply(
              new Vec3((i & 1) == 0 ? x0 : x1, (i & 2) == 0 ? y0 : y1, (i & 4) == 0 ? z0 : z1)
                  .times(scale));
    }
    return List.of(
        Polygon.of(p[0], p[2], p[3], p[1]),
        Polygon.of(p[4], p[5], p[7], p[6]),
        Polygon.of(p[0], p[1], p[5], p[4]),
        Polygon.of(p[2], p[6], p[7], p[3]),
        Polygon.of(p[0], p[4], p[6], p[2]),
        Polygon.of(p[1], p[3], p[7], p[5]));
  }

  /** The same building with its lists in another order. */
  RandomBuilding shuffled(long seed) {
    Random r = new Random(seed);
    Collections.shuffle(rooms, r);
    Collections.shuffle(barriers, r);
    Collections.shuffle(cuts, r);
    return this;
  }
}
