package yentra.core.variant.change;

/** Compass directions that outdoor walls face, of 45° each, from true north clockwise. */
public enum Facing {
  NORTH("north"),
  NORTH_EAST("north-east"),
  EAST("east"),
  SOUTH_EAST("south-east"),
  SOUTH("south"),
  SOUTH_WEST("south-west"),
  WEST("west"),
  NORTH_WEST("north-west");

  private final String label;

  Facing(String label) {
    this.label = label;
  }

  public String label() {
    return label;
  }
}
