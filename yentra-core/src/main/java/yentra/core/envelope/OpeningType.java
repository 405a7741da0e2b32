package yentra.core.envelope;

import java.util.Optional;

/**
 * The opening types of the gbXML schema, and {@link #UNRESOLVED} for an opening whose type the
 * delivery does not say.
 */
public enum OpeningType {
  FIXED_WINDOW("FixedWindow", "window"),
  OPERABLE_WINDOW("OperableWindow", "window"),
  FIXED_SKYLIGHT("FixedSkylight", "rooflight"),
  OPERABLE_SKYLIGHT("OperableSkylight", "rooflight"),
  SLIDING_DOOR("SlidingDoor", "glazed door"),
  NON_SLIDING_DOOR("NonSlidingDoor", "door"),
  AIR("Air", "hole"),
  UNRESOLVED("", "opening");

  private final String gbxml;
  private final String label;

  OpeningType(String gbxml, String label) {
    this.gbxml = gbxml;
    this.label = label;
  }

  /** The literal of the gbXML schema; empty for {@link #UNRESOLVED}. */
  public String gbxml() {
    return gbxml;
  }

  public String label() {
    return label;
  }

  /** The type in words with the standard's word beside it: "window (FixedWindow)". */
  public String words() {
    return gbxml.isEmpty() ? label : label + " (" + gbxml + ")";
  }

  /** Light passes through an opening of this type. */
  public boolean isGlazed() {
    return this != NON_SLIDING_DOOR && this != AIR && this != UNRESOLVED;
  }

  public boolean isHole() {
    return this == AIR;
  }

  public static Optional<OpeningType> fromGbxml(String name) {
    for (OpeningType t : values()) {
      if (t != UNRESOLVED && t.gbxml.equals(name)) {
        return Optional.of(t);
      }
    }
    return Optional.empty();
  }
}
