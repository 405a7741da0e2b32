package yentra.core.thermal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
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

  private static String problem(BuildUp b, Causes c) {
    return CorrectedUValue.problem(b, c);
  }

  private static Causes faces(double outer, double inner, Double width) {
    return new Causes(null, new AirFaces(outer, inner, width), null, null, null, null);
  }

  private static Causes fasteners(double number, double area, double conductivity, Double depth) {
    return new Causes(
        null, null, null, null, new Fasteners(number, area, conductivity, depth), null);
  }

  private static Causes taper(TaperedLayer shape, double thickness, double conductivity) {
    return new Causes(null, null, new Taper(shape, thickness, conductivity), null, null, null);
  }

  private static Causes rain(double rain, double drained) {
    return new Causes(null, null, null, null, null, new Rain(rain, drained));
  }

  private static final BuildUp CAVITY =
      BuildUp.of(List.of(layer("Brick", 0.1, 0.77), layer("Air", 0.025, null), resisting(2)));
  private static final BuildUp WOOL =
      BuildUp.of(List.of(layer("Brick", 0.1, 0.77), layer("Wool", 0.12, 0.035)));

  @Test
  void whatSaysNothing() {
    assertThat(Causes.NONE.nothing()).isTrue();
    assertThat(
            new Causes(
                    null,
                    null,
                    null,
                    UValueCorrection.AirGaps.NONE,
                    new Fasteners(0, 1e-5, 50, null),
                    new Rain(0, 0.04))
                .nothing())
        .isTrue();
    assertThat(new Causes(0.0, null, null, null, null, null).nothing()).isFalse();
    assertThat(faces(0.9, 0.9, null).nothing()).isFalse();
    assertThat(taper(TaperedLayer.values()[0], 0.1, 0.04).nothing()).isFalse();
    assertThat(
            new Causes(null, null, null, UValueCorrection.AirGaps.values()[1], null, null)
                .nothing())
        .isFalse();
    assertThat(fasteners(4, 1e-5, 50, null).nothing()).isFalse();
    assertThat(rain(3, 0.04).nothing()).isFalse();
  }

  @Test
  void endsOfWhatIsReckonedWith() {
    assertThat(problem(CAVITY, new Causes(0.0, null, null, null, null, null))).isNull();
    assertThat(problem(CAVITY, new Causes(1e6, null, null, null, null, null))).isNull();
    assertThat(problem(CAVITY, new Causes(-1.0, null, null, null, null, null)))
        .contains("Openings lie between");
    assertThat(problem(CAVITY, new Causes(1e6 + 1, null, null, null, null, null)))
        .contains("Openings lie between");
    assertThat(problem(CAVITY, faces(0.01, 1, 0.005))).isNull();
    assertThat(problem(CAVITY, faces(1, 0.01, 100.0))).isNull();
    for (Causes c :
        List.of(
            faces(0.009, 0.9, null),
            faces(1.01, 0.9, null),
            faces(0.9, 0.009, null),
            faces(0.9, 1.01, null),
            faces(0.9, 0.9, 0.004),
            faces(0.9, 0.9, 101.0))) {
      assertThat(problem(CAVITY, c)).contains("Emissivities lie between");
    }
    assertThat(problem(WOOL, taper(TaperedLayer.values()[0], 0, 0.005))).isNull();
    assertThat(problem(WOOL, taper(TaperedLayer.values()[0], 2, 400))).isNull();
    for (Causes c :
        List.of(
            taper(null, 0.1, 0.04),
            taper(TaperedLayer.values()[0], -0.1, 0.04),
            taper(TaperedLayer.values()[0], 2.1, 0.04),
            taper(TaperedLayer.values()[0], 0.1, 0.004),
            taper(TaperedLayer.values()[0], 0.1, 401))) {
      assertThat(problem(WOOL, c)).contains("A taper is up to 2 m");
    }
    assertThat(problem(WOOL, rain(0, 0))).isNull();
    assertThat(problem(WOOL, rain(50, 0.1))).isNull();
    for (Causes c : List.of(rain(-1, 0.04), rain(51, 0.04), rain(3, -0.01), rain(3, 0.11))) {
      assertThat(problem(WOOL, c)).contains("Rain lies between");
    }
    assertThat(problem(WOOL, fasteners(0, 0.01, 1000, 0.12))).isNull();
    assertThat(problem(WOOL, fasteners(1000, 1e-6, 1e-3, null))).isNull();
    for (Causes c :
        List.of(
            fasteners(-1, 1e-5, 50, null),
            fasteners(1001, 1e-5, 50, null),
            fasteners(4, 0, 50, null),
            fasteners(4, 0.011, 50, null),
            fasteners(4, 1e-5, 0, null),
            fasteners(4, 1e-5, 1001, null))) {
      assertThat(problem(WOOL, c)).contains("up to 1000 fasteners");
    }
    assertThat(problem(WOOL, fasteners(4, 1e-5, 50, 0.0))).contains("at most through all of it");
    assertThat(problem(WOOL, fasteners(4, 1e-5, 50, 0.121))).contains("at most through all of it");
    assertThat(problem(BuildUp.of(List.of(resisting(3))), fasteners(4, 1e-5, 50, null)))
        .contains("thickness of its insulation is not stated");
  }

  @Test
  void layersThatSayNothing() {
    BuildUp unknown = BuildUp.of(List.of(layer("Brick", 0.1, null)));
    assertThat(problem(unknown, Causes.NONE)).isEqualTo("The layers do not say its resistance.");
    BuildUp thin =
        BuildUp.of(
            List.of(
                new Material(
                    "a", "Air", null, null, null, null, 0.18, SourceRef.REPAIR, Extras.NONE)));
    assertThat(problem(thin, faces(0.9, 0.9, null)))
        .isEqualTo("The thickness of its air layer is not stated.");
    assertThatThrownBy(() -> CorrectedUValue.of(unknown, WALL, Causes.NONE))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessage("The layers do not say its resistance.");
  }

  /**
   * ISO 6946, 6.9.3 (from memory): a well ventilated air layer (from 1500 mm² per m) leaves the
   * layers inside it with still air on both faces; a slightly ventilated one (up to 500) is as a
   * closed one; between them by share.
   */
  @Test
  void ventilatedAirLayers() {
    double closed = 1 / of(CAVITY, WALL, Causes.NONE).uValue();
    double open = 2 + 2 * 0.13;
    assertThat(closed).isCloseTo(0.17 + 0.1 / 0.77 + 0.18 + 2, within(5e-3));
    assertThat(1 / ventilated(500)).isCloseTo(closed, within(1e-12));
    assertThat(1 / ventilated(1500)).isCloseTo(open, within(1e-12));
    assertThat(1 / ventilated(1000)).isCloseTo((closed + open) / 2, within(1e-9));
    // nothing inside it but air
    BuildUp screen = BuildUp.of(List.of(layer("Brick", 0.1, 0.77), layer("Air", 0.025, null)));
    assertThat(1 / of(screen, WALL, new Causes(1500.0, null, null, null, null, null)).airLayer())
        .isCloseTo(0.26, within(1e-12));
  }

  private static double ventilated(double openings) {
    CorrectedUValue c = of(CAVITY, WALL, new Causes(openings, null, null, null, null, null));
    assertThat(c.tapered()).isEqualTo(c.airLayer());
    return c.airLayer();
  }

  /** ΔU below 3 % of U may be left out (ISO 6946, 7.2, from memory). */
  @Test
  void whatMayBeLeftOut() {
    assertThat(new CorrectedUValue(0.3, 0.3, 0.2, 0.001, 0.002, 0.002).negligible()).isTrue();
    assertThat(new CorrectedUValue(0.3, 0.3, 0.2, 0.002, 0.002, 0.003).negligible()).isFalse();
    CorrectedUValue c = new CorrectedUValue(0.3, 0.31, 0.2, 0.01, 0.02, 0.04);
    assertThat(c.added()).isCloseTo(0.07, within(1e-15));
    assertThat(c.uValue()).isCloseTo(0.27, within(1e-15));
  }

  /** ΔU'' 0.04, RI 3.428571, Rtot 3.728441: 0.0338… (ISO 6946, annex F.2, from memory). */
  @Test
  void gapsAreCountedOnTheInsulation() {
    double r = 0.12 / 0.035;
    double total = 0.17 + 0.1 / 0.77 + r;
    UValueCorrection.AirGaps most = UValueCorrection.AirGaps.values()[2];
    CorrectedUValue c = of(WOOL, WALL, new Causes(null, null, null, most, null, null));
    assertThat(c.gaps()).isCloseTo(0.04 * (r / total) * (r / total), within(1e-12));
    assertThat(c.uValue()).isCloseTo(1 / total + c.gaps(), within(1e-12));
  }
}
