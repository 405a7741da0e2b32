package yentra.core.estimate;

import java.util.Map;
import yentra.core.estimate.setting.Systems;

/**
 * What a year takes beside the zones' balance, and what is bought for all of it.
 *
 * @param fans electricity, kWh
 * @param hotWater heat, kWh
 * @param bought kWh by carrier
 * @param cost in the user's currency
 * @param carbon kg CO2
 * @param primary kWh of primary energy
 */
public record Energy(
    double fans,
    double hotWater,
    Map<Systems.Carrier, Double> bought,
    double cost,
    double carbon,
    double primary) {}
