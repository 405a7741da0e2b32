package yentra.server.scope;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import yentra.core.geometry.FaceMesh;
import yentra.core.model.ArchitecturalModel;
import yentra.core.model.Body;
import yentra.core.model.Element;

/**
 * The bodies of all elements for drawing, openings cut out, as one block of little-endian numbers:
 *
 * <pre>
 * int32   number of items n, of vertices v, of triangle corners t, of edge ends e
 * float64 origin x, y, z in metres
 * n times int32: place of the element, first vertex, first triangle corner, first edge end
 * v times float32 x, y, z relative to the origin
 * t times int32 vertex number
 * e times int32 vertex number
 * </pre>
 */
public final class ElementMeshes {
  /** Folds flatter than this are not drawn, in degrees: facets of curves. */
  private static final double FOLD = 20;

  private final List<Item> items;

  private record Item(int element, FaceMesh mesh) {}

  private ElementMeshes(List<Item> items) {
    this.items = items;
  }

  static ElementMeshes of(ArchitecturalModel model) {
    List<Element> elements = model.elements();
    return new ElementMeshes(
        IntStream.range(0, elements.size())
            .parallel()
            .mapToObj(i -> item(model, elements.get(i), i))
            .filter(i -> i.mesh.triangles().length > 0)
            .toList());
  }

  private static Item item(ArchitecturalModel model, Element e, int at) {
    // a hole is seen as what it leaves
    boolean hole = model.isKind(e.entity(), "IfcFeatureElementSubtraction");
    Body body = hole ? Body.NONE : model.netBody(e);
    return new Item(at, FaceMesh.of(body.faces(), FOLD));
  }

  void write(OutputStream out) throws IOException {
    int v = 0;
    int t = 0;
    int e = 0;
    double[] origin = origin();
    ByteBuffer head = buffer(16 + 24 + 16 * items.size());
    for (Item i : items) {
      v += i.mesh.vertices().length / 3;
      t += i.mesh.triangles().length;
      e += i.mesh.edges().length;
    }
    head.putInt(items.size()).putInt(v).putInt(t).putInt(e);
    head.putDouble(origin[0]).putDouble(origin[1]).putDouble(origin[2]);
    List<Integer> firsts = new ArrayList<>();
    v = 0;
    t = 0;
    e = 0;
    for (Item i : items) {
      head.putInt(i.element).putInt(v).putInt(t).putInt(e);
      firsts.add(v);
      v += i.mesh.vertices().length / 3;
      t += i.mesh.triangles().length;
      e += i.mesh.edges().length;
    }
    out.write(head.array());
    for (Item i : items) {
      ByteBuffer b = buffer(4 * i.mesh.vertices().length);
      for (int k = 0; k < i.mesh.vertices().length; k++) {
        b.putFloat((float) (i.mesh.vertices()[k] - origin[k % 3]));
      }
      out.write(b.array());
    }
    for (int i = 0; i < items.size(); i++) {
      numbers(out, items.get(i).mesh.triangles(), firsts.get(i));
    }
    for (int i = 0; i < items.size(); i++) {
      numbers(out, items.get(i).mesh.edges(), firsts.get(i));
    }
  }

  private static void numbers(OutputStream out, int[] list, int first) throws IOException {
    ByteBuffer b = buffer(4 * list.length);
    for (int n : list) {
      b.putInt(n + first);
    }
    out.write(b.array());
  }

  private static ByteBuffer buffer(int size) {
    return ByteBuffer.allocate(size).order(ByteOrder.LITTLE_ENDIAN);
  }

  /** The first vertex: near enough to all others for single precision. */
  private double[] origin() {
    if (items.isEmpty()) {
      return new double[3];
    }
    double[] first = items.get(0).mesh.vertices();
    return new double[] {Math.rint(first[0]), Math.rint(first[1]), Math.rint(first[2])};
  }
}
