package yentra.core.variant.change;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import yentra.core.estimate.setting.Systems;
import yentra.core.repair.NotApplicableException;

/**
 * Other systems; what is null stays.
 *
 * @param heating what heat is bought as
 * @param heatingEfficiency heat over what is bought, in the season
 * @param hotWater what heat for water is bought as
 * @param hotWaterEfficiency heat over what is bought, in the season
 * @param coolingEfficiency cold over electricity, in the season
 * @param fanPower W for each l/s of air that is supplied
 */
public record SystemsOf(
    Systems.Carrier heating,
    Double heatingEfficiency,
    Systems.Carrier hotWater,
    Double hotWaterEfficiency,
    Double coolingEfficiency,
    Double fanPower)
    implements Change {
  @Override
  public Effect on(VariantState state) throws NotApplicableException {
    checkQuantities();
    if (heating == null
        && heatingEfficiency == null
        && hotWater == null
        && hotWaterEfficiency == null
        && coolingEfficiency == null
        && fanPower == null) {
      throw new NotApplicableException("Say what of the systems is another.");
    }
    Systems old = state.settings().systems();
    Systems now =
        new Systems(
            source(old.heating(), heating, heatingEfficiency),
            coolingEfficiency == null ? old.cooling() : coolingEfficiency,
            source(old.hotWater(), hotWater, hotWaterEfficiency),
            fanPower == null ? old.fanPower() : fanPower,
            old.carriers());
    return now.equals(old) ? Effect.NONE : Effect.of(state.settings().withSystems(now));
  }

  private static Systems.Source source(
      Systems.Source old, Systems.Carrier carrier, Double efficiency) {
    return new Systems.Source(
        carrier == null ? old.carrier() : carrier,
        efficiency == null ? old.efficiency() : efficiency);
  }

  @Override
  public String label() {
    List<String> said = new ArrayList<>();
    said(said, "heating", heating, heatingEfficiency);
    said(said, "hot water", hotWater, hotWaterEfficiency);
    said(said, "cooling", null, coolingEfficiency);
    if (fanPower != null) {
      said.add("fans of " + Words.number(fanPower) + " W for each l/s");
    }
    return String.join(", ", said);
  }

  private static void said(
      List<String> out, String what, Systems.Carrier carrier, Double efficiency) {
    if (carrier != null || efficiency != null) {
      out.add(
          what
              + (carrier == null ? "" : " by " + carrier.label())
              + (efficiency == null ? "" : " with efficiency " + Words.number(efficiency)));
    }
  }

  @Override
  public Set<Aspect> changes() {
    return EnumSet.of(Aspect.SYSTEMS);
  }

  @Override
  public Set<Aspect> dependsOn() {
    return EnumSet.noneOf(Aspect.class);
  }

  @Override
  public List<ChangeQuantity> quantities() {
    return List.of(
        efficiency("heatingEfficiency", "efficiency of heating", heatingEfficiency, 0.05, 20),
        efficiency("coolingEfficiency", "efficiency of cooling", coolingEfficiency, 0.1, 100),
        efficiency("hotWaterEfficiency", "efficiency of hot water", hotWaterEfficiency, 0.05, 20),
        efficiency("fanPower", "power of fans for each l/s", fanPower, 0, 20));
  }

  private static ChangeQuantity efficiency(
      String member, String label, Double v, double least, double most) {
    return ChangeQuantity.counted(
        member, label, member.equals("fanPower") ? "W/(l/s)" : "", v, least, most);
  }

  @Override
  public Change with(String member, double v) {
    return switch (member) {
      case "heatingEfficiency" ->
          new SystemsOf(heating, v, hotWater, hotWaterEfficiency, coolingEfficiency, fanPower);
      case "coolingEfficiency" ->
          new SystemsOf(heating, heatingEfficiency, hotWater, hotWaterEfficiency, v, fanPower);
      case "hotWaterEfficiency" ->
          new SystemsOf(heating, heatingEfficiency, hotWater, v, coolingEfficiency, fanPower);
      case "fanPower" ->
          new SystemsOf(
              heating, heatingEfficiency, hotWater, hotWaterEfficiency, coolingEfficiency, v);
      default -> throw Change.unknown(this, member);
    };
  }
}
