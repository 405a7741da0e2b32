package yentra.core.thermal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Material;
import yentra.core.envelope.SourceRef;

/**
 * Worked examples by the formulas of ISO 6946:2017, 6.5.2 and 6.7.1, with the surface resistances
 * of its table 7 (from memory); figures worked out apart from this code.
 */
class BuildUpTest {
  private static Material layer(double thickness, double conductivity) {
    return new Material(
        "m", "", thickness, conductivity, null, null, null, SourceRef.REPAIR, Extras.NONE);
  }

  @Test
  void cavityWallOfBrickWoolBlockAndPlaster() {
    BuildUp wall =
        BuildUp.of(
            List.of(layer(0.1025, 0.77), layer(0.1, 0.035), layer(0.1, 0.15), layer(0.013, 0.57)));
    assertThat(wall.resistance().orElseThrow() + 0.17).isCloseTo(3.8497334245, within(1e-9));
    assertThat(wall.uValue(SurfaceResistances.outdoor(90)).orElseThrow())
        .isCloseTo(0.2597582455, within(1e-9));
    assertThat(wall.thickness().orElseThrow()).isCloseTo(0.3155, within(1e-12));
  }

  /** One slab in six positions: the choice of surface resistances. */
  @ParameterizedTest
  @CsvSource({
    "outdoor, 90, 0.3197807218",
    "outdoor, 0, 0.3228782288",
    "outdoor, 180, 0.3157419937",
    "indoor, 90, 0.3108348135",
    "indoor, 0, 0.3167420814",
    "indoor, 180, 0.3032928943"
  })
  void surfaceResistancesByDirection(String where, double tilt, double u) {
    BuildUp slab = BuildUp.of(List.of(layer(0.2, 2.0), layer(0.1, 0.035)));
    SurfaceResistances air =
        where.equals("outdoor")
            ? SurfaceResistances.outdoor(tilt)
            : SurfaceResistances.indoor(tilt);
    assertThat(slab.uValue(air).orElseThrow()).isCloseTo(u, within(1e-9));
  }

  @Test
  void directionsWithin30DegreesOfLevelAreHorizontal() {
    assertThat(SurfaceResistances.outdoor(60)).isEqualTo(SurfaceResistances.outdoor(90));
    assertThat(SurfaceResistances.outdoor(120)).isEqualTo(SurfaceResistances.outdoor(90));
    assertThat(SurfaceResistances.outdoor(59.9).inside()).isEqualTo(0.10);
    assertThat(SurfaceResistances.outdoor(120.1).inside()).isEqualTo(0.17);
    assertThat(SurfaceResistances.ground(180).sum()).isEqualTo(0.17);
  }

  @Test
  void aLayerThatSaysNothingLeavesTheSumOpen() {
    Material unknown =
        new Material("m", "", 0.1, null, null, null, null, SourceRef.REPAIR, Extras.NONE);
    BuildUp b = BuildUp.of(List.of(layer(0.1, 0.5), unknown));
    assertThat(b.resistance()).isEmpty();
    assertThat(b.uValue(SurfaceResistances.NONE)).isEmpty();
    assertThat(new BuildUp(BuildUp.of(List.of(layer(0.1, 0.5))).layers(), false).resistance())
        .isEmpty();
    Material stated =
        new Material("m", "", null, null, null, null, 0.18, SourceRef.REPAIR, Extras.NONE);
    assertThat(BuildUp.of(List.of(stated)).uValue(SurfaceResistances.NONE).orElseThrow())
        .isCloseTo(1 / 0.18, within(1e-12));
  }
}
