package yentra.core.variant;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import yentra.core.boundary.Watch;
import yentra.core.check.measure.CheckContext;
import yentra.core.climate.WeatherYear;
import yentra.core.estimate.Energy;
import yentra.core.estimate.Estimate;
import yentra.core.estimate.MissingAssumed;
import yentra.core.estimate.hourly.Flow;
import yentra.core.estimate.hourly.HourlyYear;
import yentra.core.estimate.hourly.YearResult;
import yentra.core.estimate.setting.EstimateSettings;
import yentra.core.estimate.setting.Systems;
import yentra.core.junction.Junctions;
import yentra.core.junction.PsiValues;
import yentra.core.thermal.HeatLoss;
import yentra.core.variant.change.Facing;
import yentra.core.variant.change.VariantState;

/**
 * What a variant comes to, by the same estimate that a single run makes (hourly year, design
 * loads), without the year that floats and without second opinions.
 *
 * @param floorArea of heated or cooled spaces, m²
 * @param heating kWh a year, as are cooling, lighting, equipment, fans, hotWater and primary
 * @param carbon kg CO2 a year
 * @param cost a year, in the user's currency
 * @param meanU of what loses heat, W/(m²K); NaN where nothing is known
 * @param heatingLoad design, of the whole building, W
 * @param coolingLoad design, of the whole building, W
 * @param warmHours most hours above 26 °C (operative) of a heated or cooled space
 * @param warmest label of that space; empty where there is none above
 * @param bought kWh by carrier
 * @param months kWh of each flow by month
 * @param sides outdoor walls by direction, from north clockwise
 * @param assumptions what was taken because the model does not say it
 */
public record VariantFigures(
    double floorArea,
    double heating,
    double cooling,
    double lighting,
    double equipment,
    double fans,
    double hotWater,
    double primary,
    double carbon,
    double cost,
    double meanU,
    double heatingLoad,
    double coolingLoad,
    int warmHours,
    String warmest,
    Map<Systems.Carrier, Double> bought,
    List<FlowMonths> months,
    List<OfSide> sides,
    List<String> assumptions) {
  /** A flow into all zones, kWh by month. */
  public record FlowMonths(Flow flow, List<Double> kWh) {
    public double total() {
      return kWh.stream().mapToDouble(v -> v).sum();
    }
  }

  /**
   * Outdoor walls that face one direction.
   *
   * @param gross m² with openings
   * @param glazed m² of openings that let light through
   */
  public record OfSide(Facing facing, double gross, double glazed) {
    /** 0 without walls. */
    public double share() {
      return gross > 0 ? glazed / gross : 0;
    }
  }

  public VariantFigures {
    bought = Map.copyOf(bought);
    months = List.copyOf(months);
    sides = List.copyOf(sides);
    assumptions = List.copyOf(assumptions);
  }

  /** By heated or cooled floor; 0 without floor. */
  public double byArea(double v) {
    return floorArea > 0 ? v / floorArea : 0;
  }

  /** Heat, cold, light, equipment, fans and hot water, kWh a year. */
  public double demand() {
    return heating + cooling + lighting + equipment + fans + hotWater;
  }

  /**
   * Runs the year.
   *
   * @param assumeMissing takes the library's usual constructions for what has no U-value
   * @param watch told how far it has come; may give it up
   * @throws HourlyYear.IncompleteException when a surface or opening has no U-value, and none is to
   *     be assumed
   */
  public static VariantFigures of(
      VariantState state, WeatherYear weather, boolean assumeMissing, Watch watch)
      throws HourlyYear.IncompleteException {
    EstimateSettings settings = state.settings();
    CheckContext context = state.context();
    PsiValues psi = new PsiValues(Junctions.dimensions(context.envelope()), settings.psi());
    List<String> assumed = new ArrayList<>();
    Estimate e;
    try {
      e = Estimate.of(context, settings, psi, weather);
    } catch (HourlyYear.IncompleteException x) {
      if (!assumeMissing) {
        throw x;
      }
      MissingAssumed taken = MissingAssumed.of(context, x.keys());
      assumed.addAll(taken.assumptions());
      context = taken.context();
      e = Estimate.of(context, settings, psi, weather);
    }
    YearResult y = e.year().alone(watch);
    Energy energy = e.energy(y);
    assumed.addAll(e.assumptions(y));
    YearResult.ZoneYear warmest = null;
    double heating = 0;
    double cooling = 0;
    for (YearResult.ZoneYear z : y.zones()) {
      heating += z.heating();
      cooling += z.cooling();
      boolean used = z.heated() || z.cooled();
      if (used && (warmest == null || z.hoursAbove26() > warmest.hoursAbove26())) {
        warmest = z;
      }
    }
    List<FlowMonths> months = new ArrayList<>();
    for (Flow f : Flow.values()) {
      months.add(new FlowMonths(f, java.util.Arrays.stream(y.months(f)).boxed().toList()));
    }
    boolean warm = warmest != null && warmest.hoursAbove26() > 0;
    return new VariantFigures(
        y.conditionedArea(),
        heating,
        cooling,
        y.total(Flow.LIGHTING),
        y.total(Flow.EQUIPMENT),
        energy.fans(),
        energy.hotWater(),
        energy.primary(),
        energy.carbon(),
        energy.cost(),
        meanU(context, settings),
        e.heatingLoads(null).total(),
        e.coolingLoads().total(),
        warm ? warmest.hoursAbove26() : 0,
        warm ? warmest.label() : "",
        energy.bought(),
        months,
        sides(context),
        assumed);
  }

  private static double meanU(CheckContext context, EstimateSettings settings) {
    HeatLoss loss = context.thermal().heatLoss(settings.heatLoss());
    return loss.total(s -> context.octant(s) >= 0).meanUValue();
  }

  /** Outdoor walls by where they face, from north clockwise. */
  public static List<OfSide> sides(CheckContext context) {
    double[] gross = context.measures().walls();
    double[] glazed = context.measures().glazing();
    List<OfSide> out = new ArrayList<>();
    for (Facing f : Facing.values()) {
      out.add(new OfSide(f, gross[f.ordinal()], glazed[f.ordinal()]));
    }
    return out;
  }
}
