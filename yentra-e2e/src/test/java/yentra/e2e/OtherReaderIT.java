package yentra.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assumptions.assumeThat;

import java.io.ByteArrayInputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import yentra.core.boundary.SpaceVolumes;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.Rules;
import yentra.core.exchange.Handover;
import yentra.core.exchange.HandoverFormat;
import yentra.core.finding.Limits;
import yentra.core.gbxml.GbxmlReader;
import yentra.core.geometry.FaceMesh;
import yentra.core.geometry.Tolerance;
import yentra.core.ifc.IfcModel;
import yentra.core.ifc.IfcTrimmer;
import yentra.core.plan.PlanEnvelope;
import yentra.core.plan.PlanReader;
import yentra.core.scope.ScopeResult;
import yentra.core.scope.ScopeRun;
import yentra.core.scope.ScopeSheet;
import yentra.core.scope.ShippedSheets;
import yentra.demo.BoathouseAnnexe;
import yentra.demo.DemoFiles;

/**
 * IFC files that are written, trimmed or whole, open in the general-purpose npm package web-ifc,
 * which draws the same elements as this product reads from them, and finds the same volume.
 */
class OtherReaderIT {
  private static final Path HOUSE = Path.of("/usr/share/assimp/models/IFC/AC14-FZK-Haus.ifc");

  /** What web-ifc says of a file. */
  private record Opened(int meshes, int spaces, int triangles, double volume) {}

  private static Opened open(Path file) throws Exception {
    Path ui =
        Path.of(System.getProperty("yentra.root", "..")).toAbsolutePath().normalize().resolve("ui");
    Process p =
        new ProcessBuilder("node", "tools/open-ifc.mjs", "1", file.toString())
            .directory(ui.toFile())
            .redirectErrorStream(true)
            .start();
    String said = new String(p.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    assertThat(p.waitFor()).as(said).isZero();
    Matcher volume = Pattern.compile("\"volumeOfSpaces\":([0-9.]+)").matcher(said);
    assertThat(volume.find()).as(said).isTrue();
    return new Opened(
        number(said, "meshes"),
        number(said, "spaces"),
        number(said, "triangles"),
        Double.parseDouble(volume.group(1)));
  }

  private static int number(String said, String name) {
    Matcher m = Pattern.compile("\"" + name + "\":(\\d+)").matcher(said);
    assertThat(m.find()).as(said).isTrue();
    return Integer.parseInt(m.group(1));
  }

  private static IfcModel model(byte[] bytes) throws Exception {
    return IfcModel.of(bytes, ReadLimits.standard(), Tolerance.standard());
  }

  private static Path trim(IfcModel m, ScopeSheet sheet) throws Exception {
    ScopeResult r = ScopeRun.of(sheet, m, Map.of());
    Set<String> in = new HashSet<>();
    r.decisions().stream().filter(ScopeResult.Decision::in).forEach(d -> in.add(d.element().key()));
    Path file = Files.createTempFile("yentra-trimmed", ".ifc");
    try (OutputStream out = Files.newOutputStream(file)) {
      IfcTrimmer.write(
          m, e -> in.contains(e.key()), (s, p) -> ScopeRun.keeps(sheet, s, p), Map.of(), out);
    }
    return file;
  }

  /** Elements of a model that web-ifc streams: neither holes nor spaces. */
  private static long drawn(IfcModel m) {
    return m.elements().stream()
        .filter(e -> !m.isKind(e.entity(), "IfcFeatureElementSubtraction"))
        .filter(e -> !e.entity().equals("IfcSpace"))
        .filter(e -> FaceMesh.of(m.body(e).faces(), 20).triangles().length > 0)
        .count();
  }

  @Test
  void theHouseOpens() throws Exception {
    assumeThat(Files.exists(HOUSE)).isTrue();
    Path file = trim(model(Files.readAllBytes(HOUSE)), ShippedSheets.geometry());
    try {
      assertThat(Files.size(file)).isLessThan(Files.size(HOUSE) / 4);
      Opened o = open(file);
      assertThat(o.spaces()).isEqualTo(7);
      assertThat(o.meshes()).isEqualTo((int) drawn(model(Files.readAllBytes(file))));
    } finally {
      Files.delete(file);
    }
  }

  @Test
  void theDemoOpens() throws Exception {
    Path file = trim(model(DemoFiles.architectsIfc()), ShippedSheets.thermal());
    try {
      Opened o = open(file);
      assertThat(o.spaces()).isEqualTo(10);
      assertThat(o.meshes()).isEqualTo((int) drawn(model(Files.readAllBytes(file))));
      assertThat(o.triangles()).isGreaterThan(500);
    } finally {
      Files.delete(file);
    }
  }

  private static void opensTheSame(Envelope e) throws Exception {
    Path file = Files.createTempFile("yentra-written", ".ifc");
    try {
      Handover made =
          Handover.of(
              HandoverFormat.IFC4,
              new CheckContext(e, Limits.STANDARD, Tolerance.standard()),
              ReadLimits.standard());
      Files.write(file, made.bytes());
      Opened o = open(file);
      SpaceVolumes volumes = SpaceVolumes.of(e, Rules.standard());
      double volume = e.spaces().stream().mapToDouble(s -> volumes.of(s.key()).volume()).sum();
      assertThat(o.spaces()).isEqualTo(e.spaces().size());
      assertThat(o.meshes()).isEqualTo((int) drawn(model(made.bytes())));
      // the other reader keeps coordinates as single precision
      assertThat(o.volume()).isCloseTo(volume, within(1e-6 * volume));
    } finally {
      Files.delete(file);
    }
  }

  @Test
  void whatIsDrawnOpensAsIfc() throws Exception {
    opensTheSame(PlanEnvelope.of(PlanReader.read(BoathouseAnnexe.plan()), Rules.standard()));
  }

  @Test
  void aGbxmlBuildingOpensAsIfc() throws Exception {
    opensTheSame(
        GbxmlReader.read(new ByteArrayInputStream(DemoFiles.soundGbxml()), ReadLimits.standard()));
  }
}
