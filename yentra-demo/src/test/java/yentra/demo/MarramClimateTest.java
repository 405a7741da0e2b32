package yentra.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import org.junit.jupiter.api.Test;
import yentra.core.climate.ClimateSummary;
import yentra.core.climate.EpwReader;
import yentra.core.climate.WeatherQuantity;
import yentra.core.climate.WeatherYear;

class MarramClimateTest {
  @Test
  void theFileHoldsTheStatedMeans() throws Exception {
    byte[] epw = MarramClimate.epw();
    assertThat(MarramClimate.epw()).as("always the same").isEqualTo(epw);
    WeatherYear w = EpwReader.read(new ByteArrayInputStream(epw));
    assertThat(w.notes()).isEmpty();
    assertThat(w.station().label()).contains("synthetic");
    ClimateSummary s = ClimateSummary.of(w, 18);
    for (int m = 0; m < 12; m++) {
      assertThat(s.dryBulb().monthly().get(m)).isCloseTo(MarramClimate.DRY_BULB[m], within(0.01));
    }
    assertThat(s.globalHorizontal()).isBetween(800.0, 1150.0);
    assertThat(s.windMean()).isBetween(5.0, 8.5);
    assertThat(s.dryBulb().p004()).isBetween(-6.0, 2.0);
    assertThat(s.dryBulb().p996()).isBetween(17.0, 27.0);
    for (int h = 0; h < w.hours(); h += 13) {
      assertThat(w.sky(h)).isLessThan(w.dryBulb(h));
      assertThat(w.get(WeatherQuantity.GLOBAL_HORIZONTAL, h)).isLessThan(1200);
    }
  }
}
