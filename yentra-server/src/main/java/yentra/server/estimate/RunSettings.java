package yentra.server.estimate;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import yentra.core.estimate.setting.EstimateSettings;
import yentra.core.estimate.setting.SpaceSettings;
import yentra.core.estimate.setting.Systems;
import yentra.core.junction.JunctionType;
import yentra.core.thermal.HeatLossOptions;
import yentra.server.web.Problem;

/**
 * What a project is estimated with, as people set it. Null: the model decides, or the standard.
 *
 * @param airChange all exchange with outdoor air, 1/h
 * @param heating set-point of all spaces, °C
 * @param cooling set-point of all spaces, °C
 * @param gains of all spaces, W/m²
 * @param heatRecovery 0 to 1
 * @param absorptance of outer faces, 0 to 1
 * @param thermalBridges whether they count
 * @param heatingCarrier name of a carrier
 * @param heatingEfficiency in the season
 * @param coolingEfficiency in the season
 * @param waterCarrier name of a carrier
 * @param waterEfficiency in the season
 * @param fanPower W for each l/s
 * @param carriers cost, carbon and primary energy
 * @param psi of linear thermal bridges by type in place of the defaults, W/(mK)
 */
public record RunSettings(
    Double airChange,
    Double heating,
    Double cooling,
    Double gains,
    double heatRecovery,
    double absorptance,
    boolean thermalBridges,
    String heatingCarrier,
    double heatingEfficiency,
    double coolingEfficiency,
    String waterCarrier,
    double waterEfficiency,
    double fanPower,
    List<CarrierSetting> carriers,
    Map<String, Double> psi) {
  public RunSettings {
    psi = psi == null ? Map.of() : Map.copyOf(psi);
  }

  /**
   * @param carrier name
   * @param label in words
   * @param cost of a kWh
   * @param carbon kg of a kWh
   * @param primary kWh of primary energy of a kWh; null for the usual factor
   */
  public record CarrierSetting(
      String carrier, String label, double cost, double carbon, Double primary) {}

  static final RunSettings STANDARD = standard();

  private static RunSettings standard() {
    EstimateSettings s = EstimateSettings.STANDARD;
    Systems y = s.systems();
    List<CarrierSetting> carriers =
        java.util.Arrays.stream(Systems.Carrier.values())
            .map(
                c ->
                    new CarrierSetting(
                        c.name(),
                        c.label(),
                        y.carriers().get(c).cost(),
                        y.carriers().get(c).carbon(),
                        y.carriers().get(c).primary()))
            .toList();
    return new RunSettings(
        null,
        null,
        null,
        null,
        s.heatRecovery(),
        s.absorptance(),
        s.thermalBridges(),
        y.heating().carrier().name(),
        y.heating().efficiency(),
        y.cooling(),
        y.hotWater().carrier().name(),
        y.hotWater().efficiency(),
        y.fanPower(),
        carriers,
        Map.of());
  }

  /**
   * These, when they can be reckoned with.
   *
   * @throws Problem with what is wrong
   */
  RunSettings checked() {
    within("Air change", airChange, 0, 200);
    within("The set-point for heating", heating, -50, 100);
    within("The set-point for cooling", cooling, -50, 100);
    within("Internal gains", gains, 0, 10_000);
    within("Heat recovery", heatRecovery, 0, 1);
    within("Absorptance", absorptance, 0, 1);
    within("The efficiency of heating", heatingEfficiency, 0.05, 20);
    within("The efficiency of cooling", coolingEfficiency, 0.1, 100);
    within("The efficiency of hot water", waterEfficiency, 0.05, 20);
    within("The power of fans", fanPower, 0, 20);
    if (heating != null && cooling != null && heating > cooling) {
      throw Problem.bad("The set-point for heating must not be above that for cooling.");
    }
    carrier(heatingCarrier);
    carrier(waterCarrier);
    if (carriers == null) {
      throw Problem.bad("Say what the carriers cost and emit.");
    }
    for (CarrierSetting c : carriers) {
      carrier(c.carrier);
      within("The cost of " + c.label, c.cost, 0, 1000);
      within("The carbon of " + c.label, c.carbon, -10, 100);
      within("The primary energy of " + c.label, c.primary, 0, 100);
    }
    psi.forEach((t, v) -> within("ψ of " + type(t).label(), v, -2, 5));
    return this;
  }

  private static JunctionType type(String name) {
    for (JunctionType t : JunctionType.values()) {
      if (t.name().equals(name)) {
        return t;
      }
    }
    throw Problem.bad("Thermal bridges of type " + name + " are not known.");
  }

  /** ψ in place of the defaults, by type. */
  Map<JunctionType, Double> stated() {
    Map<JunctionType, Double> out = new EnumMap<>(JunctionType.class);
    psi.forEach((t, v) -> out.put(type(t), v));
    return out;
  }

  private static void within(String what, Double v, double least, double most) {
    if (v != null && !(v >= least && v <= most)) {
      throw Problem.bad(what + " must lie between " + least + " and " + most + ".");
    }
  }

  private static Systems.Carrier carrier(String name) {
    for (Systems.Carrier c : Systems.Carrier.values()) {
      if (c.name().equals(name)) {
        return c;
      }
    }
    throw Problem.bad("The carrier " + name + " is not known.");
  }

  /**
   * @param heatLoss of the project
   */
  public EstimateSettings settings(HeatLossOptions heatLoss) {
    EstimateSettings s = EstimateSettings.STANDARD;
    Map<Systems.Carrier, Systems.Factors> factors = new EnumMap<>(Systems.STANDARD.carriers());
    for (CarrierSetting c : carriers) {
      Systems.Carrier known = carrier(c.carrier);
      double primary = c.primary == null ? factors.get(known).primary() : c.primary;
      factors.put(known, new Systems.Factors(c.cost, c.carbon, primary));
    }
    return new EstimateSettings(
        new SpaceSettings(airChange, heating, cooling, gains, null, null, null),
        Map.of(),
        null,
        true,
        thermalBridges,
        s.setPointOf(),
        s.shares(),
        s.sky(),
        s.reflectance(),
        absorptance,
        heatRecovery,
        heatLoss,
        new Systems(
            new Systems.Source(carrier(heatingCarrier), heatingEfficiency),
            coolingEfficiency,
            new Systems.Source(carrier(waterCarrier), waterEfficiency),
            fanPower,
            factors),
        stated());
  }

  /** These with what other settings of an estimate say, as far as a project can lay it down. */
  public RunSettings with(EstimateSettings s) {
    Systems y = s.systems();
    return new RunSettings(
        s.all().airChange(),
        s.all().heating(),
        s.all().cooling(),
        s.all().gains(),
        s.heatRecovery(),
        s.absorptance(),
        s.thermalBridges(),
        y.heating().carrier().name(),
        y.heating().efficiency(),
        y.cooling(),
        y.hotWater().carrier().name(),
        y.hotWater().efficiency(),
        y.fanPower(),
        carriers,
        psi);
  }
}
