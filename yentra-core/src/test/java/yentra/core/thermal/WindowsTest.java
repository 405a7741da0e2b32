package yentra.core.thermal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Collections;
import java.util.List;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yentra.core.thermal.GlassUnit.Gap;
import yentra.core.thermal.GlassUnit.Gas;
import yentra.core.thermal.WindowUValue.Joint;
import yentra.core.thermal.WindowUValue.Rectangle;
import yentra.core.thermal.WindowUValue.WindowPart;

/**
 * ISO 10077-1:2017, EN 673, EN 410 (gas data and constants from memory); worked examples computed
 * independently from their formulas.
 */
class WindowsTest {
  private static final Offset<Double> PRINTED = within(6e-11);
  private static final double[] WIDTHS = {6, 8, 10, 12, 14, 16, 20};

  private static GlassUnit unit(int gaps, Gas gas, double filled, double e, double millimetres) {
    Gap gap = new Gap(millimetres / 1000, gas, filled, GlassUnit.UNCOATED, e);
    return new GlassUnit(0.004 * (gaps + 1), Collections.nCopies(gaps, gap));
  }

  @ParameterizedTest
  @CsvSource({
    "1, AIR, 1, 0.837, 3.2776 3.0816 2.9475 2.8499 2.7757 2.7317 2.7452",
    "1, AIR, 1, 0.2, 2.6877 2.3742 2.1516 1.9855 1.8568 1.7793 1.8031",
    "1, AIR, 1, 0.05, 2.4728 2.1088 1.8470 1.6496 1.4955 1.4022 1.4309",
    "1, AIR, 1, 0.03, 2.4408 2.0688 1.8007 1.5984 1.4402 1.3444 1.3738",
    "1, ARGON, 0.9, 0.837, 3.0448 2.8803 2.7712 2.6935 2.6353 2.6233 2.6343",
    "1, ARGON, 0.9, 0.1, 2.1366 1.8289 1.6168 1.4617 1.3434 1.3186 1.3412",
    "1, ARGON, 0.9, 0.05, 2.0379 1.7117 1.4859 1.3203 1.1937 1.1672 1.1913",
    "1, ARGON, 0.9, 0.03, 1.9963 1.6622 1.4304 1.2602 1.1300 1.1027 1.1276",
    "1, KRYPTON, 0.9, 0.837, 2.7714 2.6532 2.5890 2.5973 2.6044 2.6106 2.6213",
    "1, KRYPTON, 0.9, 0.05, 1.4864 1.2328 1.0911 1.1095 1.1253 1.1391 1.1627",
    "2, AIR, 1, 0.837, 2.2918 2.1047 1.9815 1.8943 1.8293 1.7790 1.7136",
    "2, AIR, 1, 0.05, 1.5750 1.2911 1.1001 0.9629 0.8595 0.7788 0.6731",
    "2, ARGON, 0.9, 0.837, 2.0704 1.9213 1.8254 1.7585 1.7093 1.6715 1.6379",
    "2, ARGON, 0.9, 0.05, 1.2383 1.0055 0.8532 0.7458 0.6659 0.6043 0.5493",
    "2, ARGON, 0.9, 0.03, 1.2077 0.9714 0.8168 0.7076 0.6265 0.5639 0.5080",
    "2, KRYPTON, 0.9, 0.837, 1.8255 1.7243 1.6609 1.6174 1.6180 1.6221 1.6292",
    "2, KRYPTON, 0.9, 0.05, 0.8535 0.6904 0.5869 0.5155 0.5165 0.5233 0.5350",
    "2, KRYPTON, 0.9, 0.03, 0.8171 0.6514 0.5462 0.4735 0.4746 0.4815 0.4934"
  })
  void glazing(int gaps, Gas gas, double filled, double emissivity, String row) {
    String[] values = row.split(" ");
    for (int i = 0; i < values.length; i++) {
      assertThat(unit(gaps, gas, filled, emissivity, WIDTHS[i]).uValue())
          .as("%s mm", WIDTHS[i])
          .isCloseTo(Double.parseDouble(values[i]), within(1e-4));
    }
  }

  @Test
  void oneArgonGapInFull() {
    GlassUnit u = unit(1, Gas.ARGON, 0.9, 0.05, 16);
    assertThat(u.gaps().get(0).radiation()).isCloseTo(0.25456149, within(1e-7));
    assertThat(u.gaps().get(0).convection(15)).isCloseTo(1.21843566, within(1e-7));
    assertThat(u.uValue()).isCloseTo(1.16719064, within(1e-7));
  }

  @Test
  void singlePanes() {
    assertThat(new GlassUnit(0.004, List.of()).uValue()).isCloseTo(5.751419, within(5e-7));
    assertThat(new GlassUnit(0.006, List.of()).uValue()).isCloseTo(5.686014, within(5e-7));
  }

  @ParameterizedTest
  @CsvSource({
    "1.23, 1.48, 0.11, 1.1, 1.4, 0.08, 1.3897934520, 0.30092287",
    "1.23, 1.48, 0.11, 2.7, 2.4, 0.06, 2.7593605801, 0.30092287",
    "1.48, 2.18, 0.117, 0.7, 0.95, 0.045, 0.8511594967, 0.24847632",
    "2.0, 1.5, 0.06, 1.2, 2.6, 0.11, 1.6283466667, 0.13520000",
    "1.0, 1.0, 0.1, 1.0, 1.0, 0.0, 1.0, 0.36"
  })
  void windows(
      double w, double h, double frame, double ug, double uf, double psi, double u, double share) {
    Rectangle r = new Rectangle(w, h, frame, 0, 1);
    assertThat(r.uValue(ug, uf, psi)).isCloseTo(u, PRINTED);
    assertThat(r.frameShare()).isCloseTo(share, within(5e-9));
  }

  @Test
  void twoPanesWithAMullion() {
    Rectangle r = new Rectangle(2.4, 1.5, 0.08, 0.10, 2);
    assertThat(r.glass()).isCloseTo(2.867600, within(1e-9));
    assertThat(r.joint()).isCloseTo(9.64, within(1e-9));
    // the example does not print its Ug, Uf and ψ; these are the only ones in steps of 0.05 that
    // fit
    assertThat(r.uValue(1.1, 1.5, 0.06)).isCloseTo(1.3420444444, PRINTED);
  }

  @Test
  void panelDoorShutterAndDoubleWindow() {
    assertThat(
            WindowUValue.of(
                List.of(
                    new WindowPart(1.1, 1.1), new WindowPart(0.5, 1.4), new WindowPart(0.5, 0.8)),
                List.of(new Joint(4.2, 0.08), new Joint(2.8, 0.05))))
        .isCloseTo(1.3266666667, PRINTED);
    assertThat(WindowUValue.shuttered(1.8, 0.25)).isCloseTo(1.2413793103, PRINTED);
    assertThat(WindowUValue.coupled(2.8, 1.6, 0.17)).isCloseTo(1.0181818182, PRINTED);
  }

  @Test
  void solarGain() {
    assertThat(SolarGain.single(0.80, 0.13)).isCloseTo(0.83354839, within(5e-9));
    assertThat(SolarGain.twofold(0.45, 0.28, 0.05, 1.35277583)).isCloseTo(0.50652630, within(5e-9));
    double frame = SolarGain.frame(0.6, 2.0, 25);
    assertThat(frame).isCloseTo(0.048, within(1e-12));
    assertThat(SolarGain.window(0.40, frame, 0.20)).isCloseTo(0.3296, within(1e-12));
  }
}
