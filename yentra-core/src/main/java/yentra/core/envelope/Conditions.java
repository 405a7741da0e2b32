package yentra.core.envelope;

/** What gbXML's conditionType says of a space. */
public enum Conditions {
  UNKNOWN("not said", false, false),
  HEATED("heated", true, false),
  COOLED("cooled", false, true),
  BOTH("heated and cooled", true, true),
  NONE("unconditioned", false, false);

  private final String label;
  private final boolean heated;
  private final boolean cooled;

  Conditions(String label, boolean heated, boolean cooled) {
    this.label = label;
    this.heated = heated;
    this.cooled = cooled;
  }

  public static Conditions of(String conditionType) {
    return switch (conditionType) {
      case "Heated", "HeatedOnly" -> HEATED;
      case "Cooled" -> COOLED;
      case "HeatedAndCooled" -> BOTH;
      case "Unconditioned", "NaturallyVentedOnly", "Vented" -> NONE;
      default -> UNKNOWN;
    };
  }

  public String label() {
    return label;
  }

  public boolean heated() {
    return heated;
  }

  public boolean cooled() {
    return cooled;
  }

  /** Whether it is heated or cooled; false where nothing is said. */
  public boolean conditioned() {
    return heated || cooled;
  }
}
