package yentra.core.exchange.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.apache.poi.ss.usermodel.Cell;
import org.apache.poi.ss.usermodel.CellType;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.ss.usermodel.Workbook;
import org.apache.poi.ss.usermodel.WorkbookFactory;
import yentra.core.boundary.SpaceVolume;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.exchange.Handover;
import yentra.core.finding.Finding;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Shell;
import yentra.core.geometry.Vec3;

/** Holds what was written against the envelope, with readers that are none of the product's. */
public final class Proof {
  /** Single precision positions: the bound that volumes of closed spaces keep, a share. */
  private static final double VOLUMES = 1e-5;

  /** Corners nearer than this are one, m. */
  private static final double EXACT = 1e-6;

  /** What follows from something else that is flawed, and names nothing by itself. */
  private static final Pattern FOLLOWS =
      Pattern.compile("was not there before|that lie in no surface");

  private static final Pattern WORD = Pattern.compile("[\\s,]+|\\.(?=\\s|$)");

  private Proof() {}

  /**
   * What can be said of any format.
   *
   * @param flawed keys of what a finding names, with the spaces beside it: differences of these
   *     alone are let pass
   */
  public static void of(Handover h, CheckContext context, Set<String> flawed) throws IOException {
    assertThat(
            h.differences().stream()
                .filter(d -> flawed.isEmpty() || !FOLLOWS.matcher(d).find())
                .filter(d -> WORD.splitAsStream(d).noneMatch(flawed::contains)))
        .as(h.format().code())
        .isEmpty();
    assertThat(h.bytes()).isNotEmpty();
    switch (h.format()) {
      case GLB -> gltf(h.bytes(), context, flawed);
      case DXF -> dxf(h.bytes(), context);
      case XLSX -> sheets(h.bytes(), context);
      default -> assertThat(h.readBack()).isNotNull();
    }
  }

  private static void gltf(byte[] bytes, CheckContext context, Set<String> flawed) {
    PlainGltf g = PlainGltf.of(bytes);
    Envelope e = context.envelope();
    Map<String, Double> volumes = g.volumes();
    Map<String, double[]> leaks = g.leaks();
    for (Space s : e.spaces()) {
      SpaceVolume v = context.volumes().of(s.key());
      boolean sound = v.enclosed() && !flawed.contains(s.key());
      if (sound && !context.groupings().containsKey(s.key())) {
        String id = e.fileId(s.key());
        double across = Shell.of(faces(e, s)).box().diagonal();
        double leak = PlainGltf.length(leaks.get(id));
        double gap = context.tolerance().gap();
        assertThat(leak).as("hole in %s", s.label()).isLessThan(gap * across);
        // where faces are apart by the tolerance, the volume is not sharper than that
        double loose = isLoose(e, s, gap) ? gap * across * across : 0;
        assertThat(volumes.get(id))
            .as("volume of %s", s.label())
            .isCloseTo(v.volume(), within(VOLUMES * v.volume() + loose));
      }
    }
    Set<String> ids = flawed.stream().map(e::fileId).collect(Collectors.toSet());
    for (PlainGltf.Face f : g.faces()) {
      if (ids.contains(f.extras().getOrDefault("parent", f.name()))) {
        continue;
      }
      double said = Double.parseDouble(f.extras().get("area_m2"));
      assertThat(f.area()).as(f.name()).isCloseTo(said, within(1e-4 * said + 1e-4));
      assertThat(f.kind()).startsWith(f.extras().get("exposure"));
      assertThat(f.extras().get("key")).isEqualTo(f.name());
    }
  }

  private static List<Polygon> faces(Envelope e, Space s) {
    List<Polygon> faces = new ArrayList<>();
    e.surfaces().forEach(x -> x.faceTo(s.key()).ifPresent(faces::add));
    return faces;
  }

  /** Whether corners are near each other and not the same, or openings reach over an edge. */
  private static boolean isLoose(Envelope e, Space s, double gap) {
    for (Surface x : e.surfaces()) {
      Polygon face = x.faceTo(s.key()).orElse(null);
      if (face != null
          && x.openings().stream()
              .anyMatch(o -> PlanarOverlay.areaOutside(o.polygon(), face) > EXACT)) {
        return true;
      }
    }
    List<Vec3> all = new ArrayList<>();
    faces(e, s).forEach(p -> p.rings().forEach(all::addAll));
    return all.stream()
        .anyMatch(
            a -> all.stream().mapToDouble(a::distance).anyMatch(d -> d > EXACT && d < 2 * gap));
  }

  /** Keys of what the findings name, of the spaces beside it, and of all that bounds these. */
  public static Set<String> flawed(Envelope e, List<Finding> found) {
    Set<String> out = new HashSet<>();
    for (Finding f : found) {
      out.addAll(f.objects());
    }
    Set<String> named = Set.copyOf(out);
    for (Surface s : e.surfaces()) {
      boolean one =
          named.contains(s.key()) || s.openings().stream().anyMatch(o -> named.contains(o.key()));
      if (one) {
        out.add(s.key());
        s.sides().forEach(x -> out.add(x.space()));
      }
    }
    return out;
  }

  private static void dxf(byte[] bytes, CheckContext context) {
    PlainDxf d = PlainDxf.of(bytes);
    double scale = 1 / context.envelope().delivered().length().metres();
    double area = d.faces().stream().mapToDouble(PlainDxf.Face::area).sum() / scale / scale;
    double[] least = {0};
    double[] most = {0};
    for (Surface s : context.envelope().surfaces()) {
      double own = s.polygon().area();
      double cut = s.openings().stream().map(Opening::polygon).mapToDouble(p -> p.area()).sum();
      least[0] += own;
      most[0] += (own + cut) * 2.5;
    }
    assertThat(area).isBetween(least[0] * 0.999 - 1e-6, most[0] * 1.001 + 1e-6);
  }

  private static void sheets(byte[] bytes, CheckContext context) throws IOException {
    Envelope e = context.envelope();
    try (Workbook book = WorkbookFactory.create(new ByteArrayInputStream(bytes))) {
      Map<String, Integer> rows = new HashMap<>();
      for (Sheet s : book) {
        rows.put(s.getSheetName(), s.getLastRowNum());
        assertThat(s.getPaneInformation().isFreezePane()).isTrue();
        for (Row r : s) {
          for (Cell c : r) {
            assertThat(c.getCellType()).isNotIn(CellType.FORMULA, CellType.ERROR);
          }
        }
      }
      assertThat(rows)
          .containsEntry("Spaces", e.spaces().size())
          .containsEntry("Surfaces", e.surfaces().size())
          .containsEntry("Openings", e.openingCount())
          .containsEntry("Constructions", e.constructions().size())
          .containsEntry("Zones", e.zones().size())
          .containsKeys("Junctions", "Balance");
      Sheet surfaces = book.getSheet("Surfaces");
      int area = column(surfaces, "gross area");
      double sum = 0;
      for (int i = 1; i <= surfaces.getLastRowNum(); i++) {
        sum += surfaces.getRow(i).getCell(area).getNumericCellValue();
      }
      double own = e.surfaces().stream().mapToDouble(s -> s.polygon().area()).sum();
      assertThat(sum).isCloseTo(own, within(1e-9 * own + 1e-9));
    }
  }

  private static int column(Sheet s, String head) {
    for (Cell c : s.getRow(0)) {
      if (c.getStringCellValue().toLowerCase(Locale.ROOT).startsWith(head)) {
        return c.getColumnIndex();
      }
    }
    throw new AssertionError("no column " + head);
  }
}
