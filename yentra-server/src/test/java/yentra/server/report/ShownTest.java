package yentra.server.report;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import yentra.core.exchange.UnitSystem;
import yentra.core.units.Quantity;

/** Figures and sentences in the units of a report; factors of NIST SP 811, appendix B. */
class ShownTest {
  private final Shown si = new Shown(UnitSystem.SI);
  private final Shown ip = new Shown(UnitSystem.IP);

  @Test
  void figuresHaveTheirUnit() {
    assertThat(si.text(Quantity.AREA, 1234.5, 1)).isEqualTo("1,234.5 m²");
    assertThat(ip.text(Quantity.AREA, 100.0, 1)).isEqualTo("1,076.4 ft²");
    assertThat(ip.text(Quantity.U_VALUE, 1.0, 3)).isEqualTo("0.176 Btu/(h ft² F)");
    assertThat(ip.text(Quantity.TEMPERATURE, 20.0, 0)).isEqualTo("68 °F");
    assertThat(si.text(Quantity.SHARE, 0.55, 2)).isEqualTo("0.55");
    assertThat(si.figure(Quantity.POWER, -0.0, 0)).isEqualTo("0");
  }

  @Test
  void whatIsNotKnownIsADash() {
    assertThat(si.text(Quantity.AREA, null, 1)).isEqualTo("–");
    assertThat(si.text(Quantity.U_VALUE, Double.NaN, 1)).isEqualTo("–");
    assertThat(Shown.percent(null, 1)).isEqualTo("–");
    assertThat(Shown.percent(Double.POSITIVE_INFINITY, 1)).isEqualTo("–");
  }

  @Test
  void sentencesFollowTheUnits() {
    assertThat(ip.said("Adds 20.40 m² of wall, 3.05 m from the door."))
        .isEqualTo("Adds 219.6 ft² of wall, 10 ft from the door.");
    assertThat(ip.said("States 0.250 W/m²K, from 1,000 kWh."))
        .isEqualTo("States 0.044 Btu/(h ft² F), from 3412 kBtu.");
    assertThat(ip.said("Heated to 20 °C.")).isEqualTo("Heated to 68 °F.");
  }

  @Test
  void whatIsNoQuantityStays() {
    for (String s :
        new String[] {
          "Wall W-12 m of storey 3", "3 walls", "ISO 6946", "2 m/s²x", "x1.5 m", "GEO-301"
        }) {
      assertThat(si.said(s)).isEqualTo(s);
    }
    assertThat(ip.said("ISO 6946 and 3 walls of GEO-301"))
        .isEqualTo("ISO 6946 and 3 walls of GEO-301");
    assertThat(si.said("Adds 20.40 m².")).isEqualTo("Adds 20.40 m².");
  }

  @Test
  void countsHaveTheirWord() {
    assertThat(Shown.count(1, "step")).isEqualTo("1 step");
    assertThat(Shown.count(1200, "step")).isEqualTo("1,200 steps");
  }
}
