package yentra.core.exchange.shape;

import java.io.OutputStream;
import java.util.List;
import java.util.Map;
import tools.jackson.core.JsonEncoding;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.ObjectWriteContext;
import tools.jackson.core.StreamWriteFeature;
import tools.jackson.core.json.JsonFactory;
import yentra.core.envelope.Envelope;
import yentra.core.geometry.Vec3;

/**
 * The JSON part of a glTF file.
 *
 * @param origin where the positions are from, in model coordinates, m
 * @param meshes the faces in their order
 * @param groups kinds of faces with the places of their meshes
 * @param materials numbers of the materials by name
 * @param positions bytes of positions in the buffer
 * @param indices bytes of indices behind these
 */
record GltfScene(
    Envelope envelope,
    Vec3 origin,
    List<Mesh> meshes,
    Map<String, List<Integer>> groups,
    Map<String, Integer> materials,
    int positions,
    int indices) {
  private static final int UNSIGNED_SHORT = 5123;
  private static final int UNSIGNED_INT = 5125;
  private static final int FLOAT = 5126;
  private static final int ARRAY_BUFFER = 34962;
  private static final int ELEMENT_ARRAY_BUFFER = 34963;

  /** What 16 bits can count; the last value is kept free. */
  private static final int MOST_SHORT = 65_535;

  /** Base colours by what lies beyond, openings last; linear shares of red, green, blue. */
  private static final Map<String, double[]> COLOURS =
      Map.of(
          "outdoor", new double[] {0.63, 0.20, 0.055},
          "ground", new double[] {0.144, 0.072, 0.292},
          "space", new double[] {0.275, 0.456, 0.578},
          "adiabatic", new double[] {0.462, 0.347, 0.105},
          "none", new double[] {0.9, 0.9, 0.9},
          "shade", new double[] {0.068, 0.08, 0.085},
          "unresolved", new double[] {0.539, 0.01, 0.107},
          "glazed", new double[] {0.887, 0.638, 0.147},
          "opaque opening", new double[] {0.195, 0.068, 0.023});

  /** One face's place in the file. */
  record Mesh(
      Facet facet,
      double area,
      int vertices,
      int indices,
      int vertexAt,
      int indexAt,
      float[] min,
      float[] max) {
    boolean isSmall() {
      return vertices < MOST_SHORT;
    }
  }

  private static String exposure(Facet f) {
    return f.surface().exposure().label();
  }

  private static String type(Facet f) {
    return f.opening() == null ? f.surface().type().gbxml() : f.opening().type().gbxml();
  }

  static String kind(Facet f) {
    String type = type(f);
    return exposure(f) + (type.isEmpty() ? "" : " " + type);
  }

  static String material(Facet f) {
    return f.opening() == null
        ? exposure(f)
        : f.opening().type().isGlazed() ? "glazed" : "opaque opening";
  }

  /** Writes the text in UTF-8; the stream stays open. */
  void json(OutputStream out) {
    JsonFactory factory =
        JsonFactory.builder().disable(StreamWriteFeature.AUTO_CLOSE_TARGET).build();
    try (JsonGenerator g =
        factory.createGenerator(ObjectWriteContext.empty(), out, JsonEncoding.UTF8)) {
      g.writeStartObject();
      g.writeObjectPropertyStart("asset");
      g.writeStringProperty("version", "2.0");
      g.writeStringProperty("generator", "Yentra");
      g.writeEndObject();
      g.writeNumberProperty("scene", 0);
      g.writeArrayPropertyStart("scenes");
      g.writeStartObject();
      numbers(g, "nodes", 0);
      g.writeEndObject();
      g.writeEndArray();
      nodes(g);
      if (!meshes.isEmpty()) {
        meshes(g);
        materials(g);
        accessors(g);
        buffers(g);
      }
      g.writeEndObject();
    }
  }

  private static void numbers(JsonGenerator g, String name, double... values) {
    g.writeArrayPropertyStart(name);
    for (double v : values) {
      if (v == Math.rint(v) && Math.abs(v) < 1e15) {
        g.writeNumber((long) v);
      } else {
        g.writeNumber(v);
      }
    }
    g.writeEndArray();
  }

  private static void numbers(JsonGenerator g, String name, float... values) {
    g.writeArrayPropertyStart(name);
    for (float v : values) {
      // readers take them for single precision, as the standard says
      g.writeNumber(v);
    }
    g.writeEndArray();
  }

  /** The root is 0, kinds follow, then faces in their order. */
  private void nodes(JsonGenerator g) {
    g.writeArrayPropertyStart("nodes");
    g.writeStartObject();
    String name = envelope.site().name();
    g.writeStringProperty("name", name.isEmpty() ? "Building" : name);
    Vec3 at = origin.plus(envelope.delivered().origin());
    numbers(g, "translation", at.x(), at.z(), 0 - at.y());
    if (!groups.isEmpty()) {
      g.writeArrayPropertyStart("children");
      for (int i = 1; i <= groups.size(); i++) {
        g.writeNumber(i);
      }
      g.writeEndArray();
    }
    g.writeEndObject();
    int first = 1 + groups.size();
    groups.forEach(
        (kind, members) -> {
          g.writeStartObject();
          g.writeStringProperty("name", kind);
          g.writeArrayPropertyStart("children");
          members.forEach(m -> g.writeNumber(first + m));
          g.writeEndArray();
          g.writeEndObject();
        });
    for (int i = 0; i < meshes.size(); i++) {
      Facet f = meshes.get(i).facet();
      g.writeStartObject();
      g.writeStringProperty("name", envelope.fileId(f.key()));
      g.writeNumberProperty("mesh", i);
      g.writeObjectPropertyStart("extras");
      extras(g, meshes.get(i));
      g.writeEndObject();
      g.writeEndObject();
    }
    g.writeEndArray();
  }

  private void extras(JsonGenerator g, Mesh m) {
    Facet f = m.facet();
    g.writeStringProperty("key", envelope.fileId(f.key()));
    g.writeStringProperty("type", type(f));
    g.writeStringProperty("exposure", exposure(f));
    if (f.space() != null) {
      g.writeStringProperty("space", envelope.fileId(f.space()));
    }
    if (f.neighbour() != null) {
      g.writeStringProperty("neighbour", envelope.fileId(f.neighbour()));
    }
    if (f.opening() != null) {
      g.writeStringProperty("parent", envelope.fileId(f.surface().key()));
    }
    g.writeNumberProperty("area_m2", m.area());
    String name = f.opening() == null ? f.surface().name() : f.opening().name();
    if (!name.isEmpty()) {
      g.writeStringProperty("name", name);
    }
  }

  private void meshes(JsonGenerator g) {
    g.writeArrayPropertyStart("meshes");
    for (int i = 0; i < meshes.size(); i++) {
      g.writeStartObject();
      g.writeArrayPropertyStart("primitives");
      g.writeStartObject();
      g.writeObjectPropertyStart("attributes");
      g.writeNumberProperty("POSITION", 2 * i);
      g.writeEndObject();
      g.writeNumberProperty("indices", 2 * i + 1);
      g.writeNumberProperty("material", materials.get(material(meshes.get(i).facet())));
      g.writeEndObject();
      g.writeEndArray();
      g.writeEndObject();
    }
    g.writeEndArray();
  }

  private void materials(JsonGenerator g) {
    g.writeArrayPropertyStart("materials");
    for (String m : materials.keySet()) {
      double[] c = COLOURS.get(m);
      boolean clear = m.equals("glazed");
      g.writeStartObject();
      g.writeStringProperty("name", m);
      g.writeObjectPropertyStart("pbrMetallicRoughness");
      numbers(g, "baseColorFactor", c[0], c[1], c[2], clear ? 0.6 : 1);
      g.writeNumberProperty("metallicFactor", 0);
      g.writeNumberProperty("roughnessFactor", 1);
      g.writeEndObject();
      if (clear) {
        g.writeStringProperty("alphaMode", "BLEND");
      }
      g.writeBooleanProperty("doubleSided", true);
      g.writeEndObject();
    }
    g.writeEndArray();
  }

  private void accessors(JsonGenerator g) {
    g.writeArrayPropertyStart("accessors");
    for (Mesh m : meshes) {
      g.writeStartObject();
      g.writeNumberProperty("bufferView", 0);
      g.writeNumberProperty("byteOffset", m.vertexAt());
      g.writeNumberProperty("componentType", FLOAT);
      g.writeNumberProperty("count", m.vertices());
      g.writeStringProperty("type", "VEC3");
      numbers(g, "min", m.min());
      numbers(g, "max", m.max());
      g.writeEndObject();
      g.writeStartObject();
      g.writeNumberProperty("bufferView", 1);
      g.writeNumberProperty("byteOffset", m.indexAt());
      g.writeNumberProperty("componentType", m.isSmall() ? UNSIGNED_SHORT : UNSIGNED_INT);
      g.writeNumberProperty("count", m.indices());
      g.writeStringProperty("type", "SCALAR");
      g.writeEndObject();
    }
    g.writeEndArray();
  }

  private void buffers(JsonGenerator g) {
    g.writeArrayPropertyStart("bufferViews");
    view(g, 0, positions, ARRAY_BUFFER);
    view(g, positions, indices, ELEMENT_ARRAY_BUFFER);
    g.writeEndArray();
    g.writeArrayPropertyStart("buffers");
    g.writeStartObject();
    g.writeNumberProperty("byteLength", positions + indices);
    g.writeEndObject();
    g.writeEndArray();
  }

  private static void view(JsonGenerator g, int at, int length, int target) {
    g.writeStartObject();
    g.writeNumberProperty("buffer", 0);
    g.writeNumberProperty("byteOffset", at);
    g.writeNumberProperty("byteLength", length);
    if (target == ARRAY_BUFFER) {
      // asked for where several accessors share a view: three numbers of four bytes
      g.writeNumberProperty("byteStride", 12);
    }
    g.writeNumberProperty("target", target);
    g.writeEndObject();
  }
}
