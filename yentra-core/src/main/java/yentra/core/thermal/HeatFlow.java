package yentra.core.thermal;

import yentra.core.envelope.SurfaceTypes;

/** Direction of heat flow through a component, from its warm side (ISO 6946:2017, 6.8). */
public enum HeatFlow {
  UP("upwards"),
  HORIZONTAL("horizontally"),
  DOWN("downwards");

  private final String label;

  HeatFlow(String label) {
    this.label = label;
  }

  public String label() {
    return label;
  }

  /**
   * Out of a face.
   *
   * @param tilt of the outer face, degrees from the vertical upwards
   */
  public static HeatFlow out(double tilt) {
    return switch (SurfaceTypes.ISO_6946.orientation(tilt)) {
      case UP -> UP;
      case SIDE -> HORIZONTAL;
      case DOWN -> DOWN;
    };
  }
}
