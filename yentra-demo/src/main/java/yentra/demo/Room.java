package yentra.demo;

import java.util.ArrayList;
import java.util.List;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;

/**
 * A room of the scene: a closed volume with outward faces.
 *
 * @param zone key of its zone
 * @param use gbXML space type
 */
record Room(
    String key,
    String name,
    String storey,
    String zone,
    String use,
    String condition,
    List<Polygon> faces) {
  /** A box room. */
  static Room box(
      String key,
      String name,
      String storey,
      String zone,
      String use,
      String condition,
      double x0,
      double x1,
      double y0,
      double y1,
      double z0,
      double z1) {
    List<Vec3> base =
        List.of(
            new Vec3(x0, y0, z0), new Vec3(x1, y0, z0), new Vec3(x1, y1, z0), new Vec3(x0, y1, z0));
    return new Room(key, name, storey, zone, use, condition, prism(base, new Vec3(0, 0, z1 - z0)));
  }

  /** A room of constant section in the y–z plane, swept along x. */
  static Room section(
      String key,
      String name,
      String storey,
      String zone,
      String use,
      String condition,
      double x0,
      double x1,
      double[][] yz) {
    List<Vec3> base = new ArrayList<>();
    for (double[] p : yz) {
      base.add(new Vec3(x0, p[0], p[1]));
    }
    return new Room(key, name, storey, zone, use, condition, prism(base, new Vec3(x1 - x0, 0, 0)));
  }

  /** Outward faces of a base polygon swept along a vector on the side its normal points to. */
  static List<Polygon> prism(List<Vec3> base, Vec3 sweep) {
    Polygon bottom = Polygon.of(base);
    Polygon up = bottom.areaVector().dot(sweep) > 0 ? bottom : bottom.reversed();
    List<Polygon> faces = new ArrayList<>();
    faces.add(up.reversed());
    faces.add(up.transformed(Transform.translation(sweep)));
    List<Vec3> ring = up.outer();
    for (int i = 0; i < ring.size(); i++) {
      Vec3 a = ring.get(i);
      Vec3 b = ring.get((i + 1) % ring.size());
      faces.add(Polygon.of(a, b, b.plus(sweep), a.plus(sweep)));
    }
    return faces;
  }
}
