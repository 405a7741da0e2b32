package yentra.core.estimate.setting;

import java.util.EnumMap;
import java.util.Map;
import java.util.function.ToDoubleFunction;

/**
 * Systems by their seasonal efficiency, and what a kilowatt hour of each carrier costs, emits, and
 * takes of primary energy.
 *
 * @param heating what makes the heat
 * @param cooling seasonal efficiency of cooling: cold over electricity
 * @param hotWater what heats the water
 * @param fanPower electricity of fans, W for each l/s of air that is supplied
 * @param carriers cost, carbon and primary energy
 */
public record Systems(
    Source heating,
    double cooling,
    Source hotWater,
    double fanPower,
    Map<Carrier, Factors> carriers) {
  /** What energy is bought as. */
  public enum Carrier {
    ELECTRICITY("electricity"),
    GAS("gas"),
    OIL("oil"),
    WOOD("wood"),
    DISTRICT_HEAT("district heat");

    private final String label;

    Carrier(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  /**
   * What makes heat.
   *
   * @param efficiency heat over what is bought, in the season
   */
  public record Source(Carrier carrier, double efficiency) {}

  /**
   * @param cost of a kWh, in the user's currency
   * @param carbon kg CO2 of a kWh
   * @param primary kWh of primary energy of a kWh
   */
  public record Factors(double cost, double carbon, double primary) {}

  /**
   * A gas boiler, electric cooling, and factors to be replaced by those of the place (typical
   * magnitudes; common practice, no source).
   */
  public static final Systems STANDARD =
      new Systems(
          new Source(Carrier.GAS, 0.9),
          3.0,
          new Source(Carrier.GAS, 0.85),
          1.5,
          Map.of(
              Carrier.ELECTRICITY, new Factors(0.25, 0.20, 1.8),
              Carrier.GAS, new Factors(0.07, 0.20, 1.1),
              Carrier.OIL, new Factors(0.09, 0.27, 1.1),
              Carrier.WOOD, new Factors(0.06, 0.03, 0.2),
              Carrier.DISTRICT_HEAT, new Factors(0.10, 0.15, 0.7)));

  public Systems {
    carriers = Map.copyOf(carriers);
  }

  /** What is bought, kWh by carrier, in the order of the carriers. */
  public Map<Carrier, Double> bought(double heat, double cold, double water, double electricity) {
    Map<Carrier, Double> out = new EnumMap<>(Carrier.class);
    out.merge(heating.carrier, heat / heating.efficiency, Double::sum);
    out.merge(hotWater.carrier, water / hotWater.efficiency, Double::sum);
    out.merge(Carrier.ELECTRICITY, cold / cooling + electricity, Double::sum);
    return out;
  }

  public double cost(Map<Carrier, Double> bought) {
    return sum(bought, Factors::cost);
  }

  /** kg CO2. */
  public double carbon(Map<Carrier, Double> bought) {
    return sum(bought, Factors::carbon);
  }

  /** kWh of primary energy. */
  public double primary(Map<Carrier, Double> bought) {
    return sum(bought, Factors::primary);
  }

  private double sum(Map<Carrier, Double> bought, ToDoubleFunction<Factors> of) {
    return bought.entrySet().stream()
        .mapToDouble(e -> e.getValue() * of.applyAsDouble(carriers.get(e.getKey())))
        .sum();
  }
}
