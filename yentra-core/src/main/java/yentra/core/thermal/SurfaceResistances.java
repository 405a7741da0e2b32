package yentra.core.thermal;

/**
 * Resistances of the air at both faces of a component, in m²K/W: conventional values of ISO
 * 6946:2017, 6.8, table 7 (from memory; table 1 in the edition of 2007).
 *
 * @param inside Rsi
 * @param outside Rse, or Rsi of the other side where that is indoors too
 */
public record SurfaceResistances(double inside, double outside) {
  /** None: what is stated is the component alone. */
  public static final SurfaceResistances NONE = new SurfaceResistances(0, 0);

  private static final double UP = 0.10;
  private static final double HORIZONTAL = 0.13;
  private static final double DOWN = 0.17;
  private static final double OUTSIDE = 0.04;

  private static double inside(double tilt) {
    return switch (HeatFlow.out(tilt)) {
      case UP -> UP;
      case HORIZONTAL -> HORIZONTAL;
      case DOWN -> DOWN;
    };
  }

  /**
   * Of a component between indoors and outdoor air.
   *
   * @param tilt of its outer face, degrees from the vertical upwards
   */
  public static SurfaceResistances outdoor(double tilt) {
    return new SurfaceResistances(inside(tilt), OUTSIDE);
  }

  /** Of a component that touches the ground: there is no air outside. */
  public static SurfaceResistances ground(double tilt) {
    return new SurfaceResistances(inside(tilt), 0);
  }

  /** Of a component with rooms on both sides, heat flowing out of its face of this tilt. */
  public static SurfaceResistances indoor(double tilt) {
    return new SurfaceResistances(inside(tilt), inside(tilt));
  }

  public double sum() {
    return inside + outside;
  }
}
