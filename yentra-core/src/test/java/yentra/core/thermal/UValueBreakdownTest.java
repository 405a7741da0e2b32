package yentra.core.thermal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Material;
import yentra.core.envelope.SourceRef;
import yentra.core.thermal.UValueBreakdown.Position;
import yentra.core.thermal.UValueBreakdown.Step;

/** The lines by which a U-value is shown to come about (ISO 6946:2017, films from memory). */
class UValueBreakdownTest {
  private static Material material(String name, Double thickness, Double conductivity, Double r) {
    return new Material(
        name, name, thickness, conductivity, null, null, r, SourceRef.REPAIR, Extras.NONE);
  }

  private static final BuildUp CAVITY =
      BuildUp.of(
          List.of(
              material("Brick", 0.1, 0.8, null),
              material("Air", 0.025, null, null),
              material("Board", null, null, 0.5)));

  @Test
  void aWallToOutdoorAir() {
    UValueBreakdown b = UValueBreakdown.of(CAVITY, Position.WALL);
    assertThat(b.steps())
        .extracting(Step::what)
        .containsExactly(
            "Air outside (Rse)",
            "Brick",
            "Air",
            "Board",
            "Air inside (Rsi), heat flows " + HeatFlow.HORIZONTAL.label());
    assertThat(b.steps().get(0).resistance()).isEqualTo(0.04);
    assertThat(b.steps().get(1).resistance()).isCloseTo(0.125, within(1e-12));
    assertThat(b.steps().get(2).resistance()).isCloseTo(0.18, within(5e-3));
    assertThat(b.steps().get(4).resistance()).isEqualTo(0.13);
    double total = b.steps().stream().mapToDouble(Step::resistance).sum();
    assertThat(b.resistance()).isCloseTo(total, within(1e-12));
    assertThat(b.uValue()).isCloseTo(1 / total, within(1e-12));
    assertThat(b.upper()).isNull();
    assertThat(b.lower()).isNull();
    assertThat(b.assumptions())
        .containsExactly("Air: taken for an air layer that is not ventilated.");
  }

  @Test
  void aFloorToAnotherSpaceHasStillAirOnBothFaces() {
    UValueBreakdown b = UValueBreakdown.of(CAVITY, new Position(Exposure.SPACE, 180));
    assertThat(b.steps().get(0).what()).isEqualTo("Air on the other side (Rsi)");
    assertThat(b.steps().get(0).resistance()).isEqualTo(0.17);
    assertThat(b.steps().get(4).what()).endsWith(HeatFlow.DOWN.label());
  }

  @Test
  void onTheGroundThereIsNoAirOutside() {
    UValueBreakdown b = UValueBreakdown.of(CAVITY, new Position(Exposure.GROUND, 180));
    assertThat(b.steps().get(0).what()).isEqualTo("Brick");
    assertThat(b.steps()).hasSize(4);
    assertThat(b.assumptions())
        .contains("Of the component alone; the ground adds to it (ISO 13370).");
  }

  @Test
  void whatIsNotKnownIsSaid() {
    UValueBreakdown b =
        UValueBreakdown.of(BuildUp.of(List.of(material("Brick", 0.1, null, null))), Position.WALL);
    assertThat(b.uValue()).isNull();
    assertThat(b.resistance()).isNull();
    assertThat(b.steps().get(1).resistance()).isNull();
    assertThat(b.assumptions()).isEmpty();
  }

  /** Timber in insulation: between both limits lies the value; too far apart, it says so. */
  @Test
  void bridgedLayers() {
    List<BuildUp.Constituent> studs =
        List.of(
            new BuildUp.Constituent(material("Wool", 0.1, 0.035, null), 0.85),
            new BuildUp.Constituent(material("Timber", 0.1, 0.13, null), 0.15));
    UValueBreakdown b = UValueBreakdown.of(new BuildUp(List.of(studs), true), Position.WALL);
    assertThat(b.steps()).hasSize(4);
    assertThat(b.steps().get(1).share()).isEqualTo(0.85);
    double upper = 1 / (0.85 / (0.17 + 0.1 / 0.035) + 0.15 / (0.17 + 0.1 / 0.13));
    double lower = 0.17 + 1 / (0.85 / (0.1 / 0.035) + 0.15 / (0.1 / 0.13));
    assertThat(b.upper()).isCloseTo(upper, within(1e-12));
    assertThat(b.lower()).isCloseTo(lower, within(1e-12));
    assertThat(b.uValue()).isCloseTo(2 / (upper + lower), within(1e-12));
    assertThat(b.assumptions()).isEmpty();
    List<BuildUp.Constituent> steel =
        List.of(
            new BuildUp.Constituent(material("Wool", 0.2, 0.03, null), 0.99),
            new BuildUp.Constituent(material("Steel", 0.2, 50.0, null), 0.01));
    assertThat(UValueBreakdown.of(new BuildUp(List.of(steel), true), Position.WALL).assumptions())
        .anyMatch(a -> a.contains("the method of ISO 6946 does not hold"));
  }

  @Test
  void onlyAThinLayerThatIsCalledSoIsAir() {
    assertThat(UValueBreakdown.isAirLayer(material("Air", 0.025, null, null))).isTrue();
    assertThat(UValueBreakdown.isAirLayer(material("Air", AirLayer.THICKEST, null, null))).isTrue();
    assertThat(UValueBreakdown.isAirLayer(material("Air", AirLayer.THICKEST + 0.01, null, null)))
        .isFalse();
    assertThat(UValueBreakdown.isAirLayer(material("Air", 0.0, null, null))).isFalse();
    assertThat(UValueBreakdown.isAirLayer(material("Air", null, null, null))).isFalse();
    assertThat(UValueBreakdown.isAirLayer(material("Air", 0.025, 0.03, null))).isFalse();
    assertThat(UValueBreakdown.isAirLayer(material("Air", 0.025, null, 0.2))).isFalse();
    assertThat(UValueBreakdown.isAirLayer(material("Brick", 0.025, null, null))).isFalse();
  }

  @Test
  void resistanceOfLayersWithoutAirAtTheFaces() {
    assertThat(CAVITY.resistance()).isEmpty();
    assertThat(
            BuildUp.of(
                    List.of(material("Brick", 0.1, 0.8, null), material("Foil", null, null, 0.0)))
                .resistance()
                .orElseThrow())
        .isCloseTo(0.125, within(1e-12));
    assertThat(BuildUp.of(List.of()).resistance()).isEmpty();
    // an infinite conductance is no layer beside another
    List<BuildUp.Constituent> beside =
        List.of(
            new BuildUp.Constituent(material("Wool", 0.1, 0.04, null), 0.5),
            new BuildUp.Constituent(material("Void", null, null, 0.0), 0.5));
    assertThat(new BuildUp(List.of(beside), true).resistance()).isEmpty();
    assertThat(new BuildUp(List.of(beside), true).bridged(SurfaceResistances.outdoor(90)))
        .isEmpty();
    List<BuildUp.Constituent> half =
        List.of(
            new BuildUp.Constituent(material("Wool", 0.1, 0.04, null), 0.5),
            new BuildUp.Constituent(material("Timber", 0.1, 0.1, null), 0.5));
    assertThat(new BuildUp(List.of(half), true).resistance().orElseThrow())
        .isCloseTo(1 / (0.5 / 2.5 + 0.5 / 1), within(1e-12));
    assertThat(new BuildUp(List.of(half), false).resistance()).isEmpty();
    // no conductivity, a stated resistance
    assertThat(BuildUp.resistance(material("x", 0.1, 0.0, 0.7)).orElseThrow()).isEqualTo(0.7);
  }

  @Test
  void thicknessIsThatOfTheThickestBeside() {
    List<BuildUp.Constituent> beside =
        List.of(
            new BuildUp.Constituent(material("Wool", 0.1, 0.04, null), 0.5),
            new BuildUp.Constituent(material("Timber", 0.12, 0.1, null), 0.5));
    BuildUp b =
        new BuildUp(
            List.of(beside, List.of(new BuildUp.Constituent(material("B", 0.02, 0.2, null), 1))),
            true);
    assertThat(b.thickness().orElseThrow()).isCloseTo(0.14, within(1e-12));
    assertThat(BuildUp.of(List.of(material("x", null, null, 1.0))).thickness()).isEmpty();
  }
}
