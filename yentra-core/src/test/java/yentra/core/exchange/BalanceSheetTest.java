package yentra.core.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.TOLERANCE;
import static yentra.core.Fixtures.rooms;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import yentra.core.boundary.Convention;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Envelope;
import yentra.core.finding.Limits;
import yentra.core.model.ArchitecturalModel;
import yentra.core.thermal.HeatLossOptions;

class BalanceSheetTest {
  private static CheckContext context(Envelope e) {
    return new CheckContext(e, Limits.STANDARD, TOLERANCE);
  }

  private static Map<String, BalanceLine> sheet(Envelope before, Envelope now) {
    List<BalanceLine> lines =
        BalanceSheet.of(
            new BalanceSheet.States(
                ArchitecturalModel.none(), context(before), context(now), null, Convention.INNER),
            HeatLossOptions.STANDARD);
    return lines.stream().collect(Collectors.toMap(BalanceLine::what, l -> l));
  }

  /**
   * Two rooms of 4 x 5 x 3 m side by side: 40 m² of floor and of roof, 78 m² of outdoor wall, of
   * which 2.4 m² are a window with U 1.3; 0.3 m of brick with λ 0.8: R 0.375 and the air at its
   * faces (ISO 6946: 0.04 outside; 0.13 inside walls, 0.10 under roofs).
   */
  @Test
  void figuresOfTheRooms() {
    Map<String, BalanceLine> s = sheet(rooms(), rooms());
    assertThat(s.get("Spaces").now()).isEqualTo(2);
    assertThat(s.get("Surfaces").now()).isEqualTo(11);
    assertThat(s.get("Openings").now()).isEqualTo(1);
    assertThat(s.get("Floor area").now()).isCloseTo(40, within(1e-9));
    assertThat(s.get("Volume of enclosed spaces").now()).isCloseTo(120, within(1e-9));
    assertThat(s.get("Area to outdoor air").now()).isCloseTo(118, within(1e-9));
    assertThat(s.get("Area to the ground").now()).isCloseTo(40, within(1e-9));
    assertThat(s.get("Glass in outdoor walls").now()).isCloseTo(2.4, within(1e-9));
    double walls = 75.6 / (0.04 + 0.375 + 0.13);
    double roof = 40 / (0.04 + 0.375 + 0.10);
    assertThat(s.get("UA to outdoor air").now()).isCloseTo(walls + roof + 2.4 * 1.3, within(1e-9));
    assertThat(s.get("UA in all").now())
        .isCloseTo(
            s.get("UA to outdoor air").now() + s.get("UA to the ground").now(), within(1e-9));
    assertThat(s.values()).allSatisfy(l -> assertThat(l.before()).isEqualTo(l.now()));
  }

  @Test
  void beforeAndAfterAreTold() {
    Envelope without = rooms().replacing("b-east", x -> x.withConstruction(null));
    Map<String, BalanceLine> s = sheet(without, rooms());
    assertThat(s.get("Area without a U-value").before()).isCloseTo(15, within(1e-9));
    assertThat(s.get("Area without a U-value").now()).isZero();
    assertThat(s.get("UA to outdoor air").now() - s.get("UA to outdoor air").before())
        .isCloseTo(15 / (0.04 + 0.375 + 0.13), within(1e-9));
    Envelope empty = rooms().withSpaces(List.of());
    assertThat(sheet(empty, rooms()).get("Mean U-value").before()).isNull();
  }
}
