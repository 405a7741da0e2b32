package yentra.core.thermal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import yentra.core.thermal.BridgedComponent.Section;

/**
 * ISO 6946:2017 (values of its tables from memory); worked examples computed independently from its
 * formulas with the inputs given beside them.
 */
class Iso6946Test {
  private static final Offset<Double> EXACT = within(1e-9);

  /** Of the example's last printed digit. */
  private static final Offset<Double> PRINTED = within(6e-11);

  private static final double BRICK = 0.1025 / 0.77;
  private static final double WOOL = 0.1 / 0.035;
  private static final double BLOCK = 0.1 / 0.15;
  private static final double PLASTER = 0.013 / 0.57;
  private static final SurfaceResistances WALL = SurfaceResistances.outdoor(90);

  private static List<Section> whole(double r) {
    return List.of(new Section(1, r));
  }

  @ParameterizedTest
  @CsvSource({"UP, 0.09859, 0.10", "HORIZONTAL, 0.13085, 0.13", "DOWN, 0.17116, 0.17"})
  void insideResistanceIsThatOfConvectionAndRadiation(HeatFlow flow, double r, double table) {
    assertThat(AirFilm.inside(flow, 0.9, 20)).isCloseTo(r, within(5e-6));
    double tilt = flow == HeatFlow.UP ? 0 : flow == HeatFlow.DOWN ? 180 : 90;
    assertThat(SurfaceResistances.outdoor(tilt).inside()).isEqualTo(table);
  }

  @ParameterizedTest
  @CsvSource({"-10, 4.1332", "0, 4.6225", "10, 5.1490", "20, 5.7140", "30, 6.3189"})
  void blackBodyCoefficient(double celsius, double h) {
    assertThat(AirFilm.black(celsius)).isCloseTo(h, within(5e-5));
  }

  @ParameterizedTest
  @CsvSource({
    "1, 0.08224",
    "2, 0.06188",
    "3, 0.04960",
    "4, 0.04139",
    "5, 0.03551",
    "7, 0.02765",
    "10, 0.02076"
  })
  void outsideResistanceFallsWithTheWind(double wind, double r) {
    assertThat(AirFilm.outside(wind, 0.9, 0)).isCloseTo(r, within(5e-6));
  }

  @ParameterizedTest
  @CsvSource({
    "0.020, HORIZONTAL, 0.175",
    "0.035, DOWN, 0.198",
    "0.075, DOWN, 0.215",
    "0.012, UP, 0.154",
    "0.3, DOWN, 0.23",
    "0, UP, 0"
  })
  void airLayersAreInterpolatedFromTheTable(double d, HeatFlow flow, double r) {
    assertThat(AirLayer.unventilated(d, flow)).isCloseTo(r, EXACT);
  }

  @ParameterizedTest
  @CsvSource({
    "0.005, 0.108545, 0.108545, 0.108545",
    "0.007, 0.128465, 0.128465, 0.128465",
    "0.010, 0.148969, 0.148969, 0.148969",
    "0.015, 0.162264, 0.170083, 0.170083",
    "0.025, 0.162264, 0.183056, 0.191835",
    "0.050, 0.162264, 0.183056, 0.212188",
    "0.100, 0.162264, 0.183056, 0.220104",
    "0.300, 0.162264, 0.183056, 0.226417"
  })
  void theFormulaGivesTheTable(double d, double up, double level, double down) {
    double[] r = {up, level, down};
    for (HeatFlow flow : HeatFlow.values()) {
      double of = AirLayer.of(d, flow, 0.9, 0.9, 10);
      assertThat(of).isCloseTo(r[flow.ordinal()], within(5e-7));
      assertThat(AirLayer.unventilated(d, flow)).isCloseTo(of, within(0.005));
    }
  }

  @Test
  void aWideDividedSpaceIsALayerAndANarrowOneResistsMore() {
    double layer = AirLayer.of(0.05, HeatFlow.HORIZONTAL, 0.9, 0.9, 10);
    assertThat(AirLayer.divided(0.05, 1e6, HeatFlow.HORIZONTAL, 0.9, 0.9, 10))
        .isCloseTo(layer, within(1e-6));
    assertThat(AirLayer.divided(0.05, 0.05, HeatFlow.HORIZONTAL, 0.9, 0.9, 10))
        .isGreaterThan(layer);
  }

  @Test
  void thickerAirLayersAreNotGuessedAt() {
    assertThatThrownBy(() -> AirLayer.unventilated(0.31, HeatFlow.UP)).hasMessageContaining("0.31");
  }

  @Test
  void cavityWall() {
    double r = WALL.sum() + BRICK + WOOL + BLOCK + PLASTER;
    assertThat(r).isCloseTo(3.8497334245, PRINTED);
    assertThat(1 / r).isCloseTo(0.2597582455, PRINTED);
  }

  @Test
  void timberFrame() {
    BridgedComponent c =
        BridgedComponent.of(
            List.of(
                whole(BRICK),
                whole(0.18),
                whole(0.009 / 0.13),
                List.of(new Section(0.85, 0.14 / 0.035), new Section(0.15, 0.14 / 0.13)),
                whole(0.0125 / 0.25)),
            WALL);
    assertThat(c.upper()).isCloseTo(3.6494640122, PRINTED);
    assertThat(c.lower()).isCloseTo(3.4449872463, PRINTED);
    assertThat(c.resistance()).isCloseTo(3.5472256292, PRINTED);
    assertThat(c.uValue()).isCloseTo(0.2819104575, PRINTED);
    assertThat(c.error() * 100).isCloseTo(2.8822, within(5e-5));
    assertThat(c.upper() / c.lower()).isCloseTo(1.05935, within(5e-6));
    assertThat(c.holds()).isTrue();
  }

  @Test
  void crossingLayers() {
    List<List<Section>> layers =
        List.of(
            whole(BRICK),
            whole(0.18),
            whole(0.009 / 0.13),
            List.of(new Section(0.85, 0.14 / 0.035), new Section(0.15, 0.14 / 0.13)),
            List.of(new Section(0.9, 0.04 / 0.035), new Section(0.1, 0.04 / 0.13)),
            whole(0.0125 / 0.25));
    double[][] paths = {
      {0.7650, 5.7452047952}, {0.0850, 4.9100399600}, {0.1350, 2.8221278721}, {0.0150, 1.9869630370}
    };
    List<BridgedComponent.Path> found = BridgedComponent.paths(layers, WALL);
    for (int i = 0; i < paths.length; i++) {
      assertThat(found.get(i).share()).isCloseTo(paths[i][0], EXACT);
      assertThat(found.get(i).resistance()).isCloseTo(paths[i][1], PRINTED);
    }
    BridgedComponent c = BridgedComponent.of(layers, WALL);
    assertThat(c.upper()).isCloseTo(4.8578721502, PRINTED);
    assertThat(c.lower()).isCloseTo(4.3438636508, PRINTED);
    assertThat(c.uValue()).isCloseTo(0.2173502960, PRINTED);
    assertThat(c.error() * 100).isCloseTo(5.5860, within(5e-5));
  }

  @ParameterizedTest
  @CsvSource({
    "90, false, 0.3197807218", "0, false, 0.3228782288", "180, false, 0.3157419937",
    "90, true, 0.3108348135", "0, true, 0.3167420814", "180, true, 0.3032928943"
  })
  void oneSlabInSixPlaces(double tilt, boolean indoor, double u) {
    SurfaceResistances air =
        indoor ? SurfaceResistances.indoor(tilt) : SurfaceResistances.outdoor(tilt);
    assertThat(1 / (air.sum() + 0.2 / 2.0 + 0.1 / 0.035)).isCloseTo(u, PRINTED);
  }

  @ParameterizedTest
  @CsvSource({
    "500, 4.0297334245",
    "750, 3.9739542037",
    "1000, 3.9181749829",
    "1250, 3.8623957621",
    "1500, 3.8066165414",
    "100, 4.0297334245",
    "9000, 3.8066165414"
  })
  void ventilatedCavity(double openings, double r) {
    double still = WALL.sum() + BRICK + 0.18 + WOOL + BLOCK + PLASTER;
    double open = 2 * WALL.inside() + WOOL + BLOCK + PLASTER;
    assertThat(AirLayer.ventilated(openings, still, open)).isCloseTo(r, PRINTED);
  }

  @Test
  void corrections() {
    double r = 3.8497334245;
    double gaps = UValueCorrection.airGaps(UValueCorrection.AirGaps.BRIDGING, WOOL, r);
    assertThat(gaps).isCloseTo(0.0055081099, PRINTED);
    assertThat(UValueCorrection.airGaps(UValueCorrection.AirGaps.NONE, WOOL, r)).isZero();
    assertThat(UValueCorrection.airGaps(UValueCorrection.AirGaps.CIRCULATING, WOOL, r))
        .isCloseTo(0.0220324395, PRINTED);
    double ties = UValueCorrection.fasteners(17, 12.5e-6, 2.5, 0.1, 0.1, WOOL, r);
    assertThat(ties).isCloseTo(0.0023409467, PRINTED);
    double u = 1 / r;
    assertThat(u + gaps + ties).isCloseTo(0.2676073021, within(1e-9));
    assertThat((gaps + ties) / u).isCloseTo(0.030217, within(5e-7));
    assertThat((gaps + ties) / u).isGreaterThan(UValueCorrection.NEGLIGIBLE);
    assertThat(UValueCorrection.fasteners(50, 20e-6, 4, 0.120, 0.080, 2.2857142857, 3.6985714286))
        .isCloseTo(0.0067897430, PRINTED);
    assertThat(UValueCorrection.invertedRoof(3, 0.04, 3.8888888889, 4.3588888889))
        .isCloseTo(0.0955170099, PRINTED);
  }

  @Test
  void taperedLayers() {
    assertThat(TaperedLayer.RECTANGLE.uValue(1, 3)).isCloseTo(0.462098120373, within(5e-13));
    assertThat(TaperedLayer.THICKEST_AT_APEX.uValue(1, 3)).isCloseTo(0.565594987662, within(5e-13));
    assertThat(TaperedLayer.THINNEST_AT_APEX.uValue(1, 3)).isCloseTo(0.358601253084, within(5e-13));
  }

  /**
   * The mean of 1/(R0 + R) over the area, by numbers instead of formulas: R grows evenly across a
   * rectangle; across a triangle the width of the strip of each height counts. Down to a taper so
   * thin that the standard's formulas lose every digit.
   */
  @ParameterizedTest
  @EnumSource(TaperedLayer.class)
  void taperedLayersAreTheMeanOverTheArea(TaperedLayer shape) {
    for (double r2 : new double[] {5, 1, 0.2, 0.11, 0.0999, 0.01, 1e-4, 1e-7, 1e-10, 0}) {
      double r0 = 0.8;
      int n = 20_000;
      double sum = 0;
      double weights = 0;
      for (int i = 0; i < n; i++) {
        double t = (i + 0.5) / n;
        double w =
            switch (shape) {
              case RECTANGLE -> 1;
              case THICKEST_AT_APEX -> 1 - t;
              case THINNEST_AT_APEX -> t;
            };
        sum += w / (r0 + t * r2);
        weights += w;
      }
      assertThat(shape.uValue(r0, r2)).as("R2 %s", r2).isCloseTo(sum / weights, within(2e-9));
    }
  }

  @ParameterizedTest
  @CsvSource({
    "Air, true",
    "'Air layer, 50 mm', true",
    "Cavity, true",
    "unventilated air gap 25mm, true",
    "Ruhende Luftschicht, true",
    "Lame d'air non ventilée, true",
    "Fairface brick, false",
    "Air brick, false",
    "Cavity wall insulation, false",
    "Stair tread, false",
    "Void former, false",
    "Layer 5, false",
    "'', false"
  })
  void airLayersByName(String name, boolean air) {
    assertThat(AirLayer.isCalledSo(name)).isEqualTo(air);
  }
}
