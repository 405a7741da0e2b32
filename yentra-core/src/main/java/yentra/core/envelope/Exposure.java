package yentra.core.envelope;

/** What lies on the other side of a surface. */
public enum Exposure {
  OUTDOOR,
  GROUND,
  SPACE,
  ADIABATIC,
  NONE,
  SHADE,
  UNRESOLVED;

  public String label() {
    return name().toLowerCase(java.util.Locale.ROOT);
  }
}
