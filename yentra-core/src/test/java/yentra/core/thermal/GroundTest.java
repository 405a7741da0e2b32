package yentra.core.thermal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * ISO 13370:2017 and ISO 13789:2017 (formulas from memory); worked examples computed independently.
 * The table of solid floors by perimeter to area is that of CIBSE Guide A (from memory).
 */
class GroundTest {
  private static final Offset<Double> PRINTED = within(6e-11);

  @ParameterizedTest
  @CsvSource({
    "48, 28, 2.0, 0.3, 0.0, 0.9642472403",
    "48, 28, 2.0, 0.3, 2.5, 0.2744667503",
    "100, 40, 1.5, 0.3, 0.0, 0.6025938789",
    "100, 40, 1.5, 0.3, 3.0, 0.2027027027",
    "25, 20, 2.0, 0.4, 3.5, 0.2231520223",
    "600, 100, 2.0, 0.35, 1.0, 0.2650605927",
    "60, 34, 3.5, 0.3, 2.0, 0.3627716977"
  })
  void slabs(double area, double perimeter, double ground, double wall, double r, double u) {
    assertThat(new GroundFloor(area, perimeter, ground, wall).slab(r)).isCloseTo(u, PRINTED);
  }

  @Test
  void solidFloorsByPerimeterToArea() {
    double[] table = {
      0.13, 0.22, 0.30, 0.37, 0.44, 0.49, 0.55, 0.60, 0.65, 0.70, 0.74, 0.78, 0.82, 0.86, 0.89,
      0.93, 0.96, 0.99, 1.02, 1.05
    };
    for (int i = 0; i < table.length; i++) {
      GroundFloor f = new GroundFloor(100, 5.0 * (i + 1), GroundFloor.CLAY, 0.3);
      assertThat(f.slab(0)).isCloseTo(table[i], within(0.005));
    }
  }

  @Test
  void theBranchesMeet() {
    double t = 0.3 + 2 * 0.21;
    GroundFloor just = new GroundFloor(t * 20 * 1.0000001, 40, 2, 0.3);
    GroundFloor under = new GroundFloor(t * 20 * 0.9999999, 40, 2, 0.3);
    assertThat(just.slab(0) / under.slab(0)).isCloseTo(1, within(2e-4));
  }

  @Test
  void edgeInsulation() {
    GroundFloor f = new GroundFloor(100, 40, 2, 0.3);
    assertThat(f.slab(0.5)).isCloseTo(0.5315025455, PRINTED);
    double level = f.edge(0.5, false, 1, 0.06, 0.035);
    assertThat(level).isCloseTo(-0.1775476782, PRINTED);
    assertThat(f.slab(0.5, level)).isCloseTo(0.4604834742, PRINTED);
    double upright = f.edge(0.5, true, 1, 0.06, 0.035);
    assertThat(upright).isCloseTo(-0.2800571083, PRINTED);
    assertThat(f.slab(0.5, upright)).isCloseTo(0.4194797021, PRINTED);
  }

  @ParameterizedTest
  @CsvSource({
    "80, 36, 2.4, 2.0, 0.0, 0.0, 0.5321286441, 1.1757510746, 144.15518438",
    "80, 36, 2.4, 2.0, 1.5, 2.5, 0.2877237852, 0.2567617186, 45.20211530",
    "80, 36, 2.4, 2.0, 4.0, 4.0, 0.1673484567, 0.1862693746, 29.48155050",
    "30, 22, 2.5, 1.5, 3.0, 3.0, 0.1970737534, 0.2142662238, 17.69685491"
  })
  void basements(
      double area,
      double perimeter,
      double depth,
      double ground,
      double rf,
      double rw,
      double floor,
      double wall,
      double h) {
    GroundFloor f = new GroundFloor(area, perimeter, ground, 0.3);
    assertThat(f.basementFloor(rf, depth)).isCloseTo(floor, PRINTED);
    assertThat(f.basementWall(rf, rw, depth)).isCloseTo(wall, PRINTED);
    assertThat(f.basement(rf, rw, depth)).isCloseTo(h, within(6e-9));
    assertThat(f.basementFloor(rf, 1e-9)).isCloseTo(f.slab(rf), within(1e-8));
  }

  @Test
  void floorsOverUnheatedBasementsAndVentilatedSpaces() {
    // the example gives no basement; that of the first one above (80 m², 2.4 m deep) is meant
    GroundFloor cellar = new GroundFloor(80, 36, 2, 0.3);
    assertThat(cellar.unheatedBasement(0.6, 0, 0, 2.4, 0.5, 1.5, 0.3, 232))
        .isCloseTo(0.4810522831, PRINTED);
    double floor = 1 / (2 * 0.17 + 0.022 / 0.13 + 0.1 / 0.04);
    assertThat(floor).isCloseTo(0.3323108384, PRINTED);
    GroundFloor over = new GroundFloor(100, 40, 2, 0.3);
    assertThat(over.suspended(floor, 0, 0.5, 1.7, 0.002, 4, 0.05)).isCloseTo(0.2610568368, PRINTED);
  }

  @ParameterizedTest
  @CsvSource({"1.5, 3.0e6, 2.23905800", "2.0, 2.0e6, 3.16650618", "3.5, 2.0e6, 4.18889394"})
  void theYearsSwingReachesSoDeep(double ground, double capacity, double depth) {
    assertThat(new GroundFloor(100, 40, ground, 0.3).penetration(capacity))
        .isCloseTo(depth, within(5e-9));
  }

  @Test
  void theYearsSwingOfASlab() {
    GroundFloor f = new GroundFloor(100, 40, 2, 0.3);
    double depth = f.penetration(2e6);
    assertThat(f.slab(1) * 100).isCloseTo(41.52900341, within(6e-9));
    assertThat(f.swingIndoors(1, depth)).isCloseTo(43.61795740, within(6e-9));
    assertThat(f.swingOutdoors(1, depth)).isCloseTo(22.85211061, within(6e-9));
  }

  @Test
  void garageBesideARoom() {
    UnconditionedSpace garage =
        new UnconditionedSpace(
            25 * 1.2, 40 * 1.8 + 12 * 1.0 + UnconditionedSpace.ventilation(0.5, 60));
    // the example has rounded the heat capacity of air to 0.3333333 Wh/(m³K)
    assertThat(garage.outer()).isCloseTo(94, within(2e-6));
    assertThat(garage.adjustment()).isCloseTo(0.7580645161, within(1e-8));
    assertThat(garage.coefficient()).isCloseTo(22.7419354839, within(1e-7));
    assertThat(garage.temperature(20, -5, 0)).isCloseTo(1.04838710, within(1e-6));
    assertThat(garage.temperature(20, -5, 200)).isCloseTo(2.66129032, within(1e-6));
    assertThat(1 / garage.coefficient())
        .isCloseTo(1 / garage.inner() + 1 / garage.outer(), within(1e-12));
  }

  @Test
  void atticTwoWays() {
    UnconditionedSpace attic = new UnconditionedSpace(16, 398.2);
    assertThat(attic.adjustment()).isCloseTo(0.9613713182, PRINTED);
    double area = 80;
    assertThat(attic.coefficient() / area).isCloseTo(0.1922742636, PRINTED);
    double added = UnconditionedSpace.resistance(area, 398.2);
    assertThat(added).isCloseTo(0.2009040683, PRINTED);
    assertThat(1 / (1 / (16 / area) + added)).isCloseTo(0.1922742636, PRINTED);
  }

  @Test
  void neighboursAndNothingAround() {
    assertThat(UnconditionedSpace.adjustment(20, -5, 16)).isCloseTo(0.16, within(1e-12));
    assertThat(new UnconditionedSpace(10, 0).adjustment()).isZero();
    assertThat(new UnconditionedSpace(10, 1e12).adjustment()).isCloseTo(1, within(1e-9));
  }

  @Test
  void conductivityUnderOtherConditions() {
    // printed without rounding its last digit
    assertThat(DesignConductivity.warmer(0.035, 0.0035, 10)).isCloseTo(0.0362466897, within(2e-10));
    assertThat(DesignConductivity.moister(0.035, 4, 0.01)).isCloseTo(0.0364283771, PRINTED);
  }

  /**
   * ISO 13370, monthly flows (phases from memory): 100 m² on sand, R 1; 10 K between the means, 8 K
   * of swing outdoors, January coldest. The month's losses add up to those of the steady state.
   */
  @Test
  void theYearsCourse() {
    double[] month = {
      539.901304, 590.090872, 593.442696, 549.058658, 468.831426, 374.257821,
      290.678764, 240.489197, 237.137372, 281.521410, 361.748643, 456.322248
    };
    GroundFloor f = new GroundFloor(100, 40, 2.0, 0.3);
    double depth = f.penetration(2e6);
    assertThat(f.lead(1, depth)).isCloseTo(0.67331935, within(1e-8));
    assertThat(f.lag(1, depth)).isCloseTo(1.56765983, within(1e-8));
    GroundFloor.Climate c = new GroundFloor.Climate(20, 0, 10, 8, 1);
    double sum = 0;
    for (int m = 1; m <= 12; m++) {
      assertThat(f.loss(1, depth, c, m)).as("month %d", m).isCloseTo(month[m - 1], within(1e-6));
      sum += f.loss(1, depth, c, m);
    }
    assertThat(sum / 12).isCloseTo(100 * f.slab(1) * 10, within(1e-9));
  }
}
