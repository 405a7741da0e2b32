package yentra.core.estimate.simple;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** ISO 13790:2008, 12.2.1, by figures that were worked out apart from this code. */
class MonthlyMethodTest {
  @ParameterizedTest
  @CsvSource({
    "0.10, 1, 0.9090909091", "0.25, 3, 0.9882352941", "0.80, 5, 0.9111805013",
    "1.00, 2, 0.6666666667", "1.25, 10, 0.7812057139", "4.00, 1, 0.2000000000",
    "10.0, 3, 0.0999099910"
  })
  void gainsThatAreUsed(double ratio, double a, double eta) {
    assertThat(MonthlyMethod.gainsUsed(ratio, a)).isCloseTo(eta, within(1e-10));
  }

  @Property
  void lossesAreUsedAsGainsAreTheOtherWayRound(
      @ForAll @DoubleRange(min = 0.05, max = 20) double ratio,
      @ForAll @DoubleRange(min = 1, max = 12) double a) {
    assertThat(MonthlyMethod.lossesUsed(ratio, a))
        .isCloseTo(MonthlyMethod.gainsUsed(1 / ratio, a), within(1e-7))
        .isCloseTo(ratio * MonthlyMethod.gainsUsed(ratio, a), within(1e-7));
  }

  @Test
  void januaryAndJuly() {
    double h = 40 + 60 + 1200 * 250 * 0.5 / 3600;
    double a = MonthlyMethod.exponent(1.65e7 / 3600 / h);
    assertThat(a).isCloseTo(3.15686275, within(1e-8));
    assertThat(MonthlyMethod.heating(1897.2, 573.2, a)).isCloseTo(1333.20728526, within(1e-6));
    assertThat(MonthlyMethod.cooling(421.6, 1123.2, a)).isCloseTo(713.74971293, within(1e-6));
    assertThat(MonthlyMethod.heating(-10, 50, a)).isZero();
    assertThat(MonthlyMethod.cooling(-10, 50, a)).isEqualTo(60);
    assertThat(MonthlyMethod.cooling(10, 0, a)).isZero();
  }
}
