package yentra.core.solar;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

/**
 * The window of case 600 of ANSI/ASHRAE Standard 140 (from memory): two clear panes of 3.175 mm.
 */
class GlassByAngleTest {
  @Test
  void onePaneLetsThroughWhatTheStandardSays() {
    double[] pane = GlassByAngle.pane(1);
    assertThat(pane[0]).isCloseTo(0.86156, within(1e-3));
    assertThat(pane[0] + pane[1] + pane[2]).isCloseTo(1, within(1e-12));
  }

  @Test
  void twoPanesGainWhatTheStandardSays() {
    assertThat(GlassByAngle.gain(2, 1)).isCloseTo(0.789, within(0.004));
  }

  @Test
  void theCurveFallsAndEndsAtNothing() {
    for (int panes = 1; panes <= 3; panes++) {
      GlassByAngle g = GlassByAngle.of(panes);
      assertThat(g.beam(1)).isCloseTo(1, within(1e-12));
      assertThat(g.beam(0)).isZero();
      double last = 1.0001;
      for (int angle = 0; angle <= 90; angle += 5) {
        double now = g.beam(Math.cos(Math.toRadians(angle)));
        assertThat(now).as(panes + " panes at " + angle).isLessThanOrEqualTo(last + 1e-9);
        last = now;
      }
      assertThat(g.diffuse()).isBetween(0.75, 0.95);
    }
  }

  /** More panes reflect more, the more the flatter the ray. */
  @Test
  void morePanesFallFaster() {
    double flat = Math.cos(Math.toRadians(70));
    assertThat(GlassByAngle.of(1).beam(flat)).isGreaterThan(GlassByAngle.of(2).beam(flat));
    assertThat(GlassByAngle.of(2).beam(flat)).isGreaterThan(GlassByAngle.of(3).beam(flat));
    assertThat(GlassByAngle.ofUValue(5.8)).isSameAs(GlassByAngle.of(1));
    assertThat(GlassByAngle.ofUValue(1.3)).isSameAs(GlassByAngle.of(2));
    assertThat(GlassByAngle.ofUValue(0.8)).isSameAs(GlassByAngle.of(3));
  }
}
