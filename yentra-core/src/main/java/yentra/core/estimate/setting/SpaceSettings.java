package yentra.core.estimate.setting;

/**
 * What is laid down for a space, or for all, over what the model says. Null: the model decides.
 *
 * @param airChange all exchange with outdoor air, 1/h
 * @param heating set-point in °C; NaN for none
 * @param cooling set-point in °C; NaN for none
 * @param gains internal gains, W/m² at all times
 * @param conditioned whether it is heated and cooled at all
 * @param heatingLimit most heating, W/m²
 * @param coolingLimit most cooling, W/m²
 */
public record SpaceSettings(
    Double airChange,
    Double heating,
    Double cooling,
    Double gains,
    Boolean conditioned,
    Double heatingLimit,
    Double coolingLimit) {
  public static final SpaceSettings NONE =
      new SpaceSettings(null, null, null, null, null, null, null);

  /** These where they are said, else the others. */
  public SpaceSettings over(SpaceSettings o) {
    return new SpaceSettings(
        first(airChange, o.airChange),
        first(heating, o.heating),
        first(cooling, o.cooling),
        first(gains, o.gains),
        first(conditioned, o.conditioned),
        first(heatingLimit, o.heatingLimit),
        first(coolingLimit, o.coolingLimit));
  }

  private static <T> T first(T a, T b) {
    return a == null ? b : a;
  }
}
