package yentra.core.geometry;

import java.util.Arrays;
import java.util.List;

/**
 * Faces as triangles with shared vertices, and the edges worth drawing: outlines, and folds sharper
 * than an angle. For drawing only.
 *
 * @param vertices x, y, z for each vertex, in metres
 * @param triangles three vertex numbers each
 * @param edges two vertex numbers each
 */
public record FaceMesh(double[] vertices, int[] triangles, int[] edges) {
  /**
   * Makes the mesh.
   *
   * @param fold the least angle between two faces whose common edge is drawn, in degrees
   */
  public static FaceMesh of(List<Polygon> faces, double fold) {
    return new Maker(faces, Math.cos(Math.toRadians(fold))).mesh();
  }

  /** Grows plain arrays; both tables are open-addressed and hold numbers from 1, 0 for none. */
  private static final class Maker {
    /** Vertices closer than this are one, in metres. */
    private static final double SAME = 1e-4;

    private static final byte ALONE = 0;
    private static final byte FLAT = 1;
    private static final byte DRAWN = 2;

    private final double flat;
    private double[] vertices;
    private long[] corners;
    private int points;
    private int[] pointTable;
    private int[] triangles;
    private int corner;
    private int[] ends;
    private Vec3[] normals;
    private byte[] states;
    private int sides;
    private int[] sideTable;

    Maker(List<Polygon> faces, double flat) {
      this.flat = flat;
      int n = 0;
      for (Polygon f : faces) {
        n += f.outer().size();
        for (List<Vec3> hole : f.holes()) {
          n += hole.size();
        }
      }
      int room = Math.max(8, n);
      vertices = new double[3 * room];
      corners = new long[3 * room];
      pointTable = new int[Integer.highestOneBit(room) * 4];
      triangles = new int[3 * room];
      ends = new int[2 * room];
      normals = new Vec3[room];
      states = new byte[room];
      sideTable = new int[Integer.highestOneBit(room) * 4];
      faces.forEach(this::face);
    }

    private void face(Polygon f) {
      if (Triangulation.isConvex(f)) {
        int[] ring = numbers(f.outer());
        for (int i = 1; i + 1 < ring.length; i++) {
          triangle(ring[0], ring[i], ring[i + 1]);
        }
        sides(ring, f.normal());
        return;
      }
      for (Vec3[] t : Triangulation.of(f)) {
        triangle(number(t[0]), number(t[1]), number(t[2]));
      }
      for (List<Vec3> ring : f.rings()) {
        sides(numbers(ring), f.normal());
      }
    }

    private int[] numbers(List<Vec3> ring) {
      int[] out = new int[ring.size()];
      for (int i = 0; i < out.length; i++) {
        out[i] = number(ring.get(i));
      }
      return out;
    }

    private void triangle(int a, int b, int c) {
      if (a == b || b == c || c == a) {
        return;
      }
      if (corner + 3 > triangles.length) {
        triangles = Arrays.copyOf(triangles, triangles.length * 2);
      }
      triangles[corner++] = a;
      triangles[corner++] = b;
      triangles[corner++] = c;
    }

    private void sides(int[] ring, Vec3 normal) {
      int before = ring.length == 0 ? 0 : ring[ring.length - 1];
      for (int at : ring) {
        if (at != before) {
          side(Math.min(at, before), Math.max(at, before), normal);
        }
        before = at;
      }
    }

    private int number(Vec3 p) {
      long x = Math.round(p.x() / SAME);
      long y = Math.round(p.y() / SAME);
      long z = Math.round(p.z() / SAME);
      int mask = pointTable.length - 1;
      int at = mix((x * 31 + y) * 31 + z) & mask;
      for (int k = pointTable[at] - 1; k >= 0; k = pointTable[at] - 1) {
        if (corners[3 * k] == x && corners[3 * k + 1] == y && corners[3 * k + 2] == z) {
          return k;
        }
        at = at + 1 & mask;
      }
      // triangulating may make points that no ring has
      if (3 * points == vertices.length) {
        vertices = Arrays.copyOf(vertices, 2 * vertices.length);
        corners = Arrays.copyOf(corners, 2 * corners.length);
        pointTable = new int[pointTable.length * 2];
        for (int k = 0; k < points; k++) {
          put(k);
        }
      }
      int k = points++;
      corners[3 * k] = x;
      corners[3 * k + 1] = y;
      corners[3 * k + 2] = z;
      vertices[3 * k] = p.x();
      vertices[3 * k + 1] = p.y();
      vertices[3 * k + 2] = p.z();
      put(k);
      return k;
    }

    private void put(int k) {
      int mask = pointTable.length - 1;
      int at = mix((corners[3 * k] * 31 + corners[3 * k + 1]) * 31 + corners[3 * k + 2]) & mask;
      while (pointTable[at] != 0) {
        at = at + 1 & mask;
      }
      pointTable[at] = k + 1;
    }

    /** Two faces that meet flatly share an edge that is not drawn; a third one draws it. */
    private void side(int a, int b, Vec3 normal) {
      int mask = sideTable.length - 1;
      int at = mix((long) a << 32 | b) & mask;
      for (int k = sideTable[at] - 1; k >= 0; k = sideTable[at] - 1) {
        if (ends[2 * k] == a && ends[2 * k + 1] == b) {
          boolean meetsFlatly = states[k] == ALONE && Math.abs(normals[k].dot(normal)) >= flat;
          states[k] = meetsFlatly ? FLAT : DRAWN;
          return;
        }
        at = at + 1 & mask;
      }
      ends[2 * sides] = a;
      ends[2 * sides + 1] = b;
      normals[sides] = normal;
      sideTable[at] = ++sides;
    }

    private static int mix(long key) {
      long h = key * 0x9E3779B97F4A7C15L;
      return (int) (h >>> 32 ^ h);
    }

    FaceMesh mesh() {
      int[] drawn = new int[2 * sides];
      int n = 0;
      for (int k = 0; k < sides; k++) {
        if (states[k] != FLAT) {
          drawn[n++] = ends[2 * k];
          drawn[n++] = ends[2 * k + 1];
        }
      }
      return new FaceMesh(
          Arrays.copyOf(vertices, 3 * points),
          Arrays.copyOf(triangles, corner),
          Arrays.copyOf(drawn, n));
    }
  }
}
