package yentra.core.estimate;

import java.util.List;
import yentra.core.estimate.hourly.Flow;
import yentra.core.estimate.hourly.SecondOpinion;
import yentra.core.estimate.hourly.YearResult;

/**
 * What an estimate comes to.
 *
 * @param year by the hourly method
 * @param energy what is bought for it
 * @param monthly what the monthly method says
 * @param simpleHourly what the simple hourly method says
 * @param assumptions what was taken because the model does not say it
 */
public record EstimateResult(
    YearResult year,
    Energy energy,
    SecondOpinion monthly,
    SecondOpinion simpleHourly,
    List<String> assumptions) {
  /** kWh for each m² of conditioned floor: heat, cold, light, equipment, fans, hot water. */
  public double perArea() {
    double area = year.conditionedArea();
    return area > 0 ? all() / area : 0;
  }

  private double all() {
    double sum = energy.fans() + energy.hotWater();
    for (YearResult.ZoneYear z : year.zones()) {
      sum += z.heating() + z.cooling();
      sum += z.total(Flow.LIGHTING) + z.total(Flow.EQUIPMENT);
    }
    return sum;
  }

  /** Whether a second opinion says something else, as a sentence; null where they agree. */
  public String disagreement() {
    double area = year.conditionedArea();
    double heat = year.zones().stream().mapToDouble(YearResult.ZoneYear::heating).sum();
    double cold = year.zones().stream().mapToDouble(YearResult.ZoneYear::cooling).sum();
    boolean heating = SecondOpinion.disagree(heat, monthly.heating(), area);
    boolean cooling = SecondOpinion.disagree(cold, monthly.cooling(), area);
    if (!heating && !cooling) {
      return null;
    }
    return String.format(
        java.util.Locale.ROOT,
        "The monthly method says something else: %s. It knows nothing of the heat that spaces of other temperatures give each other, and little of sun and set-points that change within the day.",
        (heating ? words("heating", heat, monthly.heating()) : "")
            + (heating && cooling ? "; " : "")
            + (cooling ? words("cooling", cold, monthly.cooling()) : ""));
  }

  private static String words(String what, double hourly, double monthly) {
    return String.format(
        java.util.Locale.ROOT, "%s %,.0f kWh by month, %,.0f kWh by hour", what, monthly, hourly);
  }
}
