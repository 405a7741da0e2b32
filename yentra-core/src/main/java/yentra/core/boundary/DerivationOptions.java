package yentra.core.boundary;

import yentra.core.envelope.SurfaceTypes;

/**
 * How boundaries are derived.
 *
 * @param gapLimit two faces are one pair when at most so much construction lies between them, in
 *     metres
 * @param reach construction that goes on for longer than this has nothing behind it, in metres
 * @param cavity air between layers of construction that is at most so thick is part of it, in
 *     metres
 * @param absorb whether strips with only construction behind them go to what lies beside them on
 *     the same face
 * @param types which tilts are roofs, walls and floors
 */
public record DerivationOptions(
    double gapLimit, double reach, double cavity, boolean absorb, SurfaceTypes types) {
  /** Common practice, no source. */
  public static final DerivationOptions STANDARD =
      new DerivationOptions(0.6, 1.0, 0.2, true, SurfaceTypes.STANDARD);

  public DerivationOptions {
    if (!(gapLimit > 0 && reach >= gapLimit && cavity >= 0)) {
      throw new IllegalArgumentException(
          "the gap limit must be above zero and the reach not below it");
    }
  }

  public DerivationOptions absorbing(boolean a) {
    return new DerivationOptions(gapLimit, reach, cavity, a, types);
  }

  /** The same with another gap limit; the reach goes with it where it would be less. */
  public DerivationOptions across(double gap) {
    return new DerivationOptions(gap, Math.max(reach, gap), cavity, absorb, types);
  }

  public DerivationOptions typing(SurfaceTypes t) {
    return new DerivationOptions(gapLimit, reach, cavity, absorb, t);
  }
}
