package yentra.core.thermal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Windows of glass and frame: worked examples of ISO 10077-1 and EN 673 (from memory). */
class WindowDesignTest {
  private static WindowDesign.Glass known(double u) {
    return new WindowDesign.Glass(u, 0, 0, 0, null, 0, 0, 0.6, 0.8, null);
  }

  private static WindowDesign.Glass panes(int n, double emissivity) {
    return new WindowDesign.Glass(
        null, n, 0.004, 0.016, GlassUnit.Gas.ARGON, 0.9, emissivity, 0.6, 0.8, null);
  }

  private static WindowDesign.Glass inTheSun(int panes) {
    return new WindowDesign.Glass(
        null,
        panes,
        0.004,
        0.016,
        GlassUnit.Gas.ARGON,
        0.9,
        0.05,
        0,
        0.8,
        new WindowDesign.Sun(0.45, 0.28, 0.05));
  }

  @ParameterizedTest
  @CsvSource({
    "1.23, 1.48, 0.11, 1.1, 1.4, 0.08, 1.3897934520, 0.30092287, 4.54",
    "1.23, 1.48, 0.11, 2.7, 2.4, 0.06, 2.7593605801, 0.30092287, 4.54",
    "1.48, 2.18, 0.117, 0.7, 0.95, 0.045, 0.8511594967, 0.24847632, 6.384",
    "2.0, 1.5, 0.06, 1.2, 2.6, 0.11, 1.6283466667, 0.1352, 6.52"
  })
  void glassWithAKnownValue(
      double width,
      double height,
      double frame,
      double ug,
      double uf,
      double psi,
      double u,
      double share,
      double edge) {
    WindowDesign.WindowValues r =
        new WindowDesign(width, height, frame, 0.1, 1, known(ug), uf, psi).result();
    assertThat(r.uValue()).isCloseTo(u, within(5e-10));
    assertThat(r.frameShare()).isCloseTo(share, within(5e-9));
    assertThat(r.edge()).isCloseTo(edge, within(1e-9));
    assertThat(r.solarHeatGain()).isCloseTo(0.6 * (1 - share), within(1e-8));
  }

  /** 4-16-4 with 90 % argon, emissivity 0.05: Ug 1.16719064; uncoated triple 1.7093 at 14 mm. */
  @Test
  void glassByItsPanes() {
    WindowDesign w = new WindowDesign(1.23, 1.48, 0.11, 0.1, 1, panes(2, 0.05), 1.4, 0.08);
    assertThat(w.result().glassUValue()).isCloseTo(1.16719064, within(5e-9));
    WindowDesign single = new WindowDesign(1.23, 1.48, 0.11, 0.1, 1, panes(1, 0.05), 1.4, 0.06);
    assertThat(single.result().glassUValue()).isCloseTo(5.751419, within(5e-7));
  }

  @Property(tries = 200)
  void aWindowLiesBetweenItsPartsAndItsEdge(
      @ForAll @DoubleRange(min = 0.6, max = 4) double width,
      @ForAll @DoubleRange(min = 0.6, max = 3) double height,
      @ForAll @DoubleRange(min = 0.02, max = 0.12) double frame,
      @ForAll @DoubleRange(min = 0.3, max = 6) double ug,
      @ForAll @DoubleRange(min = 0.5, max = 8) double uf,
      @ForAll @IntRange(min = 1, max = 3) int lights) {
    WindowDesign w = new WindowDesign(width, height, frame, 0.05, lights, known(ug), uf, 0);
    assertThat(w.result().uValue()).isBetween(Math.min(ug, uf) - 1e-9, Math.max(ug, uf) + 1e-9);
    WindowDesign edged = new WindowDesign(width, height, frame, 0.05, lights, known(ug), uf, 0.1);
    assertThat(edged.result().uValue() - w.result().uValue())
        .isCloseTo(0.1 * w.result().edge() / (width * height), within(1e-9));
  }

  @Test
  void whatCannotBeBuiltIsSaid() {
    assertThat(new WindowDesign(0.3, 1, 0.2, 0, 1, known(1), 1, 0).problem())
        .contains("no room for glass");
    assertThat(new WindowDesign(1, 1, 0.1, 0.1, 0, known(1), 1, 0).problem()).contains("lights");
    assertThat(new WindowDesign(1, 1, 0.1, 0.1, 1, null, 1, 0).problem()).contains("glazed");
    assertThat(new WindowDesign(1, 1, 0.1, 0.1, 1, known(50), 1, 0).problem())
        .contains("glass’s U-value");
    assertThat(new WindowDesign(1, 1, 0.1, 0.1, 1, panes(7, 0.05), 1, 0).problem())
        .contains("1 to 4 panes");
    assertThat(new WindowDesign(1, 1, 0.1, 0.1, 1, panes(2, 0), 1, 0).problem())
        .contains("emissivities");
    assertThat(new WindowDesign(Double.NaN, 1, 0.1, 0.1, 1, known(1), 1, 0).problem())
        .contains("wide and high");
    WindowDesign wrong = new WindowDesign(1, 1, 0.1, 0.1, 1, known(1), 99, 0);
    assertThatThrownBy(wrong::result).hasMessage(wrong.problem());
  }

  private static WindowDesign with(
      WindowDesign.Glass g,
      GlassUnit.Slope slope,
      Double absorbs,
      Double shutter,
      WindowDesign.Second second) {
    return new WindowDesign(
        1.23, 1.48, 0.11, 0.1, 1, g, 1.4, 0.08, slope, absorbs, shutter, second);
  }

  /**
   * Worked out by EN 673 apart from this code (library.py's method with A 0.16, n 0.28, hi 10):
   * 4-16-4, 90 % argon, emissivity 0.05, level 1.824993; a single pane 1/(1/25 + 0.004 + 1/10).
   */
  @Test
  void levelGlassLosesMore() {
    double upright = with(panes(2, 0.05), null, null, null, null).result().glassUValue();
    double halfway =
        with(panes(2, 0.05), GlassUnit.Slope.HALFWAY, null, null, null).result().glassUValue();
    double level =
        with(panes(2, 0.05), GlassUnit.Slope.LEVEL, null, null, null).result().glassUValue();
    assertThat(upright).isCloseTo(1.16719064, within(5e-9));
    assertThat(halfway).isGreaterThan(upright);
    assertThat(level).isGreaterThan(halfway).isCloseTo(1.824993, within(5e-7));
    assertThat(
            with(panes(1, 0.837), GlassUnit.Slope.LEVEL, null, null, null).result().glassUValue())
        .isCloseTo(1 / 0.144, within(1e-12));
  }

  /** ISO 10077-1: 1/(1/1.8 + 0.25) and 1/(1/2.8 - 0.13 + 0.17 - 0.04 + 1/1.6), as printed. */
  @Test
  void shuttersAndSecondWindows() {
    WindowDesign a = with(known(1.1), null, null, 0.25, null);
    double u = a.result().uValue();
    assertThat(a.result().shutteredUValue()).isCloseTo(1 / (1 / u + 0.25), within(1e-12));
    WindowDesign b = with(known(1.1), null, null, null, new WindowDesign.Second(1.6, 0.17));
    assertThat(b.result().uValue())
        .isCloseTo(1 / (1 / u - 0.13 + 0.17 - 0.04 + 1 / 1.6), within(1e-12));
    assertThat(b.result().shutteredUValue()).isNull();
  }

  /** EN 410: one pane 0.80 + 0.13 · 8/31; the frame lets α U/25 in. */
  @Test
  void solarGainByThePanesAndTheFrame() {
    WindowDesign.Glass one =
        new WindowDesign.Glass(
            null, 1, 0.004, 0, null, 0, 0.837, 0, 0.9, new WindowDesign.Sun(0.80, 0.13, 0));
    WindowDesign.WindowValues r = with(one, null, 0.6, null, null).result();
    assertThat(r.glassGain()).isCloseTo(0.83354839, within(5e-9));
    assertThat(r.solarHeatGain())
        .isCloseTo(
            r.glassGain() * (1 - r.frameShare()) + 0.6 * 1.4 / 25 * r.frameShare(), within(1e-12));
    double between = 1 / (1 / 1.16719064 - 1 / 25.0 - 1 / 7.7);
    double in = ((0.28 + 0.05) / 23 + 0.05 / between) / (1 / 8.0 + 1 / 23.0 + 1 / between);
    assertThat(with(inTheSun(2), null, null, null, null).result().glassGain())
        .isCloseTo(0.45 + in, within(1e-7));
    assertThat(with(inTheSun(3), null, null, null, null).problem()).contains("EN 410");
  }
}
