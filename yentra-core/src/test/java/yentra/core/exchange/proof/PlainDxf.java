package yentra.core.exchange.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** A small reader of 3D faces in a DXF drawing, by its pairs of group code and value. */
public final class PlainDxf {
  private final List<Face> faces = new ArrayList<>();
  private final Set<String> layers = new HashSet<>();

  /** Four corners, the last two may be one. */
  public record Face(String layer, double[][] corners) {
    public double area() {
      return triangle(corners[0], corners[1], corners[2])
          + triangle(corners[0], corners[2], corners[3]);
    }
  }

  private PlainDxf() {}

  public static PlainDxf of(byte[] file) {
    for (byte b : file) {
      assertThat(b).as("a drawing of this release is ASCII").isPositive();
    }
    List<String> lines = new String(file, StandardCharsets.US_ASCII).lines().toList();
    assertThat(lines.size() % 2).isZero();
    PlainDxf out = new PlainDxf();
    String entity = "";
    String layer = "";
    double[][] corners = new double[4][3];
    for (int i = 0; i < lines.size(); i += 2) {
      int code = Integer.parseInt(lines.get(i).strip());
      String value = lines.get(i + 1);
      if (code == 0) {
        out.end(entity, layer, corners);
        entity = value;
        corners = new double[4][3];
      } else if (entity.equals("LAYER") && code == 2) {
        assertThat(out.layers.add(value)).as("layer %s is defined once", value).isTrue();
        assertThat(value).matches("[A-Za-z0-9_$-]{1,31}");
      } else if (entity.equals("3DFACE") && code == 8) {
        layer = value;
      } else if (entity.equals("3DFACE") && code >= 10 && code < 40 && code % 10 < 4) {
        corners[code % 10][code / 10 - 1] = Double.parseDouble(value);
      }
    }
    assertThat(entity).isEqualTo("EOF");
    return out;
  }

  private void end(String entity, String layer, double[][] corners) {
    if (entity.equals("3DFACE")) {
      assertThat(layers).contains(layer);
      faces.add(new Face(layer, corners));
    }
  }

  public List<Face> faces() {
    return faces;
  }

  public Set<String> layers() {
    return layers;
  }

  private static double triangle(double[] a, double[] b, double[] c) {
    double x = (b[1] - a[1]) * (c[2] - a[2]) - (b[2] - a[2]) * (c[1] - a[1]);
    double y = (b[2] - a[2]) * (c[0] - a[0]) - (b[0] - a[0]) * (c[2] - a[2]);
    double z = (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);
    return Math.sqrt(x * x + y * y + z * z) / 2;
  }
}
