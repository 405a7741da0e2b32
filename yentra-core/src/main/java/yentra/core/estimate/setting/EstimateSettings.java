package yentra.core.estimate.setting;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Map;
import yentra.core.junction.JunctionType;
import yentra.core.solar.Transposition;
import yentra.core.thermal.HeatLossOptions;

/**
 * What an estimate is reckoned with.
 *
 * @param all for all spaces
 * @param spaces for single spaces by their key, over what is for all
 * @param groundTemperature constant at the outer face of what touches the ground, °C; null for the
 *     months of ISO 13370
 * @param sun whether the sun shines
 * @param thermalBridges whether linear thermal bridges count
 * @param setPointOf which temperature the set-points hold
 * @param shares how much of heat goes to the air at once
 * @param sky how bright the sky is where
 * @param reflectance of the ground, 0 to 1
 * @param absorptance of the sun by opaque faces, 0 to 1
 * @param heatRecovery share of the warmth of outgoing air that supplied air takes up, 0 to 1
 * @param heatLoss the ground, and how tight spaces are that are not conditioned
 * @param systems that heat and cool
 * @param psi of linear thermal bridges by type in place of the defaults, W/(mK)
 */
@RecordBuilder
public record EstimateSettings(
    SpaceSettings all,
    Map<String, SpaceSettings> spaces,
    Double groundTemperature,
    boolean sun,
    boolean thermalBridges,
    SetPointOf setPointOf,
    ConvectiveShares shares,
    Transposition.Sky sky,
    double reflectance,
    double absorptance,
    double heatRecovery,
    HeatLossOptions heatLoss,
    Systems systems,
    Map<JunctionType, Double> psi)
    implements EstimateSettingsBuilder.With {
  /** What the model says, with the values of the standard where it does not. */
  public static final EstimateSettings STANDARD =
      new EstimateSettings(
          SpaceSettings.NONE,
          Map.of(),
          null,
          true,
          true,
          SetPointOf.OPERATIVE,
          ConvectiveShares.STANDARD,
          Transposition.Sky.ANISOTROPIC,
          Transposition.GROUND,
          0.6,
          0,
          HeatLossOptions.STANDARD,
          Systems.STANDARD,
          Map.of());

  /** The temperature that set-points hold. */
  public enum SetPointOf {
    /** The mean of air and surfaces. */
    OPERATIVE,
    AIR
  }

  /**
   * Shares of heat that go to the air at once; the rest goes to the surfaces (ISO 52016-1:2017,
   * annex B; from memory).
   */
  public record ConvectiveShares(double heating, double cooling, double gains, double sun) {
    public static final ConvectiveShares STANDARD = new ConvectiveShares(0.4, 0.4, 0.4, 0.1);
  }

  public EstimateSettings {
    spaces = Map.copyOf(spaces);
    psi = Map.copyOf(psi);
  }

  /** For one space. */
  public SpaceSettings of(String space) {
    SpaceSettings own = spaces.get(space);
    return own == null ? all : own.over(all);
  }
}
