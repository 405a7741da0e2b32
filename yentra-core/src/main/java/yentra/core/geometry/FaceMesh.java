package yentra.core.geometry;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Faces as triangles with shared vertices, and the edges worth drawing: outlines, and folds sharper
 * than an angle. For drawing only.
 *
 * @param vertices x, y, z for each vertex, in metres
 * @param triangles three vertex numbers each
 * @param edges two vertex numbers each
 */
public record FaceMesh(double[] vertices, int[] triangles, int[] edges) {
  /** Vertices closer than this are one, in metres. */
  private static final double SAME = 1e-4;

  private record Corner(long x, long y, long z) {}

  /**
   * Makes the mesh.
   *
   * @param fold the least angle between two faces whose common edge is drawn, in degrees
   */
  public static FaceMesh of(List<Polygon> faces, double fold) {
    Map<Corner, Integer> numbers = new HashMap<>();
    List<Vec3> points = new ArrayList<>();
    List<Integer> triangles = new ArrayList<>();
    Map<Long, List<Vec3>> sides = new java.util.LinkedHashMap<>();
    for (Polygon f : faces) {
      for (Vec3[] t : Triangulation.of(f)) {
        int a = number(t[0], numbers, points);
        int b = number(t[1], numbers, points);
        int c = number(t[2], numbers, points);
        if (a != b && b != c && c != a) {
          triangles.addAll(List.of(a, b, c));
        }
      }
      for (List<Vec3> ring : f.rings()) {
        for (int i = 0; i < ring.size(); i++) {
          int a = number(ring.get(i), numbers, points);
          int b = number(ring.get((i + 1) % ring.size()), numbers, points);
          if (a != b) {
            long key = ((long) Math.min(a, b) << 32) | Math.max(a, b);
            sides.computeIfAbsent(key, k -> new ArrayList<>(2)).add(f.normal());
          }
        }
      }
    }
    double flat = Math.cos(Math.toRadians(fold));
    int[] edges =
        sides.entrySet().stream()
            .filter(e -> isDrawn(e.getValue(), flat))
            .flatMapToInt(
                e -> java.util.stream.IntStream.of((int) (e.getKey() >> 32), e.getKey().intValue()))
            .toArray();
    double[] vertices = points.stream().flatMapToDouble(FaceMesh::coordinates).toArray();
    return new FaceMesh(vertices, triangles.stream().mapToInt(i -> i).toArray(), edges);
  }

  private static boolean isDrawn(List<Vec3> normals, double flat) {
    return normals.size() != 2 || Math.abs(normals.get(0).dot(normals.get(1))) < flat;
  }

  private static java.util.stream.DoubleStream coordinates(Vec3 p) {
    return java.util.stream.DoubleStream.of(p.x(), p.y(), p.z());
  }

  private static int number(Vec3 p, Map<Corner, Integer> numbers, List<Vec3> points) {
    Corner c =
        new Corner(Math.round(p.x() / SAME), Math.round(p.y() / SAME), Math.round(p.z() / SAME));
    Integer known = numbers.get(c);
    if (known != null) {
      return known;
    }
    numbers.put(c, points.size());
    points.add(p);
    return points.size() - 1;
  }
}
