package yentra.core.estimate;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import yentra.core.boundary.Watch;
import yentra.core.check.measure.CheckContext;
import yentra.core.climate.WeatherYear;
import yentra.core.envelope.Space;
import yentra.core.estimate.hourly.Flow;
import yentra.core.estimate.hourly.HourRows;
import yentra.core.estimate.hourly.HourlyYear;
import yentra.core.estimate.hourly.SecondOpinion;
import yentra.core.estimate.hourly.YearResult;
import yentra.core.estimate.setting.EstimateSettings;
import yentra.core.estimate.setting.Systems;
import yentra.core.junction.Junction;
import yentra.core.junction.Junctions;
import yentra.core.junction.PsiValues;

/** An envelope with its weather, ready to be estimated. */
public final class Estimate {
  private final CheckContext context;
  private final EstimateSettings settings;
  private final HourlyYear year;
  private final WeatherYear weather;
  private final List<Junction> junctions;
  private final Map<String, Double> bridges;
  private final List<String> assumptions;

  private Estimate(
      CheckContext context,
      EstimateSettings settings,
      HourlyYear year,
      WeatherYear weather,
      List<Junction> junctions,
      Map<String, Double> bridges,
      List<String> assumptions) {
    this.weather = weather;
    this.bridges = bridges;
    this.context = context;
    this.settings = settings;
    this.year = year;
    this.junctions = junctions;
    this.assumptions = assumptions;
  }

  /**
   * Makes it ready.
   *
   * @param psi of linear thermal bridges
   * @throws HourlyYear.IncompleteException when a surface or opening has no U-value
   */
  public static Estimate of(
      CheckContext context, EstimateSettings settings, PsiValues psi, WeatherYear weather)
      throws HourlyYear.IncompleteException {
    List<Junction> junctions = junctions(context, psi);
    Map<String, Double> bridges = new HashMap<>();
    for (Junction j : junctions) {
      j.spaces().forEach(s -> bridges.merge(s, j.heatLoss(s), Double::sum));
    }
    List<String> assumptions = new ArrayList<>();
    if (settings.thermalBridges()) {
      assumptions.add(
          "Thermal bridges have default values of ISO 14683 for "
              + psi.dimensions().label()
              + " dimensions where none are stated.");
    }
    HourlyYear year = HourlyYear.of(context, settings, weather, s -> bridges.getOrDefault(s, 0.0));
    return new Estimate(context, settings, year, weather, junctions, bridges, assumptions);
  }

  /** The linear thermal bridges of an envelope. */
  public static List<Junction> junctions(CheckContext context, PsiValues psi) {
    return Junctions.of(context.envelope(), context::outward, psi, context.tolerance());
  }

  public List<Junction> junctions() {
    return junctions;
  }

  public HourlyYear year() {
    return year;
  }

  /**
   * Design heat loads.
   *
   * @param outdoor °C to design for; null for what the weather gives
   */
  public HeatingLoads heatingLoads(Double outdoor) {
    return HeatingLoads.of(
        context,
        settings,
        year,
        outdoor == null ? HeatingLoads.outdoor(weather) : outdoor,
        HeatingLoads.mean(weather),
        bridges);
  }

  /** Design cooling loads. */
  public CoolingLoads coolingLoads() {
    return CoolingLoads.of(year);
  }

  /**
   * Runs the year.
   *
   * @param rows told of every zone in every hour
   * @param watch told how far it has come; may give it up
   */
  public EstimateResult run(HourRows rows, Watch watch) {
    YearResult y = year.run(rows, watch);
    Map<String, SecondOpinion> others = year.secondOpinions();
    return new EstimateResult(
        y, energy(y), others.get("monthly"), others.get("simpleHourly"), assumptions(y));
  }

  /** What was assumed for a year, as sentences. */
  public List<String> assumptions(YearResult y) {
    List<String> assumed = new ArrayList<>(y.assumptions());
    assumed.addAll(assumptions);
    return assumed;
  }

  /** What is bought for a year. */
  public Energy energy(YearResult y) {
    Systems systems = settings.systems();
    double fans = year.fans(systems.fanPower());
    double water = 0;
    for (YearResult.ZoneYear z : y.zones()) {
      Space s = context.envelope().space(z.key()).orElseThrow();
      boolean used = z.heated() || z.cooled();
      water += used ? HotWater.of(s.use()) * z.floorArea() : 0;
    }
    double heat = y.zones().stream().mapToDouble(YearResult.ZoneYear::heating).sum();
    double cold = y.zones().stream().mapToDouble(YearResult.ZoneYear::cooling).sum();
    double electricity = y.total(Flow.LIGHTING) + y.total(Flow.EQUIPMENT) + fans;
    Map<Systems.Carrier, Double> bought = systems.bought(heat, cold, water, electricity);
    return new Energy(
        fans, water, bought, systems.cost(bought), systems.carbon(bought), systems.primary(bought));
  }
}
