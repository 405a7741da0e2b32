package yentra.core.exchange.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A small reader of glTF 2.0 binary, written from the standard and from nothing of ours. */
public final class PlainGltf {
  private final JsonNode json;
  private final ByteBuffer buffer;

  /** A face: what its node says, and its triangles with y up, m from the root. */
  public record Face(
      String name, String kind, Map<String, String> extras, List<double[][]> triangles) {
    public double area() {
      return triangles.stream().mapToDouble(t -> length(cross(t)) / 2).sum();
    }
  }

  private PlainGltf(JsonNode json, ByteBuffer buffer) {
    this.json = json;
    this.buffer = buffer;
  }

  public static PlainGltf of(byte[] file) {
    ByteBuffer b = ByteBuffer.wrap(file).order(ByteOrder.LITTLE_ENDIAN);
    assertThat(b.getInt()).isEqualTo(0x46546C67);
    assertThat(b.getInt()).isEqualTo(2);
    assertThat(b.getInt()).isEqualTo(file.length);
    int length = b.getInt();
    assertThat(length % 4).isZero();
    assertThat(b.getInt()).isEqualTo(0x4E4F534A);
    String text = new String(file, b.position(), length, StandardCharsets.UTF_8);
    b.position(b.position() + length);
    ByteBuffer data = ByteBuffer.allocate(0);
    if (b.hasRemaining()) {
      int bytes = b.getInt();
      assertThat(b.getInt()).isEqualTo(0x004E4942);
      assertThat(b.remaining()).isEqualTo(bytes);
      data = b.slice().order(ByteOrder.LITTLE_ENDIAN);
    }
    return new PlainGltf(JsonMapper.shared().readTree(text), data);
  }

  public JsonNode json() {
    return json;
  }

  /** Where the root stands: x, y, z of the file's axes. */
  public double[] origin() {
    JsonNode t = json.at("/nodes/0/translation");
    return new double[] {t.get(0).asDouble(), t.get(1).asDouble(), t.get(2).asDouble()};
  }

  /** All faces, by way of the scene's nodes. */
  public List<Face> faces() {
    List<Face> out = new ArrayList<>();
    for (JsonNode root : json.at("/scenes/0/nodes")) {
      walk(json.at("/nodes/" + root.asInt()), "", out);
    }
    return out;
  }

  private void walk(JsonNode node, String above, List<Face> out) {
    if (node.has("mesh")) {
      List<double[][]> triangles = new ArrayList<>();
      for (JsonNode p : json.at("/meshes/" + node.get("mesh").asInt() + "/primitives")) {
        triangles(p, triangles);
      }
      Map<String, String> extras = new LinkedHashMap<>();
      node.get("extras").properties().forEach(e -> extras.put(e.getKey(), e.getValue().asString()));
      out.add(new Face(node.get("name").asString(), above, extras, triangles));
    }
    if (node.has("children")) {
      for (JsonNode c : node.get("children")) {
        walk(json.at("/nodes/" + c.asInt()), node.path("name").asString(""), out);
      }
    }
  }

  private void triangles(JsonNode primitive, List<double[][]> out) {
    JsonNode at = json.at("/accessors/" + primitive.at("/attributes/POSITION").asInt());
    JsonNode index = json.at("/accessors/" + primitive.get("indices").asInt());
    boolean small = index.get("componentType").asInt() == 5123;
    for (int i = 0; i < index.get("count").asInt(); i += 3) {
      double[][] t = new double[3][3];
      for (int k = 0; k < 3; k++) {
        int place = start(index) + (i + k) * (small ? 2 : 4);
        int corner = small ? Short.toUnsignedInt(buffer.getShort(place)) : buffer.getInt(place);
        assertThat(corner).isLessThan(at.get("count").asInt());
        for (int c = 0; c < 3; c++) {
          t[k][c] = buffer.getFloat(start(at) + corner * 12 + c * 4);
        }
      }
      out.add(t);
    }
  }

  private int start(JsonNode accessor) {
    JsonNode view = json.at("/bufferViews/" + accessor.get("bufferView").asInt());
    return view.path("byteOffset").asInt(0) + accessor.path("byteOffset").asInt(0);
  }

  /** Sum of the area vectors of each space's faces, m²: nought where they are closed. */
  public Map<String, double[]> leaks() {
    Map<String, double[]> out = new LinkedHashMap<>();
    for (Face f : faces()) {
      String space = f.extras.get("space");
      if (space != null) {
        double[] sum = out.computeIfAbsent(space, k -> new double[3]);
        for (double[][] t : f.triangles) {
          double[] c = cross(t);
          for (int i = 0; i < 3; i++) {
            sum[i] += c[i] / 2;
          }
        }
      }
    }
    return out;
  }

  /** Volume within the faces of each space, m³, by the id of the space. */
  public Map<String, Double> volumes() {
    Map<String, Double> out = new LinkedHashMap<>();
    for (Face f : faces()) {
      String space = f.extras.get("space");
      if (space != null) {
        double sum = 0;
        for (double[][] t : f.triangles) {
          double[] c = cross(new double[][] {{0, 0, 0}, t[1], t[2]});
          sum += (t[0][0] * c[0] + t[0][1] * c[1] + t[0][2] * c[2]) / 6;
        }
        out.merge(space, sum, Double::sum);
      }
    }
    return out;
  }

  private static double[] cross(double[][] t) {
    double[] a = {t[1][0] - t[0][0], t[1][1] - t[0][1], t[1][2] - t[0][2]};
    double[] b = {t[2][0] - t[0][0], t[2][1] - t[0][1], t[2][2] - t[0][2]};
    return new double[] {
      a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]
    };
  }

  static double length(double[] v) {
    return Math.sqrt(v[0] * v[0] + v[1] * v[1] + v[2] * v[2]);
  }
}
