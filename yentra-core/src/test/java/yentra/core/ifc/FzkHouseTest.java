package yentra.core.ifc;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import yentra.core.Fixtures;
import yentra.core.boundary.SpaceVolumes;
import yentra.core.boundary.Watch;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.run.CheckCatalogue;
import yentra.core.check.run.Remedies;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.Surface;
import yentra.core.exchange.Handover;
import yentra.core.exchange.HandoverFormat;
import yentra.core.finding.Finding;
import yentra.core.finding.Limits;
import yentra.core.geometry.Tolerance;
import yentra.core.intake.DeliveryReader;
import yentra.core.pipeline.Delivery;
import yentra.core.pipeline.Stage;
import yentra.core.pipeline.StageOptions;
import yentra.core.step.StepFile;

/**
 * AC14-FZK-Haus.ifc, an IFC2X3 house of the Karlsruhe Institute of Technology with second-level
 * space boundaries, from Debian's package assimp-testmodels. Space volumes are held against those
 * of web-ifc, recorded with the script beside them.
 */
class FzkHouseTest {
  private static final Path FILE = Path.of("/usr/share/assimp/models/IFC/AC14-FZK-Haus.ifc");
  private static Envelope house;
  private static byte[] bytes;

  @BeforeAll
  static void read() throws Exception {
    assumeTrue(Files.exists(FILE), "Debian's assimp-testmodels is not installed");
    bytes = Files.readAllBytes(FILE);
    house = IfcReader.read(bytes, ReadLimits.standard(), Fixtures.TOLERANCE);
  }

  @Test
  void countsAreThoseOfTheFile() throws Exception {
    assertThat(house.spaces()).hasSize(7);
    assertThat(house.storeys()).hasSize(2);
    List<OpeningType> openings =
        house.surfaces().stream().flatMap(s -> s.openings().stream()).map(o -> o.type()).toList();
    assertThat(openings).filteredOn(OpeningType::isGlazed).hasSize(11);
    assertThat(openings).filteredOn(t -> t == OpeningType.NON_SLIDING_DOOR).hasSize(5);
    assertThat(house.orphans()).isEmpty();
    assertThat(StepFile.of(bytes).ofType("IFCRELSPACEBOUNDARY")).hasSize(92);
  }

  @Test
  void all92BoundariesAreSidesOrOpeningsAndVirtualOnesAreNoBarrier() {
    // an opening between two rooms has a boundary on either side, and is one opening
    int sides = house.surfaces().stream().mapToInt(s -> s.sides().size()).sum();
    int openings =
        house.surfaces().stream().mapToInt(s -> s.openings().size() * s.sides().size()).sum();
    assertThat(sides + openings).isEqualTo(92);
    List<Surface> none =
        house.surfaces().stream().filter(s -> s.exposure() == Exposure.NONE).toList();
    assertThat(none.stream().filter(s -> s.element() != null))
        .hasSize(3)
        .allMatch(s -> s.sides().size() == 2 && s.construction() == null);
  }

  @Test
  void volumesAreThoseOfAnIndependentReader() throws IOException {
    SpaceVolumes volumes = SpaceVolumes.of(house, Fixtures.RULES);
    int compared = 0;
    try (InputStream in =
        FzkHouseTest.class.getResourceAsStream("/reference/fzk-space-volumes.tsv")) {
      for (String line :
          new String(in.readAllBytes(), StandardCharsets.UTF_8)
              .lines()
              .filter(l -> !l.startsWith("#"))
              .toList()) {
        String[] f = line.split("\t");
        double expected = Double.parseDouble(f[1]);
        double measured =
            house.spaces().stream()
                .filter(s -> s.source().id().equals(f[0]))
                .findFirst()
                .map(s -> volumes.of(s.key()).volume())
                .orElseThrow();
        assertThat(measured).as(f[0]).isCloseTo(expected, within(expected * 1e-7));
        compared++;
      }
    }
    assertThat(compared).isEqualTo(7);
  }

  @Test
  void wallsHoldTheirWindowsAndCloseTheirRooms() {
    Surface south =
        house.surfaces().stream()
            .filter(s -> s.openings().size() == 2 && s.polygon().tilt() == 90)
            .findFirst()
            .orElseThrow();
    assertThat(south.netArea()).isLessThan(south.polygon().area());
    // three strips of a few square centimetres; the sides of the column in the gallery, which the
    // file calls external; what an architect's file does not say of glass, use, place and ground;
    // and
    // the air in the opening of the slab between two rooms
    assertThat(Fixtures.check(house))
        .extracting(Finding::code)
        .containsOnly(
            "GEO-305", "SPC-408", "ADJ-508", "THM-707", "THM-711", "USE-901", "USE-903", "LOC-803",
            "LOC-804");
  }

  @Test
  void theGlassDoorAndTheAirInTheSlabAreFound() throws Exception {
    Stage r =
        Delivery.read(
                DeliveryReader.Source.of(bytes),
                ReadLimits.standard(),
                Fixtures.TOLERANCE,
                DeliveryReader.Progress.NONE)
            .stage(StageOptions.STANDARD, Watch.NONE);
    CheckContext context = r.context();
    List<Finding> all = CheckCatalogue.run(context);
    assertThat(all)
        .filteredOn(f -> f.code().equals("OPN-606"))
        .as("of five doors the one to the terrace is drawn as glass")
        .singleElement()
        .satisfies(
            f -> {
              assertThat(r.envelope().opening(f.objects().get(0)).orElseThrow().element().name())
                  .isEqualTo("Terrassentuer");
              Envelope after =
                  new Remedies(context).of(f).get(0).repair().apply(r.envelope(), Fixtures.RULES);
              assertThat(after.opening(f.objects().get(0)).orElseThrow().type().isGlazed())
                  .isTrue();
            });
    assertThat(all)
        .filteredOn(f -> f.code().equals("SPC-408"))
        .singleElement()
        .satisfies(f -> assertThat(f.measured()).isCloseTo(15.804225 * 0.2, within(1e-5)));
  }

  @Test
  void boundariesThatNobodyLooksBackAtAreTheEndsOfConstruction() {
    List<Surface> strips =
        house.surfaces().stream().filter(s -> s.exposure() == Exposure.ADIABATIC).toList();
    assertThat(strips).hasSize(15).allMatch(s -> s.kind() == BoundaryKind.READ_2B);
    assertThat(strips.stream().mapToDouble(s -> s.polygon().area()).sum())
        .isCloseTo(8.77, within(0.02));
  }

  @Test
  void everySurfaceKnowsItsSource() {
    assertThat(house.surfaces())
        .allSatisfy(
            s -> {
              assertThat(s.source().elementClass()).isEqualTo("IfcRelSpaceBoundary");
              assertThat(s.source().id()).hasSize(22);
              assertThat(s.source().line()).isPositive();
            });
    assertThat(house.surfaces().stream().filter(s -> s.element() != null))
        .extracting(s -> s.element().elementClass())
        .containsOnly("IfcWallStandardCase", "IfcSlab", "IfcColumn", "IfcVirtualElement");
  }

  @Test
  void theWrittenGbxmlReadsBackEqualAndIsTheSameEveryTime() throws Exception {
    Handover h =
        Handover.of(
            HandoverFormat.GBXML_6_01,
            new CheckContext(house, Limits.STANDARD, Tolerance.standard()),
            ReadLimits.standard());
    assertThat(h.differences()).isEmpty();
    Handover again =
        Handover.of(
            HandoverFormat.GBXML_6_01,
            new CheckContext(
                IfcReader.read(bytes, ReadLimits.standard(), Fixtures.TOLERANCE),
                Limits.STANDARD,
                Tolerance.standard()),
            ReadLimits.standard());
    assertThat(new String(again.bytes(), StandardCharsets.UTF_8))
        .isEqualTo(new String(h.bytes(), StandardCharsets.UTF_8));
    assertThat(Fixtures.read(h.bytes()).spaces()).hasSize(7);
  }
}
