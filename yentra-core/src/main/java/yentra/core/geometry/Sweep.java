package yentra.core.geometry;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;

/**
 * Solids that a flat region makes when it moves: prisms, lofts between two outlines, turns about an
 * axis, pipes along a line. Faces point outwards. The region is a polygon with holes; its rings may
 * run either way.
 */
public final class Sweep {
  private Sweep() {}

  /** The region moved along {@code path}. */
  public static List<Polygon> prism(Polygon region, Vec3 path) {
    return loft(region, region.transformed(Transform.translation(path)));
  }

  /**
   * The solid between two regions whose rings have the same number of vertices in the same order.
   * Side faces that are not flat become two triangles.
   *
   * @throws IllegalArgumentException when the rings do not correspond
   */
  public static List<Polygon> loft(Polygon from, Polygon to) {
    List<Polygon> faces = new ArrayList<>();
    List<List<Vec3>> low = from.rings();
    List<List<Vec3>> high = to.rings();
    boolean rising = from.areaVector().dot(to.mean().minus(from.mean())) > 0;
    faces.add(rising ? from.reversed() : from);
    faces.add(rising ? to : to.reversed());
    sides(low, high, from, rising, faces);
    return faces;
  }

  /**
   * The region carried through a series of places, each given as a map from where it was drawn.
   *
   * @param places at least two; the first and last get an end face unless {@code closed}
   */
  public static List<Polygon> through(
      Polygon region, List<UnaryOperator<Vec3>> places, boolean closed) {
    List<Polygon> faces = new ArrayList<>();
    Polygon before = moved(region, places.get(0));
    Polygon first = before;
    boolean rising =
        before.areaVector().dot(moved(region, places.get(1)).mean().minus(before.mean())) > 0;
    for (UnaryOperator<Vec3> place : places.subList(1, places.size())) {
      Polygon now = moved(region, place);
      sides(before.rings(), now.rings(), before, rising, faces);
      before = now;
    }
    if (!closed) {
      faces.add(rising ? first.reversed() : first);
      faces.add(rising ? before : before.reversed());
    }
    return faces;
  }

  private static Polygon moved(Polygon p, UnaryOperator<Vec3> place) {
    return new Polygon(
        p.outer().stream().map(place).toList(),
        p.holes().stream().map(h -> h.stream().map(place).toList()).toList());
  }

  private static void sides(
      List<List<Vec3>> low,
      List<List<Vec3>> high,
      Polygon base,
      boolean rising,
      List<Polygon> faces) {
    if (low.size() != high.size()) {
      throw new IllegalArgumentException("the outlines have different numbers of holes");
    }
    Vec3 outward = Polygon.areaVector(base.outer());
    for (int r = 0; r < low.size(); r++) {
      List<Vec3> a = low.get(r);
      List<Vec3> b = high.get(r);
      if (a.size() != b.size()) {
        throw new IllegalArgumentException("the outlines have different numbers of corners");
      }
      boolean sameTurn = Polygon.areaVector(a).dot(outward) > 0;
      boolean flip = rising == (r > 0 ? sameTurn : !sameTurn);
      for (int k = 0; k < a.size(); k++) {
        int n = (k + 1) % a.size();
        side(a.get(k), a.get(n), b.get(n), b.get(k), flip, faces);
      }
    }
  }

  private static void side(Vec3 a, Vec3 b, Vec3 c, Vec3 d, boolean flip, List<Polygon> faces) {
    Vec3 n = b.minus(a).cross(d.minus(a));
    boolean flat =
        Math.abs(n.unit().dot(c.minus(a))) < 1e-6 * (1 + c.distance(a)) && n.length() > 1e-12;
    List<Polygon> parts =
        flat ? List.of(Polygon.of(a, b, c, d)) : List.of(Polygon.of(a, b, c), Polygon.of(a, c, d));
    for (Polygon p : parts) {
      if (p.area() > 1e-12) {
        faces.add(flip ? p.reversed() : p);
      }
    }
  }
}
