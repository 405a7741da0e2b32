package yentra.core.climate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Hyland and Wexler as in the ASHRAE Handbook – Fundamentals; figures worked out apart. */
class MoistAirTest {
  @ParameterizedTest
  @CsvSource({
    "-10, 259.902865",
    "0, 611.212867",
    "10, 1227.995275",
    "20, 2338.803700",
    "35, 5627.819447"
  })
  void saturation(double t, double p) {
    assertThat(MoistAir.saturation(t)).isCloseTo(p, within(1e-6));
  }

  @ParameterizedTest
  @CsvSource({
    "20, 50, 101325, 0.0072617372, 38.55174138, 0.8401563479, 1.19889797, 9.272392",
    "26, 60, 101325, 0.0126376640, 58.37395514, 0.8646773013, 1.17111628, 17.639048",
    "11, 40, 82000, 0.0040083591, 21.17291722, 1.0010810649, 1.00292413, -1.830562"
  })
  void moistAir(
      double t, double rh, double p, double w, double h, double v, double rho, double dew) {
    double vapour = MoistAir.saturation(t) * rh / 100;
    assertThat(MoistAir.ratio(vapour, p)).isCloseTo(w, within(1e-10));
    assertThat(MoistAir.enthalpy(t, w)).isCloseTo(h, within(1e-7));
    assertThat(MoistAir.volume(t, w, p)).isCloseTo(v, within(1e-9));
    assertThat(MoistAir.density(t, w, p)).isCloseTo(rho, within(1e-8));
    assertThat(MoistAir.dewPoint(vapour)).isCloseTo(dew, within(1e-6));
    assertThat(MoistAir.dewPoint(t, rh)).isCloseTo(dew, within(1e-6));
  }

  @Test
  void pressureFallsWithHeight() {
    assertThat(MoistAir.pressure(0)).isEqualTo(101_325);
    assertThat(MoistAir.pressure(1609)).isCloseTo(83_431.042, within(1e-3));
  }

  /** Clark and Allen with the clouds of Walton; figures worked out apart. */
  @ParameterizedTest
  @CsvSource({
    "10, 5, 0, 291.249857, -5.282716",
    "10, 5, 5, 308.579224, -1.386313",
    "30, 20, 10, 463.810271, 27.742684",
    "-5, -10, 3, 231.441497, -20.233050"
  })
  void theSky(double dry, double dew, double cover, double radiation, double sky) {
    assertThat(LongWaveSky.radiation(dry, dew, cover)).isCloseTo(radiation, within(1e-6));
    assertThat(LongWaveSky.temperature(radiation)).isCloseTo(sky, within(1e-6));
  }
}
