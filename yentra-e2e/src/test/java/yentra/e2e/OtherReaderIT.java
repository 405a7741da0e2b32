package yentra.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assumptions.assumeThat;

import java.io.ByteArrayInputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import yentra.core.boundary.SpaceVolumes;
import yentra.core.boundary.Watch;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.Rules;
import yentra.core.exchange.Handover;
import yentra.core.exchange.HandoverFormat;
import yentra.core.exchange.HandoverMaker;
import yentra.core.finding.Limits;
import yentra.core.gbxml.GbxmlReader;
import yentra.core.geometry.FaceMesh;
import yentra.core.geometry.Tolerance;
import yentra.core.ifc.IfcModel;
import yentra.core.ifc.IfcTrimmer;
import yentra.core.intake.DeliveryReader;
import yentra.core.pipeline.Delivery;
import yentra.core.pipeline.HandoverSubject;
import yentra.core.pipeline.Stage;
import yentra.core.pipeline.StageOptions;
import yentra.core.plan.PlanEnvelope;
import yentra.core.plan.PlanReader;
import yentra.core.scope.ScopeResult;
import yentra.core.scope.ScopeRun;
import yentra.core.scope.ScopeSheet;
import yentra.core.scope.ShippedSheets;
import yentra.demo.BoathouseAnnexe;
import yentra.demo.DemoFiles;

/**
 * Files that are written open in general-purpose npm packages: IFC, trimmed or whole, in web-ifc,
 * which draws the same elements as this product reads from them, and finds the same volume; glTF
 * passes gltf-validator without a word; DXF is read by dxf-parser.
 */
class OtherReaderIT {
  private static final Path HOUSE = Path.of("/usr/share/assimp/models/IFC/AC14-FZK-Haus.ifc");

  /** What web-ifc says of a file. */
  private record Opened(int meshes, int spaces, int triangles, double volume) {}

  private static String node(String... command) throws Exception {
    Path ui =
        Path.of(System.getProperty("yentra.root", "..")).toAbsolutePath().normalize().resolve("ui");
    List<String> all = new ArrayList<>(List.of("node"));
    all.addAll(List.of(command));
    Process p = new ProcessBuilder(all).directory(ui.toFile()).redirectErrorStream(true).start();
    String said = new String(p.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    assertThat(p.waitFor()).as(said).isZero();
    return said;
  }

  private static Opened open(Path file) throws Exception {
    String said = node("tools/open-ifc.mjs", "1", file.toString());
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

  private static CheckContext context(Envelope e) {
    return new CheckContext(e, Limits.STANDARD, Tolerance.standard());
  }

  private static void opensTheSame(Envelope e) throws Exception {
    for (HandoverFormat f : List.of(HandoverFormat.IFC4, HandoverFormat.IFC2X3)) {
      Path file = Files.createTempFile("yentra-written", ".ifc");
      try {
        Handover made = Handover.of(f, context(e), ReadLimits.standard());
        Files.write(file, made.bytes());
        Opened o = open(file);
        SpaceVolumes volumes = SpaceVolumes.of(e, Rules.standard());
        double volume = e.spaces().stream().mapToDouble(s -> volumes.of(s.key()).volume()).sum();
        assertThat(o.spaces()).as(f.code()).isEqualTo(e.spaces().size());
        assertThat(o.meshes()).as(f.code()).isEqualTo((int) drawn(model(made.bytes())));
        // the other reader keeps coordinates as single precision
        assertThat(o.volume()).as(f.code()).isCloseTo(volume, within(1e-6 * volume));
      } finally {
        Files.delete(file);
      }
    }
    shapesOpen(context(e));
  }

  /** The validator of the format has nothing to say, and an independent reader finds the faces. */
  private static void shapesOpen(CheckContext c) throws Exception {
    Path glb = Files.createTempFile("yentra-written", ".glb");
    Path dxf = Files.createTempFile("yentra-written", ".dxf");
    try {
      Handover g = Handover.of(HandoverFormat.GLB, c, ReadLimits.standard());
      Handover d = Handover.of(HandoverFormat.DXF, c, ReadLimits.standard());
      Files.write(glb, g.bytes());
      Files.write(dxf, d.bytes());
      String[] said = node("tools/open-shapes.mjs", glb.toString(), dxf.toString()).split("\n");
      for (String what : List.of("errors", "warnings", "infos")) {
        assertThat(number(said[0], what)).as(said[0]).isZero();
      }
      assertThat(number(said[0], "meshes")).isEqualTo(g.counts().get("faces"));
      assertThat(number(said[1], "faces")).isGreaterThanOrEqualTo(d.counts().get("faces"));
      assertThat(number(said[1], "entities")).isEqualTo(number(said[1], "faces"));
      // layer 0 is in every drawing
      assertThat(number(said[1], "layers")).isEqualTo(d.counts().get("layers") + 1);
    } finally {
      Files.delete(glb);
      Files.delete(dxf);
    }
  }

  @Test
  void whatIsDrawnOpens() throws Exception {
    opensTheSame(PlanEnvelope.of(PlanReader.read(BoathouseAnnexe.plan()), Rules.standard()));
  }

  @Test
  void aGbxmlBuildingOpens() throws Exception {
    opensTheSame(
        GbxmlReader.read(new ByteArrayInputStream(DemoFiles.soundGbxml()), ReadLimits.standard()));
  }

  @Test
  void aSpoiltBuildingsShapesOpen() throws Exception {
    shapesOpen(
        context(
            GbxmlReader.read(
                new ByteArrayInputStream(DemoFiles.faultyGbxml()), ReadLimits.standard())));
  }

  /** The architect's own elements, with the envelope's boundaries in place of theirs. */
  @Test
  void deliveredFilesWithOtherBoundariesOpen() throws Exception {
    List<byte[]> all = new ArrayList<>(List.of(DemoFiles.architectsIfc()));
    if (Files.exists(HOUSE)) {
      all.add(Files.readAllBytes(HOUSE));
    }
    for (byte[] bytes : all) {
      Stage s =
          Delivery.read(
                  DeliveryReader.Source.of(bytes),
                  ReadLimits.standard(),
                  Tolerance.standard(),
                  DeliveryReader.Progress.NONE)
              .stage(StageOptions.STANDARD, Watch.NONE);
      HandoverMaker maker =
          new HandoverMaker(
              HandoverSubject.of(s.whole(), s.scope(), s.result(), s.context(), s.context()),
              HandoverMaker.Options.STANDARD,
              ReadLimits.standard());
      String schema = ((IfcModel) s.whole()).schema();
      HandoverFormat own = schema.startsWith("IFC2") ? HandoverFormat.IFC2X3 : HandoverFormat.IFC4;
      Handover made = maker.make(own, null);
      assertThat(made.differences()).isEmpty();
      assertThat(made.notes()).noneMatch(n -> n.contains("was made of the envelope"));
      Path before = Files.createTempFile("yentra-delivered", ".ifc");
      Path after = Files.createTempFile("yentra-written", ".ifc");
      try {
        Files.write(before, bytes);
        Files.write(after, made.bytes());
        Opened a = open(before);
        Opened b = open(after);
        assertThat(b.spaces()).isEqualTo(a.spaces());
        assertThat(b.volume()).isCloseTo(a.volume(), within(1e-6 * a.volume()));
        assertThat(b.meshes()).isEqualTo((int) drawn(model(made.bytes())));
      } finally {
        Files.delete(before);
        Files.delete(after);
      }
      shapesOpen(s.context());
    }
  }
}
