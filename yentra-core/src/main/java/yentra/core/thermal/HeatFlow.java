package yentra.core.thermal;

/** Direction of heat flow through a component, from its warm side (ISO 6946:2017, 6.8). */
public enum HeatFlow {
  UP("upwards"),
  HORIZONTAL("horizontally"),
  DOWN("downwards");

  /** "Horizontal" holds for directions within 30° of it: tilts of 60° to 120°. */
  private static final double FLATTEST = 60;

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
    return tilt < FLATTEST ? UP : tilt > 180 - FLATTEST ? DOWN : HORIZONTAL;
  }
}
