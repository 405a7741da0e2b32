package yentra.core.thermal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Material;
import yentra.core.envelope.SourceRef;
import yentra.core.thermal.CorrectedUValue.AirFaces;
import yentra.core.thermal.CorrectedUValue.Causes;
import yentra.core.thermal.CorrectedUValue.Fasteners;
import yentra.core.thermal.CorrectedUValue.Rain;
import yentra.core.thermal.CorrectedUValue.Taper;

/** Worked examples of ISO 6946:2017, annexes D, E and F (from memory; independent script). */
class CorrectedUValueTest {
  private static final UValueBreakdown.Position WALL = UValueBreakdown.Position.WALL;
  private static final UValueBreakdown.Position ROOF =
      new UValueBreakdown.Position(yentra.core.envelope.Exposure.OUTDOOR, 0);

  private static Material layer(String name, double thickness, Double conductivity) {
    return new Material(
        name, name, thickness, conductivity, null, null, null, SourceRef.REPAIR, Extras.NONE);
  }

  private static Material resisting(double r) {
    return new Material("r", "Deck", null, null, null, null, r, SourceRef.REPAIR, Extras.NONE);
  }

  private static CorrectedUValue of(BuildUp b, UValueBreakdown.Position at, Causes c) {
    assertThat(CorrectedUValue.problem(b, c)).isNull();
    return CorrectedUValue.of(b, at, c);
  }

  /** d0 0.120, d1 0.080, steel 50 W/mK of 20 mm², 4 /m²; R 3.6985714286: 0.0067897430. */
  @Test
  void recessedFasteners() {
    BuildUp b =
        BuildUp.of(
            List.of(
                layer("Insulation", 0.120, 0.035), resisting(3.6985714286 - 0.12 / 0.035 - 0.17)));
    Causes c = new Causes(null, null, null, null, new Fasteners(4, 20e-6, 50, 0.080), null);
    assertThat(of(b, WALL, c).fasteners()).isCloseTo(0.0067897430, within(1e-10));
    assertThat(
            of(b, WALL, new Causes(null, null, null, null, new Fasteners(4, 20e-6, 50, null), null))
                .fasteners())
        .isGreaterThan(0.0067897430);
    assertThat(
            CorrectedUValue.problem(
                b, new Causes(null, null, null, null, new Fasteners(4, 20e-6, 50, 0.2), null)))
        .contains("at most through all of it");
  }

  /** p 3 mm/day, f·x 0.04, R1 3.8888888889, R 4.3588888889: 0.0955170099. */
  @Test
  void rainUnderTheInsulationOfAnInvertedRoof() {
    BuildUp b =
        BuildUp.of(
            List.of(layer("Boards", 0.14, 0.036), resisting(4.3588888889 - 3.8888888889 - 0.14)));
    Causes c = new Causes(null, null, null, null, null, new Rain(3, 0.04));
    assertThat(of(b, ROOF, c).rain()).isCloseTo(0.0955170099, within(1e-9));
  }

  /** R0 1.0, R2 3.0: 0.462098120373, 0.565594987662, 0.358601253084. */
  @Test
  void tapers() {
    BuildUp b = BuildUp.of(List.of(resisting(1 - 0.14)));
    double[] expected = {0.462098120373, 0.565594987662, 0.358601253084};
    for (TaperedLayer shape : TaperedLayer.values()) {
      Causes c = new Causes(null, null, new Taper(shape, 0.12, 0.04), null, null, null);
      assertThat(of(b, ROOF, c).uValue()).isCloseTo(expected[shape.ordinal()], within(1e-12));
    }
  }

  /**
   * 25 mm upright: ha 1.25; ordinary faces E 0.818182, hr 4.212804: 0.183056. One bright face of
   * 0.05: E = 1/(1/0.05 + 1/0.9 - 1) = 0.0497238, R = 1/(1.25 + 0.0497238 · 5.148983) = 0.663998.
   * Divided every 50 mm: radiation ½ E hr0 (1 + √(1 + 0.25) - 0.5).
   */
  @Test
  void brightAndDividedAirLayers() {
    BuildUp b =
        BuildUp.of(List.of(layer("Brick", 0.1, 0.77), layer("Air", 0.025, null), resisting(2)));
    double rest = 0.17 + 0.1 / 0.77 + 2;
    assertThat(
            1
                / of(
                        b,
                        WALL,
                        new Causes(null, new AirFaces(0.9, 0.9, null), null, null, null, null))
                    .uValue())
        .isCloseTo(rest + 0.183056, within(5e-7));
    assertThat(
            1
                / of(
                        b,
                        WALL,
                        new Causes(null, new AirFaces(0.05, 0.9, null), null, null, null, null))
                    .uValue())
        .isCloseTo(rest + 0.663998, within(2e-6));
    double radiation = 0.5 * 0.8181818182 * 5.1489833 * (1 + Math.sqrt(1.25) - 0.5);
    assertThat(
            1
                / of(
                        b,
                        WALL,
                        new Causes(null, new AirFaces(0.9, 0.9, 0.05), null, null, null, null))
                    .uValue())
        .isCloseTo(rest + 1 / (1.25 + radiation), within(1e-6));
  }

  /** A brick whose name holds the letters of air is no air layer. */
  @Test
  void aBrickIsNoAirLayer() {
    BuildUp b = BuildUp.of(List.of(layer("Fairface brick", 0.1, 0.77), layer("Wool", 0.1, 0.035)));
    assertThat(CorrectedUValue.problem(b, new Causes(1000.0, null, null, null, null, null)))
        .contains("air layer");
  }
}
