package yentra.core.exchange.shape;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Triangulation;
import yentra.core.geometry.Vec3;

/**
 * Writes the faces of an envelope as glTF 2.0 binary (ISO/IEC 12113): metres, y up, x east of the
 * model, −z its y. The root node is moved to the envelope's place in the coordinates of the
 * delivered file, so that positions, which are single precision, stay small.
 *
 * <p>Under the root stands a node for each kind of face (what lies beyond, and type), under it one
 * for each face with its own mesh. Its extras hold {@code key}, {@code type}, {@code exposure},
 * {@code space}, {@code neighbour}, {@code area_m2}, {@code name}, of openings {@code parent}; keys
 * are the ids of the delivered file. Triangles are counter-clockwise seen from outside {@code
 * space}: those of all faces of a closed space are a closed body. Walls between spaces are there
 * twice, once for each. The same envelope gives the same bytes.
 */
public final class GltfWriter {
  private static final int MAGIC = 0x46546C67;
  private static final int JSON_CHUNK = 0x4E4F534A;
  private static final int BINARY_CHUNK = 0x004E4942;

  private final Envelope envelope;
  private final Vec3 origin;
  private final List<GltfScene.Mesh> meshes = new ArrayList<>();
  private final Map<String, List<Integer>> groups = new LinkedHashMap<>();
  private final Map<String, Integer> materials = new LinkedHashMap<>();
  private final ByteArrayOutputStream positions = new ByteArrayOutputStream(1 << 16);
  private final ByteArrayOutputStream indices = new ByteArrayOutputStream(1 << 16);
  private int empty;

  private GltfWriter(Envelope envelope) {
    this.envelope = envelope;
    this.origin = middle(envelope);
  }

  /**
   * Writes the file.
   *
   * @throws IOException when the stream fails
   */
  public static ShapesWritten write(CheckContext context, OutputStream out) throws IOException {
    GltfWriter w = new GltfWriter(context.envelope());
    Facets.each(context, w::drawn, w::face);
    w.file(out);
    return new ShapesWritten(w.meshes.size(), w.groups.size(), w.empty);
  }

  /** A whole-metre point amid the building. */
  private static Vec3 middle(Envelope e) {
    double[] min = {Double.MAX_VALUE, Double.MAX_VALUE, Double.MAX_VALUE};
    double[] max = {-Double.MAX_VALUE, -Double.MAX_VALUE, -Double.MAX_VALUE};
    for (Surface s : e.surfaces()) {
      for (Vec3 p : s.polygon().outer()) {
        double[] c = {p.x(), p.y(), p.z()};
        for (int i = 0; i < 3; i++) {
          min[i] = Math.min(min[i], c[i]);
          max[i] = Math.max(max[i], c[i]);
        }
      }
    }
    return min[0] > max[0]
        ? Vec3.ZERO
        : new Vec3(
            Math.rint((min[0] + max[0]) / 2),
            Math.rint((min[1] + max[1]) / 2),
            Math.rint((min[2] + max[2]) / 2));
  }

  /**
   * A face in triangles.
   *
   * @param corners x, y, z of the file's axes, one after the other
   * @param order three corners a triangle
   */
  private record Drawn(Facet facet, double area, float[] corners, int[] order) {}

  private Drawn drawn(Facet f) {
    List<Vec3[]> triangles = new ArrayList<>();
    f.parts().forEach(p -> triangles.addAll(Triangulation.of(p)));
    Map<Corner, Integer> corners = new LinkedHashMap<>();
    int[] order = new int[triangles.size() * 3];
    int n = 0;
    for (Vec3[] t : triangles) {
      for (Vec3 v : t) {
        Integer known = corners.putIfAbsent(new Corner(x(v), y(v), z(v)), corners.size());
        order[n++] = known == null ? corners.size() - 1 : known;
      }
    }
    float[] places = new float[corners.size() * 3];
    int i = 0;
    for (Corner c : corners.keySet()) {
      places[i++] = c.x;
      places[i++] = c.y;
      places[i++] = c.z;
    }
    return new Drawn(f.withoutParts(), f.area(), places, order);
  }

  private record Corner(float x, float y, float z) {}

  private void face(Drawn d) {
    if (d.order.length == 0) {
      empty++;
      return;
    }
    Facet f = d.facet;
    int[] order = d.order;
    float[] min = {Float.MAX_VALUE, Float.MAX_VALUE, Float.MAX_VALUE};
    float[] max = {-Float.MAX_VALUE, -Float.MAX_VALUE, -Float.MAX_VALUE};
    int vertexAt = positions.size();
    ByteBuffer b = little(d.corners.length * 4);
    for (int i = 0; i < d.corners.length; i++) {
      b.putFloat(d.corners[i]);
      min[i % 3] = Math.min(min[i % 3], d.corners[i]);
      max[i % 3] = Math.max(max[i % 3], d.corners[i]);
    }
    positions.writeBytes(b.array());
    GltfScene.Mesh made =
        new GltfScene.Mesh(
            f, d.area, d.corners.length / 3, order.length, vertexAt, indices.size(), min, max);
    // each run of indices begins at a multiple of four
    ByteBuffer run = little((order.length * (made.isSmall() ? 2 : 4) + 3) / 4 * 4);
    for (int i : order) {
      if (made.isSmall()) {
        run.putShort((short) i);
      } else {
        run.putInt(i);
      }
    }
    indices.writeBytes(run.array());
    groups.computeIfAbsent(GltfScene.kind(f), k -> new ArrayList<>()).add(meshes.size());
    materials.putIfAbsent(GltfScene.material(f), materials.size());
    meshes.add(made);
  }

  private static ByteBuffer little(int bytes) {
    return ByteBuffer.allocate(bytes).order(ByteOrder.LITTLE_ENDIAN);
  }

  /** The axes of glTF; adding zero turns −0 into 0. */
  private float x(Vec3 v) {
    return (float) (v.x() - origin.x()) + 0f;
  }

  private float y(Vec3 v) {
    return (float) (v.z() - origin.z()) + 0f;
  }

  private float z(Vec3 v) {
    return (float) (origin.y() - v.y()) + 0f;
  }

  private void file(OutputStream out) throws IOException {
    GltfScene scene =
        new GltfScene(
            envelope, origin, meshes, groups, materials, positions.size(), indices.size());
    // its length comes before it, and all of it may be longer than memory should hold
    Counted counted = new Counted();
    scene.json(counted);
    int padded = (counted.bytes + 3) / 4 * 4;
    int binary = positions.size() + indices.size();
    int all = 12 + 8 + padded + (binary == 0 ? 0 : 8 + binary);
    ByteBuffer head = little(20).putInt(MAGIC).putInt(2).putInt(all);
    out.write(head.putInt(padded).putInt(JSON_CHUNK).array());
    scene.json(out);
    for (int i = counted.bytes; i < padded; i++) {
      out.write(' ');
    }
    if (binary > 0) {
      out.write(little(8).putInt(binary).putInt(BINARY_CHUNK).array());
      positions.writeTo(out);
      indices.writeTo(out);
    }
  }

  private static final class Counted extends OutputStream {
    private int bytes;

    @Override
    public void write(int b) {
      bytes++;
    }

    @Override
    public void write(byte[] b, int from, int length) {
      bytes += length;
    }
  }
}
