package yentra.core.estimate.hourly;

import java.util.List;
import yentra.core.solar.Transposition;

/**
 * A building ready for its hours.
 *
 * @param zones its spaces
 * @param components between them and to the outside
 * @param links air that moves between zones
 * @param faces that look outdoors
 * @param bridges linear thermal bridges of each zone, W/K
 * @param options of the balance
 * @param assumptions what was taken because the model does not say it
 */
record Network(
    List<Zone> zones,
    List<Component> components,
    List<Link> links,
    List<Face> faces,
    double[] bridges,
    Options options,
    List<String> assumptions) {
  /**
   * Heat capacity of air and furniture, J/(m²K) of floor (ISO 52016-1:2017, table B.17; from
   * memory).
   */
  static final double FURNITURE = 10_000;

  /** Long-wave exchange on inner faces, W/(m²K) (ISO 13789:2017, table 8; from memory). */
  static final double RADIANT_INSIDE = 5.13;

  /** On outer faces. */
  static final double RADIANT_OUTSIDE = 4.14;

  /** Convection on outer faces. */
  static final double CONVECTIVE_OUTSIDE = 20;

  /** Both on outer faces. */
  static final double OUTSIDE = RADIANT_OUTSIDE + CONVECTIVE_OUTSIDE;

  /** Heat capacity of air by volume, Wh/(m³K). */
  static final double AIR = yentra.core.thermal.UnconditionedSpaces.AIR;

  /** Where the sky's long-wave radiation is not known it is so much colder than the air, K. */
  static final double SKY = 11;

  /**
   * Air that two zones exchange.
   *
   * @param coefficient W/K
   */
  record Link(int a, int b, double coefficient) {}

  /**
   * @param shares of heat that go to the air
   * @param ofAir whether set-points hold the air's temperature
   * @param sun whether it shines
   * @param sky how bright it is where
   * @param reflectance of the ground
   * @param absorptance of opaque faces
   */
  record Options(
      yentra.core.estimate.setting.EstimateSettings.ConvectiveShares shares,
      boolean ofAir,
      boolean sun,
      Transposition.Sky sky,
      double reflectance,
      double absorptance) {}
}
