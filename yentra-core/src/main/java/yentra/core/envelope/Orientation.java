package yentra.core.envelope;

/** Which way a face lies once it is turned out of its space. */
public enum Orientation {
  /** A roof or a ceiling. */
  UP("up"),
  /** A wall. */
  SIDE("side"),
  /** A floor. */
  DOWN("down");

  private final String label;

  Orientation(String label) {
    this.label = label;
  }

  public String label() {
    return label;
  }
}
