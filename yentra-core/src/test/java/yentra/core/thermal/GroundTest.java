package yentra.core.thermal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yentra.core.thermal.HeatLossOptions.EdgeInsulation;
import yentra.core.thermal.HeatLossOptions.SuspendedFloor;

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
      GroundFloor f = new GroundFloor(100, 5.0 * (i + 1), GroundKind.CLAY.conductivity(), 0.3);
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
    double level = f.edge(0.5, new EdgeInsulation(false, 1, 0.06, 0.035));
    assertThat(level).isCloseTo(-0.1775476782, PRINTED);
    assertThat(f.slab(0.5, level)).isCloseTo(0.4604834742, PRINTED);
    double upright = f.edge(0.5, new EdgeInsulation(true, 1, 0.06, 0.035));
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
    assertThat(
            area * f.basementFloor(rf, depth) + depth * perimeter * f.basementWall(rf, rw, depth))
        .isCloseTo(h, within(6e-9));
    assertThat(f.basementFloor(rf, 1e-9)).isCloseTo(f.slab(rf), within(1e-8));
  }

  @Test
  void floorsOverVentilatedSpaces() {
    double floor = 1 / (2 * 0.17 + 0.022 / 0.13 + 0.1 / 0.04);
    assertThat(floor).isCloseTo(0.3323108384, PRINTED);
    GroundFloor over = new GroundFloor(100, 40, 2, 0.3);
    assertThat(over.suspended(floor, new SuspendedFloor(0.5, 1.7, 0.002, 4, 0.05, 0)))
        .isCloseTo(0.2610568368, PRINTED);
  }

  /**
   * The floor over an unheated basement (example of ISO 13370; 80 m², 2.4 m deep, not insulated,
   * 0.3 air changes of 232 m³, which it takes at 0.33 Wh/(m³K)), as a network of one space.
   */
  @Test
  void floorOverAnUnheatedBasement() {
    GroundFloor f = new GroundFloor(80, 36, 2, 0.3);
    UnconditionedSpaces cellar = new UnconditionedSpaces();
    cellar.add("cellar");
    cellar.inside("cellar", 80 * 0.6);
    cellar.outside(
        "cellar",
        80 * f.basementFloor(0, 2.4)
            + 2.4 * 36 * f.basementWall(0, 0, 2.4)
            + 0.5 * 36 * 1.5
            + 0.33 * 0.3 * 232);
    assertThat(0.6 * cellar.adjustments().get("cellar")).isCloseTo(0.4810522831, PRINTED);
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

  private static double adjustment(double inner, double outer) {
    UnconditionedSpaces one = new UnconditionedSpaces();
    one.add("x");
    one.inside("x", inner);
    one.outside("x", outer);
    return one.adjustments().get("x");
  }

  @Test
  void garageBesideARoom() {
    double outer = 40 * 1.8 + 12 * 1.0 + UnconditionedSpaces.ventilation(0.5, 60);
    // the example has rounded the heat capacity of air to 0.3333333 Wh/(m³K)
    assertThat(outer).isCloseTo(94, within(2e-6));
    double b = adjustment(25 * 1.2, outer);
    assertThat(b).isCloseTo(0.7580645161, within(1e-8));
    assertThat(b * 30).isCloseTo(22.7419354839, within(1e-7));
    assertThat(1 / (b * 30)).isCloseTo(1 / 30.0 + 1 / outer, within(1e-12));
  }

  @Test
  void attic() {
    assertThat(adjustment(16, 398.2)).isCloseTo(0.9613713182, PRINTED);
    assertThat(adjustment(16, 398.2) * 16 / 80).isCloseTo(0.1922742636, PRINTED);
  }

  @Test
  void nothingAround() {
    assertThat(adjustment(10, 0)).isZero();
    assertThat(adjustment(0, 0)).isZero();
    assertThat(adjustment(10, 1e12)).isCloseTo(1, within(1e-9));
  }

  /**
   * Two in a row: indoors – 10 W/K – x – 4 W/K – y – 6 W/K – outdoors. The flow through all three
   * is 1/(1/10 + 1/4 + 1/6); x has lost a tenth of it below indoors, y all but a sixth. Without the
   * exchange between them x would lose nothing.
   */
  @Test
  void unconditionedSpacesInARow() {
    UnconditionedSpaces row = new UnconditionedSpaces();
    row.add("x");
    row.add("y");
    row.inside("x", 10);
    row.between("x", "y", 4);
    row.outside("y", 6);
    double flow = 1 / (1 / 10.0 + 1 / 4.0 + 1 / 6.0);
    assertThat(row.adjustments().get("x")).isCloseTo(flow / 10, within(1e-13));
    assertThat(row.adjustments().get("y")).isCloseTo(1 - flow / 6, within(1e-13));
  }

  /** A long chain of equal links is a straight line of temperatures. */
  @Test
  void aLongChain() {
    UnconditionedSpaces chain = new UnconditionedSpaces();
    int n = 500;
    for (int i = 0; i < n; i++) {
      chain.add("s" + i);
    }
    chain.inside("s0", 3);
    chain.outside("s" + (n - 1), 3);
    for (int i = 1; i < n; i++) {
      chain.between("s" + (i - 1), "s" + i, 3);
    }
    for (int i = 0; i < n; i++) {
      assertThat(chain.adjustments().get("s" + i)).isCloseTo((i + 1.0) / (n + 1), within(1e-10));
    }
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
