package yentra.core.estimate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import org.junit.jupiter.api.Test;
import yentra.core.boundary.Watch;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.SurfaceType;
import yentra.core.estimate.hourly.Flow;
import yentra.core.estimate.hourly.HourRows;
import yentra.core.estimate.hourly.HourlyYear;
import yentra.core.estimate.setting.EstimateSettings;
import yentra.core.estimate.setting.SpaceSettings;
import yentra.core.junction.PsiValues;

/** Boxes of 8 m by 6 m by 2.7 m, whose loads can be worked out by hand. */
class LoadsTest {
  private static final PsiValues PSI = PsiValues.of(PsiValues.Dimensions.INTERNAL);

  private static EstimateSettings settings(Double air, Double heat, Double gains) {
    return EstimateSettings.STANDARD.withAll(
        new SpaceSettings(air, heat, 26.0, gains, true, null, null));
  }

  private static Estimate estimate(CheckContext c, EstimateSettings s, double outdoors)
      throws Exception {
    return Estimate.of(c, s, PSI, Boxes.constant(outdoors));
  }

  /** EN 12831-1: every term of a box at 20 °C and −10 °C by hand. */
  @Test
  void heatingTermByTerm() throws Exception {
    CheckContext c = new Boxes().stated("u", 0.4).row(1, "u", "u", "u", null).context();
    Estimate e = estimate(c, settings(0.8, 20.0, 0.0), 5);
    HeatingLoads.OfSpace s = e.heatingLoads(-10.0).spaces().get(0);
    assertThat(s.outdoorAir()).isCloseTo(171.6 * 0.4 * 30, within(1e-6));
    assertThat(s.ventilation()).isCloseTo(0.34 * 0.8 * 129.6 * 30, within(1e-6));
    assertThat(s.bridges()).isCloseTo((4 * 2.7 * 0.10 + 56 * 0.40) * 30, within(1e-6));
    assertThat(s.reheat()).isZero();
    assertThat(s.total()).isCloseTo(s.transmission() + s.ventilation(), within(1e-9));
    assertThat(e.heatingLoads(-10.0).total()).isCloseTo(s.total(), within(1e-9));
    assertThat(e.heatingLoads(null).outdoor()).isEqualTo(5);
  }

  /** Little air leaks in: people need half an air change. */
  @Test
  void peopleNeedAir() throws Exception {
    CheckContext c = new Boxes().stated("u", 0.4).row(1, "u", "u", "u", null).context();
    HeatingLoads.OfSpace s =
        estimate(c, settings(0.1, 20.0, 0.0), 5).heatingLoads(0.0).spaces().get(0);
    assertThat(s.ventilation()).isCloseTo(0.34 * 0.5 * 129.6 * 20, within(1e-6));
  }

  @Test
  void throughTheGround() throws Exception {
    CheckContext c = new Boxes().stated("u", 0.4).row(1, "u", "u", "u", null).context();
    c = c.with(c.envelope().replacing("s0-floor", x -> x.withType(SurfaceType.SLAB_ON_GRADE)));
    HeatingLoads.OfSpace s =
        estimate(c, settings(0.5, 20.0, 0.0), 9).heatingLoads(-10.0).spaces().get(0);
    double u =
        c.thermal().heatLoss(EstimateSettings.STANDARD.heatLoss()).uValue("s0-floor").getAsDouble();
    assertThat(s.ground()).isCloseTo(1.45 * 48 * u * (20 - 9), within(1e-6));
    assertThat(s.outdoorAir()).isCloseTo(123.6 * 0.4 * 30, within(1e-6));
  }

  /** What one space gives the other is no load of the building. */
  @Test
  void neighboursGiveAndTake() throws Exception {
    CheckContext c = new Boxes().stated("u", 0.4).row(2, "u", "u", "u", "u").context();
    EstimateSettings all = settings(0.5, 20.0, 0.0);
    EstimateSettings s =
        new EstimateSettings(
            all.all(),
            Map.of("s1", new SpaceSettings(null, 24.0, null, null, null, null, null)),
            null,
            true,
            false,
            all.setPointOf(),
            all.shares(),
            all.sky(),
            all.reflectance(),
            all.absorptance(),
            0,
            all.heatLoss(),
            all.systems(),
            Map.of());
    HeatingLoads h = estimate(c, s, 0).heatingLoads(0.0);
    assertThat(h.spaces().get(0).neighbours()).isCloseTo(16.2 * 0.4 * -4, within(1e-6));
    assertThat(h.spaces().get(1).neighbours()).isCloseTo(16.2 * 0.4 * 4, within(1e-6));
    assertThat(h.spaces().get(1).bridges()).isZero();
    assertThat(h.total())
        .isCloseTo(h.spaces().get(0).total() + h.spaces().get(1).total(), within(1e-6));
  }

  /** At 26 °C in and out the load is the gains; the sun adds to it, and the peak is in the sun. */
  @Test
  void cooling() throws Exception {
    CheckContext c = new Boxes().stated("u", 0.4).row(1, "u", "u", "u", null).context();
    CoolingLoads l = estimate(c, settings(0.5, 20.0, 30.0), 26).coolingLoads();
    assertThat(l.total()).isCloseTo(30 * 48, within(0.02 * 30 * 48));
    assertThat(l.spaces().get(0).internal()).isCloseTo(30 * 48, within(1e-9));
    assertThat(l.spaces().get(0).sun()).isZero();
    CheckContext sunny =
        new Boxes()
            .stated("u", 0.4)
            .glass("g", 1.3, 0.5)
            .row(1, "u", "u", "u", null)
            .window("s0-west", "g", 1, 0.5, 5, 2.5)
            .context();
    CoolingLoads w =
        Estimate.of(sunny, settings(0.5, 20.0, 0.0), PSI, Boxes.continental()).coolingLoads();
    CoolingLoads.OfSpace s = w.spaces().get(0);
    assertThat(s.hour()).as("a window that looks west").isBetween(15, 19);
    assertThat(s.sun()).isPositive();
    assertThat(s.peak())
        .isCloseTo(s.sun() + s.internal() + s.conduction() + s.ventilation(), within(1e-9));
  }

  /** Without sun the methods differ by what is known of them. */
  @Test
  void secondOpinionsAgreeWhereTheyMust() throws Exception {
    CheckContext c =
        new Boxes()
            .construction(
                "w", new double[] {0.1, 0.04, 30, 1000}, new double[] {0.02, 0.25, 900, 1000})
            .row(1, "w", "w", "w", null)
            .context();
    EstimateSettings s = settings(0.5, 20.0, 0.0);
    EstimateResult r = Estimate.of(c, s, PSI, Boxes.constant(0)).run(HourRows.NONE, Watch.NONE);
    double heat = r.year().total(Flow.HEATING);
    assertThat(r.monthly().heating()).isCloseTo(heat, within(0.04 * heat));
    // the simple network has the resistance of the inner air twice, which takes a tenth here
    assertThat(r.simpleHourly().heating()).isBetween(0.86 * heat, heat);
    assertThat(r.disagreement()).isNull();
    assertThat(r.energy().bought()).containsKey(yentra.core.estimate.setting.Systems.Carrier.GAS);
    assertThat(r.energy().bought().get(yentra.core.estimate.setting.Systems.Carrier.GAS))
        .isCloseTo(heat / 0.9, within(1e-6));
    assertThat(r.energy().cost()).isCloseTo(heat / 0.9 * 0.07, within(1e-6));
    assertThat(r.perArea()).isCloseTo(heat / 48, within(1e-6));
    assertThat(r.assumptions()).anyMatch(a -> a.contains("ISO 14683"));
  }

  @Test
  void whatIsMissingCanBeAssumed() throws Exception {
    CheckContext c =
        new Boxes()
            .stated("u", 0.4)
            .row(2, "u", "none", "u", "none")
            .window("s0-south", "none", 1, 1, 2, 2)
            .context();
    try {
      estimate(c, settings(0.5, 20.0, 0.0), 0);
      assertThat(true).as("it must not run").isFalse();
    } catch (HourlyYear.IncompleteException e) {
      assertThat(e.keys()).containsExactly("s0-south-w0", "s0-roof", "s0-east", "s1-roof");
      MissingAssumed m = MissingAssumed.of(c, e.keys());
      assertThat(m.assumptions()).hasSize(3).anyMatch(x -> x.contains("Flat concrete roof"));
      Estimate ready = estimate(m.context(), settings(0.5, 20.0, 0.0), 0);
      assertThat(ready.run(HourRows.NONE, Watch.NONE).year().total(Flow.HEATING)).isPositive();
    }
  }
}
