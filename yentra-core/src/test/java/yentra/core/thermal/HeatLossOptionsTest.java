package yentra.core.thermal;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yentra.core.thermal.GroundFloor.Climate;
import yentra.core.thermal.HeatLossOptions.EdgeInsulation;
import yentra.core.thermal.HeatLossOptions.SuspendedFloor;

/** What may be asked for: both ends of every range belong to it, what lies beyond is refused. */
class HeatLossOptionsTest {
  private static String of(double airChanges) {
    return new HeatLossOptions(GroundKind.CLAY, null, null, airChanges).problem();
  }

  private static String edge(double depth, double thickness, double conductivity) {
    return new HeatLossOptions(
            null, new EdgeInsulation(true, depth, thickness, conductivity), null, 1)
        .problem();
  }

  private static String under(
      double height, double wall, double vents, double wind, double shelter, double cover) {
    return new HeatLossOptions(
            null, null, new SuspendedFloor(height, wall, vents, wind, shelter, cover), 1)
        .problem();
  }

  @Test
  void sandWhereNothingIsSaid() {
    assertThat(new HeatLossOptions(null, null, null, 0).ground()).isEqualTo(GroundKind.SAND);
    assertThat(HeatLossOptions.STANDARD.problem()).isNull();
    assertThat(HeatLossOptions.STANDARD.airChanges()).isEqualTo(0.5);
  }

  @Test
  void airChanges() {
    assertThat(of(0)).isNull();
    assertThat(of(50)).isNull();
    assertThat(of(-0.1)).contains("between 0 and 50");
    assertThat(of(50.1)).contains("between 0 and 50");
    assertThat(of(Double.NaN)).contains("between 0 and 50");
  }

  @ParameterizedTest
  @CsvSource({
    "0.05, 0.001, 0.005, true",
    "20, 1, 3, true",
    "0.04, 0.1, 0.04, false",
    "20.1, 0.1, 0.04, false",
    "1, 0.0009, 0.04, false",
    "1, 1.01, 0.04, false",
    "1, 0.1, 0.004, false",
    "1, 0.1, 3.1, false"
  })
  void edgeInsulation(double depth, double thickness, double conductivity, boolean sound) {
    if (sound) {
      assertThat(edge(depth, thickness, conductivity)).isNull();
    } else {
      assertThat(edge(depth, thickness, conductivity)).startsWith("Edge insulation is 0.05");
    }
  }

  @ParameterizedTest
  @CsvSource({
    "0, 0, 0, 0, 0, 0, true",
    "10, 20, 1, 30, 1, 20, true",
    "-0.1, 1, 0, 0, 0, 0, false",
    "10.1, 1, 0, 0, 0, 0, false",
    "0.5, -1, 0, 0, 0, 0, false",
    "0.5, 20.1, 0, 0, 0, 0, false",
    "0.5, 1, -0.1, 0, 0, 0, false",
    "0.5, 1, 1.1, 0, 0, 0, false",
    "0.5, 1, 0, -1, 0, 0, false",
    "0.5, 1, 0, 31, 0, 0, false",
    "0.5, 1, 0, 0, -0.1, 0, false",
    "0.5, 1, 0, 0, 1.1, 0, false",
    "0.5, 1, 0, 0, 0, -1, false",
    "0.5, 1, 0, 0, 0, 21, false"
  })
  void suspendedFloors(
      double height,
      double wall,
      double vents,
      double wind,
      double shelter,
      double cover,
      boolean sound) {
    String problem = under(height, wall, vents, wind, shelter, cover);
    if (sound) {
      assertThat(problem).isNull();
    } else {
      assertThat(problem).startsWith("The space under a suspended floor");
    }
  }

  @ParameterizedTest
  @CsvSource({
    "60, 40, 60, 40, 12, true",
    "-60, 0, -60, 0, 1, true",
    "60.1, 0, 10, 8, 1, false",
    "-60.1, 0, 10, 8, 1, false",
    "20, -0.1, 10, 8, 1, false",
    "20, 40.1, 10, 8, 1, false",
    "20, 0, 60.1, 8, 1, false",
    "20, 0, -60.1, 8, 1, false",
    "20, 0, 10, -0.1, 1, false",
    "20, 0, 10, 40.1, 1, false",
    "20, 0, 10, 8, 0, false",
    "20, 0, 10, 8, 13, false"
  })
  void climates(
      double indoors, double swing, double outdoors, double outside, int coldest, boolean sound) {
    String problem = new Climate(indoors, swing, outdoors, outside, coldest).problem();
    if (sound) {
      assertThat(problem).isNull();
    } else {
      assertThat(problem).startsWith("Mean temperatures lie between -60 and 60 °C");
    }
  }
}
