package yentra.core.thermal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.rooms;

import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import org.junit.jupiter.api.Test;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Material;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.thermal.HeatLoss.Beyond;
import yentra.core.thermal.HeatLoss.Sum;

/** The two rooms of 20 m² and 60 m³ each, all of 0.3 m of brick of 0.8 W/mK, worked out by hand. */
class HeatLossTest {
  private static final double R = 0.3 / 0.8;
  private static final double WALL = 1 / (0.17 + R);
  private static final double ROOF = 1 / (0.14 + R);

  private static HeatLoss of(Envelope e, Predicate<Space> conditioned) {
    return HeatLoss.of(e, s -> s.polygon().tilt(), s -> 60, conditioned, s -> true);
  }

  private static boolean upright(Surface s) {
    return Math.abs(s.polygon().tilt() - 90) < 30;
  }

  @Test
  void bothRoomsHeated() {
    HeatLoss h = of(rooms(), s -> true);
    Sum all = h.total(HeatLossTest::upright);
    // walls 2 x (8 x 3 + 5 x 3) less the window of 2.4 m², which has 1.3 W/m²K
    assertThat(all.heatLoss().get(Beyond.OUTDOOR))
        .isCloseTo((78 - 2.4) * WALL + 2.4 * 1.3 + 40 * ROOF, within(1e-9));
    // 8 m x 5 m of slab on sand, walls 0.3 m thick (ISO 13370)
    assertThat(all.heatLoss().get(Beyond.GROUND))
        .isCloseTo(40 * new GroundFloor(40, 26, 2.0, 0.3).slab(R), within(1e-9));
    assertThat(all.heatLoss().get(Beyond.CONDITIONED)).isZero();
    assertThat(all.wallArea()).isCloseTo(78, within(1e-9));
    assertThat(all.glazedArea()).isCloseTo(2.4, within(1e-9));
    assertThat(all.unknownArea()).isZero();
    assertThat(all.meanUValue()).isCloseTo(all.total() / (78 + 40 + 40), within(1e-9));
  }

  @Test
  void throughARoomThatIsNotHeated() {
    HeatLoss h = of(rooms(), s -> s.key().equals("a"));
    Map<String, Sum> by = h.by(HeatLoss.Part::space, HeatLossTest::upright);
    assertThat(by).containsOnlyKeys("a");
    double inner = 15 / (0.26 + R);
    double outer =
        (2 * 4 * 3 + 5 * 3) * WALL
            + 20 * ROOF
            + 20 * new GroundFloor(40, 26, 2.0, 0.3).slab(R)
            + UnconditionedSpace.ventilation(0.5, 60);
    assertThat(by.get("a").heatLoss().get(Beyond.UNCONDITIONED))
        .isCloseTo(new UnconditionedSpace(inner, outer).coefficient(), within(1e-9));
    assertThat(h.assumptions()).anyMatch(a -> a.contains("air change"));
  }

  @Test
  void whatHasNoUValueIsCounted() {
    HeatLoss h = of(rooms().replacing("b-east", s -> s.withConstruction(null)), s -> true);
    assertThat(h.total(HeatLossTest::upright).unknownArea()).isCloseTo(15, within(1e-9));
    assertThat(h.uValue("b-east")).isEmpty();
    assertThat(h.uValue("a-south").orElseThrow()).isCloseTo(WALL, within(1e-9));
  }

  @Test
  void heatCapacityEndsAtTheInsulation() {
    // 0.1 m of concrete, 240 kJ/(m²K) whole; 12.5 mm of plasterboard 11.25 kJ/(m²K); ISO 10456
    Material concrete = material(0.1, 2.0, 2400, 1000);
    Material eps = material(0.1, 0.035, 20, 1450);
    Material board = material(0.0125, 0.25, 900, 1000);
    BuildUp b = BuildUp.of(List.of(concrete, eps, board));
    assertThat(HeatCapacity.whole(b).orElseThrow())
        .isCloseTo(240_000 + 2_900 + 11_250, within(1e-6));
    assertThat(HeatCapacity.inside(b).orElseThrow()).isCloseTo(11_250, within(1e-6));
    assertThat(HeatCapacity.inside(BuildUp.of(List.of(concrete))).orElseThrow())
        .isCloseTo(120_000, within(1e-6));
    assertThat(HeatCapacity.Mass.of(170_000)).isEqualTo(HeatCapacity.Mass.MEDIUM);
  }

  private static Material material(
      double thickness, double conductivity, double density, double heat) {
    return new Material(
        "m" + thickness,
        "",
        thickness,
        conductivity,
        density,
        heat,
        null,
        SourceRef.REPAIR,
        Extras.NONE);
  }
}
