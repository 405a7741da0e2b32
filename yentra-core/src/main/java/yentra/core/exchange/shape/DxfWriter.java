package yentra.core.exchange.shape;

import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Space;
import yentra.core.envelope.Storey;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Triangulation;
import yentra.core.geometry.Vec3;
import yentra.core.units.LengthUnit;

/**
 * Writes the faces of an envelope as a DXF drawing of release 12 (AC1009, the one that every reader
 * knows): 3DFACE entities on layers by what lies beyond and storey, such as {@code
 * outdoor_Ground-floor}, openings on {@code outdoor-openings_Ground-floor}; in the length unit and
 * the coordinates of the delivered file. Edges between the triangles of one face are invisible.
 * Walls between spaces are there once where both sides are one polygon, else with both faces.
 *
 * <p>Names of layers hold letters, digits, {@code _}, {@code -} and {@code $}, and are at most 31
 * long, as the release asks; other characters become {@code -}, and equal names get a number.
 */
public final class DxfWriter {
  private static final int LONGEST_NAME = 31;

  /** Index colours by what lies beyond; openings have the next. */
  private static final Map<Exposure, Integer> COLOURS =
      Map.of(
          Exposure.OUTDOOR, 30,
          Exposure.GROUND, 200,
          Exposure.SPACE, 140,
          Exposure.ADIABATIC, 50,
          Exposure.NONE, 7,
          Exposure.SHADE, 8,
          Exposure.UNRESOLVED, 6);

  private final Envelope envelope;
  private final LengthUnit unit;
  private final double near;
  private final Map<String, String> layers = new LinkedHashMap<>();
  private final Map<String, Integer> colours = new LinkedHashMap<>();
  private final Set<String> taken = new HashSet<>();
  private final double[] min = {Double.MAX_VALUE, Double.MAX_VALUE, Double.MAX_VALUE};
  private final double[] max = {-Double.MAX_VALUE, -Double.MAX_VALUE, -Double.MAX_VALUE};
  private int faces;
  private int empty;

  private DxfWriter(CheckContext context) {
    this.envelope = context.envelope();
    this.unit = envelope.delivered().length();
    this.near = context.tolerance().length();
  }

  /**
   * Writes the file.
   *
   * @throws IOException when the stream fails
   */
  public static ShapesWritten write(CheckContext context, OutputStream out) throws IOException {
    DxfWriter w = new DxfWriter(context);
    // names of layers and the extents come before the faces
    Facets.each(context, w::layer);
    Writer text = new OutputStreamWriter(out, StandardCharsets.US_ASCII);
    try {
      w.head(text);
      w.tables(text);
      group(text, 0, "SECTION");
      group(text, 2, "ENTITIES");
      Facets.each(context, f -> w.face(text, f));
      group(text, 0, "ENDSEC");
      group(text, 0, "EOF");
      text.flush();
    } catch (UncheckedIOException e) {
      throw e.getCause();
    }
    return new ShapesWritten(w.faces, w.layers.size(), w.empty);
  }

  private boolean isDrawn(Facet f) {
    if (f.side() == 0) {
      return true;
    }
    Polygon own = f.surface().sides().get(1).face();
    return own != null && Math.abs(f.surface().polygon().plane().distance(own.mean())) > near;
  }

  private String name(Facet f) {
    String storey =
        f.space() == null
            ? null
            : envelope
                .space(f.space())
                .map(Space::storey)
                .flatMap(envelope::storey)
                .map(Storey::name)
                .orElse(null);
    return f.surface().exposure().label()
        + (f.opening() == null ? "" : "-openings")
        + (storey == null || storey.isBlank() ? "" : "_" + storey);
  }

  private void layer(Facet f) {
    if (!isDrawn(f)) {
      return;
    }
    layers.computeIfAbsent(name(f), this::lawful);
    colours.putIfAbsent(
        layers.get(name(f)), COLOURS.get(f.surface().exposure()) + (f.opening() == null ? 0 : 1));
    for (Polygon p : f.parts()) {
      for (Vec3 v : p.outer()) {
        double[] c = drawn(v);
        for (int i = 0; i < 3; i++) {
          min[i] = Math.min(min[i], c[i]);
          max[i] = Math.max(max[i], c[i]);
        }
      }
    }
  }

  private String lawful(String name) {
    String plain =
        Normalizer.normalize(name, Normalizer.Form.NFD)
            .replaceAll("\\p{M}+", "")
            .replaceAll("[^A-Za-z0-9_$-]+", "-");
    String cut = plain.substring(0, Math.min(LONGEST_NAME, plain.length()));
    String made = cut;
    // names that differ in capitals only are one layer to a reader
    for (int i = 2; !taken.add(made.toUpperCase(Locale.ROOT)); i++) {
      String number = "-" + i;
      made = cut.substring(0, Math.min(cut.length(), LONGEST_NAME - number.length())) + number;
    }
    return made;
  }

  private double[] drawn(Vec3 v) {
    Vec3 p = v.plus(envelope.delivered().origin()).times(1 / unit.metres());
    return new double[] {p.x(), p.y(), p.z()};
  }

  private static void group(Writer out, int code, String value) {
    try {
      out.append(Integer.toString(code)).append("\r\n").append(value).append("\r\n");
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static void point(Writer out, int code, double[] p) {
    for (int i = 0; i < 3; i++) {
      group(out, code + 10 * i, new BigDecimal(Double.toString(p[i] + 0.0)).toPlainString());
    }
  }

  private void head(Writer out) {
    group(out, 999, "Yentra: lengths in " + unit.name().toLowerCase(Locale.ROOT) + "s");
    group(out, 0, "SECTION");
    group(out, 2, "HEADER");
    group(out, 9, "$ACADVER");
    group(out, 1, "AC1009");
    if (!layers.isEmpty() && min[0] <= max[0]) {
      group(out, 9, "$EXTMIN");
      point(out, 10, min);
      group(out, 9, "$EXTMAX");
      point(out, 10, max);
    }
    group(out, 0, "ENDSEC");
  }

  private void tables(Writer out) {
    group(out, 0, "SECTION");
    group(out, 2, "TABLES");
    group(out, 0, "TABLE");
    group(out, 2, "LTYPE");
    group(out, 70, "1");
    group(out, 0, "LTYPE");
    group(out, 2, "CONTINUOUS");
    group(out, 70, "0");
    group(out, 3, "Solid line");
    group(out, 72, "65");
    group(out, 73, "0");
    group(out, 40, "0.0");
    group(out, 0, "ENDTAB");
    group(out, 0, "TABLE");
    group(out, 2, "LAYER");
    group(out, 70, Integer.toString(layers.size() + 1));
    layer(out, "0", 7);
    layers.values().forEach(l -> layer(out, l, colours.get(l)));
    group(out, 0, "ENDTAB");
    group(out, 0, "ENDSEC");
  }

  private static void layer(Writer out, String name, int colour) {
    group(out, 0, "LAYER");
    group(out, 2, name);
    group(out, 70, "0");
    group(out, 62, Integer.toString(colour));
    group(out, 6, "CONTINUOUS");
  }

  private void face(Writer out, Facet f) {
    if (!isDrawn(f)) {
      return;
    }
    boolean any = false;
    for (Polygon p : f.parts()) {
      any |= polygon(out, layers.get(name(f)), p);
    }
    faces += any ? 1 : 0;
    empty += any ? 0 : 1;
  }

  private boolean polygon(Writer out, String layer, Polygon p) {
    List<Vec3[]> triangles = Triangulation.of(p);
    if (p.holes().isEmpty() && p.outer().size() == 4 && triangles.size() == 2) {
      Vec3[] corners = p.outer().toArray(Vec3[]::new);
      // a quadrangle that is not convex is two triangles
      if (triangles.get(0)[0].equals(corners[0]) && triangles.get(1)[0].equals(corners[0])) {
        corners(out, layer, corners, 0);
        return true;
      }
    }
    Set<Set<Vec3>> edges = new HashSet<>();
    for (List<Vec3> ring : p.rings()) {
      for (int i = 0; i < ring.size(); i++) {
        edges.add(Set.copyOf(List.of(ring.get(i), ring.get((i + 1) % ring.size()))));
      }
    }
    for (Vec3[] t : triangles) {
      // the third edge has no length, since the last corner is said twice
      int hidden = 4;
      int[] flags = {1, 2, 8};
      for (int i = 0; i < 3; i++) {
        hidden |= edges.contains(Set.copyOf(List.of(t[i], t[(i + 1) % 3]))) ? 0 : flags[i];
      }
      corners(out, layer, new Vec3[] {t[0], t[1], t[2], t[2]}, hidden);
    }
    return !triangles.isEmpty();
  }

  private void corners(Writer out, String layer, Vec3[] corners, int hidden) {
    group(out, 0, "3DFACE");
    group(out, 8, layer);
    for (int i = 0; i < 4; i++) {
      point(out, 10 + i, drawn(corners[i]));
    }
    if (hidden != 0) {
      group(out, 70, Integer.toString(hidden));
    }
  }
}
