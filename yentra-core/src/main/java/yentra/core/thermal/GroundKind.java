package yentra.core.thermal;

/**
 * What the ground consists of (ISO 13370:2017, table 7; from memory). Sand or gravel is what the
 * standard takes where the ground is not known.
 */
public enum GroundKind {
  SAND("sand or gravel", 2.0, 2.0e6),
  CLAY("clay or silt", 1.5, 3.0e6),
  ROCK("homogeneous rock", 3.5, 2.0e6);

  private final String label;
  private final double conductivity;
  private final double heatCapacity;

  GroundKind(String label, double conductivity, double heatCapacity) {
    this.label = label;
    this.conductivity = conductivity;
    this.heatCapacity = heatCapacity;
  }

  public String label() {
    return label;
  }

  /** W/(mK). */
  public double conductivity() {
    return conductivity;
  }

  /** By volume, J/(m³K). */
  public double heatCapacity() {
    return heatCapacity;
  }
}
