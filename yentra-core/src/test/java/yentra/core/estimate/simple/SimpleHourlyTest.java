package yentra.core.estimate.simple;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import yentra.core.estimate.simple.SimpleHourly.Hour;
import yentra.core.estimate.simple.SimpleHourly.State;

/**
 * ISO 13790:2008, annex C, by figures that were worked out apart from this code. A building of 100
 * m² of medium mass.
 */
class SimpleHourlyTest {
  private static final double EXACT = 1e-9;
  private static final double NONE = Double.NaN;
  private static final double ANY = Double.POSITIVE_INFINITY;
  private static final SimpleHourly MEDIUM = of(2.5, 165_000);

  private static SimpleHourly of(double mass, double capacity) {
    return new SimpleHourly(100, mass * 100, capacity * 100, 40, 60, 1200 * 250 * 0.5 / 3600);
  }

  @Test
  void theNetwork() {
    assertThat(MEDIUM.airToSurface()).isCloseTo(1552.5, within(EXACT));
    assertThat(MEDIUM.surfaceToMass()).isCloseTo(2275, within(EXACT));
    assertThat(MEDIUM.massToOutdoors()).isCloseTo(61.6252821670, within(1e-9));
    assertThat(MEDIUM.third()).isCloseTo(77.8212947881, within(1e-9));
    assertThat(MEDIUM.steady()).isCloseTo(135.6152294503, within(1e-9));
    assertThat(MEDIUM.problem()).isNull();
    assertThat(new SimpleHourly(100, 5, 1e6, 40, 60, 40).problem()).contains("does not hold");
  }

  @Test
  void oneStep() {
    Hour h = new Hour(0, 0, 500, 1500);
    State free = MEDIUM.step(20, h, 0);
    assertThat(free.mass()).isCloseTo(19.817988696391, within(EXACT));
    assertThat(free.meanMass()).isCloseTo(19.908994348195, within(EXACT));
    assertThat(free.surface()).isCloseTo(19.654250039303, within(EXACT));
    assertThat(free.air()).isCloseTo(19.297369484173, within(EXACT));
    assertThat(free.operative()).isCloseTo(19.547185872764, within(EXACT));
    State heated = MEDIUM.step(20, h, 1000);
    assertThat(heated.mass()).isCloseTo(20.020124631412, within(EXACT));
    assertThat(heated.air()).isCloseTo(20.422338725222, within(EXACT));
    State held = MEDIUM.held(20, h, 22, NONE, ANY, ANY);
    assertThat(held.power()).isCloseTo(2402.4039211128, within(1e-7));
    assertThat(held.air()).isCloseTo(22, within(EXACT));
    assertThat(held.mass()).isCloseTo(20.303600859284, within(EXACT));
    State limited = MEDIUM.held(20, h, 22, NONE, 2000, ANY);
    assertThat(limited.air()).isCloseTo(21.547307966271, within(EXACT));
    assertThat(limited.mass()).isCloseTo(20.222260566433, within(EXACT));
    State cooled = MEDIUM.held(26, new Hour(32, 32, 500, 4000), NONE, 26, ANY, ANY);
    assertThat(cooled.power()).isCloseTo(-1693.5733176302, within(1e-7));
    assertThat(cooled.mass()).isCloseTo(26.778889974913, within(EXACT));
  }

  @Test
  void itDecaysAsTheDiscreteEquationSays() {
    double mass = 30;
    Hour h = new Hour(10, 10, 0, 0);
    for (int i = 1; i <= 100; i++) {
      mass = MEDIUM.step(mass, h, 0).mass();
    }
    assertThat(mass).isCloseTo(10.954112947618, within(EXACT));
  }

  private static Hour hour(int n) {
    int d = n / 24;
    int k = n % 24;
    double year = Math.cos(2 * Math.PI * (d - 15) / 365);
    double out = 10 - 8 * year - 4 * Math.cos(2 * Math.PI * (k - 3) / 24);
    double sun =
        k >= 6 && k <= 18 ? Math.max(0, Math.sin(Math.PI * (k - 6) / 12)) * (2400 - 900 * year) : 0;
    return new Hour(out, out, k >= 8 && k < 18 ? 500 : 150, sun);
  }

  /** kWh of heating and cooling, the last mass, the worst imbalance. */
  private static double[] year(SimpleHourly s, double most, double least) {
    double mass = 20;
    double heat = 0;
    double cold = 0;
    double worst = 0;
    for (int n = 0; n < 8760; n++) {
      Hour h = hour(n);
      State now = s.held(mass, h, 20, 26, most, least);
      worst = Math.max(worst, Math.abs(s.imbalance(mass, h, now)));
      heat += Math.max(0, now.power()) / 1000;
      cold += Math.max(0, -now.power()) / 1000;
      mass = now.mass();
    }
    return new double[] {heat, cold, mass, worst};
  }

  @Test
  void aYear() {
    double[] y = year(MEDIUM, ANY, ANY);
    assertThat(y[0]).isCloseTo(5710.02393884, within(5710e-6));
    assertThat(y[1]).isCloseTo(405.58413321, within(405e-6));
    assertThat(y[2]).isCloseTo(18.8316025367, within(1e-6));
    assertThat(y[3]).isLessThan(1e-9);
    double[] limited = year(MEDIUM, 1500, 2000);
    assertThat(limited[0]).isCloseTo(5315.79789341, within(5315e-6));
    assertThat(limited[2]).isCloseTo(18.1463327351, within(1e-6));
  }

  @Test
  void theClassesOfMass() {
    double[][] expected = {
      {2.5, 80_000, 5988.40483551, 736.85884944},
      {2.5, 110_000, 5829.99093164, 551.68346646},
      {3.0, 260_000, 5630.85140029, 302.57594222},
      {3.5, 370_000, 5593.35295541, 250.29446680}
    };
    for (double[] e : expected) {
      double[] y = year(of(e[0], e[1]), ANY, ANY);
      assertThat(y[0]).isCloseTo(e[2], within(1e-6 * e[2]));
      assertThat(y[1]).isCloseTo(e[3], within(1e-6 * e[3]));
    }
  }
}
