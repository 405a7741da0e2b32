package yentra.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.boundary.Watch;
import yentra.core.check.measure.CheckContext;
import yentra.core.climate.WeatherYear;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Opening;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.estimate.Estimate;
import yentra.core.estimate.EstimateResult;
import yentra.core.estimate.hourly.HourRows;
import yentra.core.estimate.hourly.HourlyYear;
import yentra.core.estimate.setting.EstimateSettings;
import yentra.core.estimate.setting.Systems;
import yentra.core.geometry.Tolerance;
import yentra.core.intake.DeliveryReader;
import yentra.core.junction.Junctions;
import yentra.core.junction.PsiValues;
import yentra.core.pipeline.Delivery;
import yentra.core.pipeline.Stage;
import yentra.core.pipeline.StageOptions;
import yentra.core.plan.PlanDocument;
import yentra.core.plan.PlanWriter;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.construction.ConstructionSpec;
import yentra.core.repair.construction.ReplaceConstruction;
import yentra.core.scope.ScopeState;
import yentra.core.scope.ScopeStep;
import yentra.core.variant.Metric;
import yentra.core.variant.Sweep;
import yentra.core.variant.Target;
import yentra.core.variant.Variant;
import yentra.core.variant.VariantFigures;
import yentra.core.variant.change.Change;
import yentra.core.variant.change.ChangeQuantity;
import yentra.core.variant.change.ConstructionOfType;
import yentra.core.variant.change.Facing;
import yentra.core.variant.change.GlazingShare;
import yentra.core.variant.change.HeatRecovery;
import yentra.core.variant.change.LayerThickness;
import yentra.core.variant.change.Leakage;
import yentra.core.variant.change.LightAndEquipment;
import yentra.core.variant.change.OtherClimate;
import yentra.core.variant.change.SetPoints;
import yentra.core.variant.change.StatedUValue;
import yentra.core.variant.change.StoreyHeight;
import yentra.core.variant.change.SystemsOf;
import yentra.core.variant.change.Turned;
import yentra.core.variant.change.VariantState;
import yentra.core.variant.change.WindowShades;
import yentra.core.variant.change.WindowType;

/** Variants of Marram Point and of its drawn annexe. */
class VariantsTest {
  private static final WeatherYear WEATHER = MarramClimate.year();
  private static final Set<Facing> SOUTH =
      Set.of(Facing.SOUTH_EAST, Facing.SOUTH, Facing.SOUTH_WEST);
  private static final Variant.Drawing NOT_DRAWN =
      p -> {
        throw new NotApplicableException("not drawn");
      };

  private static final VariantState BASELINE = state(context(DemoFiles.soundGbxml()));

  /** One of each kind, with numbers that change something. */
  private static final List<Change> EACH =
      List.of(
          new GlazingShare(SOUTH, 0.3, 0.8),
          new WindowType(Set.of(), "Triple, coated", 0.7, 0.5, null, "made up"),
          new WindowShades(SOUTH, 0.8, 0.2),
          new ConstructionOfType(
              SurfaceType.EXTERIOR_WALL,
              new ConstructionSpec(null, "Wall of 0.15", List.of(), 0.15, "made up")),
          new LayerThickness("Slate roof on rafters", "Mineral wool", 0.32),
          new StatedUValue("Boarded wall on block", 0.12),
          new Leakage(0.05),
          new SetPoints(19.0, 27.0),
          new LightAndEquipment(6.0, 4.0),
          new HeatRecovery(0.8),
          new SystemsOf(Systems.Carrier.ELECTRICITY, 3.5, null, null, 4.0, null),
          new Turned(90),
          new OtherClimate("inland", "Inland"));

  private static CheckContext context(byte[] bytes) {
    return stage(delivery(bytes), ScopeState.AS_DELIVERED).context();
  }

  private static Delivery delivery(byte[] bytes) {
    try {
      return Delivery.read(
          DeliveryReader.Source.of(bytes),
          ReadLimits.standard(),
          Tolerance.standard(),
          DeliveryReader.Progress.NONE);
    } catch (Exception e) {
      throw new AssertionError(e);
    }
  }

  private static Stage stage(Delivery d, ScopeState scope) {
    return d.stage(StageOptions.STANDARD.with(scope), Watch.NONE);
  }

  private static VariantState state(CheckContext c) {
    return new VariantState(c, EstimateSettings.STANDARD, "coast", null);
  }

  private static Variant made(Change... changes) {
    return Variant.of(BASELINE, List.of(changes), NOT_DRAWN);
  }

  private static VariantFigures figures(VariantState s) {
    try {
      return VariantFigures.of(s, WEATHER, true, Watch.NONE);
    } catch (HourlyYear.IncompleteException e) {
      throw new AssertionError(e);
    }
  }

  @Test
  void aVariantThatChangesNothingIsTheBaselineToTheLastBit() {
    List<Change> nothing =
        List.of(
            new Turned(0),
            new HeatRecovery(0),
            new OtherClimate("coast", "Coast"),
            new WindowShades(Set.of(), 0, 0),
            new LayerThickness("Boarded wall on block", "Mineral wool", 0.16),
            new SystemsOf(Systems.Carrier.GAS, 0.9, null, null, 3.0, 1.5));
    Variant v = Variant.of(BASELINE, nothing, NOT_DRAWN);
    assertThat(v.applies()).isTrue();
    assertThat(v.done()).hasSize(nothing.size());
    assertThat(v.repairs()).isEmpty();
    assertThat(v.state()).isEqualTo(BASELINE);
    assertThat(v.state().context()).isSameAs(BASELINE.context());
    assertThat(figures(v.state())).isEqualTo(figures(BASELINE));
  }

  @Test
  void whatAVariantMadeIsNothingWhenItIsAskedForAgain() {
    for (Change c : EACH) {
      if (c instanceof Turned) {
        // a turn is by so much, not to somewhere
        continue;
      }
      Variant once = made(c);
      assertThat(once.applies()).as(c.label()).isTrue();
      assertThat(once.state()).as(c.label()).isNotEqualTo(BASELINE);
      Variant again = Variant.of(once.state(), List.of(c), NOT_DRAWN);
      assertThat(again.applies()).as(c.label()).isTrue();
      assertThat(again.repairs()).as(c.label()).isEmpty();
      assertThat(again.state()).as(c.label()).isEqualTo(once.state());
    }
  }

  @Test
  void changesCommuteWhereTheySaySo() {
    int pairs = 0;
    for (Change a : EACH) {
      assertThat(a.commutesWith(a)).isFalse();
      for (Change b : EACH) {
        if (!a.commutesWith(b)) {
          continue;
        }
        pairs++;
        assertThat(b.commutesWith(a)).isTrue();
        VariantState ab = made(a, b).state();
        VariantState ba = made(b, a).state();
        String both = a.label() + " / " + b.label();
        assertThat(ab.envelope().parts()).as(both).isEqualTo(ba.envelope().parts());
        assertThat(ab.settings()).as(both).isEqualTo(ba.settings());
        assertThat(ab.climate()).as(both).isEqualTo(ba.climate());
      }
    }
    assertThat(pairs).isGreaterThan(100);
  }

  @Test
  void figuresAreThoseOfASingleRun() throws Exception {
    VariantState s = made(EACH.get(0), EACH.get(2), EACH.get(9)).state();
    VariantFigures f = figures(s);
    Estimate e =
        Estimate.of(
            s.context(), s.settings(), PsiValues.of(Junctions.dimensions(s.envelope())), WEATHER);
    EstimateResult r = e.run(HourRows.NONE, Watch.NONE);
    assertThat(f.byArea(f.demand())).isCloseTo(r.perArea(), within(1e-9));
    assertThat(f.carbon()).isEqualTo(r.energy().carbon());
    assertThat(f.cost()).isEqualTo(r.energy().cost());
    assertThat(f.heatingLoad()).isEqualTo(e.heatingLoads(null).total());
    assertThat(f.coolingLoad()).isEqualTo(e.coolingLoads().total());
    // gas 1.1, electricity 1.8 (common practice, no source)
    assertThat(f.primary())
        .isCloseTo(
            1.1 * f.bought().get(Systems.Carrier.GAS)
                + 1.8 * f.bought().get(Systems.Carrier.ELECTRICITY),
            within(1e-9));
  }

  @Test
  void changesDoWhatTheySay() {
    VariantFigures base = figures(BASELINE);
    VariantFigures glazed = figures(made(new GlazingShare(Set.of(Facing.SOUTH), 0.4, 0.5)).state());
    assertThat(glazed.sides().get(Facing.SOUTH.ordinal()).share()).isCloseTo(0.4, within(1e-3));
    assertThat(glazed.sides().get(Facing.NORTH.ordinal()))
        .isEqualTo(base.sides().get(Facing.NORTH.ordinal()));
    VariantFigures shaded =
        figures(
            made(new GlazingShare(Set.of(Facing.SOUTH), 0.4, 0.5), new WindowShades(Set.of(), 1, 0))
                .state());
    assertThat(sun(shaded)).isLessThan(sun(glazed));
    VariantFigures insulated =
        figures(made(new LayerThickness("Boarded wall on block", "Mineral wool", 0.3)).state());
    assertThat(insulated.meanU()).isLessThan(base.meanU());
    assertThat(insulated.heating()).isLessThan(base.heating());
    // a wall with 0.14 m more of λ 0.036: R grows by 3.889 m²K/W
    VariantFigures tight = figures(made(new Leakage(0.05)).state());
    assertThat(tight.heating()).isLessThan(base.heating());
    // y axis looks to 12°, walls that faced 192° face 282° after a quarter turn
    VariantFigures turned = figures(made(new Turned(90)).state());
    assertThat(turned.sides().get(Facing.WEST.ordinal()).gross())
        .isCloseTo(base.sides().get(Facing.SOUTH.ordinal()).gross(), within(1e-9));
    VariantFigures lit = figures(made(new LightAndEquipment(10.0, null)).state());
    assertThat(lit.lighting() / lit.floorArea()).isGreaterThan(10);
    assertThat(lit.heating()).isLessThan(base.heating());
    VariantFigures pump =
        figures(
            made(new SystemsOf(Systems.Carrier.ELECTRICITY, 3.5, null, null, null, null)).state());
    assertThat(pump.heating()).isEqualTo(base.heating());
    assertThat(pump.carbon()).isLessThan(base.carbon());
  }

  private static double sun(VariantFigures f) {
    return f.months().get(2).total();
  }

  @Test
  void wallsWithTooLittleRoomAreToldOf() {
    Variant v = made(new GlazingShare(Set.of(), 0.9, 1.5));
    assertThat(v.applies()).isTrue();
    assertThat(v.done().get(0).effect().notes()).singleElement().asString().contains("less");
    for (Surface s : v.state().envelope().surfaces()) {
      double glass = s.openings().stream().mapToDouble(o -> o.polygon().area()).sum();
      assertThat(glass).isLessThan(s.polygon().area());
    }
    Variant none = made(new GlazingShare(Set.of(), 0, 0.9));
    assertThat(none.state().windowsFacing(Set.of())).isEmpty();
  }

  @Test
  void shadesGoWithTheChangeThatMadeThem() {
    Variant deep = made(new WindowShades(Set.of(), 0.5, 0.1));
    Envelope with = deep.state().envelope();
    int windows = deep.state().windowsFacing(Set.of()).size();
    assertThat(with.surfaces()).hasSize(BASELINE.envelope().surfaces().size() + 3 * windows);
    Variant deeper =
        Variant.of(deep.state(), List.of(new WindowShades(Set.of(), 1.5, 0)), NOT_DRAWN);
    assertThat(deeper.state().envelope().surfaces())
        .hasSize(BASELINE.envelope().surfaces().size() + windows);
    Variant none = Variant.of(deep.state(), List.of(new WindowShades(Set.of(), 0, 0)), NOT_DRAWN);
    assertThat(none.state().envelope().parts()).isEqualTo(BASELINE.envelope().parts());
  }

  @Test
  void afterARepairOfTheBaselineVariantsFollowOrSayWhatNoLongerApplies() throws Exception {
    Repair repair =
        new ReplaceConstruction(
            "con-wall", new ConstructionSpec(null, "Timber frame", List.of(), 0.2, "made up"));
    Envelope repaired = repair.apply(BASELINE.envelope(), BASELINE.context().rules());
    VariantState now = state(BASELINE.context().with(repaired));
    List<Change> changes =
        List.of(
            new LayerThickness("Boarded wall on block", "Mineral wool", 0.3),
            new WindowShades(SOUTH, 1, 0),
            new StatedUValue("Timber frame", 0.1));
    Variant before = Variant.of(BASELINE, changes, NOT_DRAWN);
    assertThat(before.refused()).extracting(Variant.Refused::index).containsExactly(2);
    Variant after = Variant.of(now, changes, NOT_DRAWN);
    assertThat(after.refused()).extracting(Variant.Refused::index).containsExactly(0);
    assertThat(after.refused().get(0).reason()).contains("Boarded wall on block");
    assertThat(after.applies()).isFalse();
    // the others hold on the repaired state as on the one before
    assertThat(after.state().envelope().surfaces())
        .hasSize(before.state().envelope().surfaces().size());
    assertThat(Variant.of(now, changes.subList(1, 3), NOT_DRAWN).applies()).isTrue();
  }

  @Test
  void bothRevisionsTakeTheSameVariants() {
    VariantState b = state(context(DemoFiles.revisionB()));
    for (Change c : EACH) {
      Variant v = Variant.of(b, List.of(c), NOT_DRAWN);
      assertThat(v.applies()).as(c.label()).isTrue();
      assertThat(v.state()).as(c.label()).isNotEqualTo(b);
    }
  }

  @Test
  void storeysOfADrawnBuildingGrow() throws Exception {
    Delivery d = delivery(BoathouseAnnexe.plan());
    Stage drawn = stage(d, ScopeState.AS_DELIVERED);
    PlanDocument plan = d.plan(ScopeState.AS_DELIVERED);
    VariantState s = new VariantState(drawn.context(), EstimateSettings.STANDARD, "coast", plan);
    Variant.Drawing drawing =
        p ->
            stage(
                    d,
                    ScopeState.of(
                        List.of(
                            new ScopeStep.Draw(
                                new String(
                                    PlanWriter.write(p), java.nio.charset.StandardCharsets.UTF_8),
                                ""))))
                .context();
    double before = volume(s);
    Variant same =
        Variant.of(s, List.of(new StoreyHeight("", plan.storeys().get(0).height())), drawing);
    Variant higher =
        Variant.of(
            s, List.of(new GlazingShare(Set.of(), 0.2, 0.5), new StoreyHeight("", 4.5)), drawing);
    assertThat(higher.refused()).isEmpty();
    assertThat(volume(higher.state())).isGreaterThan(before);
    // glazing is a share of the walls as they are with the new height
    double gross = 0;
    double glass = 0;
    for (Surface w : higher.state().wallsFacing(Set.of())) {
      gross += w.polygon().area();
      glass +=
          w.openings().stream()
              .filter(o -> o.type().isGlazed())
              .map(Opening::polygon)
              .mapToDouble(p -> p.area())
              .sum();
    }
    assertThat(glass / gross).isCloseTo(0.2, within(0.01));
    assertThat(same.refused()).isEmpty();
    assertThat(Variant.of(BASELINE, List.of(new StoreyHeight("", 4.5)), NOT_DRAWN).refused())
        .singleElement()
        .extracting(Variant.Refused::reason)
        .asString()
        .contains("drawn");
  }

  private static double volume(VariantState s) {
    return s.context().figures().volume();
  }

  @Test
  void everyNumberCanBeSetAndIsKeptWithinItsBounds() {
    for (Change c : EACH) {
      for (ChangeQuantity q : c.quantities()) {
        double v = (q.least() + q.most()) / 2;
        Change set = c.with(q.member(), v);
        assertThat(set.quantities())
            .filteredOn(x -> x.member().equals(q.member()))
            .singleElement()
            .extracting(ChangeQuantity::value)
            .isEqualTo(v);
        Change beyond = c.with(q.member(), q.most() * 2 + 1);
        assertThatThrownBy(() -> beyond.on(BASELINE))
            .isInstanceOf(NotApplicableException.class)
            .hasMessageContaining(q.label());
      }
      assertThatThrownBy(() -> c.with("nothing", 1)).isInstanceOf(IllegalArgumentException.class);
    }
  }

  @Test
  void changesAreReadBackAsTheyWereWritten() {
    JsonMapper json = JsonMapper.builder().build();
    for (Change c : EACH) {
      assertThat(json.readValue(json.writeValueAsString(c), Change.class)).isEqualTo(c);
    }
  }

  @Test
  void aSweepOfTwoHundredGivesTheSameAsTwoHundredSingleRuns() throws Exception {
    VariantState hut = state(context(WatchHut.plan()));
    Sweep sweep =
        new Sweep(
            List.of(new WindowType(Set.of(), "Triple, coated", 0.7, 0.5, null, "made up")),
            List.of(
                new Sweep.Axis(
                    new WindowShades(Set.of(), 0, 0), "overhang", Sweep.range(0, 0.9, 0.1)),
                new Sweep.Axis(new Leakage(0), "airChanges", Sweep.range(0.05, 1, 0.05))),
            true);
    List<Sweep.Point> points = sweep.points();
    assertThat(points).hasSize(200);
    List<VariantFigures> swept =
        points.parallelStream()
            .map(p -> figures(Variant.of(hut, p.changes(), NOT_DRAWN).state()))
            .toList();
    List<VariantFigures> single = new ArrayList<>();
    for (int i = 0; i < points.size(); i++) {
      List<Double> v = points.get(i).values();
      // one change after the other, each on what the one before made
      VariantState s = hut;
      for (Change c :
          List.of(
              new WindowType(Set.of(), "Triple, coated", 0.7, 0.5, null, "made up"),
              new WindowShades(Set.of(), v.get(0), 0),
              new Leakage(v.get(1)))) {
        s = Variant.of(s, List.of(c), NOT_DRAWN).state();
      }
      single.add(figures(s));
    }
    assertThat(swept).isEqualTo(single);
    // leaks never save heat, nor do deeper overhangs
    for (int i = 0; i < 10; i++) {
      for (int j = 0; j < 20; j++) {
        double here = swept.get(20 * i + j).heating();
        assertThat(here).isGreaterThanOrEqualTo(j == 0 ? 0 : swept.get(20 * i + j - 1).heating());
        assertThat(here).isGreaterThanOrEqualTo(i == 0 ? 0 : swept.get(20 * (i - 1) + j).heating());
      }
    }
  }

  @Test
  void rangesEndWhereTheySay() {
    assertThat(Sweep.range(0.1, 0.5, 0.1)).containsExactly(0.1, 0.2, 0.3, 0.4, 0.5);
    assertThat(Sweep.range(3, 1, -1)).containsExactly(3.0, 2.0, 1.0);
    assertThat(Sweep.range(2, 2, 0)).containsExactly(2.0);
    assertThat(Sweep.range(0, 1, 0.4)).containsExactly(0.0, 0.4, 0.8);
    for (double[] bad :
        new double[][] {{0, 1, -0.1}, {0, 1, 0}, {0, 1, 1e-9}, {0, Double.NaN, 1}}) {
      assertThatThrownBy(() -> Sweep.range(bad[0], bad[1], bad[2]))
          .isInstanceOf(IllegalArgumentException.class);
    }
  }

  @Test
  void sweepsSayWhatTheyCannotDo() throws Exception {
    Sweep.Axis turn = new Sweep.Axis(new Turned(0), "degrees", Sweep.range(0, 350, 10));
    Sweep.Axis air = new Sweep.Axis(new Leakage(0), "airChanges", Sweep.range(0, 1, 0.02));
    assertThat(new Sweep(List.of(), List.of(turn, air), false).points())
        .hasSize(36 + 51)
        .first()
        .satisfies(p -> assertThat(p.values()).containsExactly(0.0, null));
    assertThatThrownBy(() -> new Sweep(List.of(), List.of(turn, air), true).points())
        .hasMessageContaining("1836 runs");
    assertThatThrownBy(() -> new Sweep(List.of(), List.of(), true).points())
        .hasMessageContaining("one or two");
    Sweep.Axis wrong = new Sweep.Axis(new Leakage(0), "airChanges", List.of(-1.0));
    assertThatThrownBy(() -> new Sweep(List.of(), List.of(wrong), true).points())
        .hasMessageContaining("between");
    Sweep.Axis unknown = new Sweep.Axis(new Leakage(0), "nothing", List.of(1.0));
    assertThatThrownBy(() -> new Sweep(List.of(), List.of(unknown), true).points())
        .isInstanceOf(NotApplicableException.class);
  }

  @Test
  void targetsAreMetOrMissed() {
    VariantFigures base = figures(BASELINE);
    VariantFigures tight = figures(made(new Leakage(0.0)).state());
    Target share = new Target(Metric.HEATING, null, 0.05);
    double limit = share.limit(base);
    assertThat(limit).isCloseTo(0.95 * base.heating() / base.floorArea(), within(1e-9));
    assertThat(share.isMet(base, limit)).isFalse();
    assertThat(share.isMet(tight, limit)).isEqualTo(tight.heating() <= 0.95 * base.heating());
    Target most = new Target(Metric.WARM_HOURS, (double) base.warmHours(), null);
    assertThat(most.isMet(base, most.limit(base))).isTrue();
    assertThat(new Target(Metric.MEAN_U, 0.01, null).isMet(base, 0.01)).isFalse();
    for (Double[] bad : new Double[][] {{null, null}, {1.0, 0.5}, {-1.0, null}, {null, 1.0}}) {
      assertThatThrownBy(() -> new Target(Metric.COST, bad[0], bad[1]))
          .isInstanceOf(IllegalArgumentException.class);
    }
    for (Metric m : Metric.values()) {
      assertThat(m.of(base)).as(m.label()).isNotNaN().isNotNegative();
      assertThat(m.label()).isNotBlank();
    }
  }

  @Test
  void curvesMeetALimitBetweenTheirPoints() {
    List<Double> x = IntStream.range(0, 5).mapToObj(i -> (double) i).toList();
    assertThat(Sweep.meets(x, List.of(9.0, 7.0, 5.0, 4.0, 4.0), 6).getAsDouble()).isEqualTo(1.5);
    assertThat(Sweep.meets(x, List.of(9.0, 7.0, 6.0, 5.0, 4.0), 6).getAsDouble()).isEqualTo(2.0);
    assertThat(Sweep.meets(x, List.of(9.0, 7.0, 6.5, 6.2, 6.0), 6).getAsDouble()).isEqualTo(4.0);
    assertThat(Sweep.meets(x, List.of(9.0, 7.0, 6.5, 6.2, 6.1), 6)).isEmpty();
    List<Double> waiting = new ArrayList<>(List.of(9.0, 7.0, Double.NaN, 5.0, 4.0));
    assertThat(Sweep.meets(x, waiting, 6)).isEmpty();
  }
}
