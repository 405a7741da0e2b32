package yentra.core.solar;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yentra.core.solar.Transposition.Hour;
import yentra.core.solar.Transposition.Sky;

class TranspositionTest {
  private static final Hour HOUR = new Hour(new SunPosition(40, 210), 800, 100, 1367, 0.2);

  /** Liu and Jordan, as in Duffie and Beckman; worked out apart. */
  @ParameterizedTest
  @CsvSource({
    "0, 180, 612.83555450, 100, 0",
    "90, 180, 445.33631938, 50, 71.28355545",
    "90, 90, 0, 50, 71.28355545",
    "90, 0, 0, 50, 71.28355545",
    "30, 180, 753.39931823, 93.30127019, 9.55018556"
  })
  void anEquallyBrightSky(double tilt, double facing, double beam, double sky, double ground) {
    Transposition t = Transposition.of(HOUR, Sky.ISOTROPIC, tilt, facing);
    assertThat(t.beam()).isCloseTo(beam, within(1e-7));
    assertThat(t.sky()).isCloseTo(sky, within(1e-7));
    assertThat(t.ground()).isCloseTo(ground, within(1e-7));
  }

  @Test
  void nothingIsLostOnALevelFace() {
    for (Sky sky : Sky.values()) {
      assertThat(Transposition.of(HOUR, sky, 0, 0).total()).isCloseTo(HOUR.global(), within(1e-9));
      assertThat(Transposition.of(HOUR, sky, 180, 0).total())
          .as("looking down")
          .isCloseTo(0.2 * HOUR.global(), within(1e-9));
    }
  }

  /** By symmetry: the same sun on the other side of the meridian, the face mirrored. */
  @Property(tries = 300)
  void aMirroredSkyGivesTheSame(
      @ForAll @DoubleRange(min = 1, max = 89) double zenith,
      @ForAll @DoubleRange(min = 0, max = 360) double azimuth,
      @ForAll @DoubleRange(min = 0, max = 180) double tilt,
      @ForAll @DoubleRange(min = 0, max = 360) double facing,
      @ForAll @DoubleRange(min = 0, max = 1000) double direct,
      @ForAll @DoubleRange(min = 0, max = 400) double diffuse) {
    Hour a = new Hour(new SunPosition(zenith, azimuth), direct, diffuse, 1367, 0.2);
    Hour b = new Hour(new SunPosition(zenith, 360 - azimuth), direct, diffuse, 1367, 0.2);
    for (Sky sky : Sky.values()) {
      double x = Transposition.of(a, sky, tilt, facing).total();
      assertThat(x).isGreaterThanOrEqualTo(0).isFinite();
      assertThat(Transposition.of(b, sky, tilt, 360 - facing).total())
          .isCloseTo(x, within(1e-9 * (1 + x)));
    }
  }

  /** Under a clear sky the face that looks to the sun gets more of it than an equal sky gives. */
  @Test
  void theSkyIsBrighterAroundTheSun() {
    double facing = Transposition.of(HOUR, Sky.ANISOTROPIC, 40, 210).total();
    double away = Transposition.of(HOUR, Sky.ANISOTROPIC, 40, 30).sky();
    assertThat(facing).isGreaterThan(Transposition.of(HOUR, Sky.ISOTROPIC, 40, 210).total());
    assertThat(away).isLessThan(Transposition.of(HOUR, Sky.ISOTROPIC, 40, 30).sky());
  }

  /** Erbs, Klein and Duffie 1982; figures worked out apart. */
  @ParameterizedTest
  @CsvSource({
    "0, 1",
    "0.1, 0.991",
    "0.22, 0.9802",
    "0.3, 0.9485956",
    "0.445, 0.7662391004",
    "0.6, 0.4394776",
    "0.8, 0.1652696",
    "0.9, 0.165"
  })
  void theDiffuseShare(double clearness, double share) {
    assertThat(SkySplit.diffuseShare(clearness)).isCloseTo(share, within(1e-9));
  }
}
