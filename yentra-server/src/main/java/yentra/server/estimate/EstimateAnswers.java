package yentra.server.estimate;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import yentra.core.boundary.Watch;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Space;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Zone;
import yentra.core.estimate.CoolingLoads;
import yentra.core.estimate.Estimate;
import yentra.core.estimate.EstimateResult;
import yentra.core.estimate.HeatingLoads;
import yentra.core.estimate.LoadDensity;
import yentra.core.estimate.hourly.Flow;
import yentra.core.estimate.hourly.HourRows;
import yentra.core.estimate.hourly.SecondOpinion;
import yentra.core.estimate.hourly.YearResult;
import yentra.core.estimate.setting.Systems;
import yentra.core.junction.Junction;
import yentra.core.junction.Junctions;
import yentra.core.junction.PsiValues;

/** Makes what is said of an estimate from what it came to. */
final class EstimateAnswers {
  /** Points of a duration curve. */
  private static final int POINTS = 121;

  /** Of the whole, how much is done when the year is. */
  static final double YEAR = 0.85;

  private EstimateAnswers() {}

  /** Loads and year of an envelope. */
  static EstimateViews.EstimateView run(
      Estimate e,
      CheckContext context,
      Systems systems,
      List<String> assumed,
      HourRows rows,
      Watch watch) {
    EstimateResult r = e.run(rows, watch.part(0, YEAR));
    HeatingLoads heating = e.heatingLoads(null);
    watch.at(YEAR);
    CoolingLoads cooling = e.coolingLoads();
    YearResult y = r.year();
    List<String> all = new ArrayList<>(assumed);
    all.addAll(r.assumptions());
    return new EstimateViews.EstimateView(
        y.hours(),
        y.conditionedArea(),
        r.perArea(),
        flows(y),
        r.energy().fans(),
        r.energy().hotWater(),
        carriers(r, systems),
        r.energy().cost(),
        r.energy().carbon(),
        heating.outdoor(),
        heating.total(),
        cooling.total(),
        cooling.month(),
        cooling.hour(),
        y.peakHeating(),
        y.peakCooling(),
        duration(y.heating()),
        duration(y.cooling()),
        List.of(
            opinion("monthly method", r.monthly()),
            opinion("simple hourly method", r.simpleHourly())),
        r.disagreement(),
        y.balanceError(),
        spaces(context.envelope(), y, heating, cooling),
        all);
  }

  private static EstimateViews.OpinionView opinion(String method, SecondOpinion o) {
    return new EstimateViews.OpinionView(method, o.heating(), o.cooling());
  }

  private static List<Double> list(double[] v) {
    return Arrays.stream(v).boxed().toList();
  }

  private static List<EstimateViews.FlowView> flows(YearResult y) {
    List<EstimateViews.FlowView> out = new ArrayList<>();
    for (Flow f : Flow.values()) {
      out.add(new EstimateViews.FlowView(f.name(), f.label(), list(y.months(f))));
    }
    return out;
  }

  private static List<EstimateViews.CarrierView> carriers(EstimateResult r, Systems systems) {
    List<EstimateViews.CarrierView> out = new ArrayList<>();
    r.energy()
        .bought()
        .forEach(
            (c, kWh) -> {
              Systems.Factors f = systems.carriers().get(c);
              out.add(
                  new EstimateViews.CarrierView(c.label(), kWh, kWh * f.cost(), kWh * f.carbon()));
            });
    return out;
  }

  private static List<Double> duration(double[] hours) {
    double[] sorted = hours.clone();
    Arrays.sort(sorted);
    List<Double> out = new ArrayList<>();
    for (int i = 0; i < POINTS; i++) {
      int at = (int) Math.round((double) i / (POINTS - 1) * (sorted.length - 1));
      out.add(sorted[sorted.length - 1 - at]);
    }
    return out;
  }

  private static List<EstimateViews.SpaceEstimateView> spaces(
      Envelope e, YearResult y, HeatingLoads heating, CoolingLoads cooling) {
    Map<String, HeatingLoads.OfSpace> heat = new HashMap<>();
    heating.spaces().forEach(s -> heat.put(s.key(), s));
    Map<String, CoolingLoads.OfSpace> cool = new HashMap<>();
    cooling.spaces().forEach(s -> cool.put(s.key(), s));
    List<EstimateViews.SpaceEstimateView> out = new ArrayList<>();
    for (YearResult.ZoneYear z : y.zones()) {
      Space s = e.space(z.key()).orElseThrow();
      List<Double> flows = new ArrayList<>();
      for (Flow f : Flow.values()) {
        flows.add(z.total(f));
      }
      out.add(
          new EstimateViews.SpaceEstimateView(
              z.key(),
              z.label(),
              e.storey(s.storey()).map(Storey::name).orElse(""),
              e.zone(s.zone()).map(Zone::label).orElse(""),
              z.floorArea(),
              z.heated(),
              z.cooled(),
              z.heating(),
              z.cooling(),
              z.peakHeating(),
              z.peakCooling(),
              z.hoursAbove26(),
              z.unmet(),
              z.freeColdest(),
              z.freeWarmest(),
              heating(heat.get(z.key())),
              cooling(cool.get(z.key())),
              flows));
    }
    return out;
  }

  private static EstimateViews.HeatLoadView heating(HeatingLoads.OfSpace s) {
    if (s == null) {
      return null;
    }
    LoadDensity d = s.density();
    return new EstimateViews.HeatLoadView(
        s.total(),
        s.indoor(),
        s.outdoorAir(),
        s.bridges(),
        s.ground(),
        s.unheated(),
        s.neighbours(),
        s.ventilation(),
        s.reheat(),
        d.value(),
        d.place().name(),
        d.driver());
  }

  private static EstimateViews.CoolLoadView cooling(CoolingLoads.OfSpace s) {
    if (s == null) {
      return null;
    }
    LoadDensity d = s.density();
    return new EstimateViews.CoolLoadView(
        s.peak(),
        s.month(),
        s.hour(),
        s.sun(),
        s.internal(),
        s.conduction(),
        s.ventilation(),
        d.value(),
        d.place().name(),
        d.driver());
  }

  static EstimateViews.JunctionsView junctions(CheckContext context, PsiValues psi) {
    List<Junction> list = Estimate.junctions(context, psi);
    List<EstimateViews.JunctionTotalView> totals = new ArrayList<>();
    Junctions.totals(list)
        .forEach(
            (t, sum) ->
                totals.add(
                    new EstimateViews.JunctionTotalView(
                        t.name(),
                        t.label(),
                        (int) list.stream().filter(j -> j.type() == t).count(),
                        sum.length(),
                        sum.heatLoss())));
    List<EstimateViews.JunctionView> out = new ArrayList<>();
    for (Junction j : list) {
      List<Double> lines = new ArrayList<>();
      j.lines()
          .forEach(
              v -> {
                lines.add(v.x());
                lines.add(v.y());
                lines.add(v.z());
              });
      out.add(
          new EstimateViews.JunctionView(
              j.type().name(),
              j.type().label(),
              j.length(),
              j.psi(),
              j.stated(),
              j.elements(),
              j.spaces(),
              lines));
    }
    return new EstimateViews.JunctionsView(psi.dimensions().label(), totals, out);
  }
}
