package yentra.core.estimate.setting;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import yentra.core.envelope.UnreadableException;
import yentra.core.estimate.setting.EstimateSettings.ConvectiveShares;
import yentra.core.estimate.setting.Systems.Carrier;
import yentra.core.json.JsonValue;
import yentra.core.junction.JunctionType;
import yentra.core.solar.Transposition;
import yentra.core.thermal.GroundKind;
import yentra.core.thermal.HeatLossOptions;

/**
 * Reads settings of an estimate (JSON). What is wrong is said with its path, line and column;
 * unknown members are refused by name.
 */
public final class SettingsReader {
  private static final int MOST_BYTES = 5_000_000;

  private static final Set<String> OF_SPACE =
      Set.of("airChange_1_h", "setPoints", "gains_W_m2", "conditioned", "limits");

  private static final Set<String> MEMBERS =
      Set.of(
          "airChange_1_h",
          "setPoints",
          "gains_W_m2",
          "conditioned",
          "limits",
          "groundTemperature_C",
          "solar",
          "thermalBridges",
          "setPointOf",
          "convectiveShare",
          "sky",
          "groundReflectance",
          "absorptance",
          "heatRecovery",
          "ground",
          "unconditionedAirChange_1_h",
          "systems",
          "psi",
          "spaces");

  private SettingsReader() {}

  /**
   * Reads settings.
   *
   * @param key the envelope's key of a space by its id in the file; null where there is none
   * @throws UnreadableException when they cannot be read, with path and place
   */
  public static EstimateSettings read(byte[] bytes, Function<String, String> key)
      throws UnreadableException {
    if (bytes.length > MOST_BYTES) {
      throw new UnreadableException("The settings have more than 5 MB.", 1, 1);
    }
    return settings(JsonValue.read(bytes, "The file of settings"), key);
  }

  private static EstimateSettings settings(JsonValue v, Function<String, String> key)
      throws UnreadableException {
    v.with(MEMBERS);
    EstimateSettings d = EstimateSettings.STANDARD;
    Map<String, SpaceSettings> spaces = new HashMap<>();
    JsonValue list = v.member("spaces");
    if (list != null) {
      for (String id : list.names()) {
        JsonValue s = list.required(id).with(OF_SPACE);
        String k = key.apply(id);
        if (k == null) {
          throw s.wrong("the model has no space with this id.");
        }
        spaces.put(k, space(s));
      }
    }
    Boolean sun = v.said("solar");
    Boolean bridges = v.said("thermalBridges");
    Double leaks = v.number("unconditionedAirChange_1_h", 0, 50);
    return new EstimateSettings(
        space(v),
        spaces,
        v.number("groundTemperature_C", -50, 60),
        sun == null || sun,
        bridges == null || bridges,
        v.one("setPointOf", EstimateSettings.SetPointOf.class, d.setPointOf()),
        shares(v),
        v.one("sky", Transposition.Sky.class, d.sky()),
        v.number("groundReflectance", 0, 1, d.reflectance()),
        v.number("absorptance", 0, 1, d.absorptance()),
        v.number("heatRecovery", 0, 1, d.heatRecovery()),
        new HeatLossOptions(
            v.one("ground", GroundKind.class, d.heatLoss().ground()),
            null,
            null,
            leaks == null ? d.heatLoss().airChanges() : leaks),
        v.member("systems") == null ? d.systems() : systems(v.required("systems")),
        psi(v));
  }

  private static SpaceSettings space(JsonValue v) throws UnreadableException {
    JsonValue points = v.member("setPoints");
    Double heating = null;
    Double cooling = null;
    if (points != null) {
      points.with(Set.of("heating_C", "cooling_C"));
      heating = setPoint(points, "heating_C");
      cooling = setPoint(points, "cooling_C");
      if (heating != null && cooling != null && heating > cooling) {
        throw points.wrong("heating_C must not be above cooling_C.");
      }
    }
    JsonValue limits = v.member("limits");
    if (limits != null) {
      limits.with(Set.of("heating_W_m2", "cooling_W_m2"));
    }
    return new SpaceSettings(
        v.number("airChange_1_h", 0, 200),
        heating,
        cooling,
        v.number("gains_W_m2", 0, 10_000),
        v.said("conditioned"),
        limits == null ? null : limits.number("heating_W_m2", 0, 1e6),
        limits == null ? null : limits.number("cooling_W_m2", 0, 1e6));
  }

  /** Null where it is not said; NaN where it is said to be none. */
  private static Double setPoint(JsonValue points, String name) throws UnreadableException {
    Double v = points.number(name, -50, 100);
    return v != null ? v : points.has(name) ? Double.NaN : null;
  }

  private static ConvectiveShares shares(JsonValue v) throws UnreadableException {
    ConvectiveShares d = ConvectiveShares.STANDARD;
    JsonValue s = v.member("convectiveShare");
    if (s == null) {
      return d;
    }
    if (s.isNumber()) {
      double all = s.number(0, 1);
      return new ConvectiveShares(all, all, all, all);
    }
    s.with(Set.of("heating", "cooling", "gains", "solar"));
    return new ConvectiveShares(
        s.number("heating", 0, 1, d.heating()),
        s.number("cooling", 0, 1, d.cooling()),
        s.number("gains", 0, 1, d.gains()),
        s.number("solar", 0, 1, d.sun()));
  }

  private static Map<JunctionType, Double> psi(JsonValue v) throws UnreadableException {
    Map<JunctionType, Double> out = new EnumMap<>(JunctionType.class);
    JsonValue psi = v.member("psi");
    if (psi != null) {
      psi.with(Arrays.stream(JunctionType.values()).map(Enum::name).collect(Collectors.toSet()));
      for (JunctionType t : JunctionType.values()) {
        Double value = psi.number(t.name(), -2, 5);
        if (value != null) {
          out.put(t, value);
        }
      }
    }
    return out;
  }

  private static Systems systems(JsonValue v) throws UnreadableException {
    Systems d = Systems.STANDARD;
    v.with(Set.of("heating", "hotWater", "cooling", "fans_W_l_s", "carriers"));
    Map<Carrier, Systems.Factors> factors = new EnumMap<>(d.carriers());
    JsonValue carriers = v.member("carriers");
    if (carriers != null) {
      carriers.with(
          Arrays.stream(Carrier.values()).map(JsonValue::named).collect(Collectors.toSet()));
    }
    for (Carrier c : Carrier.values()) {
      JsonValue f = carriers == null ? null : carriers.member(JsonValue.named(c));
      if (f != null) {
        f.with(Set.of("cost_kWh", "carbon_kg_kWh", "primary_kWh_kWh"));
        Systems.Factors old = d.carriers().get(c);
        factors.put(
            c,
            new Systems.Factors(
                f.number("cost_kWh", 0, 1000, old.cost()),
                f.number("carbon_kg_kWh", -10, 100, old.carbon()),
                f.number("primary_kWh_kWh", 0, 100, old.primary())));
      }
    }
    return new Systems(
        source(v, "heating", d.heating()),
        v.number("cooling", 0.1, 100, d.cooling()),
        source(v, "hotWater", d.hotWater()),
        v.number("fans_W_l_s", 0, 20, d.fanPower()),
        factors);
  }

  private static Systems.Source source(JsonValue v, String name, Systems.Source d)
      throws UnreadableException {
    JsonValue s = v.member(name);
    if (s == null) {
      return d;
    }
    s.with(Set.of("carrier", "efficiency"));
    return new Systems.Source(
        s.one("carrier", Carrier.class, d.carrier()),
        s.number("efficiency", 0.05, 20, d.efficiency()));
  }
}
