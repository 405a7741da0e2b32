package yentra.core.estimate.hourly;

import yentra.core.thermal.HeatFlow;

/** Heat transfer by convection on inner faces (ISO 13789:2017, table 8; from memory). */
final class Films {
  private static final double UP = 5.0;
  private static final double SIDE = 2.5;
  private static final double DOWN = 0.7;

  private Films() {}

  /**
   * W/(m²K).
   *
   * @param tilt of the face as it looks out of the zone, degrees
   */
  static double inside(double tilt) {
    return switch (HeatFlow.out(tilt)) {
      case UP -> UP;
      case HORIZONTAL -> SIDE;
      case DOWN -> DOWN;
    };
  }
}
