package yentra.core.climate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntToDoubleFunction;
import org.junit.jupiter.api.Test;

class ClimateSummaryTest {
  private static WeatherYear year(Map<WeatherQuantity, IntToDoubleFunction> of) {
    Map<WeatherQuantity, double[]> values = new EnumMap<>(WeatherQuantity.class);
    of.forEach(
        (q, f) -> {
          double[] v = new double[8760];
          for (int h = 0; h < v.length; h++) {
            v[h] = f.applyAsDouble(h);
          }
          values.put(q, v);
        });
    return new WeatherYear(
        new WeatherYear.Station("Sandling", "", "", "", 54, -3, 0, 0),
        values,
        Map.of(),
        List.of(),
        1,
        List.of());
  }

  @Test
  void degreeDaysOfAConstantYear() {
    ClimateSummary s = ClimateSummary.of(year(Map.of(WeatherQuantity.DRY_BULB, h -> 10)), 18);
    assertThat(s.heatingDegreeDays()).isCloseTo(8 * 365, within(1e-9));
    assertThat(s.coolingDegreeDays()).isZero();
    assertThat(s.dryBulb().p004()).isEqualTo(10);
    assertThat(s.ground()).isEmpty();
    assertThat(s.windRose()).isEmpty();
  }

  /** Hours counted up: a percentile is its place among them. */
  @Test
  void percentilesOfAStraightLine() {
    ClimateSummary s = ClimateSummary.of(year(Map.of(WeatherQuantity.DRY_BULB, h -> h)), 18);
    assertThat(s.dryBulb().p004()).isCloseTo(0.004 * 8759, within(1e-9));
    assertThat(s.dryBulb().p996()).isCloseTo(0.996 * 8759, within(1e-9));
    assertThat(s.dryBulb().mean()).isCloseTo(8759 / 2.0, within(1e-9));
    assertThat(s.dryBulb().monthly().get(0)).isCloseTo(743 / 2.0, within(1e-9));
    assertThat(s.dryBulb().byHour().get(0).get(5)).isCloseTo(5 + 24 * 15, within(1e-9));
  }

  @Test
  void theWindRose() {
    Map<WeatherQuantity, IntToDoubleFunction> of =
        Map.of(
            WeatherQuantity.DRY_BULB,
            h -> 10,
            WeatherQuantity.WIND_DIRECTION,
            h -> h % 4 == 0 ? 355 : 92,
            WeatherQuantity.WIND_SPEED,
            h -> h % 4 == 1 ? 0 : h % 4 == 0 ? 8 : 2,
            WeatherQuantity.GLOBAL_HORIZONTAL,
            h -> 100);
    ClimateSummary s = ClimateSummary.of(year(of), 18);
    assertThat(s.windRose()).hasSize(16);
    assertThat(s.windRose().get(0).share()).isCloseTo(0.25, within(1e-12));
    assertThat(s.windRose().get(0).speed()).isCloseTo(8, within(1e-12));
    assertThat(s.windRose().get(4).share()).isCloseTo(0.5, within(1e-12));
    assertThat(s.calm()).isCloseTo(0.25, within(1e-12));
    assertThat(s.windRose().stream().mapToDouble(ClimateSummary.Sector::share).sum() + s.calm())
        .isCloseTo(1, within(1e-12));
    assertThat(s.globalHorizontal()).isCloseTo(876, within(1e-9));
    assertThat(s.globalMonths().get(1)).isCloseTo(28 * 2.4, within(1e-9));
  }

  /**
   * A design day is as warm as the month but for 1 % of its hours, and swings as single days do.
   */
  @Test
  void designDays() {
    WeatherYear w =
        year(
            Map.of(
                WeatherQuantity.DRY_BULB,
                h -> 15 - 5 * Math.cos(2 * Math.PI * (h % 24 - 3) / 24) + h / 24 % 7,
                WeatherQuantity.DIRECT_NORMAL,
                h -> h / 24 == 190 && h % 24 == 12 ? 900 : 100,
                WeatherQuantity.DIFFUSE_HORIZONTAL,
                h -> 50));
    DesignDays.Day july = DesignDays.of(w).months().get(6);
    assertThat(july.hour()).isEqualTo(190 * 24);
    assertThat(july.direct()[12]).isEqualTo(900);
    double peak = java.util.Arrays.stream(july.dryBulb()).max().orElseThrow();
    double low = java.util.Arrays.stream(july.dryBulb()).min().orElseThrow();
    assertThat(peak).isBetween(24.0, 26.0);
    assertThat(peak - low).isCloseTo(10, within(1e-9));
    assertThat(july.sky()[0]).isNaN();
  }
}
