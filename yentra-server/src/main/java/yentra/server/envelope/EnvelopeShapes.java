package yentra.server.envelope;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Plane;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Triangulation;
import yentra.core.geometry.Vec3;

/**
 * Outlines and faces of all surfaces and openings for drawing, as one block of little-endian
 * numbers. The objects are in the model's order, each surface before its openings, openings without
 * a surface last. Faces leave out holes, and what lies behind or before their plane; all else that
 * is cut out of a surface is drawn over it.
 *
 * <pre>
 * int32   number of objects n, of rings r, of points p, of triangle corners t
 * n times int32: how many rings, points and triangle corners it has
 * r times int32: how many points it has; an object's points begin with those of its rings
 * t times int32: which of its object's points it is
 * 4 bytes of nothing where all before is no multiple of 8
 * p times float64 x, y, z in metres, to a tenth of a millimetre
 * </pre>
 */
final class EnvelopeShapes {
  /** An opening so near its surface's plane is seen over it, in metres. */
  private static final double IN_PLANE = 5e-4;

  private final List<Shape> shapes;

  private record Shape(int[] rings, int[] corners, double[] points) {
    static Shape of(Polygon outline, List<Polygon> faces) {
      Map<Vec3, Integer> known = new HashMap<>();
      List<Vec3> points = new ArrayList<>();
      List<List<Vec3>> rings = outline.rings();
      int[] counts = new int[rings.size()];
      for (int i = 0; i < counts.length; i++) {
        counts[i] = rings.get(i).size();
        for (Vec3 v : rings.get(i)) {
          Vec3 p = rounded(v);
          known.putIfAbsent(p, points.size());
          points.add(p);
        }
      }
      List<Integer> corners = new ArrayList<>();
      for (Polygon face : faces) {
        for (Vec3[] triangle : Triangulation.of(face)) {
          for (Vec3 v : triangle) {
            Vec3 p = rounded(v);
            Integer at = known.get(p);
            if (at == null) {
              at = points.size();
              known.put(p, at);
              points.add(p);
            }
            corners.add(at);
          }
        }
      }
      double[] flat = new double[3 * points.size()];
      for (int i = 0; i < points.size(); i++) {
        flat[3 * i] = points.get(i).x();
        flat[3 * i + 1] = points.get(i).y();
        flat[3 * i + 2] = points.get(i).z();
      }
      return new Shape(counts, corners.stream().mapToInt(Integer::intValue).toArray(), flat);
    }

    private static Vec3 rounded(Vec3 v) {
      return new Vec3(
          ModelViews.rounded(v.x()), ModelViews.rounded(v.y()), ModelViews.rounded(v.z()));
    }
  }

  private EnvelopeShapes(List<Shape> shapes) {
    this.shapes = shapes;
  }

  static EnvelopeShapes of(Envelope e) {
    List<Shape> ofSurfaces = e.surfaces().parallelStream().flatMap(EnvelopeShapes::shapes).toList();
    List<Shape> all = new ArrayList<>(ofSurfaces);
    e.orphans().forEach(o -> all.add(shape(o)));
    return new EnvelopeShapes(all);
  }

  private static Stream<Shape> shapes(Surface s) {
    return Stream.concat(
        Stream.of(Shape.of(s.polygon(), faces(s))),
        s.openings().stream().map(EnvelopeShapes::shape));
  }

  /** What of a surface is drawn as faces. */
  static List<Polygon> faces(Surface s) {
    Plane plane = s.polygon().plane();
    List<Opening> cut =
        s.openings().stream()
            .filter(
                o ->
                    o.type() == OpeningType.AIR
                        || o.polygon().outer().stream()
                            .anyMatch(v -> Math.abs(plane.distance(v)) > IN_PLANE))
            .toList();
    return s.withOpenings(cut).withoutOpenings();
  }

  private static Shape shape(Opening o) {
    return Shape.of(o.polygon(), List.of(o.polygon()));
  }

  void write(OutputStream out) throws IOException {
    int rings = 0;
    int points = 0;
    int corners = 0;
    for (Shape s : shapes) {
      rings += s.rings.length;
      points += s.points.length / 3;
      corners += s.corners.length;
    }
    int words = 4 + 3 * shapes.size() + rings + corners;
    ByteBuffer head = buffer(4 * (words + words % 2));
    head.putInt(shapes.size()).putInt(rings).putInt(points).putInt(corners);
    shapes.forEach(
        s -> head.putInt(s.rings.length).putInt(s.points.length / 3).putInt(s.corners.length));
    for (Shape s : shapes) {
      for (int n : s.rings) {
        head.putInt(n);
      }
    }
    for (Shape s : shapes) {
      for (int n : s.corners) {
        head.putInt(n);
      }
    }
    out.write(head.array());
    for (Shape s : shapes) {
      ByteBuffer b = buffer(8 * s.points.length);
      b.asDoubleBuffer().put(s.points);
      out.write(b.array());
    }
  }

  private static ByteBuffer buffer(int size) {
    return ByteBuffer.allocate(size).order(ByteOrder.LITTLE_ENDIAN);
  }
}
